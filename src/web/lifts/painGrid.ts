/** Pain told of a lift, and days that were not ordinary, as a strip under the lift's own chart on the same days. */
import type { LiftView } from "../../api/views";
import { axisLook } from "../charts/Chart";
import { colour } from "../charts/colour";

/** Height of the strip with its axis, px. */
export const STRIP = 86;
const GAP = 38;

/** @param dates of everything the chart above shows, so that both stand on the same days @param height of the chart above, px */
export function painGrid(view: LiftView, dates: readonly string[], height: number) {
  const axis = axisLook();
  const known = [...dates, ...view.entries.map((e) => e.date)].sort();
  const span = { min: known[0] ?? view.today, max: known.at(-1) ?? view.today };
  const pain = view.entries.flatMap((e) => (e.item.pain === undefined ? [] : [[e.date, e.item.pain]]));
  const poor = view.poor.filter((d) => d >= span.min && d <= span.max).map((d) => [d, 10]);
  return {
    span,
    grid: { left: 48, right: 20, top: height + 20, height: STRIP - GAP },
    xAxis: {
      type: "time" as const,
      gridIndex: 1,
      ...axis,
      ...span,
      axisLabel: { show: false },
      splitLine: { show: false },
    },
    yAxis: { type: "value" as const, gridIndex: 1, name: "pain", ...axis, min: 0, max: 10, interval: 5 },
    series: [
      {
        name: "pain, 0 to 10",
        type: "bar",
        xAxisIndex: 1,
        yAxisIndex: 1,
        data: pain,
        barWidth: 5,
        barMinHeight: 2,
        color: colour("brick"),
      },
      {
        name: "not an ordinary day",
        type: "scatter",
        xAxisIndex: 1,
        yAxisIndex: 1,
        data: poor,
        symbol: "diamond",
        symbolSize: 8,
        color: colour("panel"),
        itemStyle: { borderColor: colour("ink"), borderWidth: 1.25 },
      },
    ],
    legend: ["pain, 0 to 10", "not an ordinary day"],
  };
}
