/** Queries and writes of an athlete's health. */
import { useQuery } from "@tanstack/react-query";
import type { PathwayBody } from "../../api/requests";
import type { AthleteHealthView } from "../../api/views";
import { get, post } from "./api";
import { useChange } from "./hooks";

export const useHealth = (id: string) =>
  useQuery({ queryKey: ["a", id, "health"], queryFn: () => get<AthleteHealthView>(`/athletes/${id}/health`) });

export const useStepOn = (id: string) => useChange(id, (body: PathwayBody) => post(`/athletes/${id}/pathways`, body));
