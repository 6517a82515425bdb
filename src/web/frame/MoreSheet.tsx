/** Everything that has no place in a phone's bar. */
import { CircleHelp, History as HistoryIcon, Search } from "lucide-react";
import { NavLink } from "react-router";
import type { SquadRow } from "../../api/views";
import { FlagGlyph } from "../ui/glyphs";
import { Segments } from "../ui/Segments";
import { Sheet } from "../ui/Sheet";
import { useViews } from "./offered";
import { chooseTheme, useThemeChoice } from "./theme";
import { addressOf } from "./views";

export interface BarProps {
  row: SquadRow | undefined;
  onSearch: () => void;
  onHistory: () => void;
  onGuide: () => void;
}

export default function MoreSheet({ row, onClose, onSearch, onHistory, onGuide }: BarProps & { onClose: () => void }) {
  const choice = useThemeChoice();
  const viewsOf = useViews(row?.id);
  const group = (name: string, which: "club" | "athlete") => (
    <section aria-label={name}>
      <h3 className="mt-3 mb-1 text-label font-semibold text-ink2">{name}</h3>
      <div className="grid grid-cols-2 gap-2">
        {viewsOf(which).map((v) => (
          <NavLink
            key={v.id}
            to={addressOf(v, row?.id ?? "")}
            end={v.id === ""}
            onClick={onClose}
            className={({ isActive }) =>
              `flex h-11 items-center gap-2.5 rounded-[3px] border px-3 text-lead ${isActive ? "border-iron bg-iron-l font-semibold text-iron" : "border-hair bg-surface"}`
            }
          >
            {v.glyph}
            {v.name}
          </NavLink>
        ))}
      </div>
    </section>
  );
  return (
    <Sheet open onClose={onClose} title="All views" width={420}>
      <button
        type="button"
        className="flex h-11 w-full items-center gap-2.5 rounded-[3px] border border-field bg-surface px-3 text-lead text-ink2"
        onClick={() => {
          onClose();
          onSearch();
        }}
      >
        <Search size={18} aria-hidden="true" /> Search and go to
      </button>
      {row && (
        <button
          type="button"
          className="mt-2 flex h-11 w-full items-center gap-2.5 rounded-[3px] border border-hair bg-surface px-3 text-lead"
          onClick={() => {
            onClose();
            onHistory();
          }}
        >
          <HistoryIcon size={18} aria-hidden="true" /> Changes of {row.name}, undo
        </button>
      )}
      {row && group(row.name, "athlete")}
      {group("Club", "club")}
      <button
        type="button"
        className="mt-4 flex h-11 w-full items-center gap-2.5 rounded-[3px] border border-hair bg-surface px-3 text-lead"
        onClick={() => {
          onClose();
          onGuide();
        }}
      >
        <CircleHelp size={18} aria-hidden="true" /> Guide
      </button>
      <div className="mt-4 flex items-center gap-2">
        <span className="flex-1 text-label text-ink2">Theme</span>
        <Segments
          name="Theme"
          options={[
            ["system", "System"],
            ["day", "Day"],
            ["dusk", "Dusk"],
          ]}
          value={choice}
          onChange={chooseTheme}
        />
      </div>
      {row?.nextRace && (
        <p className="mt-3 flex items-center gap-2 text-label text-ink2">
          <FlagGlyph /> Next race: {row.nextRace.name}
        </p>
      )}
    </Sheet>
  );
}
