/** Athletes: import, export, read, and the coach's decisions about them. */
import { randomUUID } from "node:crypto";
import { seasonView } from "../../api/make/season";
import { sessionView } from "../../api/make/session";
import { shortened, shorterView, withShorter } from "../../api/make/shorter";
import { enduranceBetween, weekView } from "../../api/make/week";
import { setsOf } from "../../api/make/weekSessions";
import { archivedBody, heldBody, lockBody, logBody, mergeLogBody } from "../../api/requests";
import { may } from "../../api/roles";
import type { AthleteView, ErasedView, ImportedView, SessionsView, ShorterView } from "../../api/views";
import { type Approach, type Athlete, type StrengthLog, withLock } from "../../core/athlete";
import { addDays, dayLabel, dayNumber, mondayOf } from "../../core/dates";
import { unknownLifts } from "../../core/plan";
import { planWeek } from "../../core/planning";
import { asLocked } from "../../core/week";
import { readAthleteFile, writeAthleteFile } from "../../formats/athlete-file";
import { faulty, notFound } from "../errors";
import { tooDeep } from "../http/door";
import { type Call, done, file, json, type Route, RouteList } from "../http/route";
import { answering } from "../http/scope";
import type { Planned } from "../planner";
import type { ServerContext } from "../serverContext";
import { backupsWith, noteErased } from "../store/backup";
import type { Store, Stored } from "../store/store";
import { logArrivals } from "../views/arrivals";
import { forgetSeen } from "../views/squad";
import { checkedApproach } from "./approaches";
import { factRoutes } from "./facts";
import { athleteTools, dateParam, fileName, labelParam, minutesParam } from "./tools";

/** Planned weeks that the records name sessions of. */
const SHOWN_WEEKS = 3;
/** Logs that are shown, the latest. */
const SHOWN_LOGS = 24;
/** Days of the sessions to come. */
const soon = ({ plan }: Planned): SessionsView["sessions"] =>
  plan.weeks.slice(0, SHOWN_WEEKS).flatMap((w) => w.sessions.map(({ date, label }) => ({ date, label })));
/** Endurance shown in the records view, days back and ahead. */
const RECORD_DAYS = { back: 42, ahead: 42 };
const FILE_LIMIT = 20_000_000;

/** The athlete with the coach's copies that the settings name, so that the file stands alone. */
function withApproaches({ record: athlete, approaches }: Stored): Athlete {
  const asked = [athlete.settings?.approach, ...Object.values(athlete.settings?.approachByPhase ?? {})];
  const used = approaches.filter((a) => asked.includes(a.id));
  const others = (athlete.approaches ?? []).filter((a) => !used.some((u) => u.id === a.id));
  return used.length + others.length > 0 ? { ...athlete, approaches: [...used, ...others] } : athlete;
}

/** Copies that come with an athlete and are not known here become the coach's own. */
async function takeApproaches(store: Store, approaches: readonly Approach[]): Promise<void> {
  for (const a of approaches)
    if (!store.approaches.all.some((k) => k.id === a.id))
      await store.approaches.save(checkedApproach(a), "Came with an athlete file");
}

/** A log as it was sent, for the day and label of the address and no later than today. */
function checkedLog(call: Call<unknown>, log: StrengthLog, today: string): StrengthLog {
  const [date, label] = [dateParam(call.params.date), labelParam(call.params.label)];
  if (log.date !== date || log.label !== label)
    throw faulty([{ path: "date", expected: `${date} and label ${label}, as in the address, expected` }], "The log");
  if (dayNumber(date) > dayNumber(today))
    throw faulty([{ path: "date", expected: `a day up to today (${today}) expected, found "${date}"` }], "The log");
  return log;
}

/** The record itself, the file, erasing. */
function recordRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const { stored, season } = athleteTools(ctx);

  r.bulk(
    "POST",
    "",
    { limit: FILE_LIMIT, expensive: true },
    async ({ body }) => {
      if (tooDeep(body))
        throw faulty([{ path: "(file)", expected: "an athlete file expected, it nests too deep" }], "The athlete file");
      const read = readAthleteFile(body);
      if (!read.ok) throw faulty(read.faults, "The athlete file");
      for (const a of read.value.approaches ?? []) checkedApproach(a);
      return read.value;
    },
    async ({ account }, athlete) => {
      const id = randomUUID();
      await takeApproaches(store, athlete.approaches ?? []);
      const warnings = unknownLifts(athlete, store.exercises.library).map((w) => w.text);
      const view: ImportedView = { id, name: athlete.athlete.name, warnings };
      const answer = answering(json(view, 201), id);
      await store.athletes.add(athlete, id);
      if (account !== null) await store.accounts.assign(account, id);
      return answer;
    },
  );

  r.read("/:id", async ({ params }) => {
    const today = planner.today();
    const p = await season(params.id, SHOWN_WEEKS);
    const { athlete } = p.stored;
    const view: AthleteView = {
      id: p.stored.id,
      revision: p.stored.revision,
      facts: athlete.athlete,
      season: athlete.season,
      places: athlete.places,
      windows: athlete.availability,
      races: athlete.races,
      endurance: enduranceBetween(p.stored, addDays(today, -RECORD_DAYS.back), addDays(today, RECORD_DAYS.ahead)),
      phases: athlete.phases ?? [],
      locked: athlete.locked ?? [],
      logged: athlete.strengthLog.slice(-SHOWN_LOGS).map((l) => ({
        date: l.date,
        label: l.label,
        minutes: l.minutes ?? null,
        sets: l.items.reduce((a, i) => a + setsOf(i), 0),
      })),
      sessions: soon(p),
    };
    return json(view);
  });

  r.read("/:id/file", async ({ params }) => {
    const athlete = withApproaches(await stored(params.id));
    return file(writeAthleteFile(athlete), "application/json", fileName(athlete, ".json"));
  });
}

/** Everything about one person: given out, and erased. */
function wholeRoutes(r: RouteList, ctx: ServerContext): void {
  const { store } = ctx;
  const { stored } = athleteTools(ctx);

  r.read("/:id/everything", async ({ params }) => {
    const { id } = params;
    const athlete = withApproaches(await stored(id));
    const all = {
      athlete: JSON.parse(writeAthleteFile(athlete)) as unknown,
      messages: await store.phone.messages(id, Number.MAX_SAFE_INTEGER),
      publishedWeeks: await store.phone.published(id),
      cameIn: await store.phone.arrivals(id),
      weekNotes: (await stored(id)).notes,
      weeksAsPlanned: [...(await store.archive.weeks(id)).values()],
      reviews: await store.archive.reviews(id),
      changes: await store.athletes.history(id),
      lookedAtBy: await store.phone.lookers(id),
      phones: (await store.accounts.phones(id)).phones.map(({ device, madeAt, seenAt }) => ({
        device,
        madeAt,
        seenAt,
      })),
    };
    const text = `${JSON.stringify(all, null, 2)}\n`;
    return file(text, "application/json", fileName(athlete, "-everything.json"));
  });

  /** Out of the club's views, or back in them. */
  r.change(
    "PUT",
    "/:id/archived",
    { body: { schema: archivedBody, what: "The archive" } },
    async ({ params, body }) => {
      if (!(await store.athletes.archive(params.id, body.archived))) throw notFound("athlete");
      return done();
    },
  );

  r.change("DELETE", "/:id", {}, async ({ params }) => {
    const id = params.id ?? "";
    const erasedAt = await store.athletes.erase(id);
    if (erasedAt === null) throw notFound("athlete");
    await forgetSeen(store, id);
    await store.accounts.forgetAthlete(id);
    noteErased(store.backups, id, erasedAt);
    await ctx.scrub(id);
    const view: ErasedView = { erasedAt, backups: backupsWith(store.backups, id) };
    return json(view);
  });
}

/** Season, weeks, and where sessions stand. */
function weekRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const { season, change } = athleteTools(ctx);

  r.read("/:id/season", async ({ params }) => json(seasonView(await season(params.id), planner.today())), {
    expensive: true,
  });

  r.read("/:id/weeks/:monday", async ({ params }) => {
    const monday = mondayOf(dateParam(params.monday));
    const view = weekView(await season(params.id, monday), planner.today(), monday);
    if (!view) throw notFound("week in this season");
    return json(view);
  });

  /** Fits the week anew around what is locked, and holds the answer. */
  r.planned(
    "POST",
    "/:id/weeks/:monday/fit",
    { expensive: true },
    async ({ params }) => {
      const monday = mondayOf(dateParam(params.monday));
      const s = await season(params.id, monday);
      const known = s.plan.weeks.find((w) => w.season.start === monday);
      if (!known) throw notFound("week in this season that is still ahead");
      return planWeek({ ...known.input, held: [] }).sessions.map(asLocked);
    },
    async (call, sessions) => {
      const { id = "", monday } = call.params;
      if (!(await store.weeks.hold(id, mondayOf(dateParam(monday)), sessions, "Sessions placed")))
        throw notFound("athlete");
      return ctx.ask("GET /athletes/:id/weeks/:monday", { ...call, body: undefined });
    },
  );

  r.change(
    "PUT",
    "/:id/weeks/:monday/held",
    { body: { schema: heldBody, what: "The placement" } },
    async ({ params, body }) => {
      const { sessions, what } = body;
      if (!(await store.weeks.hold(params.id, dateParam(params.monday), sessions, what))) throw notFound("athlete");
      return done();
    },
  );

  r.change("PUT", "/:id/locks", { body: { schema: lockBody, what: "The lock" } }, async ({ params, body: lock }) => {
    await change(
      params.id,
      "The lock",
      (a) => ({ ...a, locked: withLock(a.locked ?? [], lock) }),
      `${lock.label} locked on ${dayLabel(lock.date)}`,
    );
    return done();
  });

  r.change("DELETE", "/:id/locks/:date/:label", {}, async ({ params }) => {
    const [date, label] = [dateParam(params.date), labelParam(params.label)];
    await change(
      params.id,
      "The lock",
      (a) => ({ ...a, locked: (a.locked ?? []).filter((l) => l.date !== date || l.label !== label) }),
      `${label} unlocked on ${dayLabel(date)}`,
    );
    return done();
  });
}

/** Sessions and what was lifted in them. */
function sessionRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const { season, stored } = athleteTools(ctx);

  /** Days of the sessions around today: lifted, and to come. */
  r.read("/:id/sessions", async ({ params }) => {
    const p = await season(params.id, SHOWN_WEEKS);
    const view: SessionsView = {
      logged: p.stored.athlete.strengthLog.slice(-SHOWN_LOGS).map(({ date, label }) => ({ date, label })),
      sessions: soon(p),
    };
    return json(view);
  });

  r.read("/:id/sessions/:date/:label", async ({ params, who }) => {
    const [date, label] = [dateParam(params.date), labelParam(params.label)];
    const view = sessionView(await season(params.id, date), planner.today(), date, label);
    if (!view) throw notFound("session on that day");
    // What somebody said before it is theirs and their coach's; cautions stay, since they keep people safe at the rack.
    return json(may(who, "health.read", params.id) ? view : { ...view, checkIn: null });
  });

  /** What shortening it would cost; nothing is stored. */
  r.read("/:id/sessions/:date/:label/shorter/:minutes", async ({ params }) => {
    const [date, label, minutes] = [dateParam(params.date), labelParam(params.label), minutesParam(params.minutes)];
    const now = await season(params.id, date);
    const then = planner.until(withShorter(await stored(params.id), shortened(date, label, minutes)), date);
    const view: ShorterView | null = then && shorterView(now, then, date, label);
    if (!view) throw notFound("planned session on that day");
    return json(view);
  });

  r.change("PUT", "/:id/logs/:date/:label", { body: { schema: logBody, what: "The log" } }, async (call) => {
    const log = checkedLog(call, call.body, planner.today());
    if (!(await store.logs.put(call.params.id, log.date, log.label, log))) throw notFound("athlete");
    return done();
  });

  /** What a device has done since it last heard from the server; what others did meanwhile stays. */
  r.change(
    "POST",
    "/:id/logs/:date/:label/merge",
    { body: { schema: mergeLogBody, what: "The log" } },
    async (call) => {
      const log = checkedLog(call, call.body.log, planner.today());
      if (call.who.role === "athlete")
        await store.phone.arrived(call.params.id, logArrivals(log, store.exercises.library));
      const merged = await store.logs.merge(call.params.id, call.body.base, log, (m) =>
        answering(json(m), call.params.id),
      );
      if (!merged) throw notFound("athlete");
      return json(merged);
    },
  );

  r.change("DELETE", "/:id/logs/:date/:label", {}, async ({ params }) => {
    if (!(await store.logs.put(params.id, dateParam(params.date), labelParam(params.label), null)))
      throw notFound("log");
    return done();
  });
}

export function athleteRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  for (const add of [recordRoutes, wholeRoutes, weekRoutes, sessionRoutes, factRoutes]) add(r, ctx);
  return r.all;
}
