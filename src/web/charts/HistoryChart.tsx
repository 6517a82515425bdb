/** A test over time: both sides against the mark, and how far apart they are; the table behind it stands below. */
import { BarChart, LineChart } from "echarts/charts";
import { AriaComponent, GridComponent, MarkLineComponent, TooltipComponent } from "echarts/components";
import { init, use } from "echarts/core";
import { SVGRenderer } from "echarts/renderers";
import { useEffect, useRef } from "react";
import type { ScreenTestView } from "../../api/views";
import { asymmetry } from "../../core/screening";
import { day, dayAndYear } from "../format";
import { valueText } from "../screening/draft";
import { colour } from "./colour";
import { themed } from "./themed";

use([LineChart, BarChart, GridComponent, TooltipComponent, MarkLineComponent, AriaComponent, SVGRenderer]);

const apart = (h: ScreenTestView["history"][number]): number | null =>
  h.left === null || h.right === null ? null : Math.round(asymmetry(h.left, h.right));

function HistoryChart({ test }: { test: ScreenTestView }) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const chart = init(element, null, { renderer: "svg" });
    chart.setOption(optionsOf(test));
    const resize = new ResizeObserver(() => chart.resize());
    resize.observe(element);
    return () => {
      resize.disconnect();
      chart.dispose();
    };
  }, [test]);
  return (
    <>
      {test.sides && <Key />}
      <div ref={box} className="h-[262px] w-full max-w-[820px]" />
      <Twin test={test} />
    </>
  );
}

/** One side's results, with the mark drawn once. */
const lineOf = (
  test: ScreenTestView,
  name: string,
  data: (number | null)[],
  color: string,
  symbol: string,
  dashed: boolean,
) => ({
  name,
  type: "line" as const,
  data,
  color,
  symbol,
  symbolSize: 9,
  connectNulls: true,
  lineStyle: { width: 2, type: dashed ? ("dashed" as const) : ("solid" as const) },
  label: { show: true, color: colour("ink"), fontSize: 11 },
  ...(name === "right"
    ? {}
    : {
        markLine: {
          silent: true,
          symbol: "none",
          label: {
            formatter: `mark ${test.mark}`,
            position: "insideEndTop" as const,
            color: colour("ink"),
            fontSize: 11,
          },
          lineStyle: { color: colour("ground"), type: "dashed" as const, width: 1.5 },
          data: [{ yAxis: test.mark }],
        },
      }),
});

/** The chart of a test over time: sides, and how far they are apart. */
function optionsOf(test: ScreenTestView) {
  const [ink, ink2, hair] = [colour("ink"), colour("ink2"), colour("hair")];
  const dates = test.history.map((h) => day(h.date));
  const axis = { axisLine: { lineStyle: { color: colour("ground") } }, axisLabel: { color: ink2, fontSize: 11 } };
  const split = { splitLine: { lineStyle: { color: hair } } };
  return {
    animation: false,
    textStyle: { fontFamily: "Archivo Variable, system-ui, sans-serif" },
    aria: {
      enabled: true,
      label: { description: `${test.name} over time, by side, against the mark ${test.mark}.` },
    },
    tooltip: {
      trigger: "axis",
      backgroundColor: colour("panel"),
      borderColor: colour("edge"),
      textStyle: { color: ink, fontSize: 12 },
    },
    grid: test.sides
      ? [
          { left: 52, right: 60, top: 34, height: 122 },
          { left: 52, right: 60, top: 194, height: 44 },
        ]
      : [{ left: 52, right: 60, top: 34, height: 190 }],
    xAxis: (test.sides ? [0, 1] : [0]).map((gridIndex) => ({
      gridIndex,
      type: "category" as const,
      data: dates,
      ...axis,
      axisLabel: { ...axis.axisLabel, show: !test.sides || gridIndex === 1 },
    })),
    yAxis: [
      {
        gridIndex: 0,
        name: test.unit === "yes-no" ? "" : test.unit,
        nameTextStyle: { color: ink2 },
        ...axis,
        ...split,
        min: 0,
      },
      ...(test.sides
        ? [
            {
              gridIndex: 1,
              name: "apart, %",
              nameTextStyle: { color: ink2 },
              ...axis,
              ...split,
              min: 0,
              max: (v: { max: number }) => Math.max(20, Math.ceil(v.max / 20) * 20),
              splitNumber: 2,
            },
          ]
        : []),
    ],
    series: test.sides
      ? [
          lineOf(
            test,
            "left",
            test.history.map((h) => h.left),
            colour("iron"),
            "circle",
            false,
          ),
          lineOf(
            test,
            "right",
            test.history.map((h) => h.right),
            colour("mist-ink"),
            "rect",
            true,
          ),
          {
            name: "apart, %",
            type: "bar" as const,
            xAxisIndex: 1,
            yAxisIndex: 1,
            data: test.history.map(apart),
            color: colour("moss"),
            barMaxWidth: 26,
          },
        ]
      : [
          lineOf(
            test,
            "result",
            test.history.map((h) => h.value),
            colour("iron"),
            "circle",
            false,
          ),
        ],
  };
}

export default themed(HistoryChart);

/** Which line is which side. */
function Key() {
  return (
    <p className="flex gap-4 text-label text-ink2" aria-hidden="true">
      <span className="flex items-center gap-1.5">
        <svg width="26" height="10" aria-hidden="true">
          <path d="M0 5h26" stroke="var(--color-iron)" strokeWidth="2" />
          <circle cx="13" cy="5" r="4" fill="var(--color-iron)" />
        </svg>
        left
      </span>
      <span className="flex items-center gap-1.5">
        <svg width="26" height="10" aria-hidden="true">
          <path d="M0 5h26" stroke="var(--color-mist-ink)" strokeWidth="2" strokeDasharray="5 3" />
          <rect x="9" y="1" width="8" height="8" fill="var(--color-mist-ink)" />
        </svg>
        right
      </span>
    </p>
  );
}

/** The same as a table. */
function Twin({ test }: { test: ScreenTestView }) {
  return (
    <table className="mt-2 border-collapse text-left text-label">
      <caption className="sr-only">{test.name} by date</caption>
      <thead>
        <tr className="text-ink2">
          <th className="pr-6 font-semibold">Date</th>
          {test.sides ? (
            <>
              <th className="pr-6 font-semibold">Left</th>
              <th className="pr-6 font-semibold">Right</th>
              <th className="font-semibold">Apart</th>
            </>
          ) : (
            <th className="font-semibold">Result</th>
          )}
        </tr>
      </thead>
      <tbody>
        {[...test.history].reverse().map((h) => (
          <tr key={h.date}>
            <td className="pr-6">{dayAndYear(h.date)}</td>
            {test.sides ? (
              <>
                <td className="pr-6">{valueText(test, h.left)}</td>
                <td className="pr-6">{valueText(test, h.right)}</td>
                <td>{apart(h) === null ? "–" : `${apart(h)}%`}</td>
              </>
            ) : (
              <td>{valueText(test, h.value)}</td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
