/** Results of the club: each race that was run, against what was expected and against the same race before. */
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import type { ResultRow, ResultsView } from "../../api/results";
import { clock } from "../../core/dates";
import { get } from "../data/api";
import { counted, dayAndYear, duration, SPORT_NAMES } from "../format";
import { PageHeader } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Empty, Failed, LoadingNote } from "../ui/State";

type Shown = "run" | "open";
const FELT = ["", "poor", "below par", "as expected", "good", "very good"];

export default function ResultsRoute() {
  const results = useQuery({ queryKey: ["results"], queryFn: () => get<ResultsView>("/results") });
  const [shown, setShown] = useState<Shown>("run");
  const [name, setName] = useState("");
  if (results.isError) return <Failed error={results.error} retry={() => results.refetch()} what="The results" />;
  if (!results.data) return <LoadingNote what="the results" />;
  const { rows } = results.data;
  const typed = name.trim().toLowerCase();
  const found = rows.filter((r) => `${r.race} ${r.name}`.toLowerCase().includes(typed));
  const entered = found.filter((r) => r.minutes !== null || r.place !== null || r.felt !== null);
  const open = found.filter((r) => r.minutes === null && r.place === null && r.felt === null);
  const list = shown === "run" ? entered : open;
  return (
    <main className="flex h-full flex-col">
      <PageHeader title="Results" className="h-auto flex-wrap gap-y-1">
        <span className="ml-1 text-ink2">{counted(entered.length, "result")}</span>
        <Segments<Shown>
          name="Shown"
          value={shown}
          onChange={setShown}
          options={[
            ["run", "With a result"],
            ["open", `Without ${open.length}`],
          ]}
        />
        <span className="flex-1" />
        <input
          className="input w-[220px]"
          type="search"
          aria-label="Race or athlete"
          placeholder="Race or athlete"
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <Link className="btn" to="/calendar">
          Calendar
        </Link>
      </PageHeader>
      <div className="min-h-0 flex-1 overflow-auto px-4 pb-6">
        {list.length === 0 ? (
          <Empty title={shown === "run" ? "No result is entered" : "Every race that was run has its result"}>
            A result is entered with its race, under Records: time, place, how it went. Its recovery uses it.
          </Empty>
        ) : (
          <table className="w-full min-w-[760px] border-collapse text-left">
            <thead>
              <tr className="h-7 text-label text-ink2 shadow-[inset_0_-1px_0_var(--color-ground)] [&>th]:font-semibold">
                <th>Date</th>
                <th>Race</th>
                <th>Athlete</th>
                <th>Time</th>
                <th>Against expectation</th>
                <th>Against the time before</th>
                <th>Place</th>
                <th>How it went</th>
              </tr>
            </thead>
            <tbody>
              {list.map((r) => (
                <Row key={`${r.athlete}${r.date}${r.race}`} r={r} />
              ))}
            </tbody>
          </table>
        )}
      </div>
    </main>
  );
}

/** "4 min faster, 3%". */
function against(minutes: number | null, other: number | null): string {
  if (minutes === null || other === null) return "–";
  const by = minutes - other;
  const percent = Math.round((Math.abs(by) / other) * 100);
  return Math.abs(by) < 0.5
    ? "the same"
    : `${duration(Math.round(Math.abs(by)))} ${by < 0 ? "faster" : "slower"}, ${percent}%`;
}

function Row({ r }: { r: ResultRow }) {
  return (
    <tr className="h-10 border-b border-hair align-middle [&>td]:pr-3">
      <td>{dayAndYear(r.date)}</td>
      <td>
        <Link className="font-medium hover:underline" to={`/a/${r.athlete}/records`}>
          {r.race}
        </Link>{" "}
        <span className="text-label text-ink2">
          {r.priority}, {SPORT_NAMES[r.sport].toLowerCase()}
        </span>
      </td>
      <td>{r.name}</td>
      <td>
        {r.minutes === null ? "–" : duration(Math.round(r.minutes))}
        {r.halves && (
          <span className="block text-label leading-4 text-ink2">
            {r.halves.map((m) => clock(m * 60)).join(" and ")}
          </span>
        )}
      </td>
      <td>{against(r.minutes, r.expectedMinutes)}</td>
      <td>{against(r.minutes, r.before?.minutes ?? null)}</td>
      <td>{r.place ?? "–"}</td>
      <td>{r.felt === null ? "–" : FELT[r.felt]}</td>
    </tr>
  );
}
