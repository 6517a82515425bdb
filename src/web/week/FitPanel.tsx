/** The side panel of a week: the fit's price by rule, the best alternatives, the reasons. */
import type { PlannedSessionView, WeekView } from "../../api/views";
import { dayName } from "../../core/dates";
import { RULES, why } from "../../core/rulebook";
import { time } from "../format";
import { FitHistogram } from "../section/FitHistogram";
import { MiniWeek } from "../section/MiniWeek";
import { STRATA } from "../section/patterns";
import { Asked } from "../ui/Asked";
import { WarnIcon } from "../ui/glyphs";
import { WhyList } from "../ui/Why";
import { Changed } from "./Changed";
import { Ledger } from "./Ledger";
import { Legs } from "./Legs";
import { Room } from "./Room";
import type { WeekActions } from "./useWeekActions";

export function FitPanel({
  id,
  view,
  preview,
  onPreview,
  onTake,
  actions,
}: {
  id: string;
  view: WeekView;
  preview: number | null;
  onPreview: (at: number | null) => void;
  onTake: (at: number) => void;
  actions: WeekActions;
}) {
  const { fit } = view;
  if (!view.editable)
    return (
      <div className="sec flex-1">
        <h2 className="mb-1 text-title leading-6 font-[650]">Done</h2>
        <p className="mb-3 text-ink2">This week is past. What was lifted stands as it was logged.</p>
        <WhyList reasons={view.why} />
      </div>
    );
  const open = view.sessions.filter((s) => !s.done);
  return (
    <>
      <Head view={view} fit={fit} actions={actions} />
      {fit.unplaced.map((u) => (
        <Room key={u.label} id={id} view={view} unplaced={u} actions={actions} />
      ))}
      <Changed view={view} actions={actions} />
      <Ledger rows={view.ledger} />
      <Points fit={fit} open={open} />
      <Alternatives fit={fit} view={view} preview={preview} onPreview={onPreview} onTake={onTake} />
      <Legs view={view} />
      <div className="sec flex-1">
        <h3 className="sec-h">
          Why
          <i className="sw self-center" style={{ background: STRATA[view.phase].tint }} />
        </h3>
        <WhyList reasons={view.why} />
      </div>
    </>
  );
}

interface HeadProps {
  view: WeekView;
  fit: WeekView["fit"];
  actions: WeekActions;
}

/** What the placement comes to. */
function Head({ view, fit, actions }: HeadProps) {
  return (
    <div className="sec">
      <div className="mb-2 flex items-baseline justify-between">
        <h2 className="text-title leading-6 font-[650]">Placement</h2>
        <span className="text-label text-ink2">
          {view.held ? "fixed" : "proposed"}, best of {fit.weighed.toLocaleString("en-GB")} option
          {fit.weighed === 1 ? "" : "s"}
        </span>
      </div>
      <div className="flex items-end gap-4">
        <div>
          <Asked
            reasons={[why("fit.place", "least", fit.weighed.toLocaleString("en-GB"))]}
            className="num block text-hero leading-[44px] font-semibold"
            label={`Disturbance ${fit.cost}`}
          >
            {fit.cost}
          </Asked>
          <span className="block text-label leading-4 text-ink2">disturbance</span>
        </div>
        <FitHistogram histogram={fit.histogram} cost={fit.cost} />
      </div>
      {view.stale && (
        <p className="mt-2 flex items-start gap-1.5 text-label leading-4 text-brick-ink">
          <WarnIcon />
          <span>
            A better placement exists now.{" "}
            <button type="button" className="underline" onClick={actions.fit}>
              Re-plan
            </button>
          </span>
        </p>
      )}
    </div>
  );
}

function Points({ fit, open }: { fit: WeekView["fit"]; open: PlannedSessionView[] }) {
  return (
    <div className="sec">
      <h3 className="sec-h">
        {fit.cost > 0
          ? `Where the ${fit.cost} point${fit.cost === 1 ? " comes" : "s come"} from`
          : open.length > 0
            ? "No rule charges anything"
            : "Nothing to place"}
      </h3>
      <ul>
        {fit.costs.map((c) => (
          <li
            key={c.rule + c.text}
            className="grid grid-cols-[32px_1fr] border-t border-hair2 py-2 first:border-t-0 first:pt-0.5"
          >
            <span className="num text-title leading-5 font-semibold">{c.points}</span>
            <div>
              <Asked reasons={[c]} className="block text-left text-body leading-5 font-semibold">
                {RULES[c.rule].title}
              </Asked>
              <p className="text-label leading-4 text-ink2 cond-s">{c.text}</p>
            </div>
          </li>
        ))}
      </ul>
      <p className="mt-1 border-t border-hair pt-2 text-label leading-4 text-ink2">
        {fit.freeRules} other rules charge nothing
      </p>
    </div>
  );
}

interface AlternativesProps {
  fit: WeekView["fit"];
  view: WeekView;
  preview: number | null;
  onPreview: (at: number | null) => void;
  onTake: (at: number) => void;
}

function Alternatives({ fit, view, preview, onPreview, onTake }: AlternativesProps) {
  return (
    <div className="sec">
      <h3 className="sec-h">Alternatives</h3>
      {fit.alternatives.length === 0 && (
        <p className="text-label text-ink2">No other choice of days keeps every must-hold rule.</p>
      )}
      {fit.alternatives.map((a, i) => (
        <div
          key={a.sessions.map((s) => s.date + s.label).join()}
          className="grid grid-cols-[116px_1fr] gap-3 border-t border-hair2 py-2.5 first-of-type:border-t-0 first-of-type:pt-0.5"
        >
          <MiniWeek view={view} alternative={a} />
          <div>
            <h4 className="text-body leading-4 font-semibold cond-s">
              {a.sessions.map((s) => `${s.label} ${dayName(s.date)} ${time(s.start)}`).join(", ")}
            </h4>
            <p className="mt-0.5 text-label leading-4 text-ink2">
              disturbance <b className="text-ink">{a.cost}</b>
              {a.cost === fit.cost
                ? ", the same"
                : a.cost > fit.cost
                  ? `, ${a.cost - fit.cost} more`
                  : `, ${fit.cost - a.cost} less`}
            </p>
            <div className="mt-1.5 flex gap-1.5">
              <button
                type="button"
                className="btn btn-sm"
                aria-pressed={preview === i}
                onClick={() => onPreview(preview === i ? null : i)}
              >
                {preview === i ? "Back" : "Preview"}
              </button>
              <button type="button" className="btn btn-sm" onClick={() => onTake(i)}>
                Apply
              </button>
            </div>
          </div>
        </div>
      ))}
    </div>
  );
}
