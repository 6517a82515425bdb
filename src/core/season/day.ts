/** A day of the season: its phase, its emphasis, and what kind of loading may stand there. */
import type { Emphasis, Phase, Stage } from "../athlete";
import type { IsoDate } from "../dates";
import type { Why } from "../rulebook";

/** full: the emphasis' own dose. light: half sets, nothing heavy. restore: light loads. Then bodyweight, and mobility alone. */
export type DayLoading = "full" | "light" | "restore" | "bodyweight" | "mobility";

export interface SeasonDay {
  date: IsoDate;
  phase: Phase;
  emphasis: Emphasis;
  /** Which row of the approach's table the day takes. */
  stage: Stage;
  /** Share of the phase that is over, 0 to 1. */
  through: number;
  /** First day of the unbroken run of this emphasis. */
  blockStart: IsoDate;
  loading: DayLoading;
  /** What a hold day holds: the row of the approach that the build before it took. */
  holds: Stage;
  heavyOk: boolean;
  /** Races whose softer spacing (S13) a heavy session here would break. */
  softRaces: string[];
  /** The A race whose taper this day belongs to (light work only). */
  taperFor: string | null;
  /** Days to the next race of a weekly series; null outside of one. */
  seriesIn: number | null;
  /** Minutes a session may have at most; null where the free time alone limits it. */
  minutesMost: number | null;
  /** Share of the sets that today's answers leave; 1 where they change nothing. */
  setShare: number;
  /** Counts towards the week's number of sessions. */
  counts: boolean;
  why: Why[];
}

const RANK: Record<DayLoading, number> = { full: 4, light: 3, restore: 2, bodyweight: 1, mobility: 0 };

/** Takes the loading of a day down, never up, with the reason. */
export function limitTo(day: SeasonDay, loading: DayLoading, because: Why): void {
  if (RANK[loading] >= RANK[day.loading]) return;
  day.loading = loading;
  day.heavyOk = false;
  day.why.push(because);
}
