/** Every row with its fate; thousands of them, of which only those in sight are drawn. */
import { useVirtualizer } from "@tanstack/react-virtual";
import { useRef } from "react";
import { dayAndYear, distance, duration, SPORT_NAMES, type Units } from "../format";
import { FATE_WORDS, type ListedRow } from "./rows";

const STORED = new Set(["new", "done", "changed", "moved"]);

export function RowList({
  rows,
  units,
  left,
  onLeave,
  manyFiles,
}: {
  rows: readonly ListedRow[];
  units: Units;
  left: ReadonlySet<string>;
  onLeave: (key: string, out: boolean) => void;
  manyFiles: boolean;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 32,
    overscan: 12,
    getItemKey: (i) => rows[i]?.key ?? i,
  });
  const items = virtual.getVirtualItems();
  const [above, below] = [items[0]?.start ?? 0, virtual.getTotalSize() - (items.at(-1)?.end ?? 0)];
  return (
    <div ref={scroller} className="min-h-0 flex-1 overflow-auto px-4">
      <table
        className="w-full table-fixed border-collapse"
        aria-label="Rows of the import"
        aria-rowcount={rows.length + 1}
      >
        <colgroup>
          <col className="w-7" />
          <col className={manyFiles ? "w-[170px]" : "w-[84px]"} />
          <col className="w-[96px]" />
          <col className="w-[21%]" />
          <col className="w-[80px]" />
          <col className="w-[80px]" />
          <col />
        </colgroup>
        <thead>
          <tr className="sticky top-0 z-10 h-7 bg-paper text-left text-label text-ink2 shadow-[inset_0_-1px_0_var(--color-ground)] [&>th]:font-semibold">
            <th>
              <span className="sr-only">Taken</span>
            </th>
            <th>{manyFiles ? "File, place" : "Place"}</th>
            <th>Date</th>
            <th>What</th>
            <th>Duration</th>
            <th>Distance</th>
            <th>Becomes</th>
          </tr>
        </thead>
        <tbody>
          {above > 0 && <Gap height={above} />}
          {items.map((item) => {
            const listed = rows[item.index];
            return listed ? (
              <Row
                key={item.key}
                listed={listed}
                at={item.index}
                units={units}
                out={left.has(listed.key)}
                onLeave={onLeave}
                manyFiles={manyFiles}
              />
            ) : null;
          })}
          {below > 0 && <Gap height={below} />}
        </tbody>
      </table>
    </div>
  );
}

/** "3 Mar 2023": files go back years. */
const dated = (date: string): string => dayAndYear(date).slice(4);

const Gap = ({ height }: { height: number }) => (
  <tr>
    <td colSpan={7} style={{ height }} />
  </tr>
);

function Row({
  listed,
  at,
  units,
  out,
  onLeave,
  manyFiles,
}: {
  listed: ListedRow;
  at: number;
  units: Units;
  out: boolean;
  onLeave: (key: string, out: boolean) => void;
  manyFiles: boolean;
}) {
  const { row, fate } = listed;
  const session = row.incoming?.session;
  const date = session?.date ?? row.race?.date;
  const what = row.race
    ? `${row.race.priority} race, ${row.label}`
    : session
      ? `${SPORT_NAMES[session.sport]}, ${session.kind}`
      : row.label;
  const pale = fate === "same" || fate === "twice" || fate === "left";
  const tone = fate === "fault" ? "text-brick-ink" : fate && STORED.has(fate) ? "font-semibold text-moss-ink" : "";
  return (
    <tr aria-rowindex={at + 2} className={`h-8 border-b border-hair2 ${pale ? "text-ink2" : ""}`}>
      <td>
        {row.fault === undefined && (
          <input
            type="checkbox"
            className="block"
            aria-label={`Take ${listed.file}, ${row.where}`}
            checked={!out}
            onChange={(e) => onLeave(listed.key, !e.target.checked)}
          />
        )}
      </td>
      <td className="truncate text-label text-ink2" title={`${listed.file}, ${row.where}`}>
        {manyFiles ? `${listed.file}, ` : ""}
        {row.where}
      </td>
      <td className="whitespace-nowrap">{date ? dated(date) : "–"}</td>
      <td className="truncate pr-2" title={what}>
        {what}
      </td>
      <td>{session ? duration(session.minutes) : ""}</td>
      <td>{session?.distanceKm === undefined ? "" : distance(session.distanceKm, units, 1)}</td>
      <td
        className={`text-label leading-[15px] ${fate === "fault" ? "" : "truncate"} ${tone}`}
        title={row.fault ?? row.notes.join("; ")}
      >
        {row.fault ?? (fate ? FATE_WORDS[fate] : "…")}
        {!row.fault && row.notes.length > 0 && <span className="font-normal text-ink2"> ({row.notes.join("; ")})</span>}
      </td>
    </tr>
  );
}
