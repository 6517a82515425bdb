/** All athletes on one sheet: a row each with phases, races and absences; clashes behind, the coach's own absences above. */

import type { NavigateFunction } from "react-router";
import { Link, useNavigate } from "react-router";
import type { CalendarAthlete, CalendarView } from "../../api/views";
import { addDays, daysBetween, mondayOf, monthName, weekday } from "../../core/dates";
import type { Clash } from "../../core/season";
import { day, PHASE_NAMES, SPORT_NAMES, span } from "../format";
import { fitText } from "../section/layout/common";
import { Flag, Text } from "../section/parts";
import { STRATA } from "../section/patterns";

/** Geometry, px. */
const NAME = 150;
const ROW = 48;
const TOP = 58;

export function CalendarSheet({
  view,
  clashes,
  from,
  weeks,
  width,
  chosen,
}: {
  view: CalendarView;
  clashes: readonly Clash[];
  from: string;
  weeks: number;
  width: number;
  chosen: string | null;
}) {
  const navigate = useNavigate();
  const days = weeks * 7;
  const perDay = (width - NAME - 12) / days;
  const x = (date: string) => NAME + Math.max(0, Math.min(days, daysBetween(from, date))) * perDay;
  const inside = (a: string, b: string) => daysBetween(from, b) >= 0 && daysBetween(from, a) < days;
  const height = TOP + view.athletes.length * ROW + 8;
  const months: string[] = [];
  for (let d = 0; d < days; d++) {
    const date = addDays(from, d);
    if (date.slice(8) === "01") months.push(date);
  }
  const weekends = Array.from({ length: days }, (_, d) => addDays(from, d)).filter((d) => weekday(d) === 6);
  return (
    <>
      <svg
        width={width}
        height={height}
        role="group"
        aria-label="Club calendar. The same stands in the table after it."
      >
        <Backdrop
          perDay={perDay}
          weekends={weekends}
          x={x}
          height={height}
          months={months}
          view={view}
          inside={inside}
          clashes={clashes}
          chosen={chosen}
        />
        {view.athletes.map((a, i) => {
          const y = TOP + i * ROW;
          return (
            <AthleteRow
              key={a.id}
              a={a}
              width={width}
              y={y}
              inside={inside}
              x={x}
              perDay={perDay}
              navigate={navigate}
            />
          );
        })}
        {inside(view.today, view.today) && (
          <line
            x1={x(view.today) + perDay / 2}
            x2={x(view.today) + perDay / 2}
            y1={20}
            y2={height}
            stroke="var(--color-ink)"
            strokeDasharray="3 2"
          >
            <title>Today</title>
          </line>
        )}
      </svg>
      <Twin view={view} />
    </>
  );
}

/** Where the next race of the same athlete stands, so that names do not run into flags. */
function nextX(
  races: CalendarView["athletes"][number]["races"],
  race: { id: string; date: string },
  x: (date: string) => number,
  width: number,
): number {
  const next = races.find((r) => r.date > race.date);
  return next ? Math.min(width - 12, x(next.date)) : width - 12;
}

interface BackdropProps {
  perDay: number;
  weekends: string[];
  x: (date: string) => number;
  height: number;
  months: string[];
  view: CalendarView;
  inside: (a: string, b: string) => boolean;
  clashes: readonly Clash[];
  chosen: string | null;
}

/** Weekends, months, the coach's absences and what clashes. */
function Backdrop({ perDay, weekends, x, height, months, view, inside, clashes, chosen }: BackdropProps) {
  return (
    <>
      {perDay >= 3 &&
        weekends.map((d) => (
          <rect
            key={d}
            x={x(d)}
            y={TOP - 14}
            width={perDay * 2}
            height={height - TOP + 14}
            fill="var(--color-hair2)"
            opacity=".6"
          />
        ))}
      {months.map((m) => (
        <g key={m}>
          <line x1={x(m)} x2={x(m)} y1={4} y2={height} stroke="var(--color-edge)" />
          <Text x={x(m) + 5} y={15} size={12} weight={500}>
            {monthName(m)} {m.slice(5, 7) === "01" ? m.slice(0, 4) : ""}
          </Text>
        </g>
      ))}
      <Text x={16} y={36} weight={600} fill="var(--color-ink2)">
        You
      </Text>
      {view.absences
        .filter((a) => inside(a.start, a.end))
        .map((a) => (
          <g key={a.id}>
            <title>{`${a.what}, ${span(a.start, a.end)}`}</title>
            <rect
              x={x(a.start)}
              y={24}
              width={Math.max(5, x(addDays(a.end, 1)) - x(a.start))}
              height={16}
              fill="var(--color-ground)"
              rx={2}
            />
            <Text x={x(addDays(a.end, 1)) + 4} y={36} halo="var(--color-paper)">
              {a.what}
            </Text>
          </g>
        ))}
      {clashes
        .filter((c) => inside(c.start, c.end))
        .map((c) => (
          <rect
            key={c.kind + c.start + c.text}
            x={x(c.start) - 1}
            y={TOP - 14}
            width={Math.max(4, x(addDays(c.end, 1)) - x(c.start) + 2)}
            height={height - TOP + 10}
            fill={c.start === chosen ? "var(--color-brick)" : "var(--color-brick-l)"}
            opacity={c.start === chosen ? 0.25 : 0.8}
          />
        ))}
    </>
  );
}

interface AthleteRowProps {
  a: CalendarAthlete;
  width: number;
  y: number;
  inside: (a: string, b: string) => boolean;
  x: (date: string) => number;
  perDay: number;
  navigate: NavigateFunction;
}

/** Phases, absences and races of one athlete. */
function AthleteRow({ a, width, y, inside, x, perDay, navigate }: AthleteRowProps) {
  return (
    <g>
      <line x1={16} x2={width - 12} y1={y - 0.5} y2={y - 0.5} stroke="var(--color-hair)" />
      {a.phases
        .filter((p) => inside(p.start, p.end))
        .map((p) => {
          const [x0, x1] = [x(p.start), x(addDays(p.end, 1))];
          return (
            <g key={p.start}>
              <title>{`${a.name}: ${PHASE_NAMES[p.phase]}, ${span(p.start, p.end)}`}</title>
              <rect
                x={x0}
                y={y + 28}
                width={x1 - x0}
                height={14}
                fill={STRATA[p.phase].tint}
                stroke="var(--color-edge)"
              />
              <Text x={x0 + 4} y={y + 38.5} size={11}>
                {fitText(PHASE_NAMES[p.phase], x1 - x0 - 6, 11)}
              </Text>
            </g>
          );
        })}
      {a.away
        .filter((w) => inside(w.start, w.end))
        .map((w) => (
          <rect
            key={w.start}
            x={x(w.start)}
            y={y + 24}
            width={Math.max(3, x(addDays(w.end, 1)) - x(w.start))}
            height={3}
            fill="var(--color-mist-ink)"
          >
            <title>{`${a.name} away: ${w.kind}, ${span(w.start, w.end)}`}</title>
          </rect>
        ))}
      {a.races
        .filter((r) => inside(r.date, addDays(r.date, r.days - 1)))
        .map((r) => {
          const at = x(r.date) + perDay / 2;
          const flipped = at > width - 90;
          const room = nextX(a.races, r, x, width) - at - 34;
          return (
            <g key={r.id} className="cursor-pointer">
              {/* biome-ignore lint/a11y/noStaticElementInteractions: the pointer's twin of the links in the table */}
              <g onClick={() => navigate(`/a/${a.id}/season?week=${mondayOf(r.date)}`)}>
                <title>{`${a.name}: ${r.name}, ${day(r.date)}, ${r.priority} race`}</title>
                <Flag x={at} ground={y + 28} top={y + 4} priority={r.priority} side={flipped ? -1 : 1} />
                {!flipped && (
                  <Text x={at + { A: 32, B: 26, C: 22 }[r.priority]} y={y + 15} halo="var(--color-paper)">
                    {fitText(r.name, Math.min(120, room), 11)}
                  </Text>
                )}
              </g>
            </g>
          );
        })}
      <rect x={0} y={y} width={NAME - 4} height={ROW - 1} fill="var(--color-paper)" />
      <a
        href={`/a/${a.id}/season`}
        onClick={(e) => {
          if (e.metaKey || e.ctrlKey) return;
          e.preventDefault();
          navigate(`/a/${a.id}/season`);
        }}
      >
        <Text x={16} y={y + 19} size={13} weight={600} fill="var(--color-iron)">
          {fitText(a.name, NAME - 24, 13)}
        </Text>
      </a>
      <Text x={16} y={y + 36} fill="var(--color-ink2)">
        {SPORT_NAMES[a.sport]}
      </Text>
    </g>
  );
}

/** The same as a table, for screen readers. */
function Twin({ view }: { view: CalendarView }) {
  return (
    <div className="sr-only">
      <table>
        <caption>Races of the club</caption>
        <thead>
          <tr>
            <th>Athlete</th>
            <th>Sport</th>
            <th>Phase today</th>
            <th>Races</th>
          </tr>
        </thead>
        <tbody>
          {view.athletes.map((a) => {
            const now = a.phases.find((p) => p.start <= view.today && view.today <= p.end);
            return (
              <tr key={a.id}>
                <td>
                  <Link to={`/a/${a.id}/season`} tabIndex={-1}>
                    {a.name}
                  </Link>
                </td>
                <td>{SPORT_NAMES[a.sport]}</td>
                <td>{now ? PHASE_NAMES[now.phase] : "outside the season"}</td>
                <td>{a.races.map((r) => `${r.priority} ${r.name} ${day(r.date)}`).join("; ")}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
