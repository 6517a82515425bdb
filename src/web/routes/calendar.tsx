/** Club calendar: every athlete's phases and races on one sheet, the coach's absences, and where they clash. */
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import type { CalendarView } from "../../api/views";
import { SPORTS, type Sport } from "../../core/athlete";
import { addDays, mondayOf } from "../../core/dates";
import { clashesOf } from "../../core/season";
import { Absences } from "../club/Absences";
import { CalendarSheet } from "../club/CalendarSheet";
import { TestsDue } from "../club/TestsDue";
import { get } from "../data/api";
import { CALENDAR_KEY } from "../data/hooks";
import { day, SPORT_NAMES, span } from "../format";
import { useSize } from "../section/useSize";
import { ICON, WarnIcon } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Failed, LoadingNote } from "../ui/State";

const SPANS: [string, string][] = [
  ["13", "3 months"],
  ["26", "6 months"],
  ["52", "A year"],
];

export default function CalendarRoute() {
  const calendar = useQuery({ queryKey: CALENDAR_KEY, queryFn: () => get<CalendarView>("/calendar") });
  if (calendar.isPending) return <LoadingNote what="the club calendar" />;
  if (calendar.isError) return <Failed error={calendar.error} retry={() => calendar.refetch()} what="The calendar" />;
  return <Calendar view={calendar.data} />;
}

function Calendar({ view }: { view: CalendarView }) {
  const [sport, setSport] = useState<Sport | "all">("all");
  const [weeks, setWeeks] = useState("26");
  const [from, setFrom] = useState(addDays(mondayOf(view.today), -14));
  const [chosen, setChosen] = useState<string | null>(null);
  const [ref, size] = useSize<HTMLDivElement>();
  const athletes = useMemo(
    () => view.athletes.filter((a) => sport === "all" || a.sport === sport),
    [view.athletes, sport],
  );
  const clashes = useMemo(() => clashesOf(athletes, view.absences, view.today), [athletes, view.absences, view.today]);
  const move = (by: number) => setFrom(addDays(from, by * 7 * Math.ceil(Number(weeks) / 4)));
  useKeys("view", [
    { key: "ArrowLeft", label: "", run: () => move(-1), bar: true },
    { key: "ArrowRight", label: "earlier, later", run: () => move(1), bar: true },
    { key: "t", label: "to today", run: () => setFrom(addDays(mondayOf(view.today), -14)), bar: true },
  ]);
  const there = new Set(view.athletes.map((a) => a.sport));
  return (
    <div className="two-pane">
      <main className="flex min-h-0 min-w-0 flex-col">
        <PageHeader
          title="Club calendar"
          note={span(from, addDays(from, Number(weeks) * 7 - 1))}
          className="h-auto flex-wrap gap-y-1"
        >
          <span className="flex-1" />
          <Link className="btn" to="/results">
            Results
          </Link>
          <button type="button" className="btn btn-sq" aria-label="Earlier" onClick={() => move(-1)}>
            {ICON.left}
          </button>
          <button type="button" className="btn btn-sq -ml-1" aria-label="Later" onClick={() => move(1)}>
            {ICON.right}
          </button>
          <Segments name="Span" options={SPANS} value={weeks} onChange={setWeeks} />
          <select
            className="input w-36"
            aria-label="Sport shown"
            value={sport}
            onChange={(e) => setSport(e.target.value as Sport | "all")}
          >
            <option value="all">All sports</option>
            {SPORTS.filter((s) => there.has(s)).map((s) => (
              <option key={s} value={s}>
                {SPORT_NAMES[s]}
              </option>
            ))}
          </select>
        </PageHeader>
        <div ref={ref} className="min-h-0 flex-1 overflow-auto">
          {size && (
            <CalendarSheet
              view={{ ...view, athletes }}
              clashes={clashes}
              from={from}
              weeks={Number(weeks)}
              width={size.width}
              chosen={chosen}
            />
          )}
        </div>
      </main>
      <aside
        className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel"
        aria-label="Clashes and absences"
      >
        <div className="sec">
          <h2 className="sec-h">
            Clashes <em className="font-normal not-italic">{clashes.length || "none"}</em>
          </h2>
          {clashes.length === 0 && (
            <p className="text-label leading-4 text-ink2">
              Nobody races during your absences, no weekend has three or more racing, nobody is away on a race day.
            </p>
          )}
          <ul>
            {clashes.map((c) => (
              <li key={`${c.kind}${c.start}${c.text}`} className="border-t border-hair2 py-1.5 first:border-t-0">
                <button
                  type="button"
                  className="flex w-full gap-1.5 text-left text-label leading-4"
                  onClick={() => {
                    setChosen(c.start);
                    setFrom(addDays(mondayOf(c.start), -7 * Math.round(Number(weeks) / 3)));
                  }}
                >
                  <WarnIcon />
                  <span>
                    <b className="block font-semibold">{c.start === c.end ? day(c.start) : span(c.start, c.end)}</b>
                    {c.text}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </div>
        <TestsDue athletes={athletes} today={view.today} />
        <Absences view={view} />
      </aside>
    </div>
  );
}
