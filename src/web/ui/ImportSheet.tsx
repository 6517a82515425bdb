/** Brings an athlete file in. Faults are listed with their paths; nothing is stored then. */
import { useState } from "react";
import { useDropzone } from "react-dropzone";
import { useNavigate } from "react-router";
import { ProblemError } from "../data/api";
import { useImport } from "../data/hooks";
import { ICON, WarnIcon } from "./glyphs";
import { Sheet } from "./Sheet";
import { tell, tellAndKeep } from "./tell";

const SHOWN = 12;

export default function ImportSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const bring = useImport();
  const navigate = useNavigate();
  const [name, setName] = useState<string | null>(null);

  const take = async (file: File | undefined) => {
    if (!file) return;
    setName(file.name);
    const text = await file.text();
    bring.mutate(text, {
      onSuccess: ({ id, name: athlete, warnings }) => {
        tell(`${athlete} is in.`);
        for (const text of warnings) tellAndKeep(text);
        onClose();
        navigate(`/a/${id}/season`);
      },
    });
  };
  const drop = useDropzone({
    onDrop: ([file]) => void take(file),
    multiple: false,
    noClick: true,
    noKeyboard: true,
  });
  const faults = bring.error instanceof ProblemError ? bring.error.problem.faults : [];
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title="Import an athlete file"
      note="The open format of docs/formats: one athlete, whole. Nothing is stored until every field is as expected."
    >
      <div
        {...drop.getRootProps({
          className: `rounded-[3px] border border-dashed p-6 text-center ${drop.isDragActive ? "border-iron bg-iron-l" : "border-field"}`,
        })}
      >
        <input {...drop.getInputProps({ "aria-label": "Athlete file" })} accept=".json,application/json" />
        <button type="button" className="btn btn-pri" onClick={drop.open} disabled={bring.isPending}>
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
