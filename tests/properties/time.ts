/** A thousand planned sessions on the floor: pairs, time, windows (rules time.parts, pair.rest; common practice, no source). */
import { describe, expect, it } from "vitest";
import { isRoutine } from "../../src/core/athlete/types";
import { windowsOfWeek } from "../../src/core/athlete/windows";
import { groupsOf, totalSeconds } from "../../src/core/session/time";
import { random } from "../../src/demo/random";
import { onTheFloor } from "../support/floor";
import { type Stood, sessions } from "./corpus";

/** Minutes to the end of a session's window; null where it follows a run, -1 where there is none. */
function roomOf({ athlete, week, session }: Stood): number | null {
  if (isRoutine(session.label)) return null;
  const at = windowsOfWeek(athlete, week.season.start).find(
    (x) =>
      x.date === session.date &&
      x.place === session.place &&
      session.start >= x.start &&
      session.start + session.minutes <= x.start + x.minutes,
  );
  return at ? at.start + at.minutes - session.start : -1;
}

const stood = sessions().map((s) => ({ session: s.session, room: roomOf(s) }));

/** Share of sessions in gyms of a dozen odd plates a side, put on one by one, that may be further off than 10%. */
const ODD_PLATES = 0.002;

describe("the time of a session", () => {
  it("is looked at in sessions of every kind", () => {
    for (const emphasis of ["prepare", "develop", "maximal", "hold", "restore"])
      expect(stood.filter((s) => s.session.emphasis === emphasis).length).toBeGreaterThan(20);
    expect(stood.filter((s) => s.room === null).length).toBeGreaterThan(20);
    expect(stood.filter((s) => s.session.items.some((i) => i.pair.endsWith("B"))).length).toBeGreaterThan(500);
  });
  it("pair nothing that shares a primary muscle, grip or a trunk limit", () => {
    for (const { session } of stood)
      for (const group of groupsOf(session.items))
        for (const [i, a] of group.entries())
          for (const b of group.slice(i + 1)) {
            const muscles = a.exercise.primary.filter((m) => b.exercise.primary.includes(m));
            const limits = a.exercise.limits.filter((l) => b.exercise.limits.includes(l));
            expect({ a: a.exercise.id, b: b.exercise.id, muscles, limits }).toMatchObject({ muscles: [], limits: [] });
          }
  });
  it("run no longer than their windows", () => {
    for (const { session, room } of stood)
      if (room !== null) expect({ session: session.date, over: session.minutes > room }).toMatchObject({ over: false });
  });
  it("take what was said, within 10% of the same session lived through event by event", () => {
    const r = random(5);
    const off = stood.map(({ session, room }) => {
      // Five times, since a few unlucky walks are a tenth of a routine of nine minutes.
      const lived = [1, 2, 3, 4, 5].reduce((a) => a + onTheFloor(session, r, room === null) / 5, 0);
      const said = totalSeconds(session.time);
      return {
        what: `${session.date} ${session.label} ${session.emphasis}`,
        said,
        lived,
        pct: (said / lived - 1) * 100,
      };
    });
    expect(off.filter((o) => Math.abs(o.pct) > 20).slice(0, 5)).toEqual([]);
    expect(off.filter((o) => Math.abs(o.pct) > 10).length / off.length).toBeLessThan(ODD_PLATES);
    const mean = off.reduce((a, o) => a + o.pct, 0) / off.length;
    expect(Math.abs(mean)).toBeLessThan(4);
  });
});
