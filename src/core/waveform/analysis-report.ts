import { findingSays } from "../checks/findings/findings";
import type { ChannelAnalysis } from "./analyse";

/** The contract's fields, rounded to what a reader can use. */
export function analysisReport(one: ChannelAnalysis) {
  const round = (value: number, digits = 4) => Number(value.toPrecision(digits));
  const range = (values: ChannelAnalysis["frequencyHz"]) =>
    values && { min: round(values.min), median: round(values.median), max: round(values.max) };
  return {
    name: one.name,
    signal: one.signal,
    levels: { lowV: round(one.levels.lowV), highV: round(one.levels.highV) },
    peakToPeakV: round(one.peakToPeakV),
    dutyPct: one.dutyPct === null ? null : round(one.dutyPct, 3),
    frequencyHz: range(one.frequencyHz),
    speedKmh: range(one.speedKmh),
    pulses: one.pulses,
    pulsesPerRevolution: one.pulsesPerRevolution,
    revolutions: one.revolutions === null ? null : Math.floor(one.revolutions),
    ...(one.frames ? { frames: one.frames } : {}),
    ...(one.widths ? { widths: one.widths.map(({ us, count }) => ({ us: round(us, 3), count })) } : {}),
    ...(one.warnings.length > 0 ? { warnings: one.warnings } : {}),
    findings: one.findings.map((finding) => {
      const { code, ringLocked, tooth, count, withSignal, size } = finding;
      return {
        code,
        confidence: round(finding.confidence, 2),
        ringLocked,
        // What a kind of finding has not is undefined, and no field of the file.
        ...{ tooth, count, withSignal, size },
        startS: round(finding.startS, 6),
        endS: round(finding.endS, 6),
        say: findingSays(finding),
      };
    }),
  };
}
