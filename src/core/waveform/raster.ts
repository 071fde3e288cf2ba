import type { Capture } from "../capture/capture";
import { cameToRest } from "./came-to-rest";
import { pulseList } from "./pulse-list";
import { countedThroughPushes, isMissing, rhythmOf } from "./pulses";
import { sinceKeyOn } from "./supply";

/** A capture folded over its ring: one row a revolution, one column a tooth. */
export interface RingRaster {
  columns: number;
  rows: number;
  /** deviation[row * columns + tooth]: period over the usual one less 1; NaN where nothing was recorded, 0 before a gap. */
  deviation: Float32Array;
  /** 1 where the pulse is missing. */
  missing: Uint8Array;
  /** 1 where the wheel stood, jerked or stopped: set aside, neither good nor bad. */
  aside: Uint8Array;
  /** When each row begins, seconds; one more than rows. */
  rowStartS: Float64Array;
  /** Share of the turns that reached it on which the tooth is missing; NaN where none did. */
  missingShare: Float32Array;
  /** The tooth under the sensor where the wheel came to rest, and give or take how many. */
  lastTooth: number;
  lastWithin: number;
  /** Pulses a second at the end over the fastest: near 0 when the wheel was let run out. */
  endSpeedShare: number;
}

const BESIDE = 2;

/** Folds one channel over its ring. @returns null when there are too few pulses for half a turn */
export function ringRaster(
  recorded: Capture,
  channel: number,
  pulsesPerRevolution: number,
  options: { family?: string } = {},
): RingRaster | null {
  const { capture } = sinceKeyOn(recorded);
  const { sampleS, channels } = capture;
  const { pulses, startS, shape } = pulseList(channels[channel]!, capture, options);
  if (pulses.length < pulsesPerRevolution / 2 || pulses.length < 8) return null;
  const { ratios, deviations, teeth, periods, motion } = countedThroughPushes(rhythmOf(pulses), pulsesPerRevolution);
  const columns = pulsesPerRevolution;
  const rows = Math.floor(teeth.at(-1)! / columns) + 1;
  const deviation = new Float32Array(rows * columns).fill(NaN);
  const missing = new Uint8Array(rows * columns);
  const aside = new Uint8Array(rows * columns);
  ratios.forEach((ratio, i) => {
    // What the ring is judged by: the same periods count, and the same are set aside. Beside a gap nothing can be told of one.
    const own = deviations[i]!;
    const gapNear = ratios.subarray(Math.max(0, i - BESIDE), i + BESIDE + 1).some(isMissing);
    aside[teeth[i]!] = motion.aside[i]! || Number(Number.isNaN(own) && !gapNear);
    deviation[teeth[i]!] = isMissing(ratio) || Number.isNaN(own) ? 0 : own;
    for (let lost = teeth[i]! + 1; lost < teeth[i + 1]!; lost++) missing[lost] = 1;
  });
  const rowStartS = new Float64Array(rows + 1);
  let pulse = 0;
  for (let row = 0; row <= rows; row++) {
    while (pulse < pulses.length - 1 && teeth[pulse]! < row * columns) pulse++;
    rowStartS[row] = startS + pulses[pulse]!.at * sampleS;
  }
  const rest = cameToRest(periods, teeth, shape.kind === "sine");
  const fastest = periods.reduce((least, period) => Math.min(least, period), Infinity);
  return {
    columns,
    rows,
    deviation,
    missing,
    aside,
    rowStartS,
    missingShare: columnMeans(
      deviation.map((value, i) => missing[i] || (Number.isNaN(value) ? NaN : 0)),
      rows,
      columns,
    ),
    lastTooth: ((rest.teeth % columns) + columns) % columns,
    lastWithin: rest.within,
    endSpeedShare: fastest / (periods.at(-1) ?? Infinity),
  };
}

/** Where the wheel has to be turned so that a tooth stands at the sensor, as a person at the hub would do it. */
export interface PaintMark {
  /** Teeth to turn on, in the direction it was spun. */
  teethOn: number;
  degreesOn: number;
  /** Give or take so many teeth. */
  within: number;
  /** The wheel ran out and still stands where the recording left it. */
  fromStandstill: boolean;
}

/** @param tooth counted from 1, as findings name it */
export function paintMark({ columns, lastTooth, lastWithin, endSpeedShare }: RingRaster, tooth: number): PaintMark {
  const fromStandstill = endSpeedShare < RAN_OUT;
  const from = fromStandstill ? lastTooth : 0;
  const teethOn = (tooth - 1 - from + columns) % columns;
  const within = fromStandstill ? lastWithin : 0;
  return { teethOn, degreesOn: Math.round((360 * teethOn) / columns), within, fromStandstill };
}

/** A spin that ends under this part of its fastest speed was let run out. */
const RAN_OUT = 0.35;

function columnMeans(values: Float32Array, rows: number, columns: number): Float32Array {
  return Float32Array.from({ length: columns }, (_, column) => {
    let [sum, count] = [0, 0];
    for (let row = 0; row < rows; row++) {
      const value = values[row * columns + column]!;
      if (Number.isNaN(value)) continue;
      sum += value;
      count++;
    }
    return count > 0 ? sum / count : NaN;
  });
}
