/** The safety gate: clearance questions, whose answers stay in this browser, and trouble areas from head to toe. */
import { useCallback, useState } from "react";
import type { IntakeView } from "../../api/views";
import {
  AREA_WORDS,
  AREAS_DOWN,
  type Area,
  CLEARANCE_QUESTIONS,
  CLEARANCE_RULE_WORDS,
  CLEARANCE_RULES,
  type Health,
  SET_OFF,
  type TroubleArea,
} from "../../core/athlete";
import { AREA_PLANS } from "../../core/pathway";
import { DateField } from "../ui/DateField";
import { Field, FormProblem } from "../ui/form";
import { ICON, WarnIcon } from "../ui/glyphs";
import { Segments } from "../ui/Segments";
import { tellUndo } from "../ui/tell";
import { Body } from "./Body";
import { draftOf, faultAt, keepDraft, useStep } from "./useStep";

type Answer = "yes" | "no" | "";

export function HealthStep({ view }: { view: IntakeView }) {
  const toBody = useCallback((health: Health) => ({ health }), []);
  const step = useStep<Health>(view.id, "health", view.health, toBody);
  const health = step.value;
  const put = (change: Partial<Health>) => step.set({ ...health, ...change });
  return (
    <div className="space-y-6">
      <FormProblem text={step.problem} />
      <Clearance view={view} health={health} put={put} set={step.set} faults={step.faults} />
      <section className="max-w-[860px]">
        <h2 className="mb-1 text-lead leading-6 font-[650]">Trouble, past and present</h2>
        <p className="mb-2 max-w-[60ch] text-label leading-4 text-ink2">
          Current and recent trouble (under 12 weeks) takes exercises out and puts others in. Past trouble takes nothing
          out; what set it off is watched.
        </p>
        <div className="grid grid-cols-[minmax(0,1fr)_150px] gap-6 max-[700px]:grid-cols-1">
          <ul>
            {AREAS_DOWN.map((area) => (
              <AreaRow key={area} area={area} health={health} today={view.today} put={put} />
            ))}
          </ul>
          <Body areas={health.areas} />
        </div>
      </section>
    </div>
  );
}

function Clearance({
  view,
  health,
  put,
  set,
  faults,
}: {
  view: IntakeView;
  health: Health;
  put: (change: Partial<Health>) => void;
  set: (health: Health) => void;
  faults: Parameters<typeof faultAt>[0];
}) {
  const key = `field-anchor:clearance:${view.id}`;
  const blank = CLEARANCE_QUESTIONS.map((): Answer => "");
  const [answers, setAnswers] = useState<Answer[]>(() => draftOf<Answer[]>(key) ?? blank);
  const [asking, setAsking] = useState(health.clearanceNeeded || answers.some((a) => a !== ""));
  const answer = (i: number, a: Answer) => {
    const next = answers.map((x, k) => (k === i ? a : x));
    setAnswers(next);
    keepDraft(key, next);
    // Without every answer the careful reading stays.
    put({ clearanceNeeded: !next.every((x) => x === "no") });
  };
  const yes = answers.includes("yes");
  const open = answers.filter((a) => a === "").length;
  const c = health.clearance;
  const setClearance = (change: Partial<NonNullable<Health["clearance"]>>) =>
    put({ clearance: { date: view.today, by: "", limits: "", ...c, ...change } });
  if (!asking)
    return (
      <section className="max-w-[640px]">
        <h2 className="mb-1 text-lead leading-6 font-[650]">Clearance</h2>
        <p className="flex items-center gap-3">
          Nothing in the questions asked for clearance.
          <button type="button" className="btn btn-sm" onClick={() => setAsking(true)}>
            Ask again
          </button>
        </p>
      </section>
    );
  return (
    <section className="max-w-[640px]">
      <h2 className="mb-1 text-lead leading-6 font-[650]">Clearance</h2>
      <p className="mb-2 text-label leading-4 text-ink2">
        Any yes keeps the plan at restore and mobility until somebody licensed has cleared the athlete. The answers stay
        in this browser; only the outcome is kept. This is no diagnosis, and local rules go first.
      </p>
      <ol className="mb-3">
        {CLEARANCE_QUESTIONS.map((q, i) => (
          <li key={q} className="flex items-center justify-between gap-3 border-b border-hair2 py-1.5">
            <span>{q}</span>
            <Segments
              name={q}
              options={[
                ["yes", "Yes"],
                ["no", "No"],
              ]}
              value={answers[i] ?? ""}
              onChange={(a: Answer) => answer(i, a)}
            />
          </li>
        ))}
      </ol>
      {open > 0 && health.clearanceNeeded && !c && (
        <p className="flex gap-1.5 text-label leading-4">
          <WarnIcon /> {open === answers.length ? "Not asked yet" : `${open} of ${answers.length} open`}: until all are
          answered the plan stays at restore and mobility.
        </p>
      )}
      {(yes || c) && (
        <Cleared c={c} faults={faults} setClearance={setClearance} view={view} health={health} set={set} />
      )}
    </section>
  );
}

/** An area that is taken away takes its way back along. */
const withoutWay = ({ pathways }: Health, area: Area): Partial<Health> =>
  pathways ? { pathways: pathways.filter((p) => p.area !== area) } : {};

function AreaRow({
  area,
  health,
  today,
  put,
}: {
  area: Area;
  health: Health;
  today: string;
  put: (change: Partial<Health>) => void;
}) {
  const known = health.areas.find((a) => a.area === area);
  const name = AREA_WORDS[area];
  const others = health.areas.filter((a) => a.area !== area);
  const set = (change: Partial<TroubleArea>) => {
    const next: TroubleArea = { area, side: "left", status: "current", since: today, ...known, ...change };
    const at = health.areas.findIndex((a) => a.area === area);
    put({
      areas: at < 0 ? [...health.areas, next] : health.areas.map((a, i) => (i === at ? next : a)),
      ...(change.side && health.pathways
        ? { pathways: health.pathways.map((p) => (p.area === area ? { ...p, side: next.side } : p)) }
        : {}),
    });
  };
  return (
    <li className="border-b border-hair2 py-1.5">
      <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
        <span className="min-w-[176px] flex-1 font-medium first-letter:uppercase">{name}</span>
        <Segments
          name={`${name}: status`}
          options={[
            ["none", "None"],
            ["current", "Current"],
            ["recent", "Recent"],
            ["past", "Past"],
          ]}
          value={known?.status ?? "none"}
          onChange={(s: "none" | TroubleArea["status"]) =>
            s === "none" ? put({ areas: others, ...withoutWay(health, area) }) : set({ status: s })
          }
        />
      </div>
      {known && (
        <div className="mt-1.5 flex flex-wrap items-center gap-2 pl-1">
          <Segments
            name={`${name}: side`}
            options={[
              ["left", "Left"],
              ["right", "Right"],
              ["both", "Both"],
            ]}
            value={known.side}
            onChange={(side) => set({ side })}
          />
          <label className="flex items-center gap-1.5 text-label">
            since
            <DateField
              className="w-[168px]"
              max={today}
              value={known.since ?? ""}
              name={`${name}: since`}
              onChange={(since) => {
                const { since: _, ...rest } = known;
                const next = since ? { ...rest, since } : rest;
                put({ areas: health.areas.map((a) => (a.area === area ? next : a)) });
              }}
            />
          </label>
          <label className="flex items-center gap-1.5 text-label">
            set off by
            <select
              className="input w-[168px]"
              aria-label={`${name}: set off by`}
              value={known.setOffBy ?? ""}
              onChange={(e) => {
                const { setOffBy: _, ...rest } = known;
                const next = e.target.value ? { ...rest, setOffBy: e.target.value } : rest;
                put({ areas: health.areas.map((a) => (a.area === area ? next : a)) });
              }}
            >
              <option value="">not known</option>
              {[
                ...SET_OFF,
                ...(known.setOffBy && !SET_OFF.some((s) => s === known.setOffBy) ? [known.setOffBy] : []),
              ].map((s) => (
                <option key={s} value={s}>
                  {s}
                </option>
              ))}
            </select>
          </label>
          <p className="w-full max-w-[64ch] text-label leading-4 text-ink2">
            {known.status === "past"
              ? "Takes nothing out; lunges and the like come back in their progression."
              : `First stage of its way back: ${AREA_PLANS[area].stages.settle.says} The stages are confirmed under Health.`}
          </p>
        </div>
      )}
    </li>
  );
}

interface ClearedProps {
  c: Health["clearance"];
  faults: Parameters<typeof faultAt>[0];
  setClearance: (change: Partial<NonNullable<Health["clearance"]>>) => void;
  view: IntakeView;
  health: Health;
  set: (health: Health) => void;
}

/** Who has cleared the athlete, and with what limits. */
function Cleared({ c, faults, setClearance, view, health, set }: ClearedProps) {
  return (
    <div className="rounded-[3px] border border-edge bg-panel p-3">
      <p className="mb-2 flex items-center gap-1.5 font-medium [&>svg]:h-4 [&>svg]:w-4 [&>svg]:fill-none [&>svg]:stroke-current">
        {c ? ICON.check : <WarnIcon />}{" "}
        {c ? "Cleared" : "Clearance is needed: restore and mobility until it is recorded."}
      </p>
      <div className="grid grid-cols-2 gap-3 max-[700px]:grid-cols-1">
        <Field
          id="h-by"
          label="Cleared by"
          hint="name and profession"
          error={c ? faultAt(faults, "health.clearance.by") : undefined}
        >
          <input
            id="h-by"
            className="input"
            value={c?.by ?? ""}
            onChange={(e) => setClearance({ by: e.target.value })}
          />
        </Field>
        <Field id="h-date" label="On" error={c ? faultAt(faults, "health.clearance.date") : undefined}>
          <DateField id="h-date" max={view.today} value={c?.date ?? ""} onChange={(date) => setClearance({ date })} />
        </Field>
        <Field id="h-limits" label="Limits" hint="in their words" className="col-span-2 max-[700px]:col-span-1">
          <input
            id="h-limits"
            className="input"
            value={c?.limits ?? ""}
            onChange={(e) => setClearance({ limits: e.target.value })}
          />
        </Field>
      </div>
      <fieldset className="mt-2">
        <legend className="text-label leading-4 font-medium">Limits that the planner keeps</legend>
        {CLEARANCE_RULES.map((r) => (
          <label key={r} className="flex items-center gap-2 py-0.5">
            <input
              type="checkbox"
              className="h-4 w-4 accent-iron"
              disabled={!c}
              checked={c?.rules?.includes(r) ?? false}
              onChange={(e) =>
                setClearance({
                  rules: e.target.checked ? [...(c?.rules ?? []), r] : (c?.rules ?? []).filter((x) => x !== r),
                })
              }
            />
            {CLEARANCE_RULE_WORDS[r]}
          </label>
        ))}
      </fieldset>
      {c && (
        <button
          type="button"
          className="link mt-2 text-label"
          onClick={() => {
            const { clearance: _, ...rest } = health;
            set(rest);
            tellUndo("The clearance is gone from the record.", () => set(health));
          }}
        >
          Take the clearance away
        </button>
      )}
    </div>
  );
}
