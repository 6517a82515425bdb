/** Brings an athlete file in. Faults are listed with their paths; nothing is stored then. */
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { toast } from "sonner";
import { ProblemError } from "../data/api";
import { useImport } from "../data/hooks";
import { ICON, WarnIcon } from "./glyphs";
import { Sheet } from "./Sheet";
import { useDrop } from "./useDrop";

const SHOWN = 12;

export function ImportSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const bring = useImport();
  const navigate = useNavigate();
  const input = useRef<HTMLInputElement>(null);
  const [name, setName] = useState<string | null>(null);

  const take = async (file: File | undefined) => {
    if (!file) return;
    setName(file.name);
    const text = await file.text();
    bring.mutate(text, {
      onSuccess: ({ id, name: athlete, warnings }) => {
        toast(`${athlete} is in.`);
        for (const text of warnings) toast.warning(text, { duration: Number.POSITIVE_INFINITY, closeButton: true });
        onClose();
        navigate(`/a/${id}/season`);
      },
    });
  };
  const { over, handlers } = useDrop((files) => void take(files[0]));
  const faults = bring.error instanceof ProblemError ? bring.error.problem.faults : [];
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title="Import an athlete file"
      note="The open format of docs/formats: one athlete, whole. Nothing is stored until every field is as expected."
    >
      <div
        className={`rounded-[3px] border border-dashed p-6 text-center ${over ? "border-iron bg-iron-l" : "border-field"}`}
        {...handlers}
      >
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          aria-label="Athlete file"
          className="sr-only"
          onChange={(e) => {
            void take(e.target.files?.[0]);
            e.target.value = "";
          }}
        />
        <button type="button" className="btn btn-pri" onClick={() => input.current?.click()} disabled={bring.isPending}>
          {ICON.file} {bring.isPending ? "Reading…" : "Choose a file"}
        </button>
        <p className="mt-2 text-label text-ink2">or drop it here</p>
      </div>
      {bring.error && (
        <div role="alert" className="mt-3 rounded-[3px] border border-brick bg-brick-l p-3">
          <p className="mb-1 flex items-center gap-1.5 font-semibold text-brick-ink">
            <WarnIcon /> {name}: {bring.error.message}
          </p>
          <ul className="space-y-1 text-label leading-4">
            {faults.slice(0, SHOWN).map((f) => (
              <li key={`${f.path}${f.expected}`}>
                <code className="font-semibold">{f.path}</code>: {f.expected}
              </li>
            ))}
          </ul>
          {faults.length > SHOWN && <p className="mt-1 text-label">and {faults.length - SHOWN} more</p>}
        </div>
      )}
    </Sheet>
  );
}
