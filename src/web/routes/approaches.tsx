/** Approaches: what each school prescribes, as grids; the coach's copies; two compared on a season; who follows what. */
import { useParams, useSearchParams } from "react-router";
import type { ApproachesView } from "../../api/views";
import type { Phase } from "../../core/athlete";
import { ApproachList } from "../approaches/ApproachList";
import { Compare } from "../approaches/Compare";
import { Editor } from "../approaches/Editor";
import { Follow } from "../approaches/Follow";
import { Looked, thingFor, useLooked } from "../approaches/looked";
import { useApproaches, useFollow } from "../data/dose";
import { useSquad } from "../data/hooks";
import { useCurrentRow } from "../frame/current";
import { Held } from "../ui/Held";
import { PageHeader } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Failed, LoadingNote } from "../ui/State";

export default function ApproachesRoute() {
  const approaches = useApproaches();
  if (approaches.isPending) return <LoadingNote what="the approaches" />;
  if (approaches.isError)
    return <Failed error={approaches.error} retry={() => approaches.refetch()} what="The approaches" />;
  return <View view={approaches.data} />;
}

type Tab = "grid" | "compare" | "follow";
const TABS: readonly (readonly [Tab, string])[] = [
  ["grid", "Grid"],
  ["compare", "Compare"],
  ["follow", "Who follows what"],
];

function View({ view }: { view: ApproachesView }) {
  const { approach: asked } = useParams();
  const [search, setSearch] = useSearchParams();
  const row = useCurrentRow();
  const squad = useSquad();
  const tab = TABS.find(([t]) => t === search.get("tab"))?.[0] ?? "grid";
  const of = view.approaches.find((v) => v.approach.id === asked) ?? view.approaches[0];
  const follow = useFollow(row?.id ?? "");
  const everybody = squad.data?.rows.map((r) => r.id) ?? [];
  const looked = useLooked(view, row?.id ?? "", everybody);
  const { waiting, preview } = looked;
  if (!of) return null;

  const switchTo = (phase: Phase | "all", approach: string) => {
    if (!follow.data) return;
    const { approachByPhase, rulesOff } = follow.data;
    preview({
      what: "follow",
      body:
        phase === "all"
          ? { approach, approachByPhase: {}, rulesOff }
          : { approach: follow.data.approach, approachByPhase: { ...approachByPhase, [phase]: approach }, rulesOff },
    });
  };
  const [a, b] = [
    search.get("a") ?? follow.data?.approach ?? "layered",
    search.get("b") ?? (of.approach.id === (follow.data?.approach ?? "layered") ? "heavy-economy" : of.approach.id),
  ];
  const go = (next: Record<string, string>) => setSearch({ ...Object.fromEntries(search), ...next }, { replace: true });

  return (
    <div className="list-pane">
      {waiting && <Held thing={thingFor(waiting, row?.id ?? "")} />}
      <ApproachList view={view} here={tab === "grid" ? of : null} />
      <main className="flex min-h-0 min-w-0 flex-col">
        <PageHeader
          title={
            tab === "grid"
              ? of.approach.name
              : tab === "compare"
                ? "Two approaches"
                : `${row?.name ?? "Nobody"} and the rules`
          }
        >
          {tab === "grid" && (
            <span className="truncate text-label text-ink2">
              {of.own
                ? `version ${of.approach.version}, copied from ${nameOf(view, of.approach.basis)}`
                : "as it ships, read only"}
            </span>
          )}
          <span className="flex-1" />
          <Segments<Tab> name="What is shown" value={tab} onChange={(t) => go({ tab: t })} options={TABS} />
        </PageHeader>
        {tab === "grid" && (
          <Editor
            key={`${of.approach.id}/${looked.round}`}
            view={of}
            busy={looked.saving}
            onSave={(approach) => preview({ what: "approach", approach })}
          />
        )}
        {tab === "compare" && (
          <Compare
            id={row?.id ?? ""}
            name={row?.name ?? ""}
            approaches={view.approaches}
            a={a}
            b={b}
            onPick={(which, id) => go({ a, b, [which]: id })}
            onSwitch={switchTo}
          />
        )}
        {tab === "follow" &&
          (row && follow.data ? (
            <Follow
              key={JSON.stringify(follow.data) + row.id}
              name={row.name}
              view={follow.data}
              approaches={view.approaches}
              onPreview={(body) => preview({ what: "follow", body })}
              onClubRules={(rulesOff) => preview({ what: "rules", rulesOff })}
            />
          ) : (
            <LoadingNote what="what is followed" />
          ))}
      </main>
      <Looked looked={looked} athlete={row?.name ?? ""} view={view} />
    </div>
  );
}

const nameOf = (view: ApproachesView, id: string): string =>
  view.approaches.find((v) => v.approach.id === id)?.approach.name ?? id;
