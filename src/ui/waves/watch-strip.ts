import type { Watch } from "@/core/capture/watch";
import { colourAt } from "../chart/chart-style";

/** The strip is at least so many seconds wide. */
const LEAST_S = 60;

/** Draws all that was watched, the channels one below the other, with a tick where something was marked or caught. */
export function drawStrip(canvas: HTMLCanvasElement, { least, greatest, marks }: Watch): void {
  const ratio = devicePixelRatio;
  const [width, height] = [canvas.clientWidth, canvas.clientHeight];
  if (canvas.width !== width * ratio) [canvas.width, canvas.height] = [width * ratio, height * ratio];
  const pen = canvas.getContext("2d")!;
  pen.setTransform(ratio, 0, 0, ratio, 0, 0);
  pen.clearRect(0, 0, width, height);
  const colour = colourAt(canvas);
  const seconds = Math.max(LEAST_S, least[0]?.length ?? 0);
  const x = (second: number) => (second / seconds) * width;
  const band = height / Math.max(1, least.length);
  least.forEach((lows, channel) => {
    const highs = greatest[channel]!;
    // Hours of seconds are too many to be handed over as arguments.
    const low = lows.reduce((sum, value) => (value < sum ? value : sum), Infinity);
    const high = highs.reduce((sum, value) => (value > sum ? value : sum), -Infinity);
    const y = (value: number) =>
      (channel + 1) * band - 2 - ((value - low) / Math.max(high - low, 1e-9)) * Math.max(1, band - 4);
    pen.fillStyle = colour(channel === 0 ? "--ink" : "--plum");
    lows.forEach((value, second) => {
      if (Number.isNaN(value)) return;
      const top = y(highs[second]!);
      pen.fillRect(x(second), top, Math.max(1, width / seconds), Math.max(1, y(value) - top));
    });
  });
  pen.fillStyle = colour("--verdigris");
  for (const { atS } of marks) pen.fillRect(x(atS), 0, 2, height);
}
