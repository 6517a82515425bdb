/** A time of day, typed as people write it and shown on 24 hours everywhere. */
import { useState } from "react";
import { timeFromText } from "./dateText";

interface Props {
  id?: string;
  /** Its name where no label points to it. */
  name?: string;
  value: string;
  invalid?: boolean;
  describedBy?: string | undefined;
  /** Called with "HH:mm", or with nothing where the text was emptied. */
  onChange: (time: string) => void;
  onBlur?: () => void;
}

export function TimeField({ id, name, value, invalid, describedBy, onChange, onBlur }: Props) {
  /** What is typed and is not yet, or not any more, the value; null while the field only shows it. */
  const [typed, setTyped] = useState<string | null>(null);
  const wrong = typed !== null && typed.trim() !== "" && timeFromText(typed) === null;
  return (
    <>
      <input
        id={id}
        aria-label={name}
        className="input"
        autoComplete="off"
        placeholder="17:30"
        value={typed ?? value}
        aria-invalid={invalid || wrong || undefined}
        aria-describedby={describedBy}
        onChange={(e) => {
          setTyped(e.target.value);
          const time = e.target.value.trim() === "" ? "" : timeFromText(e.target.value);
          if (time !== null) onChange(time);
        }}
        onBlur={() => {
          if (!wrong) setTyped(null);
          onBlur?.();
        }}
      />
      {wrong && (
        <span role="alert" className="mt-0.5 block text-label leading-4 text-brick-ink">
          No time. Type it as 17:30.
        </span>
      )}
    </>
  );
}
