/** The screen: tests with their history, what was seen, and what both change. */
import type { ScreenBody } from "../../api/requests";
import type { FindingView, ScreeningView, ScreenPreview } from "../../api/views";
import { type Athlete, SEEN, safetyGate, TRAINING_LEVEL } from "../../core/athlete";
import type { IsoDate } from "../../core/dates";
import type { Library } from "../../core/exercise";
import { RULES } from "../../core/rulebook";
import {
  type Finding,
  findingsOf,
  passes,
  passMark,
  SEEN_BY_SPORT,
  SEEN_WORDS,
  TEST_SHEETS,
} from "../../core/screening";

const findingView = (f: Finding): FindingView => ({
  id: f.id,
  kind: f.kind,
  title: f.title,
  says: f.says,
  ends: f.ends ?? "",
  trust: RULES[f.rule]?.trust ?? "house",
});

export function screeningView(id: string, athlete: Athlete, today: IsoDate): ScreeningView {
  const usual = SEEN_BY_SPORT[athlete.athlete.sport];
  const sights = [...usual, ...SEEN.filter((w) => !usual.includes(w))];
  return {
    id,
    today,
    sport: athlete.athlete.sport,
    tests: TEST_SHEETS.map((t) => ({
      ...t,
      mark: passMark(athlete, t.test, today),
      history: athlete.screening
        .filter((s) => s.test === t.test)
        .sort((a, b) => (a.date < b.date ? -1 : 1))
        .map((s) => ({ date: s.date, left: s.left ?? null, right: s.right ?? null, value: s.value ?? null })),
    })),
    sights: sights.map((what) => ({ what, ...SEEN_WORDS[what], usual: usual.includes(what) })),
    seen: athlete.seen,
    findings: findingsOf(athlete, today).map(findingView),
  };
}

/** The athlete with a screen in the record: a test done twice on a day keeps the later result, what was seen replaces what was seen before. */
export function withScreen(a: Athlete, body: ScreenBody): Athlete {
  const tests = new Set(body.results.map((r) => r.test));
  const kept = a.screening.filter((s) => s.date !== body.date || !tests.has(s.test));
  return {
    ...a,
    screening: [...kept, ...body.results.map((r) => ({ ...r, date: body.date }))],
    ...(body.seen === null ? {} : { seen: body.seen.map((s) => ({ ...s, date: body.date })) }),
  };
}

/** Exercises that the screening closes. */
function gated(a: Athlete, library: Library, on: IsoDate): Set<string> {
  return new Set(
    library.all
      .filter(
        (e) =>
          !library.hidden.has(e.id) &&
          (e.gates.some((t) => passes(a, t, on) === false) || e.mustPass.some((t) => passes(a, t, on) !== true)),
      )
      .map((e) => e.id),
  );
}

export function screenPreview(a: Athlete, body: ScreenBody, library: Library): ScreenPreview {
  const next = withScreen(a, body);
  const on = body.date;
  const [before, after] = [findingsOf(a, on), findingsOf(next, on)];
  const [shut, shutNow] = [gated(a, library, on), gated(next, library, on)];
  const level = TRAINING_LEVEL[safetyGate(a, on).training];
  // Only what training age lets near is worth a word.
  const names = (ids: readonly string[]) =>
    ids.filter((id) => (library.byId(id)?.level ?? 4) <= level).map((id) => library.name(id));
  return {
    findings: after.map(findingView),
    over: before.filter((f) => !after.some((x) => x.id === f.id)).map(findingView),
    opens: names([...shut].filter((id) => !shutNow.has(id))),
    closes: names([...shutNow].filter((id) => !shut.has(id))),
  };
}
