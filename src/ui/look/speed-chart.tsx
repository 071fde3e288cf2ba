"use client";
import { t } from "@/core/words/words";
import { LineChart } from "echarts/charts";
import { DataZoomComponent, GridComponent, LegendComponent, MarkAreaComponent } from "echarts/components";
import { init, use as register, type ECharts } from "echarts/core";
import { CanvasRenderer } from "echarts/renderers";
import { useEffect, useRef } from "react";
import type { ScanFinding, ScanLog } from "@/core/scanlog/scan-log";
import { scanTrace } from "@/core/scanlog/scan-trace";
import { corners, type Corner } from "@/core/units/corner";
import type { UnitChoice } from "@/core/units/local-units";
import { axisStyle, colourAt, zoomSlider } from "../chart/chart-style";

register([LineChart, GridComponent, DataZoomComponent, LegendComponent, MarkAreaComponent, CanvasRenderer]);

const DASH: Record<Corner, "solid" | "dashed" | "dotted"> = { FL: "dashed", FR: "dotted", RL: "dashed", RR: "dotted" };

/** Four speed traces; this corner in brick and solid, the others dashed or dotted; a chosen finding framed. */
export function SpeedChart({
  log,
  corner,
  shown,
  units,
}: {
  log: ScanLog;
  corner: Corner;
  shown: ScanFinding | null;
  units: UnitChoice;
}) {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<ECharts | null>(null);
  useEffect(() => {
    if (!box.current) return;
    const made = init(box.current);
    chart.current = made;
    const colour = colourAt(box.current);
    const axis = axisStyle(colour);
    made.setOption({
      animation: false,
      grid: { left: 46, right: 14, top: 30, bottom: 56 },
      legend: { top: 0, textStyle: { color: colour("--ink"), fontSize: 13 } },
      xAxis: {
        type: "value",
        min: "dataMin",
        max: "dataMax",
        ...axis,
        axisLabel: { ...axis.axisLabel, formatter: (seconds: number) => t`${seconds} s` },
      },
      yAxis: { type: "value", name: units.speed, nameTextStyle: { color: colour("--muted") }, ...axis },
      dataZoom: [{ type: "inside" }, { ...zoomSlider(colour), height: 22, bottom: 6 }],
      series: corners.map((one) => ({
        name: one,
        type: "line",
        showSymbol: false,
        connectNulls: false,
        data: scanTrace(log, one, units),
        z: one === corner ? 5 : 2,
        itemStyle: { color: colour(one === corner ? "--brick" : "--ink") },
        lineStyle: {
          color: colour(one === corner ? "--brick" : "--ink"),
          width: one === corner ? 2.6 : 1.2,
          type: one === corner ? "solid" : DASH[one],
        },
      })),
    });
    const watch = new ResizeObserver(() => made.resize());
    watch.observe(box.current);
    return () => {
      watch.disconnect();
      made.dispose();
      chart.current = null;
    };
  }, [log, corner, units]);
  useEffect(() => {
    if (!chart.current || !box.current) return;
    const margin = shown ? Math.max(1, 0.5 * (shown.endS - shown.startS)) : 0;
    chart.current.setOption({
      series: [
        {
          name: "FL",
          markArea: {
            itemStyle: { color: getComputedStyle(box.current).getPropertyValue("--marigold"), opacity: 0.25 },
            data: shown ? [[{ xAxis: shown.startS }, { xAxis: shown.endS }]] : [],
          },
        },
      ],
      dataZoom: shown
        ? [
            { startValue: shown.startS - margin, endValue: shown.endS + margin },
            { startValue: shown.startS - margin, endValue: shown.endS + margin },
          ]
        : [
            { start: 0, end: 100 },
            { start: 0, end: 100 },
          ],
    });
  }, [shown, log, corner]);
  return (
    <div
      ref={box}
      role="img"
      aria-label={t`Four wheel speeds of ${log.name}`}
      className="h-64 w-full contain-inline-size"
    />
  );
}
