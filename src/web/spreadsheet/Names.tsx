/** Names of a file beside what they mean here: those that are near stand proposed until the coach confirms them. */
import { useId } from "react";
import type { NameGuess } from "../../formats/import/lifts/names";
import { plain } from "../../formats/import/words";
import { counted } from "../format";

interface Props {
  title: string;
  /** Names as they are written, each with its number of rows. */
  names: readonly (readonly [string, number])[];
  options: readonly { id: string; name: string }[];
  /** What a name means by now; null is not known. */
  meant: (name: string) => string | null;
  guesses: ReadonlyMap<string, NameGuess>;
  onMatch: (matches: Record<string, string>) => void;
}

export function Names({ title, names, options, meant, guesses, onMatch }: Props) {
  const id = useId();
  const open = names.filter(([n]) => meant(n) === null);
  const proposed = open.filter(([n]) => guesses.get(n)?.exercise);
  return (
    <section className="sec" aria-label={title}>
      <h2 className="sec-h">{title}</h2>
      {open.length > 0 && (
        <p className="mb-1 text-label leading-4 text-ink2">
          {counted(open.length, "name")} to be matched; the club remembers them.
        </p>
      )}
      {proposed.length > 0 && (
        <button
          type="button"
          className="btn btn-sm mb-2 max-[700px]:min-h-11"
          onClick={() => onMatch(Object.fromEntries(proposed.map(([n]) => [plain(n), guesses.get(n)?.exercise ?? ""])))}
        >
          Confirm {counted(proposed.length, "proposed name")}
        </button>
      )}
      <ul>
        {names.map(([name, rows], i) => {
          const now = meant(name);
          const guess = guesses.get(name)?.exercise ?? null;
          return (
            <li key={name} className="border-b border-hair2 py-1">
              <label htmlFor={`${id}-${i}`} className="flex items-baseline justify-between gap-2 text-label">
                <span className="font-medium">{name}</span>
                <span className="text-ink2">{counted(rows, "row")}</span>
              </label>
              <select
                id={`${id}-${i}`}
                className="input h-7 text-label max-[700px]:h-11"
                value={now ?? "?"}
                onChange={(e) => e.target.value !== "?" && onMatch({ [plain(name)]: e.target.value })}
              >
                <option value="?">{guess ? `${options.find((o) => o.id === guess)?.name ?? guess}?` : "choose"}</option>
                <option value="">leave these rows out</option>
                {options.map((o) => (
                  <option key={o.id} value={o.id}>
                    {o.name}
                  </option>
                ))}
              </select>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
