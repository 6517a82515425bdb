/** What the screen and the eye found, and what each finding changes in the plan (rules finding.seen, finding.test). */
import { type Area, type Athlete, activeAreas, type Screening, type ScreenTest, type Seen } from "../athlete";
import type { IsoDate } from "../dates";
import { listWords, numbers, type RuleId, say } from "../rulebook";
import { endText, type FindingStage, findingStage, rising } from "./end";
import { asymmetry, gateValue, latestScreening, passMark, weakerOf } from "./marks";
import { hingeStopsAtKnee } from "./rounding";
import { TEST_SHEETS, testName } from "./tests";

/** The four primary patterns and the rest, as the exercise room names them; a finding speaks of patterns without knowing that room. */
type PatternWord = "squat" | "hinge" | "split-squat" | "hip" | "calf" | "trunk" | "pull" | "mobility";

export interface AddedWork {
  pattern: PatternWord;
  /** The first of these that is open is taken; the week's second session begins with the second. */
  exercises: readonly string[];
  /** A light set before the hinge, so that the hamstrings are felt. */
  first?: boolean;
  /** Sets and repetitions, where the finding names them. */
  sets?: number;
  reps?: number;
}

export interface Finding {
  id: string;
  kind: "seen" | "test" | "side";
  /** Short, for a list. */
  title: string;
  /** One sentence: what it changes. */
  says: string;
  rule: Extract<
    RuleId,
    | "finding.seen"
    | "finding.test"
    | "side.first"
    | "finding.house"
    | "descent.prep"
    | "progress.felt"
    | "pathway.stage"
  >;
  adds: readonly AddedWork[];
  /** Exercises that move up in the ranking. */
  prefers: readonly string[];
  /** Pattern whose first assistance exercise takes one set more. */
  more: PatternWord | null;
  /** The day it was last looked at; null where its work has no end of its own. */
  since?: IsoDate;
  /** How far its work is. */
  stage?: FindingStage;
  /** When its work halves or ends, in words. */
  ends?: string;
}

export const SEEN_WORDS: Record<Seen, { name: string; look: string }> = {
  "hip-drop": { name: "Hip drops to the free side", look: "Film from behind: the belt line at mid-stance." },
  crossover: { name: "Foot crosses the midline", look: "Film from behind: where each foot lands." },
  "pelvis-tilt": { name: "Pelvis tips forward", look: "Film from the side: belt buckle pointing down." },
  "knee-in": { name: "Knee drifts in", look: "Film from the front: knee against the second toe." },
  "hip-flexor-fatigue": { name: "Hip flexors tire or feel tight early", look: "Ask; watch the knee lift late on." },
  "rounded-catch": { name: "Back rounds at the catch or in the hinge", look: "Film from the side at full reach." },
  "rocking-pelvis": { name: "Pelvis rocks on the saddle", look: "Film from behind at a steady effort." },
};
/** Which of them belong to a sport; the others can still be ticked. */
export const SEEN_BY_SPORT: Record<Athlete["athlete"]["sport"], readonly Seen[]> = {
  run: ["hip-drop", "crossover", "pelvis-tilt", "knee-in", "hip-flexor-fatigue"],
  triathlon: ["hip-drop", "crossover", "pelvis-tilt", "knee-in", "hip-flexor-fatigue", "rocking-pelvis"],
  ride: ["rocking-pelvis", "hip-flexor-fatigue", "knee-in"],
  row: ["rounded-catch", "pelvis-tilt"],
  hike: ["hip-drop", "knee-in", "pelvis-tilt"],
};

type Effect = Partial<Pick<Finding, "adds" | "prefers" | "more" | "rule">> & { says: string };

/** Trouble that lets a crossing foot count; without it nothing is added. */
const CROSSOVER_AREAS: readonly Area[] = ["shin", "foot", "knee-outside"];

/** @param nth repetitions that rise week by week, from a least to a most */
function effectOf(
  what: Seen,
  areas: readonly Area[],
  knee: string | null,
  nth: (least: number, most: number) => number,
): Effect {
  const { marchLeast, marchMost, bugLeast, bugMost } = numbers("finding.end");
  switch (what) {
    case "hip-drop":
      return {
        says: "Adds toe taps behind with knee lift, 15 a side, in turn with hip hikes, and moves level step-downs and side holds up.",
        adds: [{ pattern: "hip", exercises: ["toe-tap", "hip-hike", "side-hold-knee-lift"] }],
        prefers: ["step-down", "side-plank"],
      };
    case "crossover":
      return areas.some((a) => CROSSOVER_AREAS.includes(a))
        ? {
            says: "Adds band walks, 30 s each way; no cue to run wider, since over-correcting can irritate the outer hip.",
            adds: [
              {
                pattern: "hip",
                exercises: ["band-walk", "band-walk-below-knee", "band-walk-ankle", "side-lying-raise"],
              },
            ],
          }
        : { says: "Noted only: it adds work where there is also trouble at the shin, sole or outside of the knee." };
    case "pelvis-tilt":
      return {
        says: "Adds dead bugs with the low back kept on the floor, some 30 s a set rising to 60 s, and a half-kneeling hip-flexor stretch.",
        adds: [
          { pattern: "trunk", exercises: ["dead-bug", "dead-bug-legs"], reps: nth(bugLeast, bugMost) },
          { pattern: "mobility", exercises: ["hip-flexor-stretch"] },
        ],
      };
    case "knee-in":
      return {
        says: "Adds shallow single-leg squats with a light band below the knee, 3 x 15; level step-downs where there is no band.",
        adds: [
          {
            pattern: "split-squat",
            exercises: ["shallow-single-leg-squat-band", "step-down", "wall-pressed-squat"],
            sets: 3,
          },
        ],
      };
    case "hip-flexor-fatigue":
      return {
        says: "Adds march holds of 10 s a side, 5 rising to 10; stretching alone is not enough.",
        adds: [{ pattern: "hip", exercises: ["march-hold", "march-hold-unloaded"], reps: nth(marchLeast, marchMost) }],
      };
    case "rounded-catch":
      return {
        says:
          knee === null
            ? "The dowel hinge passes: hinges are open again. A light bridge or slider curl comes first so that the hamstrings are felt."
            : `Hinges stop at the knee ${knee}, with ${numbers("finding.seen").reserve} in reserve, and a light bridge or slider curl comes first so that the hamstrings are felt.`,
        adds: [{ pattern: "hip", exercises: ["slider-curl", "bridge"], first: true }],
        prefers: ["rdl-to-knee", "dowel-hinge"],
      };
    case "rocking-pelvis":
      return {
        says: "Adds dead bugs and single-leg bridges for a quiet pelvis; our own reading, no source.",
        adds: [{ pattern: "trunk", exercises: ["dead-bug", "bird-dog"] }],
        prefers: ["single-leg-bridge"],
        rule: "finding.house",
      };
  }
}

const FAILED: Record<ScreenTest, Effect> = {
  "dowel-hinge": {
    says: "Hinges go to the knee or start raised, with 3 in reserve; deadlifts from the floor and bar good mornings stay closed, a bridge or slider curl comes first.",
    adds: [{ pattern: "hip", exercises: ["slider-curl", "bridge"], first: true }],
    prefers: ["rdl-to-knee", "kettlebell-deadlift", "dowel-hinge"],
  },
  "wall-squat": {
    says: "Squats under a bar stay closed; box and goblet squats build the pattern.",
    prefers: ["box-squat"],
  },
  "wall-squat-overhead": { says: "Front and overhead squats stay closed until the arms stay up." },
  "single-leg-squat": {
    says: "Loaded and rear-foot-raised single-leg squats stay closed; a higher bench and wall-pressed squats come first.",
    prefers: ["wall-pressed-squat", "single-leg-squat-bench", "step-down"],
  },
  "step-down": {
    says: "Loaded step-downs stay closed; the step stops at the height where the pelvis first tilts.",
    prefers: ["step-down", "step-up-low"],
  },
  "side-hold": {
    says: "Side planks start from the knees with one set more; longer levers stay closed.",
    prefers: ["side-plank-knees"],
    more: "trunk",
  },
  "calf-raise": { says: "Calf work takes one set more; hops stay closed.", more: "calf" },
  "single-leg-bridge": {
    says: "Hip work takes one set more, with bridges in front.",
    prefers: ["bridge", "long-lever-bridge", "single-leg-bridge"],
    more: "hip",
  },
  "knee-to-wall": {
    says: "Split squats keep an upright shin, with the front foot raised at first; knee-forward work stays closed, squats go as deep as the heels stay down; ankle rocks are added.",
    adds: [{ pattern: "mobility", exercises: ["ankle-rock"] }],
    prefers: ["front-foot-elevated-split-squat"],
  },
  "march-hold": {
    says: "March holds come before any loaded hip-flexor raise.",
    adds: [{ pattern: "hip", exercises: ["march-hold", "march-hold-unloaded"] }],
  },
  "front-plank": {
    says: "Planks are held before they move: shoulder taps and pull-throughs stay closed.",
    prefers: ["front-plank"],
  },
};

/** The side that did less; nothing where both did the same, or the test has no sides. */
const lessOn = ({ left, right }: Screening): string =>
  left === undefined || right === undefined || left === right ? "" : left < right ? ", left" : ", right";
const num = (v: number): string => String(Math.round(v * 10) / 10);

/** Work as its stage has it: half the sets at the end, then none. What readies the hamstrings stays for as long as the hinge is limited. */
function inStage(a: AddedWork, stage: FindingStage): AddedWork[] {
  if (a.first || stage === "work") return [a];
  if (stage === "over") return [];
  return [a.sets ? { ...a, sets: Math.ceil(a.sets / 2) } : a];
}

/**
 * @param on results up to this day count; of each test the latest
 * @returns what was found, seen things first, then failed tests, then sides
 */
export function findingsOf(athlete: Athlete, on: IsoDate): Finding[] {
  const areas = activeAreas(athlete, on);
  const knee = hingeStopsAtKnee(athlete, on);
  const own = athlete.settings?.ruleValues;
  const make = (id: string, kind: Finding["kind"], title: string, e: Effect, since: IsoDate): Finding => {
    const stage = findingStage(since, on, own);
    return {
      id,
      kind,
      title,
      says: e.says,
      rule: e.rule ?? (kind === "seen" ? "finding.seen" : "finding.test"),
      adds: (e.adds ?? []).flatMap((a) => inStage(a, stage)),
      prefers: e.prefers ?? [],
      more: stage === "work" ? (e.more ?? null) : null,
      since,
      stage,
      ends: (e.adds ?? []).some((a) => !a.first) || e.more ? endText(since, on, own) : "",
    };
  };
  const seen = new Map<Seen, { sides: (string | undefined)[]; since: IsoDate }>();
  for (const s of athlete.seen) {
    if (s.date > on) continue;
    const was = seen.get(s.what);
    seen.set(s.what, {
      sides: [...(was?.sides ?? []), s.side === "both" ? undefined : s.side],
      since: was && was.since > s.date ? was.since : s.date,
    });
  }
  const found: Finding[] = [...seen].map(([what, { sides, since }]) => {
    const named = [...new Set(sides.flatMap((s) => (s ? [s] : [])))];
    return make(
      what,
      "seen",
      `${SEEN_WORDS[what].name}${named.length > 0 ? `, ${listWords(named)}` : ""}`,
      effectOf(what, areas, knee, (least, most) => rising(since, on, least, most)),
      since,
    );
  });
  for (const { test, unit } of TEST_SHEETS) {
    const s = latestScreening(athlete, test, on);
    if (!s) continue;
    const mark = passMark(athlete, test, on);
    const value = gateValue(s);
    if (value < mark)
      found.push(
        make(
          test,
          "test",
          unit === "yes-no"
            ? `${testName(test)}: not passed`
            : `${testName(test)}: ${num(value)} of ${mark} ${unit}${lessOn(s)}`,
          FAILED[test],
          s.date,
        ),
      );
    const weaker = weakerOf(test, s);
    if (weaker)
      found.push({
        ...make(
          `${test}-side`,
          "side",
          `${testName(test)}: ${weaker} side weaker, ${num(s.left ?? 0)} left and ${num(s.right ?? 0)} right`,
          {
            says: say("side.first", "finding", {
              side: weaker,
              pct: Math.round(asymmetry(s.left ?? 0, s.right ?? 0)),
            }),
          },
          s.date,
        ),
        rule: "side.first",
      });
  }
  return found;
}
