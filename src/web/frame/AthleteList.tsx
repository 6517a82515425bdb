/** Athletes to choose from, walked with the arrow keys. */
import { Link } from "react-router";
import type { SquadRow } from "../../api/views";
import { SPORT_NAMES } from "../format";

interface Props {
  rows: readonly SquadRow[];
  current: string | undefined;
  onChoose: (id: string) => void;
  onClose: () => void;
}

export function AthleteList({ rows, current, onChoose, onClose }: Props) {
  return (
    <>
      {rows.map((r) => (
        <button
          key={r.id}
          type="button"
          className={`flex w-full items-center justify-between px-3 py-1.5 text-left hover:bg-iron-l focus-visible:bg-iron-l ${r.id === current ? "font-semibold" : ""}`}
          onClick={() => {
            onClose();
            onChoose(r.id);
          }}
          onKeyDown={(e) => {
            const to =
              e.key === "ArrowDown"
                ? e.currentTarget.nextElementSibling
                : e.key === "ArrowUp"
                  ? e.currentTarget.previousElementSibling
                  : null;
            if (to instanceof HTMLElement) to.focus();
          }}
        >
          {r.name}
          <span className="text-label text-ink2">{SPORT_NAMES[r.sport]}</span>
        </button>
      ))}
      <Link
        to="/new"
        className="mt-1 block border-t border-hair px-3 py-2 font-medium text-iron hover:bg-iron-l"
        onClick={onClose}
      >
        New athlete
      </Link>
    </>
  );
}
