/** Places and what there is to lift: from a preset, copied from another athlete, or entered piece by piece. */
import { useCallback, useState } from "react";
import type { IntakeView } from "../../api/views";
import { PLACE_PRESETS, type Place, PRESET_WORDS, placeFrom } from "../../core/athlete";
import { usePlaces } from "../data/intake";
import { mass, type Units } from "../format";
import { Field, FormProblem } from "../ui/form";
import { ICON } from "../ui/glyphs";
import { tellUndo } from "../ui/tell";
import { Equipment } from "./Equipment";
import { useStep } from "./useStep";

/** A name as an id: lower-case words joined by hyphens. */
const slug = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "");

export function PlacesStep({ view }: { view: IntakeView }) {
  const toBody = useCallback((places: Place[]) => ({ places }), []);
  const step = useStep<Place[]>(view.id, "places", view.places, toBody);
  const places = step.value;
  const [at, setAt] = useState(0);
  const place = places[Math.min(at, places.length - 1)];
  const units: Units = {
    massUnit: view.facts.massUnit ?? "kg",
    distanceUnit: view.facts.distanceUnit ?? "km",
  };
  const add = (next: Place) => {
    step.set([...places, next]);
    setAt(places.length);
  };
  const remove = (id: string) => {
    const before = places;
    step.set(places.filter((p) => p.id !== id));
    setAt(0);
    tellUndo(`${id} removed.`, () => step.set(before));
  };
  return (
    <div className="max-w-[900px]">
      <FormProblem text={step.problem} />
      <AddPlace view={view} places={places} units={units} onAdd={add} />
      {places.length > 0 && (
        <div
          className="mt-4 flex flex-wrap items-center gap-1 border-b-[1.5px] border-ground"
          role="tablist"
          aria-label="Places"
        >
          {places.map((p) => (
            <button
              key={p.id}
              type="button"
              role="tab"
              aria-selected={p === place}
              className={`h-9 px-3 font-medium ${p === place ? "bg-ink text-panel" : "text-ink2 hover:text-ink"}`}
              onClick={() => setAt(places.indexOf(p))}
            >
              {p.id}
            </button>
          ))}
        </div>
      )}
      {place && (
        <div role="tabpanel" aria-label={place.id} className="pt-3">
          <p className="mb-3 flex items-center gap-3 text-ink2">
            <span className="flex-1">{inWords(place, units)}</span>
            {view.placesInUse.includes(place.id) ? (
              <span className="text-label">Free time slots or absences use it, so it stays.</span>
            ) : (
              <button type="button" className="btn btn-sm" onClick={() => remove(place.id)}>
                {ICON.bin} Remove place
              </button>
            )}
          </p>
          <Equipment
            key={place.id}
            place={place}
            units={units}
            faults={step.faults.filter((f) => f.path.startsWith(`places[${places.indexOf(place)}]`))}
            onChange={(next) => step.set(places.map((p) => (p.id === place.id ? next : p)))}
          />
        </div>
      )}
    </div>
  );
}

function AddPlace({
  view,
  places,
  units,
  onAdd,
}: {
  view: IntakeView;
  places: readonly Place[];
  units: Units;
  onAdd: (p: Place) => void;
}) {
  const others = usePlaces(view.id);
  const [name, setName] = useState("");
  const free = (wanted: string): string => {
    for (let n = 1; ; n++) {
      const id = n === 1 ? wanted : `${wanted}-${n}`;
      if (!places.some((p) => p.id === id)) return id;
    }
  };
  const idFor = (fallback: string) => free(slug(name) || fallback);
  return (
    <section>
      <h2 className="mb-1 text-lead leading-6 font-[650]">
        {places.length === 0 ? "Where do they lift?" : "Another place"}
      </h2>
      <div className="flex flex-wrap items-end gap-3">
        <Field id="pl-name" label="Name" hint="optional" className="w-[140px]">
          <input
            id="pl-name"
            className="input"
            value={name}
            placeholder="home, club gym"
            onChange={(e) => setName(e.target.value)}
          />
        </Field>
        {PLACE_PRESETS.map((p) => (
          <button
            key={p}
            type="button"
            className="btn"
            title={PRESET_WORDS[p].says}
            onClick={() => {
              onAdd(placeFrom(p, idFor(p === "club-gym" ? "gym" : "home"), units.massUnit));
              setName("");
            }}
          >
            {ICON.plus} {PRESET_WORDS[p].name}
          </button>
        ))}
        {(others.data?.places.length ?? 0) > 0 && (
          <Field id="pl-copy" label="Copy from" className="w-[210px]">
            <select
              id="pl-copy"
              className="input"
              value=""
              onChange={(e) => {
                const from = others.data?.places[Number(e.target.value)];
                if (from) onAdd({ ...from.place, id: idFor(from.place.id) });
                setName("");
              }}
            >
              <option value="">another athlete's place</option>
              {others.data?.places.map((p, i) => (
                <option key={`${p.athlete}${p.place.id}`} value={i}>
                  {p.name}: {p.place.id}
                </option>
              ))}
            </select>
          </Field>
        )}
      </div>
    </section>
  );
}

/** What is there, in one line. */
function inWords(p: Place, u: Units): string {
  const plates = p.plates.reduce((a, x) => a + x.pairs, 0);
  const heaviest = Math.max(0, ...p.dumbbellsKg.map((d) => d.massKg));
  const some = (n: number, one: string, more = `${one}s`) => (n > 0 ? `${n} ${n === 1 ? one : more}` : "");
  const parts = [
    some(p.bars.length, "bar"),
    some(plates, "pair of plates", "pairs of plates"),
    heaviest > 0 ? `dumbbells to ${mass(heaviest, u)}` : "",
    some(
      p.kettlebellsKg.reduce((a, k) => a + k.count, 0),
      "kettlebell",
    ),
    some(p.bands.length, "band"),
    p.machines.length > 0 ? p.machines.map((m) => m.kind.replaceAll("-", " ")).join(", ") : "",
    p.rucksack ? `a rucksack to ${mass(p.rucksack.maxKg, u)}` : "",
    some((p.bottlesKg ?? []).length, "water bottle"),
    p.other.map((o) => o.replaceAll("-", " ")).join(", "),
  ].filter(Boolean);
  return parts.length > 0 ? `${parts.join("; ")}.` : "Nothing but the floor and a wall.";
}
