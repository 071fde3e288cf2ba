/**
 * How long a job with a long log takes to open: its line-up taken up where it was kept, against weighing the log anew.
 * usage: npm run bench:open -- [readings …]
 */
import { diagnosisOf } from "../src/core/bench/diagnosis";
import { progressOf } from "../src/core/bench/progress";
import { checkpointOf, resumeFrom } from "../src/core/replay/checkpoint";
import { observationsOf } from "../src/core/replay/observations";
import { replay } from "../src/core/replay/replay";
import { importJob } from "../src/core/job-file/file";
import { jobSchema } from "../src/core/job/schema";
import { freshSeed } from "./shards";
import { seeded } from "../src/core/random/random";

const random = seeded(freshSeed(undefined));
const counts = process.argv.slice(2).map(Number);
for (const count of counts.length > 0 ? counts : [30, 300]) {
  const job = importJob(JSON.stringify(jobOf(count)), "long.json");
  const stored: unknown = JSON.parse(JSON.stringify(job));
  const { read } = observationsOf(job);
  const [belief, anewMs] = timed(() => replay(job));
  const [checkpoint] = timed(() => structuredClone(checkpointOf(job, "bench", belief, read)));
  const [, openMs] = timed(() => {
    const opened = jobSchema.parse(stored);
    const { read } = observationsOf(opened);
    const resume = resumeFrom(structuredClone(checkpoint), opened, "bench", read);
    return diagnosisOf(replay(opened, { resume }), opened.policy, progressOf(opened));
  });
  const bytes =
    JSON.stringify(checkpoint.readings).length + checkpoint.state.scores.byteLength + count * belief.particles.count;
  console.log(
    `${count} readings: opened with its next checks in ${openMs.toFixed(0)} ms; baseline, weighed anew without them: ${anewMs.toFixed(0)} ms; kept in ${(bytes / 1e6).toFixed(1)} MB`,
  );
}

function timed<T>(run: () => T): [T, number] {
  const from = performance.now();
  const result = run();
  return [result, performance.now() - from];
}

/** A mechanic who measures the same few things again and again, here and there, on a sound car. */
function jobOf(count: number): unknown {
  const points = ["module.in", "c1.in", "c1.out", "plug.in"].flatMap((face) => [`${face}.supply`, `${face}.return`]);
  const reading = (i: number) => {
    const red = points[i % points.length]!;
    const level = random() < 0.5 ? 0.84 : 1.68;
    const volts = (red.endsWith("supply") ? 11.6 : level) * (1 + 0.01 * (random() - 0.5));
    return {
      instrument: "volts-dc",
      red,
      black: "battery.negative",
      state: { key: "on", wheel: i % 3 ? "still" : "creep" },
      value: `${volts.toFixed(2)} V`,
    };
  };
  return {
    tastatura: "job/3",
    id: "long",
    createdAt: "2026-01-01T09:00:00Z",
    car: { name: "Sallow Plover 11" },
    setup: {
      corner: "RR",
      family: "active-2wire",
      path: [
        { station: "module" },
        { spanM: 1, mm2: 0.5 },
        { station: "c1" },
        { spanM: 2, mm2: 0.5 },
        { station: "plug" },
      ],
    },
    complaint: {},
    policy: {},
    entries: Array.from({ length: count }, (_, i) => ({
      id: `n${i}`,
      at: new Date(Date.UTC(2026, 0, 1, 10, 0, i)).toISOString(),
      kind: "reading",
      reading: reading(i),
    })),
  };
}
