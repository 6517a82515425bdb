/** The foot of the frame: what is saved, what warns now, which keys work here. */
import { Check } from "lucide-react";
import type { SquadRow } from "../../api/views";
import { useSaved } from "../data/saved";
import { WarnIcon } from "../ui/glyphs";
import { keyName, useKeyList } from "../ui/keys";

/** What the server has of what was typed. */
export function useSavedWords(): { words: string; safe: boolean } {
  const { at, waiting, fault } = useSaved();
  const words = fault
    ? "Not saved"
    : waiting
      ? "Not saved yet"
      : at
        ? `Saved ${at.toTimeString().slice(0, 5)}`
        : "All saved";
  return { words, safe: !fault && !waiting };
}

interface Props {
  row: SquadRow | undefined;
  onHistory: () => void;
}

export function StatusBar({ row, onHistory }: Props) {
  const keys = useKeyList().filter((k) => k.bar);
  const saved = useSavedWords();
  const warning = row?.attention.find((a) => a.seenUntil === null);
  return (
    <footer className="print:hidden col-span-2 flex items-center gap-4 border-t border-hair bg-panel pr-3 pl-4 text-label leading-4 text-ink2 cond-s">
      <span className="flex flex-none items-center gap-1.5">
        {!saved.safe ? <WarnIcon /> : <Check size={14} strokeWidth={2} aria-hidden="true" className="text-moss-ink" />}
        {saved.words}
      </span>
      {row && (
        <button type="button" className="link flex-none" aria-haspopup="dialog" onClick={onHistory}>
          Changes
        </button>
      )}
      {warning && (
        <span className="flex min-w-0 items-center gap-1.5" title={warning.text}>
          <WarnIcon />
          <span className="truncate">Now: {warning.text}</span>
        </span>
      )}
      {/* What finds no room on the line is on the sheet that "?" opens. */}
      <span className="flex h-full min-w-[40%] flex-1 flex-wrap justify-end gap-x-4 overflow-hidden">
        {keys.map((k) => (
          <span key={k.key} className="flex h-full flex-none items-center gap-1.5">
            <kbd className="key">{keyName(k.key)}</kbd>
            {k.label}
          </span>
        ))}
      </span>
    </footer>
  );
}
