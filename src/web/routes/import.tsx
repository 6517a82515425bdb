/** Import: foreign files read, mapped and previewed row by row; nothing is stored until it is taken over. */
import type { UseQueryResult } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { type DropzoneState, useDropzone } from "react-dropzone";
import { Link, useNavigate, useParams } from "react-router";
import type { AthleteView, ImportAnswer } from "../../api/views";
import type { AthleteFacts } from "../../core/athlete";
import { useAthlete } from "../data/hooks";
import { useImportPreview, useTakeImport, useUndoImport } from "../data/imports";
import type { Units } from "../format";
import { counted } from "../format";
import { countWords, FeedPanel } from "../import/FeedPanel";
import { MappingPanel } from "../import/MappingPanel";
import { RowList } from "../import/RowList";
import type { ListedRow } from "../import/rows";
import { askedOf, countFates, fileOf, listRows, type RowFate } from "../import/rows";
import { type ForeignEntry, useFiles } from "../import/useFiles";
import { UsualFoundNote } from "../mileage/UsualFoundNote";
import { handOver } from "../spreadsheet/handOver";
import { ICON, WarnIcon } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Failed, LoadingNote } from "../ui/State";
import { tell, tellFault, tellUndo } from "../ui/tell";

const KIND_WORDS = {
  table: "table",
  gpx: "GPX recording",
  tcx: "TCX recording",
  fit: "FIT recording",
  "track points": "table of track points",
  folder: "zipped folder",
  calendar: "calendar",
} as const;

type Shown = "all" | "stored" | "known" | "fault";
const SHOWN: Record<Shown, readonly RowFate[] | null> = {
  all: null,
  stored: ["new", "done", "changed", "moved"],
  known: ["same", "twice", "left"],
  fault: ["fault"],
};

export default function ImportRoute() {
  const { id = "" } = useParams();
  const athlete = useAthlete(id);
  if (athlete.isPending) return <LoadingNote what="the athlete" />;
  if (athlete.isError) return <Failed error={athlete.error} retry={() => athlete.refetch()} what="The athlete" />;
  return <Import key={id} view={athlete.data} />;
}

function Import({ view }: { view: AthleteView }) {
  const { id, facts } = view;
  const units: Units = { massUnit: facts.massUnit ?? "kg", distanceUnit: facts.distanceUnit ?? "km" };
  const list = useFiles({
    zone: facts.timeZone ?? "UTC",
    sport: facts.sport,
    from: view.season.start,
    until: view.season.end,
    ...units,
  });
  const { files } = list;
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [shown, setShown] = useState<Shown>("all");
  const [open, setOpen] = useState<number | null>(null);
  const drop = useDropzone({ onDrop: (dropped) => list.add(dropped), noClick: true, noKeyboard: true });
  const name =
    files
      .map((f) => f.name)
      .join(", ")
      .slice(0, 180) || "import";
  const body = useMemo(() => ({ name, ...askedOf(files, left) }), [files, left, name]);
  const reading = files.some((f) => f.state === "reading");
  const asked = body.incoming.length + body.races.length;
  // Another mapping or another row left out is another question.
  const [version, setVersion] = useState({ body, n: 0 });
  if (version.body !== body) setVersion({ body, n: version.n + 1 });
  const preview = useImportPreview(id, String(version.n), body, asked > 0 && !reading);
  const answer = preview.data ?? null;
  const rows = useMemo(() => listRows(files, left, answer), [files, left, answer]);
  const counts = countFates(rows);
  const stored = counts.new + counts.done + counts.changed + counts.moved;
  const wanted = SHOWN[shown];
  const inSight = useMemo(
    () => (wanted ? rows.filter((r) => r.fate && wanted.includes(r.fate)) : rows),
    [rows, wanted],
  );
  const take = useTakeImport(id);
  const undo = useUndoImport(id);
  const chosen = files.find((f) => f.key === open) ?? files.find((f) => f.table);
  const choose = drop.open;
  useKeys("view", [{ key: "o", label: "choose files", run: choose, bar: true }]);

  const takeOver = () => {
    const taken = new Set(files.map((f) => f.key));
    take.mutate(body, {
      onSuccess: ({ counts: c, batch }) => {
        list.clear(taken);
        setLeft((now) => new Set([...now].filter((key) => !taken.has(fileOf(key)))));
        const said = `${name}: ${countWords(c)}.`;
        if (batch) tellUndo(said, () => undo.mutate(batch));
        else tell(said);
      },
      onError: (e) => tellFault(e.message),
    });
  };

  return (
    <div className="two-pane">
      <main
        {...drop.getRootProps({
          role: "main",
          className: `flex min-h-0 min-w-0 flex-col ${drop.isDragActive ? "bg-iron-l" : ""}`,
        })}
      >
        <Head
          facts={facts}
          drop={drop}
          id={id}
          files={files}
          choose={choose}
          stored={stored}
          answer={answer}
          reading={reading}
          take={take}
          takeOver={takeOver}
        />
        {files.length === 0 ? (
          <Empty />
        ) : (
          <>
            <FileList files={files} chosen={chosen} setOpen={setOpen} list={list} />
            <Which
              shown={shown}
              setShown={setShown}
              rows={rows}
              stored={stored}
              counts={counts}
              reading={reading}
              preview={preview}
            />
            {preview.isError && (
              <p role="alert" className="mx-4 mb-2 flex gap-1.5 text-brick-ink">
                <WarnIcon /> {preview.error.message}
              </p>
            )}
            <RowList
              rows={inSight}
              units={units}
              left={left}
              manyFiles={files.length > 1}
              onLeave={(key, out) =>
                setLeft((now) => {
                  const next = new Set(now);
                  if (out) next.add(key);
                  else next.delete(key);
                  return next;
                })
              }
            />
          </>
        )}
      </main>
      <Beside chosen={chosen} list={list} id={id} units={units} />
    </div>
  );
}

const Empty = () => (
  <div className="m-4 grid flex-1 place-items-center rounded-[3px] border border-dashed border-field">
    <div className="max-w-[520px] text-center">
      <p className="text-lead leading-6 font-semibold">Drop files here</p>
      <p className="mt-1 text-ink2">
        Tables (CSV) with any headings, FIT, GPX and TCX recordings, zipped folders of them, iCalendar files with races
        and planned sessions; many at once. You see what each row becomes before anything is stored, and the same file
        twice adds nothing.
      </p>
    </div>
  </div>
);

function FileLine({
  file: f,
  chosen,
  onChoose,
  onRemove,
}: {
  file: ForeignEntry;
  chosen: boolean;
  onChoose: () => void;
  onRemove: () => void;
}) {
  const bad = f.rows.filter((r) => r.fault).length;
  return (
    <li className="flex min-h-9 items-center gap-3 border-b border-hair2 px-4 py-1 last:border-b-0">
      {f.table ? (
        <button
          type="button"
          className={`link ${chosen ? "font-semibold" : ""}`}
          aria-pressed={chosen}
          onClick={onChoose}
        >
          {f.name}
        </button>
      ) : (
        <span className="font-medium">{f.name}</span>
      )}
      {f.state === "reading" && (
        <progress className="h-2 w-40" value={f.share} max={1} aria-label={`Reading ${f.name}`} />
      )}
      {f.state === "read" && f.kind && (
        <span className="text-label text-ink2">
          {KIND_WORDS[f.kind]}, {f.rows.length} row{f.rows.length === 1 ? "" : "s"}
          {bad > 0 && <span className="text-brick-ink">, {bad} cannot be taken</span>}
        </span>
      )}
      {f.state === "refused" && (
        <span role="alert" className="flex min-w-0 items-center gap-1.5 text-label leading-4 text-brick-ink">
          <WarnIcon /> {f.fault}
        </span>
      )}
      {f.strength && <HandOn file={f.strength} />}
      <span className="flex-1" />
      <button
        type="button"
        className="btn btn-sm btn-sq"
        aria-label={f.state === "reading" ? `Stop reading ${f.name}` : `Remove ${f.name}`}
        onClick={onRemove}
      >
        {ICON.close}
      </button>
    </li>
  );
}

/** A table of strength work goes on to the view that reads those. */
function HandOn({ file }: { file: File }) {
  const { id } = useParams();
  const navigate = useNavigate();
  return (
    <button
      type="button"
      className="btn btn-sm"
      onClick={() => {
        handOver(file);
        navigate(`/spreadsheets?athlete=${id}`);
      }}
    >
      Open in Spreadsheets
    </button>
  );
}

interface HeadProps {
  facts: AthleteFacts;
  drop: DropzoneState;
  id: string;
  files: ForeignEntry[];
  choose: () => void;
  stored: number;
  answer: ImportAnswer | null;
  reading: boolean;
  take: ReturnType<typeof useTakeImport>;
  takeOver: () => void;
}

function Head({ facts, drop, id, files, choose, stored, answer, reading, take, takeOver }: HeadProps) {
  return (
    <PageHeader title="Import" note={<>races and endurance sessions of {facts.name}</>}>
      <span className="flex-1" />
      <input
        {...drop.getInputProps({ "aria-label": "Files to import" })}
        accept=".csv,.tsv,.txt,.gpx,.tcx,.fit,.zip,.xlsx,.ics,text/csv,text/calendar"
      />
      <Link className="btn" to={`/a/${id}/records`}>
        {ICON.left} Records
      </Link>
      <button type="button" className={`btn ${files.length === 0 ? "btn-pri" : ""}`} onClick={choose}>
        {ICON.file} Choose files
      </button>
      {files.length > 0 && (
        <button
          type="button"
          className="btn btn-pri"
          disabled={stored === 0 || !answer || reading || take.isPending}
          onClick={takeOver}
        >
          {take.isPending ? "Storing…" : `Import ${counted(stored, "row")}`}
        </button>
      )}
    </PageHeader>
  );
}

interface WhichProps {
  shown: Shown;
  setShown: (value: Shown) => void;
  rows: ListedRow[];
  stored: number;
  counts: Record<"fault" | "done" | "new" | "changed" | "moved" | "same" | "twice" | "left", number>;
  reading: boolean;
  preview: UseQueryResult<ImportAnswer, Error>;
}

/** Which of the rows are shown. */
function Which({ shown, setShown, rows, stored, counts, reading, preview }: WhichProps) {
  return (
    <div className="flex h-12 flex-none items-center gap-3 px-3">
      <Segments<Shown>
        name="Rows shown"
        value={shown}
        onChange={setShown}
        options={[
          ["all", `All ${rows.length}`],
          ["stored", `To import ${stored}`],
          ["known", `Known or left out ${counts.same + counts.twice + counts.left}`],
          ["fault", `Cannot be taken ${counts.fault}`],
        ]}
      />
      <span className="flex-1" />
      <output className="text-label text-ink2">
        {reading ? "Reading…" : preview.isFetching ? "Comparing with what is known…" : "Nothing is stored yet."}
      </output>
    </div>
  );
}

interface FileListProps {
  files: ForeignEntry[];
  chosen: ForeignEntry | undefined;
  setOpen: (value: number | null) => void;
  list: ReturnType<typeof useFiles>;
}

function FileList({ files, chosen, setOpen, list }: FileListProps) {
  return (
    <ul className="max-h-[188px] flex-none overflow-auto border-y border-hair" aria-label="Files">
      {files.map((f) => (
        <FileLine
          key={f.key}
          file={f}
          chosen={f.key === chosen?.key}
          onChoose={() => setOpen(f.key)}
          onRemove={() => list.remove(f.key)}
        />
      ))}
    </ul>
  );
}

interface BesideProps {
  chosen: ForeignEntry | undefined;
  list: ReturnType<typeof useFiles>;
  id: string;
  units: Units;
}

function Beside({ chosen, list, id, units }: BesideProps) {
  return (
    <aside
      className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel"
      aria-label="Mapping and training log"
    >
      {chosen?.table && <MappingPanel table={chosen.table} onChange={(m) => void list.remap(chosen.key, m)} />}
      <UsualFoundNote id={id} units={units} />
      <FeedPanel id={id} />
    </aside>
  );
}
