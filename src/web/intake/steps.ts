/** The steps of the intake, in the order of the talk. */
export const STEPS = [
  { id: "athlete", name: "Athlete", says: "who they are" },
  { id: "plan", name: "Plan", says: "how the plan is made" },
  { id: "health", name: "Health", says: "clearance and trouble" },
  { id: "places", name: "Places", says: "what there is to lift" },
  { id: "week", name: "Week", says: "when there is time" },
  { id: "endurance", name: "Endurance", says: "what they train already" },
  { id: "races", name: "Races", says: "what it is for" },
  { id: "start", name: "Start", says: "steps and what comes next" },
] as const;
export type StepId = (typeof STEPS)[number]["id"];
