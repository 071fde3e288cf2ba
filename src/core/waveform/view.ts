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
