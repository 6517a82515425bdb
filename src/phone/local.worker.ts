/** Answers on the phone what the server would answer, from the same facts with the same planner: with or without network. */
import { expose } from "comlink";
import { choicesView } from "../api/make/choices";
import { homeworkView } from "../api/make/homework";
import { howTo, PHONE_WEEKS, phoneScreen, placesFor } from "../api/make/phone";
import { type Growing, grownTo, growSeason, type Planned } from "../api/make/planned";
import { readinessView } from "../api/make/readiness";
import { plannedOn, sessionView } from "../api/make/session";
import type { HowTo, PhoneFacts, PhonePlaces, PhoneScreen } from "../api/phoneViews";
import type { ReadinessView } from "../api/views";
import type { CheckIn, Label } from "../core/athlete";
import { addDays, type IsoDate, mondayOf } from "../core/dates";
import { type Library, libraryWith } from "../core/exercise";
import { factsWith } from "./apply";
import type { Command } from "./commands";

interface Base {
  facts: PhoneFacts;
  today: IsoDate;
  library: Library;
  growing: Growing;
}
let base: Base | null = null;

const here = (): Base => {
  if (!base) throw new Error("Nothing is here yet.");
  return base;
};
const upTo = (date: IsoDate): Planned => grownTo(here().growing, date);

function readiness(date: IsoDate, label: Label, body: Omit<CheckIn, "date">): Promise<ReadinessView> {
  const { facts, library, today } = here();
  return readinessView(facts.planning.athlete, { date, ...body }, label, {
    now: () => upTo(date),
    changed: (athlete) => grownTo(growSeason({ ...facts.planning, athlete }, library, today), date),
  });
}

type Answer = (at: readonly string[], body: unknown) => unknown;
/** By method and address under the athlete's own; null is "there is none". */
const ANSWERS: readonly [RegExp, Answer][] = [
  [
    /^GET sessions\/([^/]+)\/([^/]+)$/,
    ([date = "", label]) => sessionView(upTo(date), here().today, date, label as Label),
  ],
  [
    /^GET sessions\/([^/]+)\/([^/]+)\/choices\/([^/]+)$/,
    ([date = "", label, exercise = ""]) => {
      const p = upTo(date);
      const planned = plannedOn(p, date, label as Label);
      return planned && choicesView(p, planned.week, planned.session, exercise);
    },
  ],
  [/^GET homework$/, () => homeworkView(upTo(here().today), here().today)],
  [
    /^POST check-ins\/([^/]+)\/([^/]+)\/preview$/,
    ([date = "", label], body) => readiness(date, label as Label, body as Omit<CheckIn, "date">),
  ],
];

const api = {
  /** @param queue what waits, as if it had arrived @returns the messages with those that wait */
  load(kept: PhoneFacts, queue: readonly Command[], today: IsoDate): PhoneFacts["messages"] {
    const facts = factsWith(kept, queue);
    const library = libraryWith(facts.planning.own, facts.planning.hidden);
    base = { facts, today, library, growing: growSeason(facts.planning, library, today) };
    return facts.messages;
  },
  screen(): PhoneScreen {
    const { facts, today } = here();
    return phoneScreen(upTo(addDays(mondayOf(today), 7 * PHONE_WEEKS - 1)), facts, today);
  },
  howTo(exercise: string): HowTo | null {
    return howTo(here().library, exercise);
  },
  places(date: IsoDate, label: Label): PhonePlaces {
    return placesFor(upTo(date), here().today, date, label);
  },
  /** @returns JSON, or null where the phone has no such thing */
  async answer(method: string, path: string, body: unknown): Promise<string | null> {
    const own = `${method} ${path.replace(/^\/athletes\/[^/]+\//, "").split("?")[0]}`;
    for (const [shape, answer] of ANSWERS) {
      const found = shape.exec(own);
      if (!found) continue;
      const value = await answer(found.slice(1).map(decodeURIComponent), body);
      return value === null || value === undefined ? null : JSON.stringify(value);
    }
    return null;
  },
};

export type LocalWorker = typeof api;
expose(api);
