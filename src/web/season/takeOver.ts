/** A tried season taken over, with the way back. */

import { type Trial, useTakeScenario } from "../data/trial";
import { tellFault } from "../ui/tell";
import { useUndo } from "../ui/undo";

/** @param after runs once it is stored */
export function useTakeOver(id: string, trial: Trial, after?: () => void) {
  const take = useTakeScenario(id);
  const { said } = useUndo(id);
  const { scenario, facts } = trial;
  return {
    ready: scenario !== null && !trial.busy && !take.isPending,
    storing: take.isPending,
    takeOver: () => {
      if (!scenario || !facts) return;
      take.mutate(scenario, {
        onSuccess: () => {
          trial.discard();
          said("Season changed.");
          after?.();
        },
        onError: (e) => tellFault(e.message),
      });
    },
  };
}
