import { findingSays } from "../checks/findings/findings";
import { t } from "../words/words";
import { median } from "../units/median";
import type { ChannelAnalysis } from "./analyse";

/** Wheels of one drive turn alike within this, tyre wear included (common practice, no source). */
const RHYTHM_SPREAD = 0.012;
/** Sizes of good sensors of one axle or car differ by up to this, as a share (judgement). */
const SIZE_SPREAD = 0.35;

/**
 * Three or more wheels recorded on one drive: which of them departs from the rest, and in what.
 * @returns one sentence for each that does; empty when all agree or fewer than three turn
 */
export function departing(channels: readonly ChannelAnalysis[]): string[] {
  const turning = channels.filter(({ pulses, signal }) => pulses >= 8 && signal !== "noise");
  if (turning.length < 3 - (channels.length >= 4 ? 1 : 0) || channels.length < 3) return [];
  const said: string[] = [];
  for (const one of channels) {
    const rest = turning.filter((other) => other !== one);
    if (rest.length < 2) continue;
    const usualHertz = median(rest.map(({ frequencyHz }) => frequencyHz?.median ?? NaN).filter(Number.isFinite));
    const usualSize = median(rest.map(({ peakToPeakV }) => peakToPeakV));
    if (!turning.includes(one)) {
      said.push(t`${one.name} shows no pulses while the others turn at ${usualHertz.toFixed(0)} Hz.`);
      continue;
    }
    const ratio = (one.frequencyHz?.median ?? NaN) / usualHertz;
    const size = one.peakToPeakV / usualSize;
    if (Math.abs(ratio - 1) > RHYTHM_SPREAD && agree(rest.map(({ frequencyHz }) => frequencyHz?.median ?? NaN)))
      said.push(
        t`${one.name} turns ${(Math.abs(ratio - 1) * 100).toFixed(1)} % ${ratio > 1 ? t`faster` : t`slower`} than the others: tyre or ring count, not electrics.`,
      );
    if (Math.abs(size - 1) > SIZE_SPREAD)
      said.push(
        t`${one.name} is ${size > 1 ? t`larger` : t`smaller`}: ${Math.round(100 * size)} % of the others' height.`,
      );
    const own = one.findings.filter(({ code }) =>
      rest.every(({ findings }) => findings.every((other) => other.code !== code)),
    );
    if (own.length > 0) said.push(t`Only ${one.name}: ${findingSays(own[0]!)}`);
  }
  return said;
}

function agree(hertz: readonly number[]): boolean {
  const middle = median([...hertz]);
  return hertz.every((value) => Math.abs(value / middle - 1) <= RHYTHM_SPREAD);
}
