/** The usual week: a grid by day and hour, one session in words, and what it leaves for strength. */

import { useMemo, useState } from "react";
import type { Athlete, EndurancePlan, Phase, UsualSession, UsualWeekPlan } from "../../core/athlete";
import { addDays, mondayOf, weekdayName } from "../../core/dates";
import {
  freeId,
  plannedWeek,
  STARTER_COUNTS,
  speedsFrom,
  starterWeek,
  withoutSession,
  withSession,
  withShare,
} from "../../core/mileage";
import type { SlotRoom } from "../../core/planning";
import { heavyRoom } from "../../core/planning";
import { PHASE_NAMES, type Units } from "../format";
import { Segments } from "../ui/Segments";
import { amountNumber, amountUnit } from "./amounts";
import { UsualForm } from "./UsualForm";
import { type Sized, UsualGrid } from "./UsualGrid";

const PHASES: readonly (readonly [string, string])[] = [
  ["all", "All phases"],
  ...(["base", "build", "race", "recovery"] as const).map((p) => [p, PHASE_NAMES[p]] as const),
];

export function UsualWeekEditor({
  athlete,
  plan,
  amount,
  today,
  units,
  onPlan,
}: {
  athlete: Athlete;
  plan: EndurancePlan;
  /** Of an ordinary week, km or minutes: what the sessions are drawn with. */
  amount: number;
  today: string;
  units: Units;
  onPlan: (plan: EndurancePlan) => void;
}) {
  const [phase, setPhase] = useState<Phase | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const own = plan.usualWeeks.find((u) => u.phase === phase);
  const sessions = (own ?? plan.usualWeeks.find((u) => u.phase === null))?.sessions ?? [];
  const put = (next: readonly UsualSession[]) =>
    onPlan({
      ...plan,
      usualWeeks: own
        ? plan.usualWeeks.map((u) => (u === own ? { ...u, sessions: [...next] } : u))
        : [...plan.usualWeeks, { phase, sessions: [...next] }],
    });
  const speedOf = useMemo(() => speedsFrom(athlete.endurance, today), [athlete.endurance, today]);
  const week = useMemo(() => {
    const monday = mondayOf(today);
    const days = Array.from({ length: 7 }, () => ({ share: 1, race: null, kind: null, week: 0 }));
    return plannedWeek({
      amount: { week: monday, kind: "typed", base: amount, usual: amount, risePct: 0, days },
      usual: sessions,
      unit: plan.unit,
      rows: [],
      instead: new Map(),
      longestBefore: () => null,
      speedOf,
    }).sessions;
  }, [amount, plan.unit, sessions, speedOf, today]);
  const sized = sessions.map((s): Sized => {
    const made = week.find((e) => e.slot?.endsWith(`/${s.id}`));
    return { ...s, length: made?.minutes ?? s.minutes ?? 20 };
  });
  const room = useMemo(() => heavyRoom(athlete, week, today), [athlete, week, today]);
  const free = room.filter((r) => r.blocked === null).length;
  const at = sessions.find((s) => s.id === chosen) ?? null;
  /** Minutes of the week as its share. */
  const shareOf = (s: UsualSession, minutes: number): number =>
    plan.unit === "minutes" ? minutes / amount : ((minutes / 60) * speedOf(s)) / amount;
  const copy = (id: string) => {
    const s = sessions.find((x) => x.id === id);
    if (!s) return;
    const day = (s.day % 7) + 1;
    const next = { ...s, id: freeId(sessions, day), day };
    put(withSession(sessions, next));
    setChosen(next.id);
  };
  const remove = (id: string) => {
    put(withoutSession(sessions, id));
    setChosen(null);
  };
  return (
    <div className="two-pane max-[900px]:grid-cols-[minmax(0,1fr)]">
      <div className="min-w-0 overflow-auto px-4 py-2">
        <Tools
          phase={phase}
          setPhase={setPhase}
          put={put}
          athlete={athlete}
          sessions={sessions}
          setChosen={setChosen}
          own={own}
          onPlan={onPlan}
          plan={plan}
        />
        <UsualGrid
          sessions={sized}
          chosen={chosen}
          room={room}
          onChoose={setChosen}
          onMove={(id, day, start) => put(sessions.map((s) => (s.id === id ? { ...s, day, start } : s)))}
          onStretch={(id, minutes) => {
            const s = sessions.find((x) => x.id === id);
            if (!s) return;
            put(
              s.minutes === undefined
                ? withShare(sessions, id, shareOf(s, minutes))
                : sessions.map((x) => (x === s ? { ...x, minutes } : x)),
            );
          }}
          onCopy={copy}
          onRemove={remove}
        />
      </div>
      <aside className="overflow-auto border-l border-hair bg-panel" aria-label="Session of the usual week">
        <Room amount={amount} plan={plan} units={units} athlete={athlete} free={free} room={room} />
        {at ? (
          <UsualForm
            session={at}
            onChange={(s) => put(withSession(sessions, s))}
            onShare={(share) => put(withShare(sessions, at.id, share))}
            onCopy={() => copy(at.id)}
            onRemove={() => remove(at.id)}
          />
        ) : (
          <p className="sec text-label leading-4 text-ink2">
            Choose a session to change its kind, its part of the week or its effort. Drag it to another day or hour;
            drag its foot to make it longer.
          </p>
        )}
      </aside>
    </div>
  );
}

/** The amount that a usual week is drawn with: the median of what is planned from this week on. */
export function ordinaryAmount(amounts: readonly number[], unit: EndurancePlan["unit"]): number {
  const sorted = amounts.filter((n) => n > 0).sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? (unit === "km" ? 40 : 360);
}

export const fromThisWeek = <T extends { start: string }>(weeks: readonly T[], today: string): T[] =>
  weeks.filter((w) => addDays(w.start, 6) >= today);

interface ToolsProps {
  phase: "race" | "base" | "build" | "recovery" | null;
  setPhase: (phase: Phase | null) => void;
  put: (next: readonly UsualSession[]) => void;
  athlete: Athlete;
  sessions: UsualSession[];
  setChosen: (value: string | null) => void;
  own: UsualWeekPlan | undefined;
  onPlan: (plan: EndurancePlan) => void;
  plan: EndurancePlan;
}

/** Which phase it is of, a starter, another session. */
function Tools({ phase, setPhase, put, athlete, sessions, setChosen, own, onPlan, plan }: ToolsProps) {
  return (
    <div className="mb-2 flex flex-wrap items-center gap-2">
      <Segments
        name="Phase"
        options={PHASES}
        value={phase ?? "all"}
        onChange={(p) => setPhase(p === "all" ? null : (p as Phase))}
      />
      <label className="ml-2 flex items-center gap-1 text-label">
        Starter
        <select
          className="input w-auto"
          value=""
          onChange={(e) => e.target.value && put(starterWeek(athlete.athlete.sport, Number(e.target.value)))}
        >
          <option value="">sessions a week…</option>
          {STARTER_COUNTS.map((n) => (
            <option key={n}>{n}</option>
          ))}
        </select>
      </label>
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => {
          const day = [1, 2, 3, 4, 5, 6, 7].find((d) => !sessions.some((s) => s.day === d)) ?? 1;
          const session: UsualSession = {
            id: freeId(sessions, day),
            day,
            start: "07:00",
            sport: athlete.athlete.sport === "triathlon" ? "run" : athlete.athlete.sport,
            kind: "easy",
            share: sessions.length === 0 ? 1 : 0.12,
          };
          put(withSession(sessions, session));
          setChosen(session.id);
        }}
      >
        Add session
      </button>
      {phase !== null && own && (
        <button
          type="button"
          className="link text-label"
          onClick={() => onPlan({ ...plan, usualWeeks: plan.usualWeeks.filter((u) => u !== own) })}
        >
          Same as all phases
        </button>
      )}
    </div>
  );
}

interface RoomProps {
  amount: number;
  plan: EndurancePlan;
  units: Units;
  athlete: Athlete;
  free: number;
  room: SlotRoom[];
}

/** What room the week leaves for strength. */
function Room({ amount, plan, units, athlete, free, room }: RoomProps) {
  return (
    <div className="sec">
      <p className="text-label leading-4">
        Drawn with {amountNumber(amount, plan.unit, units)} {amountUnit(plan.unit, units)}, this season's ordinary week.
      </p>
      <p className="mt-1 text-label leading-4" role="status">
        {athlete.availability.length === 0
          ? "No free time slots for strength are entered yet."
          : `${free} of ${room.length} free time slots can still take a heavy session.`}
      </p>
      {room
        .filter((r) => r.blocked !== null)
        .map((r) => (
          <p key={`${r.window.day}${r.window.start}`} className="text-label leading-4 text-ink2">
            {weekdayName(r.window.day)} {r.window.start}: {r.blocked}
          </p>
        ))}
    </div>
  );
}
