import { Link } from "react-router";
import type { SquadRow } from "../../api/views";
import { daysBetween } from "../../core/dates";

/** Tests of an athlete that are too old, with the way to the next screen. */
export function Due({ row, today }: { row: SquadRow; today: string }) {
  return (
    <Link className="link" to={`/a/${row.id}/screening`}>
      {row.testsDue.map((t) => `${t.name}, ${Math.floor(daysBetween(t.date, today) / 7)} weeks ago`).join("; ")}
    </Link>
  );
}
