/** Bursts that ignition or a switching pump throws onto a lead: short, far past the signal to both sides. */
export interface Impulses {
  /** The recording with them bridged. */
  samples: Float32Array;
  count: number;
  /** RMS of what was taken out, volts. */
  rmsV: number;
}

/** A burst rings out within this (from memory: an ignition's ring lasts some 0.5 to 1 ms). */
const BURST_S = 0.0015;
/** What the signal itself does is read in so many blocks on either side, those next to it left out. */
const BESIDE = 8;
/** So many of those blocks may hold bursts of their own. */
const OTHER_BURSTS = 3;
/** Past what the signal does, as a part of it. */
const PAST = 0.3;
/** Where the signal stands still beside it, of the whole range. */
const OF_RANGE = 0.12;
/** What noise reaches once in a recording, RMS times this, is no burst. */
const OVER_NOISE = 7;
/** Fewer are single spikes, a probe's. */
const FEWEST = 7;
/** An idling engine fires more often, a pump switches more often (from memory). */
const PER_SECOND = 4;
/** An engine or a pump runs through most of a recording; a wire that chatters does so now and then. */
const MOST_TENTHS = 7;
/** So much of them to either side, of their number and of how far they go: a filter's own overshoot goes a tenth (from memory). */
const BOTH_SIDES = 0.2;
/** More than this part of a recording is no burst. */
const MOST_SHARE = 0.25;

/**
 * Finds bursts by blocks as long as one: a block goes past the least or the greatest that the blocks before and behind it
 * hold. A level that changes stays; pulses and losses go to one side only, what rings goes to both.
 * @param noiseV RMS of the sample-to-sample noise
 * @returns null where there are none, or few
 */
export function impulses(samples: Float32Array, sampleS: number, noiseV: number): Impulses | null {
  if (samples.length > 2 * ENOUGH && !somewhere(samples, sampleS, noiseV)) return null;
  const length = Math.max(4, Math.round(BURST_S / sampleS));
  const count = Math.floor(samples.length / length);
  if (count < 4 * BESIDE) return null;
  const [least, most] = extremesByBlock(samples, length, count);
  const range = most.reduce((a, b) => Math.max(a, b)) - least.reduce((a, b) => Math.min(a, b));
  const leastGuard = Math.max(PAST * OF_RANGE * range, OVER_NOISE * noiseV);
  const hit: Hit[] = [];
  for (let block = BESIDE + 1; block < count - BESIDE - 1; block++) {
    // Nearly all blocks go no further than those two away, and need no second look.
    const above = most[block]! - Math.max(most[block - 2]!, most[block + 2]!) > leastGuard;
    const below = Math.min(least[block - 2]!, least[block + 2]!) - least[block]! > leastGuard;
    if (!above && !below) continue;
    const low = extremeBeside(least, block, false);
    const high = extremeBeside(most, block, true);
    const guard = Math.max(PAST * (high - low), leastGuard);
    const [under, over] = [low - least[block]!, most[block]! - high].map((past) => (past > guard ? past : 0));
    if ((under! > 0 || over! > 0) && isSharp(samples, block, length, guard))
      hit.push({ block, low: low - guard / 3, high: high + guard / 3, under: under!, over: over! });
  }
  const bursts = hit.filter(({ block }, i) => i === 0 || block > hit[i - 1]!.block + 1);
  const times = (side: "under" | "over") => hit.filter((one) => one[side] > 0).length;
  const far = (side: "under" | "over") => hit.reduce((sum, one) => sum + one[side], 0);
  if (Math.min(times("under"), times("over")) < BOTH_SIDES * hit.length) return null;
  if (Math.min(far("under"), far("over")) < BOTH_SIDES * Math.max(far("under"), far("over"))) return null;
  if (bursts.length < Math.max(FEWEST, PER_SECOND * samples.length * sampleS) || hit.length > MOST_SHARE * count)
    return null;
  const tenths = new Set(bursts.map(({ block }) => Math.floor((10 * block) / count))).size;
  return tenths < MOST_TENTHS ? null : { ...bridged(samples, hit, length), count: bursts.length };
}

interface Hit {
  block: number;
  /** What the signal beside it keeps to. */
  low: number;
  high: number;
  /** How far it goes past that, volts. */
  under: number;
  over: number;
}

/** Of a long recording so many samples tell whether there is anything to look for: bursts run through most of it. */
const ENOUGH = 400_000;

function somewhere(samples: Float32Array, sampleS: number, noiseV: number): boolean {
  return [0.15, 0.45, 0.75].some((from) => {
    const start = Math.floor(from * samples.length);
    return impulses(samples.subarray(start, start + ENOUGH), sampleS, noiseV) !== null;
  });
}

/** The least or greatest of the blocks beside one, those of other bursts left out. */
function extremeBeside(of: Float32Array, block: number, greatest: boolean): number {
  const beside = new Float32Array(2 * BESIDE);
  for (let k = 0; k < BESIDE; k++) {
    beside[k] = of[block - 2 - k]!;
    beside[k + BESIDE] = of[block + 2 + k]!;
  }
  beside.sort();
  return beside[greatest ? beside.length - 1 - OTHER_BURSTS : OTHER_BURSTS]!;
}

/** Whether a sample of the block is off the middle of those a fifth of a burst before and behind it: no wheel's wave bends so. */
function isSharp(samples: Float32Array, block: number, length: number, guard: number): boolean {
  const beside = Math.max(1, Math.round(length / 5));
  for (let i = block * length; i < (block + 1) * length; i++)
    if (Math.abs(samples[i]! - (samples[i - beside]! + samples[i + beside]!) / 2) > guard) return true;
  return false;
}

function extremesByBlock(samples: Float32Array, length: number, count: number): [Float32Array, Float32Array] {
  const [least, most] = [new Float32Array(count), new Float32Array(count)];
  for (let block = 0; block < count; block++) {
    let [low, high] = [Infinity, -Infinity];
    for (let i = block * length; i < (block + 1) * length; i++) {
      const value = samples[i]!;
      if (value < low) low = value;
      if (value > high) high = value;
    }
    least[block] = low;
    most[block] = high;
  }
  return [least, most];
}

/** A straight line from before each burst to behind it. */
function bridged(recorded: Float32Array, hit: readonly Hit[], length: number): { samples: Float32Array; rmsV: number } {
  const samples = recorded.slice();
  const tail = Math.max(1, length >> 2);
  let [square, taken] = [0, 0];
  for (const { block, low, high } of hit) {
    const [start, end] = [block * length, Math.min(samples.length, (block + 1) * length)];
    let [from, to] = [-1, -1];
    for (let i = start; i < end; i++)
      if (samples[i]! < low || samples[i]! > high) {
        if (from < 0) from = i;
        to = i;
      }
    if (from < 0) continue;
    const [before, after] = [Math.max(0, from - 2), Math.min(samples.length - 1, to + tail)];
    for (let i = before + 1; i < after; i++) {
      const line = samples[before]! + ((samples[after]! - samples[before]!) * (i - before)) / (after - before);
      square += (samples[i]! - line) ** 2;
      taken++;
      samples[i] = line;
    }
  }
  return { samples, rmsV: Math.sqrt(square / Math.max(1, taken)) };
}
