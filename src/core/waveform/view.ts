import type { ChannelAnalysis } from "./analyse";
import type { Finding } from "./finding";
import type { RingRaster } from "./raster";

/** A stretch of a recording, in seconds. */
export type View = readonly [fromS: number, toS: number];

/** Pulses shown on either side of a short finding. */
const PULSES_BESIDE = 12;
/** Without a known rhythm this many seconds. */
const BESIDE_S = 0.12;

/** A finding with room on both sides, within the recording. */
export function viewOfFinding({ startS, endS }: Finding, { frequencyHz }: ChannelAnalysis, whole: View): View {
  const beside = frequencyHz ? PULSES_BESIDE / frequencyHz.median : BESIDE_S;
  const margin = Math.max(0.5 * (endS - startS), beside);
  return [Math.max(whole[0], startS - margin), Math.min(whole[1], endS + margin)];
}

/** One revolution of the raster; the last, cut-off one still gets a stretch to look at. */
export function viewOfTurn({ rowStartS }: RingRaster, row: number, sampleS: number): View {
  return [rowStartS[row]!, Math.max(rowStartS[row + 1]!, rowStartS[row]! + 50 * sampleS)];
}

/** The revolution in which a finding begins. */
export function turnOf({ rowStartS }: RingRaster, { startS }: Finding): number {
  return Math.max(
    0,
    rowStartS.findLastIndex((time) => time <= startS),
  );
}

/** Findings about one place, fit to be shaded; those about the whole recording would shade everything. */
export function localFindings(findings: readonly Finding[], whole: View): Finding[] {
  return findings.filter(({ startS, endS }) => endS - startS < 0.5 * (whole[1] - whole[0]));
}

/** Less of its level than this is an instrument's noise, which drawn over the whole height would pass for a signal (judgement). */
const LEAST_OF_LEVEL = 0.1;
const LEAST_V = 0.05;

/** Such an axis has so many steps. */
export const AXIS_STEPS = 4;

/**
 * The ends of a trace's vertical axis, in its own unit, where what was recorded is too little to fill it; null where it is not.
 * @param inVolts a least height in volts is held to as well
 */
export function axisEnds(low: number, high: number, inVolts: boolean): [from: number, to: number] | null {
  const least = Math.max(LEAST_OF_LEVEL * Math.max(Math.abs(low), Math.abs(high)), inVolts ? LEAST_V : 0);
  if (!Number.isFinite(high - low) || high - low >= least) return null;
  const step = roundStep(least / 2);
  const middle = Math.round((low + high) / 2 / step);
  return [(middle - AXIS_STEPS / 2) * step, (middle + AXIS_STEPS / 2) * step];
}

/** The next of 1, 2, 5, 10 …: ends at whole steps of it have their ticks there too. */
function roundStep(least: number): number {
  const ten = 10 ** Math.floor(Math.log10(least));
  return ten * [1, 2, 5, 10].find((times) => times * ten >= least)!;
}
