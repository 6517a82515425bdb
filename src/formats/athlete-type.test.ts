import { describe, expect, expectTypeOf, it } from "vitest";
import type { z } from "zod";
import { athleteWith } from "../../tests/support/athlete";
import type { Athlete } from "../core/athlete";
import { athleteSchema } from "./athlete-schema";

type Checked = z.output<typeof athleteSchema>;

describe("the athlete of the core and that of the file", () => {
  it("are one type, whichever is asked for; the compiler checks it", () => {
    expectTypeOf<Checked>().not.toBeAny();
    expectTypeOf<Checked>().toExtend<Athlete>();
    expectTypeOf<Athlete>().toExtend<Checked>();
    expectTypeOf<keyof Checked>().toEqualTypeOf<keyof Athlete>();
    expectTypeOf<Athlete & { other: string }>().not.toEqualTypeOf<Checked>();
    const athlete: Athlete = athleteWith();
    expect(athleteSchema.parse(athlete)).toEqual(athlete);
  });
});
