import { median } from "../units/median";
import { beyondInstrument } from "./disturbances";
import { isWheel } from "./motion";
import { findPulses } from "./pulses";
import { runningMean } from "./running-mean";
import { noiseByBends, signalShape } from "./signal";

/** A part of a recording that a pump's motor or a relay fills with hash, between parts that are quiet. */
export interface Loud {
  /** The recording with the hash evened out. */
  samples: Float32Array;
  /** RMS of the hash, volts. */
  rmsV: number;
  /** From where to where, in samples. */
  from: number;
  to: number;
}

/** Blocks so long, and with samples enough for a middle. */
const BLOCK_S = 0.01;
const LEAST_SAMPLES = 48;
const FEWEST_BLOCKS = 20;
const MOST_BLOCKS = 1000;
/** So much louder than a quiet block, and this part of the quiet signal. */
const LOUDER = 5;
const OF_SIGNAL = 0.06;
/** What is laid over a signal carries it past its own range; a wheel that turns faster does not, if it keeps its levels. */
const PAST_RANGE = 1.1;
/** All but so many of the quiet blocks are quiet to their ends. */
const AT_EDGE = 0.96;
/** Second differences of white noise turn about from one to the next (their correlation is −2/3); those of a wave do not. */
const TURNS_ABOUT = -0.2;
/** A motor runs for a while; less is a burst, more is the recording's own noise. */
const SHORTEST_S = 0.1;
const MOST_SHARE = 0.8;
/** Quiet blocks within a loud part. */
const BRIDGED = 3;
/** Evened out to so little of the signal, by a mean over at most so much of a pulse. */
const LEFT = 0.03;
const OF_A_PULSE = 0.3;
const OVER_STEP = 2;
const WIDTHS = [3, 5, 9, 17, 33, 65, 129];

/**
 * Finds a part of a recording far louder from sample to sample than the rest, and evens it out, so that the wheel can be
 * read on through it.
 * @returns null where no part is, or the whole is alike
 */
export function loudStretch(samples: Float32Array, sampleS: number): Loud | null {
  const length = Math.max(LEAST_SAMPLES, Math.round(BLOCK_S / sampleS), Math.ceil(samples.length / MOST_BLOCKS));
  const count = Math.floor(samples.length / length);
  if (count < FEWEST_BLOCKS) return null;
  const noises = Float64Array.from({ length: count }, (_, k) =>
    noiseByBends(bendsOf(samples, k * length, length).map(Math.abs)),
  );
  const quietV = noises.toSorted()[count >> 2]!;
  if (noises.every((noiseV) => noiseV <= LOUDER * quietV)) return null;
  const blocks = Array.from({ length: count }, (_, k) => blockOf(samples, k * length, length));
  const quiet = blocks.filter(({ noiseV }) => noiseV <= 2 * quietV);
  const most = quiet.map((one) => one.most).sort((a, b) => a - b);
  const least = quiet.map((one) => one.least).sort((a, b) => a - b);
  // A quiet block may end in the hash that begins beside it.
  const spanV = most[Math.floor(AT_EDGE * (most.length - 1))]! - least[Math.ceil((1 - AT_EDGE) * (least.length - 1))]!;
  const isLoud = ({ noiseV, turnsAbout }: Block) =>
    noiseV > Math.max(LOUDER * quietV, OF_SIGNAL * spanV) && turnsAbout < TURNS_ABOUT;
  const [first, last] = longestRun(blocks.map(isLoud));
  // It began and ended within the blocks beside it.
  const [from, to] = [Math.max(0, first - 1) * length, Math.min(count, last + 1) * length];
  const loud = blocks.slice(first, last);
  if ((to - from) * sampleS < SHORTEST_S || to - from > MOST_SHARE * samples.length) return null;
  const range = median(loud.map(({ least, most }) => most - least));
  const rmsV = median(loud.map(({ noiseV }) => noiseV));
  if (range < PAST_RANGE * spanV || !beyondInstrument(rmsV, samples)) return null;
  // A fast wave on a coarse converter goes by stairs, which are as loud as its steps.
  if (rmsV < OVER_STEP * smallestStep(samples, from, to)) return null;
  return { samples: evenedOut(samples, from, to, rmsV, spanV), rmsV, from, to };
}

/** Smallest step between samples next to each other. */
function smallestStep(samples: Float32Array, from: number, to: number): number {
  let least = Infinity;
  for (let i = from + 1; i < to; i++) {
    const step = Math.abs(samples[i]! - samples[i - 1]!);
    if (step > 1e-7 && step < least) least = step;
  }
  return least;
}

interface Block {
  noiseV: number;
  least: number;
  most: number;
  /** Correlation of each second difference with the next. */
  turnsAbout: number;
}

function blockOf(samples: Float32Array, start: number, length: number): Block {
  let [least, most] = [Infinity, -Infinity];
  for (let i = start; i < start + length; i++) {
    least = Math.min(least, samples[i]!);
    most = Math.max(most, samples[i]!);
  }
  const bends = bendsOf(samples, start, length);
  const square = bends.reduce((sum, bend) => sum + bend * bend, 0);
  const product = bends.reduce((sum, bend, i) => sum + bend * (bends[i + 1] ?? 0), 0);
  return { noiseV: noiseByBends(bends.map(Math.abs)), least, most, turnsAbout: square > 0 ? product / square : 0 };
}

/** Second differences in the middle of a block. */
function bendsOf(samples: Float32Array, start: number, length: number): Float64Array {
  const from = start + ((length - LEAST_SAMPLES) >> 1);
  return Float64Array.from(
    { length: LEAST_SAMPLES - 2 },
    (_, k) => samples[from + k]! - 2 * samples[from + k + 1]! + samples[from + k + 2]!,
  );
}

/** The longest run, a few that are not bridged. @returns first and, exclusive, last */
function longestRun(are: readonly boolean[]): [number, number] {
  let best: [number, number] = [0, 0];
  let [from, last] = [-1, -1];
  are.forEach((is, i) => {
    if (!is) return;
    if (from < 0 || i - last > BRIDGED + 1) from = i;
    last = i;
    if (last + 1 - from > best[1] - best[0]) best = [from, last + 1];
  });
  return best;
}

function evenedOut(samples: Float32Array, from: number, to: number, rmsV: number, spanV: number): Float32Array {
  const beside = from > samples.length - to ? samples.subarray(0, from) : samples.subarray(to);
  const pulses = findPulses(beside, signalShape(beside));
  const pulse = isWheel(pulses) ? median(pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at)) : Infinity;
  const wide = WIDTHS.filter((width) => width <= OF_A_PULSE * pulse && width < (to - from) / 2);
  const width = wide.find((one) => rmsV / Math.sqrt(one) < LEFT * spanV) ?? wide.at(-1);
  if (width === undefined) return samples;
  const evened = samples.slice();
  evened.set(runningMean(samples.subarray(from, to), width), from);
  return evened;
}
