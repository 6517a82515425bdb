/** Templates, and the same session for other athletes. */
import { useState } from "react";
import type { CopyResult, SessionView } from "../../api/views";
import type { EditItem } from "../../core/athlete";
import { useCopyEdit, useDeleteTemplate, useSaveTemplate, useTemplates } from "../data/dose";
import { useSquad } from "../data/hooks";
import { day, LABEL_NAMES, SPORT_NAMES } from "../format";
import { ICON } from "../ui/glyphs";
import { Sheet } from "../ui/Sheet";
import { Failed, LoadingNote } from "../ui/State";
import { tellUndo } from "../ui/tell";

interface TemplatesProps {
  items: EditItem[];
  onTake: (items: EditItem[]) => void;
  onClose: () => void;
}

export function TemplatesSheet({ items, onTake, onClose }: TemplatesProps) {
  const templates = useTemplates();
  const save = useSaveTemplate();
  const remove = useDeleteTemplate();
  const [name, setName] = useState("");
  return (
    <Sheet
      open
      onClose={onClose}
      title="Templates"
      note="A template keeps exercises, order, pairs and doses. Loads belong to an athlete and are worked out anew."
    >
      {templates.isPending ? (
        <LoadingNote what="the templates" />
      ) : templates.isError ? (
        <Failed error={templates.error} retry={() => templates.refetch()} what="The templates" />
      ) : templates.data.length === 0 ? (
        <p className="mb-3 text-ink2">None yet. Keep this session as the first.</p>
      ) : (
        <ul className="mb-3 border-y border-hair">
          {templates.data.map((t) => (
            <li key={t.id} className="flex items-center gap-2 border-b border-hair2 py-1.5 last:border-b-0">
              <span className="min-w-0 flex-1">
                <span className="block truncate font-medium">{t.name}</span>
                <span className="block text-label text-ink2">
                  {t.items.length} exercises, {t.items.reduce((a, i) => a + i.sets, 0)} sets
                </span>
              </span>
              <button type="button" className="btn btn-sm" onClick={() => onTake(t.items)}>
                Use it here
              </button>
              <button
                type="button"
                className="btn btn-sm btn-sq"
                aria-label={`Remove ${t.name}`}
                onClick={() =>
                  remove.mutate(t.id, {
                    onSuccess: () =>
                      tellUndo(`${t.name} is removed.`, () => save.mutate({ name: t.name, items: t.items })),
                  })
                }
              >
                {ICON.bin}
              </button>
            </li>
          ))}
        </ul>
      )}
      <form
        className="flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          save.mutate({ name: name.trim(), items }, { onSuccess: () => setName("") });
        }}
      >
        <label className="flex-1 text-label font-medium" htmlFor="template-name">
          Keep this session as
          <input
            id="template-name"
            className="input mt-0.5 font-normal"
            maxLength={80}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-pri" disabled={name.trim() === "" || save.isPending}>
          Keep
        </button>
      </form>
      {save.error && (
        <p role="alert" className="mt-1 text-label text-brick-ink">
          {save.error.message}
        </p>
      )}
    </Sheet>
  );
}

export function CopySheet({ view, onClose }: { view: SessionView; onClose: () => void }) {
  const squad = useSquad();
  const [to, setTo] = useState<string[]>([]);
  const [results, setResults] = useState<CopyResult[] | null>(null);
  const copy = useCopyEdit(view.id, view.date, view.label);
  const others = (squad.data?.rows ?? []).filter((r) => r.id !== view.id);
  return (
    <Sheet
      open
      onClose={onClose}
      title={`${LABEL_NAMES[view.label]} of ${day(view.date)} for others`}
      note="Their session of the same letter in that week becomes this one. Loads are worked out for each; what they may not do is left out and said."
    >
      {results ? (
        <ul className="mb-3 text-label leading-4">
          {results.map((r) => (
            <li key={r.id} className="border-b border-hair2 py-1.5">
              <b className="font-semibold">{r.name}</b>: {r.copied ? "copied" : "not copied"}
              {r.notes.length > 0 && <span className="block text-ink2">{r.notes.join(" ")}</span>}
            </li>
          ))}
        </ul>
      ) : (
        <ul className="mb-3 max-h-[300px] overflow-auto border-y border-hair">
          {others.map((r) => (
            <li key={r.id} className="border-b border-hair2 last:border-b-0">
              <label className="flex items-center gap-2 py-1.5">
                <input
                  type="checkbox"
                  checked={to.includes(r.id)}
                  onChange={() => setTo((t) => (t.includes(r.id) ? t.filter((x) => x !== r.id) : [...t, r.id]))}
                />
                <span className="flex-1">{r.name}</span>
                <span className="text-label text-ink2">{SPORT_NAMES[r.sport]}</span>
              </label>
            </li>
          ))}
        </ul>
      )}
      {copy.error && (
        <p role="alert" className="mb-2 text-label text-brick-ink">
          {copy.error.message}
        </p>
      )}
      <div className="flex justify-end gap-2">
        <button type="button" className="btn" onClick={onClose}>
          {results ? "Done" : "Back"}
        </button>
        {!results && (
          <button
            type="button"
            className="btn btn-pri"
            disabled={to.length === 0 || copy.isPending}
            onClick={() => copy.mutate(to, { onSuccess: setResults })}
          >
            {copy.isPending ? "Copying…" : `Copy to ${to.length}`}
          </button>
        )}
      </div>
    </Sheet>
  );
}
