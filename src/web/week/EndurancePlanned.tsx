/** What the endurance plan gives this week: its amount in place, what it is warned of, and the usual week carried on where nothing is planned. */
import { Link } from "react-router";
import type { WeekView } from "../../api/views";
import type { EndurancePlan } from "../../core/athlete";
import { withAmounts } from "../../core/mileage";
import { useSavePlan } from "../data/mileage";
import { useHeld } from "../data/tags";
import { textIn, type Units } from "../format";
import { AmountField } from "../mileage/AmountField";
import { amountNumber, amountUnit } from "../mileage/amounts";
import { WarnIcon } from "../ui/glyphs";
import { tellFault } from "../ui/tell";
import { useUndo } from "../ui/undo";
import { WhyList } from "../ui/Why";

export function EndurancePlanned({ id, view, units }: { id: string; view: WeekView; units: Units }) {
  const save = useSavePlan(id);
  const { said } = useUndo(id);
  useHeld(`athletes/${id}/endurance-plan`);
  const { plan, amount, before, warnings } = view.mileage;
  const put = (next: EndurancePlan, words: string) =>
    save.mutate(next, {
      onSuccess: () => said(words),
      onError: (e) => tellFault(`Not saved: ${e.message}`),
    });
  const shown = (n: number) => (plan ? `${amountNumber(n, plan.unit, units)} ${amountUnit(plan.unit, units)}` : "");
  const amountTo = (n: number) =>
    plan && put(withAmounts(plan, new Map([[view.monday, n]])), `${shown(n)} for this week.`);
  // Where every session is a record, the week says nothing of its own.
  if (!view.editable || (!plan && view.known === "all")) return null;
  return (
    <div className="sec">
      <h2 className="sec-h">Endurance</h2>
      {plan && amount && (
        <>
          <AmountField monday={view.monday} amount={amount.amount} unit={plan.unit} units={units} onAmount={amountTo} />
          {Math.abs(amount.planned - amount.amount) > 1 && (
            <p className="mt-1 text-label leading-4 text-ink2">The sessions make {shown(amount.planned)}.</p>
          )}
          <div className="mt-1">
            <WhyList reasons={amount.why} />
          </div>
        </>
      )}
      {!amount && view.known !== "all" && (
        <p className="text-label leading-4 text-ink2">
          {view.known === "part" ? "Only part of this week is planned." : "Nothing planned here."}{" "}
          {plan && before !== null ? (
            <button type="button" className="link" onClick={() => amountTo(before)}>
              Carry the usual week on, {shown(before)}
            </button>
          ) : (
            <Link className="link" to={`/a/${id}/season?plan`}>
              Plan the endurance
            </Link>
          )}
        </p>
      )}
      {warnings.map((w) => (
        <p key={w.code} className="mt-2 flex gap-1.5 text-label leading-4 text-brick-ink">
          <WarnIcon />
          <span>
            {textIn(w.text, units)}{" "}
            <Link className="link" to={`/a/${id}/season?plan&week=${view.monday}&fix=${w.code}/${w.date}`}>
              {w.fix ? textIn(w.fix.text, units) : "See the season"}
            </Link>
          </span>
        </p>
      ))}
    </div>
  );
}
