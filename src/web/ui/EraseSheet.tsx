/** Asks before an athlete is erased, and shows the receipt. */
import { useState } from "react";
import { useNavigate } from "react-router";
import type { AthleteView, ErasedView } from "../../api/views";
import { useEraseAthlete } from "../data/hooks";
import { dayAndYear } from "../format";
import { FormProblem } from "./form";
import { Sheet } from "./Sheet";

export default function EraseSheet({ view, onClose }: { view: AthleteView; onClose: () => void }) {
  const erase = useEraseAthlete(view.id);
  const navigate = useNavigate();
  const [receipt, setReceipt] = useState<ErasedView | null>(null);
  const { name } = view.facts;
  const leave = () => {
    onClose();
    navigate("/");
  };
  if (receipt)
    return (
      <Sheet open onClose={leave} title={`${name} is erased`}>
        <p>
          Erased on {dayAndYear(receipt.erasedAt.slice(0, 10))}, {receipt.erasedAt.slice(11, 16)} UTC, from the club and
          from this browser. Other devices let go of what they have when they next reach the club.
        </p>
        {receipt.backups.length === 0 ? (
          <p className="mt-2">No backup holds {name}.</p>
        ) : (
          <>
            <p className="mt-2">
              {receipt.backups.length === 1 ? "One backup still holds" : `${receipt.backups.length} backups still hold`}{" "}
              {name}. Restoring one of them erases {name} again.
            </p>
            <table className="mt-2 w-full">
              <thead>
                <tr className="text-left text-label text-ink2">
                  <th className="font-semibold">Backup</th>
                  <th className="font-semibold">Kept at most until</th>
                </tr>
              </thead>
              <tbody>
                {receipt.backups.map((b) => (
                  <tr key={b.name} className="border-t border-hair2">
                    <td className="py-1 pr-3 break-all">{b.name}</td>
                    <td className="whitespace-nowrap">{dayAndYear(b.lastDay)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </>
        )}
        <div className="mt-4 flex justify-end">
          <button type="button" className="btn btn-pri" onClick={leave}>
            Done
          </button>
        </div>
      </Sheet>
    );
  return (
    <Sheet open onClose={onClose} title={`Erase ${name}?`}>
      <p>
        Everything of {name} goes: records, logs, plans, notes, reviews, the whole history of changes. This cannot be
        undone. If {name} may come back, export the file first.
      </p>
      <FormProblem text={erase.error?.message ?? ""} />
      <div className="mt-4 flex items-center justify-end gap-2">
        <a className="btn" href={`/api/athletes/${view.id}/file`} download>
          Export file
        </a>
        <span className="flex-1" />
        <button type="button" className="btn" onClick={onClose}>
          Keep
        </button>
        <button
          type="button"
          className="btn btn-pri"
          disabled={erase.isPending}
          onClick={() => erase.mutate(undefined, { onSuccess: setReceipt })}
        >
          {erase.isPending ? "Erasing…" : "Erase for good"}
        </button>
      </div>
    </Sheet>
  );
}
