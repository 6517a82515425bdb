/** Fields of a cell and of its line. */
import { numberFrom } from "../ui/form";

/** A number field that keeps what was typed until it is a number. */
export function Num({
  label,
  value,
  locked,
  onChange,
  width = "w-14",
}: {
  label: string;
  value: number;
  locked: boolean;
  onChange: (n: number) => void;
  width?: string;
}) {
  return (
    <input
      aria-label={label}
      inputMode="decimal"
      className={`input h-7 ${width} text-right`}
      defaultValue={String(value)}
      key={value}
      disabled={locked}
      onBlur={(e) => {
        const n = numberFrom(e.target.value);
        if (typeof n === "number") onChange(n);
        else e.target.value = String(value);
      }}
      onKeyDown={(e) => {
        if (e.key === "Enter") e.currentTarget.blur();
      }}
    />
  );
}

export const Fault = ({ text }: { text: string | undefined }) =>
  text ? (
    <p role="alert" className="mt-0.5 text-label leading-4 text-brick-ink">
      {text}.
    </p>
  ) : null;
