/** One file, so that the generated seasons are planned once a run for all of them. */
import { beforeAll } from "vitest";
import "./bare";
import "./choice";
import "./homework";
import { lifters, people, seasons } from "./corpus";
import { jumping } from "./jumps";
import "./ledger";
import "./library";
import "./lines";
import "./mustHold";
import { returning } from "./pathways";
import "./promises";
import "./rooms";
import "./spoken";
import "./time";

// A busy machine is given its time: a thousand seasons take minutes.
beforeAll(() => {
  for (const corpus of [seasons, lifters, jumping, people, returning]) corpus();
}, 3_600_000);
