/** Somebody else changed the same thing: both versions side by side, before anything is overwritten. */
import { Dialog } from "radix-ui";
import type { OpenConflict } from "../data/conflicts";
import { bothOf, differences, thingName } from "./differences";

export default function ConflictSheet({ conflict: { thing, yours, theirs, choose } }: { conflict: OpenConflict }) {
  const rows = differences(yours, theirs);
  const both = bothOf(yours, theirs);
  const removing = yours === null;
  return (
    <Dialog.Root open>
      <Dialog.Portal>
        <Dialog.Overlay className="fade fixed inset-0 z-[60] bg-ink/30" />
        <Dialog.Content
          style={{ width: "min(640px, calc(100vw - 24px))" }}
          className="fade fixed top-1/2 left-1/2 z-[70] max-h-[calc(100vh-32px)] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-[3px] border border-edge bg-panel p-4 shadow-pop"
        >
          <Dialog.Title className="text-lead font-semibold">
            Somebody else has changed this {thingName(thing)}
          </Dialog.Title>
          <Dialog.Description className="mt-1 text-ink2">
            {removing
              ? "You are removing it; meanwhile it was changed. Nothing is removed yet."
              : theirs === null
                ? "It was removed meanwhile. Yours is not stored yet."
                : "It was changed after you opened it. Yours is not stored yet."}
          </Dialog.Description>
          <table className="mt-3 w-full table-fixed border-collapse text-left">
            <thead>
              <tr className="border-b border-ground text-label text-ink2">
                <th className="w-[26%] py-1 pr-2 font-semibold">What differs</th>
                <th className="py-1 pr-2 font-semibold">Yours</th>
                <th className="py-1 font-semibold">Theirs</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((r) => (
                <tr key={r.label} className="border-b border-hair2 align-top">
                  <th scope="row" className="py-1.5 pr-2 font-medium">
                    {r.label}
                  </th>
                  <td className="py-1.5 pr-2 break-words whitespace-pre-wrap">{r.mine}</td>
                  <td className="py-1.5 break-words whitespace-pre-wrap">{r.theirs}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <div className="mt-4 flex flex-wrap justify-end gap-2">
            {both !== null && (
              <button type="button" className="btn h-11 min-[700px]:h-8" onClick={() => choose({ both })}>
                Keep both
              </button>
            )}
            <button type="button" className="btn h-11 min-[700px]:h-8" onClick={() => choose("theirs")}>
              Keep theirs
            </button>
            <button type="button" className="btn btn-pri h-11 min-[700px]:h-8" onClick={() => choose("mine")}>
              {removing ? "Remove all the same" : "Keep mine"}
            </button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
