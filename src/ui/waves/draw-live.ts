import type { Capture } from "@/core/capture/capture";
import { columnsOf } from "@/core/capture/columns";
import { colourAt } from "../chart/chart-style";

/** Room for the levels' labels, left of the trace. */
const LABELS_PX = 64;
/** What differs by less fills no more of its band than this does, volts. */
const LEAST_SPAN_V = 0.05;
const LINE_PX = 1.4;
/** With fewer samples than this a column of dots they are joined by lines. */
const SPARSE = 2;

/** Draws every channel one below the other in the rolling window, newest at the right, each column of dots as one stroke. */
export function drawLive(canvas: HTMLCanvasElement, { sampleS, channels }: Capture, acrossS: number): void {
  const [width, height] = [canvas.clientWidth, canvas.clientHeight];
  const dots = window.devicePixelRatio;
  if (canvas.width !== width * dots) canvas.width = width * dots;
  if (canvas.height !== height * dots) canvas.height = height * dots;
  const pen = canvas.getContext("2d");
  if (!pen) return;
  pen.setTransform(dots, 0, 0, dots, 0, 0);
  pen.clearRect(0, 0, width, height);
  const colour = colourAt(canvas);
  const band = height / channels.length;
  channels.forEach(({ samples, unit, scale }, i) => {
    const wide = Math.round(((width - LABELS_PX) * samples.length * sampleS) / acrossS);
    const { least, greatest } = columnsOf(samples, Math.max(1, wide));
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
      pen.fillText(scale ? level.toFixed(2) : `${level.toFixed(2)} ${unit}`, LABELS_PX - 6, y(level));
    }
    pen.fillStyle = colour(i === 0 ? "--ink" : "--plum");
    pen.strokeStyle = pen.fillStyle;
    if (samples.length < SPARSE * wide) {
      pen.lineWidth = LINE_PX;
      pen.beginPath();
      samples.forEach((value, k) => pen.lineTo(width - wide + ((k + 0.5) * wide) / samples.length, y(value)));
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
