/** Who is due for which test, the longest overdue first; what comes due in the next four weeks stands with its day. */
import { Link } from "react-router";
import type { CalendarAthlete } from "../../api/views";
import { addDays } from "../../core/dates";
import { day } from "../format";

/** Days ahead that are shown. */
const AHEAD = 28;

export function TestsDue({ athletes, today }: { athletes: readonly CalendarAthlete[]; today: string }) {
  const rows = athletes
    .flatMap((a) => a.tests.map((t) => ({ ...t, id: a.id, name: a.name })))
    .filter((t) => t.due <= addDays(today, AHEAD))
    .sort((a, b) => (a.due < b.due ? -1 : a.due > b.due ? 1 : 0));
  return (
    <div className="sec">
      <h2 className="sec-h">
        Tests due <em className="font-normal not-italic">{rows.length || "none in the next four weeks"}</em>
      </h2>
      <ul>
        {rows.map((t) => (
          <li key={`${t.id}${t.due}`} className="border-t border-hair2 py-1.5 text-label leading-4 first:border-t-0">
            <Link className="link font-semibold" to={`/a/${t.id}/screening`}>
              {t.name}
            </Link>
            <span className={t.due <= today ? "" : "text-ink2"}>
              {t.due <= today ? `, due since ${day(t.due)}` : `, from ${day(t.due)}`}
            </span>
            <span className="block text-ink2">{t.names.join(", ")}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
