/** Records: races, endurance sessions and weekly windows, to add and edit; the athlete's file in and out. */

import { lazy, Suspense, useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import type { AthleteView, EnduranceView } from "../../api/views";
import type { Race, Window } from "../../core/athlete";
import { minutesOf, WEEKDAY_NAMES } from "../../core/dates";
import { why } from "../../core/rulebook";
import { useAthlete } from "../data/hooks";
import { day, distance, duration, massNumber, SPORT_NAMES, type Units } from "../format";
import { Asked } from "../ui/Asked";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Failed, LoadingNote } from "../ui/State";

const RaceSheet = lazy(() => import("../ui/RaceSheet"));
const EnduranceSheet = lazy(() => import("../ui/EnduranceSheet"));
const HandOverSheet = lazy(() => import("../records/HandOverSheet"));
const EraseSheet = lazy(() => import("../ui/EraseSheet"));
const WindowSheet = lazy(() => import("../ui/WindowSheet"));

type Open =
  | { kind: "race"; race: Race | null }
  | { kind: "endurance"; session: EnduranceView | null }
  | { kind: "window"; at: number | null };

export default function RecordsRoute() {
  const { id = "" } = useParams();
  const athlete = useAthlete(id);
  if (athlete.isPending) return <LoadingNote what="the records" />;
  if (athlete.isError) return <Failed error={athlete.error} retry={() => athlete.refetch()} what="The records" />;
  return <Records key={id} view={athlete.data} />;
}

const head = "h-7 text-left text-label text-ink2 shadow-[inset_0_-1px_0_var(--color-ground)] [&>th]:font-semibold";
const line = "h-8 cursor-pointer border-b border-hair2 hover:bg-panel";

function Records({ view }: { view: AthleteView }) {
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const [opened, setOpened] = useState<Open | null>(params.get("add") === "race" ? { kind: "race", race: null } : null);
  const units: Units = { massUnit: view.facts.massUnit ?? "kg", distanceUnit: view.facts.distanceUnit ?? "km" };
  const close = () => {
    setOpened(null);
    if (params.has("add")) setParams({}, { replace: true });
  };
  useKeys("view", [
    { key: "r", label: "add race", run: () => setOpened({ kind: "race", race: null }), bar: true },
    { key: "e", label: "add endurance", run: () => setOpened({ kind: "endurance", session: null }), bar: true },
    { key: "i", label: "import", run: () => navigate(`/a/${view.id}/import`), bar: true },
    { key: "w", label: "add free time slot", run: () => setOpened({ kind: "window", at: null }), bar: true },
  ]);
  const races = [...view.races].sort((a, b) => (a.date < b.date ? -1 : 1));
  const windows = view.windows
    .map((w, at) => ({ w, at }))
    .sort((a, b) => a.w.day - b.w.day || minutesOf(a.w.start) - minutesOf(b.w.start));
  const title = (text: string, add: string, onAdd: () => void) => (
    <div className="mb-1 flex items-center gap-2">
      <h2 className="text-lead leading-6 font-[650]">{text}</h2>
      <span className="flex-1" />
      <button type="button" className="btn btn-sm" onClick={onAdd}>
        {ICON.plus} {add}
      </button>
    </div>
  );
  return (
    <main className="flex h-full flex-col">
      <PageHeader title="Records" note="what the plan is worked out from">
        <span className="flex-1" />
        <Link className="btn" to={`/a/${view.id}/import`}>
          {ICON.file} Import records
        </Link>
        <FileActions view={view} />
      </PageHeader>
      <div className="grid min-h-0 flex-1 grid-cols-2 gap-6 overflow-auto max-[1023px]:grid-cols-1 px-4 pb-4">
        <div className="space-y-6">
          <section>
            {title("Races", "Race", () => setOpened({ kind: "race", race: null }))}
            <Races races={races} setOpened={setOpened} units={units} />
          </section>
          <section>
            {title("Free time", "Free time slot", () => setOpened({ kind: "window", at: null }))}
            <FreeTime windows={windows} setOpened={setOpened} />
          </section>
          <Places view={view} units={units} />
        </div>
        <section>
          {title("Endurance, six weeks either side of today", "Session", () =>
            setOpened({ kind: "endurance", session: null }),
          )}
          <EnduranceTable
            rows={view.endurance.filter((e) => !e.done)}
            name="Ahead"
            units={units}
            onOpen={(session) => setOpened({ kind: "endurance", session })}
          />
          <EnduranceTable
            rows={view.endurance.filter((e) => e.done).reverse()}
            name="Done, latest first"
            units={units}
            onOpen={(session) => setOpened({ kind: "endurance", session })}
          />
          {view.endurance.length === 0 && (
            <p className="py-3 text-ink2">
              Nothing recorded around today. Add sessions, so that strength can be placed around them.
            </p>
          )}
          <p className="mt-1 text-label text-ink2">* effort assumed by kind of session</p>
        </section>
      </div>
      {opened && <Sheets opened={opened} view={view} units={units} close={close} />}
    </main>
  );
}

/** Worth a line from 3% on. */
const isHilly = (e: EnduranceView): boolean =>
  e.flatKm !== null && e.distanceKm !== undefined && Math.abs(e.flatKm / e.distanceKm - 1) >= 0.03;

const flatWhy = (e: EnduranceView, units: Units) =>
  why("hills.flat", "climb", {
    ascent: e.ascentM ?? 0,
    distance: distance(e.flatKm ?? 0, units, 1),
    assumed: e.descentM === undefined,
  });

function EnduranceTable({
  rows,
  name,
  units,
  onOpen,
}: {
  rows: readonly EnduranceView[];
  name: string;
  units: Units;
  onOpen: (e: EnduranceView) => void;
}) {
  if (rows.length === 0) return null;
  return (
    <table className="mb-4 w-full border-collapse">
      <thead>
        <tr className={head}>
          <th>{name}</th>
          <th>Session</th>
          <th>Duration</th>
          <th>Distance</th>
          <th>Load</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((e) => (
          <tr key={e.id} className={line} onClick={() => onOpen(e)}>
            <td className="whitespace-nowrap">
              <button type="button" className="link" onClick={() => onOpen(e)}>
                {day(e.date)}
              </button>{" "}
              <span className="text-label text-ink2">{e.start ?? ""}</span>
            </td>
            <td>
              {SPORT_NAMES[e.sport]}, {e.kind}
              {e.isKey ? <b className="ml-1 text-label text-moss-ink">key</b> : null}
            </td>
            <td>{duration(e.minutes)}</td>
            <td>
              {e.distanceKm === undefined ? "–" : distance(e.distanceKm, units, 1)}
              {isHilly(e) && e.flatKm !== null && (
                // biome-ignore lint/a11y/noStaticElementInteractions: keeps a click on the figure from opening the row
                // biome-ignore lint/a11y/useKeyWithClickEvents: the button inside has the keys
                <span className="block text-label leading-4 text-ink2" onClick={(event) => event.stopPropagation()}>
                  <Asked reasons={[flatWhy(e, units)]}>flat {distance(e.flatKm, units, 1)}</Asked>
                </span>
              )}
            </td>
            <td>
              {e.load}
              {e.rpe === undefined ? <span title="RPE assumed by kind">*</span> : null}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function placeWords(p: AthleteView["places"][number], units: Units): string {
  const kg = (n: number) => massNumber(n, units);
  const parts = [
    p.bars.length ? `bars ${p.bars.map((b) => `${b.kind} ${kg(b.massKg)}`).join(", ")}` : "",
    p.plates.length ? `plates ${p.plates.map((x) => `${x.pairs} × ${kg(x.massKg)}`).join(", ")}` : "",
    p.dumbbellsKg.length ? `dumbbells ${p.dumbbellsKg.map((x) => kg(x.massKg)).join(", ")}` : "",
    p.kettlebellsKg.length ? `kettlebells ${p.kettlebellsKg.map((x) => kg(x.massKg)).join(", ")}` : "",
    p.machines.map((m) => m.kind).join(", "),
    p.bands.length ? `bands ${p.bands.join(", ")}` : "",
    p.other.join(", "),
  ].filter(Boolean);
  return `${parts.join("; ") || "nothing"} (${units.massUnit})`;
}

function FileActions({ view }: { view: AthleteView }) {
  const [asking, setAsking] = useState(false);
  const [over, setOver] = useState(false);
  return (
    <>
      <button type="button" className="btn" aria-haspopup="dialog" onClick={() => setOver(true)}>
        Next season, archive
      </button>
      {over && <HandOverSheet view={view} onClose={() => setOver(false)} />}
      <a className="btn" href={`/api/athletes/${view.id}/file`} download>
        {ICON.down} Export file
      </a>
      <button type="button" className="btn" onClick={() => setAsking(true)}>
        {ICON.bin} Erase athlete
      </button>
      {asking && <EraseSheet view={view} onClose={() => setAsking(false)} />}
    </>
  );
}

interface RacesProps {
  races: Race[];
  setOpened: (value: Open | null) => void;
  units: Units;
}

function Races({ races, setOpened, units }: RacesProps) {
  return (
    <>
      {races.length === 0 ? (
        <p className="py-3 text-ink2">No race entered: phases roll in blocks of base and build until there is one.</p>
      ) : (
        <table className="w-full border-collapse">
          <thead>
            <tr className={head}>
              <th className="w-8">
                <span className="sr-only">Priority</span>
              </th>
              <th>Race</th>
              <th>Date</th>
              <th>Distance</th>
              <th>Expected</th>
            </tr>
          </thead>
          <tbody>
            {races.map((r) => (
              <tr key={r.id} className={line} onClick={() => setOpened({ kind: "race", race: r })}>
                <td className="font-bold text-brick-ink">{r.priority}</td>
                <td>
                  <button type="button" className="link text-left" onClick={() => setOpened({ kind: "race", race: r })}>
                    {r.name}
                  </button>
                </td>
                <td>{day(r.date)}</td>
                <td>{r.distanceKm === undefined ? "–" : distance(r.distanceKm, units, 1)}</td>
                <td>{r.expectedMinutes === undefined ? "assumed" : duration(r.expectedMinutes)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

function FreeTime({
  windows,
  setOpened,
}: {
  windows: { w: Window; at: number }[];
  setOpened: (value: Open | null) => void;
}) {
  return (
    <>
      {windows.length === 0 ? (
        <p className="py-3 text-ink2">No free time slot yet: without one no session can be placed.</p>
      ) : (
        <table className="w-full border-collapse">
          <thead>
            <tr className={head}>
              <th>Day</th>
              <th>From</th>
              <th>Length</th>
              <th>Place</th>
            </tr>
          </thead>
          <tbody>
            {windows.map(({ w, at }) => (
              <tr key={at} className={line} onClick={() => setOpened({ kind: "window", at })}>
                <td>
                  <button type="button" className="link" onClick={() => setOpened({ kind: "window", at })}>
                    {WEEKDAY_NAMES[w.day - 1]}
                  </button>
                </td>
                <td>{w.start}</td>
                <td>{duration(w.minutes)}</td>
                <td>{w.place}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

function Places({ view, units }: { view: AthleteView; units: Units }) {
  return (
    <section>
      <h2 className="mb-1 flex items-baseline gap-3 text-lead leading-6 font-[650]">
        Places
        <Link className="link text-label font-normal" to={`/a/${view.id}/intake/places`}>
          change them in the intake
        </Link>
      </h2>
      <ul className="space-y-1.5 text-label leading-4">
        {view.places.map((p) => (
          <li key={p.id}>
            <b>{p.id}</b>: {placeWords(p, units)}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface SheetsProps {
  opened: Open;
  view: AthleteView;
  units: Units;
  close: () => void;
}

/** What is being added or edited. */
function Sheets({ opened, view, units, close }: SheetsProps) {
  return (
    <Suspense fallback={null}>
      {opened.kind === "race" && (
        <RaceSheet id={view.id} race={opened.race} season={view.season} units={units} onClose={close} />
      )}
      {opened.kind === "endurance" && (
        <EnduranceSheet
          id={view.id}
          session={opened.session}
          date={view.season.start}
          sport={view.facts.sport}
          units={units}
          onClose={close}
        />
      )}
      {opened.kind === "window" && (
        <WindowSheet
          id={view.id}
          windows={view.windows}
          at={opened.at}
          places={view.places.map((p) => p.id)}
          onClose={close}
        />
      )}
    </Suspense>
  );
}
