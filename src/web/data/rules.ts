/** The coach's own numbers of rules, and where the rules spoke. */
import { useQuery } from "@tanstack/react-query";
import type { AthleteRulesView, RulesView } from "../../api/views";
import type { RuleValues } from "../../core/rulebook";
import { get, put } from "./api";
import { useChange, useClubChange } from "./hooks";

export const useRules = () => useQuery({ queryKey: ["rules"], queryFn: () => get<RulesView>("/rules") });
export const useAthleteRules = (id: string | undefined) =>
  useQuery({
    queryKey: ["a", id, "rules"],
    queryFn: () => get<AthleteRulesView>(`/athletes/${id}/rules`),
    enabled: id !== undefined,
  });
export const useSaveRuleValues = () => useClubChange((values: RuleValues) => put("/rules/values", { values }));
export const useSaveOwnRuleValues = (id: string) =>
  useChange(id, (values: RuleValues) => put(`/athletes/${id}/rules`, { values }));
