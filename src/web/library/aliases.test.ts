/** Gym names from common usage, no source; the entry meant was chosen by hand. */
import { describe, expect, it } from "vitest";
import { SHIPPED } from "../../core/exercise/entries/all";
import { NEAREST, nearestTo } from "./aliases";
import { filtered, NO_FILTER } from "./filter";

const list = SHIPPED.map((e) => ({ ...e, hidden: false }));
const found = (text: string) => filtered(list, { ...NO_FILTER, text }, {}).map((e) => e.id);

describe("what gyms call exercises", () => {
  it.each([
    ["bulgarian", "rear-foot-elevated-split-squat"],
    ["Bulgarian split squat", "rear-foot-elevated-split-squat"],
    ["copenhagen", "adductor-side-plank"],
    ["clamshell", "clam"],
    ["pallof", "band-rotation"],
    ["anti-rotation press", "band-rotation"],
    ["pogo", "ankle-hops"],
    ["farmer", "loaded-carry"],
    ["farmers walk", "loaded-carry"],
    ["monster walk", "band-walk"],
    ["RDL", "romanian-deadlift"],
    ["single leg rdl", "single-leg-deadlift"],
    ["hex bar", "trap-bar-deadlift"],
    ["kickstand", "staggered-deadlift"],
    ["kb swing", "kettlebell-swing"],
    ["hyperextension", "supported-back-extension"],
    ["hip thrust", "single-leg-hip-thrust"],
    ["glute bridge", "bridge"],
    ["fire hydrant", "hydrant"],
    ["donkey kick", "quadruped-kick"],
    ["lateral lunge", "lateral-squat-step"],
    ["seated calf raise", "soleus-raise"],
    ["heel raise", "calf-raise"],
    ["toe yoga", "short-foot"],
    ["woodchop", "half-kneeling-chop"],
    ["press-up", "push-up"],
    ["dumbbell row", "one-arm-row"],
    ["plank", "front-plank"],
    ["burpee", "burpee-jump"],
    ["pigeon", "outer-hip-stretch"],
    ["couch stretch", "active-quad-stretch"],
    ["foam roll", "foam-rolling"],
    ["tke", "terminal-knee-extension"],
    ["psoas march", "march-hold"],
    ["pull-up", "pull-up"],
    ["pull ups", "pull-up"],
    ["chin-up", "pull-up"],
    ["lat pulldown", "band-pulldown"],
    ["leg curl", "lying-hamstring-curl"],
    ["hamstring curls", "lying-hamstring-curl"],
    ["short lever copenhagen", "adductor-plank-bent-knee"],
  ])("%s finds %s", (text, id) => {
    expect(found(text)).toContain(id);
    expect(nearestTo(text)).toBeNull();
  });

  it.each([
    ["pistol", "single-leg-squat-bench"],
    ["nordic", "slider-curl"],
    ["Nordic curls", "slider-curl"],
    ["air squat", "wall-facing-squat"],
    ["sissy squat", "knee-forward-split-squat"],
    ["walking lunges", "forward-lunge"],
    ["bench press", "incline-press"],
    ["box jumps", "squat-jump"],
    ["russian twist", "half-kneeling-chop"],
    ["hotel", "split-squat"],
    ["jump rope", "ankle-hops"],
  ])("%s is not held; nearest stands %s", (text, id) => {
    expect(nearestTo(text)?.[0]).toBe(id);
  });

  it("point at entries there are, seventy names and more", () => {
    const ids = new Set(SHIPPED.map((e) => e.id));
    expect(
      Object.values(NEAREST)
        .flat()
        .filter((id) => !ids.has(id)),
    ).toEqual([]);
    const names = SHIPPED.flatMap((e) => e.alsoCalled);
    expect(names.length + Object.keys(NEAREST).length).toBeGreaterThan(110);
    // No name of an entry is one that is said not to be held.
    expect(Object.keys(NEAREST).filter((n) => names.includes(n))).toEqual([]);
  });

  it("are no names for anything else", () => {
    for (const text of ["", "qu", "front squat", "nothing of the kind"]) expect(nearestTo(text)).toBeNull();
  });
});
