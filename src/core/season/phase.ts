/** Phases of a season: what they are, and how days that were given to them become them. */
import type { Phase, PhaseSpan } from "../athlete";
import { addDays, dayNumber, type IsoDate } from "../dates";

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

/** A day of the season, as it was given to a phase. */
export interface Cell {
  phase: Phase;
  race: string | null;
  why: string;
  fixed: boolean;
}

/** Days that are past keep the phase they had; one that runs on into what is ahead is one phase with it. */
export function keepPast(cells: (Cell | undefined)[], past: readonly PhaseSpan[], first: number): void {
  for (const s of [...past].sort((a, b) => (a.end < b.end ? 1 : -1)))
    for (let i = dayNumber(s.end) - first; i >= dayNumber(s.start) - first; i--) {
      const now = cells[i];
      if (!now || now.phase === s.phase) continue;
      const next = cells[i + 1];
      const why = "As it was when these days were trained: what is changed later leaves the past alone.";
      cells[i] = { phase: s.phase, race: next?.phase === s.phase ? next.race : null, why, fixed: false };
    }
}

/** Runs of equal days become phases. */
export function merge(cells: readonly (Cell | undefined)[], start: IsoDate): SeasonPhase[] {
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
