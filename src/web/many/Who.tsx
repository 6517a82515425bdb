/** Whom a change is for, or who belongs to a group: groups taken whole, athletes ticked one by one. */
import { useState } from "react";
import type { GroupView, ManyChoices } from "../../api/many";
import { SPORT_NAMES } from "../format";

interface Props {
  athletes: ManyChoices["athletes"];
  groups: readonly GroupView[];
  chosen: ReadonlySet<string>;
  onChange: (chosen: ReadonlySet<string>) => void;
  /** Rows of the list that are seen at once, px. */
  height: number;
}

/** More athletes than stand on the screen are looked for by name. */
const SEARCHED = 12;

export function Who({ athletes, groups, chosen, onChange, height }: Props) {
  const [typed, setTyped] = useState("");
  const shown = athletes.filter((a) => a.name.toLowerCase().includes(typed.trim().toLowerCase()));
  const set = (ids: readonly string[], on: boolean) => {
    const next = new Set(chosen);
    for (const id of ids) on ? next.add(id) : next.delete(id);
    onChange(next);
  };
  const whole = (g: GroupView) => g.members.length > 0 && g.members.every((id) => chosen.has(id));
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap gap-1.5">
        {groups.map((g) => (
          <button
            key={g.id}
            type="button"
            aria-pressed={whole(g)}
            disabled={g.members.length === 0}
            className={`btn btn-sm max-[700px]:min-h-11 ${whole(g) ? "bg-ink text-panel" : ""}`}
            onClick={() => set(g.members, !whole(g))}
          >
            {g.name} {g.members.length}
          </button>
        ))}
        <button
          type="button"
          className="btn btn-sm max-[700px]:min-h-11"
          onClick={() =>
            set(
              shown.map((a) => a.id),
              shown.some((a) => !chosen.has(a.id)),
            )
          }
        >
          {shown.some((a) => !chosen.has(a.id)) ? "All" : "None"}
        </button>
      </div>
      {athletes.length > SEARCHED && (
        <input
          className="input"
          type="search"
          aria-label="Find an athlete"
          placeholder="Find an athlete"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
      )}
      <ul aria-label="Athletes" className="overflow-auto border-y border-hair2" style={{ maxHeight: height }}>
        {shown.map((a) => (
          <li key={a.id}>
            <label className="flex min-h-8 cursor-pointer items-center gap-2 border-b border-hair2 px-1 max-[700px]:min-h-11">
              <input
                type="checkbox"
                className="h-4 w-4 flex-none accent-iron"
                checked={chosen.has(a.id)}
                onChange={(e) => set([a.id], e.target.checked)}
              />
              <span className="min-w-0 flex-1 truncate">{a.name}</span>
              <span className="text-label text-ink2">{SPORT_NAMES[a.sport]}</span>
            </label>
          </li>
        ))}
      </ul>
    </div>
  );
}
