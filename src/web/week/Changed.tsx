/** What the coach has changed of this week, each of it with a way back. */
import type { WeekView } from "../../api/views";
import type { WeekChange } from "../../core/athlete";
import { day, placeName } from "../format";
import { ICON } from "../ui/glyphs";
import type { WeekActions } from "./useWeekActions";

const AWAY_WORDS = {
  travel: "Travel",
  illness: "Illness",
  holiday: "Holiday",
  heat: "Heat",
  height: "Height",
} as const;

export function changeWords(c: WeekChange): string {
  switch (c.kind) {
    case "skip":
      return `${c.label} skipped: ${c.reason}`;
    case "shorten":
      return `${c.label} at most ${c.minutes} min`;
    case "missed":
      return `${c.label} missed on ${day(c.date)}`;
    case "closed":
      return `No ${placeName(c.place)} until ${day(c.end)}${c.instead ? `, ${placeName(c.instead)} instead` : ""}`;
    case "window":
      return `Free time slot on ${day(c.date)} ${c.start}, ${c.minutes} min, ${placeName(c.place)}`;
  }
}

export function Changed({ view, actions }: { view: WeekView; actions: WeekActions }) {
  const lines = [
    ...view.changes.map((c) => ({ words: changeWords(c), back: () => actions.takeBack(c, changeWords(c)) })),
    ...view.away.map((a) => ({
      words: `${AWAY_WORDS[a.kind]} ${day(a.start)}${a.end === a.start ? "" : ` to ${day(a.end)}`}${a.place ? `, ${placeName(a.place)}` : ""}`,
      back: () => actions.takeAwayBack(a),
    })),
  ];
  if (lines.length === 0) return null;
  return (
    <div className="sec">
      <h3 className="sec-h">Changed this week</h3>
      <ul>
        {lines.map((l) => (
          <li key={l.words} className="flex items-center gap-2 py-0.5 text-label leading-4">
            <span className="flex-1">{l.words}</span>
            <button
              type="button"
              className="btn btn-sm btn-sq"
              aria-label={`Take back: ${l.words}`}
              onClick={() => void l.back()}
            >
              {ICON.undo}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
