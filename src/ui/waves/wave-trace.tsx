"use client";
import { t } from "@/core/words/words";
import { LineChart } from "echarts/charts";
import {
  DataZoomComponent,
  GridComponent,
  LegendComponent,
  MarkAreaComponent,
  MarkLineComponent,
} from "echarts/components";
import { init, use as register, type ECharts } from "echarts/core";
import { CanvasRenderer } from "echarts/renderers";
import { useEffect, useRef } from "react";
import type { ThinTrace } from "@/core/capture/thin";
import type { Finding } from "@/core/waveform/finding";
import type { Markers } from "@/core/waveform/markers";
import { localFindings, type View } from "@/core/waveform/view";
import { axisStyle, colourAt, levelAxis, zoomSlider } from "../chart/chart-style";

register([
  LineChart,
  GridComponent,
  DataZoomComponent,
  LegendComponent,
  MarkAreaComponent,
  MarkLineComponent,
  CanvasRenderer,
]);

interface TraceProps {
  names: readonly string[];
  unit: string;
  /** The whole recording, thinned. */
  whole: ThinTrace[];
  /** What lies in the view, at the view's own resolution. */
  detail: ThinTrace[] | null;
  view: View;
  /** All of the recording, in seconds. */
  span: View;
  findings: readonly Finding[];
  markers: Markers | null;
  onView: (view: View) => void;
  /** A place on the trace was touched, in seconds. */
  onPlace: (timeS: number) => void;
}

/** The trace, zoomed by wheel, pinch, drag or key; detail comes anew from the samples at each zoom. */
export function WaveTrace({ names, unit, whole, detail, view, span, findings, markers, onView, onPlace }: TraceProps) {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<ECharts | null>(null);
  const report = useRef({ onView, onPlace });
  useEffect(() => {
    report.current = { onView, onPlace };
  }, [onView, onPlace]);
  useEffect(() => {
    if (!box.current) return;
    const made = init(box.current);
    chart.current = made;
    made.on("datazoom", () => {
      const [zoom] = made.getOption().dataZoom as { startValue: number; endValue: number }[];
      if (zoom) report.current.onView([zoom.startValue, zoom.endValue]);
    });
    made.getZr().on("click", ({ offsetX, offsetY }) => {
      if (made.containPixel("grid", [offsetX, offsetY]))
        report.current.onPlace(made.convertFromPixel({ xAxisIndex: 0 }, offsetX));
    });
    const watch = new ResizeObserver(() => made.resize());
    watch.observe(box.current);
    return () => {
      watch.disconnect();
      made.dispose();
      chart.current = null;
    };
  }, []);
  useEffect(() => {
    if (!chart.current || !box.current) return;
    chart.current.setOption(options(names, unit, whole, view, span, findings, colourAt(box.current)), {
      notMerge: true,
    });
    // The view is moved below without drawing everything anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [names, unit, whole, findings]);
  useEffect(() => {
    chart.current?.setOption({
      series: (detail ?? whole).map((data, i) => ({ id: seriesId(i), data })),
      dataZoom: [
        { startValue: view[0], endValue: view[1] },
        { startValue: view[0], endValue: view[1] },
      ],
    });
  }, [detail, whole, view]);
  useEffect(() => {
    if (!chart.current || !box.current) return;
    chart.current.setOption({ series: [{ id: seriesId(0), markLine: markLine(markers, colourAt(box.current)) }] });
  }, [markers, names, unit, whole, findings]);
  return (
    <div
      ref={box}
      role="img"
      aria-label={t`Trace of ${names.join(t` and `)} from ${view[0].toFixed(2)} to ${view[1].toFixed(2)} seconds`}
      className="h-60 w-full contain-inline-size"
    />
  );
}

const seriesId = (i: number) => `channel-${i}`;

function markLine(markers: Markers | null, colour: (token: string) => string) {
  return {
    symbol: "none",
    animation: false,
    silent: true,
    lineStyle: { color: colour("--marigold"), width: 2, type: "solid" },
    label: { color: colour("--ink"), fontWeight: "bold", position: "insideEndTop", rotate: 0 },
    data: markers
      ? [
          { xAxis: markers.aS, label: { formatter: "A" } },
          { xAxis: markers.bS, label: { formatter: "B" }, lineStyle: { type: "dashed" } },
        ]
      : [],
  };
}

const DASHES = ["solid", "dashed", "dotted"] as const;

function options(
  names: readonly string[],
  unit: string,
  whole: ThinTrace[],
  view: View,
  [first, last]: View,
  findings: readonly Finding[],
  colour: (token: string) => string,
) {
  const axis = axisStyle(colour);
  const zoom = { xAxisIndex: 0, startValue: view[0], endValue: view[1], filterMode: "none" as const };
  return {
    animation: false,
    grid: { left: 60, right: 16, top: 30, bottom: 72 },
    legend: {
      show: names.length > 1,
      data: [...names],
      top: 0,
      left: 56,
      textStyle: { color: colour("--ink"), fontSize: 13 },
    },
    xAxis: {
      type: "value",
      min: first,
      max: last,
      ...axis,
      axisLabel: {
        ...axis.axisLabel,
        formatter: (seconds: number) => t`${seconds.toFixed(3).replace(/\.?0+$/, "")} s`,
      },
      splitLine: { show: false },
    },
    yAxis: {
      ...levelAxis(unit === "V"),
      ...axis,
      axisLabel: { ...axis.axisLabel, formatter: (v: number) => t`${Number(v.toFixed(3))} ${unit}` },
    },
    dataZoom: [
      { type: "inside", ...zoom },
      {
        ...zoomSlider(colour),
        ...zoom,
        height: 30,
        bottom: 10,
      },
    ],
    series: [
      // Unseen itself: the strip under the chart shows the first series, which is to be all of the recording.
      { id: "overview", type: "line", data: whole[0], showSymbol: false, silent: true, lineStyle: { opacity: 0 } },
      ...whole.map((data, i) => ({
        id: seriesId(i),
        name: names[i],
        type: "line",
        data,
        showSymbol: false,
        lineStyle: { color: colour(i === 0 ? "--ink" : "--plum"), width: 1.4, type: DASHES[i % DASHES.length] },
        itemStyle: { color: colour(i === 0 ? "--ink" : "--plum") },
        markArea:
          i === 0
            ? {
                itemStyle: { color: colour("--brick"), opacity: 0.2 },
                data: localFindings(findings, [first, last]).map(({ startS, endS }) => [
                  { xAxis: startS },
                  { xAxis: endS },
                ]),
              }
            : undefined,
      })),
    ],
  };
}
