/** What a coach does with an approach as a whole: a copy, an older version, its removal. */
import { useState } from "react";
import { useNavigate } from "react-router";
import type { ApproachView } from "../../api/views";
import type { Approach } from "../../core/athlete";
import { useCopyApproach, useDeleteApproach, useVersions } from "../data/dose";
import { Field } from "../ui/form";
import { Sheet } from "../ui/Sheet";
import { Failed, LoadingNote } from "../ui/State";

export function CopySheet({ view: v, onClose }: { view: ApproachView; onClose: () => void }) {
  const [name, setName] = useState(`${v.approach.name}, ours`);
  const copy = useCopyApproach();
  const navigate = useNavigate();
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Copy ${v.approach.name}`}
      note="The copy is yours to change; every saved change is a version that can be brought back."
    >
      <form
        onSubmit={(e) => {
          e.preventDefault();
          copy.mutate(
            { basis: v.approach.id, name: name.trim() },
            {
              onSuccess: ({ id }) => {
                onClose();
                navigate(`/approaches/${id}`);
              },
            },
          );
        }}
      >
        <Field id="copy-name" label="Name" error={copy.error?.message}>
          <input
            id="copy-name"
            className="input"
            maxLength={60}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        </Field>
        <div className="mt-3 flex justify-end">
          <button type="submit" className="btn btn-pri" disabled={copy.isPending || name.trim() === ""}>
            Copy
          </button>
        </div>
      </form>
    </Sheet>
  );
}

export function VersionsSheet({
  id,
  onClose,
  onTake,
}: {
  id: string;
  onClose: () => void;
  onTake: (a: Approach) => void;
}) {
  const versions = useVersions(id, true);
  return (
    <Sheet
      open
      onClose={onClose}
      title="Versions"
      note="Bringing one back puts it into the grid; it is kept as a new version once you save."
    >
      {versions.isPending ? (
        <LoadingNote what="the versions" />
      ) : versions.isError ? (
        <Failed error={versions.error} retry={() => versions.refetch()} what="The versions" />
      ) : (
        <ul>
          {versions.data.map((x, i) => (
            <li key={x.approach.version} className="flex items-center gap-3 border-b border-hair2 py-2 last:border-b-0">
              <span className="w-8 font-semibold">{x.approach.version}</span>
              <span className="min-w-0 flex-1 text-label leading-4">
                {x.note || "no note"}
                <span className="block text-ink2">{x.at.slice(0, 16).replace("T", " ")}</span>
              </span>
              {i === 0 ? (
                <span className="text-label text-ink2">in use</span>
              ) : (
                <button type="button" className="btn btn-sm" onClick={() => onTake(x.approach)}>
                  Bring back
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
    </Sheet>
  );
}

export function RemoveSheet({ view: v, onClose }: { view: ApproachView; onClose: () => void }) {
  const remove = useDeleteApproach();
  const navigate = useNavigate();
  return (
    <Sheet open onClose={onClose} title={`Remove ${v.approach.name}?`}>
      <p className="mb-3">
        Its {v.approach.version} version{v.approach.version === 1 ? "" : "s"} go with it, and cannot be brought back.
        {v.users.length > 0 ? " Somebody follows it: choose another for them first." : ""}
      </p>
      {remove.error && (
        <p role="alert" className="mb-2 text-label text-brick-ink">
          {remove.error.message}
        </p>
      )}
      <div className="flex justify-end gap-2">
        <button type="button" className="btn" onClick={onClose}>
          Keep it
        </button>
        <button
          type="button"
          className="btn btn-pri"
          disabled={remove.isPending || v.users.length > 0}
          onClick={() =>
            remove.mutate(v.approach.id, {
              onSuccess: () => {
                onClose();
                navigate("/approaches");
              },
            })
          }
        >
          Remove
        </button>
      </div>
    </Sheet>
  );
}
