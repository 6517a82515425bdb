/** Approaches: what each school prescribes, as grids; the coach's copies; two compared on a season; who follows what. */

import { useMemo, useState } from "react";
import type { NavigateFunction } from "react-router";
import { useNavigate, useParams, useSearchParams } from "react-router";
import type { FollowBody, PreviewBody } from "../../api/requests";
import type { ApproachesView, ApproachView } from "../../api/views";
import type { Approach, Phase } from "../../core/athlete";
import { approachFaults } from "../../core/dose";
import { ruleOf } from "../../core/rulebook";
import { CellForm } from "../approaches/CellForm";
import { ChangesSheet } from "../approaches/ChangesSheet";
import { Compare } from "../approaches/Compare";
import { Follow } from "../approaches/Follow";
import { Grid, type GridPlace } from "../approaches/Grid";
import { useChanges } from "../approaches/useChanges";
import { saidOf, THEIRS } from "../data/api";
import {
  useApproaches,
  useCopyApproach,
  useDeleteApproach,
  useFollow,
  useSaveApproach,
  useSaveClubRules,
  useSaveFollow,
  useVersions,
} from "../data/dose";
import { useSquad } from "../data/hooks";
import { useHeld } from "../data/tags";
import { PHASE_NAMES } from "../format";
import { useCurrentRow } from "../frame/current";
import { Field } from "../ui/form";
import { ICON } from "../ui/glyphs";
import { Held } from "../ui/Held";
import { PageHeader } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Sheet } from "../ui/Sheet";
import { Failed, LoadingNote } from "../ui/State";
import { tell, tellFault } from "../ui/tell";
import { useUnsaved } from "../ui/useUnsaved";

export default function ApproachesRoute() {
  const approaches = useApproaches();
  if (approaches.isPending) return <LoadingNote what="the approaches" />;
  if (approaches.isError)
    return <Failed error={approaches.error} retry={() => approaches.refetch()} what="The approaches" />;
  return <View view={approaches.data} />;
}

type Tab = "grid" | "compare" | "follow";
const TABS: readonly (readonly [Tab, string])[] = [
  ["grid", "Grid"],
  ["compare", "Compare"],
  ["follow", "Who follows what"],
];

/** What waits for its preview to be kept. */
type Waiting =
  | { what: "approach"; approach: Approach }
  | { what: "follow"; body: FollowBody }
  | { what: "rules"; rulesOff: string[] };

/** What a change that is looked at is about. */
const thingFor = (w: Waiting, athlete: string): string =>
  w.what === "approach"
    ? `approaches/${w.approach.id}`
    : w.what === "follow"
      ? `athletes/${athlete}/follow`
      : "approaches/rules";

/** A change that is looked at before it is kept: of an approach, of what an athlete follows, or of the rules of all. */
function useLooked(view: ApproachesView, athlete: string, everybody: readonly string[]) {
  const [waiting, setWaiting] = useState<Waiting | null>(null);
  const [note, setNote] = useState("");
  /** Rises where another's version was kept: the editor begins anew with it. */
  const [round, setRound] = useState(0);
  const changes = useChanges();
  const save = useSaveApproach();
  const saveFollow = useSaveFollow(athlete);
  const saveRules = useSaveClubRules();
  const preview = (w: Waiting) => {
    setWaiting(w);
    setNote("");
    const body: PreviewBody =
      w.what === "approach"
        ? { approach: w.approach }
        : w.what === "follow"
          ? { follow: w.body }
          : { clubRulesOff: w.rulesOff };
    const ids =
      w.what === "approach"
        ? (view.approaches.find((v) => v.approach.id === w.approach.id)?.users ?? []).map((u) => u.id)
        : w.what === "follow"
          ? [athlete]
          : everybody;
    void changes.ask(ids, body);
  };
  const done = (answer: unknown, words: string) => {
    setWaiting(null);
    if (answer === THEIRS) setRound((n) => n + 1);
    changes.stop();
    tell(saidOf(answer, words));
  };
  const keep = () => {
    if (!waiting) return;
    const fail = (e: Error) => tellFault(e.message);
    if (waiting.what === "approach")
      save.mutate(
        { approach: waiting.approach, ...(note ? { note } : {}) },
        { onSuccess: (a) => done(a, `${waiting.approach.name} is saved as a new version.`), onError: fail },
      );
    else if (waiting.what === "follow")
      saveFollow.mutate(waiting.body, {
        onSuccess: (a) => done(a, "Saved. It can be undone under Changes."),
        onError: fail,
      });
    else
      saveRules.mutate(waiting.rulesOff, {
        onSuccess: (a) => done(a, "The rules of all athletes are saved."),
        onError: fail,
      });
  };
  const close = () => {
    changes.stop();
    setWaiting(null);
  };
  const busy = save.isPending || saveFollow.isPending || saveRules.isPending;
  return { waiting, note, setNote, round, changes, saving: save.isPending, busy, preview, keep, close };
}

function View({ view }: { view: ApproachesView }) {
  const { approach: asked } = useParams();
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const row = useCurrentRow();
  const squad = useSquad();
  const tab = TABS.find(([t]) => t === search.get("tab"))?.[0] ?? "grid";
  const of = view.approaches.find((v) => v.approach.id === asked) ?? view.approaches[0];
  const follow = useFollow(row?.id ?? "");
  const everybody = squad.data?.rows.map((r) => r.id) ?? [];
  const looked = useLooked(view, row?.id ?? "", everybody);
  const { waiting, preview } = looked;
  if (!of) return null;

  const switchTo = (phase: Phase | "all", approach: string) => {
    if (!follow.data) return;
    const { approachByPhase, rulesOff } = follow.data;
    preview({
      what: "follow",
      body:
        phase === "all"
          ? { approach, approachByPhase: {}, rulesOff }
          : { approach: follow.data.approach, approachByPhase: { ...approachByPhase, [phase]: approach }, rulesOff },
    });
  };
  const [a, b] = [
    search.get("a") ?? follow.data?.approach ?? "layered",
    search.get("b") ?? (of.approach.id === (follow.data?.approach ?? "layered") ? "heavy-economy" : of.approach.id),
  ];
  const go = (next: Record<string, string>) => setSearch({ ...Object.fromEntries(search), ...next }, { replace: true });

  return (
    <div className="list-pane">
      {waiting && <Held thing={thingFor(waiting, row?.id ?? "")} />}
      <ApproachList view={view} of={of} tab={tab} navigate={navigate} />
      <main className="flex min-h-0 min-w-0 flex-col">
        <PageHeader
          title={
            tab === "grid"
              ? of.approach.name
              : tab === "compare"
                ? "Two approaches"
                : `${row?.name ?? "Nobody"} and the rules`
          }
        >
          {tab === "grid" && (
            <span className="truncate text-label text-ink2">
              {of.own
                ? `version ${of.approach.version}, copied from ${nameOf(view, of.approach.basis)}`
                : "as it ships, read only"}
            </span>
          )}
          <span className="flex-1" />
          <Segments<Tab> name="What is shown" value={tab} onChange={(t) => go({ tab: t })} options={TABS} />
        </PageHeader>
        {tab === "grid" && (
          <Editor
            key={`${of.approach.id}/${looked.round}`}
            view={of}
            busy={looked.saving}
            onSave={(approach) => preview({ what: "approach", approach })}
          />
        )}
        {tab === "compare" && (
          <Compare
            id={row?.id ?? ""}
            name={row?.name ?? ""}
            approaches={view.approaches}
            a={a}
            b={b}
            onPick={(which, id) => go({ a, b, [which]: id })}
            onSwitch={switchTo}
          />
        )}
        {tab === "follow" &&
          (row && follow.data ? (
            <Follow
              key={JSON.stringify(follow.data) + row.id}
              name={row.name}
              view={follow.data}
              approaches={view.approaches}
              onPreview={(body) => preview({ what: "follow", body })}
              onClubRules={(rulesOff) => preview({ what: "rules", rulesOff })}
            />
          ) : (
            <LoadingNote what="what is followed" />
          ))}
      </main>
      <Looked looked={looked} athlete={row?.name ?? ""} view={view} />
    </div>
  );
}

const nameOf = (view: ApproachesView, id: string): string =>
  view.approaches.find((v) => v.approach.id === id)?.approach.name ?? id;

function rulesWords(was: readonly string[], is: readonly string[]): string {
  const differ = [...was.filter((x) => !is.includes(x)), ...is.filter((x) => !was.includes(x))];
  return differ.map((id) => ruleOf(id)?.title ?? id).join(", ");
}

function Entry({ view: v, here, onOpen }: { view: ApproachView; here: boolean; onOpen: () => void }) {
  const users = v.users.length;
  return (
    <button
      type="button"
      aria-current={here ? "page" : undefined}
      onClick={onOpen}
      className={`relative block w-full px-4 py-1.5 text-left ${here ? "bg-iron-l before:absolute before:inset-y-0 before:left-0 before:w-[3px] before:bg-iron" : "hover:bg-surface"}`}
    >
      <span className="block font-medium">{v.approach.name}</span>
      <span className="block text-label leading-4 text-ink2">
        {users === 0 ? "nobody follows it" : users === 1 ? (v.users[0]?.name ?? "") : `${users} athletes`}
      </span>
    </button>
  );
}

/** The same whatever the order of its keys, which a version gets from the server. */
const inOrder = (value: unknown): string =>
  JSON.stringify(value, (_, v: unknown) =>
    v !== null && typeof v === "object" && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );

/** Whether two versions say the same. */
const sameGrid = (a: Approach, b: Approach): boolean => inOrder({ ...a, version: 0 }) === inOrder({ ...b, version: 0 });

interface EditorProps {
  view: ApproachView;
  busy: boolean;
  onSave: (a: Approach) => void;
}

/** The grid with the chosen cell beside it. A shipped approach can be looked at, a copy changed. */
function Editor({ view: v, busy, onSave }: EditorProps) {
  useHeld(v.own ? `approaches/${v.approach.id}` : null);
  const [draft, setDraft] = useState(v.approach);
  /** What the draft began with. A newer version takes its place only while nothing was changed here, or once it says the same. */
  const [from, setFrom] = useState(v.approach);
  if (v.approach.version !== from.version && (sameGrid(draft, from) || sameGrid(draft, v.approach))) {
    setFrom(v.approach);
    setDraft(v.approach);
  }
  const [at, setAt] = useState<GridPlace>({ stage: "build", column: "squat" });
  const [sheet, setSheet] = useState<"copy" | "versions" | "remove" | null>(null);
  const faults = useMemo(() => approachFaults(draft), [draft]);
  const changed = !sameGrid(draft, v.approach);
  useUnsaved(changed);
  const inCell = (p: GridPlace) =>
    faults.some((f) =>
      (p.column === "week"
        ? [`rows.${p.stage}.perWeek`]
        : [`rows.${p.stage}.cells.${p.column}.`, `lines.${p.stage}.${p.column}.`]
      ).some((at) => f.path.startsWith(at)),
    );
  const first = faults[0];
  return (
    <div className="two-pane min-h-0 flex-1">
      <section aria-label="Grid" className="min-w-0 overflow-auto px-4 pb-4">
        <Grid approach={draft} was={v.approach} at={at} faulty={inCell} onChoose={setAt} />
        <p className="mt-2 max-w-[92ch] text-label leading-4 text-ink2">
          RIR is the repetitions in reserve; the last line is the rest, and the tempo where it is not the exercise's
          own. Sets and sessions: the low end for new lifters and full weeks, the high end for trained ones with room.
          Repetitions move inside their range by progress. The leading lifts are common practice; the accessory work and
          the layered approach, are our assumptions.
        </p>
      </section>
      <aside className="flex min-h-0 flex-col border-l border-hair bg-panel" aria-label="The chosen cell">
        <div className="min-h-0 flex-1 overflow-auto">
          <CellForm approach={draft} at={at} faults={faults} locked={!v.own} onChange={setDraft} />
          <div className="sec">
            <h2 className="sec-h">In words</h2>
            <p className="text-label leading-4">{draft.rows[at.stage].says}.</p>
          </div>
          <div className="sec flex-1">
            <h2 className="sec-h">Who follows it</h2>
            {v.users.length === 0 ? (
              <p className="text-label text-ink2">Nobody.</p>
            ) : (
              <ul className="text-label leading-5">
                {v.users.map((u) => (
                  <li key={u.id}>
                    {u.name}
                    {u.phases && (
                      <span className="text-ink2">
                        , {u.phases.map((p) => PHASE_NAMES[p].toLowerCase()).join(", ")} only
                      </span>
                    )}
                  </li>
                ))}
              </ul>
            )}
          </div>
        </div>
        <div className="flex flex-none flex-wrap gap-2 border-t border-hair bg-panel p-3">
          {v.own ? (
            <>
              {first && (
                <p role="alert" className="w-full text-label leading-4 text-brick-ink">
                  {faults.length === 1 ? "One cell" : `${faults.length} figures`} cannot be kept: {first.expected}.
                </p>
              )}
              <button
                type="button"
                className="btn btn-pri"
                disabled={!changed || faults.length > 0 || busy}
                onClick={() => onSave(draft)}
              >
                See what changes
              </button>
              <button type="button" className="btn" disabled={!changed} onClick={() => setDraft(v.approach)}>
                {ICON.undo} Discard
              </button>
              <button type="button" className="btn btn-sm" onClick={() => setSheet("versions")}>
                Versions
              </button>
              <button type="button" className="btn btn-sm" onClick={() => setSheet("copy")}>
                Copy
              </button>
              <button type="button" className="btn btn-sm" onClick={() => setSheet("remove")}>
                Remove
              </button>
            </>
          ) : (
            <button type="button" className="btn btn-pri" onClick={() => setSheet("copy")}>
              Make a copy to change
            </button>
          )}
        </div>
      </aside>
      {sheet === "copy" && <CopySheet view={v} onClose={() => setSheet(null)} />}
      {sheet === "versions" && (
        <VersionsSheet
          id={v.approach.id}
          onClose={() => setSheet(null)}
          onTake={(a) => {
            setDraft({ ...a, version: v.approach.version });
            setSheet(null);
          }}
        />
      )}
      {sheet === "remove" && <RemoveSheet view={v} onClose={() => setSheet(null)} />}
    </div>
  );
}

function CopySheet({ view: v, onClose }: { view: ApproachView; onClose: () => void }) {
  const [name, setName] = useState(`${v.approach.name}, ours`);
  const copy = useCopyApproach();
  const navigate = useNavigate();
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Copy ${v.approach.name}`}
      note="The copy is yours to change; every saved change is a version that can be brought back."
    >
      <form
        onSubmit={(e) => {
          e.preventDefault();
          copy.mutate(
            { basis: v.approach.id, name: name.trim() },
            {
              onSuccess: ({ id }) => {
                onClose();
                navigate(`/approaches/${id}`);
              },
            },
          );
        }}
      >
        <Field id="copy-name" label="Name" error={copy.error?.message}>
          <input
            id="copy-name"
            className="input"
            maxLength={60}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        </Field>
        <div className="mt-3 flex justify-end">
          <button type="submit" className="btn btn-pri" disabled={copy.isPending || name.trim() === ""}>
            Copy
          </button>
        </div>
      </form>
    </Sheet>
  );
}

function VersionsSheet({ id, onClose, onTake }: { id: string; onClose: () => void; onTake: (a: Approach) => void }) {
  const versions = useVersions(id, true);
  return (
    <Sheet
      open
      onClose={onClose}
      title="Versions"
      note="Bringing one back puts it into the grid; it is kept as a new version once you save."
    >
      {versions.isPending ? (
        <LoadingNote what="the versions" />
      ) : versions.isError ? (
        <Failed error={versions.error} retry={() => versions.refetch()} what="The versions" />
      ) : (
        <ul>
          {versions.data.map((x, i) => (
            <li key={x.approach.version} className="flex items-center gap-3 border-b border-hair2 py-2 last:border-b-0">
              <span className="w-8 font-semibold">{x.approach.version}</span>
              <span className="min-w-0 flex-1 text-label leading-4">
                {x.note || "no note"}
                <span className="block text-ink2">{x.at.slice(0, 16).replace("T", " ")}</span>
              </span>
              {i === 0 ? (
                <span className="text-label text-ink2">in use</span>
              ) : (
                <button type="button" className="btn btn-sm" onClick={() => onTake(x.approach)}>
                  Bring back
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
    </Sheet>
  );
}

function RemoveSheet({ view: v, onClose }: { view: ApproachView; onClose: () => void }) {
  const remove = useDeleteApproach();
  const navigate = useNavigate();
  return (
    <Sheet open onClose={onClose} title={`Remove ${v.approach.name}?`}>
      <p className="mb-3">
        Its {v.approach.version} version{v.approach.version === 1 ? "" : "s"} go with it, and cannot be brought back.
        {v.users.length > 0 ? " Somebody follows it: choose another for them first." : ""}
      </p>
      {remove.error && (
        <p role="alert" className="mb-2 text-label text-brick-ink">
          {remove.error.message}
        </p>
      )}
      <div className="flex justify-end gap-2">
        <button type="button" className="btn" onClick={onClose}>
          Keep it
        </button>
        <button
          type="button"
          className="btn btn-pri"
          disabled={remove.isPending || v.users.length > 0}
          onClick={() =>
            remove.mutate(v.approach.id, {
              onSuccess: () => {
                onClose();
                navigate("/approaches");
              },
            })
          }
        >
          Remove
        </button>
      </div>
    </Sheet>
  );
}

interface ApproachListProps {
  view: ApproachesView;
  of: ApproachView;
  tab: Tab;
  navigate: NavigateFunction;
}

function ApproachList({ view, of, tab, navigate }: ApproachListProps) {
  return (
    <nav aria-label="Approaches" className="min-h-0 overflow-auto border-r border-hair bg-panel py-3">
      <h2 className="sec-h px-4">As they ship</h2>
      {view.approaches
        .filter((v) => !v.own)
        .map((v) => (
          <Entry
            key={v.approach.id}
            view={v}
            here={v === of && tab === "grid"}
            onOpen={() => navigate(`/approaches/${v.approach.id}`)}
          />
        ))}
      <h2 className="sec-h mt-4 px-4">Your copies</h2>
      {view.approaches
        .filter((v) => v.own)
        .map((v) => (
          <Entry
            key={v.approach.id}
            view={v}
            here={v === of && tab === "grid"}
            onOpen={() => navigate(`/approaches/${v.approach.id}`)}
          />
        ))}
      {!view.approaches.some((v) => v.own) && (
        <p className="px-4 text-label leading-4 text-ink2">None yet. Copy one to change it; the shipped ones stay.</p>
      )}
    </nav>
  );
}

interface LookedProps {
  looked: ReturnType<typeof useLooked>;
  athlete: string;
  view: ApproachesView;
}

/** What a change comes to, before it is kept. */
function Looked({ looked, athlete, view }: LookedProps) {
  const { waiting, changes, note, setNote } = looked;
  return (
    <>
      {waiting && changes.state && (
        <ChangesSheet
          changes={changes.state}
          title={
            waiting.what === "approach"
              ? `${waiting.approach.name}: what changes`
              : waiting.what === "follow"
                ? `${athlete}: what changes`
                : `${rulesWords(view.rulesOff, waiting.rulesOff)}: what changes`
          }
          save={waiting.what === "approach" ? `Save version ${waiting.approach.version + 1}` : "Save"}
          saving={looked.busy}
          onSave={looked.keep}
          onClose={looked.close}
        >
          {waiting.what === "approach" && (
            <div className="mt-3">
              <label htmlFor="version-note" className="block text-label font-medium">
                What this version is about <span className="font-normal text-ink2">(may stay empty)</span>
              </label>
              <input
                id="version-note"
                className="input"
                maxLength={200}
                value={note}
                onChange={(e) => setNote(e.target.value)}
              />
            </div>
          )}
        </ChangesSheet>
      )}
    </>
  );
}
