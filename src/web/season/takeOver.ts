/** A tried season taken over, with the way back. */
import { toast } from "sonner";
import type { ScenarioBody } from "../../api/requests";
import { type Trial, useTakeScenario } from "../data/trial";

/** The parts of a scenario as they stand now, so that taking it over can be undone. */
function undoOf(scenario: ScenarioBody, { athlete }: NonNullable<Trial["facts"]>): ScenarioBody {
  return {
    ...(scenario.races ? { races: athlete.races } : {}),
    ...(scenario.phases ? { phases: athlete.phases ?? [] } : {}),
    ...(scenario.availability ? { availability: athlete.availability } : {}),
    ...(scenario.mileage ? { endurance: athlete.endurance } : {}),
  };
}

/** @param after runs once it is stored */
export function useTakeOver(id: string, trial: Trial, after?: () => void) {
  const take = useTakeScenario(id);
  const { scenario, facts } = trial;
  return {
    ready: scenario !== null && !trial.busy && !take.isPending,
    storing: take.isPending,
    takeOver: () => {
      if (!scenario || !facts) return;
      const back = undoOf(scenario, facts);
      take.mutate(scenario, {
        onSuccess: () => {
          trial.discard();
          toast("Season taken over.", {
            duration: 15_000,
            action: { label: "Undo", onClick: () => take.mutate(back) },
          });
          after?.();
        },
        onError: (e) => toast.error(e.message),
      });
    },
  };
}
