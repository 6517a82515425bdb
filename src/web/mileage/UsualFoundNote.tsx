/** The usual week that the records show, offered where nothing is planned by week yet. */
import { Link } from "react-router";
import { useIntake } from "../data/intake";
import type { Units } from "../format";
import { amountNumber, amountUnit } from "./amounts";

export function UsualFoundNote({ id, units }: { id: string; units: Units }) {
  const { data } = useIntake(id);
  const found = data?.usualFound;
  if (!found || data.endurancePlan) return null;
  return (
    <div className="sec">
      <h2 className="sec-h">Usual week</h2>
      <p className="text-label leading-4 text-ink2">
        The last {found.weeks.length} recorded weeks have {found.sessions.length} sessions that come again,{" "}
        {Math.round(amountNumber(found.amount, found.unit, units))} {amountUnit(found.unit, units)} a week.
      </p>
      <Link className="link text-label leading-6" to={`/a/${id}/season?plan`}>
        Plan the weeks with it
      </Link>
    </div>
  );
}
