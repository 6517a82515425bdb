/** A span's homework as a sheet says it. */
import { dayName } from "../dates";
import type { HomeworkDay } from "./homework";

/** @returns each thing once with its days, such as "Toe tap behind with knee lift, 2 x 15 a side: Wed, Fri" */
export function homeworkLines(days: readonly HomeworkDay[]): string[] {
  const found = new Map<string, string[]>();
  for (const { date, items } of days)
    for (const i of items) {
      const key = `${i.name}, ${i.dose}`;
      found.set(key, [...(found.get(key) ?? []), dayName(date)]);
    }
  return [...found].map(([what, on]) => `${what}: ${on.join(", ")}`);
}
