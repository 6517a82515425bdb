/** What was seen in the sport, as a checklist with sides. */
import type { ScreeningView } from "../../api/views";
import { Segments } from "../ui/Segments";
import type { ScreenDraft } from "./draft";

type Side = "left" | "right" | "both";
/** Sights that have a side. */
const SIDED = ["hip-drop", "crossover", "knee-in", "hip-flexor-fatigue"];

export function Sights({
  view,
  draft,
  set,
}: {
  view: ScreeningView;
  draft: ScreenDraft;
  set: (change: Partial<ScreenDraft>) => void;
}) {
  const usual = view.sights.filter((s) => s.usual);
  const rest = view.sights.filter((s) => !s.usual);
  const line = (s: ScreeningView["sights"][number]) => {
    const on = draft.seen.find((x) => x.what === s.what);
    const others = draft.seen.filter((x) => x.what !== s.what);
    return (
      <li key={s.what} className="border-b border-hair2 py-2">
        <div className="flex flex-wrap items-center gap-3">
          <label className="flex min-h-11 flex-1 items-center gap-3">
            <input
              type="checkbox"
              className="h-6 w-6 flex-none accent-iron"
              checked={on !== undefined}
              onChange={(e) =>
                set({
                  looked: true,
                  seen: e.target.checked
                    ? [...others, SIDED.includes(s.what) ? { what: s.what, side: "both" as const } : { what: s.what }]
                    : others,
                })
              }
            />
            <span>
              <span className="block text-lead leading-5 font-medium">{s.name}</span>
              <span className="block text-label leading-4 text-ink2">{s.look}</span>
            </span>
          </label>
          {on && SIDED.includes(s.what) && (
            <Segments
              name={`${s.name}: side`}
              options={[
                ["left", "Left"],
                ["right", "Right"],
                ["both", "Both"],
              ]}
              value={on.side ?? "both"}
              onChange={(side: Side) => set({ seen: [...others, { what: s.what, side }] })}
            />
          )}
        </div>
      </li>
    );
  };
  return (
    <div className="mx-auto w-full max-w-[640px]">
      <ul>{usual.map(line)}</ul>
      <details className="mt-3">
        <summary className="min-h-11 cursor-pointer py-3 text-ink2">Seen in other sports</summary>
        <ul>{rest.map(line)}</ul>
      </details>
      <label className="mt-3 flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="h-6 w-6 accent-iron"
          checked={draft.looked && draft.seen.length === 0}
          onChange={(e) => set({ looked: e.target.checked, seen: [] })}
        />
        <span className="text-lead">Looked, and none of it seen</span>
      </label>
      {!draft.looked && (
        <p className="text-label leading-4 text-ink2">Left open, what was seen before stays as it is.</p>
      )}
    </div>
  );
}
