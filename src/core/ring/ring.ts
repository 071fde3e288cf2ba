import { normalCdf } from "../random/normal-cdf";
/** A toothed ring or magnetic encoder and how the sensor stands to it. */
export interface RingCondition {
  pulses: number;
  diameterMm: number;
  gapMm: number;
  /** The gap at which the sensor's output is quoted. */
  nominalGapMm: number;
  /** Teeth or pole pairs gone, counted from `start`. */
  missing: { start: number; count: number } | null;
  /** A crack widens one tooth space by this fraction of a pitch. */
  crack: { tooth: number; pitches: number } | null;
  /** One tooth higher or lower than the rest, as a factor on its height, with a shift of its edge in pitches. */
  odd: { tooth: number; height: number; shift: number } | null;
  /** Field or tooth height all round, as a fraction of a good ring's: packed with debris, less of either is left. */
  strength: number;
  /** Once-per-turn runout in mm of gap. */
  runoutMm: number;
  /** What of the runout is bearing play: it shows while the car's weight or a hand works on it, not to a gauge on a ring turned gently. */
  playMm: number;
  /** Spread of the single teeth or poles: relative standard deviation of height. */
  heightSpread: number;
  /** Spread of tooth places in pitches. */
  pitchSpread: number;
  /** Pulses counted per turn against what the module expects; 1 for the right ring. */
  countRatio: number;
  /** The field does not change at all: encoder fitted back to front, or no ring. */
  absent: boolean;
  /** Share of time for which bearing play or a loose sensor opens the gap beyond use. */
  wobble: number;
}

export function nominalRing(pulses: number): RingCondition {
  return {
    pulses,
    diameterMm: 100,
    gapMm: 0.5,
    nominalGapMm: 0.5,
    missing: null,
    crack: null,
    odd: null,
    strength: 1,
    runoutMm: 0.03,
    playMm: 0,
    heightSpread: 0.02,
    pitchSpread: 0.006,
    countRatio: 1,
    absent: false,
    wobble: 0,
  };
}

/** Tooth or pole-pair pitch in mm: λ = π·D / N. */
export function pitchMm({ diameterMm, pulses }: RingCondition): number {
  return (Math.PI * diameterMm) / pulses;
}

/**
 * How much of the field is left when the gap grows from one width to another: exp(−2π·Δg/λ), the spacing loss of
 * 54.6 dB per wavelength (R. L. Wallace, Bell System Technical Journal 30, 1951, pp. 1145–1173).
 */
export function spacingFactor(gapFromMm: number, gapToMm: number, wavelengthMm: number): number {
  return Math.exp((-2 * Math.PI * (gapToMm - gapFromMm)) / wavelengthMm);
}

/** Field strength at the sensor against that at its nominal gap. */
export function fieldFactor(ring: RingCondition): number {
  if (ring.absent) return 0;
  return ring.strength * spacingFactor(ring.nominalGapMm, ring.gapMm, pitchMm(ring));
}

/** A passive sensor's output at nominal gap: 0.65 V at 5 mph, a straight line in speed (common practice, no source). */
export const PASSIVE_REFERENCE = { volts: 0.65, speedKmh: 8.04672 } as const;

/**
 * What sound coils give, as parts of that maker's: log-normal. Others accept 0.1 V at one turn a second, which is 0.18 of it
 * (from memory), so that one in forty gives less.
 */
export const SOUND_COILS = { log: Math.log(0.65), spread: 0.65 } as const;

/** RMS volts a passive coil induces: Faraday's law makes it proportional to speed, the gap takes its exponential share. */
export function coilRmsV(ring: RingCondition, speedKmh: number, outputFactor: number): number {
  return ((PASSIVE_REFERENCE.volts * speedKmh) / PASSIVE_REFERENCE.speedKmh) * outputFactor * fieldFactor(ring);
}

/** Speed in km/h under which a passive signal falls below the module's threshold: v_drop = v_ref·(V_threshold / V_ref). */
export function dropOutSpeedKmh(referenceV: number, referenceSpeedKmh: number, thresholdV: number): number {
  return referenceV <= 0 ? Infinity : (referenceSpeedKmh * thresholdV) / referenceV;
}

/**
 * Share of poles too weak for an active sensor to switch on: strengths spread normally about the mean field, and a
 * pole is lost when it falls under `thresholdField` (as a fraction of the nominal field).
 */
export function lostPoleShare(ring: RingCondition, thresholdField: number): number {
  const field = fieldFactor(ring);
  if (field <= 0) return 1;
  const spread =
    Math.max(POLE_SPREAD, ring.heightSpread) * field + field * ((2 * Math.PI * ring.runoutMm) / pitchMm(ring)) * 0.5;
  return normalCdf((thresholdField - field) / spread);
}

/** Poles of a moulded encoder differ in strength by this part of it (standard deviation; from memory, 5 to 10 %). */
const POLE_SPREAD = 0.07;
