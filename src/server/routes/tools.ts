/** What every route about an athlete needs: reading, changing with its checks, and parameters. */

import { isLateStill, LATE_DAYS } from "../../api/late";
import type { Until } from "../../api/make/planned";
import { type Athlete, LABELS, type Label } from "../../core/athlete";
import { type IsoDate, isDate } from "../../core/dates";
import { withPastPlanned } from "../../core/mileage";
import { withPastKept } from "../../core/season";
import type { WeekPlan } from "../../core/story";
import { crossFaults } from "../../formats/athlete-file";
import { SESSION_MINUTES } from "../../formats/athlete-schema";
import type { Context } from "../context";
import { faulty, notFound } from "../errors";
import type { Planned } from "../planner";
import type { EnduranceChange } from "../store/athletes";
import type { Stored } from "../store/store";
import { pastWeeks } from "../views/review";

/** A label of the address. @throws a problem that says what was expected */
export function labelParam(value: string | undefined): Label {
  const label = LABELS.find((l) => l === value);
  if (!label) throw faulty([{ path: "label", expected: `one of ${LABELS.join(", ")} expected` }], "The request");
  return label;
}

/** The length of a session in the address, min. @throws a problem that says what was expected */
export function minutesParam(value: string | undefined): number {
  const minutes = Number(value);
  if (!Number.isInteger(minutes) || minutes < SESSION_MINUTES.least || minutes > SESSION_MINUTES.most)
    throw faulty(
      [{ path: "minutes", expected: `${SESSION_MINUTES.least} to ${SESSION_MINUTES.most} whole minutes expected` }],
      "The request",
    );
  return minutes;
}

export interface AthleteTools {
  stored: (id: string) => Promise<Stored>;
  /** @param until a week needs the weeks before it, no others: the whole season takes a second, the next weeks a part of it */
  season: (id: string, until?: Until) => Promise<Planned>;
  /** @param words the change as undo names it @param free a Monday whose placement goes back to the planner with it */
  change: (
    id: string,
    what: string,
    apply: (a: Athlete) => Athlete,
    words?: string,
    free?: string | null,
    rows?: readonly EnduranceChange[],
  ) => Promise<void>;
}

/** Name of a file about an athlete, safe everywhere. @param ending such as ".json" */
export const fileName = (a: Athlete, ending: string): string =>
  `${a.athlete.name.toLowerCase().replace(/[^a-z0-9]+/g, "-") || "athlete"}${ending}`;

/** A date of the address. @throws a problem that says what was expected */
export function dateParam(value: string | undefined): IsoDate {
  if (value === undefined || !isDate(value))
    throw faulty([{ path: "date", expected: 'a real date such as "2026-03-02" expected' }], "The request");
  return value;
}

/** A date of the address that can still be told of. @throws a problem that says what was expected */
export function tellableParam(value: string | undefined, today: IsoDate, what: string): IsoDate {
  const date = dateParam(value);
  if (!isLateStill(date, today))
    throw faulty([{ path: "date", expected: `today, or one of the last ${LATE_DAYS} days expected` }], what);
  return date;
}

export function athleteTools({ store, planner, today }: Context): AthleteTools {
  return {
    stored: async (id) => {
      const found = await store.athletes.get(id);
      if (!found) throw notFound("athlete");
      return found;
    },
    season: async (id, until) => {
      const planned = await planner.season(id, until);
      if (!planned) throw notFound("athlete");
      return planned;
    },
    change: async (id, what, apply, words = `${what} changed`, free = null, rows = []) => {
      const check = (next: Athlete) => {
        const faults = crossFaults(next);
        if (faults.length > 0) throw faulty(faults, what);
      };
      const ok = await store.athletes.change(
        id,
        (a) => {
          const next = apply(a);
          check(next);
          return withPastPlanned(a, withPastKept(a, next, today()), today());
        },
        check,
        words.replace(/^The (.)/, (_, c: string) => c.toUpperCase()),
        free,
        rows,
      );
      if (!ok) throw notFound("athlete");
    },
  };
}

/** Weeks that are over stay as they were planned before what changes now. */
export function pastTools({ store, planner }: Pick<Context, "store" | "planner">) {
  const pastOf = async (athletes: readonly { id: string }[]): Promise<{ id: string; fresh: WeekPlan[] }[]> => {
    const out: { id: string; fresh: WeekPlan[] }[] = [];
    for (const { id } of athletes) {
      const p = await planner.season(id, planner.today());
      if (p) out.push({ id, fresh: (await pastWeeks(store, p, planner.today())).fresh });
    }
    return out;
  };
  const keepPast = async (past: Awaited<ReturnType<typeof pastOf>>): Promise<void> => {
    for (const { id, fresh } of past) await store.archive.keep(id, fresh);
  };
  return { pastOf, keepPast };
}
