/** An exercise of a coach's own, as it is sent. */
export const SANDBAG_CARRY = {
  name: "Sandbag carry",
  pattern: "trunk",
  loading: "bodyweight",
  unilateral: false,
  unit: "reps",
  needs: [["sandbag"]],
  primary: ["obliques"],
  secondary: [],
  setup: ["Stand tall with the bag.", "Hold it close."],
  cues: ["Stay tall.", "Small steps."],
  mistakes: ["Leaning back."],
  felt: "sides",
  level: 1,
  notWith: [],
  gates: [],
};
