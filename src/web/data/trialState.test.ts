import { describe, expect, it } from "vitest";
import type { ScenarioBody } from "../../api/requests";
import type { SeasonView } from "../../api/views";
import { NOTHING_TRIED, type TrialAction, trial } from "./trialState";

const asked = (approach: string) => ({ settings: { approach } }) as unknown as ScenarioBody;
const [FIRST, SECOND, THIRD] = [asked("layered"), asked("steady"), asked("control")] as const;
const view = (name: string) => ({ name }) as unknown as SeasonView;
const after = (...actions: TrialAction[]) => actions.reduce(trial, NOTHING_TRIED);
const attempt = (scenario: ScenarioBody): TrialAction => ({ type: "attempted", scenario });
const BEGUN: TrialAction = { type: "begun" };

describe("a tried season", () => {
  it("plans one scenario at a time and passes over all asked meanwhile but the last", () => {
    const busy = after(attempt(FIRST), BEGUN, attempt(SECOND), attempt(THIRD), BEGUN);
    expect(busy).toMatchObject({ running: FIRST, wanted: THIRD });
    const next = trial(trial(busy, { type: "planned", view: view("first") }), BEGUN);
    expect(next).toMatchObject({ running: THIRD, wanted: null, shown: { scenario: FIRST } });
  });

  it("begins nothing where nothing is wanted", () => {
    expect(after(BEGUN)).toBe(NOTHING_TRIED);
  });

  it("shows nothing of a plan that was discarded while it was made", () => {
    const discarded = after(attempt(FIRST), BEGUN, { type: "discarded" }, { type: "planned", view: view("late") });
    expect(discarded).toEqual(NOTHING_TRIED);
  });

  it("plans again what was cut off, unless something later is wanted or it was discarded", () => {
    expect(after(attempt(FIRST), BEGUN, { type: "cut-off" }).wanted).toBe(FIRST);
    expect(after(attempt(FIRST), BEGUN, attempt(SECOND), { type: "cut-off" }).wanted).toBe(SECOND);
    expect(after(attempt(FIRST), BEGUN, { type: "discarded" }, { type: "cut-off" }).wanted).toBeNull();
  });

  it("keeps the last good season beside a fault, and drops the fault with the next plan", () => {
    const failed = after(attempt(FIRST), BEGUN, { type: "planned", view: view("good") }, attempt(SECOND), BEGUN, {
      type: "failed",
      fault: "The season cannot be planned.",
    });
    expect(failed).toMatchObject({ shown: { scenario: FIRST }, fault: "The season cannot be planned.", running: null });
    const mended = [attempt(THIRD), BEGUN, { type: "planned", view: view("mended") } as const].reduce(trial, failed);
    expect(mended).toMatchObject({ shown: { scenario: THIRD }, fault: null });
  });

  it("is planned from new facts where something is tried, and not where nothing is", () => {
    const shown = after(attempt(FIRST), BEGUN, { type: "planned", view: view("old") });
    expect(trial(shown, { type: "facts-changed" }).wanted).toBe(FIRST);
    expect(after({ type: "facts-changed" }).wanted).toBeNull();
  });
});
