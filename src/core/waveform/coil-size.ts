import type { Family } from "../circuit/setup";
import { dropOutSpeedKmh, PASSIVE_REFERENCE, SOUND_COILS } from "../ring/ring";
import { rollingCircumferenceM, speedKmh, type TyreSize } from "../tyre/tyre";
import { normalCdf } from "../random/normal-cdf";
import { median } from "../units/median";
import { found, type Found } from "./finding";
import type { Pulse, Rhythm } from "./pulses";
import type { SignalShape } from "./signal";

/** Passive module thresholds are commonly 100–200 mV (from memory). */
const PASSIVE_THRESHOLD_V = 0.15;
/** A passive signal under this part of one maker's figure may be too small. */
const LOW_AMPLITUDE = 0.45;
/** What a gap too wide or a weak coil leaves of its own, evenly over the logarithm (the spacing law over 0.5 to 2.5 mm). */
const LEFT_OF_IT = [0.05, 0.5] as const;
/** Falling out above this speed a module takes the wheel for locked (judgement from the 5 mph of the trade). */
const EARLY_DROP_OUT_KMH = 5;

/** Whether it is a coil's. Where nobody says, by its wave; one that keeps its height at twice the speed is an active sensor's. */
export function isPassive({ kind }: SignalShape, pulses: readonly Pulse[], family?: Family): boolean {
  return family ? family === "passive" : kind === "sine" && !keepsHeight(pulses);
}

function keepsHeight(pulses: readonly Pulse[]): boolean {
  const own = pulses.slice(0, -1).map(({ at, heightV }, i) => ({ hertz: 1 / (pulses[i + 1]!.at - at), heightV }));
  const sorted = own.filter(({ heightV }) => heightV > 0).sort((a, b) => a.hertz - b.hertz);
  const third = Math.floor(sorted.length / 3);
  if (third < FEWEST_OF_A_THIRD) return false;
  const [slow, fast] = [sorted.slice(0, third), sorted.slice(-third)];
  const times = (of: (one: (typeof own)[number]) => number) => median(fast.map(of)) / median(slow.map(of));
  return times(({ hertz }) => hertz) > MUCH_FASTER && times(({ heightV }) => heightV) < HARDLY_HIGHER;
}

const FEWEST_OF_A_THIRD = 8;
const MUCH_FASTER = 1.6;
const HARDLY_HIGHER = 1.15;

/** Whether the fastest pulses are all as high as each other though their speeds differ: an input at the end of its range. */
export function stopsGrowing(pulses: readonly Pulse[]): boolean {
  const own = pulses.slice(0, -1).map(({ at, heightV }, i) => ({ hertz: 1 / (pulses[i + 1]!.at - at), heightV }));
  const fast = own
    .filter(({ heightV }) => heightV > 0)
    .sort((a, b) => b.hertz - a.hertz)
    .slice(0, Math.floor(own.length / 3));
  if (fast.length < FEWEST_OF_A_THIRD) return false;
  const range = (values: number[]) => {
    const sorted = values.sort((a, b) => a - b);
    return sorted[Math.floor(0.9 * (sorted.length - 1))]! / sorted[Math.floor(0.1 * (sorted.length - 1))]!;
  };
  return range(fast.map(({ hertz }) => hertz)) > GROWS && range(fast.map(({ heightV }) => heightV)) < STANDS;
}

/** By Faraday's law a coil's height goes with its speed. */
const GROWS = 1.15;
const STANDS = 1.04;

/** A passive signal's height for its speed: RMS over the usual one, and the middle speed it was judged at. */
export interface SizeForSpeed {
  rmsV: number;
  /** Peak to peak over its frequency: the same at any speed and by any count of teeth. */
  voltsPerHertz: number;
  share: number;
  speedKmh: number;
}

/** The count of teeth a height is judged by where none is known: volts per hertz are much alike for all (48 is met most). */
const USUAL_COUNT = 48;

/** Each pulse's height against its own speed, so that a spin from rest to rest is judged as a whole. */
export function sizeForSpeed(
  pulses: readonly Pulse[],
  { periods, motion }: Rhythm,
  count: number | null,
  tyre: TyreSize,
  sampleS: number,
): SizeForSpeed | null {
  const own = [...periods.keys()].flatMap((i) => {
    const { heightV } = pulses[i]!;
    if (motion.aside[i] || motion.poles[i]! > 1 || !Number.isFinite(heightV)) return [];
    const hertz = 1 / (periods[i]! * sampleS);
    const kmh = speedKmh(hertz, count ?? USUAL_COUNT, rollingCircumferenceM(tyre));
    return [{ rmsV: heightV / (2 * Math.SQRT2), kmh, voltsPerHertz: heightV / hertz }];
  });
  if (own.length < 8) return null;
  const share = median(
    own.map(({ rmsV, kmh }) => (rmsV * PASSIVE_REFERENCE.speedKmh) / (PASSIVE_REFERENCE.volts * kmh)),
  );
  const speed = median(own.map(({ kmh }) => kmh));
  return {
    rmsV: (share * PASSIVE_REFERENCE.volts * speed) / PASSIVE_REFERENCE.speedKmh,
    voltsPerHertz: median(own.map(({ voltsPerHertz }) => voltsPerHertz)),
    share,
    speedKmh: speed,
  };
}

/** Whether a wave swings about a bias rather than about nothing: a module holds each wire of its coil at one. */
export function ridesOnBias({ kind, meanV, peakToPeakV }: SignalShape): boolean {
  return kind === "sine" && meanV > LEAST_BIAS_V && meanV > peakToPeakV / 2;
}

const LEAST_BIAS_V = 0.3;

/** What a coil gives across both its wires, of which one was measured: up to twice as much. */
export function twiceOf({ rmsV, voltsPerHertz, share, speedKmh }: SizeForSpeed): SizeForSpeed {
  return { rmsV: 2 * rmsV, voltsPerHertz: 2 * voltsPerHertz, share: 2 * share, speedKmh };
}

/** Chance that a coil of this size is too small and not of a make that gives so little, where as many are one as the other. */
export function chanceTooSmall(share: number): number {
  const away = (of: number) => (Math.log(of) - SOUND_COILS.log) / SOUND_COILS.spread;
  const sound = Math.exp(-(away(share) ** 2) / 2) / (SOUND_COILS.spread * Math.sqrt(2 * Math.PI));
  const [least, most] = LEFT_OF_IT;
  const small = (normalCdf(away(share / least)) - normalCdf(away(share / most))) / Math.log(most / least);
  return small / (small + sound);
}

/** A passive signal against the straight line of the trade, and the speed at which it falls out. */
export function passiveSize(
  { rmsV, share, speedKmh: kmh }: SizeForSpeed,
  whole: { startS: number; endS: number },
): Found[] {
  const list: Found[] = [];
  const most = chanceTooSmall(share);
  if (share < LOW_AMPLITUDE)
    list.push(found("low-amplitude", { rmsV, kmh, share }, { strength: 0.9, most, ...whole, size: share }));
  const dropOut = dropOutSpeedKmh(rmsV * Math.SQRT2, kmh, PASSIVE_THRESHOLD_V);
  if (dropOut > EARLY_DROP_OUT_KMH)
    list.push(found("drop-out-speed", { kmh: dropOut }, { strength: 0.8, most, ...whole, size: dropOut }));
  return list;
}
