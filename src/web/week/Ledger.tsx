/** The week's account of sets by pattern: what is owed, planned and lifted, each owed figure with its reasons. */
import type { LedgerRowView } from "../../api/views";
import { Asked } from "../ui/Asked";

export function Ledger({ rows }: { rows: readonly LedgerRowView[] }) {
  if (rows.length === 0) return null;
  const lifted = rows.some((r) => r.done > 0);
  return (
    <div className="sec">
      <h3 className="sec-h">Sets this week</h3>
      <table className="w-full text-label leading-6">
        <thead>
          <tr className="text-ink2">
            <th scope="col" className="text-left font-normal">
              Pattern
            </th>
            <th scope="col" className="text-right font-normal">
              Owed
            </th>
            <th scope="col" className="text-right font-normal">
              Planned
            </th>
            {lifted && (
              <th scope="col" className="text-right font-normal">
                Lifted
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.pattern} className="border-t border-hair2">
              <th scope="row" className="text-left font-normal">
                {r.name}
              </th>
              <td className="num text-right">
                <Asked
                  reasons={r.why}
                  label={`${r.name}: ${r.owed} sets owed`}
                  className="num min-w-8 text-right leading-6"
                >
                  {r.owed.toFixed(1)}
                </Asked>
              </td>
              <td className={`num text-right ${r.planned + r.done === 0 ? "text-ink2" : "font-semibold"}`}>
                {r.planned}
              </td>
              {lifted && <td className="num text-right">{r.done}</td>}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1.5 text-label leading-4 text-ink2">
        What is left is carried to next week, up to a week's sets. A week that is cut owes nothing back.
      </p>
    </div>
  );
}
