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
const BESIDE = 5;
/** Past what the signal does, as a part of it. */
const PAST = 0.3;
/** Where the signal stands still beside it, of the whole range. */
const OF_RANGE = 0.12;
/** Fewer are single spikes, a probe's. */
const FEWEST = 7;
/** More than this part of a recording is no burst. */
const MOST_SHARE = 0.25;

/**
 * Finds bursts by blocks as long as one: a block goes past both the least and the greatest that the blocks before and
 * behind it hold. A level that changes stays; a pulse goes to one side only.
 * @returns null where there are none, or few
 */
export function impulses(samples: Float32Array, sampleS: number): Impulses | null {
  const length = Math.max(4, Math.round(BURST_S / sampleS));
  const count = Math.floor(samples.length / length);
  if (count < 4 * BESIDE) return null;
  const [least, most] = extremesByBlock(samples, length, count);
  const range = most.reduce((a, b) => Math.max(a, b)) - least.reduce((a, b) => Math.min(a, b));
  const hit: { block: number; low: number; high: number }[] = [];
  for (let block = BESIDE + 1; block < count - BESIDE - 1; block++) {
    let [low, high] = [Infinity, -Infinity];
    for (let away = 2; away <= BESIDE + 1; away++)
      for (const at of [block - away, block + away]) {
        low = Math.min(low, least[at]!);
        high = Math.max(high, most[at]!);
      }
    const guard = PAST * Math.max(high - low, OF_RANGE * range);
    // A burst may lie across the border of two blocks, its one swing in either.
    const [own, next] = [
      Math.min(least[block]!, least[block + 1]!) < low - guard,
      Math.max(most[block]!, most[block + 1]!) > high + guard,
    ];
    if (own && next) hit.push({ block, low: low - guard / 3, high: high + guard / 3 });
  }
  const bursts = hit.filter(({ block }, i) => i === 0 || block > hit[i - 1]!.block + 1).length;
  if (bursts < FEWEST || 2 * hit.length > MOST_SHARE * count) return null;
  return { ...bridged(samples, hit, length), count: bursts };
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
function bridged(
  recorded: Float32Array,
  hit: readonly { block: number; low: number; high: number }[],
  length: number,
): { samples: Float32Array; rmsV: number } {
  const samples = recorded.slice();
  const tail = Math.max(1, length >> 2);
  let [square, taken] = [0, 0];
  for (const { block, low, high } of hit) {
    const [start, end] = [block * length, Math.min(samples.length, (block + 2) * length)];
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
