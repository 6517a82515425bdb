/** What the rules view calls things, and the terms of the screens. */
import type { Chapter } from "../../core/rulebook";

export const CHAPTER_NAMES: Readonly<Record<Chapter, string>> = {
  safety: "Health and safety",
  screening: "Screening and sides",
  endurance: "Endurance",
  season: "Season and races",
  dose: "Loads",
  legs: "Leg freshness",
  week: "Placing the week",
  session: "Building a session",
  choice: "Choosing exercises",
  progress: "Progress and pain",
  club: "Club and gym",
};

/** Address of a rule: a point in an address would ask for a file. */
export const rulePath = (id: string): string => `/rules/${id.replace(".", "/")}`;

/** A number as it stands in a list: thirds and the like are rounded. */
export const figure = (v: number): string => String(Math.round(v * 1000) / 1000);

export interface Term {
  term: string;
  /** Short forms that stand on screens. */
  also?: string;
  says: string;
}

/** Every term that the screens use, in the order of the alphabet. */
export const GLOSSARY: readonly Term[] = [
  { term: "1RM", also: "one-repetition maximum", says: "The heaviest load that can be lifted once with good form." },
  { term: "A, B, C race", says: "A: the season is built for it. B: a small taper, then on. C: trained through." },
  {
    term: "Absence",
    says: "Days away: travel, illness, holiday, heat or height. What names a place keeps its free time there.",
  },
  { term: "Accessory work", also: "assistance", says: "Exercises beside the leading lifts." },
  {
    term: "Approach",
    says: "A school of strength work: how many sessions, sets, repetitions and how heavy, by phase.",
  },
  {
    term: "AU",
    also: "arbitrary units",
    says: "Unit of training load: effort of 10 times minutes. 50 easy minutes at effort 3 are 150 AU.",
  },
  { term: "Base, build, race, recovery", says: "The four phases of a season. Each has dates." },
  { term: "Block", says: "Loading weeks of one emphasis, three as a rule, and the step-back week that ends them." },
  { term: "Control", says: "Work with bodyweight or little load in which the quality of the movement counts." },
  { term: "Deload", also: "step-back week", says: "A week with 40 to 50% fewer sets at the same load." },
  { term: "Develop", says: "Emphasis of sets of 6 to 10 with two or three repetitions in reserve." },
  {
    term: "Disturbance",
    says: "Points by which the placed sessions disturb the endurance training: the fewer, the better.",
  },
  { term: "e1RM", also: "estimated 1RM", says: "The 1RM worked out from a set of several repetitions." },
  {
    term: "Eccentric",
    also: "slow lowering",
    says: "The lowering part of a lift. Slow lowering makes legs sore that are not used to it.",
  },
  { term: "Effort", also: "RPE", says: "How hard it felt, 0 to 10." },
  { term: "Emphasis", says: "What strength work is for in a phase: prepare, develop, maximal, hold or restore." },
  { term: "Finding", says: "What a test or the eye found, with the work it adds, closes or limits." },
  { term: "Free time slot", says: "Day, hour, minutes and place at which strength work is possible." },
  {
    term: "Freshness",
    also: "leg freshness",
    says: "How much earlier sessions have faded from the legs, 0 to 100. It ranks placements and promises nothing.",
  },
  { term: "Hard set", says: "A working set with four or fewer repetitions in reserve." },
  {
    term: "Heavy",
    says: "A lower-body lift at 80% of 1RM or more with three or fewer in reserve, or a loaded single-leg lift of eight or fewer with two.",
  },
  { term: "Hinge", says: "Bending at the hips with a straight back, such as a deadlift." },
  { term: "Hold", says: "Emphasis of the racing season: load kept, sets cut. Also: a position kept for seconds." },
  {
    term: "Key session",
    says: "The endurance sessions that matter most in a week: tempo, threshold, intervals, race, long.",
  },
  { term: "Leading lift", also: "main lift", says: "The squat, hinge or split squat a session is built round." },
  { term: "Leg load", says: "The share of a training load that falls on the legs." },
  { term: "Locked", says: "A session that stays where it is when the week is planned again." },
  { term: "Maximal", says: "Emphasis of heavy sets of 3 to 6 with full rests." },
  {
    term: "Mileage increase, spike",
    says: "Distance or leg load more than 10%, or 30%, above what the last ordinary weeks lead to expect.",
  },
  { term: "Monotony, strain", says: "Mean daily load over its standard deviation; and that times the week's load." },
  { term: "Must hold", says: "A rule that the planner never breaks." },
  { term: "Ordinary week", says: "A week that counts in comparisons: no step-back, race, recovery or absence." },
  { term: "Pair", also: "superset, trio", says: "Two or three exercises in turn: one rests while the other is done." },
  {
    term: "Pattern",
    says: "Kind of movement: squat, hinge, split squat, hip, calf, trunk, push, pull, jump, mobility. The first four are primary.",
  },
  { term: "Plyometric", also: "jumps, hops", says: "Work with landings. Opened by tests, never on tired legs." },
  { term: "Prepare", says: "Emphasis of light sets of 10 to 15 at the start of a base." },
  { term: "Primary patterns", says: "Squat, hinge, split squat and hip: the sets that the season counts." },
  {
    term: "Progression",
    also: "easier and harder versions",
    says: "Versions of one movement from easy to hard. The athlete is at one of them.",
  },
  { term: "Restore", says: "Emphasis after races and illness: no load, then bodyweight, then light." },
  {
    term: "RIR",
    also: "repetitions in reserve",
    says: "Repetitions that could still have been done at the end of a set. RPE 8 leaves two.",
  },
  {
    term: "RPE",
    also: "rating of perceived exertion",
    says: "Effort of a set or session, 0 to 10. For sets, 10 less RIR.",
  },
  { term: "Set, rep", says: "A rep is one movement; a set is several without a rest." },
  {
    term: "Single-leg",
    also: "unilateral, a side",
    says: "Done on one leg or with one arm at a time; both sides are done.",
  },
  { term: "Split squat", says: "A squat with one foot in front of the other; lunges and steps go with it." },
  {
    term: "Stack, spread",
    says: "Strength on the days of key sessions, so that easy days stay easy; or on easy days.",
  },
  { term: "Taper", says: "The last days before a race, with less work at the same load." },
  { term: "Tempo", says: "Seconds of lowering, pause and lifting, such as 3-1-1." },
  { term: "Training load", says: "Effort times minutes, in AU. “Load” alone means kilograms." },
  {
    term: "Trouble area",
    says: "A part of the body with a complaint, now or lately, with what the planner does about it.",
  },
  { term: "Volume load", says: "Sets times repetitions times kilograms." },
  { term: "Warm-up set", says: "A lighter set before the working sets. It is never counted." },
];
