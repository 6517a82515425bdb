/** Change several: one change for many athletes, with what it does to each before it is made, and one undo after. */
import { useState } from "react";
import { useSearchParams } from "react-router";
import type { GroupView, ManyAnswer, ManyChoices, ManyKind } from "../../api/many";
import { useClub } from "../data/hooks";
import { useGroups, useMakeMany, useManyChoices, useManyEntries, usePreviews, useUndoMany } from "../data/many";
import { counted, moment } from "../format";
import { changeOf, type Draft, emptyDraft, KINDS, MISSING } from "../many/drafts";
import { PreviewRows } from "../many/PreviewRows";
import { WhatForm } from "../many/WhatForm";
import { Who } from "../many/Who";
import { PageHeader } from "../ui/page";
import { Empty, Failed, LoadingNote } from "../ui/State";
import { tell, tellFault, tellUndo } from "../ui/tell";
import { useSettled } from "../ui/useSettled";

/** What is typed rests this long before it is tried, ms. */
const REST = 350;

export default function SeveralRoute() {
  const [choices, groups, club] = [useManyChoices(), useGroups(), useClub()];
  if (choices.isPending || groups.isPending || club.isPending) return <LoadingNote what="the club" />;
  if (choices.isError) return <Failed error={choices.error} retry={() => choices.refetch()} what="The club" />;
  if (groups.isError) return <Failed error={groups.error} retry={() => groups.refetch()} what="The groups" />;
  return <Several choices={choices.data} groups={groups.data} today={club.data?.today ?? ""} />;
}

/** Places of those who are chosen, the most common first. */
function placesOf(choices: ManyChoices, chosen: ReadonlySet<string>): string[] {
  const counts = new Map<string, number>();
  for (const a of choices.athletes)
    if (chosen.size === 0 || chosen.has(a.id)) for (const p of a.places) counts.set(p, (counts.get(p) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([p]) => p);
}

/** @returns the answer in a sentence or two, with whoever was left out by name */
function saidOf({ what, changed, left }: ManyAnswer, back: boolean): string {
  const out = left.map((l) => `${l.name} ${l.why}`).join("; ");
  return `${what}: ${back ? "taken back" : "made"} for ${counted(changed.length, "athlete")}.${out ? ` Left out: ${out}.` : ""}`;
}

interface Props {
  choices: ManyChoices;
  groups: readonly GroupView[];
  today: string;
}

function Several({ choices, groups, today }: Props) {
  const [params] = useSearchParams();
  const first = groups.find((g) => g.id === params.get("group"));
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(first?.members ?? []));
  const [kind, setKind] = useState<ManyKind>(KINDS.find(([k]) => k === params.get("what"))?.[0] ?? "closed");
  const [draft, setDraft] = useState<Draft>(emptyDraft(today));
  const [off, setOff] = useState<ReadonlySet<string>>(new Set());
  const places = placesOf(choices, chosen);
  // The place is the one that most of them have, until another is chosen.
  const full = { ...draft, place: places.includes(draft.place) ? draft.place : (places[0] ?? "") };
  const typed = JSON.stringify(changeOf(kind, full));
  const asked = useSettled(typed, REST);
  const change = JSON.parse(asked) as ReturnType<typeof changeOf>;
  const athletes = choices.athletes.filter((a) => chosen.has(a.id));
  const previews = usePreviews(
    change,
    athletes.map((a) => a.id),
  );
  const make = useMakeMany();
  const undo = useUndoMany();
  const rows = athletes.map(({ id, name }) => ({ id, name, preview: previews.byId.get(id) ?? null }));
  const taken = rows.flatMap(({ id, preview }) =>
    preview && preview.fault === null && !off.has(id) ? [{ id, revision: preview.revision }] : [],
  );
  // What is made is what stands in the form and was seen for each, not what stood there a moment ago.
  const seen = asked === typed && previews.done === athletes.length;
  const ready = change !== null && seen && taken.length > 0 && !make.isPending;
  const takeBack = (batch: string) =>
    undo.mutate(batch, { onSuccess: (a) => tell(saidOf(a, true)), onError: (e) => tellFault(e.message) });
  const apply = () =>
    change &&
    make.mutate(
      { change, athletes: taken },
      {
        onSuccess: (answer) => {
          const { batch } = answer;
          // Nobody is changed twice by a second press.
          setChosen(new Set());
          setOff(new Set());
          if (batch) tellUndo(saidOf(answer, false), () => takeBack(batch));
          else tell(saidOf(answer, false));
        },
        onError: (e) => tellFault(e.message),
      },
    );
  return (
    <main className="flex h-full flex-col">
      <PageHeader title="Change several" note="one change for many athletes, seen for each before it is made">
        <span className="flex-1" />
        <button type="button" className="btn btn-pri" disabled={!ready} onClick={apply}>
          {make.isPending ? "Saving…" : taken.length > 0 ? `Change ${counted(taken.length, "athlete")}` : "Change"}
        </button>
      </PageHeader>
      <div className="grid min-h-0 flex-1 grid-cols-[340px_minmax(0,1fr)] gap-6 overflow-auto px-4 pb-6 max-[900px]:grid-cols-1 max-[900px]:content-start">
        <div className="space-y-4">
          <section aria-label="Who">
            <h2 className="sec-h">Who</h2>
            <Who athletes={choices.athletes} groups={groups} chosen={chosen} onChange={setChosen} height={230} />
          </section>
          <section aria-label="What">
            <h2 className="sec-h">What</h2>
            <fieldset className="mb-3 flex flex-wrap gap-1.5">
              <legend className="sr-only">Kind of change</legend>
              {KINDS.map(([k, words]) => (
                <button
                  key={k}
                  type="button"
                  aria-pressed={kind === k}
                  className={`btn btn-sm max-[700px]:min-h-11 ${kind === k ? "bg-ink text-panel" : ""}`}
                  onClick={() => setKind(k)}
                >
                  {words}
                </button>
              ))}
            </fieldset>
            <WhatForm
              kind={kind}
              draft={full}
              onChange={(part) => setDraft({ ...draft, ...part })}
              choices={choices}
              places={places}
            />
          </section>
        </div>
        <div className="min-w-0">
          <ForEach
            count={athletes.length}
            missing={change === null ? MISSING[kind] : null}
            previews={previews}
            rows={rows}
            off={off}
            setOff={setOff}
          />
          <Made onUndo={takeBack} busy={undo.isPending} />
        </div>
      </div>
    </main>
  );
}

interface ForEachProps {
  count: number;
  /** What is entered next, where something is missing. */
  missing: string | null;
  previews: ReturnType<typeof usePreviews>;
  rows: Parameters<typeof PreviewRows>[0]["rows"];
  off: ReadonlySet<string>;
  setOff: (off: ReadonlySet<string>) => void;
}

function ForEach({ count, missing, previews, rows, off, setOff }: ForEachProps) {
  return (
    <section aria-label="For each">
      <h2 className="sec-h">For each</h2>
      {count === 0 ? (
        <Empty title="Nobody is chosen yet">
          Choose a group or tick athletes; what changes for each is listed here.
        </Empty>
      ) : missing !== null ? (
        <p className="py-3 text-ink2">{missing}</p>
      ) : (
        <>
          {previews.done < count && (
            <p role="status" className="py-1 text-ink2">
              Worked out for {previews.done} of {counted(count, "athlete")}…
            </p>
          )}
          {previews.fault && (
            <p role="alert" className="py-1 text-brick-ink">
              {previews.fault.message}{" "}
              <button type="button" className="underline" onClick={() => void previews.again()}>
                Try again
              </button>
            </p>
          )}
          <PreviewRows
            rows={rows}
            off={off}
            onOff={(id, out) => {
              const next = new Set(off);
              if (out) next.add(id);
              else next.delete(id);
              setOff(next);
            }}
          />
        </>
      )}
    </section>
  );
}

/** Changes made before, each with its undo. */
function Made({ onUndo, busy }: { onUndo: (batch: string) => void; busy: boolean }) {
  const made = useManyEntries();
  if (!made.data || made.data.length === 0) return null;
  return (
    <section aria-label="Made before" className="mt-6">
      <h2 className="sec-h">Made before</h2>
      <ul>
        {made.data.map((m) => (
          <li key={m.batch} className="flex items-center gap-3 border-b border-hair2 py-1.5">
            <span className="min-w-0 flex-1">
              {m.what}
              <span className="block text-label text-ink2">
                {counted(m.athletes, "athlete")}, {moment(m.at)}
                {m.undone ? ", taken back" : ""}
              </span>
            </span>
            {!m.undone && (
              <button type="button" className="btn btn-sm" disabled={busy} onClick={() => onUndo(m.batch)}>
                Undo
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
