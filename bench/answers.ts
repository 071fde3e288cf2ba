/** How long the answers of the rooms take, each beside a baseline in the same run. usage: tsx bench/answers.ts */
import { reportHeads } from "../src/core/report/report";
import { reportPdf } from "../src/app/api/report/report-pdf";
import { recordCar } from "../src/core/simulated/synthesise";
import { signalPoint } from "../src/core/circuit/point";
import { simulateCar } from "../src/core/simulated/simulated-car";
import { explainCorner, usualExplain } from "../src/core/explain/explain";
import { libraryItemSchema, searchLibrary } from "../src/core/library/library";
import { packJob } from "../src/core/job-file/zip";
import { jobSchema } from "../src/core/job/schema";
import { Belief } from "../src/core/belief/belief";
import { proposeChecks } from "../src/core/planning/next-check";
import { debrief } from "../src/core/practice/debrief";
import { practiceCar } from "../src/core/practice/practice-car";

const rows: [what: string, goal: string, ms: number, baseline: string, baseMs: number][] = [];

const exercise = practiceCar({ tastatura: "exercise/1", seed: 11, two: false, alone: false });
const job = jobSchema.parse({
  tastatura: "job/3",
  id: "bench",
  createdAt: "2026-01-01T00:00:00Z",
  car: { name: exercise.name },
  setup: exercise.setup,
  complaint: exercise.complaint,
  policy: {},
  entries: Array.from({ length: 60 }, (_, i) => ({
    id: `n${i}`,
    at: "2026-01-01T00:00:00Z",
    kind: "note",
    text: `${i}`,
  })),
  simulated: { fault: exercise.fault, seed: 11, intermittent: exercise.intermittent },
});
const belief = new Belief(job.setup, job.complaint, { seed: 1, perGroup: 32 });
rows.push([
  "debrief of a practice car",
  "≤ 2000",
  await time(3, () => debrief(job)),
  "one proposal on it",
  await time(3, () =>
    proposeChecks(belief, { approach: "information", pierce: false }, { done: new Set(), skipped: new Set() }),
  ),
]);

const car = simulateCar(job.setup, "nothing@none", { seed: 1 });
const recording = (station: "plug" | "module") => ({
  point: signalPoint(job.setup, station),
  durationS: 0.1,
  sampleS: 1e-5,
  fromKmh: 9,
  toKmh: 9,
  noiseV: 0.005,
  seed: 1,
});
rows.push([
  "100 ms of two channels at 100 kS/s",
  "≤ 10",
  await time(20, () => [recordCar(car, recording("plug")), recordCar(car, recording("module"))]),
  "as many sines",
  await time(20, () => Float32Array.from({ length: 20_000 }, (_, i) => Math.sin(i / 7))),
]);
let speed = 5;
rows.push([
  "explain mode answers a slider",
  "≤ 33",
  await time(20, () => explainCorner({ ...usualExplain, speedKmh: (speed += 0.1) })),
  "as many sines",
  await time(20, () => Float32Array.from({ length: 20_000 }, (_, i) => Math.sin(i / 7))),
]);

const items = Array.from({ length: 500 }, (_, i) =>
  libraryItemSchema.parse({
    id: `${i}`,
    captureId: `${i}`,
    kind: i % 2 ? "known-good" : "known-bad",
    model: `Skua ${i}`,
    family: "passive",
    pulses: 48,
    finding: "clean",
    at: "2026",
  }),
);
rows.push([
  "search of 500 library entries",
  "≤ 50",
  await time(20, () => searchLibrary(items, "good skua 499")),
  "one pass over their names",
  await time(20, () => items.filter(({ model }) => model.includes("499"))),
]);

const wave = Array.from({ length: 4 }, () =>
  Array.from({ length: 900 }, (_, i) => [i / 100, Math.sin(i / 5)] as [number, number]),
);
const report = (readings: number) => ({
  title: "Wheel speed diagnosis",
  heads: reportHeads,
  car: "Osmund Drover 09",
  plate: "",
  date: "2026-11-25",
  corner: "front left",
  came: ["C0031"],
  found: "Sensor stands too far off",
  meaning: "ABS switched itself off.",
  proof: [],
  cleared: [],
  done: [],
  verified: [],
  fixed: true,
  advice: "A qualified person decided.",
  readings: Array.from({ length: readings }, (_, i) => ({
    at: "2026-11-25 10:00",
    what: `reading ${i}`,
    state: "key on",
    value: `${i} V`,
    phase: "before",
  })),
  setup: ["Sensor: passive"],
  trace: { name: "spin", unit: "V", points: wave.flat() },
});
rows.push([
  "PDF of 60 readings and four captures",
  "≤ 3000",
  await time(3, () => reportPdf(report(60))),
  "PDF of none",
  await time(3, () => reportPdf(report(0))),
]);

const samples = Float32Array.from({ length: 1_000_000 }, (_, i) => Math.sin(i / 9) + 0.01 * Math.cos(i * 1.7));
const captures = Array.from({ length: 4 }, (_, i) => ({
  id: `c${i}`,
  capture: { name: `c${i}`, sampleS: 1e-4, startS: 0, channels: [{ name: "s", unit: "V" as const, samples }] },
}));
rows.push([
  "job ZIP with four captures of a million samples",
  "–",
  await time(1, () => packJob(job, captures)),
  "the same without captures",
  await time(1, () => packJob(job, [])),
]);

for (const [what, goal, ms, baseline, baseMs] of rows)
  console.log(
    `${what.padEnd(48)} ${ms.toFixed(1).padStart(8)} ms (${goal})   ${baseline}: ${baseMs.toFixed(2)} ms, ×${(ms / baseMs).toFixed(1)}`,
  );

/** Median milliseconds of some runs, one before them not counted. */
async function time(runs: number, run: () => unknown): Promise<number> {
  if (runs > 1) await run();
  const taken: number[] = [];
  for (let i = 0; i < runs; i++) {
    const from = performance.now();
    await run();
    taken.push(performance.now() - from);
  }
  return taken.toSorted((a, b) => a - b)[runs >> 1]!;
}
