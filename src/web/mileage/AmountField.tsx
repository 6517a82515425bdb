/** A week's amount, typed in place or in percent of what it is. */
import type { EndurancePlan } from "../../core/athlete";
import type { Units } from "../format";
import { numberFrom } from "../ui/form";
import { amountFrom, amountNumber, amountUnit } from "./amounts";

/** Steps in percent of what is planned. */
const STEPS = [-20, -10, 10] as const;

export function AmountField({
  monday,
  amount,
  unit,
  units,
  onAmount,
}: {
  monday: string;
  /** km or minutes; null where nothing is planned. */
  amount: number | null;
  unit: EndurancePlan["unit"];
  units: Units;
  onAmount: (amount: number) => void;
}) {
  const shown = amount === null ? "" : String(amountNumber(amount, unit, units));
  const commit = (text: string) => {
    const n = numberFrom(text);
    if (typeof n === "number" && n >= 0 && text.trim() !== shown) onAmount(amountFrom(n, unit, units));
  };
  return (
    <div className="flex flex-wrap items-center gap-1">
      <label className="flex items-center gap-1 text-label">
        <span className="text-ink2">Planned</span>
        <input
          key={`${monday}${shown}`}
          className="input h-7 w-14"
          inputMode="decimal"
          aria-label={`Planned for the week, ${amountUnit(unit, units)}`}
          defaultValue={shown}
          placeholder="–"
          onBlur={(e) => commit(e.target.value)}
          onKeyDown={(e) => e.key === "Enter" && commit(e.currentTarget.value)}
        />
        {amountUnit(unit, units)}
      </label>
      <span className="flex-1" />
      {STEPS.map((s) => (
        <button
          key={s}
          type="button"
          className="btn btn-sm px-1"
          disabled={!amount}
          onClick={() => amount && onAmount((amount * (100 + s)) / 100)}
        >
          {s > 0 ? "+" : "−"}
          {Math.abs(s)}%
        </button>
      ))}
    </div>
  );
}
