/** A change of an approach, of what an athlete follows, or of the rules of all: looked at before it is kept. */
import { useState } from "react";
import type { FollowBody, PreviewBody } from "../../api/requests";
import type { ApproachesView } from "../../api/views";
import type { Approach } from "../../core/athlete";
import { ruleOf } from "../../core/rulebook";
import { saidOf, THEIRS } from "../data/api";
import { useSaveApproach, useSaveClubRules, useSaveFollow } from "../data/dose";
import { Field } from "../ui/form";
import { tell, tellFault } from "../ui/tell";
import { ChangesSheet } from "./ChangesSheet";
import { useChanges } from "./useChanges";

/** What waits for its preview to be kept. */
type Waiting =
  | { what: "approach"; approach: Approach }
  | { what: "follow"; body: FollowBody }
  | { what: "rules"; rulesOff: string[] };

/** What a change that is looked at is about. */
export const thingFor = (w: Waiting, athlete: string): string =>
  w.what === "approach"
    ? `approaches/${w.approach.id}`
    : w.what === "follow"
      ? `athletes/${athlete}/follow`
      : "approaches/rules";

/** A change that is looked at before it is kept: of an approach, of what an athlete follows, or of the rules of all. */
export function useLooked(view: ApproachesView, athlete: string, everybody: readonly string[]) {
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

function rulesWords(was: readonly string[], is: readonly string[]): string {
  const differ = [...was.filter((x) => !is.includes(x)), ...is.filter((x) => !was.includes(x))];
  return differ.map((id) => ruleOf(id)?.title ?? id).join(", ");
}

interface LookedProps {
  looked: ReturnType<typeof useLooked>;
  athlete: string;
  view: ApproachesView;
}

/** What a change comes to, before it is kept. */
export function Looked({ looked, athlete, view }: LookedProps) {
  const { waiting, changes, note, setNote } = looked;
  if (!waiting || !changes.state) return null;
  return (
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
        <Field id="version-note" className="mt-3" label="What this version is about" hint="(may stay empty)">
          <input
            id="version-note"
            className="input"
            maxLength={200}
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
        </Field>
      )}
    </ChangesSheet>
  );
}
