/** The rail: every view with its picture and its word, folded to pictures where there is little room or by hand. */
import { CircleHelp, PanelLeftClose, PanelLeftOpen, SunMoon } from "lucide-react";
import { Popover } from "radix-ui";
import { lazy, Suspense } from "react";
import { NavLink } from "react-router";
import { useClub } from "../data/hooks";
import { useViews } from "./offered";
import { chooseTheme, THEME_CHOICES, THEME_WORDS, useThemeChoice } from "./theme";
import { addressOf, type ViewEntry } from "./views";

const CameInCount = lazy(() => import("./CameInCount"));
const PhoneHeard = lazy(() => import("./PhoneHeard"));

interface Props {
  /** Whose views are offered; none while an athlete is being entered. */
  athlete: { id: string; name: string } | undefined;
  folded: boolean;
  onFold: (folded: boolean) => void;
  onGuide: () => void;
}

export function Rail({ athlete, folded, onFold, onGuide }: Props) {
  const club = useClub();
  const viewsOf = useViews(athlete?.id);
  return (
    <nav
      aria-label="Views"
      className="flex min-h-0 flex-col gap-0.5 overflow-x-hidden overflow-y-auto border-r border-hair bg-panel px-2 py-2 print:hidden"
    >
      <RailGroup name={club.data?.name ?? "Club"} word="Club" views={viewsOf("club")} athlete={athlete?.id ?? ""} />
      {athlete && <RailGroup name={athlete.name} word={athlete.name} views={viewsOf("athlete")} athlete={athlete.id} />}
      <span className="flex-1" />
      <button type="button" aria-label="Guide" className="rail-item group text-ink2 hover:text-ink" onClick={onGuide}>
        <CircleHelp size={18} strokeWidth={1.6} />
        <span className="rail-word" aria-hidden="true">
          Guide
        </span>
      </button>
      <ThemeMenu />
      <button
        type="button"
        aria-label={folded ? "Show the words of the views" : "Fold to pictures"}
        className="rail-fold rail-item group text-ink2 hover:text-ink"
        onClick={() => onFold(!folded)}
      >
        {folded ? <PanelLeftOpen size={18} strokeWidth={1.6} /> : <PanelLeftClose size={18} strokeWidth={1.6} />}
        <span className="rail-word" aria-hidden="true">
          {folded ? "Show words" : "Fold"}
        </span>
      </button>
    </nav>
  );
}

interface GroupProps {
  name: string;
  word: string;
  views: readonly ViewEntry[];
  athlete: string;
}

function RailGroup({ name, word, views, athlete }: GroupProps) {
  return (
    <section aria-label={name} className="flex flex-col gap-0.5 border-hair pb-1 not-first:border-t not-first:pt-1">
      <p aria-hidden="true" className="rail-open truncate px-2 pt-1 text-note leading-4 text-ink2">
        {word}
      </p>
      {views.map((v) => (
        <NavLink
          key={v.id}
          to={addressOf(v, athlete)}
          end={v.id === ""}
          aria-label={v.name}
          className={({ isActive }) =>
            `rail-item group relative ${isActive ? "rail-on bg-iron-l font-semibold text-iron" : "text-ink2 hover:text-ink"}`
          }
        >
          {v.glyph}
          <span className="rail-word">{v.name}</span>
          {v.id === "came-in" && (
            <Suspense fallback={null}>
              <CameInCount />
            </Suspense>
          )}
          {v.id === "phone" && (
            <Suspense fallback={null}>
              <PhoneHeard id={athlete} />
            </Suspense>
          )}
        </NavLink>
      ))}
    </section>
  );
}

function ThemeMenu() {
  const choice = useThemeChoice();
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`Theme: ${THEME_WORDS[choice].toLowerCase()}`}
        className="rail-item group text-ink2 hover:text-ink"
      >
        <SunMoon size={18} strokeWidth={1.6} />
        <span className="rail-word" aria-hidden="true">
          Theme
        </span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content side="right" align="end" sideOffset={6} aria-label="Theme" className="menu fade min-w-[150px]">
          {THEME_CHOICES.map((c) => (
            <Popover.Close
              key={c}
              aria-pressed={choice === c}
              onClick={() => chooseTheme(c)}
              className={`menu-item w-full text-left hover:bg-iron-l ${choice === c ? "font-semibold" : ""}`}
            >
              {THEME_WORDS[c]}
            </Popover.Close>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
