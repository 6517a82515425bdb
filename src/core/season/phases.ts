/** Races into phases, worked backwards from the A races; the coach's own boundaries stay where they were put (handbook 9). */
import type { Athlete, Phase, PhaseSpan, Race } from "../athlete/types";
import { addDays, dateOf, dayNumber, type IsoDate } from "../dates";
import { kmToMi } from "../units";
import { classRule, inOrder, lastRaceDay, raceClass, raceDay, raceMinutes } from "./races";

export interface SeasonPhase extends PhaseSpan {
  /** The A race it leads to or recovers from. */
  race: string | null;
  why: string[];
  /** True where the coach set it. */
  fixed: boolean;
}

export interface SeasonWarning {
  code: string;
  text: string;
  date: IsoDate;
}

export interface SeasonPlan {
  phases: SeasonPhase[];
  warnings: SeasonWarning[];
}

/** Days of build before a race phase: wanted, most, least [trade]. */
export const BUILD_DAYS = { wanted: 56, most: 70, least: 28 };
/** A base shorter than this joins the build beside it [house]. */
const SHORTEST_BASE = 7;
/** Blocks where no A race gives an end [house]. */
export const ROLLING = { base: 56, build: 42 };
/** A race phase longer than this gets a note on holding (handbook 9). */
const LONG_HOLD_DAYS = 42;
/** A races closer than this share one taper. */
const ONE_TAPER_DAYS = 14;

interface Cell {
  phase: Phase;
  race: string | null;
  why: string;
  fixed: boolean;
}

const CLASS_WORDS = { short: "under 30 min", middle: "30 min to 2 h", long: "2 to 5 h", "very long": "over 5 h" };

/**
 * @param athlete with a season and races inside it
 * @returns phases that cover the season without gap or overlap, and what was shortened with what it costs
 */
export function planPhases(athlete: Pick<Athlete, "season" | "races" | "phases">): SeasonPlan {
  const first = dayNumber(athlete.season.start);
  const last = dayNumber(athlete.season.end);
  const cells: (Cell | undefined)[] = new Array(last - first + 1);
  const warnings: SeasonWarning[] = [];
  const put = (from: number, to: number, cell: Cell) => {
    for (let d = Math.max(from, first); d <= Math.min(to, last); d++) cells[d - first] = cell;
  };
  const aRaces = inOrder(athlete.races).filter((r) => r.priority === "A");

  let free = first; // first day not yet given to a phase
  let previous: Race | null = null;
  for (const race of aRaces) {
    const rule = classRule(race);
    const begins = raceDay(race) - rule.raceDays;
    if (previous) free = giveRecovery(previous, race);
    const between = previous ? raceDay(race) - lastRaceDay(previous) - 1 : Number.POSITIVE_INFINITY;
    const needed = previous ? classRule(previous).recoveryDays + BUILD_DAYS.least + rule.raceDays : 0;
    if (previous && between < needed) {
      const close = raceDay(race) - lastRaceDay(previous) <= ONE_TAPER_DAYS;
      put(free, raceDay(race) - 1, {
        phase: "race",
        race: race.id,
        why: close
          ? `${race.name} is within 14 days of ${previous.name}: one taper serves both.`
          : `${race.name} comes ${between} days after ${previous.name}; recovery, 4 weeks of build and the race phase ask ${needed}. Both form one racing period with hold work.`,
        fixed: false,
      });
      warnings.push({
        code: "one-racing-period",
        date: race.date,
        text: `${previous.name} and ${race.name} form one racing period: no build between them, strength is held, not raised.`,
      });
    } else fillTo(begins, race);
    put(Math.max(begins, free), lastRaceDay(race), {
      phase: "race",
      race: race.id,
      why: `${race.name} is a ${raceClass(race)} race (${CLASS_WORDS[raceClass(race)]}${raceMinutes(race).assumed ? ", duration assumed" : ""}): the race phase begins ${rule.raceDays} days before it.`,
      fixed: false,
    });
    free = lastRaceDay(race) + 1;
    previous = race;
  }
  if (previous) free = giveRecovery(previous, null);
  rolling();

  /** Recovery after a race, cut short only by the next race day itself. Returns the first free day. */
  function giveRecovery(race: Race, next: Race | null): number {
    const from = lastRaceDay(race) + 1;
    const wanted = classRule(race).recoveryDays;
    const room = next ? raceDay(next) - from : wanted;
    const days = Math.max(0, Math.min(wanted, room));
    put(from, from + days - 1, {
      phase: "recovery",
      race: race.id,
      why: `${wanted} days of recovery after a ${raceClass(race)} race, counted from its last day.${easyDays(race)}`,
      fixed: false,
    });
    if (days < wanted && next)
      warnings.push({
        code: "recovery-cut",
        date: next.date,
        text: `Only ${days} of ${wanted} recovery days fit between ${race.name} and ${next.name}.`,
      });
    return from + days;
  }

  /** Base and build from `free` to the day before the race phase. */
  function fillTo(begins: number, race: Race): void {
    const room = begins - free;
    if (room <= 0) return;
    let build = Math.min(BUILD_DAYS.wanted, room);
    if (room - build < SHORTEST_BASE) build = Math.min(BUILD_DAYS.most, room);
    const base = room - build;
    if (base > 0)
      put(free, free + base - 1, {
        phase: "base",
        race: race.id,
        why: `What remains before the ${Math.round(build / 7)} weeks of build for ${race.name}.`,
        fixed: false,
      });
    put(begins - build, begins - 1, {
      phase: "build",
      race: race.id,
      why: `${build === BUILD_DAYS.wanted ? "8 weeks" : `${build} days`} of build before the race phase of ${race.name}.`,
      fixed: false,
    });
    if (base === 0)
      warnings.push({
        code: "no-room-for-base",
        date: dateOf(free),
        text: `No room for base before ${race.name}: the build starts without a block of preparation, so loads begin low.`,
      });
    if (build < BUILD_DAYS.least)
      warnings.push({
        code: "short-build",
        date: dateOf(free),
        text: `Only ${build} days of build before ${race.name}; under 4 weeks little maximal strength is gained.`,
      });
  }

  function rolling(): void {
    let phase: "base" | "build" = "base";
    while (free <= last) {
      const cell: Cell = {
        phase,
        race: null,
        why: `No A race ahead: rolling blocks of ${ROLLING.base / 7} weeks of base and ${ROLLING.build / 7} of build until one is entered.`,
        fixed: false,
      };
      put(free, free + ROLLING[phase] - 1, cell);
      free += ROLLING[phase];
      phase = phase === "base" ? "build" : "base";
    }
  }

  for (const own of athlete.phases ?? [])
    put(dayNumber(own.start), dayNumber(own.end), {
      phase: own.phase,
      race: null,
      why: "Set by the coach.",
      fixed: true,
    });
  for (const race of aRaces) {
    const cell = cells[raceDay(race) - first];
    if (cell?.fixed && cell.phase !== "race")
      warnings.push({
        code: "race-outside-race-phase",
        date: race.date,
        text: `${race.name} falls in a ${cell.phase} phase set by the coach; the blocked days around it hold all the same.`,
      });
  }
  const phases = merge(cells, athlete.season.start);
  for (const p of phases) {
    const days = dayNumber(p.end) - dayNumber(p.start) + 1;
    if (p.phase === "race" && days > LONG_HOLD_DAYS)
      warnings.push({
        code: "long-hold",
        date: p.start,
        text: `Strength is only held for ${Math.round(days / 7)} weeks: practice says about six, a published season held thirteen on one weekly session. Where the calendar has room, two weeks of two sessions would refresh it.`,
      });
  }
  return { phases, warnings };
}

/** The runners' rule, shown beside ours: one easy day for each mile raced. */
const easyDays = (r: Race): string =>
  r.sport === "run" && r.distanceKm !== undefined
    ? ` The runners' rule of one easy day a mile raced would say ${Math.round(kmToMi(r.distanceKm))}.`
    : "";

/** Runs of equal days become phases. */
function merge(cells: readonly (Cell | undefined)[], start: IsoDate): SeasonPhase[] {
  const phases: SeasonPhase[] = [];
  cells.forEach((cell, i) => {
    if (!cell) return;
    const date = addDays(start, i);
    const open = phases[phases.length - 1];
    const before = i > 0 ? cells[i - 1] : undefined;
    if (open && before && before.phase === cell.phase && before.fixed === cell.fixed && sameRun(before, cell)) {
      open.end = date;
      if (!open.why.includes(cell.why)) open.why.push(cell.why);
      if (cell.race) open.race = cell.race;
    } else
      phases.push({ phase: cell.phase, start: date, end: date, race: cell.race, why: [cell.why], fixed: cell.fixed });
  });
  return phases;
}

/** Two race stretches of one racing period are one phase; rolling and race-bound blocks of a kind are one too. */
const sameRun = (a: Cell, b: Cell): boolean => a.race === b.race || a.phase === "race";

/** @returns the phase of a date, undefined outside the season */
export function phaseOn(phases: readonly SeasonPhase[], date: IsoDate): SeasonPhase | undefined {
  return phases.find((p) => p.start <= date && date <= p.end);
}
