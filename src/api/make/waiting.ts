/** A request as it will have changed a phone's facts once the server has taken it. What the phone cannot know changes nothing here. */
import type { CheckIn, Label, LockedSession, StrengthLog } from "../../core/athlete";
import type { PhoneFacts } from "../phoneViews";
import type { MessageBody, PhoneMoveBody, PhoneSkipBody, TroubleBody } from "../requests";
import { withLogMerged, withMove, withNextDay, withSaid, withSkip, withSwap, withTick } from "./told";

type Change = (facts: PhoneFacts, at: string[], body: unknown) => PhoneFacts;

const athlete =
  (
    change: (a: PhoneFacts["planning"]["athlete"], at: string[], body: unknown) => PhoneFacts["planning"]["athlete"],
  ): Change =>
  (facts, at, body) => ({
    ...facts,
    planning: { ...facts.planning, athlete: change(facts.planning.athlete, at, body) },
  });

const said =
  (by: "athlete"): ((facts: PhoneFacts, id: string, text: string, about: MessageBody["about"]) => PhoneFacts) =>
  (facts, id, text, about) =>
    facts.messages.some((m) => m.id === id)
      ? facts
      : { ...facts, messages: [...facts.messages, { id, at: "", by, who: "", text, about }] };
const written = said("athlete");

/** By method and address under the athlete's own. */
const CHANGES: readonly [RegExp, Change][] = [
  [
    /^POST logs\/([^/]+)\/([^/]+)\/merge$/,
    athlete((a, _at, body) => {
      const { base, log } = body as { base: StrengthLog | null; log: StrengthLog };
      return withLogMerged(a, base, log);
    }),
  ],
  [
    /^PUT check-ins\/([^/]+)\/([^/]+)$/,
    // Where the session stands that day is the server's to say: no lock of it is made here.
    athlete((a, [date = ""], body) => withSaid(a, { ...(body as Omit<CheckIn, "date">), date }, null, date)),
  ],
  [
    /^PUT homework\/([^/]+)\/([^/]+)$/,
    athlete((a, [date = "", item = ""], body) => withTick(a, date, item, (body as { done: boolean }).done)),
  ],
  [
    /^PUT next-day$/,
    athlete((a, _at, body) => {
      const { date, exercise, pain } = body as { date: string; exercise: string; pain: number };
      return withNextDay(a, date, exercise, pain);
    }),
  ],
  [
    /^PUT swaps\/([^/]+)\/([^/]+)$/,
    (facts, [date = "", label = ""], body) => {
      const { from, to } = body as { from: string; to: string | null };
      const swaps = withSwap(facts.planning.swaps, { date, label: label as Label, from }, to);
      return { ...facts, planning: { ...facts.planning, swaps } };
    },
  ],
  [
    /^POST phone\/moves$/,
    athlete((a, _at, body) => {
      const { label, to } = body as PhoneMoveBody;
      return withMove(a, { label, ...to } satisfies LockedSession);
    }),
  ],
  [
    /^POST phone\/skips$/,
    athlete((a, _at, body) => {
      const { date, label, why } = body as PhoneSkipBody;
      return withSkip(a, date, label, why);
    }),
  ],
  [
    /^POST messages$/,
    (facts, _at, body) => {
      const { id, text, about } = body as MessageBody;
      return written(facts, id, text, about);
    },
  ],
  [
    /^POST phone\/troubles$/,
    (facts, _at, body) => {
      const { id, text } = body as TroubleBody;
      return written(facts, id, text, null);
    },
  ],
];

/** @param path under /api @returns the facts as they become; the same where the phone cannot know */
export function mergeHere(facts: PhoneFacts, method: string, path: string, body: unknown): PhoneFacts {
  const own = `${method} ${path.replace(/^\/athletes\/[^/]+\//, "")}`;
  for (const [shape, change] of CHANGES) {
    const found = shape.exec(own);
    if (found) return change(facts, found.slice(1).map(decodeURIComponent), body);
  }
  return facts;
}
