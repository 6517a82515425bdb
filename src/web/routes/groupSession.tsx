/** The hour of a group: who begins when and on which rack, what each does at every station, taken over for all in one go. */
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import type { GroupMemberView, GroupSessionView } from "../../api/many";
import { addDays, weekday } from "../../core/dates";
import { useClub } from "../data/hooks";
import { useGroupSession, useGroups, useTakeHour, useUndoMany } from "../data/many";
import { useMay } from "../data/session";
import { counted, day, duration, placeName, sessionName, time } from "../format";
import { HourDrawing } from "../groups/HourDrawing";
import { Stations } from "../groups/Stations";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader, Steps } from "../ui/page";
import { Empty, Failed, LoadingNote } from "../ui/State";
import { tell, tellFault, tellUndo } from "../ui/tell";

/** The next day of that weekday, today among them. */
const nextOn = (today: string, weekdayOf: number): string => addDays(today, (weekdayOf - weekday(today) + 7) % 7);

export default function GroupSessionRoute() {
  const { group: id = "", date: asked } = useParams();
  const [club, groups] = [useClub(), useGroups()];
  const group = groups.data?.find((g) => g.id === id);
  const today = club.data?.today ?? "";
  const date = asked ?? (group?.hour && today !== "" ? nextOn(today, group.hour.day) : "");
  const session = useGroupSession(id, date);
  if (groups.isError) return <Failed error={groups.error} retry={() => groups.refetch()} what="The group" />;
  if (session.isError) return <Failed error={session.error} retry={() => session.refetch()} what="The hour" />;
  if (!session.data) return <LoadingNote what="the hour of the group" />;
  return <GroupHour view={session.data} />;
}

function GroupHour({ view }: { view: GroupSessionView }) {
  const navigate = useNavigate();
  const may = useMay();
  const { group, date, members } = view;
  const [off, setOff] = useState<ReadonlySet<string>>(new Set());
  const take = useTakeHour(group.id, date);
  const undo = useUndoMany();
  const go = (by: number) => navigate(`/groups/${group.id}/session/${addDays(date, by * 7)}`);
  useKeys("view", [
    { key: "ArrowLeft", label: "", run: () => go(-1), bar: true },
    { key: "ArrowRight", label: "week", run: () => go(1), bar: true },
  ]);
  const open = members.filter((m) => m.start !== null && !m.stands && !off.has(m.id));
  const standing = members.filter((m) => m.stands).length;
  const apply = () =>
    take.mutate(
      open.map(({ id, revision }) => ({ id, revision })),
      {
        onSuccess: ({ batch, changed, left }) => {
          const out = left.map((l) => `${l.name} ${l.why}`).join("; ");
          const said = `${group.name}: set for ${counted(changed.length, "athlete")}.${out ? ` Left out: ${out}.` : ""}`;
          if (batch) tellUndo(said, () => undo.mutate(batch, { onError: (e) => tellFault(e.message) }));
          else tell(said);
        },
        onError: (e) => tellFault(e.message),
      },
    );
  return (
    <main className="flex h-full flex-col">
      <PageHeader title={group.name} className="h-auto flex-wrap gap-y-1">
        <span className="ml-1 text-ink2">
          {day(date)}, {time(view.start)}, {placeName(group.hour?.place ?? "")}
        </span>
        <Steps before="Week before" next="Week after" onStep={go} />
        <span className="flex-1" />
        <a className="btn" href={`/api/gym/${date}/cards.pdf?per=4&group=${group.id}`} target="_blank" rel="noreferrer">
          {ICON.file} Cards
        </a>
        {date === view.today && (
          <Link className="btn" to={`/groups/${group.id}/floor`}>
            Log for all
          </Link>
        )}
        {may("groups") && (
          <button type="button" className="btn btn-pri" disabled={open.length === 0 || take.isPending} onClick={apply}>
            {take.isPending ? "Saving…" : `Set the hour for ${open.length}`}
          </button>
        )}
      </PageHeader>
      <div className="min-h-0 flex-1 overflow-auto px-4 pb-6">
        {members.length === 0 ? (
          <Empty title="Nobody is in this group">
            Put athletes into it under <Link to="/groups">Groups</Link>.
          </Empty>
        ) : (
          <>
            <p className="pb-2 text-ink2">
              {counted(standing, "session")} of {members.length} set for this hour. Each has the session of their own
              week that costs it least here; where two cost the same, the one that shares most with the others.
            </p>
            <HourDrawing view={view} />
            <section aria-label="Members" className="mt-3">
              <ul>
                {members.map((m) => (
                  <Member
                    key={m.id}
                    m={m}
                    view={view}
                    on={!off.has(m.id)}
                    onToggle={(on) => {
                      const next = new Set(off);
                      if (on) next.delete(m.id);
                      else next.add(m.id);
                      setOff(next);
                    }}
                  />
                ))}
              </ul>
            </section>
            <Stations view={view} />
          </>
        )}
      </div>
    </main>
  );
}

interface MemberProps {
  m: GroupMemberView;
  view: GroupSessionView;
  on: boolean;
  onToggle: (on: boolean) => void;
}

/** Where a session comes from, and what it costs the week. */
function movedText({ before, cost, opens }: GroupMemberView, date: string): string {
  const from = !before
    ? "new in this week"
    : before.date === date
      ? `planned at ${time(before.start)}`
      : `from ${day(before.date)}, ${time(before.start)}`;
  const price = cost === null || cost === 0 ? "" : `; costs their week ${counted(cost, "point")} more`;
  return `${from}${price}${opens ? "; opens this hour for them" : ""}`;
}

function Member({ m, view, on, onToggle }: MemberProps) {
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-0.5 border-b border-hair2 py-1.5">
      <label className="flex w-[190px] flex-none items-center gap-2 max-[700px]:min-h-9 max-[700px]:w-full">
        <input
          type="checkbox"
          className="h-4 w-4 flex-none accent-iron"
          disabled={m.start === null || m.stands}
          checked={m.start !== null && on}
          onChange={(e) => onToggle(e.target.checked)}
        />
        <Link to={`/a/${m.id}/week/${view.date}`} className="font-medium hover:underline">
          {m.name}
        </Link>
      </label>
      {m.start !== null && m.label && m.emphasis ? (
        <>
          <span className="w-[190px] flex-none max-[700px]:w-auto">
            {time(m.start)}, {duration(m.minutes ?? 0)}
            {m.rack ? `, rack ${m.rack.number ?? "?"}` : ", no rack"}
          </span>
          <span className="w-[180px] flex-none max-[700px]:w-auto">{sessionName(m.label, m.emphasis)}</span>
          <span className="min-w-0 flex-1 text-ink2 max-[700px]:flex-none">
            {m.stands ? "set" : movedText(m, view.date)}
          </span>
        </>
      ) : (
        <span className="min-w-0 flex-1 text-brick-ink">No room: {m.why}.</span>
      )}
    </li>
  );
}
