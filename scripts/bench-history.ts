/** Athletes with years behind them, for the benches. */
import type { Athlete } from "../src/core/athlete";
import { addDays } from "../src/core/dates";

export const YEARS = 3;

/** Three years of history from one: the same records a year and two years earlier. */
export function longHistory(a: Athlete, name: string): Athlete {
  const back = <T extends { date: string }>(list: readonly T[], past: (x: T) => boolean): T[] =>
    Array.from({ length: YEARS - 1 }, (_, y) =>
      list.filter(past).map((x) => ({ ...x, date: addDays(x.date, -364 * (y + 1)) })),
    )
      .reverse()
      .flat();
  const logs = Array.from({ length: 2 * YEARS - 1 }, (_, y) =>
    a.strengthLog.map((l) => ({ ...l, date: addDays(l.date, -182 * (y + 1)) })),
  )
    .reverse()
    .flat();
  return {
    ...a,
    athlete: { ...a.athlete, name },
    endurance: [...back(a.endurance, (e) => e.done === true), ...a.endurance],
    strengthLog: [...logs, ...a.strengthLog],
  };
}
