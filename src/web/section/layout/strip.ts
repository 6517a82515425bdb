/** A whole season on one strip, for setting two beside each other: mileage above the line, the weeks' strength below, phases, flags. */
import { weekStrength } from "../../../api/make/weekStrength";
import type { SeasonView } from "../../../api/views";
import type { Phase } from "../../../core/athlete";
import { addDays, daysBetween, monthName } from "../../../core/dates";
import { fitText } from "./common";

export interface StripLayout {
  x0: number;
  x1: number;
  ground: number;
  bottom: number;
  bars: { start: string; x: number; w: number; up: number; down: number; heavy: number; changed: boolean }[];
  strata: { phase: Phase; x0: number; x1: number; name: string; key: string }[];
  flags: { id: string; x: number; priority: "A" | "B" | "C"; name: string; moved: boolean }[];
  months: { x: number; text: string }[];
  today: number | null;
}

export interface StripInput {
  view: SeasonView;
  width: number;
  height: number;
  /** Largest weekly distance and training load of both seasons, so that both are drawn to one scale. */
  most: { km: number; trainingLoad: number };
  changed: ReadonlySet<string>;
  movedRaces: ReadonlySet<string>;
}

const PAD = { left: 16, right: 16, top: 22, band: 20 };

export const trainingLoadSum = (w: SeasonView["weeks"][number]): number => weekStrength(w.sessions).stress;

export function stripLayout({ view, width, height, most, changed, movedRaces }: StripInput): StripLayout {
  const [x0, x1] = [PAD.left, width - PAD.right];
  const first = view.weeks[0]?.start ?? view.season.start;
  const column = (x1 - x0) / Math.max(1, view.weeks.length);
  const at = (date: string) => x0 + (daysBetween(first, date) / 7) * column;
  const bottom = height - PAD.band;
  const ground = Math.round(PAD.top + (bottom - PAD.top) * 0.5);
  const within = (x: number) => Math.max(x0, Math.min(x1, x));
  const months: StripLayout["months"] = [];
  for (let d = 0; d < view.weeks.length * 7; d++) {
    const date = addDays(first, d);
    if (date.slice(8) === "01") months.push({ x: at(date), text: monthName(date) });
  }
  return {
    x0,
    x1,
    ground,
    bottom,
    bars: view.weeks.map((w, i) => ({
      start: w.start,
      x: x0 + i * column,
      w: column,
      up: (w.distanceKm / Math.max(1, most.km)) * (ground - PAD.top - 26),
      down: (trainingLoadSum(w) / Math.max(1, most.trainingLoad)) * (bottom - ground - 4),
      heavy: w.sessions.filter((a) => a.heavy).length,
      changed: changed.has(w.start),
    })),
    strata: view.phases.map((p) => {
      const [a, b] = [within(at(p.start)), within(at(addDays(p.end, 1)))];
      return {
        phase: p.phase,
        x0: a,
        x1: b,
        name: fitText(`${p.phase[0]?.toUpperCase()}${p.phase.slice(1)}`, b - a - 8, 11),
        key: p.start,
      };
    }),
    flags: view.races.map((r) => ({
      id: r.id,
      x: at(r.date) + column / 14,
      priority: r.priority,
      name: r.name,
      moved: movedRaces.has(r.id),
    })),
    months,
    today: view.today >= first ? at(view.today) : null,
  };
}
