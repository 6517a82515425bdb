/** A tried season taken over, with the way back. */
import { toast } from "sonner";
import { useStep } from "../data/board";
import { type Trial, useTakeScenario } from "../data/trial";

/** @param after runs once it is stored */
export function useTakeOver(id: string, trial: Trial, after?: () => void) {
  const take = useTakeScenario(id);
  const step = useStep(id);
  const { scenario, facts } = trial;
  return {
    ready: scenario !== null && !trial.busy && !take.isPending,
    storing: take.isPending,
    takeOver: () => {
      if (!scenario || !facts) return;
      take.mutate(scenario, {
        onSuccess: () => {
          trial.discard();
          toast("Season changed.", {
            duration: 15_000,
            action: {
              label: "Undo",
              onClick: () => step.mutate("undo", { onError: (e) => toast.error(e.message) }),
            },
          });
          after?.();
        },
        onError: (e) => toast.error(e.message),
      });
    },
  };
}
