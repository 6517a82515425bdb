/** The endurance plan's writes. */
import type { EndurancePlan } from "../../core/athlete";
import { put } from "./api";
import { useChange } from "./hooks";

export const useSavePlan = (id: string) =>
  useChange(id, (plan: EndurancePlan | null) => put(`/athletes/${id}/endurance-plan`, { plan }));
