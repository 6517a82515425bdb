import { useState } from "react";
import { Field } from "../ui/form";
import { Sheet } from "../ui/Sheet";
import { AwayForm } from "./AwayForm";

interface Props {
  athletes: readonly { id: string; name: string }[];
  /** Who is chosen first. */
  first: string;
  today: string;
  onClose: () => void;
}

/** Ill or away, from wherever the coach is. */
export default function AwaySheet({ athletes, first, today, onClose }: Props) {
  const [id, setId] = useState(first);
  const name = athletes.find((a) => a.id === id)?.name ?? "";
  return (
    <Sheet open onClose={onClose} title={athletes.length > 1 ? "Ill or away" : `Ill or away: ${name}`} width={480}>
      {athletes.length > 1 && (
        <Field id="away-who" label="Athlete" className="mb-3">
          <select id="away-who" className="input" value={id} onChange={(e) => setId(e.target.value)}>
            {athletes.map((a) => (
              <option key={a.id} value={a.id}>
                {a.name}
              </option>
            ))}
          </select>
        </Field>
      )}
      <AwayForm key={id} id={id} today={today} onDone={onClose} />
    </Sheet>
  );
}
