/** Swap: everything that could stand in this slot, ranked, and why the rest may not. */
import { Popover } from "radix-ui";
import { useState } from "react";
import { Link } from "react-router";
import type { ItemView, SessionView } from "../../api/views";
import { useChoices, useSwap } from "../data/intake";
import { LOADING_NAMES } from "../library/words";
import { tellFault, tellUndo } from "../ui/tell";

const CLOSED: Record<string, string> = {
  pain: "Stopped for pain",
  clearance: "Clearance",
  trouble: "Trouble area",
  gate: "Test not passed",
  ladder: "Not yet reached",
  equipment: "Equipment",
};

export function Swap({ item, view }: { item: ItemView; view: SessionView }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        className="link text-label leading-4 max-[700px]:-my-2 max-[700px]:h-11 max-[700px]:px-3 max-[700px]:text-lead"
        aria-label={`Swap ${item.name}`}
      >
        Swap
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={`Instead of ${item.name.toLowerCase()}`}
          align="start"
          sideOffset={6}
          collisionPadding={{ top: 12, right: 12, bottom: 12, left: 68 }}
          className="fade z-50 flex max-h-[min(70vh,520px)] w-[400px] max-w-[calc(100vw-24px)] flex-col rounded-[3px] border border-edge bg-panel shadow-pop"
        >
          <List item={item} view={view} onDone={() => setOpen(false)} />
          <Popover.Arrow className="fill-edge" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function List({ item, view, onDone }: { item: ItemView; view: SessionView; onDone: () => void }) {
  const choices = useChoices(view.id, view.date, view.label, item.exercise, true);
  const swap = useSwap(view.id, view.date, view.label);
  if (choices.isPending) return <p className="p-4 text-ink2">Looking for what fits…</p>;
  if (choices.isError) return <p className="p-4 text-brick-ink">{choices.error.message}</p>;
  const { open, closed, swappedFrom } = choices.data;
  const from = swappedFrom ?? item.exercise;
  // The row goes with the exercise, and this list with the row: what follows may not hang on either.
  const take = (to: string | null, name: string) =>
    swap.mutateAsync({ from, to }).then(
      () => {
        tellUndo(to === null ? "The planner chooses again." : `${name} stands instead.`, () =>
          swap.mutate({ from, to: swappedFrom ? item.exercise : null }),
        );
        onDone();
      },
      (error: Error) => tellFault(error.message),
    );
  const groups = Object.keys(CLOSED)
    .map((kind) => ({ kind, list: closed.filter((c) => c.kind === kind) }))
    .filter((g) => g.list.length > 0);
  return (
    <>
      <div className="flex flex-none items-baseline justify-between gap-3 border-b border-hair px-3 py-2">
        <h3 className="font-semibold">Instead of {item.name.toLowerCase()}</h3>
        <span className="text-label text-ink2">{open.length} open here</span>
      </div>
      <div className="min-h-0 overflow-auto">
        {swappedFrom && (
          <button
            type="button"
            className="block w-full border-b border-hair2 px-3 py-2 text-left font-medium hover:bg-iron-l"
            disabled={swap.isPending}
            onClick={() => take(null, "")}
          >
            Back to the planner's choice
          </button>
        )}
        <ol>
          {open.map((c, i) => (
            <li key={c.exercise} className="border-b border-hair2">
              <button
                type="button"
                className={`block w-full px-3 py-1.5 text-left ${c.taken ? "bg-iron-l" : "hover:bg-iron-l"}`}
                disabled={c.taken || swap.isPending}
                onClick={() => take(c.exercise, c.name)}
              >
                <span className="flex justify-between gap-2 leading-5">
                  <span className="font-medium">
                    {i + 1}. {c.name}
                  </span>
                  <span className="text-label text-ink2 whitespace-nowrap">
                    {c.taken ? "taken" : LOADING_NAMES[c.loading]}
                  </span>
                </span>
                {c.because.length > 0 && (
                  <span className="block text-label leading-4 text-ink2">{c.because.join("; ")}</span>
                )}
              </button>
            </li>
          ))}
        </ol>
        {groups.length > 0 && <h4 className="px-3 pt-3 pb-1 text-label font-semibold text-ink2">Not now</h4>}
        {groups.map((g) => (
          <details
            key={g.kind}
            className="border-b border-hair2 px-3 py-1"
            open={g.kind !== "equipment" && g.kind !== "ladder"}
          >
            <summary className="cursor-pointer py-1 text-label font-medium">
              {CLOSED[g.kind]} ({g.list.length})
            </summary>
            <ul className="pb-1">
              {g.list.map((c) => (
                <li key={c.exercise} className="py-0.5 text-label leading-4">
                  <Link className="hover:underline" to={`/library/${c.exercise}`}>
                    <b className="font-semibold">{c.name}</b>
                  </Link>
                  : {c.text}
                </li>
              ))}
            </ul>
          </details>
        ))}
      </div>
    </>
  );
}
