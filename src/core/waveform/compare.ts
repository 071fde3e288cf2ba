import { t } from "../words/words";
import type { ChannelAnalysis } from "./analyse";
import type { RingRaster } from "./raster";

/** One line of a comparison: what, both values as numbers, and whether they agree within what is usual. */
export interface Compared {
  what: string;
  unit: string;
  before: number;
  after: number;
  agrees: boolean;
  say: string;
}

/** Two recordings held together: levels, duty, size for speed, and the ring's own pattern at its best alignment. */
export function compareCaptures(
  before: { channel: ChannelAnalysis; raster: RingRaster | null },
  after: { channel: ChannelAnalysis; raster: RingRaster | null },
): Compared[] {
  const list: Compared[] = [];
  const [a, b] = [before.channel, after.channel];
  const add = (what: string, unit: string, one: number | null, other: number | null, within: number) => {
    if (one === null || other === null || !Number.isFinite(one) || !Number.isFinite(other)) return;
    const agrees = Math.abs(other - one) <= within;
    list.push({ what, unit, before: one, after: other, agrees, say: agrees ? "alike" : "differs" });
  };
  if (a.signal === "two-level" && b.signal === "two-level") {
    add(t`low level`, "V", a.levels.lowV, b.levels.lowV, 0.08 * Math.max(0.5, Math.abs(a.levels.lowV)));
    add(t`high level`, "V", a.levels.highV, b.levels.highV, 0.08 * Math.max(0.5, Math.abs(a.levels.highV)));
    add(t`high share of a pulse`, "%", a.dutyPct, b.dutyPct, 6);
  } else if (a.speedKmh && b.speedKmh) {
    const size = (one: ChannelAnalysis) => (1000 * one.peakToPeakV) / one.speedKmh!.max;
    add(t`size for speed`, t`mV per km/h`, size(a), size(b), 0.25 * size(a));
  }
  add(t`pulses missing a turn`, "", missingATurn(before.raster), missingATurn(after.raster), 0.5);
  if (before.raster && after.raster && before.raster.columns === after.raster.columns) {
    const match = patternMatch(before.raster.meanDeviation, after.raster.meanDeviation);
    list.push({
      what: t`ring pattern`,
      unit: "",
      before: 1,
      after: match,
      agrees: match > SAME_RING,
      say: match > SAME_RING ? t`the same ring` : t`not the same ring, or too even to tell`,
    });
  }
  return list;
}

/** Correlation from which two patterns are one ring's (judgement; chance alone gives about 3/√N). */
const SAME_RING = 0.65;

function missingATurn(raster: RingRaster | null): number | null {
  return raster && raster.missingShare.reduce((sum, share) => sum + share, 0);
}

/** Largest correlation of two per-tooth patterns over all rotations. */
export function patternMatch(one: Float32Array, other: Float32Array): number {
  let best = -1;
  for (let shift = 0; shift < one.length; shift++) {
    let [dot, a, b] = [0, 0, 0];
    for (let t = 0; t < one.length; t++) {
      const [x, y] = [one[t]!, other[(t + shift) % one.length]!];
      if (Number.isNaN(x) || Number.isNaN(y)) continue;
      dot += x * y;
      a += x * x;
      b += y * y;
    }
    if (a > 0 && b > 0) best = Math.max(best, dot / Math.sqrt(a * b));
  }
  return best;
}
