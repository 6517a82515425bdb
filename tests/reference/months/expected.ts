/**
 * Usual weeks of three months of records, worked out by hand before anything read them: a session that came on one weekday in half of the four
 * weeks or more is usual, its share is its mean over the weeks in which it came, of the sum of all such means; the kind that came most often.
 */
export interface UsualByHand {
  file: string;
  sport: "run" | "ride" | "triathlon";
  unit: "km" | "minutes";
  /** Weekday (Monday 1), sport, kind, mean size. */
  sessions: readonly (readonly [day: number, sport: string, kind: string, mean: number])[];
  /** Sum of the means. */
  sum: number;
}

export const USUAL_BY_HAND: readonly UsualByHand[] = [
  {
    // Saturday was missed once; Friday came once and is none; Tuesday was tempo once.
    file: "run.csv",
    sport: "run",
    unit: "km",
    sessions: [
      [2, "run", "intervals", 10],
      [4, "run", "easy", 8],
      [6, "run", "easy", 6],
      [7, "run", "long", 21],
    ],
    sum: 45,
  },
  {
    // Monday came twice of four, which is half.
    file: "ride.csv",
    sport: "ride",
    unit: "km",
    sessions: [
      [1, "ride", "easy", 30],
      [3, "ride", "threshold", 44],
      [6, "ride", "easy", 64],
      [7, "ride", "long", 115],
    ],
    sum: 253,
  },
  {
    // Three sports count minutes; Wednesday's swim came once.
    file: "triathlon.csv",
    sport: "triathlon",
    unit: "minutes",
    sessions: [
      [1, "swim", "technique", 50],
      [2, "run", "intervals", 50],
      [4, "ride", "tempo", 75],
      [6, "ride", "long", 180],
      [7, "run", "long", 90],
    ],
    sum: 445,
  },
];
