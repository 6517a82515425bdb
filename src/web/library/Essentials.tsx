/** The essential five of a sport. */

import type { FitView, LibraryView, SquadRow } from "../../api/views";
import { useIntake, useSaveIntake } from "../data/intake";
import { SPORT_NAMES } from "../format";
import { tellUndo } from "../ui/tell";

/** What matters most for the sport, and the one tap that makes it the plan. */
export function Essentials({
  athlete,
  fit,
  library,
  onOpen,
}: {
  athlete: SquadRow;
  fit: FitView;
  library: LibraryView;
  onOpen: (id: string) => void;
}) {
  const intake = useIntake(athlete.id);
  const save = useSaveIntake(athlete.id);
  const settings = intake.data?.settings;
  if (!settings) return null;
  const on = settings.shortTime !== undefined;
  const { shortTime: _, ...rest } = settings;
  const put = (next: NonNullable<typeof settings>, said: string) =>
    save.mutate({ settings: next }, { onSuccess: () => tellUndo(said, () => save.mutate({ settings })) });
  return (
    <div className="border-b border-hair bg-panel px-5 py-3">
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        <h2 className="text-body font-semibold">Top five in {SPORT_NAMES[athlete.sport].toLowerCase()}</h2>
        <span className="text-label text-ink2">our own choice of five, for when time is short</span>
        <span className="flex-1" />
        {athlete.sport === "triathlon" && (
          <label className="flex items-center gap-1.5 text-label">
            <input
              type="checkbox"
              className="h-4 w-4 accent-iron"
              checked={settings.shortTime === "essential-five-swim"}
              onChange={(e) =>
                put(
                  { ...rest, shortTime: e.target.checked ? "essential-five-swim" : "essential-five" },
                  e.target.checked ? "A row for the calf raise." : "The calf raise is back.",
                )
              }
            />
            the swim is the weak part
          </label>
        )}
        <button
          type="button"
          className={`btn btn-sm ${on ? "" : "btn-pri"}`}
          disabled={save.isPending}
          onClick={() =>
            on
              ? put(rest, "The whole plan again.")
              : put({ ...rest, shortTime: "essential-five" }, `${athlete.name}'s sessions are the essential five.`)
          }
        >
          {on ? "Back to the whole plan" : `Use as ${athlete.name.split(" ")[0]}'s plan`}
        </button>
      </div>
      <ol className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
        {fit.essentials.map((e, i) => {
          const name = library.exercises.find((x) => x.id === e.exercise)?.name;
          return (
            <li key={e.name}>
              <button type="button" className="link" onClick={() => onOpen(e.exercise)}>
                {i + 1}. {e.name}
              </button>
              {name && name !== e.name && <span className="text-label text-ink2"> ({name.toLowerCase()})</span>}
            </li>
          );
        })}
      </ol>
    </div>
  );
}
