/** Two approaches on one athlete's season, side by side: sets, heavy sets, minutes and stress by phase. */
import type { ApproachView } from "../../api/views";
import type { PhaseTally, Tally } from "../../core/story";
import { useCompare } from "../data/dose";
import { day, PHASE_NAMES } from "../format";
import { STRATA } from "../section/patterns";
import { Failed, LoadingNote } from "../ui/State";

interface Props {
  id: string;
  name: string;
  approaches: readonly ApproachView[];
  a: string;
  b: string;
  onPick: (which: "a" | "b", id: string) => void;
  onSwitch: (phase: PhaseTally["phase"] | "all", approach: string) => void;
}

const FIGURES: readonly [keyof Tally, string][] = [
  ["sessions", "Sessions"],
  ["sets", "Sets"],
  ["heavySets", "Heavy sets"],
  ["minutes", "Minutes"],
  ["stress", "Stress, AU"],
];

export function Compare({ id, name, approaches, a, b, onPick, onSwitch }: Props) {
  const compare = useCompare(id, a, b);
  const pick = (which: "a" | "b", value: string) => (
    <select
      aria-label={which === "a" ? "First approach" : "Second approach"}
      className="input w-[216px]"
      value={value}
      onChange={(e) => onPick(which, e.target.value)}
    >
      {approaches.map((v) => (
        <option key={v.approach.id} value={v.approach.id}>
          {v.approach.name}
        </option>
      ))}
    </select>
  );
  if (id === "")
    return (
      <p className="p-4 text-ink2">Choose an athlete in the title block: two approaches are compared on a season.</p>
    );
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 pb-4">
      <div className="flex flex-wrap items-center gap-2 py-2">
        {pick("a", a)}
        <span className="text-ink2">against</span>
        {pick("b", b)}
        <span className="w-full text-label text-ink2">
          on the season of {name}, as if it were planned from its first day; a bar is a week's mean
        </span>
      </div>
      {a === b ? (
        <p className="py-4 text-ink2">Choose two different ones.</p>
      ) : compare.isPending ? (
        <LoadingNote what="both seasons" />
      ) : compare.isError ? (
        <Failed error={compare.error} retry={() => compare.refetch()} what="The comparison" />
      ) : (
        <Tables view={compare.data} onSwitch={onSwitch} stale={compare.isPlaceholderData} />
      )}
    </div>
  );
}

function Tables({
  view,
  onSwitch,
  stale,
}: {
  view: NonNullable<ReturnType<typeof useCompare>["data"]>;
  onSwitch: Props["onSwitch"];
  stale: boolean;
}) {
  const [A, B] = [view.a, view.b];
  const most = (key: keyof Tally) =>
    Math.max(1, ...[...A.phases, ...B.phases].map((p) => (p.tally[key] as number) / p.weeks));
  const total = (list: readonly PhaseTally[], key: keyof Tally) =>
    list.reduce((s, p) => s + (p.tally[key] as number), 0);
  return (
    <table className="w-full border-collapse" aria-busy={stale}>
      <caption className="sr-only">
        {A.name} against {B.name} by phase
      </caption>
      <thead>
        <tr className="h-7 text-left text-label text-ink2 shadow-[inset_0_-1.500px_0_var(--color-ground)]">
          <th className="w-[178px] pl-2 font-semibold">Phase</th>
          {FIGURES.map(([key, label]) => (
            <th key={key} className="px-2 font-semibold">
              {label}
            </th>
          ))}
          <th className="w-[150px] px-2 font-semibold">Apply</th>
        </tr>
      </thead>
      <tbody>
        {A.phases.map((p, i) => {
          const q = B.phases[i];
          if (!q) return null;
          return (
            <tr key={p.start} className="border-b border-hair align-top">
              <th className="border-l-[6px] py-2 pl-2 text-left" style={{ borderColor: STRATA[p.phase].tint }}>
                <span className="block font-semibold">{PHASE_NAMES[p.phase]}</span>
                <span className="block text-label font-normal text-ink2">
                  {day(p.start)} to {day(p.end)}
                </span>
              </th>
              {FIGURES.map(([key]) => (
                <td key={key} className="px-2 py-2">
                  <Pair
                    a={p.tally[key] as number}
                    b={q.tally[key] as number}
                    wa={(p.tally[key] as number) / p.weeks / most(key)}
                    wb={(q.tally[key] as number) / q.weeks / most(key)}
                  />
                </td>
              ))}
              <td className="px-2 py-2">
                <button
                  type="button"
                  className="btn btn-sm"
                  aria-label={`Switch ${PHASE_NAMES[p.phase]} to ${B.name}`}
                  onClick={() => onSwitch(p.phase, B.id)}
                >
                  Switch {PHASE_NAMES[p.phase].toLowerCase()}
                </button>
              </td>
            </tr>
          );
        })}
        <tr className="font-semibold">
          <th className="border-l-[6px] border-panel py-2 pl-2 text-left">Whole season</th>
          {FIGURES.map(([key]) => (
            <td key={key} className="px-2 py-2">
              <Pair a={total(A.phases, key)} b={total(B.phases, key)} />
            </td>
          ))}
          <td className="px-2 py-2">
            <button type="button" className="btn btn-sm" onClick={() => onSwitch("all", B.id)}>
              Switch all
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  );
}

/** Two figures, the first solid, the second hatched, so that neither hangs on colour. */
function Pair({ a, b, wa, wb }: { a: number; b: number; wa?: number; wb?: number }) {
  const diff = b - a;
  const bar = (share: number | undefined, fill: string) =>
    share === undefined ? null : (
      <span className="block h-[7px]" style={{ width: `${Math.max(1, share * 100)}%`, background: fill }} />
    );
  return (
    <span className="block">
      <span className="num block text-lead leading-5">
        {a.toLocaleString("en-GB")} <span className="text-ink2">/</span> {b.toLocaleString("en-GB")}{" "}
        <span className="text-label text-ink2">
          {diff === 0 ? "same" : `${diff > 0 ? "+" : "−"}${Math.abs(diff).toLocaleString("en-GB")}`}
        </span>
      </span>
      {bar(wa, "var(--color-iron)")}
      <span className="block h-px" />
      {bar(wb, "repeating-linear-gradient(45deg,var(--band-h-done) 0 2px,var(--color-iron-l) 2px 5px)")}
    </span>
  );
}
