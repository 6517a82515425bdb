/** What is being entered of a change for many, by its kind, and the change that it makes. */
import { type ManyChange, type ManyKind, manyChangeSchema } from "../../api/many";
import type { AWAY_KINDS, Label, PRIORITIES, SessionSport } from "../../core/athlete";
import { mondayOf } from "../../core/dates";
import { compact, minutesFrom, numberFrom } from "../ui/form";

export interface Draft {
  away: (typeof AWAY_KINDS)[number];
  start: string;
  end: string;
  leaveOut: boolean;
  place: string;
  instead: string;
  name: string;
  date: string;
  sport: SessionSport;
  priority: (typeof PRIORITIES)[number];
  distanceKm: string;
  expectedMinutes: string;
  approach: string;
  template: string;
  label: Label;
  week: string;
  from: string;
  text: string;
  day: number;
  time: string;
  minutes: string;
}

export const KINDS: readonly (readonly [ManyKind, string])[] = [
  ["closed", "Place closed"],
  ["away", "Away"],
  ["race", "Race"],
  ["window", "Free time"],
  ["note", "Week note"],
  ["template", "Session template"],
  ["approach", "Approach"],
  ["usual-week", "Usual week"],
];

export const emptyDraft = (today: string): Draft => ({
  away: "travel",
  start: today,
  end: today,
  leaveOut: false,
  place: "",
  instead: "",
  name: "",
  date: "",
  sport: "run",
  priority: "A",
  distanceKm: "",
  expectedMinutes: "",
  approach: "",
  template: "",
  label: "A",
  week: today,
  from: "",
  text: "",
  day: 2,
  time: "18:00",
  minutes: "75",
});

function bodyOf(kind: ManyKind, d: Draft): unknown {
  switch (kind) {
    case "away":
      return { kind, away: { kind: d.away, start: d.start, end: d.end }, leaveOut: d.leaveOut };
    case "closed":
      return { kind, place: d.place, start: d.start, end: d.end, instead: d.instead || null };
    case "race":
      return {
        kind,
        race: compact({
          name: d.name.trim(),
          date: d.date,
          sport: d.sport,
          priority: d.priority,
          distanceKm: numberFrom(d.distanceKm),
          expectedMinutes: minutesFrom(d.expectedMinutes),
        }),
      };
    case "approach":
      return { kind, approach: d.approach };
    case "template":
      return { kind, template: d.template, week: d.week && mondayOf(d.week), label: d.label };
    case "usual-week":
      return { kind, from: d.from };
    case "note":
      return { kind, week: d.week && mondayOf(d.week), text: d.text.trim() };
    case "window":
      return { kind, window: { day: d.day, start: d.time, minutes: numberFrom(d.minutes), place: d.place } };
  }
}

/** @returns null while something is missing or is not as expected */
export function changeOf(kind: ManyKind, draft: Draft): ManyChange | null {
  const parsed = manyChangeSchema.safeParse(bodyOf(kind, draft));
  return parsed.success ? parsed.data : null;
}

/** What is entered next, where something is missing. */
export const MISSING: Readonly<Record<ManyKind, string>> = {
  away: "Enter the first day and the last.",
  closed: "Choose the place, and enter the first day and the last.",
  race: "Enter the name of the race and its day.",
  approach: "Choose the approach.",
  template: "Choose the template and the week.",
  "usual-week": "Choose the athlete whose usual week it is.",
  note: "Enter the week and the note.",
  window: "Enter the weekday, the start, the minutes (10 or more) and the place.",
};
