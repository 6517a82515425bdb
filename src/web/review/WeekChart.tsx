/** Hard sets and stress, planned against done, week by week, with the endurance beside them. */
import { useMemo } from "react";
import type { ReviewView } from "../../api/views";
import Chart, { axisLook, look } from "../charts/Chart";
import { colour } from "../charts/colour";
import { themed } from "../charts/themed";
import { day, PHASE_NAMES } from "../format";

function WeekChart({ view }: { view: ReviewView }) {
  const option = useMemo(() => {
    const axis = axisLook();
    const weeks = view.weeks.map((w) => day(w.monday).split(/\s/).slice(1).join(" "));
    const bar = (name: string, data: number[], done: boolean, grid: number) => ({
      name,
      type: "bar",
      xAxisIndex: grid,
      yAxisIndex: grid,
      data,
      barMaxWidth: 22,
      barGap: "10%",
      color: done ? colour("iron") : colour("panel"),
      itemStyle: done ? {} : { borderColor: colour("iron"), borderWidth: 1.25, borderType: "dashed" },
      label: { show: view.weeks.length <= 8, position: "top", fontSize: 11, color: colour("ink2") },
    });
    return {
      ...look(),
      legend: {
        top: 0,
        right: 8,
        itemWidth: 18,
        itemHeight: 8,
        textStyle: { fontSize: 11, color: colour("ink2") },
      },
      // The names of the lines take two rows where it is narrow.
      grid: [
        { left: 48, right: 12, top: 62, height: 100 },
        { left: 48, right: 12, top: 200, height: 100 },
        { left: 48, right: 12, top: 338, height: 46 },
      ],
      xAxis: [0, 1, 2].map((gridIndex) => ({
        gridIndex,
        type: "category" as const,
        data: weeks,
        ...axis,
        axisLabel: { ...axis.axisLabel, show: gridIndex === 2 },
      })),
      yAxis: [
        { gridIndex: 0, name: "hard sets", ...axis, min: 0, splitNumber: 3 },
        { gridIndex: 1, name: "AU", ...axis, min: 0, splitNumber: 3 },
        { gridIndex: 2, name: "pain", ...axis, min: 0, max: 10, interval: 5 },
      ],
      series: [
        bar(
          "hard sets planned",
          view.weeks.map((w) => w.planned.hardSets),
          false,
          0,
        ),
        bar(
          "hard sets done",
          view.weeks.map((w) => w.done.hardSets),
          true,
          0,
        ),
        bar(
          "strength stress",
          view.weeks.map((w) => w.done.stress),
          true,
          1,
        ),
        {
          name: "endurance load",
          type: "line",
          xAxisIndex: 1,
          yAxisIndex: 1,
          data: view.weeks.map((w) => Math.round(w.endurance.load)),
          color: colour("moss-ink"),
          symbol: "triangle",
          symbolSize: 8,
          lineStyle: { width: 1.5 },
          areaStyle: { color: colour("moss-plan"), opacity: 0.6 },
          z: 0,
        },
        {
          name: "worst pain told",
          type: "bar",
          xAxisIndex: 2,
          yAxisIndex: 2,
          data: view.weeks.map((w) => w.pain),
          barMaxWidth: 8,
          barMinHeight: 2,
          color: colour("brick"),
          label: { show: view.weeks.length <= 8, position: "top", fontSize: 11, color: colour("ink2") },
        },
        {
          name: "days not ordinary",
          type: "scatter",
          xAxisIndex: 2,
          yAxisIndex: 2,
          symbol: "diamond",
          symbolSize: 8,
          symbolOffset: [14, 0],
          color: colour("panel"),
          itemStyle: { borderColor: colour("ink"), borderWidth: 1.25 },
          label: {
            show: true,
            position: "right",
            fontSize: 11,
            color: colour("ink2"),
            formatter: ({ dataIndex }: { dataIndex: number }) => String(view.weeks[dataIndex]?.checkIns.poor ?? ""),
          },
          data: view.weeks.map((w) => (w.checkIns.poor > 0 ? 5 : null)),
        },
      ],
    };
  }, [view]);
  return (
    <Chart
      title="Week by week"
      says="Hard sets planned and done, strength stress beside the endurance load, and pain and days that were not ordinary, by week."
      option={option}
      height={412}
      file="review-weeks"
      table={<Twin view={view} />}
    />
  );
}

export default themed(WeekChart);

/** The same as a table. */
function Twin({ view }: { view: ReviewView }) {
  return (
    <table className="w-full text-left text-label leading-5">
      <thead>
        <tr className="text-ink2">
          {[
            "Week of",
            "Phase",
            "Sessions",
            "Hard sets",
            "Minutes",
            "Strength AU",
            "Endurance h",
            "km",
            "Endurance AU",
            "Worst pain",
            "Not ordinary",
            "Homework",
            "Missed",
          ].map((h) => (
            <th key={h} className="font-semibold">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {view.weeks.map((w) => (
          <tr key={w.monday} className="border-b border-hair2">
            <td>{day(w.monday)}</td>
            <td>
              {PHASE_NAMES[w.phase]}
              {w.stepBack ? ", step-back" : ""}
            </td>
            <td>
              {w.done.sessions} of {w.planned.sessions}
            </td>
            <td>
              {w.done.hardSets} of {w.planned.hardSets}
            </td>
            <td>
              {w.done.minutes} of {w.planned.minutes}
            </td>
            <td>
              {w.done.stress} of {w.planned.stress}
            </td>
            <td>{Math.round(w.endurance.minutes / 6) / 10}</td>
            <td>{Math.round(w.endurance.distanceKm)}</td>
            <td>{Math.round(w.endurance.load)}</td>
            <td>{w.pain ?? "–"}</td>
            <td>{w.checkIns.said > 0 ? `${w.checkIns.poor} of ${w.checkIns.said}` : "–"}</td>
            <td>{w.homework.asked > 0 ? `${w.homework.done} of ${w.homework.asked}` : "–"}</td>
            <td>{w.missed.join(", ") || "–"}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
