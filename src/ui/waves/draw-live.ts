import { columnsOf, type Columns } from "@/core/capture/columns";
import type { LiveSource } from "@/instruments/live-source";
import { colourAt } from "../chart/chart-style";

/** Room for the levels' labels, left of the trace. */
const LABELS_PX = 64;
/** What differs by less fills no more of its band than this does, volts. */
const LEAST_SPAN_V = 0.05;
const LINE_PX = 1.4;
/** With fewer samples than this a column of dots they are joined by lines. */
const SPARSE = 2;

/**
 * Draws every channel of what a source has recorded last one below the other, newest at the right, each column of dots as
 * one stroke.
 * @param seconds across the whole width; a screen is drawn as wide as it is
 */
export function drawLive(canvas: HTMLCanvasElement, source: LiveSource, seconds: number): void {
  const [width, height] = [canvas.clientWidth, canvas.clientHeight];
  const dots = window.devicePixelRatio;
  const shown = shownOf(source, seconds, Math.max(1, Math.round(width - LABELS_PX)));
  const pen = canvas.getContext("2d");
  if (!pen || !shown) return;
  if (canvas.width !== width * dots) canvas.width = width * dots;
  if (canvas.height !== height * dots) canvas.height = height * dots;
  pen.setTransform(dots, 0, 0, dots, 0, 0);
  pen.clearRect(0, 0, width, height);
  const colour = colourAt(canvas);
  const band = height / shown.length;
  shown.forEach(({ columns: { least, greatest }, unit, few }, i) => {
    const wide = least.length;
    const low = least.reduce((one, value) => (value < one ? value : one), Infinity);
    const high = greatest.reduce((one, value) => (value > one ? value : one), -Infinity);
    const room = Math.max(high - low, LEAST_SPAN_V);
    const y = (value: number) => (i + 0.9) * band - ((value - low) / room) * 0.8 * band;
    pen.strokeStyle = colour("--rule");
    pen.fillStyle = colour("--muted");
    pen.font = "13px sans-serif";
    pen.textAlign = "right";
    pen.textBaseline = "middle";
    for (const level of [low, high]) {
      pen.strokeRect(LABELS_PX, y(level), width - LABELS_PX, 0);
      pen.fillText(`${level.toFixed(2)} ${unit}`.trim(), LABELS_PX - 6, y(level));
    }
    pen.fillStyle = colour(i === 0 ? "--ink" : "--plum");
    pen.strokeStyle = pen.fillStyle;
    if (few) {
      pen.lineWidth = LINE_PX;
      pen.beginPath();
      few.forEach((value, k) => pen.lineTo(width - wide + ((k + 0.5) * wide) / few.length, y(value)));
      pen.stroke();
      pen.lineWidth = 1;
      return;
    }
    least.forEach((lowest, column) => {
      const top = y(greatest[column]!);
      pen.fillRect(width - wide + column, top, 1, Math.max(LINE_PX, y(lowest) - top));
    });
  });
}

interface Shown {
  columns: Columns;
  unit: string;
  /** Where there are too few samples for columns: they are joined by lines. */
  few: Float32Array | null;
}

/** What is drawn of each channel: as the source keeps it for that, or from its samples. */
function shownOf(source: LiveSource, seconds: number, count: number): Shown[] | null {
  const kept = source.columns?.(seconds, count);
  if (kept) return kept.channels.map((columns) => ({ columns, unit: source.inVolts === false ? "" : "V", few: null }));
  const last = source.last(seconds);
  if (!last) return null;
  const lengthS = last.channels[0]!.samples.length * last.sampleS;
  const wide = Math.max(1, Math.round((count * lengthS) / (source.isScreens ? lengthS : seconds)));
  return last.channels.map(({ samples, unit, scale }) => ({
    columns: columnsOf(samples, wide),
    unit: scale ? "" : unit,
    few: samples.length < SPARSE * wide ? samples : null,
  }));
}
