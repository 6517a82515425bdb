/** Everything about one exercise: how it is set up and done, what to look at, cautions, its ladder, its dose. */

import type { ExerciseView, FitView, LibraryView, SquadRow } from "../../api/views";
import { AREA_WORDS, EMPHASES } from "../../core/athlete";
import { testName } from "../../core/screening";
import { useHide, useIntake, useSaveIntake } from "../data/intake";
import { EMPHASIS_NAMES, placeName, SPORT_NAMES } from "../format";
import { PatternTile } from "../section/parts";
import { bandOf } from "../section/patterns";
import { WarnIcon } from "../ui/glyphs";
import { tellUndo } from "../ui/tell";
import { Figure } from "./Figure";
import { Ladder } from "./Ladder";
import { HAND_NAMES, LOADING_NAMES, ladderName, needsText, PATTERN_NAMES } from "./words";

interface Props {
  exercise: ExerciseView;
  library: LibraryView;
  fit: FitView | undefined;
  athlete: SquadRow | undefined;
  onOpen: (id: string) => void;
  onEdit: () => void;
}

const List = ({ title, items, ordered = false }: { title: string; items: readonly string[]; ordered?: boolean }) =>
  items.length === 0 ? null : (
    <section>
      <h3 className="sec-h">{title}</h3>
      {ordered ? (
        <ol className="list-decimal space-y-0.5 pl-5">
          {items.map((x) => (
            <li key={x}>{x}</li>
          ))}
        </ol>
      ) : (
        <ul className="list-disc space-y-0.5 pl-5">
          {items.map((x) => (
            <li key={x}>{x}</li>
          ))}
        </ul>
      )}
    </section>
  );

export function ExerciseSheet({ exercise: e, library, fit, athlete, onOpen, onEdit }: Props) {
  const closed = fit?.closed[e.id];
  const progression = fit?.progressions.find((s) => s.ladder === e.ladder?.id);
  return (
    <article className="px-5 pb-6">
      <header className="flex flex-wrap items-center gap-2 py-3">
        <PatternTile id={bandOf(e.pattern)} size={22} />
        <h2 className="text-title leading-6 font-[650]">{e.name}</h2>
        <span className="flex-1" />
        {e.own && (
          <button type="button" className="btn btn-sm" onClick={onEdit}>
            Edit
          </button>
        )}
        <HideButton exercise={e} />
      </header>
      <p className="mb-3 text-ink2">
        {PATTERN_NAMES[e.pattern]}, {e.unilateral ? "one side at a time" : "both sides"}, {e.plane},{" "}
        {e.position.replaceAll("-", " ")}; {LOADING_NAMES[e.loading]}
        {e.bodyweightToo && e.loading !== "bodyweight" ? " or bodyweight" : ""}
        {e.hand === "none" ? "" : `, ${HAND_NAMES[e.hand]}`}. Needs {needsText(e)}.
        {e.alsoCalled.length > 0 && ` Also called: ${e.alsoCalled.join(", ").toLowerCase()}.`}
        {e.own && " Your own exercise."}
      </p>
      {athlete && fit && (
        <p
          className={`mb-4 flex gap-2 rounded-[3px] border px-3 py-2 ${closed ? "border-edge bg-panel" : "border-iron bg-iron-l"}`}
        >
          {closed && <WarnIcon />}
          <span>
            {closed ? (
              <>
                Not for {athlete.name} now: {closed.text}.
              </>
            ) : (
              <>
                {athlete.name} may do this now at {placeName(fit.place)}.
              </>
            )}
          </span>
        </p>
      )}
      <div className="grid grid-cols-[minmax(0,1fr)_300px] gap-6 max-[1180px]:grid-cols-1">
        <div className="space-y-4">
          <Figure exercise={e.id} name={e.name} />
          <List title="Set-up" items={e.setup} ordered />
          <List title="Cues" items={e.cues} />
          <List title="Usual mistakes" items={e.mistakes} />
          <section>
            <h3 className="sec-h">What to look at</h3>
            <p>
              {e.look.join(", ") || "–"}. <span className="text-ink2">Seen by {e.seeWith.join(" or ")}.</span>
            </p>
          </section>
          <section>
            <h3 className="sec-h">Where it should be felt</h3>
            <p>{e.felt}.</p>
          </section>
          {e.variants.length > 0 && (
            <section>
              <h3 className="sec-h">Styles</h3>
              <p>{e.variants.join("; ")}.</p>
            </section>
          )}
          <Cautions exercise={e} library={library} />
        </div>
        <div className="space-y-5">
          {e.ladder && (
            <section>
              <h3 className="sec-h">
                Progression: {ladderName(e.ladder.id).toLowerCase()}
                {progression && athlete && <em className="font-normal not-italic cond">{progression.because}</em>}
              </h3>
              <Ladder
                exercise={e}
                library={library}
                progression={progression}
                closed={fit?.closed ?? {}}
                onOpen={onOpen}
              />
              {athlete && <PutHere exercise={e} athlete={athlete} progression={progression?.step} />}
            </section>
          )}
          <Dose exercise={e} />
          <section>
            <h3 className="sec-h">Muscles</h3>
            <p>
              {e.primary.join(", ")}
              {e.secondary.length > 0 && <span className="text-ink2">; then {e.secondary.join(", ")}</span>}
            </p>
          </section>
          <section>
            <h3 className="sec-h">Where</h3>
            <p>
              {e.places.join(", ")}
              {e.conspicuous && "; conspicuous in a public gym"}
              {e.standIn && <span className="block text-ink2">Household stand-in: {e.standIn}.</span>}
            </p>
          </section>
          {Object.keys(e.sports).length > 0 && (
            <section>
              <h3 className="sec-h">Matters to</h3>
              <p>
                {Object.keys(e.sports)
                  .map((s) => SPORT_NAMES[s as keyof typeof SPORT_NAMES])
                  .join(", ")}
              </p>
            </section>
          )}
        </div>
      </div>
    </article>
  );
}

function Cautions({ exercise: e, library }: { exercise: ExerciseView; library: LibraryView }) {
  const areas = (list: ExerciseView["notWith"]) => list.map((a) => AREA_WORDS[a]).join(", ");
  const name = (id: string) => library.exercises.find((x) => x.id === id)?.name ?? id;
  const lines = [
    ...e.cautions,
    ...(e.notWith.length > 0 ? [`Left out with trouble at: ${areas(e.notWith)}.`] : []),
    ...(e.careWith.length > 0 ? [`With care at: ${areas(e.careWith)}.`] : []),
    ...(e.gates.length > 0 ? [`Closed once failed: ${e.gates.map(testName).join(", ").toLowerCase()}.`] : []),
    ...(e.mustPass.length > 0 ? [`Opens with: ${e.mustPass.map(testName).join(", ").toLowerCase()} passed.`] : []),
    ...(e.after.length > 0 ? [`Comes after: ${e.after.map(name).join(", ").toLowerCase()}.`] : []),
  ];
  return (
    <section>
      <h3 className="sec-h">Cautions</h3>
      <ul className="space-y-1">
        {lines.map((c) => (
          <li key={c} className="flex gap-1.5">
            <span className="mt-1">
              <WarnIcon size={12} />
            </span>
            {c}
          </li>
        ))}
        {e.goodWith.length > 0 && <li>Suits trouble at: {areas(e.goodWith)}.</li>}
        {lines.length === 0 && e.goodWith.length === 0 && (
          <li className="text-ink2">None for this exercise. Range ends where control ends.</li>
        )}
      </ul>
    </section>
  );
}

function Dose({ exercise: e }: { exercise: ExerciseView }) {
  return (
    <section>
      <h3 className="sec-h">
        Default dose{" "}
        <em className="font-normal not-italic cond">
          common practice; tempo {e.tempo}, {e.secondsPerRep} s a rep
        </em>
      </h3>
      <table className="w-full border-collapse text-left text-label">
        <tbody>
          {EMPHASES.map((x) => {
            const d = e.dose[x];
            return (
              <tr key={x} className="border-b border-hair2">
                <th className="py-0.5 font-medium">{EMPHASIS_NAMES[x]}</th>
                <td>
                  {d.sets === 0
                    ? "left out"
                    : `${d.sets} × ${d.seconds === undefined ? d.reps : `${d.seconds} s`}${e.unilateral ? " a side" : ""}`}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function HideButton({ exercise: e }: { exercise: ExerciseView }) {
  const hide = useHide();
  const set = (hidden: boolean) =>
    hide.mutate(
      { exercise: e.id, hidden },
      {
        onSuccess: ({ gaps }) => {
          const said = hidden ? `${e.name} is hidden from the planner.` : `${e.name} may be planned again.`;
          const empty = gaps.slice(0, 2).map((g) => g.replace(/^library\./, ""));
          tellUndo(empty.length > 0 ? `${said} Now empty: ${empty.join("; ")}.` : said, () => set(!hidden));
        },
      },
    );
  return (
    <button type="button" className="btn btn-sm" disabled={hide.isPending} onClick={() => set(!e.hidden)}>
      {e.hidden ? "Show again" : "Hide"}
    </button>
  );
}

/** Puts the athlete on this step of its ladder, or gives the ladder back to the record. */
function PutHere({
  exercise: e,
  athlete,
  progression,
}: {
  exercise: ExerciseView;
  athlete: SquadRow;
  progression: string | undefined;
}) {
  const intake = useIntake(athlete.id);
  const save = useSaveIntake(athlete.id);
  const ladder = e.ladder?.id;
  if (!intake.data || !ladder) return null;
  const { rungs } = intake.data;
  const put = (next: typeof rungs, said: string) =>
    save.mutate({ rungs: next }, { onSuccess: () => tellUndo(said, () => save.mutate({ rungs })) });
  const rest = rungs.filter((r) => r.ladder !== ladder);
  const set = rungs.find((r) => r.ladder === ladder);
  return (
    <div className="mt-2 flex flex-wrap gap-2">
      {!(set && progression === e.id) && (
        <button
          type="button"
          className="btn btn-sm"
          disabled={save.isPending}
          onClick={() =>
            put([...rest, { ladder, exercise: e.id }], `${athlete.name} stands on ${e.name.toLowerCase()}.`)
          }
        >
          Set as current step
        </button>
      )}
      {set && (
        <button
          type="button"
          className="btn btn-sm"
          disabled={save.isPending}
          onClick={() => put(rest, "The record decides again.")}
        >
          Let the record decide
        </button>
      )}
    </div>
  );
}
