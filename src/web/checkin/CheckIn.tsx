/** The ten-second check before a session: four taps, what they change shown before it is taken, and always the way to leave it as planned. */
import { useEffect, useReducer, useState } from "react";
import type { ReadinessView, ShorterView } from "../../api/views";
import { AREA_WORDS, AREAS_DOWN, type Area, type Label, SIDES, type Side } from "../../core/athlete";
import { askReadiness, useCheckIn } from "../data/checkIn";
import { counted, setsByReps } from "../format";
import { lessText } from "../session/loss";
import { tell, tellFault } from "../ui/tell";
import { type Answers, answers, bodyOf, isComplete, NO_ANSWERS } from "./answers";

/** Marks of what is told from 0 to 10. */
const TO_TEN = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10] as const;

interface Props {
  id: string;
  date: string;
  label: Label;
  onDone: () => void;
}

export function CheckIn({ id, date, label, onDone }: Props) {
  const [state, act] = useReducer(answers, NO_ANSWERS);
  const [asked, setAsked] = useState<{ of: Answers; view: ReadinessView } | null>(null);
  const save = useCheckIn(id, date, label);
  const complete = isComplete(state);
  const keep = (taken: boolean | undefined, words: string) =>
    save.mutate(
      { ...bodyOf(state), ...(taken === undefined ? {} : { taken }) },
      {
        onSuccess: () => {
          tell(words);
          onDone();
        },
        onError: (e) => tellFault(`Not saved: ${e.message}`),
      },
    );
  useEffect(() => {
    if (!complete) return setAsked(null);
    let current = true;
    askReadiness(id, date, label, bodyOf(state)).then(
      (view) => current && setAsked({ of: state, view }),
      (e: Error) => current && tellFault(e.message),
    );
    return () => {
      current = false;
    };
  }, [complete, state, id, date, label]);
  const verdict = complete && asked?.of === state ? asked.view : null;
  const ordinary = verdict !== null && verdict.says.length === 0;
  // Ordinary answers change nothing and ask nothing more.
  useEffect(() => {
    if (ordinary) keep(undefined, "Kept. The session stays as planned.");
  }, [ordinary]);
  return (
    <div className="space-y-3">
      <Scale
        name="Slept, hours"
        values={[3, 4, 5, 6, 7, 8, 9]}
        value={state.sleepH}
        onPick={(value) => act({ type: "said", what: "sleepH", value })}
      />
      <Scale
        name="Soreness of the legs, 0 to 10"
        values={TO_TEN}
        value={state.soreness}
        onPick={(value) => act({ type: "said", what: "soreness", value })}
      />
      <Scale
        name="How it feels, 1 poor to 5 very good"
        values={[1, 2, 3, 4, 5]}
        value={state.feeling}
        onPick={(value) => act({ type: "said", what: "feeling", value })}
      />
      <Pain pain={state.pain} act={act} />
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="h-5 w-5 accent-iron"
          checked={state.ill}
          onChange={(e) => act({ type: "ill", ill: e.target.checked })}
        />
        Fever, or ill below the neck
      </label>
      {verdict && !ordinary && (
        <Verdict
          view={verdict}
          busy={save.isPending}
          onTake={() =>
            keep(true, verdict.session === "none" ? "Kept. No session today." : "The session is changed for today.")
          }
          onRefuse={() => keep(false, "Kept. The session stays as planned.")}
        />
      )}
      <p className="text-label leading-4 text-ink2">
        Answers change nothing by themselves and are no diagnosis. Pain above 5 that lasts beyond a day belongs to a
        physiotherapist.
      </p>
    </div>
  );
}

interface ScaleProps {
  name: string;
  values: readonly number[];
  value: number | null;
  onPick: (value: number) => void;
}

function Scale({ name, values, value, onPick }: ScaleProps) {
  return (
    <fieldset>
      <legend className="text-label leading-4 font-medium">{name}</legend>
      <div className="mt-1 grid auto-cols-fr grid-flow-col gap-1">
        {values.map((v) => (
          <button
            key={v}
            type="button"
            aria-label={`${name}: ${v}`}
            aria-pressed={v === value}
            className={`num grid min-h-11 min-w-0 place-items-center rounded-[3px] border ${v === value ? "border-iron bg-iron text-paper" : "border-edge bg-panel"}`}
            onClick={() => onPick(v)}
          >
            {v}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

interface PainProps {
  pain: Answers["pain"];
  act: (action: Parameters<typeof answers>[1]) => void;
}

/** "No pain" in a tap; else where, which side and how much. */
function Pain({ pain, act }: PainProps) {
  const [area, setArea] = useState<Area | "">("");
  const [side, setSide] = useState<Side>("left");
  const level = pain?.find((p) => p.area === area)?.level ?? null;
  return (
    <fieldset>
      <legend className="text-label leading-4 font-medium">Pain</legend>
      <div className="mt-1 flex gap-1">
        <button
          type="button"
          aria-pressed={pain !== null && pain.length === 0}
          className={`min-h-11 flex-1 rounded-[3px] border ${pain !== null && pain.length === 0 ? "border-iron bg-iron text-paper" : "border-edge bg-panel"}`}
          onClick={() => {
            setArea("");
            act({ type: "no-pain" });
          }}
        >
          No pain
        </button>
        <select
          aria-label="Where it hurts"
          className="input min-h-11 flex-1"
          value={area}
          onChange={(e) => setArea(e.target.value as Area | "")}
        >
          <option value="">It hurts at …</option>
          {AREAS_DOWN.map((a) => (
            <option key={a} value={a}>
              {AREA_WORDS[a]}
            </option>
          ))}
        </select>
        {area !== "" && (
          <select
            aria-label="Which side hurts"
            className="input min-h-11 w-24"
            value={side}
            onChange={(e) => setSide(e.target.value as Side)}
          >
            {SIDES.map((s) => (
              <option key={s} value={s}>
                {s}
              </option>
            ))}
          </select>
        )}
      </div>
      {area !== "" && (
        <div className="mt-2">
          <Scale
            name={`Pain at the ${AREA_WORDS[area]}, 0 to 10`}
            values={TO_TEN}
            value={level}
            onPick={(v) => act({ type: "pain", area, side, level: v })}
          />
        </div>
      )}
    </fieldset>
  );
}

interface VerdictProps {
  view: ReadinessView;
  busy: boolean;
  onTake: () => void;
  onRefuse: () => void;
}

function Verdict({ view, busy, onTake, onRefuse }: VerdictProps) {
  const none = view.session === "none";
  return (
    <section
      aria-label="What the answers change"
      aria-live="polite"
      className="border-l-[3px] border-iron bg-iron-l p-3"
    >
      <ul className="space-y-1 font-medium">
        {view.says.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ul>
      {view.change && <Change view={view.change} />}
      <div className="mt-3 flex gap-2">
        <button type="button" className="btn min-h-11 flex-1 justify-center" disabled={busy} onClick={onRefuse}>
          As planned
        </button>
        <button type="button" className="btn btn-pri min-h-11 flex-1 justify-center" disabled={busy} onClick={onTake}>
          {none ? "No session today" : "Change today"}
        </button>
      </div>
    </section>
  );
}

function Change({ view }: { view: ShorterView }) {
  const rows = [
    ...view.gone.map((g) => [g.name, lessText({ ...g, after: null })]),
    ...view.less.map((l) => [l.name, lessText(l)]),
    ...view.instead.map((i) => [i.name, `${setsByReps(i.after)} instead`]),
  ];
  return (
    <>
      <ul className="mt-2">
        {rows.map(([name, dose]) => (
          <li key={name} className="flex justify-between gap-3 border-t border-hair py-1">
            <span>{name}</span>
            <span className="num flex-none text-ink2">{dose}</span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-label leading-4 text-ink2">
        {view.minutes} min then{view.kept > 0 ? `, ${counted(view.kept, "exercise")} as before` : ""}.
      </p>
    </>
  );
}
