/**
 * Every sentence that the source holds, for screens, problem messages, sheets and the command line alike, is read against the words
 * that are not to be said (common practice and the club's own wording table; what views show is read in the journeys too).
 */
import { join, relative } from "node:path";
import { describe, expect, it } from "vitest";
import { sourcesIn } from "../../scripts/sources";
import { textsOf } from "../support/literals";
import { riddlesIn } from "../support/words";

const SRC = join(import.meta.dirname, "..", "..", "src");
/** Texts of more than one word. */
const sentencesOf = (file: string): string[] => textsOf(file).filter((t) => /[a-z] [a-z]/i.test(t));

describe("the sentences of the source", () => {
  const files = sourcesIn(SRC).map((f) => [relative(SRC, f), sentencesOf(f)] as const);

  it("are found, in every part of the house", () => {
    expect(files.flatMap(([, s]) => s).length).toBeGreaterThan(3000);
    for (const room of ["core", "formats", "server", "api", "web", "phone", "cli"])
      expect([room, files.some(([f, s]) => f.startsWith(room) && s.length > 0)]).toEqual([room, true]);
  });
  it("hold no riddle and no private name", () => {
    expect(files.flatMap(([f, s]) => s.flatMap(riddlesIn).map((r) => `${f}: ${r}`))).toEqual([]);
  });
  it("would show one", () => {
    expect(riddlesIn("It may not stand here (M1).")).toHaveLength(2);
  });
});
