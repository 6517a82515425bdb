import { useMay } from "../data/session";
import { VIEWS, type ViewEntry } from "./views";

/** The views that whoever sits here may open. @param athlete whose; the club's alone without one */
export function useViews(athlete: string | undefined): (group: ViewEntry["group"]) => readonly ViewEntry[] {
  const may = useMay();
  return (group) =>
    VIEWS.filter((v) => v.group === group && may(v.need, group === "athlete" ? (athlete ?? null) : null));
}
