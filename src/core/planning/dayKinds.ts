/** What a day is to a session at a place: what its exercises are chosen by, its doses, and which days of a week are the same in all of it. */
import type { Column, Gate, Place, Stage } from "../athlete";
import { type SessionDose, sessionDose } from "../dose";
import { agesOn } from "../progress";
import type { BlockWeek, SeasonDay } from "../season";
import { type ContextInput, choiceContexts } from "./contexts";
import { blockOn, increaseCap } from "./dayWork";

export interface LastBuild {
  /** Hard sets in the four primary patterns. */
  sets: number;
  /** The row its sessions took, whose percent a hold keeps. */
  stage: Stage;
  /** Percent of 1RM of its leading lifts. */
  percent: Readonly<Partial<Record<Column, number>>>;
}

export interface DayInput extends ContextInput {
  /** What the last full build week held; null before there was one. */
  lastBuild: () => LastBuild | null;
}

/** The days of one week. Those that are the same share what is built for them. */
export class DayKinds {
  /** What exercises are chosen by on a day at a place. */
  readonly choiceOn: ReturnType<typeof choiceContexts>;
  private readonly doses = new Map<string, SessionDose>();
  /** By day and place. */
  private readonly kinds = new Map<string, number>();
  /** By all that tells one from another. */
  private readonly known = new Map<string, number>();
  private readonly numbered = new Map<object, number>();

  constructor(private readonly input: DayInput) {
    this.choiceOn = choiceContexts(input);
  }

  /** A number that days share at places where all that a session is built from is the same. */
  kindOf(day: SeasonDay, place: Place): number {
    const at = `${day.date}/${place.id}`;
    const known = this.kinds.get(at);
    if (known !== undefined) return known;
    const { athlete, week, log } = this.input;
    const choice = this.choiceOn(day, place);
    const { phase, stage, emphasis, loading, heavyOk, blockStart, taperFor, setShare } = day;
    const { block, closes } = blockOn(day, week);
    const number = (o: object | null) => {
      if (o === null) return 0;
      const n = this.numbered.get(o) ?? this.numbered.size + 1;
      this.numbered.set(o, n);
      return n;
    };
    const objects = [choice, this.doseOn(day, choice.gate), block, closes].map(number);
    const cap = increaseCap(athlete, day, week)?.text;
    const since = agesOn({ athlete, log, on: day.date, blockStart: (block ?? closes)?.from ?? blockStart });
    const all = [
      phase,
      stage,
      emphasis,
      loading,
      heavyOk,
      blockStart,
      taperFor !== null,
      setShare,
      cap,
      since,
      ...objects,
    ].join();
    const kind = this.known.get(all) ?? this.known.size;
    this.known.set(all, kind);
    this.kinds.set(at, kind);
    return kind;
  }

  /** The doses of a day; days that do not differ share them. */
  doseOn(day: SeasonDay, gate: Gate): SessionDose {
    const { athlete, week } = this.input;
    const { block, closes, stepBack } = blockOn(day, week);
    // Where the emphasis changes with a step-back, the week steps back from what was lifted, not from what comes.
    const { phase, stage, emphasis } = stepBack && closes ? closes.row : day;
    // Nothing but a day that holds asks what was held before it.
    const lastBuild = emphasis === "hold" ? this.input.lastBuild() : null;
    const { minRir, training, minor, easier, moderate } = gate;
    const key = [
      phase,
      stage,
      emphasis,
      day.holds,
      block?.week,
      closes?.week,
      minRir,
      training,
      minor,
      easier,
      moderate,
    ].join();
    const known = this.doses.get(key);
    if (known) return known;
    const over = (b: BlockWeek) => ({ week: b.week, weeks: b.of, nth: b.nth, before: b.before });
    const dose = sessionDose(
      athlete,
      {
        phase,
        stage,
        emphasis,
        holds: lastBuild?.stage ?? day.holds,
        held: lastBuild?.percent,
        block: block && over(block),
        closes: closes ? over(closes) : FIRST_POINT,
        stepBack,
      },
      { gate, room: week.mileage.roomForProgress },
    );
    this.doses.set(key, dose);
    return dose;
  }
}

/** Building days that stand in no block take the first point of a line. */
const FIRST_POINT = { week: 1, weeks: 1, nth: 1, before: 0 };
