/** The hour of a group on a day: each member's session there, stations, racks. */
import type { GroupMemberView, GroupSessionView, GroupView, StationWork } from "../../api/many";
import { type IsoDate, mondayOf } from "../../core/dates";
import { assignRacks } from "../../core/gym";
import { choicesFor, fitGroup, type GroupPlace, groupMember, groupOn, stationsOf } from "../../core/planning";
import type { Item } from "../../core/session";
import type { Planned, Planner } from "../planner";

export interface GroupHourFit {
  on: ReturnType<typeof groupOn>;
  places: GroupPlace[];
  planned: ReadonlyMap<string, Planned>;
}

/**
 * @param without members who are left out of it
 * @returns null where the group has no hour
 */
export async function groupHour(
  planner: Planner,
  group: GroupView,
  date: IsoDate,
  without: ReadonlySet<string> = new Set(),
): Promise<GroupHourFit | null> {
  if (!group.hour) return null;
  const on = groupOn(group.hour, date);
  const planned = new Map<string, Planned>();
  const members = [];
  for (const id of group.members) {
    if (without.has(id)) continue;
    const p = await planner.season(id, date);
    const week = p?.plan.weeks.find((w) => w.season.start === mondayOf(date));
    if (!p) continue;
    planned.set(id, p);
    if (week) members.push(groupMember(id, week, on));
  }
  return { on, places: fitGroup(members, group.hour).places, planned };
}

/** The steps of an exercise's ladder beside it, as far as they are open to the athlete in this session. */
function stepsBeside(p: Planned, place: GroupPlace, item: Item): Pick<StationWork, "easier" | "harder"> {
  const { ladder } = item.exercise;
  const { option, member } = place;
  if (!ladder || !option) return { easier: null, harder: null };
  const open = new Set(
    choicesFor(p.stored.athlete, p.library, member.week, option.session, item.exercise.id)?.open.map(
      (c) => c.exercise.id,
    ),
  );
  const steps = p.library.ladder(ladder.id);
  const at = steps.findIndex((e) => e.id === item.exercise.id);
  const named = (step: (typeof steps)[number] | undefined) => (step && open.has(step.id) ? step.name : null);
  return { easier: named(steps[at - 1]), harder: named(steps[at + 1]) };
}

const workOf = (p: Planned, place: GroupPlace, item: Item): StationWork => ({
  exercise: item.exercise.id,
  name: item.exercise.name,
  sets: item.sets,
  reps: item.reps,
  seconds: item.seconds,
  loadKg: item.loadKg,
  loading: item.loading,
  eachSide: item.eachSide,
  ...stepsBeside(p, place, item),
});

function memberView(
  p: Planned,
  place: GroupPlace | undefined,
  on: GroupHourFit["on"],
  number: number | null,
): GroupMemberView {
  const { id, revision, athlete } = p.stored;
  const { name, massUnit = "kg" } = athlete.athlete;
  const option = place?.option ?? null;
  const now = option && place?.member.week.sessions.find((s) => s.label === option.label);
  return {
    id,
    name,
    revision,
    massUnit,
    label: option?.label ?? null,
    emphasis: option?.session.emphasis ?? null,
    start: place?.start ?? null,
    minutes: option?.session.minutes ?? null,
    rack: option?.rack ? { from: option.rack.from, to: option.rack.to, number } : null,
    cost: place?.cost ?? null,
    why: place ? place.why : "has no planned week on that day",
    opens: place?.member.opened !== null && place !== undefined,
    stands: !!now && now.locked && now.date === on.date && now.start === place?.start && now.place === on.place,
    before: now ? { date: now.date, start: now.start, place: now.place } : null,
  };
}

export function groupSessionView(group: GroupView, today: IsoDate, hour: GroupHourFit): GroupSessionView {
  const { on, places, planned } = hour;
  const there = places.flatMap((p) =>
    p.option && p.start !== null
      ? [{ id: p.member.id, rack: p.option.rack, start: p.start, minutes: p.option.session.minutes }]
      : [],
  );
  const racks = assignRacks(there, group.hour?.racks ?? 0);
  const stations = stationsOf(places).map(({ pattern, members }) => ({
    pattern,
    work: members.flatMap((id) => {
      const place = places.find((x) => x.member.id === id);
      const p = planned.get(id);
      const items = place?.option?.session.items.filter((i) => i.exercise.pattern === pattern) ?? [];
      return place && p ? [{ member: id, items: items.map((i) => workOf(p, place, i)) }] : [];
    }),
  }));
  return {
    group,
    today,
    date: on.date,
    start: on.start,
    members: [...planned.values()].map((p) => {
      const at = there.findIndex((t) => t.id === p.stored.id);
      return memberView(
        p,
        places.find((x) => x.member.id === p.stored.id),
        on,
        at < 0 ? null : (racks[at] ?? null),
      );
    }),
    stations,
  };
}
