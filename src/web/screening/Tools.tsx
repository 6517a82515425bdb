/** What measures at the rack: a counter, a stopwatch, a number, or yes and no. One for each side, big enough for a finger. */

import { useEffect, useState } from "react";
import type { ScreenTestView } from "../../api/views";
import { numberFrom } from "../ui/form";
import { useLatest } from "../ui/latest";
import { stepOf, UNIT_WORDS } from "./draft";

interface Props {
  test: ScreenTestView;
  side: "left" | "right" | "both";
  value: number | undefined;
  onChange: (value: number | undefined) => void;
  /** This side is the one to do now. */
  active: boolean;
  onActive: () => void;
}

const SIDE = { left: "Left", right: "Right", both: "" } as const;
const big = "btn h-14 min-w-14 justify-center text-figure";

/** The tool of a side; Space works the active one. */
export function Tool(props: Props) {
  const { test, side, active, onActive } = props;
  return (
    <fieldset
      className={`flex min-w-0 flex-1 flex-col items-center gap-3 rounded-[3px] border bg-panel p-4 max-[460px]:p-2 ${active ? "border-iron shadow-[inset_0_3px_0_var(--color-iron)]" : "border-hair"}`}
      data-active={active}
      onPointerDown={onActive}
    >
      <legend className="sr-only">{side === "both" ? test.name : `${SIDE[side]} side`}</legend>
      {side !== "both" && <span className="text-lead font-semibold">{SIDE[side]}</span>}
      {test.tool === "stopwatch" ? (
        <Stopwatch {...props} />
      ) : test.tool === "yes-no" ? (
        <YesNo {...props} />
      ) : (
        <Counter {...props} />
      )}
    </fieldset>
  );
}

const Big = ({ children }: { children: React.ReactNode }) => (
  <span className="text-hero leading-[48px] font-[650] num" aria-live="polite">
    {children}
  </span>
);

function Counter({ test, side, value, onChange, active }: Props) {
  const [text, setText] = useState<string | null>(null);
  const step = stepOf(test.unit);
  const most = test.upTo ?? Number.POSITIVE_INFINITY;
  const to = (n: number) => onChange(Math.min(most, Math.max(0, n)));
  const more = useLatest(() => to((value ?? 0) + step));
  useSpace(active, more);
  const name = side === "both" ? "" : `${SIDE[side]}: `;
  return (
    <>
      <Big>
        {value ?? "–"}
        <span className="ml-1 text-lead font-normal text-ink2">{UNIT_WORDS[test.unit]}</span>
      </Big>
      <div className="flex items-center gap-2">
        <button
          type="button"
          className={big}
          aria-label={`${name}${step} less`}
          onClick={() => to((value ?? 0) - step)}
        >
          −
        </button>
        <button
          type="button"
          className={`${big} w-24 max-[460px]:w-20`}
          aria-label={`${name}${step} more`}
          onClick={() => to((value ?? 0) + step)}
        >
          +{step}
        </button>
      </div>
      <input
        className="input h-11 w-28 text-center text-lead"
        inputMode="decimal"
        aria-label={`${name}type the value`}
        placeholder="or type it"
        value={text ?? ""}
        onChange={(e) => {
          setText(e.target.value);
          const n = numberFrom(e.target.value);
          if (typeof n === "number" && n >= 0 && n <= most) onChange(n);
        }}
        onBlur={() => setText(null)}
      />
    </>
  );
}

function Stopwatch({ test, side, value, onChange, active }: Props) {
  const [from, setFrom] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  const most = test.upTo ?? 3600;
  const name = side === "both" ? "" : `${SIDE[side]}: `;
  const running = from !== null;
  const shown = running ? Math.min(most, (now - from) / 1000) : (value ?? 0);
  const stop = () => {
    if (from === null) return;
    onChange(Math.min(most, Math.round((performance.now() - from) / 1000)));
    setFrom(null);
  };
  const stopNow = useLatest(stop);
  useEffect(() => {
    if (!running) return;
    const tick = setInterval(() => {
      setNow(performance.now());
      if ((performance.now() - from) / 1000 >= most) stopNow.current();
    }, 100);
    return () => clearInterval(tick);
  }, [running, from, most]);
  const toggle = useLatest(() => {
    if (running) return stop();
    setNow(performance.now());
    setFrom(performance.now());
  });
  useSpace(active, toggle);
  return (
    <>
      <Big>
        {running ? shown.toFixed(1) : (value ?? "–")}
        <span className="ml-1 text-lead font-normal text-ink2">s</span>
      </Big>
      <button
        type="button"
        className={`btn h-14 w-40 max-[460px]:w-36 justify-center text-title ${running ? "" : "btn-pri"}`}
        aria-label={`${name}${running ? "stop" : value === undefined ? "start" : "start again"} the stopwatch`}
        onClick={() => toggle.current()}
      >
        {running ? "Stop" : value === undefined ? "Start" : "Again"}
      </button>
      <div className="flex items-center gap-2">
        <button
          type="button"
          className="btn h-11 w-11 justify-center"
          aria-label={`${name}one second less`}
          disabled={running}
          onClick={() => onChange(Math.max(0, (value ?? 0) - 1))}
        >
          −
        </button>
        <button
          type="button"
          className="btn h-11 w-11 justify-center"
          aria-label={`${name}one second more`}
          disabled={running}
          onClick={() => onChange(Math.min(most, (value ?? 0) + 1))}
        >
          +
        </button>
      </div>
    </>
  );
}

function YesNo({ test, value, onChange }: Props) {
  return (
    <div className="flex gap-3">
      {(
        [
          [1, "Passed"],
          [0, "Not passed"],
        ] as const
      ).map(([v, words]) => (
        <button
          key={v}
          type="button"
          aria-pressed={value === v}
          aria-label={`${test.name}: ${words.toLowerCase()}`}
          className={`btn h-14 w-36 max-[460px]:w-32 justify-center text-lead ${value === v ? "bg-ink text-panel hover:text-ink" : ""}`}
          onClick={() => onChange(v)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}

/** Space works the active tool, unless a control with a use of its own has the focus. */
function useSpace(active: boolean, run: React.RefObject<() => void>): void {
  useEffect(() => {
    if (!active) return;
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== " " || (e.target instanceof Element && e.target.closest("input,button,a,select,summary"))) return;
      e.preventDefault();
      run.current();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [active, run]);
}
