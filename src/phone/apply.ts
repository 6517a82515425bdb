/** What waits, on top of what is kept. */
import { mergeHere } from "../api/make/waiting";
import type { PhoneFacts } from "../api/phoneViews";
import type { Command } from "./commands";

/** The facts as they will be once everything that waits has arrived. */
export const factsWith = (facts: PhoneFacts, queue: readonly Command[]): PhoneFacts =>
  queue.reduce((f, c) => mergeHere(f, c.method, c.path, c.body), facts);
