/** A chart with its table behind it, and out as PNG or SVG. The same option is drawn whatever it is written as. */
import { BarChart, LineChart, ScatterChart } from "echarts/charts";
import { AriaComponent, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } from "echarts/components";
import { type EChartsCoreOption, init, use } from "echarts/core";
import { CanvasRenderer, SVGRenderer } from "echarts/renderers";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { colour } from "./colour";

use([
  LineChart,
  BarChart,
  ScatterChart,
  GridComponent,
  TooltipComponent,
  LegendComponent,
  MarkLineComponent,
  AriaComponent,
  SVGRenderer,
  CanvasRenderer,
]);

export const FONT = "Archivo Variable, system-ui, sans-serif";
/** Axes, tooltip and type in the tokens. */
export const look = () => ({
  animation: false,
  textStyle: { fontFamily: FONT, color: colour("ink") },
  tooltip: {
    trigger: "axis" as const,
    backgroundColor: colour("panel"),
    borderColor: colour("edge"),
    textStyle: { color: colour("ink"), fontSize: 12, fontFamily: FONT },
  },
});
export const axisLook = () => ({
  axisLine: { show: true, lineStyle: { color: colour("ground") } },
  axisTick: { show: false },
  axisLabel: { color: colour("ink2"), fontSize: 11 },
  nameTextStyle: { color: colour("ink2"), fontSize: 11 },
  splitLine: { lineStyle: { color: colour("hair2") } },
});

interface Props {
  title: string;
  /** What it shows, for those who do not see it. */
  says: string;
  option: EChartsCoreOption;
  height: number;
  /** The same figures as a table. */
  table: ReactNode;
  /** Name of the file it is saved as. */
  file: string;
}

export default function Chart({ title, says, option, height, table, file }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const [asTable, setAsTable] = useState(false);
  useEffect(() => {
    const element = box.current;
    if (!element || asTable) return;
    const chart = init(element, null, { renderer: "svg" });
    chart.setOption({ ...option, aria: { enabled: true, label: { description: says } } });
    const resize = new ResizeObserver(() => chart.resize());
    resize.observe(element);
    return () => {
      resize.disconnect();
      chart.dispose();
    };
  }, [option, says, asTable]);
  const save = (as: "png" | "svg") => {
    const width = box.current?.clientWidth || 900;
    const host = document.createElement("div");
    const chart = init(host, null, { renderer: as === "png" ? "canvas" : "svg", width, height, devicePixelRatio: 2 });
    chart.setOption({ ...option, animation: false, backgroundColor: colour("panel"), tooltip: { show: false } });
    const link = document.createElement("a");
    link.href = chart.getDataURL(as === "png" ? { type: "png", pixelRatio: 2 } : { type: "svg" });
    link.download = `${file}.${as}`;
    link.click();
    chart.dispose();
  };
  return (
    <section aria-label={title}>
      <div className="flex items-center gap-2">
        <h2 className="text-body font-semibold">{title}</h2>
        <span className="flex-1" />
        <button type="button" className="btn btn-sm" aria-pressed={asTable} onClick={() => setAsTable((t) => !t)}>
          {asTable ? "As a chart" : "As a table"}
        </button>
        <button type="button" className="btn btn-sm" onClick={() => save("png")} aria-label={`${title} as PNG`}>
          PNG
        </button>
        <button type="button" className="btn btn-sm" onClick={() => save("svg")} aria-label={`${title} as SVG`}>
          SVG
        </button>
      </div>
      {asTable ? (
        <div key="table" className="mt-2 overflow-auto">
          {table}
        </div>
      ) : (
        <div key="chart" ref={box} style={{ height }} className="w-full" />
      )}
    </section>
  );
}
