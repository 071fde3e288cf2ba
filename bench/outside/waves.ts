/**
 * The analysis of captures on recordings of four other makers, one from fields and motion, one (`--plain`) by closed
 * formulas, one (`--shop`) of a noisy shop, both written as text in six manners, one (`--hands`) of wheels pushed by hand
 * again and again; with the ring's count told, or (`--uncounted`) not: F1 by finding, clean called clean, with and without a hand spin from rest to rest. A fresh seed unless told.
 * usage: npm run bench:outside-waves -- [recordings] [--plain | --shop | --hands | --all] [--uncounted] [--seed N] [--misses]
 */
import { parseArgs } from "node:util";
import { findingKind, leadingWord, type FindingCode } from "../../src/core/checks/findings/findings";
import { analyseCapture } from "../../src/core/waveform/analyse";
import { isUsable } from "../../src/core/waveform/usable";
import { shareWithInterval } from "../wilson";
import { readCaptureFile } from "../../src/core/capture/read-file";
import { handSpin } from "./hand-spins";
import { faultOf, shopRecording } from "./noisy-shop";
import { plainRecording } from "./plain";
import { recording } from "./recordings";

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    seed: { type: "string" },
    misses: { type: "boolean" },
    plain: { type: "boolean" },
    shop: { type: "boolean" },
    hands: { type: "boolean" },
    all: { type: "boolean" },
    uncounted: { type: "boolean" },
  },
});
const makers = values.all
  ? [fromField, fromPlain, fromShop, fromHands]
  : [values.hands ? fromHands : values.shop ? fromShop : values.plain ? fromPlain : fromField];
const COUNT = Number(positionals[0] ?? 300);
const seed = values.seed ? Number(values.seed) : Date.now() % 1_000_000;
/** Two runs whose seeds are neighbours share no recording. */
const SEEDS_OF_A_RUN = 10_000;
/** Explained, and no fault. */
const INNOCENT = new Set(["key-on-transient", "probe-spike"]);

const SMALL = new Set(["low-amplitude", "drop-out-speed"]);

const tally = new Map<string, { found: number; missed: number; wrong: number }>();
const of = (code: string) => {
  let one = tally.get(code);
  if (!one) tally.set(code, (one = { found: 0, missed: 0, wrong: 0 }));
  return one;
};
/** How sure each finding was said to be, and whether it was so. */
const said: { confidence: number; right: boolean }[] = [];
/** What went to the car: the word of what was wrong, another fault's, none of a sound wheel's, or nothing at all. */
const words = { right: 0, wrong: 0, missed: 0, unused: 0 };
let [clean, cleanRight, rest, restRight, counted, countRight] = [0, 0, 0, 0, 0, 0];
for (let n = 0; n < COUNT; n++) {
  const made = makers[n % makers.length]!(seed * SEEDS_OF_A_RUN + n);
  const options = { family: made.family, tyre: "205/55R16" };
  const analysed = analyseCapture(made.capture, values.uncounted ? options : { ...options, pulses: made.poles });
  const codes = new Set(analysed.flatMap(({ findings }) => findings.map(({ code }) => code)));
  const faults = [...codes].filter((code) => !INNOCENT.has(code));
  const [unasked] = analyseCapture(made.capture, options);
  if (unasked!.pulsesPerRevolution !== null) {
    counted++;
    // A coded sensor tells both edges of a pole.
    if (unasked!.pulsesPerRevolution === made.poles || unasked!.pulsesPerRevolution === made.bothEdges) countRight++;
  }
  const wanted = made.defect === "clean" || INNOCENT.has(made.defect) ? null : made.defect;
  if (wanted === null) {
    clean++;
    if (faults.length === 0) cleanRight++;
    if (made.motion === "rest-to-rest" || made.motion === "hand") {
      rest++;
      if (faults.length === 0) restRight++;
    }
  } else if (faults.includes(wanted as (typeof faults)[number])) of(wanted).found++;
  else of(wanted).missed++;
  // Too small a signal falls out early as well: either word is the same thing seen.
  const follows = (code: string) => code === wanted || (SMALL.has(wanted ?? "") && SMALL.has(code));
  for (const code of faults) if (!follows(code)) of(code).wrong++;
  for (const { findings } of analysed)
    for (const { code, confidence } of findings)
      if (!INNOCENT.has(code)) said.push({ confidence, right: follows(code) });
  const sent = sentWord(analysed[0]!, wanted, follows);
  words[sent]++;
  const right = wanted === null ? faults.length === 0 : codes.has(wanted as never) && faults.every(follows);
  if (values.misses && (!right || sent === "wrong" || sent === "missed"))
    console.log(
      `#${seed * SEEDS_OF_A_RUN + n} ${made.family} ${made.motion} ${made.defect} ${(1 / made.capture.sampleS / 1000).toFixed(1)} kS/s: ${[...codes].join(", ") || "nothing"} (${analysed[0]!.signal}, ${analysed[0]!.pulses} pulses, ${analysed[0]!.revolutions?.toFixed(1)} turns; word “${analysed[0]!.leading}”: ${sent})`,
    );
}

/** Whether the word under which the signal itself would enter the line-up is of what was wrong with the wheel. */
function sentWord(
  signal: ReturnType<typeof analyseCapture>[number],
  wanted: string | null,
  follows: (code: string) => boolean,
): keyof typeof words {
  if (!isUsable(signal)) return "unused";
  const { leading } = signal;
  const isOf = (code: FindingCode) => leading === code || leading === leadingWord([code]);
  const codes = signal.findings.map(({ code }) => code).filter((code) => !INNOCENT.has(code));
  const isLoss = ["signal-fallen", "signal-risen", "signal-lost", "signal-parked"].includes(leading);
  // Hash over whole pulses is no fault of the wheel.
  const isWhole = wanted === null || findingKind(wanted as FindingCode).as === "clean";
  if (leading === "clean") return isWhole ? "right" : "missed";
  if (wanted === null) return "wrong";
  if (isOf(wanted as FindingCode) || (isLoss && wanted === "random-dropout")) return "right";
  return codes.some((code) => follows(code) && isOf(code)) ? "right" : "wrong";
}

function fromField(one: number) {
  const { sensor, motion, defect, poles, sampleS, channels } = recording(one);
  return {
    family: sensor,
    motion,
    defect: defect as string,
    poles,
    bothEdges: poles,
    capture: { name: "outside", sampleS, startS: 0, channels },
  };
}

function fromShop(one: number) {
  const { family, sensor, motion, kind, teeth, text, file } = shopRecording(one);
  const capture = readCaptureFile(new TextEncoder().encode(text), file);
  const bothEdges = sensor === "width" || sensor === "three-level" ? 2 * teeth : teeth;
  return { family, motion, defect: faultOf(kind) ?? "clean", poles: teeth, bothEdges, capture };
}

function fromHands(one: number) {
  const { family, kind, poles, sampleS, channels } = handSpin(one);
  return {
    family,
    motion: kind === "rocked" ? "rest-to-rest" : "pushed",
    defect: kind === "rocked" ? "clean" : kind === "key-on" ? "key-on-transient" : kind,
    poles,
    bothEdges: poles,
    capture: { name: "outside", sampleS, startS: 0, channels },
  };
}

function fromPlain(one: number) {
  const { family, motion, defect, teeth, text, file } = plainRecording(one);
  const capture = readCaptureFile(new TextEncoder().encode(text), file);
  return { family, motion, defect: defect as string, poles: teeth, bothEdges: teeth, capture };
}

console.log(
  `${COUNT} recordings ${values.all ? "of four makers in turn" : values.hands ? "of wheels pushed by hand" : values.shop ? "of a noisy shop" : values.plain ? "by closed formulas" : "from fields and motion"}, seed ${seed}`,
);
const scores = [...tally].map(([code, { found, missed, wrong }]) => ({
  code,
  found,
  missed,
  wrong,
  f1: (2 * found) / Math.max(1, 2 * found + missed + wrong),
}));
for (const { code, f1, found, missed, wrong } of scores.sort((a, b) => a.code.localeCompare(b.code)))
  console.log(`${code.padEnd(20)} F1 ${f1.toFixed(3)}  found ${found}, missed ${missed}, false ${wrong}`);
// A code that is in none of these recordings has no F1; where it is named all the same, it is counted as false above.
const asked = scores.filter(({ found, missed }) => found + missed > 0);
console.log(`mean F1 ${(asked.reduce((sum, { f1 }) => sum + f1, 0) / Math.max(1, asked.length)).toFixed(3)}`);
console.log(
  `clean called clean ${shareWithInterval(cleanRight, clean)}, from rest to rest ${shareWithInterval(restRight, rest)}`,
);
const bins = [0, 0.5, 0.7, 0.8, 0.9, 0.95, 1.001].slice(0, -1).map((from, i, all) => {
  const own = said.filter(({ confidence }) => confidence >= from && confidence < (all[i + 1] ?? Infinity));
  const mean = own.reduce((sum, { confidence }) => sum + confidence, 0) / Math.max(1, own.length);
  return { own, mean, right: own.filter(({ right }) => right).length };
});
// Expected calibration error: how far what is said is from what is so, weighed by how often it is said.
const ece =
  bins.reduce((sum, { own, mean, right }) => sum + Math.abs(own.length * mean - right), 0) / Math.max(1, said.length);
console.log(`confidence of ${said.length} findings: ECE ${ece.toFixed(3)}`);
for (const { own, mean, right } of bins)
  if (own.length > 0) console.log(`  said ${mean.toFixed(2)}: so ${shareWithInterval(right, own.length)}`);
console.log(
  `word for the car: right ${shareWithInterval(words.right, COUNT)}, a wrong one ${words.wrong}, sound though it is not ${words.missed}, none ${words.unused}`,
);
console.log(
  `count right where one is named ${shareWithInterval(countRight, counted)}, named on ${counted} of ${COUNT}`,
);
