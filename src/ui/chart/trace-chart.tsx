"use client";
import { t } from "@/core/words/words";
import { LineChart } from "echarts/charts";
import { DataZoomComponent, GridComponent, MarkAreaComponent, TooltipComponent } from "echarts/components";
import { init, use as register } from "echarts/core";
import { CanvasRenderer } from "echarts/renderers";
import { useEffect, useRef } from "react";
import type { ThinTrace } from "@/core/capture/thin";
import type { Finding } from "@/core/waveform/finding";
import { localFindings } from "@/core/waveform/view";
import { axisStyle, colourAt, levelAxis, zoomSlider } from "./chart-style";

register([LineChart, GridComponent, DataZoomComponent, TooltipComponent, MarkAreaComponent, CanvasRenderer]);

/** A trace that zooms, its findings shaded. */
export function TraceChart({ name, traces, findings }: { name: string; traces: ThinTrace[]; findings: Finding[] }) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!box.current) return;
    const chart = init(box.current);
    const colour = colourAt(box.current);
    const axis = axisStyle(colour);
    chart.setOption({
      animation: false,
      grid: { left: 52, right: 14, top: 12, bottom: 62 },
      xAxis: {
        type: "value",
        min: "dataMin",
        max: "dataMax",
        ...axis,
        axisLabel: { ...axis.axisLabel, formatter: (seconds: number) => t`${seconds.toFixed(2)} s` },
        splitLine: { show: false },
      },
      yAxis: {
        ...levelAxis(true),
        ...axis,
        axisLabel: { ...axis.axisLabel, formatter: (v: number) => t`${Number(v.toFixed(3))} V` },
      },
      dataZoom: [
        { type: "inside" },
        {
          ...zoomSlider(colour),
          height: 26,
          bottom: 6,
        },
      ],
      series: traces.map((data, i) => ({
        type: "line",
        data,
        showSymbol: false,
        sampling: undefined,
        lineStyle: { color: colour("--ink"), width: 1.2, type: i === 0 ? "solid" : "dashed" },
        markArea:
          i === 0
            ? {
                itemStyle: { color: colour("--brick"), opacity: 0.22 },
                data: localFindings(findings, [data[0]?.[0] ?? 0, data.at(-1)?.[0] ?? 0]).map(({ startS, endS }) => [
                  { xAxis: startS },
                  { xAxis: endS },
                ]),
              }
            : undefined,
      })),
    });
    const watch = new ResizeObserver(() => chart.resize());
    watch.observe(box.current);
    return () => {
      watch.disconnect();
      chart.dispose();
    };
  }, [traces, findings]);
  return (
    <div
      ref={box}
      role="img"
      aria-label={t`Trace of ${name}; ${findings.length} findings, listed below`}
      className="mt-2 h-52 w-full contain-inline-size"
    />
  );
}
