/**
 * How long recordings take, each against a baseline in the same run: analysis of 10 M samples against one bare
 * least-and-greatest pass over the same array, CSV import against a general CSV package on the same text, pan and
 * zoom against a bare pass over what lies in view, growth with length, memory.
 * usage: npm run bench:capture
 */
import { inferSchema, initParser } from "udsv";
import { parseCaptureCsv } from "../src/core/capture/csv";
import { TracePyramid } from "../src/core/capture/trace-pyramid";
import { analyseCapture } from "../src/core/waveform/analyse";

const wave = (count: number): Float32Array => {
  const samples = new Float32Array(count);
  let [phase, noise] = [0, 1];
  for (let i = 0; i < count; i++) {
    phase += (50 + 8 * Math.sin(i / 4e5)) / 50_000;
    noise = (noise * 1103515245 + 12345) & 0x7fffffff;
    samples[i] = (phase % 1 < 0.5 ? 0.84 : 1.66) + 0.02 * (noise / 0x7fffffff - 0.5);
  }
  return samples;
};
const best = (run: () => unknown, tries = 3): number => {
  let least = Infinity;
  for (let i = 0; i < tries; i++) {
    const from = performance.now();
    run();
    least = Math.min(least, performance.now() - from);
  }
  return least;
};
const bare = (samples: Float32Array): number => {
  let [low, high] = [Infinity, -Infinity];
  for (let i = 0; i < samples.length; i++) {
    if (samples[i]! < low) low = samples[i]!;
    if (samples[i]! > high) high = samples[i]!;
  }
  return high - low;
};
const analyse = (samples: Float32Array) =>
  analyseCapture(
    { name: "bench", sampleS: 1 / 50_000, startS: 0, channels: [{ name: "a", unit: "V", samples }] },
    { family: "active-2wire", pulses: 48 },
  );
const show = (what: string, ms: number, baseMs: number) =>
  console.log(
    `${what.padEnd(58)} ${ms.toFixed(1).padStart(8)} ms   ${(ms / baseMs).toFixed(2).padStart(6)} × baseline`,
  );

analyse(wave(200_000));
const ten = wave(10_000_000);
const pass = best(() => bare(ten), 5);
show("baseline: least and greatest of 10 M samples", pass, pass);
globalThis.gc?.();
const before = process.memoryUsage();
const took = best(() => analyse(ten), 3);
const after = process.memoryUsage();
show("10 M samples analysed", took, pass);
const grown = after.arrayBuffers + after.heapUsed - before.arrayBuffers - before.heapUsed;
console.log(
  `memory after it, beside the samples (${(ten.byteLength / 1e6).toFixed(0)} MB): ${(grown / 1e6).toFixed(0)} MB more`,
);
for (const part of [1_250_000, 2_500_000, 5_000_000])
  show(
    `  ${part / 1e6} M samples`,
    best(() => analyse(ten.subarray(0, part)), 3),
    (pass * part) / 1e7,
  );

const built = best(() => new TracePyramid(ten, 1 / 50_000, 0), 3);
show("pyramid of 10 M samples made", built, pass);
const pyramid = new TracePyramid(ten, 1 / 50_000, 0);
const views: number[] = [];
for (let i = 0; i < 400; i++) {
  const width = 200 * 0.5 ** (i % 16);
  const from = ((i * 37) % 100) * 0.01 * (200 - width);
  const start = performance.now();
  pyramid.view(from, from + width, 1600);
  views.push(performance.now() - start);
}
views.sort((a, b) => a - b);
console.log(
  `a view of it at 1600 points: median ${views[200]!.toFixed(2)} ms, 95th ${views[380]!.toFixed(2)} ms, most ${views[399]!.toFixed(2)} ms (a frame is 16 ms)`,
);

const rows = 1_000_000;
const lines = ["time (s),CH1 (V),CH2 (V)"];
for (let i = 0; i < rows; i++)
  lines.push(`${(i / 50_000).toFixed(5)},${ten[i]!.toFixed(4)},${ten[i + rows]!.toFixed(4)}`);
const text = lines.join("\n");
const general = best(() => initParser(inferSchema(text)).typedCols(text), 3);
show(`baseline: general package, ${rows / 1e6} M rows, typed columns`, general, general);
show(
  `${rows / 1e6} M rows of two channels imported`,
  best(() => parseCaptureCsv(text, "bench"), 3),
  general,
);
