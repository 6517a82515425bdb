import { describe, expect, it } from "vitest";
import { opened, type Saving, type SavingAction, saving } from "./saving";

const FAULT = { path: "athlete.name", expected: "a name" };
const after = (start: Saving<string>, ...actions: SavingAction<string>[]): Saving<string> =>
  actions.reduce<Saving<string>>(saving, start);

describe("a step of the intake", () => {
  it("opens with what is stored, or with the draft that never arrived", () => {
    expect(opened(null, "stored")).toMatchObject({ value: "stored", state: "saved" });
    expect(opened("typed", "stored")).toMatchObject({ value: "typed", state: "waiting" });
  });

  it("says saved only once the server has what stands there", () => {
    const typed = after(opened(null, ""), { type: "typed", value: "Ada" }, { type: "sent" });
    expect(typed.state).toBe("saving");
    expect(saving(typed, { type: "stored", sent: "Ada" }).state).toBe("saved");
  });

  it("takes the answer to an older text for no answer", () => {
    const further = after(
      opened(null, ""),
      { type: "typed", value: "Ada" },
      { type: "sent" },
      { type: "typed", value: "Ada B" },
      { type: "stored", sent: "Ada" },
    );
    expect(further).toMatchObject({ value: "Ada B", state: "saving" });
  });

  it("shows the other version where that one was kept, without a fault left over", () => {
    const theirs = after(
      opened(null, "Ada"),
      { type: "typed", value: "Bea" },
      { type: "refused", faults: [FAULT], problem: "No connection" },
      { type: "sent" },
      { type: "stored", sent: "Bea", instead: "Cleo" },
    );
    expect(theirs).toEqual({ value: "Cleo", faults: [], state: "saved", problem: "" });
  });

  it("keeps what was typed where it is refused, with the reason, until it is stored", () => {
    const refused = after(
      opened(null, "Ada"),
      { type: "typed", value: "Bea" },
      { type: "sent" },
      { type: "refused", faults: [FAULT], problem: "The disk is full." },
    );
    expect(refused).toEqual({ value: "Bea", faults: [FAULT], state: "waiting", problem: "The disk is full." });
    const again = after(refused, { type: "typed", value: "Bea C" });
    expect(again).toMatchObject({ state: "saving", problem: "The disk is full." });
  });

  it("does not send what has faults of its own, and names them", () => {
    const waits = after(opened(null, "Ada"), { type: "typed", value: "" }, { type: "incomplete", faults: [FAULT] });
    expect(waits).toMatchObject({ value: "", faults: [FAULT], state: "waiting" });
  });
});
