/** The rows of one exercise on the sheet: warm-up sets in soft ink, then the work, bracketed with its partner. */

import { Link } from "react-router";
import type { ItemView, SessionView } from "../../api/views";
import type { Why } from "../../core/rulebook";
import { heldText, reserveText, slowText, workText } from "../../core/session";
import { clock, day, loadText, mass, masses, massNumber, type Units } from "../format";
import { DECISION_WORDS } from "../lifts/words";
import { PatternTile } from "../section/parts";
import { bandOf } from "../section/patterns";
import { Asked } from "../ui/Asked";
import { PlateStack } from "../ui/Plates";
import { Swap } from "./Swap";

/** Columns that a narrow sheet has no room for: plates are told in words beside the load, tempo and rest when it is logged. */
export const WIDE = "@max-[860px]:hidden";
export const MEDIUM = "@max-[640px]:hidden";

/** Bar and plates of one side, "20 bar, 10 + 2.5"; empty for what has none. */
export const platesText = (i: ItemView, units: Units): string =>
  i.loading === "bar" && i.barKg !== null && i.loadKg !== null
    ? `${massNumber(i.barKg, units)} bar${i.perSideKg.length ? `, ${i.perSideKg.map((p) => massNumber(p, units)).join(" + ")}` : " alone"}`
    : "";

export function Lines({ item: i, view, units }: { item: ItemView; view: SessionView; units: Units }) {
  const [partnered, second] = [/[ABC]$/.test(i.pair), /[BC]$/.test(i.pair)];
  const logged = view.log?.items.find((x) => x.exercise === i.exercise);
  const reps = `${i.sets} × ${workText(i)}`;
  const columns = view.log ? (view.time ? 8 : 6) : 9;
  return (
    <>
      {i.warmUp.length > 0 && (
        <tr className="h-6 text-label text-ink2">
          <td className="relative">{partnered && !second && <Bracket part="top" />}</td>
          <td colSpan={columns - 1}>
            Warm-up sets:{" "}
            {i.warmUp.map((w, k) => (
              <span key={w.loadKg} className="whitespace-nowrap">
                {k > 0 ? ", " : ""}
                {mass(w.loadKg, units)} × {w.reps}
              </span>
            ))}
          </td>
        </tr>
      )}
      <tr className={`h-14 align-middle ${partnered && !second ? "" : "border-b border-hair"}`}>
        <NameCells i={i} partnered={partnered} second={second} view={view} units={units} />
        <td>
          <Asked reasons={lineWhy(i.why, view.why)} className="text-lead font-semibold whitespace-nowrap">
            {reps}
          </Asked>
          {i.eachSide && <span className="block text-label leading-4 text-ink2">each side</span>}
        </td>
        <LoadCell i={i} units={units} />
        {!view.log && (
          <td className={`pr-2 ${MEDIUM} text-label leading-4 text-ink2 cond-s`}>
            {i.last ? (
              <Link
                className="hover:underline"
                to={`/a/${view.id}/lifts/${i.exercise}`}
                title="What came of it, and what comes next"
              >
                <span className="block">{day(i.last.date)}</span>
                {i.last.text}
              </Link>
            ) : (
              "–"
            )}
          </td>
        )}
        {view.time && (
          <td className={`text-label leading-4 ${WIDE}`}>
            {platesText(i, units) !== "" ? (
              <>
                <PlateStack perSideKg={i.perSideKg} />
                <span className="block text-ink2 cond-s">{platesText(i, units)}</span>
              </>
            ) : (
              <span className="text-ink2">–</span>
            )}
          </td>
        )}
        <td className={MEDIUM}>
          {i.seconds === null ? (
            <Asked reasons={lineWhy(i.why, view.why)} className="min-h-6 min-w-6 text-left">
              {reserveText(i.rir)}
            </Asked>
          ) : (
            "–"
          )}
        </td>
        {view.time && (
          <td className={`num ${WIDE}`}>
            <Asked reasons={view.why}>{clock(i.restSeconds)}</Asked>
          </td>
        )}
        {!view.log && (
          <td className={`num ${WIDE}`}>{i.pattern === "jump" ? "quick" : i.seconds === null ? i.tempo : "hold"}</td>
        )}
        {view.log && (
          <td className="text-label leading-4">
            {logged
              ? logged.sets
                  .map(
                    (s) =>
                      `${s.side === "both" ? "" : s.side[0]?.toUpperCase()}${s.reps ?? `${s.seconds} s`}${s.loadKg === undefined ? "" : ` @ ${massNumber(s.loadKg, units)}`}`,
                  )
                  .join(", ")
              : "not done"}
            {(logged?.pain ?? 0) > 0 && <span className="block text-brick-ink">pain {logged?.pain}</span>}
          </td>
        )}
      </tr>
    </>
  );
}

/** Why an item has its sets, repetitions and reserve: its place on the line, the hold or the step-back, then the session's own reasons. */
export const lineWhy = (item: readonly Why[], session: readonly Why[]): Why[] => [
  ...item.filter((w) => /^(block|stepback|hold|load\.triple)/.test(w.rule)),
  ...session,
];

/** Why an item has its load. */
export const loadWhy = (item: readonly Why[]): Why[] => item.filter((w) => /^(load|progress|block)/.test(w.rule));

/** What a coach must see without asking: which side begins, and what the screening added. */
export function Notes({ item: i, block, units }: { item: ItemView; block: SessionView["block"]; units: Units }) {
  return (
    <span className="flex flex-wrap items-center gap-x-2 text-label leading-4">
      {i.line && block && i.line.point + 1 !== block.week && (
        <span className="text-ink2">
          week {i.line.point + 1} of {i.line.of} on its line
        </span>
      )}
      {i.slow && <b className="font-semibold">{slowText(i)}</b>}
      {i.style && <span className="text-ink2">{i.style}</span>}
      {i.firstSide && <b className="font-semibold text-iron">{i.firstSide} side first</b>}
      {i.extraSide && <b className="font-semibold text-iron">and one set more on the {i.extraSide}</b>}
      {i.decision && i.decision.kind !== "same" && (
        <span className="text-ink2">
          {i.decision.byCoach ? "your decision: " : ""}
          {DECISION_WORDS[i.decision.kind]}
        </span>
      )}
      {i.ramp.length > 0 && (
        <span className="text-ink2">
          find the load:{" "}
          {masses(
            i.ramp.map((r) => r.loadKg),
            units,
          )}{" "}
          × {i.ramp[0]?.reps}, until {reserveText(i.rir)} stay in reserve
        </span>
      )}
      {i.note && <i className="not-italic font-medium">{i.note}</i>}
      {i.added && <span className="text-iron">added: {i.added.toLowerCase()}</span>}
    </span>
  );
}

const Bracket = ({ part }: { part: "top" | "bottom" | "through" }) => (
  <span
    aria-hidden="true"
    className={`absolute right-2 w-1.5 border-l-[1.5px] border-iron ${part === "top" ? "top-1/2 bottom-0 border-t-[1.5px]" : part === "bottom" ? "top-0 bottom-1/2 border-b-[1.5px]" : "inset-y-0"}`}
  />
);

interface NameCellsProps {
  i: ItemView;
  partnered: boolean;
  second: boolean;
  view: SessionView;
  units: Units;
}

function NameCells({ i, partnered, second, view, units }: NameCellsProps) {
  return (
    <>
      <td className="relative font-semibold num">
        {i.pair}
        {partnered && <Bracket part={second ? "bottom" : i.warmUp.length > 0 ? "through" : "top"} />}
      </td>
      <td className="py-1.5 pr-3">
        <span className="flex items-center gap-2">
          <PatternTile id={bandOf(i.pattern)} size={18} />
          <span>
            <span className="flex items-baseline gap-2">
              <Asked
                reasons={i.why.filter((w) => /^(choice|finding|first|side|pair)/.test(w.rule))}
                className="block text-left text-body leading-5 font-semibold"
              >
                {i.name}
              </Asked>
              {view.log === null && view.time && <Swap item={i} view={view} />}
            </span>
            <span className="block max-w-[46ch] text-label leading-4 text-ink2 cond-s">{i.cue}</span>
            <Notes item={i} block={view.block} units={units} />
          </span>
        </span>
      </td>
    </>
  );
}

function LoadCell({ i, units }: { i: ItemView; units: Units }) {
  return (
    <td>
      <Asked reasons={loadWhy(i.why)} className="text-lead font-semibold whitespace-nowrap">
        {loadText(i, units)}
      </Asked>
      {i.percent1rm !== null && <span className="block text-label leading-4 text-ink2">{i.percent1rm}% of 1RM</span>}
      {platesText(i, units) !== "" && (
        <span className="hidden text-label leading-4 text-ink2 @max-[860px]:block">{platesText(i, units)}</span>
      )}
      {heldText(i) !== "" && <span className="block text-label leading-4 text-ink2">{heldText(i)}</span>}
    </td>
  );
}
