/** The equipment of one place, in the athlete's unit; what is typed in pounds is stored as exact kilograms. */
import { useState } from "react";
import { BAR_KINDS, type BarKind, type Place } from "../../core/athlete";
import type { Fault } from "../../formats/fault";
import { massNumber, type Units } from "../format";
import { massFrom } from "../ui/form";
import { ICON } from "../ui/glyphs";
import { Counted, MassInput, Title } from "./MassRows";

/** Things that exercises ask for and that have no mass. */
const THINGS = [
  "bench",
  "rack",
  "step",
  "sliders",
  "ball",
  "wall",
  "low-wall",
  "chair",
  "towel",
  "door-anchor",
  "pull-up-bar",
];
const MACHINES = ["leg-press", "cable", "back-extension"];
const BANDS = ["light", "medium", "strong"];

interface Props {
  place: Place;
  units: Units;
  faults: readonly Fault[];
  onChange: (next: Place) => void;
}

export function Equipment({ place, units, faults, onChange }: Props) {
  const put = (change: Partial<Place>) => onChange({ ...place, ...change });
  const u = units.massUnit;
  return (
    <div className="grid grid-cols-2 gap-x-8 gap-y-5 max-[700px]:grid-cols-1">
      {faults.length > 0 && (
        <p role="alert" className="col-span-full text-label text-brick-ink">
          {faults.map((f) => `${f.path.replace(/^places\[\d+\]\.?/, "")}: ${f.expected}`).join("; ")}
        </p>
      )}
      <Bars place={place} units={units} put={put} />
      <Counted
        title="Plates, by pairs"
        unit={u}
        countName={["pair", "pairs"]}
        rows={place.plates.map((p) => ({ massKg: p.massKg, count: p.pairs }))}
        usual={u === "lb" ? [45, 25, 10, 5, 2.5] : [20, 10, 5, 2.5, 1.25]}
        onChange={(rows) => put({ plates: rows.map((r) => ({ massKg: r.massKg, pairs: r.count })) })}
      />
      <Counted
        title="Dumbbells"
        unit={u}
        countName={["piece", "pieces"]}
        rows={place.dumbbellsKg}
        usual={u === "lb" ? [10, 15, 20, 30] : [5, 8, 10, 15]}
        each={2}
        onChange={(dumbbellsKg) => put({ dumbbellsKg })}
      />
      <Counted
        title="Kettlebells"
        unit={u}
        countName={["piece", "pieces"]}
        rows={place.kettlebellsKg}
        usual={u === "lb" ? [18, 26, 35, 53] : [8, 12, 16, 24]}
        onChange={(kettlebellsKg) => put({ kettlebellsKg })}
      />
      <Ticks title="Bands" all={BANDS} on={place.bands} onChange={(bands) => put({ bands })} />
      <Ticks title="Also there" all={THINGS} on={place.other} onChange={(other) => put({ other })} />
      <Machines place={place} units={units} put={put} />
      <Boxes place={place} put={put} />
      <Household place={place} units={units} put={put} />
    </div>
  );
}

const BAR_WORDS: Record<BarKind, string> = { straight: "straight", trap: "trap bar", safety: "safety bar" };
const BAR_MASS: Record<BarKind, { kg: number; lb: number }> = {
  straight: { kg: 20, lb: 45 },
  trap: { kg: 25, lb: 45 },
  safety: { kg: 25, lb: 60 },
};

function Bars({ place, units, put }: { place: Place; units: Units; put: (change: Partial<Place>) => void }) {
  const u = units.massUnit;
  const add = (kind: BarKind) => {
    const kg = massFrom(String(BAR_MASS[kind][u]), u, undefined);
    let n = place.bars.length + 1;
    while (place.bars.some((b) => b.id === `bar-${n}`)) n++;
    put({ bars: [...place.bars, { id: `bar-${n}`, kind, massKg: typeof kg === "number" ? kg : 20 }] });
  };
  return (
    <section>
      <Title>Bars</Title>
      <ul className="mb-1">
        {place.bars.map((b) => (
          <li key={b.id} className="flex items-center gap-1.5 py-0.5">
            <span className="w-[86px]">{BAR_WORDS[b.kind]}</span>
            <MassInput
              kg={b.massKg}
              unit={u}
              label={`Mass of the ${BAR_WORDS[b.kind]} ${b.id}`}
              onChange={(massKg) => put({ bars: place.bars.map((x) => (x.id === b.id ? { ...x, massKg } : x)) })}
            />
            <span className="w-6 text-label text-ink2">{u}</span>
            <button
              type="button"
              className="btn btn-sm btn-sq"
              aria-label={`Remove the ${massNumber(b.massKg, units)} ${u} ${BAR_WORDS[b.kind]}`}
              onClick={() => put({ bars: place.bars.filter((x) => x.id !== b.id) })}
            >
              {ICON.close}
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-1">
        {BAR_KINDS.map((k) => (
          <button key={k} type="button" className="btn btn-sm" onClick={() => add(k)}>
            + {BAR_WORDS[k]}
          </button>
        ))}
      </div>
    </section>
  );
}

function Ticks({
  title,
  all,
  on,
  onChange,
}: {
  title: string;
  all: readonly string[];
  on: readonly string[];
  onChange: (next: string[]) => void;
}) {
  const [more, setMore] = useState("");
  const list = [...all, ...on.filter((x) => !all.includes(x))];
  return (
    <section>
      <Title>{title}</Title>
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        {list.map((x) => (
          <label key={x} className="flex min-h-7 items-center gap-1.5">
            <input
              type="checkbox"
              className="h-4 w-4 accent-iron"
              checked={on.includes(x)}
              onChange={(e) => onChange(e.target.checked ? [...on, x] : on.filter((y) => y !== x))}
            />
            {x.replaceAll("-", " ")}
          </label>
        ))}
      </div>
      <form
        className="mt-1 flex gap-1"
        onSubmit={(e) => {
          e.preventDefault();
          const name = more.trim();
          if (name && !on.includes(name)) onChange([...on, name]);
          setMore("");
        }}
      >
        <input
          className="input w-[130px]"
          placeholder="something else"
          aria-label={`Something else: ${title}`}
          value={more}
          onChange={(e) => setMore(e.target.value)}
        />
        <button type="submit" className="btn btn-sm mt-0.5" disabled={more.trim() === ""}>
          Add
        </button>
      </form>
    </section>
  );
}

function Machines({ place, units, put }: { place: Place; units: Units; put: (change: Partial<Place>) => void }) {
  const u = units.massUnit;
  type Machine = Place["machines"][number];
  const change = (i: number, part: Partial<Machine>) =>
    put({ machines: place.machines.map((m, k) => (k === i ? { ...m, ...part } : m)) });
  const kg = (n: number): number => {
    const read = massFrom(String(n), u, undefined);
    return typeof read === "number" ? read : n;
  };
  return (
    <section>
      <Title>Machines</Title>
      <ul className="mb-1">
        {place.machines.map((m, i) => (
          <li key={m.kind} className="flex flex-wrap items-center gap-1 py-0.5 text-label">
            <span className="w-[86px] text-body">{m.kind.replaceAll("-", " ")}</span>
            <MassInput
              kg={m.fromKg}
              unit={u}
              label={`${m.kind}: lightest`}
              onChange={(fromKg) => change(i, { fromKg })}
            />
            to
            <MassInput kg={m.toKg} unit={u} label={`${m.kind}: heaviest`} onChange={(toKg) => change(i, { toKg })} />
            by
            <MassInput kg={m.stepKg} unit={u} label={`${m.kind}: step`} onChange={(stepKg) => change(i, { stepKg })} />
            {u}
            <button
              type="button"
              className="btn btn-sm btn-sq"
              aria-label={`Remove the ${m.kind.replaceAll("-", " ")}`}
              onClick={() => put({ machines: place.machines.filter((_, k) => k !== i) })}
            >
              {ICON.close}
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-1">
        {MACHINES.filter((k) => !place.machines.some((m) => m.kind === k)).map((kind) => (
          <button
            key={kind}
            type="button"
            className="btn btn-sm"
            onClick={() =>
              put({
                machines: [
                  ...place.machines,
                  u === "lb"
                    ? { kind, fromKg: kg(20), toKg: kg(300), stepKg: kg(10) }
                    : { kind, fromKg: 10, toKg: 150, stepKg: 5 },
                ],
              })
            }
          >
            + {kind.replaceAll("-", " ")}
          </button>
        ))}
      </div>
    </section>
  );
}

function Boxes({ place, put }: { place: Place; put: (change: Partial<Place>) => void }) {
  const toggle = (cm: number) =>
    put({
      boxesCm: place.boxesCm.includes(cm)
        ? place.boxesCm.filter((x) => x !== cm)
        : [...place.boxesCm, cm].sort((a, b) => a - b),
    });
  const list = [...new Set([15, 20, 30, 40, 50, 60, ...place.boxesCm])].sort((a, b) => a - b);
  return (
    <section>
      <Title>Boxes, cm</Title>
      <div className="flex flex-wrap gap-1">
        {list.map((cm) => (
          <button
            key={cm}
            type="button"
            aria-pressed={place.boxesCm.includes(cm)}
            aria-label={`Box of ${cm} cm`}
            className={`btn btn-sm ${place.boxesCm.includes(cm) ? "bg-ink text-panel hover:text-ink" : ""}`}
            onClick={() => toggle(cm)}
          >
            {cm}
          </button>
        ))}
      </div>
    </section>
  );
}

/** What a household has instead: a rucksack that is filled, bottles, a stair. */
function Household({ place, units, put }: { place: Place; units: Units; put: (change: Partial<Place>) => void }) {
  const u = units.massUnit;
  const { rucksack, bottlesKg = [], stairsCm } = place;
  const counted = [...new Set(bottlesKg)].map((massKg) => ({
    massKg,
    count: bottlesKg.filter((b) => b === massKg).length,
  }));
  const part = (key: "emptyKg" | "maxKg" | "stepKg", says: string, label: string) =>
    rucksack && (
      <span className="flex items-center gap-1.5 py-0.5">
        <span className="w-[86px]">{says}</span>
        <MassInput
          kg={rucksack[key]}
          unit={u}
          label={label}
          onChange={(massKg) => put({ rucksack: { ...rucksack, [key]: massKg } })}
        />
        <span className="w-6 text-label text-ink2">{u}</span>
      </span>
    );
  return (
    <>
      <section>
        <Title>Rucksack</Title>
        <label className="flex min-h-7 items-center gap-1.5">
          <input
            type="checkbox"
            className="h-4 w-4 accent-iron"
            checked={rucksack !== undefined}
            onChange={(e) => put({ rucksack: e.target.checked ? { emptyKg: 1, maxKg: 15, stepKg: 1 } : undefined })}
          />
          one that can be filled
        </label>
        {part("emptyKg", "empty", "Mass of the empty rucksack")}
        {part("maxKg", "full", "Most that the rucksack weighs when filled")}
        {part("stepKg", "filled by", "What one more thing in the rucksack weighs")}
      </section>
      <Counted
        title="Water bottles"
        unit={u}
        countName={["piece", "pieces"]}
        rows={counted}
        usual={u === "lb" ? [1, 2, 3] : [0.5, 1, 1.5]}
        each={2}
        onChange={(rows) => put({ bottlesKg: rows.flatMap((r) => Array.from({ length: r.count }, () => r.massKg)) })}
      />
      <section>
        <Title>Stairs</Title>
        <label className="flex min-h-7 items-center gap-1.5">
          a stair is
          <input
            className="input w-[64px]"
            inputMode="decimal"
            aria-label="Height of a stair, cm"
            placeholder="none"
            value={stairsCm ?? ""}
            onChange={(e) => {
              const n = Number(e.target.value.replace(",", "."));
              put({ stairsCm: Number.isFinite(n) && n > 0 ? n : undefined });
            }}
          />
          cm high
        </label>
      </section>
    </>
  );
}
