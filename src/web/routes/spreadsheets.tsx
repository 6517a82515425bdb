/** Spreadsheets: last year's strength log or test results, read, matched once, seen row by row, stored for all athletes in one go. */
import { useEffect, useMemo, useRef, useState } from "react";
import { useDropzone } from "react-dropzone";
import { useSearchParams } from "react-router";
import type { ManyChoices } from "../../api/many";
import { type KnownNames, MOST_ROWS, type SpreadsheetFates } from "../../api/spreadsheet";
import type { ExerciseView } from "../../api/views";
import { SCREEN_TESTS } from "../../core/athlete";
import { testName } from "../../core/screening";
import { guessNames } from "../../formats/import/lifts/names";
import { useClub } from "../data/hooks";
import { useLibrary } from "../data/intake";
import { useManyChoices, useUndoMany } from "../data/many";
import { useKnownNames, useSheetPreview, useTakeSheet } from "../data/spreadsheet";
import { counted, type Units } from "../format";
import { Columns } from "../spreadsheet/Columns";
import { takeOver } from "../spreadsheet/handOver";
import { Names } from "../spreadsheet/Names";
import { Rows } from "../spreadsheet/Rows";
import {
  bodyOf,
  fateWords,
  type Matched,
  type Matches,
  meant,
  type RowState,
  stateRows,
  whose,
} from "../spreadsheet/state";
import { useSheet } from "../spreadsheet/useSheet";
import { Field } from "../ui/form";
import { ICON, WarnIcon } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Failed, LoadingNote } from "../ui/State";
import { tell, tellFault, tellUndo } from "../ui/tell";

export default function SpreadsheetsRoute() {
  const [choices, names, club, library] = [useManyChoices(), useKnownNames(), useClub(), useLibrary()];
  if (choices.isPending || names.isPending || club.isPending || library.isPending)
    return <LoadingNote what="the club" />;
  const failed = [choices, names, library].find((q) => q.isError);
  if (failed?.error)
    return <Failed error={failed.error} retry={() => failed.refetch()} what="What spreadsheets are matched with" />;
  if (!choices.data || !names.data || !library.data) return null;
  return (
    <Spreadsheets
      athletes={choices.data.athletes}
      known={names.data}
      today={club.data?.today ?? ""}
      exercises={[...library.data.exercises].sort((a, b) => (a.name < b.name ? -1 : 1))}
    />
  );
}

interface Props {
  athletes: ManyChoices["athletes"];
  known: KnownNames;
  today: string;
  exercises: readonly ExerciseView[];
}

type Shown = "all" | "asked" | "open" | "fault";
const STATES: Record<Shown, readonly RowState[] | null> = {
  all: null,
  asked: ["asked"],
  open: ["name", "athlete", "left"],
  fault: ["fault"],
};
const UNITS: Units = { massUnit: "kg", distanceUnit: "km" };
const TESTS = SCREEN_TESTS.map((t) => ({ id: t, name: testName(t) }));

/** Names as they are written with their number of rows, the most common first. */
function counts(names: readonly string[]): [string, number][] {
  const by = new Map<string, number>();
  for (const n of names) by.set(n, (by.get(n) ?? 0) + 1);
  return [...by].sort((a, b) => b[1] - a[1]);
}

/** What is matched by now, and what the rows become by it. */
function useMatching({ athletes, known, exercises }: Props, file: ReturnType<typeof useSheet>, own: string) {
  const [names, setNames] = useState<Matches>({});
  const [people, setPeople] = useState<Matches>({});
  const sheet = file.state.state === "read" ? file.state.sheet : null;
  const kind = sheet?.mapping.kind ?? "lifts";
  const guesses = useMemo(() => {
    const written = [...new Set((sheet?.rows ?? []).map((r) => r.name))].filter((n) => n !== "");
    return guessNames(written, exercises, known);
  }, [sheet?.rows, known, exercises]);
  const matched: Matched = useMemo(
    () => ({ kind, names, athletes: people, own, guesses, club: athletes }),
    [kind, names, people, own, guesses, athletes],
  );
  const stated = useMemo(() => stateRows(sheet?.rows ?? [], matched), [sheet?.rows, matched]);
  const name = file.state.state === "none" ? "" : file.state.name;
  const body = useMemo(() => bodyOf(name, stated, matched), [name, stated, matched]);
  return {
    sheet,
    name,
    matched,
    stated,
    body,
    addNames: (m: Matches) => setNames({ ...names, ...m }),
    addPeople: (m: Matches) => setPeople({ ...people, ...m }),
  };
}
type Matching = ReturnType<typeof useMatching>;

function Spreadsheets(props: Props) {
  const { athletes, today, exercises } = props;
  const [params] = useSearchParams();
  const file = useSheet({ massUnit: UNITS.massUnit, today });
  const [own, setOwn] = useState(params.get("athlete") ?? (athletes.length === 1 ? (athletes[0]?.id ?? "") : ""));
  const drop = useDropzone({
    onDrop: ([f]) => f && void file.read(f),
    multiple: false,
    noClick: true,
    noKeyboard: true,
  });
  const read = useRef(file.read);
  read.current = file.read;
  // A file that was dropped elsewhere is read here.
  useEffect(() => {
    const waiting = takeOver();
    if (waiting) void read.current(waiting);
  }, []);
  useKeys("view", [{ key: "o", label: "choose a file", run: drop.open, bar: true }]);
  const matching = useMatching(props, file, own);
  const { sheet, name, body } = matching;
  const asked = body.lifts.length + body.tests.length;
  const [version, setVersion] = useState({ body, n: 0 });
  if (version.body !== body) setVersion({ body, n: version.n + 1 });
  const preview = useSheetPreview(String(version.n), body, asked > 0 && asked <= MOST_ROWS);
  const fates = preview.isPlaceholderData ? null : (preview.data ?? null);
  const fresh = fates ? [...fates.lifts, ...fates.tests].filter((f) => f !== "same").length : 0;
  const take = useTakeSheet();
  const undo = useUndoMany();
  const store = () =>
    take.mutate(body, {
      onSuccess: ({ batch, changed, left }) => {
        file.close();
        const out = left.map((l) => `${l.name} ${l.why}`).join("; ");
        const said = `${name}: stored for ${counted(changed.length, "athlete")}.${out ? ` ${out}.` : ""}`;
        if (batch)
          tellUndo(said, () =>
            undo.mutate(batch, { onSuccess: () => tell(`${name}: taken back.`), onError: (e) => tellFault(e.message) }),
          );
        else tell(said);
      },
      onError: (e) => tellFault(e.message),
    });
  return (
    <div className="two-pane">
      <main
        {...drop.getRootProps({
          role: "main",
          className: `flex min-h-0 min-w-0 flex-col ${drop.isDragActive ? "bg-iron-l" : ""}`,
        })}
      >
        <PageHeader
          title="Spreadsheets"
          note="strength logs and test results, CSV or XLSX"
          className="h-auto flex-wrap gap-y-1"
        >
          <span className="flex-1" />
          <input {...drop.getInputProps({ "aria-label": "Spreadsheet" })} accept=".csv,.tsv,.txt,.xlsx" />
          {!sheet && <TakeOut />}
          <button type="button" className={`btn ${sheet ? "" : "btn-pri"}`} onClick={drop.open}>
            {ICON.file} Choose a file
          </button>
          {sheet && (
            <button
              type="button"
              className="btn btn-pri"
              disabled={fresh === 0 || !fates || take.isPending}
              onClick={store}
            >
              {take.isPending ? "Storing…" : `Import ${counted(fresh, "row")}`}
            </button>
          )}
        </PageHeader>
        <FileState file={file} />
        {sheet ? (
          <Read
            matching={matching}
            fates={fates}
            said={
              asked > MOST_ROWS
                ? `At most ${MOST_ROWS} rows at once. Leave some names out, or part the file.`
                : preview.isFetching
                  ? "Comparing with what is known…"
                  : "Nothing is stored yet."
            }
            fault={preview.error}
            exercises={exercises}
            athletes={athletes}
          />
        ) : (
          file.state.state !== "reading" && <Empty />
        )}
      </main>
      <aside className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel" aria-label="Matching">
        <div className="sec">
          <Field id="sheet-own" label="Rows that name nobody are of">
            <select id="sheet-own" className="input" value={own} onChange={(e) => setOwn(e.target.value)}>
              <option value="">nobody yet</option>
              {athletes.map((a) => (
                <option key={a.id} value={a.id}>
                  {a.name}
                </option>
              ))}
            </select>
          </Field>
        </div>
        <Match matching={matching} exercises={exercises} athletes={athletes} onColumns={(m) => void file.remap(m)} />
      </aside>
    </div>
  );
}

/** Everything of the club as a workbook. */
const TakeOut = () => (
  <a className="btn" href="/api/tables/all.xlsx" download>
    Take all out (XLSX)
  </a>
);

function FileState({ file: { state, close } }: { file: ReturnType<typeof useSheet> }) {
  if (state.state === "reading")
    return (
      <div className="flex items-center gap-3 px-4 py-3" role="status">
        Reading {state.name}…
        <progress className="h-2 w-40" aria-label={`Reading ${state.name}`} />
        <button type="button" className="btn btn-sm" onClick={close}>
          Stop
        </button>
      </div>
    );
  if (state.state !== "refused") return null;
  return (
    <p role="alert" className="flex gap-1.5 px-4 py-3 text-brick-ink">
      <WarnIcon /> {state.name}: {state.fault}
    </p>
  );
}

interface MatchProps extends Pick<Props, "exercises" | "athletes"> {
  matching: Matching;
}

/** Rows of the file that name an athlete, an exercise or a test. */
const rowsThatCan = ({ sheet }: Matching) => (sheet?.rows ?? []).filter((r) => r.fault === null);

function Match({
  matching,
  exercises,
  athletes,
  onColumns,
}: MatchProps & { onColumns: Parameters<typeof Columns>[0]["onChange"] }) {
  const { sheet, matched } = matching;
  if (!sheet) return null;
  const tests = matched.kind === "tests";
  const rows = rowsThatCan(matching);
  const persons = counts(rows.filter((r) => r.athlete !== "").map((r) => r.athlete));
  return (
    <>
      {persons.length > 0 && (
        <Names
          title="Athletes of the file"
          names={persons}
          options={athletes}
          meant={(n) => whose(n, matched)}
          guesses={NO_GUESSES}
          onMatch={matching.addPeople}
        />
      )}
      <Names
        title={tests ? "Tests of the file" : "Exercises of the file"}
        names={counts(rows.map((r) => r.name))}
        options={tests ? TESTS : exercises}
        meant={(n) => meant(n, matched)}
        guesses={tests ? NO_GUESSES : matched.guesses}
        onMatch={matching.addNames}
      />
      <Columns sheet={sheet} onChange={onColumns} />
    </>
  );
}
const NO_GUESSES: Matched["guesses"] = new Map();

interface ReadProps extends MatchProps {
  fates: SpreadsheetFates | null;
  said: string;
  fault: Error | null;
}

function Read({ matching: { stated, matched }, fates, said, fault, exercises, athletes }: ReadProps) {
  const [shown, setShown] = useState<Shown>("all");
  const words = fateWords(stated, fates, matched.kind);
  const wanted = STATES[shown];
  const rows = stated
    .map((s, i) => ({ stated: s, fate: words[i] ?? "" }))
    .filter(({ stated: s }) => !wanted || wanted.includes(s.state));
  const number = (of: Shown) => stated.filter((s) => STATES[of]?.includes(s.state)).length;
  const options: readonly { id: string; name: string }[] = matched.kind === "tests" ? TESTS : exercises;
  return (
    <>
      <div className="flex min-h-12 flex-none flex-wrap items-center gap-3 px-3">
        <Segments<Shown>
          name="Rows shown"
          value={shown}
          onChange={setShown}
          options={[
            ["all", `All ${stated.length}`],
            ["asked", `To import ${number("asked")}`],
            ["open", `Open or left out ${number("open")}`],
            ["fault", `Cannot be taken ${number("fault")}`],
          ]}
        />
        <span className="flex-1" />
        <output className="text-label text-ink2">{said}</output>
      </div>
      {fault && (
        <p role="alert" className="mx-4 mb-2 flex gap-1.5 text-brick-ink">
          <WarnIcon /> {fault.message}
        </p>
      )}
      <Rows
        rows={rows}
        exerciseName={(id) => options.find((o) => o.id === id)?.name ?? id}
        athleteName={(id) => athletes.find((a) => a.id === id)?.name ?? id}
        units={UNITS}
      />
    </>
  );
}

const Empty = () => (
  <div className="m-4 grid flex-1 place-items-center rounded-[3px] border border-dashed border-field p-6">
    <div className="max-w-[520px] text-center">
      <p className="text-lead leading-6 font-semibold">Drop a spreadsheet here</p>
      <p className="mt-1 text-ink2">
        One row a set, or a row an exercise ("3x5@60", "60x5,5,4", or columns of sets, repetitions and load), with any
        headings, in kg or lb, of one athlete or of many. You match the names of exercises once, and see what each row
        becomes before anything is stored; the same file twice adds nothing.
      </p>
    </div>
  </div>
);
