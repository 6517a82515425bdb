/** The order of the test files on a machine that has not run them yet: those of minutes first, so that no worker is left with one at the end. */
import { BaseSequencer, type TestSpecification } from "vitest/node";

/** Files of half a minute and more, the longest first; the others go by size. */
const LONG = [
  "tests/properties/plans.test.ts",
  "src/server/accounts.test.ts",
  "src/server/backup.test.ts",
  "src/core/plan.test.ts",
  "tests/reference/fit.test.ts",
  "tests/torture/fuzz.test.ts",
  "src/server/views/lift.test.ts",
  "src/formats/formats.test.ts",
  "src/server/feed/feed.test.ts",
  "src/server/dose.test.ts",
];

const rank = ({ moduleId }: TestSpecification): number => {
  const at = LONG.findIndex((file) => moduleId.endsWith(`/${file}`));
  return at < 0 ? LONG.length : at;
};

export class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    return (await super.sort(files)).sort((a, b) => rank(a) - rank(b));
  }
}
