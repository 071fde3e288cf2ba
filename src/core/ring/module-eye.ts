import { dropOutSpeedKmh, spacingFactor } from "./ring";

export interface ModuleEye {
  /** RMS volts at the reference speed with the gap as it is. */
  referenceRmsV: number;
  dropOutKmh: number;
  /** Km/h every 20 ms of an ordinary stop: the wheel's own and what the module sees of it. */
  stop: { timeS: number; trueKmh: number; seenKmh: number }[];
  /** The module would take the end of this stop for a locking wheel. */
  falseRelease: boolean;
}

const STOP_FROM_KMH = 25;
const BRAKING_MS2 = 2.5;
const STEP_S = 0.02;
/** A wheel cannot lose more than this without locking; about one and a half times gravity (judgement). */
const IMPOSSIBLE_MS2 = 15;
/** Under this speed modules no longer act (judgement from the 5 mph of the trade). */
const NO_ACTION_BELOW_KMH = 3;

/**
 * What a passive corner's module sees of a gentle stop. Output falls with the gap by Wallace's spacing law and in a
 * straight line with speed; under the threshold the module sees nothing.
 *
 * @param sensor RMS volts at `speedKmh` and at the nominal gap, tooth pitch and gaps in mm, threshold in volts peak
 */
export function moduleEye(sensor: {
  rmsV: number;
  speedKmh: number;
  nominalGapMm: number;
  gapMm: number;
  pitchMm: number;
  thresholdV: number;
}): ModuleEye {
  const referenceRmsV = sensor.rmsV * spacingFactor(sensor.nominalGapMm, sensor.gapMm, sensor.pitchMm);
  const dropOutKmh = dropOutSpeedKmh(referenceRmsV * Math.SQRT2, sensor.speedKmh, sensor.thresholdV);
  const stopS = STOP_FROM_KMH / 3.6 / BRAKING_MS2;
  const stop = Array.from({ length: Math.ceil(stopS / STEP_S) + 15 }, (_, i) => {
    const trueKmh = Math.max(0, STOP_FROM_KMH - 3.6 * BRAKING_MS2 * i * STEP_S);
    return { timeS: i * STEP_S, trueKmh, seenKmh: trueKmh > dropOutKmh ? trueKmh : 0 };
  });
  return {
    referenceRmsV,
    dropOutKmh,
    stop,
    falseRelease: dropOutKmh > NO_ACTION_BELOW_KMH && dropOutKmh / 3.6 / STEP_S > IMPOSSIBLE_MS2,
  };
}
