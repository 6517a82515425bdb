/** What a spreadsheet becomes: its names matched with exercises, tests and athletes, and the rows that can be sent. */
import type { SpreadsheetBody, SpreadsheetFates } from "../../api/spreadsheet";
import { SCREEN_TESTS, type ScreenTest } from "../../core/athlete";
import type { NameGuess } from "../../formats/import/lifts/names";
import { type SheetRow, testOf } from "../../formats/import/lifts/rows";
import { plain } from "../../formats/import/words";

/** By the plain name: an id, or "" for what is left out. */
export type Matches = Readonly<Record<string, string>>;

export interface Matched {
  kind: "lifts" | "tests";
  /** What the coach has said; goes before what was guessed. */
  names: Matches;
  athletes: Matches;
  /** The athlete of rows that name none. */
  own: string;
  guesses: ReadonlyMap<string, NameGuess>;
  club: readonly { id: string; name: string }[];
}

/** What a name of the file stands for: "" leaves it out; null is not known yet. */
export function meant(name: string, m: Matched): string | null {
  const said = m.names[plain(name)];
  if (said !== undefined) return said;
  if (m.kind === "tests") return testOf(name);
  const guess = m.guesses.get(name);
  return guess?.sure ? (guess.exercise ?? "") : null;
}

/** Whose row it is: "" leaves it out; null is not known yet. */
export function whose(name: string, m: Pick<Matched, "athletes" | "own" | "club">): string | null {
  if (name === "") return m.own || null;
  const said = m.athletes[plain(name)];
  if (said !== undefined) return said;
  return m.club.find((a) => plain(a.name) === plain(name))?.id ?? null;
}

/** fault: it can not be taken. name, athlete: something is to be matched first. left: the coach leaves it out. */
export type RowState = "fault" | "name" | "athlete" | "left" | "asked";

export interface StatedRow {
  row: SheetRow;
  state: RowState;
  exercise: string;
  athlete: string;
}

export function stateRows(rows: readonly SheetRow[], m: Matched): StatedRow[] {
  return rows.map((row) => {
    const [exercise, athlete] = row.fault === null ? [meant(row.name, m), whose(row.athlete, m)] : ["", ""];
    const state: RowState =
      row.fault !== null
        ? "fault"
        : exercise === "" || athlete === ""
          ? "left"
          : exercise === null
            ? "name"
            : athlete === null
              ? "athlete"
              : "asked";
    return { row, state, exercise: exercise ?? "", athlete: athlete ?? "" };
  });
}

/** The rows that are sent. @param name of the file */
export function bodyOf(name: string, stated: readonly StatedRow[], m: Matched): SpreadsheetBody {
  const asked = stated.filter((s) => s.state === "asked");
  const tests = m.kind === "tests";
  return {
    name: name.slice(0, 200),
    lifts: tests
      ? []
      : asked.map(({ row, exercise, athlete }) => ({ athlete, date: row.date, exercise, sets: row.sets })),
    tests: tests
      ? asked.map(({ row, exercise, athlete }) => ({
          athlete,
          date: row.date,
          test: (SCREEN_TESTS.find((t) => t === exercise) ?? SCREEN_TESTS[0]) as ScreenTest,
          ...row.test,
        }))
      : [],
    names: tests ? {} : { ...m.names },
  };
}

/** What becomes of each row, in words; "" while it is not known. */
export function fateWords(
  stated: readonly StatedRow[],
  fates: SpreadsheetFates | null,
  kind: "lifts" | "tests",
): string[] {
  const all: readonly string[] = fates ? fates[kind] : [];
  let at = 0;
  return stated.map(({ row, state }) => {
    if (state === "asked") return FATES[all[at++] ?? ""] ?? "";
    return state === "fault" ? (row.fault ?? "") : STATES[state];
  });
}

const STATES = {
  name: "its name is not matched yet",
  athlete: "whose it is is not known yet",
  left: "left out",
} as const;
const FATES: Readonly<Record<string, string>> = {
  new: "new",
  some: "adds the sets that are missing",
  changed: "takes the place of the one there",
  same: "there already",
};
