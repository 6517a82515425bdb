/** Parts of the floor screen: warm-up sets, rest, steppers, pain. Every target is 44 px or more. */
import { useEffect, useState } from "react";
import type { ItemView } from "../../api/views";
import { clock, massNumber, type Units } from "../format";
import { ICON, WarnIcon } from "../ui/glyphs";

/** Plates for the load on the steppers: given for the prescribed one, else half of what is added to the bar. */
export function sideText(item: ItemView, loadKg: number, units: Units): string {
  if (loadKg === item.loadKg)
    return item.perSideKg.length ? item.perSideKg.map((p) => massNumber(p, units)).join(" + ") : "nothing";
  return `${massNumber((loadKg - (item.barKg ?? 0)) / 2, units)} ${units.massUnit}`;
}

interface WarmUpsProps {
  item: ItemView;
  units: Units;
  /** The last one left two repetitions less than it should: 5% less today (rule floor.today). */
  onHarder: () => void;
}

export function WarmUps({ item, units, onHarder }: WarmUpsProps) {
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [answered, setAnswered] = useState(false);
  return (
    <fieldset className="my-2 flex flex-wrap gap-2">
      <legend className="sr-only">Warm-up sets</legend>
      {item.warmUp.map((w, i) => (
        <button
          key={w.loadKg}
          type="button"
          aria-pressed={ticked.has(i)}
          onClick={() => setTicked(new Set(ticked.has(i) ? [...ticked].filter((x) => x !== i) : [...ticked, i]))}
          className={`flex min-h-11 flex-1 items-center justify-center gap-1.5 rounded-[3px] border text-body ${ticked.has(i) ? "border-moss bg-moss-plan" : "border-edge"}`}
        >
          {ticked.has(i) && (
            <span className="[&_svg]:h-4 [&_svg]:w-4 [&_svg]:fill-none [&_svg]:stroke-moss-ink [&_svg]:stroke-2">
              {ICON.check}
            </span>
          )}
          {item.barKg === w.loadKg ? "bar" : massNumber(w.loadKg, units)} × {w.reps}
        </button>
      ))}
      {ticked.has(item.warmUp.length - 1) && !answered && (
        <div className="flex w-full items-center gap-2 text-body">
          <span className="flex-1">The last one felt</span>
          <button
            type="button"
            className="h-11 rounded-[3px] border border-edge px-3"
            onClick={() => setAnswered(true)}
          >
            as it should
          </button>
          <button
            type="button"
            className="h-11 rounded-[3px] border border-edge px-3"
            onClick={() => {
              setAnswered(true);
              onHarder();
            }}
          >
            2 reps harder
          </button>
        </div>
      )}
    </fieldset>
  );
}

export function Rest({
  rest,
  partner,
  onOver,
}: {
  rest: { until: number; seconds: number };
  partner: ItemView | undefined;
  onOver: () => void;
}) {
  const [now, setNow] = useState(Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, []);
  const left = Math.ceil((rest.until - now) / 1000);
  if (left <= 0) return null;
  return (
    <div className="relative flex items-center gap-3 bg-rest px-3 py-2">
      <span className="absolute top-0 left-0 h-0.5 bg-ground" style={{ width: `${(left / rest.seconds) * 100}%` }} />
      <span className="num text-figure leading-8 font-semibold" role="timer" aria-label="Rest left">
        {clock(left)}
      </span>
      <span className="text-body leading-4">
        rest left
        <br />
        of {clock(rest.seconds)}
      </span>
      {partner && (
        <span className="min-w-0 flex-1 truncate text-body leading-4">
          paired with
          <br />
          <b>{partner.name}</b>
        </span>
      )}
      <button type="button" className="ml-auto min-h-11 px-2 text-body underline" onClick={onOver}>
        Skip
      </button>
    </div>
  );
}

export function Stepper({
  label,
  value,
  unit,
  onStep,
}: {
  label: string;
  value: number | string;
  unit?: string;
  onStep: (by: 1 | -1) => void;
}) {
  const button = "grid h-11 flex-1 place-items-center text-figure leading-none";
  return (
    <div className="rounded-[3px] border border-field bg-panel">
      <p className="pt-1 text-center text-body leading-4">{label}</p>
      <output
        className="num block h-8 overflow-hidden text-center text-figure leading-8 font-semibold"
        aria-label={label}
      >
        {value}
        {unit && typeof value === "number" && (
          <small className="ml-0.5 text-body leading-none font-medium">{unit}</small>
        )}
      </output>
      <div className="flex border-t border-hair">
        <button
          type="button"
          className={`${button} border-r border-hair`}
          aria-label={`${label} down`}
          onClick={() => onStep(-1)}
        >
          −
        </button>
        <button type="button" className={button} aria-label={`${label} up`} onClick={() => onStep(1)}>
          +
        </button>
      </div>
    </div>
  );
}

const painWords = (p: number | undefined): string =>
  p === undefined
    ? "tap if there is any"
    : p === 0
      ? "none"
      : p <= 2
        ? "I notice it, I move as usual"
        : p <= 5
          ? "no increase; take a shorter range or the easier version"
          : "stop this exercise";

export function Pain({
  pain,
  onPain,
  stopped,
}: {
  pain: number | undefined;
  onPain: (p: number) => void;
  stopped: boolean;
}) {
  return (
    <fieldset className="mt-3">
      <legend className="flex w-full justify-between text-lead">
        <b>Any pain?</b>
        <span className="text-body text-ink2">{painWords(pain)}</span>
      </legend>
      <div className="mt-1 flex overflow-hidden rounded-[3px] border border-edge bg-panel">
        {Array.from({ length: 11 }, (_, p) => (
          <button
            key={p}
            type="button"
            aria-pressed={pain === p}
            aria-label={`Pain ${p} of 10`}
            onClick={() => onPain(p)}
            className={`h-11 flex-1 border-r border-hair last:border-r-0 ${pain === p ? "bg-iron font-semibold text-on-iron" : ""}`}
          >
            {p}
          </button>
        ))}
      </div>
      <p className="mt-1 flex justify-between text-label leading-4 text-ink2">
        <span>0 none</span>
        <span>5 changes how I move</span>
        <span>10 must stop</span>
      </p>
      {stopped && (
        <p
          role="alert"
          className="mt-2 flex gap-2 rounded-[3px] border border-brick bg-brick-l p-3 text-body leading-5 text-brick-ink"
        >
          <WarnIcon size={18} />
          <span>
            Stop this exercise. Go on with one that does not hurt. If the pain lasts beyond 24 hours or returns, see a
            physiotherapist.
          </span>
        </p>
      )}
    </fieldset>
  );
}
