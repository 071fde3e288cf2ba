"use client";
import { t } from "@/core/words/words";
import { useEffect, useRef } from "react";
import type { RingRaster } from "@/core/waveform/raster";
import { runName, toothRuns } from "@/core/waveform/tooth-runs";
import { rasterShade } from "@/core/waveform/raster-shade";

interface RasterProps {
  raster: RingRaster;
  /** Teeth to frame, counted from 1. */
  marked: readonly number[];
  /** The turn that is framed, and what a touch on a turn does; left out where the raster is only looked at. */
  row?: number;
  onRow?: (row: number) => void;
}

/** One row a revolution, one column a tooth; darker is further from even, brick is missing, outlined is set aside. */
export function RingRasterView({ raster, marked, row, onRow }: RasterProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const height = Math.min(340, Math.max(90, raster.rows * 17));
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    const draw = () => paint(element, raster, marked, row);
    draw();
    const watch = new ResizeObserver(draw);
    watch.observe(element);
    const look = new MutationObserver(draw);
    look.observe(document.documentElement, { attributeFilter: ["data-theme", "data-contrast"] });
    return () => {
      watch.disconnect();
      look.disconnect();
    };
  }, [raster, marked, row]);
  return (
    <figure>
      <canvas
        ref={canvas}
        className={`block w-full ${onRow ? "cursor-pointer" : ""}`}
        style={{ height: height + AXIS_PX }}
        role="img"
        aria-label={t`Ring raster: ${raster.rows} turns of ${raster.columns} teeth${marked.length ? t`, marked at tooth ${marked.join(", ")}` : ""}`}
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const at = Math.floor(((event.clientY - box.top) / height) * raster.rows);
          if (at >= 0 && at < raster.rows) onRow?.(at);
        }}
      />
      {raster.aside.includes(1) && (
        <figcaption className="text-sm text-muted">{t`Outlined: set aside. The wheel stood, was pushed off, or stopped there; that is no fault.`}</figcaption>
      )}
    </figure>
  );
}

const AXIS_PX = 24;
const LEFT_PX = 34;

function paint(element: HTMLCanvasElement, raster: RingRaster, marked: readonly number[], row?: number): void {
  const ratio = window.devicePixelRatio || 1;
  const [width, height] = [element.clientWidth, element.clientHeight];
  element.width = width * ratio;
  element.height = height * ratio;
  const pen = element.getContext("2d")!;
  pen.scale(ratio, ratio);
  const style = getComputedStyle(element);
  const colour = (token: string) => style.getPropertyValue(token);
  const cellW = (width - LEFT_PX - 4) / raster.columns;
  const cellH = (height - AXIS_PX) / raster.rows;
  const gap = cellW > 5 && cellH > 5 ? 1 : 0;
  for (let r = 0; r < raster.rows; r++)
    for (let c = 0; c < raster.columns; c++) {
      const at = r * raster.columns + c;
      const missing = raster.missing[at] === 1;
      const shade = rasterShade(raster.deviation[at]!);
      if (raster.aside[at] === 1) {
        pen.strokeStyle = colour("--muted");
        pen.lineWidth = 1;
        pen.strokeRect(LEFT_PX + c * cellW + 0.5, r * cellH + 0.5, cellW - gap - 1, cellH - gap - 1);
        continue;
      }
      if (!missing && shade === null) continue;
      pen.globalAlpha = missing ? 1 : shade!;
      pen.fillStyle = colour(missing ? "--brick" : "--ink");
      pen.fillRect(LEFT_PX + c * cellW, r * cellH, cellW - gap, cellH - gap);
    }
  pen.globalAlpha = 1;
  pen.strokeStyle = colour("--marigold");
  pen.lineWidth = 2;
  if (row !== undefined) pen.strokeRect(LEFT_PX - 1, row * cellH - 0.5, width - LEFT_PX - 2, cellH);
  pen.strokeStyle = pen.fillStyle = colour("--brick");
  pen.font = `700 13px ${style.fontFamily}`;
  pen.textAlign = "center";
  for (const tooth of marked) pen.strokeRect(LEFT_PX + (tooth - 1) * cellW - 1, 1, cellW + 1, height - AXIS_PX);
  for (const run of toothRuns(marked))
    pen.fillText(runName(run), LEFT_PX + ((run[0] - 1 + run[1]) / 2) * cellW, height - 8);
  pen.fillStyle = colour("--muted");
  pen.font = `13px ${style.fontFamily}`;
  if (!marked.some((tooth) => tooth < 4)) pen.fillText("1", LEFT_PX + cellW / 2, height - 8);
  if (!marked.some((tooth) => tooth > raster.columns - 4)) pen.fillText(String(raster.columns), width - 14, height - 8);
  pen.textAlign = "right";
  pen.fillText("1", LEFT_PX - 8, 12);
  if (raster.rows > 2) pen.fillText(String(raster.rows), LEFT_PX - 8, height - AXIS_PX - 3);
}
