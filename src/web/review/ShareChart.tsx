/** Hard sets by pattern against the sport's share. */
import { useMemo } from "react";
import type { ReviewView } from "../../api/views";
import { GROUP_WORDS } from "../../core/story";
import Chart, { axisLook, look } from "../charts/Chart";
import { colour } from "../charts/colour";
import { themed } from "../charts/themed";

function ShareChart({ view }: { view: ReviewView }) {
  const option = useMemo(() => {
    const axis = axisLook();
    const list = [...view.shares].reverse();
    return {
      ...look(),
      grid: { left: 92, right: 40, top: 8, bottom: 22 },
      xAxis: {
        type: "value" as const,
        ...axis,
        min: 0,
        axisLabel: { ...axis.axisLabel, formatter: "{value}%" },
        splitNumber: 4,
      },
      yAxis: {
        type: "category" as const,
        ...axis,
        data: list.map((s) => GROUP_WORDS[s.group]),
        axisLabel: { ...axis.axisLabel, fontSize: 12, color: colour("ink") },
      },
      series: [
        {
          name: "done",
          type: "bar",
          data: list.map((s) => Math.round(s.pct)),
          color: colour("iron"),
          barMaxWidth: 12,
          label: { show: true, position: "right", formatter: "{c}%", fontSize: 11, color: colour("ink2") },
        },
        {
          name: "the sport's share",
          type: "scatter",
          data: list.map((s, i) => [Math.round(s.sportPct), i]),
          symbol: "rect",
          symbolSize: [3, 20],
          color: colour("brick-ink"),
        },
      ],
    };
  }, [view]);
  return (
    <Chart
      title="Hard sets by pattern, and the sport's share"
      says="Share of the hard sets done by pattern, with a mark at the sport's share."
      option={option}
      height={206}
      file="review-patterns"
      table={
        <table className="w-full text-left text-label leading-5">
          <thead>
            <tr className="text-ink2">
              <th className="font-semibold">Pattern</th>
              <th className="font-semibold">Hard sets</th>
              <th className="font-semibold">Share</th>
              <th className="font-semibold">The sport's share</th>
            </tr>
          </thead>
          <tbody>
            {view.shares.map((s) => (
              <tr key={s.group} className="border-b border-hair2">
                <td>{GROUP_WORDS[s.group]}</td>
                <td>{s.sets}</td>
                <td>{Math.round(s.pct)}%</td>
                <td>{Math.round(s.sportPct)}%</td>
              </tr>
            ))}
          </tbody>
        </table>
      }
    />
  );
}

export default themed(ShareChart);
