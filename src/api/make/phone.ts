/** What a phone shows, made from its facts with the server's own planner. */
import {
  type Athlete,
  type EnduranceSession,
  type Label,
  type LoggedItem,
  placeName,
  type StrengthLog,
} from "../../core/athlete";
import { addDays, dayLabel, daysBetween, type IsoDate, mondayOf, weekdayName } from "../../core/dates";
import { isKey, startOf } from "../../core/endurance";
import type { Library } from "../../core/exercise";
import { weighPlaces } from "../../core/planning";
import { latestScreening, TEST_SHEETS, testName } from "../../core/screening";
import { inOrder } from "../../core/season";
import { workText } from "../../core/session";
import { massIn } from "../../core/units";
import type {
  HowTo,
  PhoneDay,
  PhoneFacts,
  PhoneLift,
  PhonePlaces,
  PhoneRun,
  PhoneScreen,
  PhoneSession,
  PhoneWeek,
  PublishedSession,
  PublishedWeekView,
} from "../phoneViews";
import type { ItemView, SessionView } from "../views";
import { healthView } from "./health";
import type { Planned } from "./planned";
import { changedSince, sessionsOf, weekChangedSince } from "./published";
import { phasePlace } from "./season";
import { lastText, sessionView } from "./session";
import { bandsOf, sessionOfLog, sessionOfPlan } from "./weekSessions";

/** Weeks that a phone shows: this one and two more, so that fourteen days lie ahead on every day of the week. */
export const PHONE_WEEKS = 3;
/** Exposures of a lift that are shown, and lifts. */
const TIMES = 8;
const LIFTS = 30;

const PHASES = { base: "Base", build: "Build", race: "Race", recovery: "Recovery" } as const;

/** "Front squat 4 × 5 at 60 kg" */
function lineOf(i: ItemView, unit: "kg" | "lb"): string {
  const load =
    i.loading === "bodyweight" || i.loading === "band" || i.loadKg === null
      ? ""
      : ` at ${i.loading === "pair" ? "2 × " : ""}${massIn(i.loadKg, unit)} ${unit}`;
  return `${i.name} ${i.sets} × ${workText(i)}${load}`;
}

/** @returns whether a log is begun, or ended with how hard it was */
const stateOf = (log: StrengthLog | null, today: IsoDate): PhoneSession["state"] =>
  log === null ? "planned" : log.rpe !== undefined || log.date < today ? "done" : "begun";

function sessionOf(
  view: SessionView,
  p: Planned,
  today: IsoDate,
  published: PublishedSession | undefined,
  now: PublishedSession | undefined,
): PhoneSession {
  const { athlete } = p.stored;
  const unit = athlete.athlete.massUnit ?? "kg";
  const state = stateOf(view.log, today);
  const planned = p.plan.weeks.flatMap((w) => w.sessions).find((s) => s.date === view.date && s.label === view.label);
  const bands = planned
    ? sessionOfPlan(planned).bands
    : view.log
      ? sessionOfLog(view.log, p.library).bands
      : bandsOf(view.items.map((i) => [i.pattern, i.sets]));
  return {
    label: view.label,
    date: view.date,
    start: view.start,
    place: view.place,
    minutes: view.minutes,
    emphasis: view.emphasis,
    slow: view.slow,
    stress: Math.round(view.stress),
    bands,
    lines: view.items.map((i) => lineOf(i, unit)),
    why: whyThen(athlete, view),
    state,
    changed: published && now && state === "planned" ? changedSince(published, now, athlete) : [],
    locked: view.locked,
  };
}

/** Hours around a session in which what else is done says why it stands there. */
const AROUND = { before: 18, after: 96 };

/** What stands before and after it: "after the intervals of this morning; next key session: tempo on Thu 5 Mar." */
function whyThen(athlete: Athlete, view: Pick<SessionView, "date" | "start">): string {
  const at = (date: IsoDate, minutes: number): number =>
    daysBetween(view.date, date) * 24 + (minutes - view.start) / 60;
  const runs = athlete.endurance
    .filter((e) => !e.cancelled)
    .map((e) => ({ e, hours: at(e.date, startOf(e)) }))
    .sort((a, b) => a.hours - b.hours);
  const before = runs.findLast((r) => r.hours < 0 && r.hours >= -AROUND.before);
  const next = runs.find((r) => r.hours > 0 && r.hours <= AROUND.after && isKey(r.e));
  const name = (e: EnduranceSession): string => (e.kind === "other" ? e.sport : `${e.kind} ${e.sport}`);
  return [
    before ? `after the ${name(before.e)} ${before.e.date === view.date ? "of today" : "of the day before"}` : "",
    next ? `the next key session, ${name(next.e)}, is on ${dayLabel(next.e.date)}` : "no key session for four days",
  ]
    .filter((t) => t !== "")
    .join("; ");
}

const runsOn = (athlete: Athlete, date: IsoDate): PhoneRun[] =>
  athlete.endurance
    .filter((e) => e.date === date && !e.cancelled)
    .map((e) => ({
      start: startOf(e),
      sport: e.sport,
      kind: e.kind,
      minutes: e.minutes,
      distanceKm: e.distanceKm ?? null,
      key: isKey(e),
      done: e.done === true,
    }))
    .sort((a, b) => a.start - b.start);

/** Labels of the sessions of a day that are to be shown: planned or logged. */
function labelsOn(p: Planned, date: IsoDate): Label[] {
  const planned = p.plan.weeks.flatMap((w) => w.sessions.filter((s) => s.date === date).map((s) => s.label));
  const logged = p.stored.athlete.strengthLog.filter((l) => l.date === date).map((l) => l.label);
  return [...new Set([...logged, ...planned])];
}

function weekOf(p: Planned, monday: IsoDate, today: IsoDate, published: PublishedWeekView | undefined): PhoneWeek {
  const { athlete } = p.stored;
  const season = p.plan.season.find((w) => w.start === monday);
  const place = season ? phasePlace(p.plan.phases, season) : null;
  const now = sessionsOf(p, monday);
  const days = Array.from({ length: 7 }, (_, i): PhoneDay => {
    const date = addDays(monday, i);
    return {
      date,
      endurance: runsOn(athlete, date),
      // What is over is what was lifted; what is ahead is shown once it was given out.
      sessions: (published || date < today ? labelsOn(p, date) : []).flatMap((label) => {
        const view = sessionView(p, today, date, label);
        const was = published?.sessions.find((s) => s.label === label);
        return view
          ? [
              sessionOf(
                view,
                p,
                today,
                was,
                now.find((n) => n.label === label),
              ),
            ]
          : [];
      }),
      race: athlete.races.find((r) => r.date <= date && date < addDays(r.date, r.days ?? 1))?.name ?? null,
    };
  });
  return {
    monday,
    phase:
      season && place ? `${PHASES[season.phase]}, week ${place.phaseWeek} of ${place.phaseWeeks}` : "Out of season",
    published: published ? { note: published.note, at: published.at } : null,
    days,
    gone: published
      ? weekChangedSince(published, now, athlete, today)
          .filter((c) => c.changes.includes("taken out of the week"))
          .map((c) => c.label)
      : [],
  };
}

/** The lifts of the log, the latest first. */
function liftsOf(p: Planned): PhoneLift[] {
  const { athlete } = p.stored;
  const lifts = new Map<string, PhoneLift>();
  const timeOf = (log: StrengthLog, i: LoggedItem) => ({
    date: log.date,
    text: lastText(i, athlete.athlete.massUnit),
    pain: i.pain ?? null,
  });
  for (const log of [...athlete.strengthLog].sort((a, b) => (a.date < b.date ? 1 : -1)))
    for (const item of log.items) {
      const e = p.library.byId(item.exercise);
      if (!e || e.pattern === "mobility" || item.sets.length === 0) continue;
      const known = lifts.get(item.exercise);
      if (known) {
        if (known.times.length < TIMES) known.times.push(timeOf(log, item));
      } else lifts.set(item.exercise, { exercise: item.exercise, name: e.name, times: [timeOf(log, item)] });
    }
  return [...lifts.values()].slice(0, LIFTS);
}

/** @param p planned to the end of the last of its weeks @param today the club's day */
export function phoneScreen(p: Planned, facts: Pick<PhoneFacts, "club" | "published">, today: IsoDate): PhoneScreen {
  const { athlete } = p.stored;
  const monday = mondayOf(today);
  const mondays = Array.from({ length: PHONE_WEEKS }, (_, i) => addDays(monday, 7 * i));
  const race = inOrder(athlete.races).find((r) => r.date >= today);
  const health = healthView(p.stored, p.library, today);
  const yesterday = addDays(today, -1);
  return {
    id: p.stored.id,
    name: athlete.athlete.name,
    club: facts.club,
    today,
    massUnit: athlete.athlete.massUnit ?? "kg",
    distanceUnit: athlete.athlete.distanceUnit ?? "km",
    race: race ? { name: race.name, date: race.date, days: daysBetween(today, race.date) } : null,
    weeks: mondays.map((m) =>
      weekOf(
        p,
        m,
        today,
        facts.published.find((w) => w.monday === m),
      ),
    ),
    checkIn: athlete.checkIns?.find((c) => c.date === today) ?? null,
    lifts: liftsOf(p),
    sides: TEST_SHEETS.flatMap((sheet) => {
      const s = latestScreening(athlete, sheet.test, today);
      return s?.left === undefined || s.right === undefined
        ? []
        : [{ test: testName(sheet.test), date: s.date, left: s.left, right: s.right, unit: sheet.unit }];
    }),
    areas: health.areas,
    stages: health.stages,
    free: [...athlete.availability]
      .sort((a, b) => a.day - b.day || (a.start < b.start ? -1 : 1))
      .map((w) => `${weekdayName(w.day)} ${w.start}, ${w.minutes} min, ${placeName(w.place)}`),
    nextDay: athlete.strengthLog
      .filter((l) => l.date === yesterday)
      .flatMap((l) =>
        l.items
          .filter((i) => (i.pain ?? 0) > 0 && i.nextDayPain === undefined)
          .map((i) => ({ date: l.date, exercise: i.exercise, name: p.library.name(i.exercise) })),
      ),
  };
}

/** How an exercise is done, as the library has it. @returns null where there is no such exercise */
export function howTo(library: Library, id: string): HowTo | null {
  const e = library.byId(id);
  return e ? { setup: [...e.setup], cues: [...e.cues], mistakes: [...e.mistakes] } : null;
}

/** Where a session of this week might go instead: the best hour of each place of each day. */
export function placesFor(p: Planned, today: IsoDate, date: IsoDate, label: Label): PhonePlaces {
  const week = p.plan.weeks.find((w) => w.season.start === mondayOf(date));
  const session = week?.sessions.find((s) => s.label === label && s.date === date);
  if (!week || !session || session.locked) return { places: [], closed: [] };
  const board = weighPlaces(week.input, week.sessions, label);
  const best = new Map<string, (typeof board.places)[number]>();
  for (const x of board.places) {
    if (x.blocked || x.date < today || (x.date === session.date && x.place === session.place)) continue;
    const key = `${x.date} ${x.place}`;
    const known = best.get(key);
    if (!known || x.cost < known.cost) best.set(key, x);
  }
  return {
    places: [...best.values()]
      .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.start - b.start))
      .map((x) => ({
        date: x.date,
        start: x.start,
        place: x.place,
        more: Math.round(x.cost - board.cost),
        because: [...x.costs].sort((a, b) => b.points - a.points)[0]?.text ?? "",
      })),
    closed: board.closed.filter((c) => c.date >= today).map((c) => ({ date: c.date, because: c.block.text })),
  };
}
