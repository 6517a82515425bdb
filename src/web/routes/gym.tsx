/** The gym on one day: who lifts when and on which rack, and the hours fitted together so that there is room. */
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import type { GymRow, GymView } from "../../api/views";
import { addDays, mondayOf } from "../../core/dates";
import { why } from "../../core/rulebook";
import { useGym, useSaveGym, useTakeGym, useUndoFor } from "../data/gym";
import { useClub } from "../data/hooks";
import { day, duration, placeName, sessionName, time } from "../format";
import { GymSheet } from "../gym/GymSheet";
import { Asked } from "../ui/Asked";
import { ICON, WarnIcon } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader, Steps } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Failed, LoadingNote } from "../ui/State";
import { tellFault, tellUndo } from "../ui/tell";

type Shown = "now" | "next";

export default function GymRoute() {
  const club = useClub();
  const { date = club.data?.today ?? "" } = useParams();
  const [place, setPlace] = useState<string | null>(null);
  const gym = useGym(date, place);
  if (gym.isPending) return <LoadingNote what="the gym" />;
  if (gym.isError) return <Failed error={gym.error} retry={() => gym.refetch()} what="The gym" />;
  return <Gym view={gym.data} onPlace={setPlace} />;
}

/** Quarters of an hour with more racks or athletes than there are. */
const over = (view: GymView, shown: Shown): number =>
  (shown === "now" ? view.before : view.after).filter(
    (o) => o.racks > view.limits.racks || o.athletes > view.limits.athletes,
  ).length;

const moved = (r: GymRow, date: string): boolean => !r.next || r.next.date !== date || r.next.start !== r.now.start;

function Gym({ view, onPlace }: { view: GymView; onPlace: (place: string) => void }) {
  const navigate = useNavigate();
  const [shown, setShown] = useState<Shown>("now");
  const save = useSaveGym();
  const take = useTakeGym(view.date);
  const undo = useUndoFor();
  const go = (by: number) => navigate(`/gym/${addDays(view.date, by)}`);
  const changes = view.rows.filter((r) => moved(r, view.date));
  const crowded = over(view, "now");
  const more = view.rows.reduce((a, r) => a + (r.change ?? 0), 0);
  const limits = (change: Partial<GymView["limits"]>) =>
    save.mutate({ place: view.place, ...view.limits, ...change }, { onError: (e) => tellFault(e.message) });
  const takeOver = () =>
    take.mutate(view.place, {
      onSuccess: ({ changed }) => {
        setShown("now");
        tellUndo(`${changed.length} session${changed.length === 1 ? "" : "s"} moved.`, () => undo.mutate(changed));
      },
      onError: (e) => tellFault(e.message),
    });
  useKeys("view", [
    { key: "ArrowLeft", label: "", run: () => go(-1), bar: true },
    { key: "ArrowRight", label: "day", run: () => go(1), bar: true },
    { key: "f", label: "shared out", run: () => setShown(shown === "now" ? "next" : "now"), bar: true },
  ]);
  return (
    <div className="two-pane">
      <main className="flex min-w-0 flex-col">
        <PageHeader title={<>Gym on {day(view.date)}</>}>
          <Steps before="Day before" next="Next day" onStep={go} />
          {view.gyms.length > 0 && (
            <label className="flex items-center gap-2 text-label">
              <span className="sr-only">Place</span>
              <select className="input h-8 w-[140px]" value={view.place} onChange={(e) => onPlace(e.target.value)}>
                {view.gyms.map((g) => (
                  <option key={g.place} value={g.place}>
                    {placeName(g.place)} ({g.athletes})
                  </option>
                ))}
              </select>
            </label>
          )}
          <span className="flex-1" />
          {view.rows.length > 0 && (
            <a className="btn" href={`/api/gym/${view.date}/cards.pdf`} target="_blank" rel="noreferrer">
              {ICON.file} Cards
            </a>
          )}
          <Segments<Shown>
            name="Hours shown"
            value={shown}
            onChange={setShown}
            options={[
              ["now", "As planned"],
              ["next", "Shared out"],
            ]}
          />
          <button
            type="button"
            className="btn btn-pri"
            disabled={changes.length === 0 || take.isPending}
            onClick={takeOver}
          >
            {take.isPending ? "Storing…" : "Apply"}
          </button>
        </PageHeader>
        {view.rows.length === 0 ? (
          <p className="m-4 text-ink2">
            Nobody has a session planned in a gym on this day. The arrows walk to other days.
          </p>
        ) : (
          <GymSheet view={view} shown={shown} />
        )}
      </main>
      <aside className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel" aria-label="Room in the gym">
        <div className="sec">
          <h2 className="text-title leading-6 font-[650]">{placeName(view.place) || "No gym"}</h2>
          <div className="mt-2 grid grid-cols-2 gap-3">
            <Count label="Racks" value={view.limits.racks} least={0} onChange={(racks) => limits({ racks })} />
            <Count
              label="Athletes at once"
              value={view.limits.athletes}
              least={1}
              onChange={(athletes) => limits({ athletes })}
            />
          </div>
        </div>
        <SharedOut crowded={crowded} view={view} changes={changes} more={more} />
        <div className="sec flex-1">
          <h3 className="sec-h">Who lifts</h3>
          <ul>
            {view.rows.map((r) => (
              <li key={r.id} className="flex gap-2 text-label leading-6">
                <Link className="link flex-1 leading-6" to={`/a/${r.id}/session/${view.date}/${r.label}`}>
                  {r.name}
                </Link>
                <span className="text-ink2">
                  {sessionName(r.label, r.emphasis)}, {duration(r.minutes)}
                </span>
              </li>
            ))}
          </ul>
        </div>
      </aside>
    </div>
  );
}

function Count({
  label,
  value,
  least,
  onChange,
}: {
  label: string;
  value: number;
  least: number;
  onChange: (n: number) => void;
}) {
  return (
    <div>
      <span className="mb-1 block text-label font-medium">{label}</span>
      <div className="flex items-center gap-1.5">
        <button
          type="button"
          className="btn btn-sm btn-sq"
          aria-label={`Fewer: ${label}`}
          disabled={value <= least}
          onClick={() => onChange(value - 1)}
        >
          {ICON.minus}
        </button>
        <output className="num w-8 text-center text-title font-semibold" aria-label={label}>
          {value}
        </output>
        <button
          type="button"
          className="btn btn-sm btn-sq"
          aria-label={`More: ${label}`}
          onClick={() => onChange(value + 1)}
        >
          {ICON.plus}
        </button>
      </div>
    </div>
  );
}

interface SharedOutProps {
  crowded: number;
  view: GymView;
  changes: GymRow[];
  more: number;
}

/** Whether there is room, and who would move. */
function SharedOut({ crowded, view, changes, more }: SharedOutProps) {
  return (
    <div className="sec">
      <h3 className="sec-h">Shared out</h3>
      {crowded > 0 ? (
        <p className="flex gap-1.5 text-label leading-4 text-brick-ink">
          <WarnIcon />
          <span>
            As planned there is no room for {crowded * 15} min: more racks or athletes are wanted than there are.
          </span>
        </p>
      ) : (
        <p className="text-label leading-4 text-ink2">
          As planned there is room for everybody
          {view.fit.togetherNow > 0
            ? `; heavy sets at the same time weigh ${view.fit.togetherNow}, since one coach stands by one rack.`
            : "."}
        </p>
      )}
      <p className="mt-2 text-label leading-4">
        <Asked
          reasons={[why("gym.fit", "points", view.fit)]}
          className="num text-figure leading-7 font-semibold"
          label={`Disturbance of the shared hours ${view.fit.cost}`}
        >
          {view.fit.cost}
        </Asked>{" "}
        points in all,{" "}
        {changes.length === 0
          ? "nobody moves"
          : `${changes.length === 1 ? "1 athlete moves" : `${changes.length} athletes move`}, ${more > 0 ? `their weeks are disturbed ${more} points more` : more < 0 ? `their weeks are disturbed ${-more} points less` : "their weeks are disturbed no more"}`}
        .
      </p>
      <ul>
        {changes.map((r) => (
          <li key={r.id} className="border-t border-hair2 py-1 text-label leading-6 first:border-t-0">
            <Link className="link font-semibold" to={`/a/${r.id}/week/${mondayOf(view.date)}`}>
              {r.name}
            </Link>
            : {time(r.now.start)} to{" "}
            {r.next
              ? `${r.next.date === view.date ? "" : `${day(r.next.date)} `}${time(r.next.start)}`
              : "no hour left"}
            <span className="text-ink2">
              {r.change === null
                ? ""
                : r.change === 0
                  ? ", no change"
                  : `, ${r.change > 0 ? "+" : "−"}${Math.abs(r.change)}`}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
