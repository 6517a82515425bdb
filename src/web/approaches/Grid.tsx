/** The grid of an approach: parts of the season down, patterns across. One cell is chosen at a time; arrow keys walk. */
import type { KeyboardEvent } from "react";
import { type Approach, COLUMNS, type Column, type Phase, STAGES, type Stage } from "../../core/athlete";
import { EMPHASIS_NAMES } from "../format";
import { STRATA } from "../section/patterns";
import { WarnIcon } from "../ui/glyphs";
import { COLUMN_WORDS, effortText, rangeText, STAGE_WORDS, shortEffort } from "./words";

export type GridPlace = { stage: Stage; column: Column | "week" };

const PHASE: Record<Stage, Phase> = {
  "base-early": "base",
  "base-late": "base",
  build: "build",
  race: "race",
  recovery: "recovery",
};
const ALL: readonly GridPlace["column"][] = ["week", ...COLUMNS];

interface Props {
  approach: Approach;
  /** The version it is compared with, so that what is changed shows. */
  was: Approach;
  at: GridPlace;
  faulty: (p: GridPlace) => boolean;
  onChoose: (p: GridPlace) => void;
}

export function Grid({ approach, was, at, faulty, onChoose }: Props) {
  const walk = (e: KeyboardEvent) => {
    const [row, col] = [STAGES.indexOf(at.stage), ALL.indexOf(at.column)];
    const to = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[e.key];
    if (!to) return;
    e.preventDefault();
    e.stopPropagation();
    const stage = STAGES[Math.max(0, Math.min(STAGES.length - 1, row + (to[0] ?? 0)))] ?? at.stage;
    const column = ALL[Math.max(0, Math.min(ALL.length - 1, col + (to[1] ?? 0)))] ?? at.column;
    onChoose({ stage, column });
    requestAnimationFrame(() => document.getElementById(`cell-${stage}-${column}`)?.focus());
  };
  const cell = (stage: Stage, column: GridPlace["column"], label: string, changed: boolean, body: React.ReactNode) => {
    const here = at.stage === stage && at.column === column;
    const bad = faulty({ stage, column });
    return (
      <td key={column} className="p-0 align-top">
        <button
          id={`cell-${stage}-${column}`}
          type="button"
          tabIndex={here ? 0 : -1}
          aria-pressed={here}
          aria-label={changed ? `${label}, changed` : label}
          onClick={() => onChoose({ stage, column })}
          onKeyDown={walk}
          className={`relative flex h-[88px] w-full flex-col items-start border-r border-hair2 px-1.5 py-1.5 text-left leading-[18px] ${here ? "bg-iron-l shadow-[inset_0_0_0_1.500px_var(--color-iron)]" : "hover:bg-surface"}`}
        >
          {body}
          {changed && (
            <span
              className="absolute right-0 bottom-0 h-2.5 w-2.5 bg-iron"
              style={{ clipPath: "polygon(100% 0, 100% 100%, 0 100%)" }}
              title="Changed, not saved"
            />
          )}
          {bad && (
            <span className="absolute top-1.5 right-1.5">
              <WarnIcon size={13} />
            </span>
          )}
        </button>
      </td>
    );
  };
  return (
    <table className="w-full min-w-[820px] table-fixed border-collapse">
      <caption className="sr-only">{approach.name}: what each part of the season prescribes for each pattern</caption>
      <thead>
        <tr className="text-left align-bottom text-label text-ink2 shadow-[inset_0_-1.500px_0_var(--color-ground)]">
          <th className="w-[84px] py-1 pl-2 font-semibold">Phase</th>
          <th className="w-[72px] px-1.5 py-1 font-semibold">A week</th>
          {COLUMNS.map((c) => (
            <th key={c} className="px-1.5 py-1 align-bottom leading-[15px] font-semibold">
              {COLUMN_WORDS[c]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {STAGES.map((stage) => {
          const row = approach.rows[stage];
          const before = was.rows[stage];
          const own = (o: typeof row) => JSON.stringify([o.perWeek, o.slides, o.samePercent, o.emphasis]);
          return (
            <tr key={stage} className="border-b border-hair">
              <th
                className="border-r border-hair2 px-2 py-1.5 text-left align-top font-semibold"
                style={{ background: STRATA[PHASE[stage]].tint }}
              >
                <span className="block text-body leading-[17px]">{STAGE_WORDS[stage]}</span>
                <span className="block text-label font-normal text-ink-soil">
                  {EMPHASIS_NAMES[row.emphasis].toLowerCase()}
                </span>
              </th>
              {cell(
                stage,
                "week",
                `${STAGE_WORDS[stage]}, sessions a week: ${rangeText(row.perWeek)}`,
                own(row) !== own(before),
                <>
                  <span className="num block text-lead font-semibold">{rangeText(row.perWeek)}</span>
                  <span className="block text-label text-ink2">
                    {row.slides ? "falling" : row.perWeek[1] === 1 ? "session" : "sessions"}
                  </span>
                </>,
              )}
              {COLUMNS.map((c) => {
                const d = row.cells[c];
                const same = row.samePercent && (c === "squat" || c === "hinge");
                return cell(
                  stage,
                  c,
                  `${STAGE_WORDS[stage]}, ${COLUMN_WORDS[c]}: ${rangeText(d.sets)} times ${rangeText(d.reps)}, ${effortText(d, same)}, rest ${d.restSeconds} seconds`,
                  JSON.stringify(d) !== JSON.stringify(before.cells[c]),
                  <>
                    <span className="num block text-body font-semibold whitespace-nowrap">
                      {rangeText(d.sets)} {d.sets[1] === 1 ? "set" : "sets"}
                    </span>
                    <span className="num block text-body font-semibold whitespace-nowrap">
                      {rangeText(d.reps)} reps
                    </span>
                    <span className="num block text-label text-ink2 whitespace-nowrap">{shortEffort(d, same)}</span>
                    <span className="num block text-label text-ink2 whitespace-nowrap">
                      {d.restSeconds} s{d.tempo ? `, ${d.tempo}` : ""}
                    </span>
                  </>,
                );
              })}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
