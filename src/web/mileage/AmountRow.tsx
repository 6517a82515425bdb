/** The weeks' amounts as fields under the drawing: typed one by one, walked with arrow keys, a column of a spreadsheet pasted at once. */
import { useRef } from "react";
import type { SeasonLayout } from "../section/layout/season";
import { numberFrom } from "../ui/form";
import { tell, tellFault } from "../ui/tell";
import { pastedNumbers } from "./amounts";

interface Props {
  layout: SeasonLayout;
  /** y of the row. */
  y: number;
  today: string;
  /** In the unit that is typed. */
  amountOf: (monday: string) => number | null;
  onType: (amounts: ReadonlyMap<string, number>) => void;
}

export function AmountRow({ layout: l, y, today, amountOf, onType }: Props) {
  const fields = useRef(new Map<number, HTMLInputElement>());
  const go = (index: number, by: number) => {
    const next = fields.current.get(index + by);
    next?.focus();
    next?.select();
  };
  return (
    <fieldset className="pointer-events-none absolute left-0 m-0 border-0 p-0" style={{ top: y - 2 }}>
      <legend className="sr-only">Amounts by week</legend>
      {l.columns.map((c) => {
        const { start } = c.week;
        if (start < today && c.week.done) return null;
        const value = amountOf(start);
        const commit = (text: string) => {
          const n = numberFrom(text);
          if (typeof n === "number" && n >= 0 && n !== value) onType(new Map([[start, n]]));
        };
        return (
          <input
            key={`${start}${value}`}
            ref={(e) => {
              if (e) fields.current.set(c.index, e);
              else fields.current.delete(c.index);
            }}
            className="pointer-events-auto absolute h-6 rounded-[2px] border border-edge bg-panel p-0 text-center text-note leading-4 cond"
            style={{ left: c.x0 + 1, width: Math.max(24, c.x1 - c.x0 - 2) }}
            inputMode="decimal"
            aria-label={`Week of ${start}`}
            defaultValue={value ?? ""}
            onFocus={(e) => e.target.select()}
            onBlur={(e) => commit(e.target.value)}
            onPaste={(e) => {
              const text = e.clipboardData.getData("text");
              const numbers = pastedNumbers(text);
              if (numbers === null) {
                e.preventDefault();
                tellFault("Numbers expected, one a week: nothing was changed.");
              } else if (numbers.length > 1) {
                e.preventDefault();
                const weeks = l.columns.filter((x) => x.index >= c.index).map((x) => x.week.start);
                onType(new Map(numbers.slice(0, weeks.length).map((n, i) => [weeks[i] ?? start, n])));
                if (numbers.length > weeks.length)
                  tell(`${numbers.length - weeks.length} numbers lie beyond what is shown.`);
              }
            }}
            onKeyDown={(e) => {
              const at = e.currentTarget;
              const whole = at.selectionStart === 0 && at.selectionEnd === at.value.length;
              if (e.key === "Enter" || (e.key === "ArrowRight" && (whole || at.selectionEnd === at.value.length))) {
                e.preventDefault();
                commit(at.value);
                go(c.index, 1);
              } else if (e.key === "ArrowLeft" && (whole || at.selectionStart === 0)) {
                e.preventDefault();
                commit(at.value);
                go(c.index, -1);
              } else if (e.key === "Escape") at.blur();
            }}
          />
        );
      })}
    </fieldset>
  );
}
