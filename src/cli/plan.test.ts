import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { planFileSchema } from "../formats/plan-file";
import { runPlan } from "./run";

const root = join(import.meta.dirname, "../..");
const folder = mkdtempSync(join(tmpdir(), "field-anchor-cli-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** As a process: some of what is asked; the rest is asked of what the process calls. */
const spawned = (...args: string[]) =>
  spawnSync(join(root, "node_modules/.bin/tsx"), ["src/cli/plan.ts", ...args], { cwd: root, encoding: "utf8" });
const run = (...args: string[]) => {
  const { status, out, errors } = runPlan(args);
  return { status, stdout: out, stderr: errors.map((e) => `${e}\n`).join("") };
};
const SPORTS = ["run", "triathlon", "ride", "row", "hike"].map((s) => `tests/support/${s}.json`);
const good = readFileSync(join(root, "tests/support/run.json"), "utf8");
const write = (name: string, text: string): string => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};

describe("the plan command", () => {
  it("gives a valid plan file for one athlete of each sport, the same bytes twice", () => {
    const [once, twice] = [spawned(...SPORTS), run(...SPORTS)];
    expect(once.status).toBe(0);
    expect(once.stderr).toBe("");
    expect(twice.stdout).toBe(once.stdout);
    const plans = once.stdout
      .trim()
      .split("\n")
      .map((line) => planFileSchema.parse(JSON.parse(line)));
    expect(plans).toHaveLength(5);
  });
  it("takes a day and a number of weeks, or the whole season", () => {
    const some = planFileSchema.parse(JSON.parse(run(SPORTS[0]!, "--from", "2026-03-04", "--weeks", "3").stdout));
    expect(some.weeks.map((w) => w.start)).toEqual(["2026-03-02", "2026-03-09", "2026-03-16"]);
    expect(some.weeks[0]!.sessions.every((s) => s.date >= "2026-03-04")).toBe(true);
    const all = planFileSchema.parse(JSON.parse(run(SPORTS[0]!, "--season").stdout));
    expect(all.weeks.length).toBe(52);
  });
  it("lists the exercises", () => {
    const list: unknown[] = JSON.parse(run("--exercises").stdout);
    expect(list.length).toBeGreaterThanOrEqual(100);
    expect(list).toContainEqual({
      id: "front-squat",
      name: "Front squat",
      pattern: "squat",
      unilateral: false,
      loading: "bar",
    });
  });
  it.each([
    ["nonsense", "x".repeat(400_000), /^\(file\): JSON expected\..*\n$/],
    ["truncated", good.slice(0, 3000), /^\(file\): JSON expected\..*cut off.*\n$/],
    [
      "two faults",
      good.replace('"sport": "run"', '"sport": "golf"').replace('"version": 1', '"version": 2'),
      /^version: .*\nathlete\.sport: one of "run".*\n$/,
    ],
  ])("answers %s with exit 2, a line a fault, and nothing on standard output", (name, text, lines) => {
    const done = run(write(`${name.replace(" ", "-")}.json`, text));
    expect(done.status).toBe(2);
    expect(done.stdout).toBe("");
    expect(done.stderr).toMatch(lines);
  });
  it("writes nothing at all where one of several files is bad", () => {
    const done = spawned(SPORTS[0]!, write("bad.json", "{}"));
    expect(done).toMatchObject({ status: 2, stdout: "" });
    expect(done.stderr).toContain("bad.json: format:");
  });
  it.each([
    [["--from", "2026-02-30"], "--from: a real date"],
    [["--weeks", "0"], "--weeks: a whole number"],
    [["--from", "2031-01-01"], "--from: a date inside the season"],
    [["--colour"], "(arguments):"],
  ])("refuses %j", (args, text) => {
    const done = run(SPORTS[0]!, ...args);
    expect(done).toMatchObject({ status: 2, stdout: "" });
    expect(done.stderr).toContain(text);
  });
  it("asks for a file, and says which one cannot be read", () => {
    expect(run().stderr).toContain("a file expected");
    expect(run("nowhere.json").stderr).toContain("nowhere.json");
  });
});
