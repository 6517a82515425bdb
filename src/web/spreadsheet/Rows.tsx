/** Every row of a spreadsheet with what becomes of it; thousands of them, of which only those in sight are drawn. */
import { useVirtualizer } from "@tanstack/react-virtual";
import { useRef } from "react";
import type { LoggedSet } from "../../core/athlete";
import { dayAndYear, mass, type Units } from "../format";
import type { StatedRow } from "./state";

interface Props {
  rows: readonly { stated: StatedRow; fate: string }[];
  exerciseName: (id: string) => string;
  athleteName: (id: string) => string;
  units: Units;
}

export function Rows({ rows, exerciseName, athleteName, units }: Props) {
  const scroller = useRef<HTMLElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 32,
    overscan: 12,
  });
  const items = virtual.getVirtualItems();
  const [above, below] = [items[0]?.start ?? 0, virtual.getTotalSize() - (items.at(-1)?.end ?? 0)];
  return (
    <section
      ref={scroller}
      aria-label="Rows"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a list that scrolls is walked through with the arrow keys
      tabIndex={0}
      className="min-h-0 flex-1 overflow-auto px-4 max-[1023px]:max-h-[60vh]"
    >
      <table
        className="w-full min-w-[640px] table-fixed border-collapse"
        aria-label="Rows of the spreadsheet"
        aria-rowcount={rows.length + 1}
      >
        <colgroup>
          <col className="w-[62px]" />
          <col className="w-[96px]" />
          <col className="w-[17%]" />
          <col className="w-[22%]" />
          <col className="w-[17%]" />
          <col />
        </colgroup>
        <thead>
          <tr className="sticky top-0 z-10 h-7 bg-paper text-left text-label text-ink2 shadow-[inset_0_-1px_0_var(--color-ground)] [&>th]:font-semibold">
            <th>Line</th>
            <th>Date</th>
            <th>Athlete</th>
            <th>What</th>
            <th>Work</th>
            <th>Becomes</th>
          </tr>
        </thead>
        <tbody>
          {above > 0 && <Gap height={above} />}
          {items.map(({ index, key }) => {
            const line = rows[index];
            if (!line) return null;
            const { row, state, exercise, athlete } = line.stated;
            if (state === "fault")
              return (
                <tr key={key} className="h-8 border-b border-hair2" aria-rowindex={index + 2}>
                  <td className="text-ink2">{row.line}</td>
                  <td colSpan={5} className="truncate text-brick-ink" title={line.fate}>
                    {row.name === "" ? "" : <span className="mr-2 text-ink">{row.name}</span>}
                    {line.fate}
                  </td>
                </tr>
              );
            return (
              <tr key={key} className="h-8 border-b border-hair2 [&>td]:pr-2" aria-rowindex={index + 2}>
                <td className="text-ink2">{row.line}</td>
                <td>{dayAndYear(row.date).slice(4)}</td>
                <td className="truncate">{athlete === "" ? row.athlete : athleteName(athlete)}</td>
                <td className="truncate">{exercise === "" ? row.name : exerciseName(exercise)}</td>
                <td className="truncate">{row.test ? resultText(row.test) : setsText(row.sets, units)}</td>
                <td className="truncate text-ink2" title={line.fate}>
                  {line.fate}
                </td>
              </tr>
            );
          })}
          {below > 0 && <Gap height={below} />}
        </tbody>
      </table>
    </section>
  );
}

const Gap = ({ height }: { height: number }) => (
  <tr>
    <td colSpan={6} style={{ height }} />
  </tr>
);

const resultText = ({ left, right, value }: { left?: number; right?: number; value?: number }): string =>
  [
    left === undefined ? "" : `left ${left}`,
    right === undefined ? "" : `right ${right}`,
    value === undefined ? "" : String(value),
  ]
    .filter(Boolean)
    .join(", ");

/** "3 x 5 @ 60 kg", "5, 5, 4 @ 60 kg". */
function setsText(sets: readonly LoggedSet[], units: Units): string {
  const amounts = sets.map((s) => (s.seconds === undefined ? String(s.reps ?? "–") : `${s.seconds} s`));
  const loads = [...new Set(sets.map((s) => s.loadKg))];
  const work = new Set(amounts).size === 1 ? `${sets.length} x ${amounts[0]}` : amounts.join(", ");
  const load = loads
    .map((l) => (l === undefined ? "" : mass(l, units)))
    .filter(Boolean)
    .join(", ");
  return load === "" ? work : `${work} @ ${load}`;
}
