import { t } from "../words/words";
import type { Capture } from "../capture/capture";
import { tyreOf, rollingCircumferenceM, speedKmh } from "../tyre/tyre";
import type { ShownUnit } from "../capture/capture";
import { formatQuantity } from "../units/format";
import type { View } from "./view";

/** Times of two markers on a trace, in seconds. */
export interface Markers {
  aS: number;
  bS: number;
}

export interface MarkerReadout {
  /** From marker A to marker B, in seconds; negative when B stands before A. */
  deltaS: number;
  /** One over it: the frequency of something that lasts from A to B. */
  hertz: number | null;
  /** Whole pulses between them, and the mean frequency and speed those make. */
  pulses: number;
  meanHertz: number | null;
  speedKmh: number | null;
  aV: number;
  bV: number;
}

/**
 * What two markers on one channel say.
 * @param pulseTimesS the channel's pulses as the analysis found them
 * @param pulsesPerRevolution for the speed; null when the ring's count is not known
 */
export function markerReadout(
  { samples }: { samples: Float32Array },
  { sampleS, startS }: Pick<Capture, "sampleS" | "startS">,
  pulseTimesS: Float64Array,
  { aS, bS }: Markers,
  pulsesPerRevolution: number | null,
  tyre: string | undefined,
): MarkerReadout {
  const level = (timeS: number) =>
    samples[Math.max(0, Math.min(samples.length - 1, Math.round((timeS - startS) / sampleS)))]!;
  const deltaS = bS - aS;
  const [fromS, toS] = [Math.min(aS, bS), Math.max(aS, bS)];
  const between = pulseTimesS.filter((timeS) => timeS >= fromS && timeS <= toS);
  const pulses = Math.max(0, between.length - 1);
  const meanHertz = pulses > 0 ? pulses / (between.at(-1)! - between[0]!) : null;
  return {
    deltaS,
    hertz: deltaS === 0 ? null : 1 / Math.abs(deltaS),
    pulses,
    meanHertz,
    speedKmh:
      meanHertz && pulsesPerRevolution
        ? speedKmh(meanHertz, pulsesPerRevolution, rollingCircumferenceM(tyreOf(tyre)))
        : null,
    aV: level(aS),
    bV: level(bS),
  };
}

/** What a readout says, one phrase a quantity, beginning with the time between. @param unit of the channel */
export function markerWords(
  { deltaS, hertz, pulses, meanHertz, speedKmh, aV, bV }: MarkerReadout,
  unit: ShownUnit,
): string[] {
  return [
    t`Δt ${(1000 * deltaS).toFixed(2)} ms`,
    ...(hertz === null ? [] : [`1/Δt ${hertz.toFixed(1)} Hz`]),
    t`${pulses} pulses${meanHertz === null ? "" : t` at ${meanHertz.toFixed(1)} Hz`}`,
    ...(speedKmh === null ? [] : [t`${speedKmh.toFixed(1)} km/h`]),
    `Δ ${markerLevel(bV - aV, unit)}`,
  ];
}

/** A level at a marker, in the channel's own unit. */
export function markerLevel(value: number, unit: ShownUnit): string {
  return unit === "" ? value.toFixed(3) : formatQuantity(value, unit === "A" ? "amps" : "volts");
}

/** Two markers at the thirds of what is in view. */
export function markersIn([fromS, toS]: View): Markers {
  const third = (toS - fromS) / 3;
  return { aS: fromS + third, bS: toS - third };
}

/** One marker moved by a share of the view, kept within the recording. */
export function movedMarker(
  markers: Markers,
  which: keyof Markers,
  share: number,
  [fromS, toS]: View,
  whole: View,
): Markers {
  return movedTo(markers, which, markers[which] + share * (toS - fromS), whole);
}

/** One marker moved to a time, kept within the recording. */
export function movedTo(markers: Markers, which: keyof Markers, timeS: number, [first, last]: View): Markers {
  return { ...markers, [which]: Math.max(first, Math.min(last, timeS)) };
}

/** The marker that stands nearer to a time. */
export function nearerMarker({ aS, bS }: Markers, timeS: number): keyof Markers {
  return Math.abs(timeS - aS) <= Math.abs(timeS - bS) ? "aS" : "bS";
}
