/** What the marks mean, on one line above the section. */
import { PatternTile } from "./parts";
import { BAND_STYLE, BANDS } from "./patterns";

const mark = (d: string, stroke = "var(--color-ground)", dash?: string) => (
  <svg width="18" height="14" aria-hidden="true">
    <path d={d} fill="none" stroke={stroke} strokeWidth="1.25" strokeDasharray={dash} />
  </svg>
);

export function Legend({ kind }: { kind: "season" | "week" }) {
  return (
    <div className="flex h-6 flex-none items-center gap-x-[9px] overflow-hidden pr-3 pl-4 text-note leading-4 whitespace-nowrap cond">
      {BANDS.filter((b) => b !== "J").map((id) => (
        <span key={id} className="flex items-center gap-1">
          <PatternTile id={id} /> {BAND_STYLE[id].name}
        </span>
      ))}
      <span className="ml-1 flex items-center gap-1">
        <svg width="16" height="10" aria-hidden="true">
          <path d="M0 10l3-9h10l3 9z" fill="var(--color-moss)" stroke="var(--color-moss-ink)" />
        </svg>
        Done
      </span>
      <span className="flex items-center gap-1">
        <svg width="16" height="10" aria-hidden="true">
          <path d="M0 10l3-9h10l3 9z" fill="var(--color-moss-plan)" stroke="var(--color-moss-ink)" />
        </svg>
        Planned
      </span>
      {kind === "season" ? (
        <>
          <span className="flex items-center gap-1">{mark("M9 13V2M6 2.5h6", "var(--color-moss-ink)")} Ascent</span>
          <span className="flex items-center gap-1">{mark("M1 7h16", "var(--color-ground)", "3 2.5")} Usual level</span>
          <span className="flex items-center gap-1">{mark("M2 6v5h14v-5", "var(--color-ink)")} As planned</span>
          <span className="flex items-center gap-1">{mark("M1 7h16", "var(--color-moss-ink)", "1.5 2")} Sports</span>
        </>
      ) : (
        <>
          <span className="flex items-center gap-1">
            {mark("M2 13l2-6h10l2 6M3 3h12", "var(--color-moss-ink)")} Key session
          </span>
          <span className="flex items-center gap-1">
            {mark("M4 12V8a4.500 4.500 0 0 1 9 0v4M1 12.500h16", "var(--color-iron)")} Locked
          </span>
          <span className="flex items-center gap-1">
            <svg width="16" height="6" aria-hidden="true">
              <rect width="16" height="5" fill="var(--color-iron)" opacity=".28" />
            </svg>
            Free time slot
          </span>
        </>
      )}
      <span className="flex items-center gap-1">
        {mark("M0 7h18M3 13l5-5M9 13l5-5", "var(--color-ground)")} Load limit
      </span>
      {kind === "week" && <span>* assumed</span>}
    </div>
  );
}
