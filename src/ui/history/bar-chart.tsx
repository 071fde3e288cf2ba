"use client";
import { BarChart as Bars } from "echarts/charts";
import { AriaComponent, GridComponent, LegendComponent, TooltipComponent } from "echarts/components";
import { init, use as register } from "echarts/core";
import { CanvasRenderer } from "echarts/renderers";
import { useEffect, useRef } from "react";
import { axisStyle, colourAt } from "../chart/chart-style";

register([Bars, GridComponent, LegendComponent, TooltipComponent, AriaComponent, CanvasRenderer]);

export interface BarSeries {
  name: string;
  values: readonly number[];
  colour: "--ink" | "--brick" | "--verdigris" | "--marigold" | "--muted";
  /** Told from its neighbour without colour. */
  hatched?: boolean;
  /** On top of the series before it; else beside it. */
  stacked?: boolean;
  /** Holds the place under the next and is not drawn. */
  hidden?: boolean;
}

/** Bars by category, across where the names are long. */
export function BarChart({
  label,
  categories,
  series,
  across = false,
}: {
  label: string;
  categories: readonly string[];
  series: readonly BarSeries[];
  across?: boolean;
}) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!box.current) return;
    const made = init(box.current);
    const colour = colourAt(box.current);
    const style = axisStyle(colour);
    const names = {
      type: "category" as const,
      data: [...categories],
      inverse: across,
      ...style,
      splitLine: { show: false },
    };
    const numbers = { type: "value" as const, minInterval: 1, ...style };
    const shown = series.filter(({ hidden }) => !hidden);
    made.setOption({
      animation: false,
      textStyle: { fontFamily: getComputedStyle(box.current).fontFamily },
      grid: { left: 8, right: 20, top: shown.length > 1 ? 34 : 10, bottom: 6, containLabel: true },
      legend: {
        show: shown.length > 1,
        top: 0,
        left: 0,
        data: shown.map(({ name }) => name),
        textStyle: { color: colour("--ink"), fontSize: 13 },
      },
      tooltip: { trigger: "item" },
      [across ? "yAxis" : "xAxis"]: names,
      [across ? "xAxis" : "yAxis"]: numbers,
      series: series.map(({ name, values, colour: token, hatched, stacked, hidden }) => ({
        name,
        type: "bar",
        data: [...values],
        barMaxWidth: 26,
        ...(stacked ? { stack: "one" } : {}),
        silent: hidden,
        itemStyle: hidden
          ? { color: "transparent" }
          : {
              color: colour(token),
              borderRadius: 3,
              ...(hatched
                ? {
                    decal: {
                      symbol: "rect",
                      dashArrayX: [1, 0],
                      dashArrayY: [2, 4],
                      rotation: -Math.PI / 4,
                      color: colour("--card"),
                    },
                  }
                : {}),
            },
      })),
    });
    const watch = new ResizeObserver(() => made.resize());
    watch.observe(box.current);
    return () => {
      watch.disconnect();
      made.dispose();
    };
  }, [categories, series, across]);
  return (
    <div
      ref={box}
      role="img"
      aria-label={label}
      className="w-full contain-inline-size"
      style={{ height: across ? 40 + 34 * Math.max(2, categories.length) : 240 }}
    />
  );
}
