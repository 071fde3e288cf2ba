/**
 * A watch of hours over a sound input, faster than the hours themselves: what the page does each second of it (blocks laid
 * in, the last seconds taken out, analysed, looked at) on two wheels at 48 kHz of a world that is not ours.
 * usage: npm run bench:watch -- [HOURS] [--seed N]
 * Prints what was caught of the openings injected, what was caught beside them, whether the envelope holds every
 * sample, what the page's own thread is held by, and the memory kept.
 */
import { randomInt } from "node:crypto";
import { coarser } from "../src/core/capture/coarser";
import { Rolling } from "../src/core/capture/rolling";
import { Watch } from "../src/core/capture/watch";
import { analyseCapture } from "../src/core/waveform/analyse";
import { HoursOfWheels, RATE_HZ, TEETH } from "./outside/hours";
import { shareWithInterval } from "./wilson";

/** As the page: seconds kept, seconds looked at, samples a block. */
const [KEPT_S, LOOKED_S, BLOCK] = [30, 5, 1024];
/** A moment is an opening's when it is within this of it; openings nearer than that are one. */
const NEAR_S = 1;
const QUIET_S = 2;

const seedAt = process.argv.indexOf("--seed");
const seed = seedAt > 0 ? Number(process.argv[seedAt + 1]) : randomInt(1_000_000);
const hours = Number(process.argv[2]) || 4;
const seconds = Math.round(hours * 3600);
console.log(`${hours} h of two wheels at ${RATE_HZ} Hz, seed ${seed}`);

const world = new HoursOfWheels(seed);
const rolling = new Rolling(["signal", "other side"], 1 / RATE_HZ, KEPT_S);
const watch = new Watch();
const truth = { least: [] as number[], greatest: [] as number[] };
const memory = () => {
  globalThis.gc?.();
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return (heapUsed + arrayBuffers) / 1e6;
};
const before = memory();
let [most, pageMs, longestPageMs, workerMs] = [0, 0, 0, 0];
const began = performance.now();
for (let second = 0; second < seconds; second++) {
  const made = world.next(RATE_HZ);
  truth.least.push(made[0]!.reduce((low, value) => Math.min(low, value), Infinity));
  truth.greatest.push(made[0]!.reduce((high, value) => Math.max(high, value), -Infinity));
  for (let at = 0; at < RATE_HZ; at += BLOCK) rolling.lay(made.map((one) => one.subarray(at, at + BLOCK)));
  let from = performance.now();
  const last = rolling.last(LOOKED_S, "sound input")!;
  let page = performance.now() - from;
  from = performance.now();
  const channels = analyseCapture(coarser(last), { pulses: TEETH, tyre: "205/55R16", family: "passive" });
  workerMs += performance.now() - from;
  from = performance.now();
  watch.look(
    last,
    channels.flatMap(({ findings }) => findings),
  );
  page += performance.now() - from;
  pageMs += page;
  longestPageMs = Math.max(longestPageMs, page);
  if (second % 600 === 599) most = Math.max(most, memory() - before);
}
const tookS = (performance.now() - began) / 1000;

const apart = world.openings.filter(({ startS }, i) => i === 0 || startS - world.openings[i - 1]!.endS > QUIET_S);
const isNear = ({ startS, endS }: { startS: number; endS: number }, at: { startS: number; endS: number }) =>
  startS < at.endS + NEAR_S && at.startS < endS + NEAR_S;
const told = apart.filter(({ endS }) => endS < seconds - LOOKED_S);
const caught = told.filter((one) => watch.caught.some((at) => isNear(one, at)));
const beside = watch.caught.filter((at) => !world.openings.some((one) => isNear(one, at)));
const whole = watch.least[0]!.filter(
  (low, second) =>
    low === Math.fround(truth.least[second]!) && watch.greatest[0]![second] === Math.fround(truth.greatest[second]!),
).length;
console.log(`openings caught          ${shareWithInterval(caught.length, told.length)}`);
for (const one of told.filter((one) => !caught.includes(one)))
  console.log(`  missed at ${one.startS.toFixed(2)} s, open for ${(1000 * (one.endS - one.startS)).toFixed(0)} ms`);
console.log(`caught beside them       ${beside.length}, ${(beside.length / hours).toFixed(2)} an hour`);
for (const { code, startS, endS } of beside) console.log(`  ${code} at ${startS.toFixed(2)}–${endS.toFixed(2)} s`);
console.log(`seconds whole in the envelope  ${whole} of ${seconds}`);
console.log(
  `took                     ${tookS.toFixed(0)} s, ${(seconds / tookS).toFixed(1)} × real time, its own recording included`,
);
console.log(
  `the page's own thread    ${(pageMs / seconds).toFixed(1)} ms a look, ${longestPageMs.toFixed(0)} ms at most`,
);
console.log(`the worker's             ${(workerMs / seconds).toFixed(0)} ms a look`);
console.log(`memory kept              ${most.toFixed(0)} MB more than before it began`);
