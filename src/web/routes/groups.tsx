/** Groups: athletes who belong together, what is changed for all of them, and the hour they lift together. */
import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import type { GroupView, ManyChoices } from "../../api/many";
import { addDays, mondayOf, WEEKDAY_NAMES } from "../../core/dates";
import { useClub } from "../data/hooks";
import { useArchived, useBringBack, useGroups, useManyChoices } from "../data/many";
import { useMay } from "../data/session";
import { counted, day, placeName } from "../format";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Empty, Failed, LoadingNote } from "../ui/State";
import { tell, tellFault } from "../ui/tell";

const GroupSheet = lazy(() => import("../groups/GroupSheet"));

export default function GroupsRoute() {
  const [groups, choices] = [useGroups(), useManyChoices()];
  const may = useMay();
  const [open, setOpen] = useState<GroupView | "new" | null>(null);
  useKeys("view", [{ key: "n", label: "new group", run: () => setOpen("new"), bar: true }]);
  if (groups.isPending || choices.isPending) return <LoadingNote what="the groups" />;
  if (groups.isError) return <Failed error={groups.error} retry={() => groups.refetch()} what="The groups" />;
  if (choices.isError) return <Failed error={choices.error} retry={() => choices.refetch()} what="The groups" />;
  return (
    <main className="flex h-full flex-col">
      <PageHeader title="Groups" className="h-auto flex-wrap gap-y-1">
        <span className="ml-1 text-ink2">{counted(groups.data.length, "group")}</span>
        <span className="flex-1" />
        <Link className="btn" to="/several">
          Change several
        </Link>
        <button type="button" className="btn btn-pri" aria-haspopup="dialog" onClick={() => setOpen("new")}>
          {ICON.plus} New group
        </button>
      </PageHeader>
      <div className="min-h-0 flex-1 overflow-auto px-4 pb-6">
        {groups.data.length === 0 ? (
          <Empty title="No group yet">
            Athletes who belong together: a change is then made for all of them at once, and those who lift together
            have their hour, their racks and one sheet.
          </Empty>
        ) : (
          <ul className="max-w-[900px]">
            {groups.data.map((g) => (
              <Group key={g.id} group={g} athletes={choices.data.athletes} onEdit={() => setOpen(g)} />
            ))}
          </ul>
        )}
        {may("athlete.add") && <Archived />}
      </div>
      {open && (
        <Suspense fallback={null}>
          <GroupSheet
            group={open === "new" ? null : open}
            athletes={choices.data.athletes}
            onClose={() => setOpen(null)}
          />
        </Suspense>
      )}
    </main>
  );
}

/** Athletes in the archive, each with the way back. */
function Archived() {
  const archived = useArchived();
  const back = useBringBack();
  if (!archived.data || archived.data.length === 0) return null;
  return (
    <section aria-label="Archive" className="mt-8 max-w-[900px]">
      <h2 className="sec-h">In the archive</h2>
      <ul>
        {archived.data.map((a) => (
          <li key={a.id} className="flex items-center gap-4 border-b border-hair2 py-2">
            <Link to={`/a/${a.id}/records`} className="flex-1 hover:underline">
              {a.name} <span className="text-label text-ink2">since {day(a.at.slice(0, 10))}</span>
            </Link>
            <button
              type="button"
              className="btn max-[700px]:min-h-11"
              disabled={back.isPending}
              onClick={() =>
                back.mutate(a.id, {
                  onSuccess: () => tell(`${a.name} is back in the club.`),
                  onError: (e) => tellFault(e.message),
                })
              }
            >
              Bring back
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface GroupProps {
  group: GroupView;
  athletes: ManyChoices["athletes"];
  onEdit: () => void;
}

function Group({ group: g, athletes, onEdit }: GroupProps) {
  const today = useClub().data?.today ?? "";
  const names = g.members.flatMap((id) => athletes.find((a) => a.id === id)?.name ?? []);
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-hair py-3">
      <div className="min-w-[240px] flex-1">
        <h2 className="text-lead leading-5 font-[650]">{g.name}</h2>
        <p className="text-ink2">{names.length > 0 ? names.join(", ") : "no members"}</p>
        {g.hour && (
          <p>
            {WEEKDAY_NAMES[g.hour.day - 1]} {g.hour.start}, {placeName(g.hour.place)}: {counted(g.hour.racks, "rack")},{" "}
            {g.hour.eyes} watched at once
          </p>
        )}
      </div>
      <span className="flex flex-none gap-2">
        {g.hour && (
          <Link className="btn btn-pri max-[700px]:min-h-11" to={`/groups/${g.id}/session`}>
            Open the hour
          </Link>
        )}
        {today !== "" && g.members.length > 0 && (
          <a
            className="btn max-[700px]:min-h-11"
            href={`/api/groups/${g.id}/reports.pdf?from=${addDays(mondayOf(today), -28)}&to=${addDays(mondayOf(today), -1)}`}
            target="_blank"
            rel="noreferrer"
          >
            Reports
          </a>
        )}
        <Link className="btn max-[700px]:min-h-11" to={`/several?group=${g.id}`}>
          Change for all
        </Link>
        <button type="button" className="btn max-[700px]:min-h-11" aria-haspopup="dialog" onClick={onEdit}>
          Edit
        </button>
      </span>
    </li>
  );
}
