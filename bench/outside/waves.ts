/**
 * The analysis of captures on recordings made from fields and motion: F1 by finding, clean called clean, with and
 * without a hand spin from rest to rest. A fresh seed unless told.
 * usage: npm run bench:outside-waves -- [recordings] [--seed N] [--misses]
 */
import { parseArgs } from "node:util";
import { analyseCapture } from "../../src/core/waveform/analyse";
import { shareWithInterval } from "../wilson";
import { defects, recording, type Defect } from "./recordings";

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { seed: { type: "string" }, misses: { type: "boolean" } },
});
const COUNT = Number(positionals[0] ?? 300);
const seed = values.seed ? Number(values.seed) : Date.now() % 1_000_000;
/** Explained, and no fault. */
const INNOCENT = new Set(["key-on-transient", "probe-spike"]);

const tally = new Map<string, { found: number; missed: number; wrong: number }>();
const of = (code: string) => {
  let one = tally.get(code);
  if (!one) tally.set(code, (one = { found: 0, missed: 0, wrong: 0 }));
  return one;
};
let [clean, cleanRight, rest, restRight, counted, countRight] = [0, 0, 0, 0, 0, 0];
for (let n = 0; n < COUNT; n++) {
  const made = recording(seed + n);
  const options = { family: made.sensor, tyre: "205/55R16" };
  const capture = { name: "outside", sampleS: made.sampleS, startS: 0, channels: made.channels };
  const analysed = analyseCapture(capture, { ...options, pulses: made.poles });
  const codes = new Set(analysed.flatMap(({ findings }) => findings.map(({ code }) => code)));
  const faults = [...codes].filter((code) => !INNOCENT.has(code));
  const [unasked] = analyseCapture(capture, options);
  if (unasked!.pulsesPerRevolution !== null) {
    counted++;
    if (unasked!.pulsesPerRevolution === made.poles) countRight++;
  }
  if (made.defect === "clean" || made.defect === "key-on-transient") {
    clean++;
    if (faults.length === 0) cleanRight++;
    if (made.motion === "rest-to-rest") {
      rest++;
      if (faults.length === 0) restRight++;
    }
  }
  const wanted: Defect | null = made.defect === "clean" ? null : made.defect;
  if (wanted && wanted !== "key-on-transient") {
    if (codes.has(wanted)) of(wanted).found++;
    else of(wanted).missed++;
  }
  for (const code of faults)
    if (code !== wanted && !(wanted === "low-amplitude" && code === "drop-out-speed")) of(code).wrong++;
  const right =
    wanted && wanted !== "key-on-transient" ? codes.has(wanted) && faults.length === 1 : faults.length === 0;
  if (values.misses && !right)
    console.log(
      `#${seed + n} ${made.sensor} ${made.motion} ${made.defect} ${(1 / made.sampleS / 1000).toFixed(1)} kS/s: ${[...codes].join(", ") || "nothing"} (${analysed[0]!.signal}, ${analysed[0]!.pulses} pulses, ${analysed[0]!.revolutions?.toFixed(1)} turns)`,
    );
}
console.log(`${COUNT} recordings from fields and motion, seed ${seed}`);
const scores = [...tally].map(([code, { found, missed, wrong }]) => ({
  code,
  found,
  missed,
  wrong,
  f1: (2 * found) / Math.max(1, 2 * found + missed + wrong),
}));
for (const { code, f1, found, missed, wrong } of scores.sort((a, b) => a.code.localeCompare(b.code)))
  console.log(`${code.padEnd(20)} F1 ${f1.toFixed(3)}  found ${found}, missed ${missed}, false ${wrong}`);
const asked = scores.filter(({ code }) => (defects as readonly string[]).includes(code));
console.log(`mean F1 ${(asked.reduce((sum, { f1 }) => sum + f1, 0) / Math.max(1, asked.length)).toFixed(3)}`);
console.log(
  `clean called clean ${shareWithInterval(cleanRight, clean)}, from rest to rest ${shareWithInterval(restRight, rest)}`,
);
console.log(
  `count right where one is named ${shareWithInterval(countRight, counted)}, named on ${counted} of ${COUNT}`,
);
