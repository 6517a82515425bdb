/** Today: who lifts, in order of their hours; one tap leads to logging. */
import { Link } from "react-router";
import type { SquadRow } from "../../api/views";
import { useSquad } from "../data/hooks";
import { day, duration, sessionName, time } from "../format";
import { Failed, LoadingNote } from "../ui/State";

export default function TodayRoute() {
  const squad = useSquad();
  if (squad.isPending) return <LoadingNote what="today" />;
  if (squad.isError) return <Failed error={squad.error} retry={() => squad.refetch()} what="Today" />;
  const { rows, today } = squad.data;
  const lifting = rows
    .flatMap((r) => (r.today ? [{ row: r, at: r.today }] : []))
    .sort((a, b) => a.at.start - b.at.start);
  return (
    <main className="h-full overflow-auto p-4 text-lead">
      <div className="mx-auto max-w-[640px]">
        <h1 className="mb-3 text-figure leading-7 font-[650]">Lifting today, {day(today)}</h1>
        {lifting.length === 0 && (
          <p className="text-ink2">
            Nobody lifts today.{" "}
            <Link className="link" to="/">
              See the whole squad
            </Link>
          </p>
        )}
        <ul>
          {lifting.map(({ row, at }) => (
            <li key={row.id} className="border-b border-hair">
              <TodayLink row={row} at={at} today={today} />
            </li>
          ))}
        </ul>
      </div>
    </main>
  );
}

interface LinkProps {
  row: SquadRow;
  at: NonNullable<SquadRow["today"]>;
  today: string;
}

function TodayLink({ row, at, today }: LinkProps) {
  return (
    <Link
      to={`/a/${row.id}/${at.done ? "session" : "floor"}/${today}/${at.label}`}
      className="flex min-h-14 items-center justify-between gap-3"
    >
      <span>
        <span className="block leading-5 font-semibold">{row.name}</span>
        <span className="text-body text-ink2">{sessionName(at.label, row.emphasis ?? "develop")}</span>
      </span>
      <span className="text-body whitespace-nowrap">
        {at.done ? "logged" : `${time(at.start)}, ${duration(at.minutes)}`}
      </span>
    </Link>
  );
}
