/**
 * Jumps and swings of a session by hand (rules jumps.amount, jumps.swings; common practice and our assumptions). Contacts are shared out in
 * sets of six at most: 24 are four sets of six, 20 four of five, 28 seven of four.
 */
import { describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import { choiceFor, exercise } from "../../../tests/support/choice";
import { request } from "../../../tests/support/session";
import type { ChoiceContext } from "../exercise";
import type { JumpAsk } from "../jumps";
import { buildSession } from "./build";
import { holdsAsked, jumpItem, jumpSlots, whyNoJumps } from "./jumps";

const passed = athleteWith({ screening: [{ test: "calf-raise", date: "2026-02-01", left: 30, right: 30 }] });
const ladder = choiceFor(passed).progressions.get("jump");
const known = new Set(ladder?.steps.map((e) => e.id));
/** Up to so many steps of the ladder of jumps are open, and all of them were done before. */
const upTo = (open: number, more: Partial<ChoiceContext> = {}): ChoiceContext =>
  choiceFor(passed, { known, progressions: new Map(ladder ? [["jump", { ...ladder, open }]] : []), ...more });
const stopped = (...ids: string[]) => ({ stopped: new Map(ids.map((id) => [id, `${id} hurt`])) });

const said = [{ rule: "jumps.amount", text: "said" }] as const;
const jumps = (contacts: number, only: readonly string[] | null = null): JumpAsk => ({
  kind: "jumps",
  contacts,
  only,
  hops: { sets: 3, seconds: 20 },
  why: said,
});
const hops: JumpAsk = { kind: "hops", sets: 4, seconds: 10, why: said };
const swings: JumpAsk = { kind: "swings", sets: 4, why: said };

const of = (ask: JumpAsk, choice: ChoiceContext, short = false) =>
  jumpSlots(ask, short, request({ choice, minutes: 35 }));
const told = (ask: JumpAsk, choice: ChoiceContext, short = false) =>
  of(ask, choice, short).map((s) => `${s.only?.join()} ${s.jump?.sets} x ${s.jump?.reps ?? `${s.jump?.seconds} s`}`);

describe("jumps as slots", () => {
  it("hops are sets of seconds with their rest, alone; none where hops are closed", () => {
    expect(of(hops, upTo(0))).toEqual([
      {
        pattern: "jump",
        kind: "assist",
        only: ["ankle-hops"],
        sets: 4,
        alone: true,
        jump: { sets: 4, seconds: 10, reps: null, rest: 40, says: said },
      },
    ]);
    expect(of(hops, upTo(4, stopped("ankle-hops")))).toEqual([]);
  });
  it("contacts are shared by three exercises at most, the easier first, two sets each at least", () => {
    // The ranking takes three of the four: seven sets of four are three, two and two, and a set on one leg counts two.
    expect(told(jumps(28), upTo(4))).toEqual(["step-off-stick 3 x 4", "squat-jump 2 x 4", "bounds 1 x 4"]);
    expect(told(jumps(28), upTo(2))).toEqual(["step-off-stick 4 x 4", "squat-jump 3 x 4"]);
    expect(told(jumps(24), upTo(1))).toEqual(["step-off-stick 4 x 6"]);
    expect(told(jumps(20), upTo(2))).toEqual(["step-off-stick 2 x 5", "squat-jump 2 x 5"]);
    // Three sets are one exercise.
    expect(told(jumps(18), upTo(2))).toEqual(["step-off-stick 3 x 6"]);
    expect(told(jumps(6), upTo(2))).toEqual(["step-off-stick 1 x 6"]);
    expect(of(jumps(20), upTo(1))[0]?.jump).toMatchObject({ seconds: null, rest: 45, says: said });
  });
  it("on one leg each repetition counts two", () => {
    const only = ["bounds"];
    expect(told(jumps(24, only), upTo(4))).toEqual(["bounds 2 x 6"]);
    expect(told(jumps(6, only), upTo(4))).toEqual(["bounds 1 x 6"]);
  });
  it("where nothing else may be taken, nothing stands in", () => {
    expect(told(jumps(24, ["step-off-stick"]), upTo(4))).toEqual(["step-off-stick 4 x 6"]);
    expect(told(jumps(24, ["step-off-stick"]), upTo(4, stopped("step-off-stick")))).toEqual([]);
    expect(told(jumps(24, ["step-off-stick"]), upTo(4), true)).toEqual([]);
  });
  it("hops stand in where no jump is open, or the session is short, and say so", () => {
    expect(told(jumps(24), upTo(0))).toEqual(["ankle-hops 3 x 20 s"]);
    expect(of(jumps(24), upTo(0))[0]?.jump?.says.map((w) => w.text)).toEqual([
      "Hops instead of jumps: no other jump is open at this place.",
    ]);
    expect(told(jumps(24), upTo(4), true)).toEqual(["ankle-hops 3 x 20 s"]);
    expect(of(jumps(24), upTo(4), true)[0]?.jump?.says.map((w) => w.text)).toEqual([
      "Hops instead of jumps: 35 min are a short session.",
    ]);
  });
  it("swings are sets of a hinge, one in a short session, none where they are closed", () => {
    expect(of(swings, upTo(0))).toEqual([
      { pattern: "hinge", kind: "assist", only: ["kettlebell-swing"], sets: 4, alone: true, says: said },
    ]);
    const [short] = of(swings, upTo(0), true);
    expect(short?.sets).toBe(1);
    expect(short?.says?.map((w) => w.rule)).toEqual(["jumps.amount", "jumps.swings"]);
    expect(short?.says?.[1]?.text).toContain("35 min");
    expect(of(swings, upTo(0, stopped("kettlebell-swing")))).toEqual([]);
  });
});

describe("a session that holds none of them", () => {
  it("says which of them is closed, and why", () => {
    const shut = upTo(4, stopped("ankle-hops", "kettlebell-swing", "step-off-stick"));
    expect(whyNoJumps(swings, shut)).toBe("kettlebell-swing hurt");
    expect(whyNoJumps(hops, shut)).toBe("ankle-hops hurt");
    expect(whyNoJumps(jumps(24), shut)).toBe("ankle-hops hurt");
    expect(whyNoJumps(jumps(24, ["step-off-stick"]), shut)).toBe("step-off-stick hurt");
    expect(whyNoJumps(jumps(24, []), shut)).toBe("ankle-hops hurt");
    expect(whyNoJumps(hops, upTo(4))).toBe("no exercise of it is open here");
    expect(whyNoJumps(jumps(24, ["nothing"]), upTo(4))).toBe("no exercise of it is open here");
  });
  it("is told by what was asked for alone, not by any jump", () => {
    const slot = { pattern: "jump", kind: "assist" } as const;
    expect(holdsAsked([{ slot }])).toBe(false);
    expect(holdsAsked([{ slot }, { slot: { ...slot, alone: true } }])).toBe(true);
    expect(holdsAsked([])).toBe(false);
  });
  it("tells why on the sheet, and nothing where they stand", () => {
    const built = (choice: ChoiceContext) => buildSession(request({ choice, jumps: hops }));
    const why = (choice: ChoiceContext) =>
      built(choice)?.why.flatMap((w) => (w.rule === "jumps.amount" ? [w.text] : []));
    expect(why(upTo(0, stopped("ankle-hops")))).toEqual(["No jumps in this session: ankle-hops hurt."]);
    expect(why(upTo(0))).toEqual([]);
    expect(built(upTo(0))?.items[0]?.exercise.id).toBe("ankle-hops");
  });
});

describe("a jump as an item", () => {
  it("is what the week's plan of jumps says, far from tired", () => {
    const jump = { sets: 3, reps: 5, seconds: null, rest: 45, says: said };
    const slot = { pattern: "jump", kind: "assist", jump } as const;
    const of = (id: string) =>
      jumpItem({ exercise: exercise(id), loading: "bodyweight", score: 0, parts: [] }, slot, jump);
    expect(of("squat-jump")).toMatchObject({
      sets: 3,
      repsLow: 5,
      reps: 5,
      seconds: null,
      restSeconds: 45,
      rir: 6,
      rirAsked: 6,
      loadKg: null,
      eachSide: false,
      main: false,
      perSideKg: [],
      ramp: [],
      tempo: exercise("squat-jump").tempo,
      why: said,
    });
    expect(of("squat-jump").why).not.toBe(said);
  });
});
