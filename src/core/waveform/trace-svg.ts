import { t } from "../words/words";
import type { ThinTrace } from "../capture/thin";

const [WIDTH, HEIGHT, LEFT, RIGHT, TOP, BOTTOM] = [1000, 320, 64, 16, 40, 36];
const DASHES = ["none", "9 5", "2 4", "12 4 2 4"];

/**
 * A trace as an SVG document of its own: each channel with its dash and end label, time and level scales. Written here, not
 * by the chart package's server rendering: that renderer adds 8.3 kB of script to a room for what takes 1.3 kB, and core
 * knows no chart package.
 */
export function traceSvg(traces: readonly ThinTrace[], names: readonly string[], unit: string, title: string): string {
  const points = traces.flat();
  const [fromS, toS] = bounds(points.map(([t]) => t));
  const [least, most] = bounds(points.map(([, v]) => v));
  const margin = 0.06 * (most - least || 1);
  const x = (t: number) => LEFT + ((t - fromS) / (toS - fromS || 1)) * (WIDTH - LEFT - RIGHT);
  const y = (v: number) =>
    HEIGHT - BOTTOM - ((v - least + margin) / (most - least + 2 * margin || 1)) * (HEIGHT - TOP - BOTTOM);
  const text = (at: [number, number], words: string, more = "") =>
    `<text x="${at[0].toFixed(1)}" y="${at[1].toFixed(1)}" font-family="sans-serif" font-size="14" fill="#22201c" ${more}>${escaped(words)}</text>`;
  const lines = traces.map(
    (trace, i) =>
      `<polyline fill="none" stroke="#22201c" stroke-width="1.4" stroke-dasharray="${DASHES[i % DASHES.length]}" points="${trace.map(([t, v]) => `${x(t).toFixed(1)},${y(v).toFixed(1)}`).join(" ")}"/>`,
  );
  const levels = [least, (least + most) / 2, most].map(
    (v) =>
      `<line x1="${LEFT}" x2="${WIDTH - RIGHT}" y1="${y(v).toFixed(1)}" y2="${y(v).toFixed(1)}" stroke="#d9d2c3"/>${text([LEFT - 6, y(v) + 5], `${Number(v.toPrecision(3))} ${unit}`, 'text-anchor="end"')}`,
  );
  const times = [0, 0.25, 0.5, 0.75, 1].map((part) => {
    const at = fromS + part * (toS - fromS);
    return text(
      [x(at), HEIGHT - 12],
      t`${Number(at.toPrecision(4))} s`,
      `text-anchor="${part === 1 ? "end" : part === 0 ? "start" : "middle"}"`,
    );
  });
  const legend = names.map((name, i) => text([LEFT + 160 * i, TOP - 8], `${i > 0 ? "- - " : "— "}${name}`));
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" width="${WIDTH}" height="${HEIGHT}"><title>${escaped(title)}</title><rect width="100%" height="100%" fill="#fffdf7"/>${text([LEFT, 18], title, 'font-weight="bold"')}${levels.join("")}${lines.join("")}${times.join("")}${legend.join("")}</svg>`;
}

function bounds(values: readonly number[]): [number, number] {
  return values.reduce<[number, number]>(
    ([low, high], value) => [Math.min(low, value), Math.max(high, value)],
    [Infinity, -Infinity],
  );
}

function escaped(text: string): string {
  return text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
}
