/** How the plan is made: season, approach, placement, time a day, and a few settings with their defaults. */
import type { ReactNode } from "react";
import { useCallback } from "react";
import { Link } from "react-router";
import type { ApproachView, IntakeView } from "../../api/views";
import { APPROACHES, type ApproachId, type Settings } from "../../core/athlete";
import { useApproaches } from "../data/dose";
import { DateField } from "../ui/DateField";
import { compact, Field, FormProblem, numberFrom } from "../ui/form";
import { Segments } from "../ui/Segments";
import { faultAt, useStep } from "./useStep";

const APPROACH_WORDS: Record<ApproachId, string> = {
  layered: "Layered (the default)",
  "heavy-economy": "Heavy economy",
  steady: "Steady sixes to eights",
  control: "Control and durability",
  "full-range": "Full range",
  "paired-routines": "Paired routines after runs",
};

const FORMULA_WORDS: readonly (readonly [NonNullable<Settings["oneRepMax"]>, string])[] = [
  ["default", "Brzycki to 10 reps, Mayhew and Wathan above"],
  ["epley", "Epley 1985"],
  ["brzycki", "Brzycki 1993"],
  ["lombardi", "Lombardi 1989"],
  ["mayhew", "Mayhew et al. 1992"],
  ["wathan", "Wathan 1994"],
  ["oconner", "O'Conner et al. 1989"],
  ["lander", "Lander 1985"],
  ["nsca", "NSCA percent table"],
];

const DEPTHS = [
  ["thigh-level", "to thigh level"],
  ["45", "to 45 degrees"],
  ["90", "to 90 degrees"],
  ["full", "full"],
] as const;
const STYLES = [
  ["upright", "upright shin"],
  ["lean", "slight forward lean"],
  ["knee-forward", "knee forward"],
] as const;
const HANDS = [
  ["opposite", "opposite hand"],
  ["same", "same hand"],
] as const;

const JUMPS = [
  ["by-gate", "when tests and strength allow it"],
  ["on", "on, by my own judgement"],
  ["off", "none"],
] as const;

interface PlanForm {
  depth: NonNullable<Settings["squatDepth"]>;
  style: NonNullable<Settings["splitSquatStyle"]>;
  hand: NonNullable<Settings["singleLegLoad"]>;
  formula: NonNullable<Settings["oneRepMax"]>;
  jumps: NonNullable<Settings["jumps"]>;
  start: string;
  end: string;
  approach: string;
  placement: "stack" | "spread";
  maxMinutes: string;
  strictPain: boolean;
  quiet: boolean;
  lossFrom: string;
  lossTo: string;
}

export function PlanStep({ view }: { view: IntakeView }) {
  const { settings, season } = view;
  const toBody = useCallback(
    (f: PlanForm) => {
      const next: Settings = {
        ...view.settings,
        approach: f.approach,
        placement: f.placement,
        squatDepth: f.depth,
        splitSquatStyle: f.style,
        singleLegLoad: f.hand,
        oneRepMax: f.formula,
        jumps: f.jumps,
        strictPain: f.strictPain,
        quietExercises: f.quiet,
      };
      const { maxMinutesPerDay: _, weightLoss: __, ...rest } = next;
      const loss = f.lossFrom || f.lossTo ? { weightLoss: { start: f.lossFrom, end: f.lossTo } } : {};
      return {
        season: { start: f.start, end: f.end },
        settings: { ...rest, ...loss, ...compact({ maxMinutesPerDay: numberFrom(f.maxMinutes) }) },
      };
    },
    [view.settings],
  );
  const step = useStep<PlanForm>(
    view.id,
    "plan",
    {
      start: season.start,
      end: season.end,
      approach: settings.approach ?? "layered",
      placement: settings.placement ?? "stack",
      depth: settings.squatDepth ?? "thigh-level",
      style: settings.splitSquatStyle ?? "upright",
      hand: settings.singleLegLoad ?? "opposite",
      formula: settings.oneRepMax ?? "default",
      jumps: settings.jumps ?? "by-gate",
      maxMinutes: settings.maxMinutesPerDay === undefined ? "" : String(settings.maxMinutesPerDay),
      strictPain: settings.strictPain ?? false,
      quiet: settings.quietExercises ?? false,
      lossFrom: settings.weightLoss?.start ?? "",
      lossTo: settings.weightLoss?.end ?? "",
    },
    toBody,
  );
  const f = step.value;
  const put = (change: Partial<PlanForm>) => step.set({ ...f, ...change });
  const own = useApproaches().data?.approaches.filter((a) => a.own) ?? [];
  const fault = (path: string) => faultAt(step.faults, path);
  const select = <K extends "depth" | "style" | "hand" | "formula" | "jumps">(
    id: string,
    label: string,
    key: K,
    options: readonly (readonly [PlanForm[K], string])[],
  ) => (
    <Field id={id} label={label}>
      <select id={id} className="input" value={f[key]} onChange={(e) => put({ [key]: e.target.value })}>
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </Field>
  );
  const date = (id: string, label: string, key: "start" | "end" | "lossFrom" | "lossTo", path: string) => (
    <Field id={id} label={label} error={fault(path)}>
      <DateField id={id} value={f[key]} onChange={(to) => put({ [key]: to })} />
    </Field>
  );
  const tick = (key: "strictPain" | "quiet", label: string, says: string) => (
    <label className="flex items-start gap-2 py-1">
      <input
        type="checkbox"
        className="mt-0.5 h-4 w-4 accent-iron"
        checked={f[key]}
        onChange={(e) => put({ [key]: e.target.checked })}
      />
      <span>
        <span className="block font-medium">{label}</span>
        <span className="block text-label leading-4 text-ink2">{says}</span>
      </span>
    </label>
  );
  return (
    <div className="max-w-[560px] space-y-4">
      <FormProblem text={step.problem} />
      <div className="grid grid-cols-2 gap-4 max-[700px]:grid-cols-1">
        {date("p-start", "Season from", "start", "season.start")}
        {date("p-end", "to", "end", "season.end")}
        <ApproachField fault={fault} f={f} put={put} own={own} />
        <Field
          id="p-max"
          label="Most training on one day"
          hint="min, all sports"
          error={fault("settings.maxMinutesPerDay")}
        >
          <input
            id="p-max"
            className="input"
            inputMode="numeric"
            placeholder="no limit"
            value={f.maxMinutes}
            aria-invalid={!!fault("settings.maxMinutesPerDay")}
            onChange={(e) => put({ maxMinutes: e.target.value })}
          />
        </Field>
      </div>
      <PlacementField f={f} put={put} />
      <div className="grid grid-cols-3 gap-4 max-[700px]:grid-cols-1">
        {select("p-depth", "Squat depth", "depth", DEPTHS)}
        {select("p-style", "Split-squat style", "style", STYLES)}
        {select("p-hand", "Single-leg load", "hand", HANDS)}
      </div>
      <Choices select={select} date={date} tick={tick} />
    </div>
  );
}

interface ApproachFieldProps {
  fault: (path: string) => string | undefined;
  f: PlanForm;
  put: (change: Partial<PlanForm>) => void;
  own: ApproachView[];
}

function ApproachField({ fault, f, put, own }: ApproachFieldProps) {
  return (
    <Field id="p-approach" label="Approach" error={fault("settings.approach")}>
      <select id="p-approach" className="input" value={f.approach} onChange={(e) => put({ approach: e.target.value })}>
        {APPROACHES.map((a) => (
          <option key={a} value={a}>
            {APPROACH_WORDS[a]}
          </option>
        ))}
        {own.map((a) => (
          <option key={a.approach.id} value={a.approach.id}>
            {a.approach.name}
          </option>
        ))}
      </select>
      <Link className="link mt-1 block w-fit text-label leading-6" to="/approaches?tab=follow">
        See which sessions another would change
      </Link>
    </Field>
  );
}

function PlacementField({ f, put }: { f: PlanForm; put: (change: Partial<PlanForm>) => void }) {
  return (
    <div>
      <span className="mb-0.5 block text-label leading-4 font-medium">Placement</span>
      <div className="-ml-1">
        <Segments
          name="Placement"
          options={[
            ["stack", "Hard days hard"],
            ["spread", "On easy days"],
          ]}
          value={f.placement}
          onChange={(placement) => put({ placement })}
        />
      </div>
      <p className="mt-1 text-label leading-4 text-ink2">
        {f.placement === "stack"
          ? "Strength stands on the key session's day, so that easy days stay easy."
          : "Strength stands on easy days, on fresher legs."}
      </p>
    </div>
  );
}

interface ChoicesProps {
  select: <K extends "depth" | "style" | "hand" | "formula" | "jumps">(
    id: string,
    label: string,
    key: K,
    options: readonly (readonly [PlanForm[K], string])[],
  ) => ReactNode;
  date: (id: string, label: string, key: "start" | "end" | "lossFrom" | "lossTo", path: string) => ReactNode;
  tick: (key: "strictPain" | "quiet", label: string, says: string) => ReactNode;
}

/** How loads are estimated, jumps, losing weight, pain, quiet exercises. */
function Choices({ select, date, tick }: ChoicesProps) {
  return (
    <>
      <div className="max-w-[366px]">
        {select("p-formula", "1RM estimated by", "formula", FORMULA_WORDS)}
        <p className="mt-1 text-label leading-4 text-ink2">
          No estimate is sure: the more reps and the more in reserve, the less sure it is.
        </p>
      </div>
      <div className="max-w-[366px]">
        {select("p-jumps", "Jumps", "jumps", JUMPS)}
        <p className="mt-1 text-label leading-4 text-ink2">
          Ankle hops first, then jumps, from late base through build. Switched on, age, weeks of training and strength
          no longer close them; trouble areas, bone stress, clearance and the calf raise test still do.
        </p>
      </div>
      <div>
        <div className="grid max-w-[366px] grid-cols-2 gap-4">
          {date("p-loss-from", "Losing weight on purpose from", "lossFrom", "settings.weightLoss.start")}
          {date("p-loss-to", "to", "lossTo", "settings.weightLoss.end")}
        </div>
        <p className="mt-1 text-label leading-4 text-ink2">
          Nothing maximal stands in such a block: develop takes its place. Clear both days when there is none.
        </p>
      </div>
      <div>
        {tick("strictPain", "Strict with pain", "Any pain at all takes the easier step next time.")}
        {tick(
          "quiet",
          "Quiet exercises",
          "Avoid conspicuous exercises in public gyms: quiet work of the same pattern instead.",
        )}
      </div>
    </>
  );
}
