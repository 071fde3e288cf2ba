/**
 * The analysis on captures it has not seen: another generator, wider ranges (8–12 bit, 5–60 kS/s, hand spins and even
 * speed, 16–38 dB). usage: npm run bench:waves -- [captures] [--misses]
 */
import { analyseCapture } from "../src/core/waveform/analyse";
import { defects, makeWave, type Defect } from "./wave-maker";

const COUNT = Number(process.argv[2] ?? 400);
const misses = process.argv.includes("--misses");
const table = new Map<Defect, { hit: number; missed: number; false: number }>();
for (const one of defects) table.set(one, { hit: 0, missed: 0, false: 0 });
let [toothRight, toothSeen, cleanRight, cleanSeen] = [0, 0, 0, 0];
const speedErrors: number[] = [];
/** What a code may be accompanied by without being wrong. */
const COMPANIONS: Partial<Record<Defect, string[]>> = {
  "low-amplitude": ["drop-out-speed"],
  "noise-at-rest": ["interference"],
  "level-out-of-window": [],
};

for (let seed = 0; seed < COUNT; seed++) {
  const made = makeWave(seed);
  const [one] = analyseCapture(
    {
      name: "made",
      sampleS: 1 / made.rate,
      startS: 0,
      channels: [{ name: "signal", unit: "V", samples: made.samples }],
    },
    { pulses: made.pulses, family: made.passive ? "passive" : "active-2wire" },
  );
  const found = one!.findings.map(({ code }) => code as string);
  const wanted = made.defect;
  const cell = table.get(wanted)!;
  const hit = wanted === "clean" ? found.length === 0 : found.includes(wanted);
  if (hit) cell.hit++;
  else cell.missed++;
  for (const code of found)
    if (code !== wanted && !COMPANIONS[wanted]?.includes(code) && table.has(code as Defect))
      table.get(code as Defect)!.false++;
  if (wanted === "clean") {
    cleanSeen++;
    if (found.length === 0) cleanRight++;
  }
  if (made.tooth !== null && hit) {
    toothSeen++;
    const tooth = one!.findings.find(({ code }) => code === wanted)!.tooth;
    if (tooth === made.tooth) toothRight++;
  }
  if (one!.speedKmh && ["clean", "probe-spike", "cracked-ring"].includes(wanted)) {
    speedErrors.push(Math.abs(one!.speedKmh.median / made.medianKmh - 1));
  }
  if (misses && (!hit || found.some((code) => code !== wanted && !COMPANIONS[wanted]?.includes(code))))
    console.log(
      `#${seed} ${made.passive ? "passive" : "active"} ${made.pulses} ${made.rate}/s wanted ${wanted} (tooth ${made.tooth}) found ${found.join(", ") || "nothing"} [${one!.signal}]`,
    );
}
let [f1Sum, f1Count] = [0, 0];
for (const [code, { hit, missed, false: wrong }] of table) {
  const f1 = (2 * hit) / Math.max(1, 2 * hit + missed + wrong);
  f1Sum += f1;
  f1Count++;
  console.log(`${code.padEnd(20)} F1 ${f1.toFixed(3)}  found ${hit}, missed ${missed}, false ${wrong}`);
}
console.log(`mean F1 ${(f1Sum / f1Count).toFixed(3)} over ${COUNT} captures`);
console.log(
  `tooth exact ${toothRight} of ${toothSeen}; clean called clean ${cleanRight} of ${cleanSeen}; speed off by ${(100 * quantile(0.5)).toFixed(2)} % (median), ${(100 * quantile(0.95)).toFixed(2)} % (95th)`,
);

function quantile(share: number): number {
  return speedErrors.toSorted((a, b) => a - b)[Math.floor(share * speedErrors.length)] ?? NaN;
}
