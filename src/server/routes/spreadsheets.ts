/** Strength work and test results from spreadsheets: compared with what is logged, taken over for all athletes in one write, taken back in one. */

import { may, type Who } from "../../api/roles";
import {
  type KnownNames,
  type SpreadsheetAnswer,
  type SpreadsheetBody,
  type SpreadsheetFates,
  spreadsheetBody,
} from "../../api/spreadsheet";
import type { Athlete } from "../../core/athlete";
import { mergeLifts, mergeTests } from "../../formats/import/lifts/merge";
import { faulty, notFound, parse } from "../errors";
import { readBody } from "../http/door";
import { json, type Route, RouteList } from "../http/route";
import { answering } from "../http/scope";
import type { ServerContext } from "../serverContext";

const LIMIT = 12_000_000;
/** Setting of the club: what foreign names of exercises mean. */
const NAMES = "exerciseNames";
/** Names that are kept at most: more than any gym has. */
const KEPT_NAMES = 2000;

const idsOf = (body: SpreadsheetBody): string[] => [
  ...new Set([...body.lifts.map((l) => l.athlete), ...body.tests.map((t) => t.athlete)]),
];

/** The athlete with the rows that are theirs, and the fate of each of these. */
function taken(a: Athlete, id: string, body: SpreadsheetBody): { next: Athlete } & SpreadsheetFates {
  const lifts = mergeLifts(
    a.strengthLog,
    body.lifts.filter((l) => l.athlete === id),
  );
  const own = body.tests.filter((t) => t.athlete === id).map(({ athlete: _, ...t }) => t);
  const tests = mergeTests(a.screening, own);
  return {
    next: {
      ...a,
      ...(lifts.fates.some((f) => f !== "same") ? { strengthLog: lifts.logs } : {}),
      ...(tests.fates.some((f) => f !== "same") ? { screening: tests.screening } : {}),
    },
    lifts: lifts.fates,
    tests: tests.fates,
  };
}

/** The fates of all rows in their order, from those of each athlete. */
function inOrder(body: SpreadsheetBody, byId: ReadonlyMap<string, SpreadsheetFates>): SpreadsheetFates {
  const at = new Map<string, [number, number]>();
  const next = <F>(id: string, which: 0 | 1, fates: readonly F[] | undefined, none: F): F => {
    const places = at.get(id) ?? [0, 0];
    at.set(id, places);
    return fates?.[places[which]++] ?? none;
  };
  return {
    lifts: body.lifts.map((l) => next(l.athlete, 0, byId.get(l.athlete)?.lifts, "same")),
    tests: body.tests.map((t) => next(t.athlete, 1, byId.get(t.athlete)?.tests, "same")),
  };
}

export function spreadsheetRoutes(ctx: ServerContext): Route[] {
  const { store, planner } = ctx;
  const r = new RouteList("/spreadsheet");

  /** @throws with the path of every fault */
  const bodyIn = (text: string, who: Who): SpreadsheetBody => {
    const body = parse(spreadsheetBody, readBody(text), "The spreadsheet");
    if (idsOf(body).some((id) => !may(who, "plan.change", id))) throw notFound("athlete");
    const today = planner.today();
    const late = (path: string, date: string) =>
      date > today ? [{ path, expected: `a day up to today (${today}) expected, found "${date}"` }] : [];
    const faults = [
      ...body.lifts.flatMap((l, i) => [
        ...late(`lifts[${i}].date`, l.date),
        ...(store.exercises.library.byId(l.exercise)
          ? []
          : [{ path: `lifts[${i}].exercise`, expected: `an exercise of the library expected, found "${l.exercise}"` }]),
      ]),
      ...body.tests.flatMap((t, i) => late(`tests[${i}].date`, t.date)),
    ];
    if (faults.length > 0) throw faulty(faults, "The spreadsheet");
    return body;
  };

  r.peek("/names", async () => json(((await store.club.setting(NAMES)) ?? {}) as KnownNames));

  r.tryBulk("/preview", LIMIT, async ({ body: text, who }) => {
    const body = bodyIn(text, who);
    const fates = new Map<string, SpreadsheetFates>();
    for (const id of idsOf(body)) {
      const stored = await store.athletes.get(id);
      if (!stored) throw notFound("athlete");
      fates.set(id, taken(stored.record, id, body));
    }
    return json(inOrder(body, fates));
  });

  r.bulk(
    "POST",
    "",
    { limit: LIMIT, expensive: true },
    async ({ body, who }) => bodyIn(body, who),
    async (_call, body) => {
      const fates = new Map<string, SpreadsheetFates>();
      const answerOf = (made: Omit<SpreadsheetAnswer, keyof SpreadsheetFates>): SpreadsheetAnswer => ({
        ...made,
        ...inOrder(body, fates),
      });
      if (Object.keys(body.names).length > 0)
        await store.club.set<KnownNames>(NAMES, (before) =>
          Object.fromEntries(Object.entries({ ...before, ...body.names }).slice(-KEPT_NAMES)),
        );
      const answer = await store.many.change(
        `Spreadsheet: ${body.name}`,
        idsOf(body).map((id) => ({ id, revision: null })),
        (s) => {
          const { next, ...own } = taken(s.athlete, s.id, body);
          fates.set(s.id, own);
          return next.strengthLog === s.athlete.strengthLog && next.screening === s.athlete.screening
            ? { fault: "has all of it already" }
            : { next, rows: [], note: null, free: [] };
        },
        (made) => answering(json(answerOf(made), 201), null),
      );
      return json(answerOf(answer), 201);
    },
  );

  return r.all;
}
