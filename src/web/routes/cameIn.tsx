/** What came in from the athletes' phones: each opens in its place, is answered, or put off. */
import { Link } from "react-router";
import type { ArrivalKind, ArrivalView } from "../../api/phoneViews";
import { addDays, mondayOf } from "../../core/dates";
import { useCameIn, useSettle } from "../data/phone";
import { counted, day, moment } from "../format";
import { PageHeader } from "../ui/page";
import { Empty, Failed, LoadingNote } from "../ui/State";
import { tellFault, tellUndo } from "../ui/tell";

const KIND_WORDS: Record<ArrivalKind, string> = {
  log: "Logged",
  pain: "Pain",
  "check-in": "Check-in",
  moved: "Moved",
  "left-out": "Left out",
  missed: "Missed",
  message: "Message",
  trouble: "Trouble",
  swap: "Swap",
};

/** Where it is looked at. */
function placeOf({ athlete, kind, about }: ArrivalView): string {
  if (kind === "trouble") return `/a/${athlete}/health`;
  if (kind === "message" || !about) return `/a/${athlete}/phone`;
  if (kind === "moved" || kind === "left-out" || kind === "missed") return `/a/${athlete}/week/${mondayOf(about.date)}`;
  return `/a/${athlete}/session/${about.date}/${about.label}`;
}

export default function CameInRoute() {
  const query = useCameIn();
  if (query.isPending) return <LoadingNote what="what came in" />;
  if (query.isError) return <Failed error={query.error} retry={() => query.refetch()} what="What came in" />;
  const { arrivals, later, today } = query.data;
  return (
    <main className="flex h-full flex-col">
      <PageHeader title="What came in" note="from the phones of your athletes: urgent first, then the latest" />
      <div className="min-h-0 flex-1 overflow-auto px-4 pb-6">
        {arrivals.length === 0 && later.length === 0 ? (
          <Empty title="Nothing waits for an answer">
            Sets, pain, check-ins, moved and missed sessions and messages stand here as soon as an athlete's phone has
            sent them.
          </Empty>
        ) : (
          <ul className="max-w-[900px]">
            {arrivals.map((a) => (
              <Arrival key={a.athlete + a.thing} arrival={a} today={today} />
            ))}
          </ul>
        )}
        {later.length > 0 && (
          <details className="mt-4 max-w-[900px]">
            <summary className="min-h-8 cursor-pointer font-semibold">{counted(later.length, "thing")} put off</summary>
            <ul>
              {later.map((a) => (
                <Arrival key={a.athlete + a.thing} arrival={a} today={today} until={a.until} />
              ))}
            </ul>
          </details>
        )}
      </div>
    </main>
  );
}

function Arrival({ arrival: a, today, until }: { arrival: ArrivalView; today: string; until?: string }) {
  const settle = useSettle();
  const say = (done: boolean, to: string | null, words: string) =>
    settle.mutate(
      { athlete: a.athlete, thing: a.thing, done, until: to },
      {
        onSuccess: () =>
          tellUndo(words, () =>
            settle.mutate({ athlete: a.athlete, thing: a.thing, done: false, until: until ?? null }),
          ),
        onError: (fault) => tellFault(`Not saved: ${fault.message}`),
      },
    );
  return (
    <li
      className={`flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hair py-2 ${a.urgent ? "border-l-[3px] border-l-brick pl-2" : "pl-[11px]"}`}
    >
      <span className={`w-20 flex-none text-label font-semibold ${a.urgent ? "text-brick-ink" : "text-ink2"}`}>
        {KIND_WORDS[a.kind]}
        {a.urgent ? ", urgent" : ""}
      </span>
      <span className="min-w-[220px] flex-1">
        <Link className="block hover:underline" to={placeOf(a)}>
          <b className="font-semibold">{a.name}</b>: {a.text}
        </Link>
        <span className="text-label text-ink2">
          {a.about ? `session ${a.about.label} of ${day(a.about.date)}, ` : ""}
          {moment(a.at)}
          {until ? `, put off until ${day(until)}` : ""}
        </span>
      </span>
      <span className="flex flex-none gap-2">
        {(a.kind === "message" || a.kind === "trouble") && (
          <Link className="btn max-[700px]:min-h-11" to={`/a/${a.athlete}/phone`}>
            Answer
          </Link>
        )}
        {!until && (
          <button
            type="button"
            className="btn max-[700px]:min-h-11"
            onClick={() => say(false, addDays(today, 1), "Put off until tomorrow.")}
          >
            Tomorrow
          </button>
        )}
        <button type="button" className="btn max-[700px]:min-h-11" onClick={() => say(true, null, "Done with it.")}>
          Seen
        </button>
      </span>
    </li>
  );
}
