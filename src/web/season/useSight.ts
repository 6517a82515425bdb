/** Which weeks of the season are in sight, and which one is chosen; the address holds the choice. */
import { useState } from "react";
import { useSearchParams } from "react-router";
import type { SeasonView } from "../../api/views";
import { mondayOf } from "../../core/dates";
import { weeksThatFit, zoomed } from "../section/layout/season";

/** Weeks shown before today at first. */
const BEFORE = 9;
/** Weeks in sight where nothing is drawn yet. */
const UNDRAWN = 26;

/** @param width of the drawing, px; null before it is known */
export function useSight(view: SeasonView, width: number | null) {
  const [params, setParams] = useSearchParams();
  const [zoom, setZoom] = useState<number | null>(null);
  const [wanted, setFirst] = useState<number | null>(null);
  const now = Math.max(
    0,
    view.weeks.findIndex((w) => w.start === mondayOf(view.today)),
  );
  const asked = view.weeks.findIndex((w) => w.start === params.get("week"));
  const selected = asked >= 0 ? asked : now;
  const usual = width === null ? UNDRAWN : weeksThatFit(width, view.weeks.length);
  const fits = Math.min(zoom ?? usual, view.weeks.length);
  // A narrow screen shows few weeks: most of them are still ahead.
  const atFirst = now - Math.min(BEFORE, Math.floor(fits / 3));
  const first = Math.max(0, Math.min(wanted ?? atFirst, view.weeks.length - fits));
  const select = (index: number) => {
    const to = Math.max(0, Math.min(view.weeks.length - 1, index));
    const week = view.weeks[to];
    if (!week) return;
    setParams({ week: week.start }, { replace: true });
    if (to < first) setFirst(to);
    else if (to >= first + fits) setFirst(to - fits + 1);
  };
  /** The chosen week keeps its place in sight. */
  const zoomBy = (by: 1 | -1) => {
    const next = zoomed(fits, by, view.weeks.length);
    const share = (selected - first + 0.5) / fits;
    setZoom(next);
    setFirst(Math.round(selected + 0.5 - (share >= 0 && share <= 1 ? share : 0.5) * next));
  };
  const scroll = (weeks: number) => setFirst(first + weeks);
  const wheel = (e: React.WheelEvent) => {
    if (e.ctrlKey) zoomBy(e.deltaY > 0 ? 1 : -1);
    else if (Math.abs(e.deltaX) > Math.abs(e.deltaY) || e.shiftKey)
      scroll(Math.sign(e.deltaX || e.deltaY) * Math.max(1, Math.round(fits / 26)));
  };
  return { now, selected, first, fits, select, zoomBy, scroll, wheel };
}
export type Sight = ReturnType<typeof useSight>;
