/** Races into phases, worked backwards from the A races; the coach's own boundaries stay where they were put. */
import type { Athlete, Phase, Race } from "../athlete";
import { dateOf, dayNumber } from "../dates";
import { type Numbers, numbers, type RuleValues } from "../rulebook";
import { kmToMi } from "../units";
import { longHolds } from "./longHolds";
import { type Cell, keepPast, merge, type SeasonPhase, type SeasonWarning } from "./phase";
import { classRule, inOrder, lastRaceDay, raceClass, raceDay, raceMinutes } from "./races";

export interface SeasonPlan {
  phases: SeasonPhase[];
  warnings: SeasonWarning[];
}

const CLASS_WORDS = {
  short: "under 30 min",
  middle: "30 min to 2 h",
  long: "2 to 5 h",
  "very long": "5 to 10 h",
  ultra: "10 to 20 h",
  "day and night": "over 20 h, or days of over 8 h",
};

type ForPhases = Pick<Athlete, "season" | "races" | "phases" | "pastPhases" | "settings">;

/**
 * @param athlete with a season and races inside it
 * @returns phases that cover the season without gap or overlap, and what was shortened with what it costs
 */
export function planPhases(athlete: ForPhases): SeasonPlan {
  return new PhasePlanner(athlete).plan();
}

/** Gives the days of a season to phases, race by race. */
class PhasePlanner {
  private readonly own: RuleValues | undefined;
  private readonly weeks: Numbers<"phase.build">;
  private readonly first: number;
  private readonly last: number;
  private readonly cells: (Cell | undefined)[];
  private readonly warnings: SeasonWarning[] = [];
  private readonly aRaces: Race[];
  /** First day not yet given to a phase. */
  private free: number;

  constructor(private readonly athlete: ForPhases) {
    this.own = athlete.settings?.ruleValues;
    this.weeks = numbers("phase.build", this.own);
    this.first = dayNumber(athlete.season.start);
    this.last = dayNumber(athlete.season.end);
    this.cells = new Array(this.last - this.first + 1);
    this.aRaces = inOrder(athlete.races).filter((r) => r.priority === "A");
    this.free = this.first;
  }

  plan(): SeasonPlan {
    let previous: Race | null = null;
    for (const race of this.aRaces) {
      this.leadTo(race, previous);
      previous = race;
    }
    if (previous) this.giveRecovery(previous, null);
    this.rollOn();
    keepPast(this.cells, this.athlete.pastPhases ?? [], this.first);
    for (const span of this.athlete.phases ?? [])
      this.put(dayNumber(span.start), dayNumber(span.end), {
        phase: span.phase,
        race: null,
        why: "Set by the coach.",
        fixed: true,
      });
    for (const race of this.aRaces) this.sayWhereOutside(race);
    for (const race of this.aRaces) this.sayWhatIsCut(race);
    const phases = merge(this.cells, this.athlete.season.start);
    return { phases, warnings: [...this.warnings, ...longHolds(phases, this.athlete)] };
  }

  private put(from: number, to: number, cell: Cell): void {
    for (let d = Math.max(from, this.first); d <= Math.min(to, this.last); d++) this.cells[d - this.first] = cell;
  }

  /** The way from one A race to the next: recovery, base and build, or one racing period; then the race phase. */
  private leadTo(race: Race, previous: Race | null): void {
    const rule = classRule(race);
    const begins = raceDay(race) - rule.raceDays;
    if (previous) this.giveRecovery(previous, race);
    const between = previous ? raceDay(race) - lastRaceDay(previous) - 1 : Number.POSITIVE_INFINITY;
    const needed = previous ? classRule(previous).recoveryDays + this.weeks.least + rule.raceDays : 0;
    if (previous && between < needed) this.oneRacingPeriod(previous, race, between, needed);
    else this.fillTo(begins, race, previous !== null);
    this.put(Math.max(begins, this.free), lastRaceDay(race), {
      phase: "race",
      race: race.id,
      why: `${race.name} is a ${raceClass(race)} race (${CLASS_WORDS[raceClass(race)]}${raceMinutes(race).assumed ? ", duration assumed" : ""}): the race phase begins ${rule.raceDays} days before it.`,
      fixed: false,
    });
    this.free = lastRaceDay(race) + 1;
  }

  private oneRacingPeriod(previous: Race, race: Race, between: number, needed: number): void {
    const close = raceDay(race) - lastRaceDay(previous) <= numbers("race.one-taper").days;
    this.put(this.free, raceDay(race) - 1, {
      phase: "race",
      race: race.id,
      why: close
        ? `${race.name} is within 14 days of ${previous.name}: one taper serves both.`
        : `${race.name} comes ${between} days after ${previous.name}; recovery, 4 weeks of build and the race phase ask ${needed}. Both form one racing period with hold work.`,
      fixed: false,
    });
    this.warnings.push({
      code: "one-racing-period",
      date: race.date,
      text: `${previous.name} and ${race.name} form one racing period: no build between them, strength is held, not raised.`,
    });
  }

  /** Recovery after a race, cut short only by the next race day itself. */
  private giveRecovery(race: Race, next: Race | null): void {
    const from = lastRaceDay(race) + 1;
    const wanted = classRule(race).recoveryDays;
    const room = next ? raceDay(next) - from : wanted;
    const days = Math.max(0, Math.min(wanted, room));
    this.put(from, from + days - 1, {
      phase: "recovery",
      race: race.id,
      why: `${wanted} days of recovery after a ${raceClass(race)} race, counted from its last day.${easyDays(race)}`,
      fixed: false,
    });
    if (days < wanted && next)
      this.warnings.push({
        code: "recovery-cut",
        date: next.date,
        text: `Only ${days} of ${wanted} recovery days fit between ${race.name} and ${next.name}.`,
      });
    this.free = from + days;
  }

  /** Base and build up to the day before the race phase. @param after another A race lies before */
  private fillTo(begins: number, race: Race, after: boolean): void {
    const { weeks, free } = this;
    const room = begins - free;
    if (room <= 0) return;
    let build = Math.min(weeks.wanted, room);
    if (room - build < weeks.shortestBase) build = Math.min(weeks.most, room);
    const base = room - build;
    if (base > 0)
      this.put(free, free + base - 1, {
        phase: "base",
        race: race.id,
        why: `What remains before the ${Math.round(build / 7)} weeks of build for ${race.name}.`,
        fixed: false,
      });
    this.put(begins - build, begins - 1, {
      phase: "build",
      race: race.id,
      why: `${build === weeks.wanted ? `${Math.round(build / 7)} weeks` : `${build} days`} of build before the race phase of ${race.name}.`,
      fixed: false,
    });
    const say = (code: string, text: string) => this.warnings.push({ code, date: dateOf(free), text });
    if (base === 0)
      say(
        "no-room-for-base",
        `No room for base before ${race.name}: the build starts without a block of preparation, so loads begin low.`,
      );
    else if (after && base < weeks.shortBase)
      say("short-base", `Only ${base} days of base before ${race.name}: room to prepare again, little to develop.`);
    if (build < weeks.least)
      say(
        "short-build",
        `Only ${build} days of build before ${race.name}; under 4 weeks little maximal strength is gained.`,
      );
  }

  /** Blocks of base and build in turn where no A race lies ahead. */
  private rollOn(): void {
    const days = { base: this.weeks.rollingBase, build: this.weeks.rollingBuild };
    let phase: "base" | "build" = "base";
    while (this.free <= this.last) {
      this.put(this.free, this.free + days[phase] - 1, {
        phase,
        race: null,
        why: `No A race ahead: rolling blocks of ${days.base / 7} weeks of base and ${days.build / 7} of build until one is entered.`,
        fixed: false,
      });
      this.free += days[phase];
      phase = phase === "base" ? "build" : "base";
    }
  }

  private sayWhereOutside(race: Race): void {
    const cell = this.cells[raceDay(race) - this.first];
    if (cell?.fixed && cell.phase !== "race")
      this.warnings.push({
        code: "race-outside-race-phase",
        date: race.date,
        text: `${race.name} falls in a ${cell.phase} phase set by the coach; the blocked days around it hold all the same.`,
      });
  }

  /** A taper or a recovery cut by the season's ends or by the coach's own phases is said; what other races cut is said above. */
  private sayWhatIsCut(race: Race): void {
    const { cells, first, warnings } = this;
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
}

/** The runners' rule, shown beside ours: one easy day for each mile raced. */
const easyDays = (r: Race): string =>
  r.sport === "run" && r.distanceKm !== undefined
    ? ` The runners' rule of one easy day a mile raced would say ${Math.round(kmToMi(r.distanceKm))}.`
    : "";
