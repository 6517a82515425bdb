/** The athlete who is looked at, and what every view takes from that: the row of the squad, the units. */
import { useEffect, useMemo } from "react";
import { useLocation, useNavigate, useParams } from "react-router";
import type { SquadRow } from "../../api/views";
import { useSquad } from "../data/hooks";
import { useHome } from "../data/session";
import type { Units } from "../format";
import { VIEWS } from "./views";

const LAST = "field-anchor:last-athlete";

/** The athlete of the address, else the last one looked at, else the first. */
export function useCurrentRow(): SquadRow | undefined {
  const { id } = useParams();
  const squad = useSquad();
  const rows = squad.data?.rows ?? [];
  useEffect(() => {
    if (id) localStorage.setItem(LAST, id);
  }, [id]);
  return rows.find((r) => r.id === (id ?? localStorage.getItem(LAST))) ?? (id ? undefined : rows[0]);
}

/** Units of the current athlete; the same object as long as they are the same. */
export function useUnits(): Units {
  const row = useCurrentRow();
  const massUnit = row?.massUnit ?? "kg";
  const distanceUnit = row?.distanceUnit ?? "km";
  return useMemo(() => ({ massUnit, distanceUnit }), [massUnit, distanceUnit]);
}

/** Goes to the same view of another athlete; from the club's views to the week. */
export function useGoTo(): (id: string) => void {
  const navigate = useNavigate();
  const home = useHome();
  const { pathname } = useLocation();
  return (id) => {
    const at = /^\/a\/[^/]+\/([^/]+)/.exec(pathname)?.[1];
    const known = VIEWS.some((v) => v.group === "athlete" && v.id === at);
    navigate(known ? `/a/${id}/${at}` : home(id));
  };
}
