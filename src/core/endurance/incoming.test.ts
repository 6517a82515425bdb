import { describe, expect, it } from "vitest";
import type { EnduranceSession } from "../athlete/types";
import { fatesOf, type Incoming, type KnownSession, merged, plannedAndDone, withoutMissed } from "./incoming";

const run = (more: Partial<EnduranceSession> = {}): EnduranceSession => ({
  date: "2026-03-03",
  sport: "run",
  kind: "easy",
  minutes: 50,
  distanceKm: 9,
  done: true,
  ...more,
});
const row = (more: Partial<EnduranceSession> = {}, kindGuessed = false): Incoming => ({
  session: run(more),
  kindGuessed,
});
const known = (...sessions: EnduranceSession[]): KnownSession[] =>
  sessions.map((session, i) => ({ id: `k${i}`, session }));
const kinds = (k: KnownSession[], rows: Incoming[]) => fatesOf(k, rows).map((f) => f.kind);
/** What is known once an import is taken over. */
function taken(before: KnownSession[], rows: Incoming[]): KnownSession[] {
  const after = [...before];
  fatesOf(before, rows).forEach((f, i) => {
    if (f.kind === "new") after.push({ id: `n${i}`, session: merged(null, rows[i]!) });
    if (f.kind === "changed" || f.kind === "done") {
      const at = after.findIndex((k) => k.id === f.id);
      after[at] = { id: f.id, session: merged(after[at]!.session, rows[i]!) };
    }
  });
  return after;
}

describe("what an incoming record is", () => {
  it("knows a session again by its source, whatever else it says now", () => {
    const k = known(run({ source: "feed:1" }));
    expect(kinds(k, [row({ source: "feed:1" })])).toEqual(["same"]);
    expect(kinds(k, [row({ source: "feed:1", minutes: 53, date: "2026-03-04" })])).toEqual(["changed"]);
    expect(taken(k, [row({ source: "feed:1", minutes: 53 })]).map((x) => x.session.minutes)).toEqual([53]);
  });

  it("knows it again without a source by start, minutes and distance", () => {
    const k = known(run({ start: "06:30" }));
    expect(kinds(k, [row({ start: "06:33", minutes: 51, distanceKm: 9.1, source: "gpx:x" })])).toEqual(["same"]);
    expect(kinds(k, [row({ start: "17:00" })])).toEqual(["new"]);
    expect(kinds(k, [row({ start: "06:30", minutes: 60 })])).toEqual(["new"]);
    expect(kinds(k, [row({ start: "06:30", distanceKm: 12 })])).toEqual(["new"]);
    expect(kinds(k, [row({ start: "06:30", sport: "ride" })])).toEqual(["new"]);
  });

  it("takes two alike rows without a start for two sessions, and with one for the same told twice", () => {
    const alike = [row(), row()];
    expect(kinds([], alike)).toEqual(["new", "new"]);
    expect(kinds(taken([], alike), alike)).toEqual(["same", "same"]);
    expect(fatesOf([], [row({ start: "06:30" }), row({ start: "06:31" })])).toEqual([
      { kind: "new" },
      { kind: "twice", row: 0 },
    ]);
  });

  it("lets the last word of a source count", () => {
    const rows = [row({ source: "feed:1", minutes: 40 }), row({ source: "feed:1", minutes: 44 })];
    expect(fatesOf([], rows)).toEqual([{ kind: "twice", row: 1 }, { kind: "new" }]);
    expect(taken([], rows).map((k) => k.session.minutes)).toEqual([44]);
  });
});

describe("planned and done", () => {
  const plan = run({ done: false, kind: "intervals", minutes: 60, distanceKm: 12, rpe: 8, key: true, start: "18:00" });

  it("are matched on the day, in the sport, nearest in minutes", () => {
    const k = known(run({ done: false, minutes: 30 }), plan, run({ done: false, sport: "ride", minutes: 58 }));
    expect(fatesOf(k, [row({ minutes: 58 })])).toEqual([{ kind: "done", id: "k1" }]);
    expect(kinds(k, [row({ minutes: 14 })])).toEqual(["new"]);
    expect(kinds(k, [row({ minutes: 58, date: "2026-03-04" })])).toEqual(["new"]);
  });

  it("keep what was planned, its kind where the record only guesses, and its key flag", () => {
    const [k] = taken(known(plan), [row({ minutes: 57, distanceKm: 11.4 }, true)]);
    expect(k!.session).toMatchObject({
      kind: "intervals",
      minutes: 57,
      done: true,
      key: true,
      planned: { date: "2026-03-03", minutes: 60, distanceKm: 12, rpe: 8, kind: "intervals" },
    });
    expect(k!.session.rpe).toBeUndefined();
    // The plan coming again, and the record coming again, change nothing.
    expect(kinds([k!], [{ session: plan, kindGuessed: false }])).toEqual(["same"]);
    expect(kinds([k!], [row({ minutes: 57, distanceKm: 11.4 }, true)])).toEqual(["same"]);
  });

  it("keep the plan when the record is edited late", () => {
    const done = taken(known(plan), [row({ minutes: 57, source: "feed:9" }, true)]);
    const edited = taken(done, [row({ minutes: 61, source: "feed:9" }, true)]);
    expect(edited[0]!.session).toMatchObject({ minutes: 61, kind: "intervals", planned: { minutes: 60 } });
  });

  it("are summed apart", () => {
    expect(
      plannedAndDone([plan, run({ planned: { date: "2026-03-03", kind: "easy", minutes: 45, distanceKm: 8 } }), run()]),
    ).toEqual({
      plannedMinutes: 105,
      plannedKm: 20,
      plannedSessions: 2,
      doneMinutes: 100,
      doneKm: 18,
      doneSessions: 2,
    });
  });

  it("a missed session does not count where records are kept, and counts where nothing was recorded", () => {
    const missed = run({ done: false, date: "2026-03-01" });
    const ahead = run({ done: false, date: "2026-03-20" });
    expect(withoutMissed([missed, run(), ahead], "2026-03-10")).toEqual([run(), ahead]);
    expect(withoutMissed([missed, ahead], "2026-03-10")).toEqual([missed, ahead]);
    // Not yet told about: after the last record, or after the first day of the plan.
    expect(withoutMissed([missed, run()], "2026-02-20")).toEqual([missed, run()]);
  });
});
