/** A session as a card for the gym: the strings that stand on paper and on the printed page alike. */

import { LABEL_WORDS, placeName } from "../../core/athlete";
import { clock, dayLabel, timeOf } from "../../core/dates";
import { carriedKg, emphasisText, heldText, reserveText, slowText, workText } from "../../core/session";
import { massIn } from "../../core/units";
import type { ItemView, SessionView } from "../views";

export interface CardRow {
  pair: string;
  name: string;
  /** "3 × 4–6 each side" */
  dose: string;
  /** "72.5 kg", "bodyweight", "find it". */
  load: string;
  /** What the load is: on the bar with its plates, in each hand, one held. */
  loadNote: string;
  perSideKg: number[];
  effort: string;
  rest: string;
  tempo: string;
  warmUp: string;
  cue: string;
  notes: string[];
  sets: number;
  sides: boolean;
}

export interface Card {
  athlete: string;
  title: string;
  when: string;
  rows: CardRow[];
  note: string;
  cautions: string[];
  /** What is done at home that week, each with its days. */
  homework: string[];
  statement: string;
}

/** Said once, and on every printed sheet. */
export const STATEMENT =
  "This sheet does not replace a clinician, or a qualified person on the floor. Pain above 5 of 10 stops the exercise; see a physiotherapist if it lasts beyond 24 hours or returns. No 1RM test without supervision.";

type Unit = "kg" | "lb";

function loadOf(i: ItemView, unit: Unit): { load: string; note: string } {
  if (i.loading === "bodyweight") return { load: "bodyweight", note: "" };
  if (i.loading === "band") return { load: "band", note: "" };
  if (i.loadKg === null) return { load: "find it", note: `rise in sets until ${reserveText(i.rir)} stay in reserve` };
  const load = `${massIn(carriedKg(i), unit)} ${unit}`;
  const how = heldText(i);
  if (how !== "") return { load, note: how };
  if (i.loading === "bar" && i.barKg !== null) {
    const side = i.perSideKg.map((p) => massIn(p, unit)).join(" + ");
    return { load, note: `${massIn(i.barKg, unit)} bar, ${side === "" ? "nothing on it" : `${side} a side`}` };
  }
  return { load, note: "" };
}

function rowOf(i: ItemView, unit: Unit): CardRow {
  const { load, note } = loadOf(i, unit);
  return {
    pair: i.pair,
    name: i.name,
    dose: `${i.sets} × ${workText(i)}${i.eachSide ? " each side" : ""}`,
    load,
    loadNote: note,
    perSideKg: i.loading === "bar" && i.loadKg !== null ? i.perSideKg : [],
    effort: i.seconds === null ? `${reserveText(i.rir)} in reserve` : "",
    rest: clock(i.restSeconds),
    tempo: i.seconds === null ? i.tempo : "",
    warmUp: (i.warmUp.length > 0 ? i.warmUp : i.ramp).map((w) => `${massIn(w.loadKg, unit)} × ${w.reps}`).join(", "),
    cue: i.cue,
    notes: [
      ...(i.note ? [i.note] : []),
      ...(i.slow ? [slowText(i)] : []),
      ...(i.style ? [i.style] : []),
      ...(i.firstSide ? [`${i.firstSide} side first`] : []),
      ...(i.extraSide ? [`one set more on the ${i.extraSide}`] : []),
    ],
    sets: i.sets,
    sides: i.eachSide,
  };
}

/** @param unit how masses are shown to this athlete @param homework what is done at home from that day to the week's end, each with its days */
export function cardOf(view: SessionView, athlete: string, unit: Unit, homework: readonly string[] = []): Card {
  return {
    athlete,
    title: `${LABEL_WORDS[view.label]}, ${emphasisText(view)}`,
    when: `${dayLabel(view.date)} ${timeOf(view.start)}${view.place ? `, ${placeName(view.place)}` : ""}, ${view.minutes} min`,
    rows: view.items.map((i) => rowOf(i, unit)),
    note: view.edit?.note ?? "",
    cautions: view.cautions,
    homework: [...homework],
    statement: STATEMENT,
  };
}
