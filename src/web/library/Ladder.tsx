/** A ladder drawn as strata steps, the athlete's peg on one. */
import type { ExerciseView, LibraryView, ProgressionView } from "../../api/views";

const STEP_H = 28;
const INSET = 13;
const W = 296;

export function Ladder({
  exercise,
  library,
  progression,
  closed,
  onOpen,
}: {
  exercise: ExerciseView;
  library: LibraryView;
  progression: ProgressionView | undefined;
  closed: Readonly<Record<string, { text: string }>>;
  onOpen: (id: string) => void;
}) {
  const steps = library.ladders.find((l) => l.id === exercise.ladder?.id)?.steps ?? [];
  const name = (id: string) => library.exercises.find((e) => e.id === id)?.name ?? id;
  // The lowest step lies deepest, as strata do.
  const rows = [...steps].reverse();
  return (
    <ol aria-label="Steps of the progression, hardest first" className="relative" style={{ width: W }}>
      {rows.map((id, i) => {
        const depth = rows.length - 1 - i;
        const here = progression?.step === id;
        const shut = closed[id];
        return (
          <li key={id} className="relative flex items-stretch" style={{ minHeight: STEP_H }}>
            <span
              aria-hidden="true"
              className="flex-none border-b border-ground"
              style={{
                width: Math.max(8, (rows.length - depth) * INSET * 0.5),
                background: here ? "var(--color-iron)" : shut ? "var(--color-panel)" : "var(--color-base)",
                backgroundImage: shut
                  ? "repeating-linear-gradient(135deg, transparent 0 4px, var(--color-hair) 4px 5px)"
                  : undefined,
              }}
            />
            <button
              type="button"
              onClick={() => onOpen(id)}
              aria-current={id === exercise.id ? "true" : undefined}
              title={shut?.text}
              className={`flex min-w-0 flex-1 items-center gap-1.5 border-b border-ground py-1 pl-2 text-left text-label leading-4 hover:bg-iron-l ${id === exercise.id ? "font-semibold" : ""}`}
            >
              {here && (
                <svg width="10" height="16" viewBox="0 0 10 16" className="flex-none" aria-hidden="true">
                  <path d="M5 5v11" stroke="var(--color-iron)" strokeWidth="2" />
                  <circle
                    cx="5"
                    cy="4.500"
                    r="3.500"
                    fill="var(--color-panel)"
                    stroke="var(--color-iron)"
                    strokeWidth="1.800"
                  />
                </svg>
              )}
              <span className="min-w-0 flex-1">
                {depth + 1}. {name(id)}
                {here && <span className="sr-only">, current step</span>}
              </span>
              {shut && <span className="pr-1 text-note font-normal text-ink2">closed</span>}
            </button>
          </li>
        );
      })}
    </ol>
  );
}
