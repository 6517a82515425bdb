/** One lift over time: the e1RM as it stood with how unsure it is, and each session's own estimate; without load, the reps or seconds. */
import { useMemo } from "react";
import type { LiftView } from "../../api/views";
import { amountOf } from "../../core/athlete";
import Chart, { axisLook, look } from "../charts/Chart";
import { colour } from "../charts/colour";
import { themed } from "../charts/themed";
import { day, dayAndYear, massNumber, type Units } from "../format";
import { painGrid, STRIP } from "./painGrid";

/** Height of the lift's own chart, px. */
const HEIGHT = 236;
const round = (n: number): number => Math.round(n * 10) / 10;

function LiftChart({ view, units }: { view: LiftView; units: Units }) {
  return view.line.length > 0 ? <ByMax view={view} units={units} /> : <ByWork view={view} units={units} />;
}

/** What the next session and the weeks after it plan, with their loads. */
const plannedLoads = ({ next, ahead }: LiftView): { date: string; kg: number }[] =>
  [...(next ? [next] : []), ...ahead].flatMap(({ date, loadKg }) => (loadKg === null ? [] : [{ date, kg: loadKg }]));

function ByMax({ view, units }: { view: LiftView; units: Units }) {
  const option = useMemo(() => {
    const at = (kg: number) => round(massNumber(kg, units));
    const axis = axisLook();
    const low = view.line.map((l) => [l.date, at(l.lowKg)]);
    const band = view.line.map((l) => [l.date, round(at(l.highKg) - at(l.lowKg))]);
    const least = Math.min(
      ...view.line.map((l) => at(l.lowKg)),
      ...view.entries.flatMap((e) => (e.topKg === null ? [] : [at(e.topKg)])),
      ...plannedLoads(view).map(({ kg }) => at(kg)),
    );
    const told = painGrid(view, [...view.line.map((l) => l.date), ...plannedLoads(view).map((x) => x.date)], HEIGHT);
    return {
      ...look(),
      legend: {
        top: 0,
        left: 84,
        itemWidth: 18,
        itemHeight: 8,
        textStyle: { fontSize: 11, color: colour("ink2") },
        data: ["current estimated 1RM", "estimate of a session", "heaviest load", "planned load", ...told.legend],
      },
      grid: [{ left: 48, right: 20, top: 46, height: HEIGHT - 72 }, told.grid],
      xAxis: [{ type: "time" as const, ...axis, ...told.span, splitLine: { show: false } }, told.xAxis],
      yAxis: [
        {
          type: "value" as const,
          ...axis,
          name: units.massUnit,
          min: Math.max(0, Math.floor((least - 5) / 10) * 10),
        },
        told.yAxis,
      ],
      series: [
        {
          name: "low",
          type: "line",
          data: low,
          stack: "band",
          symbol: "none",
          lineStyle: { opacity: 0 },
          silent: true,
          tooltip: { show: false },
        },
        {
          name: "give or take",
          type: "line",
          data: band,
          stack: "band",
          symbol: "none",
          lineStyle: { opacity: 0 },
          areaStyle: { color: colour("iron"), opacity: 0.12 },
          silent: true,
          tooltip: { show: false },
        },
        {
          name: "current estimated 1RM",
          type: "line",
          data: view.line.map((l) => [l.date, at(l.kg)]),
          symbol: "none",
          color: colour("iron"),
          lineStyle: { width: 2 },
        },
        {
          name: "estimate of a session",
          type: "scatter",
          data: view.entries.flatMap((e) => (e.max ? [[e.date, at(e.max.kg)]] : [])),
          symbol: "circle",
          symbolSize: 7,
          color: colour("panel"),
          itemStyle: { borderColor: colour("iron"), borderWidth: 1.5 },
        },
        {
          name: "heaviest load",
          type: "line",
          step: "end",
          data: view.entries.flatMap((e) => (e.topKg === null ? [] : [[e.date, at(e.topKg)]])),
          symbol: "rect",
          symbolSize: 5,
          color: colour("mist-ink"),
          lineStyle: { width: 1.5, type: "dashed" },
        },
        {
          name: "planned load",
          type: "line",
          step: "end",
          data: plannedLoads(view).map(({ date, kg }) => [date, at(kg)]),
          symbol: "emptyRect",
          symbolSize: 6,
          color: colour("mist-ink"),
          lineStyle: { width: 1, type: "dotted" },
        },
        ...told.series,
      ],
    };
  }, [view, units]);
  return (
    <Chart
      title={`Estimated 1RM, ${units.massUnit}`}
      says={`${view.name}: estimated 1RM from ${day(view.line[0]?.date ?? view.today)} on, with its uncertainty, and the pain told beside it.`}
      option={option}
      height={HEIGHT + STRIP}
      file={`${view.exercise}-e1rm`}
      table={<MaxTable units={units} view={view} />}
    />
  );
}

/** Load where there is one, else repetitions or seconds: all sets of a session, and the best of them. */
function ByWork({ view, units }: { view: LiftView; units: Units }) {
  const loaded = view.entries.some((e) => e.topKg !== null);
  const of = (e: LiftView["entries"][number]) => e.item.sets.map(amountOf);
  const what = view.timed ? "seconds a set" : "reps a set";
  const option = useMemo(() => {
    const axis = axisLook();
    const told = painGrid(
      view,
      plannedLoads(view).map((x) => x.date),
      HEIGHT,
    );
    const right = loaded ? 48 : 20;
    return {
      ...look(),
      legend: { top: 0, left: 48, itemWidth: 18, itemHeight: 8, textStyle: { fontSize: 11, color: colour("ink2") } },
      grid: [
        { left: 48, right, top: 46, height: HEIGHT - 72 },
        { ...told.grid, right },
      ],
      xAxis: [{ type: "time" as const, ...axis, ...told.span, splitLine: { show: false } }, told.xAxis],
      yAxis: [
        { type: "value" as const, ...axis, name: view.timed ? "s" : "reps", min: 0 },
        told.yAxis,
        ...(loaded
          ? [{ type: "value" as const, ...axis, splitLine: { show: false }, name: units.massUnit, min: 0 }]
          : []),
      ],
      series: [
        {
          name: what,
          type: "bar",
          data: view.entries.map((e) => [e.date, Math.max(0, ...of(e))]),
          color: colour("moss-plan"),
          itemStyle: { borderColor: colour("moss-ink") },
          barMaxWidth: 10,
        },
        ...(loaded
          ? [
              {
                name: `load, ${units.massUnit}`,
                type: "line",
                step: "end",
                yAxisIndex: 2,
                data: view.entries.map((e) => [e.date, e.topKg === null ? null : massNumber(e.topKg, units)]),
                symbol: "rect",
                symbolSize: 6,
                color: colour("iron"),
                lineStyle: { width: 2 },
              },
              {
                name: "planned load",
                type: "line",
                step: "end",
                yAxisIndex: 2,
                data: plannedLoads(view).map(({ date, kg }) => [date, massNumber(kg, units)]),
                symbol: "emptyRect",
                symbolSize: 6,
                color: colour("iron"),
                lineStyle: { width: 1, type: "dotted" },
              },
            ]
          : []),
        ...told.series,
      ],
    };
  }, [view, units, loaded, what]);
  return (
    <Chart
      title={loaded ? "Load and reps" : view.timed ? "Seconds" : "Repetitions"}
      says={`${view.name} by session, and the pain told beside it.`}
      option={option}
      height={HEIGHT + STRIP}
      file={`${view.exercise}-work`}
      table={
        <table className="w-full max-w-[520px] text-left text-label">
          <tbody>
            {[...view.entries].reverse().map((e) => (
              <tr key={e.date}>
                <td>{dayAndYear(e.date)}</td>
                <td>{e.text}</td>
                <td>{e.item.pain === undefined ? "" : `pain ${e.item.pain}`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      }
    />
  );
}

export default themed(LiftChart);

function MaxTable({ units, view }: { units: Units; view: LiftView }) {
  return (
    <table className="w-full max-w-[520px] text-left text-label">
      <thead>
        <tr className="text-ink2">
          <th className="font-semibold">Day</th>
          <th className="font-semibold">e1RM, {units.massUnit}</th>
          <th className="font-semibold">From</th>
          <th className="font-semibold">To</th>
        </tr>
      </thead>
      <tbody>
        {[...view.line].reverse().map((l) => (
          <tr key={l.date}>
            <td>{dayAndYear(l.date)}</td>
            <td>{round(massNumber(l.kg, units))}</td>
            <td>{round(massNumber(l.lowKg, units))}</td>
            <td>{round(massNumber(l.highKg, units))}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
