/** Races into phases, worked backwards from the A races; the coach's own boundaries stay where they were put. */
import { isOn } from "../athlete/switches";
import type { Athlete, Phase, PhaseSpan, Race } from "../athlete/types";
import { addDays, dateOf, dayLabel, dayNumber, type IsoDate } from "../dates";
import { numbers, type RuleValues, say } from "../rulebook";
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
  /** A span the coach may take over as it is. */
  proposal?: PhaseSpan;
}

export interface SeasonPlan {
  phases: SeasonPhase[];
  warnings: SeasonWarning[];
}

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
export function planPhases(
  athlete: Pick<Athlete, "season" | "races" | "phases" | "pastPhases" | "settings">,
): SeasonPlan {
  const own = athlete.settings?.ruleValues;
  const weeks = numbers("phase.build", own);
  const rollingDays = { base: weeks.rollingBase, build: weeks.rollingBuild };
  const oneTaper = numbers("race.one-taper").days;
  const longHold = numbers("hold.long", own);
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
    const needed = previous ? classRule(previous).recoveryDays + weeks.least + rule.raceDays : 0;
    if (previous && between < needed) {
      const close = raceDay(race) - lastRaceDay(previous) <= oneTaper;
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

  /** A taper or a recovery cut by the season's ends or by the coach's own phases is said; what other races cut is said above. */
  function sayWhatIsCut(race: Race): void {
    const rule = classRule(race);
    const run = (from: number, step: 1 | -1, phase: Phase, wanted: number) => {
      let n = 0;
      while (n < wanted && cells[from + n * step - first]?.phase === phase) n++;
      return { n, stop: cells[from + n * step - first] };
    };
    const said = (code: string) => warnings.some((w) => w.code === code && w.text.includes(race.name));
    const cutBy = (stop: Cell | undefined, edge: string) =>
      stop === undefined ? edge : "the coach's own phase is there";
    const taper = run(raceDay(race) - 1, -1, "race", rule.raceDays);
    if (taper.n < rule.raceDays && (taper.stop === undefined || taper.stop.fixed))
      warnings.push({
        code: "taper-cut",
        date: race.date,
        text: `Only ${taper.n} of ${rule.raceDays} days of race phase before ${race.name}: ${cutBy(taper.stop, "the season begins there")}. Strength is fresh later than it should be.`,
      });
    const rest = run(lastRaceDay(race) + 1, 1, "recovery", rule.recoveryDays);
    if (rest.n < rule.recoveryDays && (rest.stop === undefined || rest.stop.fixed) && !said("recovery-cut"))
      warnings.push({
        code: "recovery-short",
        date: race.date,
        text: `Only ${rest.n} of ${rule.recoveryDays} days of recovery after ${race.name}: ${cutBy(rest.stop, "the season ends there")}.`,
      });
  }

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
    let build = Math.min(weeks.wanted, room);
    if (room - build < weeks.shortestBase) build = Math.min(weeks.most, room);
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
      why: `${build === weeks.wanted ? "8 weeks" : `${build} days`} of build before the race phase of ${race.name}.`,
      fixed: false,
    });
    if (base === 0)
      warnings.push({
        code: "no-room-for-base",
        date: dateOf(free),
        text: `No room for base before ${race.name}: the build starts without a block of preparation, so loads begin low.`,
      });
    else if (previous && base < weeks.shortBase)
      warnings.push({
        code: "short-base",
        date: dateOf(free),
        text: `Only ${base} days of base before ${race.name}: room to prepare again, little to develop.`,
      });
    if (build < weeks.least)
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
        why: `No A race ahead: rolling blocks of ${rollingDays.base / 7} weeks of base and ${rollingDays.build / 7} of build until one is entered.`,
        fixed: false,
      };
      put(free, free + rollingDays[phase] - 1, cell);
      free += rollingDays[phase];
      phase = phase === "base" ? "build" : "base";
    }
  }

  keepPast(cells, athlete.pastPhases ?? [], first);
  for (const span of athlete.phases ?? [])
    put(dayNumber(span.start), dayNumber(span.end), {
      phase: span.phase,
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
  for (const race of aRaces) sayWhatIsCut(race);
  const phases = merge(cells, athlete.season.start);
  for (const hold of isOn(athlete, "hold.long") ? holds(phases) : []) {
    const days = dayNumber(hold.end) - dayNumber(hold.start) + 1;
    if (days > longHold.days) {
      const proposal = miniBlock(hold, athlete.races, own);
      warnings.push({
        code: "long-hold",
        date: hold.start,
        text: say("hold.long", "long", {
          weeks: Math.round(days / 7),
          proposal: proposal ? `from ${dayLabel(proposal.start)} to ${dayLabel(proposal.end)}` : null,
        }),
        ...(proposal ? { proposal } : {}),
      });
    }
  }
  return { phases, warnings };
}

/** Stretches without base or build, from their first race phase to their last: strength is held or restored, never raised. */
function holds(phases: readonly SeasonPhase[]): { start: IsoDate; end: IsoDate }[] {
  const out: { start: IsoDate; end: IsoDate }[] = [];
  let open: { start: IsoDate; end: IsoDate } | null = null;
  for (const p of phases) {
    if (p.phase === "race") {
      if (open) open.end = p.end;
      else {
        open = { start: p.start, end: p.end };
        out.push(open);
      }
    } else if (p.phase !== "recovery") open = null;
  }
  return out;
}

/**
 * Two weeks of build inside a long hold: clear of the taper before every A race and of the week before B races and the days after
 * either, as near the middle of the hold as that allows.
 * @returns undefined where the races leave no room
 */
function miniBlock(
  hold: { start: IsoDate; end: IsoDate },
  races: readonly Race[],
  own: RuleValues | undefined,
): PhaseSpan | undefined {
  const { block, before } = numbers("hold.long", own);
  const bRace = numbers("race.b", own);
  const [from, to] = [dayNumber(hold.start) + before, dayNumber(hold.end) - block + 1];
  const middle = (dayNumber(hold.start) + dayNumber(hold.end) + 1 - block) / 2;
  const blocked = races
    .filter((r) => r.priority !== "C")
    .map((r): [number, number] =>
      r.priority === "A"
        ? [raceDay(r) - classRule(r).raceDays, lastRaceDay(r) + classRule(r).recoveryDays]
        : [raceDay(r) - bRace.lastHeavy, lastRaceDay(r) + bRace.easyDays],
    );
  const fits = (start: number) => blocked.every(([a, b]) => start + block - 1 < a || start > b);
  let best: number | undefined;
  for (let start = from; start <= to; start++)
    if (fits(start) && (best === undefined || Math.abs(start - middle) < Math.abs(best - middle))) best = start;
  return best === undefined ? undefined : { phase: "build", start: dateOf(best), end: dateOf(best + block - 1) };
}

/** Days that are past keep the phase they had; one that runs on into what is ahead is one phase with it. */
function keepPast(cells: (Cell | undefined)[], past: readonly PhaseSpan[], first: number): void {
  for (const s of [...past].sort((a, b) => (a.end < b.end ? 1 : -1)))
    for (let i = dayNumber(s.end) - first; i >= dayNumber(s.start) - first; i--) {
      const now = cells[i];
      if (!now || now.phase === s.phase) continue;
      const next = cells[i + 1];
      const why = "As it was when these days were trained: what is changed later leaves the past alone.";
      cells[i] = { phase: s.phase, race: next?.phase === s.phase ? next.race : null, why, fixed: false };
    }
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
