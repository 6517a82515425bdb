/** Athlete files in and out. A fault names its path and what was expected; nothing is half accepted. */
import { type ParseError, parseTree, printParseErrorCode } from "jsonc-parser";
import { type Athlete, overlappingWindows } from "../core/athlete";
import { addDays, daysBetween, MINUTES_A_DAY, minutesOf, mondayOf } from "../core/dates";
import { planFaults, withoutPlanned } from "../core/mileage";
import { athleteSchema } from "./athlete-schema";
import { type Fault, faultsOf } from "./fault";

export type Read<T> = { ok: true; value: T } | { ok: false; faults: Fault[] };

/** Seasons up to this many days (three years). */
const LONGEST_SEASON_DAYS = 1096;

/** @returns line and column, from 1, of an offset */
function lineAndColumn(text: string, offset: number): string {
  const before = text.slice(0, offset).split("\n");
  return `line ${before.length}, column ${(before.at(-1)?.length ?? 0) + 1}`;
}

/** Parses JSON; the fault says where it stops making sense. */
export function readJson(text: string): Read<unknown> {
  try {
    return { ok: true, value: JSON.parse(text) };
  } catch {
    const errors: ParseError[] = [];
    parseTree(text, errors, { disallowComments: true, allowTrailingComma: false });
    const first = errors[0];
    const name = first ? printParseErrorCode(first.error) : "";
    const where = first ? ` It stops making sense at ${lineAndColumn(text, first.offset)} (${name}).` : "";
    const atEnd = first !== undefined && (name.includes("EndOf") || first.offset >= text.trimEnd().length);
    const cut = text.trim() === "" ? " The file is empty." : atEnd ? " It seems to be cut off." : "";
    return { ok: false, faults: [{ path: "(file)", expected: `JSON expected.${where}${cut}` }] };
  }
}

/** @returns the athlete, or every fault with its path */
export function readAthleteFile(text: string): Read<Athlete> {
  const json = readJson(text.startsWith("\uFEFF") ? text.slice(1) : text);
  return json.ok ? checkAthlete(json.value) : json;
}

/** A value with what a checked reading of it adds: lists that were left out. Nothing is copied where nothing is missing. */
function filled(value: unknown, read: unknown): unknown {
  if (Array.isArray(value) && Array.isArray(read)) {
    const all = value.map((v, i) => filled(v, read[i]));
    return all.some((v, i) => v !== value[i]) ? all : value;
  }
  if (typeof value !== "object" || value === null || typeof read !== "object" || read === null) return value;
  const own = value as Record<string, unknown>;
  const added = Object.entries(read).flatMap(([key, r]): [string, unknown][] => {
    const v = key in own ? filled(own[key], r) : r;
    return v === own[key] ? [] : [[key, v]];
  });
  return added.length > 0 ? { ...own, ...Object.fromEntries(added) } : value;
}

/** Checks an already parsed value. The value itself is returned, so that writing it again gives the same file; lists left out are empty. */
export function checkAthlete(value: unknown): Read<Athlete> {
  const parsed = athleteSchema.safeParse(value);
  if (!parsed.success) return { ok: false, faults: faultsOf(parsed.error, value) };
  const faults = crossFaults(parsed.data);
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: filled(value, parsed.data) as Athlete };
}

/** @returns the file's text; the same athlete always gives the same bytes */
export const writeAthleteFile = (athlete: Athlete): string => `${JSON.stringify(withoutPlanned(athlete), null, 2)}\n`;

/** What no single field can say: order of dates, overlaps, references. */
export function crossFaults(a: Athlete): Fault[] {
  const faults: Fault[] = [];
  const fault = (path: string, expected: string) => faults.push({ path, expected });
  const { start, end } = a.season;
  if (end < start) fault("season.end", `a date on or after the season's start (${start}) expected, found "${end}"`);
  else if (daysBetween(start, end) > LONGEST_SEASON_DAYS)
    fault("season.end", "a season of at most three years expected");
  const places = new Set(a.places.map((p) => p.id));
  const known = places.size ? [...places].map((p) => `"${p}"`).join(", ") : "none is listed in places";
  const unique = (list: readonly { id: string }[], path: string) =>
    list.forEach((x, i) => {
      if (list.findIndex((y) => y.id === x.id) < i)
        fault(`${path}[${i}].id`, `an id of its own expected, "${x.id}" stands twice`);
    });
  unique(a.places, "places");
  unique(a.races, "races");
  a.places.forEach((p, i) => {
    unique(p.bars, `places[${i}].bars`);
    p.machines.forEach((m, k) => {
      if (m.toKg < m.fromKg)
        fault(`places[${i}].machines[${k}].toKg`, `at least fromKg (${m.fromKg}) expected, found ${m.toKg}`);
    });
  });
  const spans = (list: readonly { start: string; end: string }[], path: string) =>
    list.forEach((s, i) => {
      if (s.end < s.start)
        fault(`${path}[${i}].end`, `a date on or after its start (${s.start}) expected, found "${s.end}"`);
    });
  spans(a.away, "away");
  spans(a.phases ?? [], "phases");
  spans(a.pastPhases ?? [], "pastPhases");
  a.changes?.forEach((c, i) => {
    const at = `changes[${i}]`;
    if ((c.kind === "skip" || c.kind === "shorten") && mondayOf(c.week) !== c.week)
      fault(`${at}.week`, `a Monday expected, found "${c.week}"`);
    if (c.kind === "closed" && c.end < c.start)
      fault(`${at}.end`, `a date on or after its start (${c.start}) expected, found "${c.end}"`);
    for (const place of c.kind === "window" ? [c.place] : c.kind === "closed" ? [c.place, c.instead] : [])
      if (place !== undefined && !places.has(place))
        fault(`${at}.place`, `a known place (${known}) expected, found "${place}"`);
  });
  const inSeason = (date: string, path: string) => {
    if (date < start || date > end)
      fault(path, `a date inside the season (${start} to ${end}) expected, found "${date}"`);
  };
  a.races.forEach((r, i) => {
    inSeason(r.date, `races[${i}].date`);
    const last = addDays(r.date, (r.days ?? 1) - 1);
    if (r.date <= end && last > end)
      fault(`races[${i}].days`, `a race that ends inside the season (by ${end}) expected, it ends on ${last}`);
  });
  a.phases?.forEach((p, i) => {
    inSeason(p.start, `phases[${i}].start`);
    if (p.end >= p.start) inSeason(p.end, `phases[${i}].end`);
    a.phases?.slice(0, i).forEach((q, k) => {
      if (p.start <= q.end && q.start <= p.end)
        fault(`phases[${i}].start`, `no overlap with phases[${k}] (${q.start} to ${q.end}) expected`);
    });
  });
  a.availability.forEach((w, i) => {
    if (!places.has(w.place))
      fault(`availability[${i}].place`, `the id of a place expected (${known}), found "${w.place}"`);
    if (minutesOf(w.start) + w.minutes > MINUTES_A_DAY)
      fault(`availability[${i}].minutes`, "a free time slot that ends by midnight expected");
  });
  for (const [i, k] of overlappingWindows(a.availability)) {
    const w = a.availability[i];
    fault(
      `availability[${k}].start`,
      `no overlap with availability[${i}] (day ${w?.day}, ${w?.start}, ${w?.minutes} min) expected`,
    );
  }
  if (a.endurancePlan) for (const f of planFaults(a.endurancePlan)) fault(`endurancePlan.${f.path}`, f.expected);
  a.away.forEach((w, i) => {
    if (w.place !== undefined && !places.has(w.place))
      fault(`away[${i}].place`, `the id of a place expected (${known}), found "${w.place}"`);
  });
  a.locked?.forEach((l, i) => {
    if (!places.has(l.place)) fault(`locked[${i}].place`, `the id of a place expected (${known}), found "${l.place}"`);
    inSeason(l.date, `locked[${i}].date`);
  });
  a.screening.forEach((s, i) => {
    if (s.value === undefined && s.left === undefined && s.right === undefined)
      fault(`screening[${i}]`, '"value", or "left" and "right" expected');
  });
  return faults;
}
