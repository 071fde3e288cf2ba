import { thin, type ThinTrace } from "./thin";

/** Samples in one stretch of the finest level. */
const FINEST = 64;
/** Stretches of one level in one stretch of the next. */
const FACTOR = 4;

/**
 * A recording's least and greatest sample over stretches of 64, 256, 1024 … samples, made in one pass, so that any
 * view of it is drawn from a few thousand numbers however long it is.
 */
export class TracePyramid {
  private readonly samples: Float32Array;
  private readonly sampleS: number;
  private readonly startS: number;
  private readonly levels: { stretch: number; least: Float32Array; greatest: Float32Array }[] = [];

  constructor(samples: Float32Array, sampleS: number, startS: number) {
    this.samples = samples;
    this.sampleS = sampleS;
    this.startS = startS;
    let level = finest(samples);
    this.levels.push(level);
    while (level.least.length > 4 * FACTOR) this.levels.push((level = coarser(level)));
  }

  /** What lies between two times, at about `points` points, no spike lost. */
  view(fromS: number, toS: number, points: number): ThinTrace {
    const { samples, sampleS, startS } = this;
    const from = Math.max(0, Math.round((fromS - startS) / sampleS) - 1);
    const to = Math.min(samples.length, Math.round((toS - startS) / sampleS) + 2);
    const wanted = (2 * Math.max(0, to - from)) / points;
    const level = this.levels.findLast(({ stretch }) => stretch <= wanted);
    if (!level) return thin(samples.subarray(from, to), sampleS, startS + from * sampleS, points);
    const { stretch, least, greatest } = level;
    const together = Math.max(1, Math.round(wanted / stretch));
    const out: ThinTrace = [];
    for (let i = Math.floor(from / stretch); i * stretch < to; i += together) {
      let [low, high] = [Infinity, -Infinity];
      for (let k = i; k < Math.min(least.length, i + together); k++) {
        if (least[k]! < low) low = least[k]!;
        if (greatest[k]! > high) high = greatest[k]!;
      }
      if (low > high) continue;
      out.push([startS + i * stretch * sampleS, low], [startS + (i + together / 2) * stretch * sampleS, high]);
    }
    return out;
  }
}

function finest(samples: Float32Array) {
  const count = Math.ceil(samples.length / FINEST);
  const [least, greatest] = [new Float32Array(count), new Float32Array(count)];
  for (let i = 0; i < count; i++) {
    const end = Math.min(samples.length, (i + 1) * FINEST);
    let low = samples[i * FINEST]!;
    let high = low;
    for (let at = i * FINEST + 1; at < end; at++) {
      const value = samples[at]!;
      if (value < low) low = value;
      if (value > high) high = value;
    }
    least[i] = low;
    greatest[i] = high;
  }
  return { stretch: FINEST, least, greatest };
}

function coarser(fine: { stretch: number; least: Float32Array; greatest: Float32Array }) {
  const count = Math.ceil(fine.least.length / FACTOR);
  const [least, greatest] = [new Float32Array(count), new Float32Array(count)];
  for (let i = 0; i < count; i++) {
    const own = fine.least.subarray(i * FACTOR, (i + 1) * FACTOR);
    const top = fine.greatest.subarray(i * FACTOR, (i + 1) * FACTOR);
    least[i] = Math.min(...own);
    greatest[i] = Math.max(...top);
  }
  return { stretch: fine.stretch * FACTOR, least, greatest };
}
