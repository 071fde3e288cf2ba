import type { Channel } from "../capture/capture";
import type { Family } from "../circuit/setup";
import { DIP } from "./supply";
import { median } from "../units/median";
import { LONGEST_SPIKE_S } from "./disturbances";
import { found, type Found } from "./finding";
import { FEWEST_PULSES, turns } from "./motion";
import type { Pulse } from "./pulses";
import { SLOWEST_RATE } from "./recording-warnings";
import { LEAST_PULL_UP_V, type SignalShape } from "./signal";
import { OWN_V, wayOfLevel } from "./way-of-level";

/** A recording of a wheel that stands, or is turned on by hand pole by pole: what its level does is all it tells. */
export interface Standing {
  findings: Found[];
  /** Steps between the sensor's own two levels: it is alive, and the ring is not seen. */
  toggles: number;
}

type Visit = [from: number, to: number];

/** A wheel that stands keeps its signal at one level this much of the time; one that turns, or is turned on, does not. */
const AT_HOME = 0.85;
/** No hand turns a wheel on by a whole pole and comes to rest again in less time (engineering judgement). */
const BRIEFEST_POLE_S = 0.06;
/** Two currents of 1.9 to 2.2 to one (data sheets, from memory), with what a capture is off by. */
const OWN_RATIO = [1.6, 2.6] as const;
/** A jump of less is no level of its own. */
const LEAST_JUMP_V = 0.12;

/**
 * What a recording without a turning wheel shows: losses of a wire that is moved, dips of a supply, or the steps of a wheel
 * turned on by hand.
 * @returns null where the wheel turns, and where nothing but one level is there
 */
export function standing(
  samples: Float32Array,
  given: SignalShape,
  pulses: readonly Pulse[],
  family: Family | undefined,
  {
    name,
    unit,
    scale,
    sampleS,
    startS,
  }: Pick<Channel, "name" | "unit" | "scale"> & { sampleS: number; startS: number },
): Standing | null {
  if (family === "passive") return null;
  const inVolts = scale === undefined;
  const shape = given.kind === "flat" ? withRareLevel(samples, given, sampleS) : given;
  if (shape?.kind !== "two-level") return null;
  const { lowV, highV, noiseV } = shape;
  if (highV - lowV < Math.max(LEAST_JUMP_V, 8 * noiseV)) return null;
  const middle = (lowV + highV) / 2;
  let above = 0;
  for (const value of samples) if (value > middle) above++;
  const homeIsHigh = above > samples.length / 2;
  const atHome = Math.max(above, samples.length - above) / samples.length;
  if (pulses.length >= FEWEST_PULSES && !isSteps(pulses, sampleS) && (atHome < AT_HOME || turns(pulses, undefined, 2)))
    return null;
  if (isScreenOfWheel(pulses, atHome, sampleS)) return null;
  const usual = family ?? (highV < LEAST_PULL_UP_V ? "active-2wire" : "active-3wire");
  const isOwn = (volts: number) => volts > OWN_V[0] && volts < OWN_V[1];
  // What is no volts has no level of its own; a small step high up is a signal that rides on its supply.
  const both =
    usual === "active-3wire" ||
    !inVolts ||
    (lowV > OWN_V[1] && lowV > DIP * highV) ||
    (isOwn(lowV) && isOwn(highV) && ratioIsOwn(highV / lowV));
  // Of a level the sensor makes and one it does not, the second is what was lost, however long.
  const lostIsHigh = both || isOwn(lowV) === isOwn(highV) ? !homeIsHigh : isOwn(lowV);
  const visits = visitsOf(samples, lowV, highV, lostIsHigh);
  const isWithin = ([from, to]: Visit) => from > 0 && to < samples.length - 1;
  const seconds = ([from, to]: Visit) => (to - from + 1) * sampleS;
  const at = (visit: Visit) => startS + visit[0] * sampleS;
  const [homeV, awayV] = homeIsHigh ? [highV, lowV] : [lowV, highV];
  const back = visits.filter(isWithin);
  const where = (list: readonly Visit[]) => ({ startS: at(list[0]!), endS: at(list[0]!) + seconds(list[0]!) });
  const isFeed = usual === "active-2wire" ? homeV > OWN_V[1] : isSupply(name);
  if (isFeed && inVolts && awayV < DIP * homeV && back.length > 0)
    return {
      findings: [
        found(
          "supply-dip",
          { usualV: homeV, leastV: awayV, times: back.length, withSignal: false },
          { strength: 0.92, count: back.length, size: homeV - awayV, withSignal: false, ...where(back) },
        ),
      ],
      toggles: 0,
    };
  const own = lostIsHigh ? { lowV, highV: lowV } : { lowV: highV, highV };
  // Sampled slowly, a pole that passes looks as brief.
  const isBrief = (visit: Visit) => 1 / sampleS > SLOWEST_RATE && seconds(visit) < BRIEFEST_POLE_S;
  const lost = both ? back.filter(isBrief) : back;
  const findings =
    lost.length > 0
      ? [
          found(
            "random-dropout",
            {
              times: lost.length,
              pulses: lost.length,
              standing: true,
              ...(both ? {} : { levelV: lostIsHigh ? highV : lowV, ...wayOfLevel({ unit, scale }, own, lostIsHigh) }),
            },
            { strength: 0.9, count: lost.length, ...where(lost) },
          ),
        ]
      : [];
  return { findings, toggles: both ? back.length - lost.length : 0 };
}

/** A few pulses of a wheel at speed fill a screen: too even, and too fast for a hand that turns pole by pole; one may be gone. */
function isScreenOfWheel(pulses: readonly Pulse[], atHome: number, sampleS: number): boolean {
  const periods = pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at);
  const usual = median(periods);
  const even = periods.filter((one) => Math.abs(one / usual - 1) < EVEN_SCREEN).length;
  return (
    periods.length >= FEWEST_ON_SCREEN &&
    atHome < AT_HOME &&
    usual * sampleS < 2 * BRIEFEST_POLE_S &&
    even >= periods.length - ONE_GONE
  );
}

const FEWEST_ON_SCREEN = 2;
const EVEN_SCREEN = 0.15;
const ONE_GONE = 1;

/** So few and so slow that they are steps of a wheel turned on by hand. */
function isSteps(pulses: readonly Pulse[], sampleS: number): boolean {
  const periods = pulses.slice(1).map(({ at }, i) => at - pulses[i]!.at);
  return pulses.length < MOST_STEPS && median(periods) * sampleS > SLOWEST_POLE_S;
}

const MOST_STEPS = 50;
/** A turn of a common ring then takes half a minute. */
const SLOWEST_POLE_S = 0.7;

/** A level met so seldom that the range left it out; what is briefer than a touch of the probe is none. */
function withRareLevel(samples: Float32Array, shape: SignalShape, sampleS: number): SignalShape | null {
  const guard = Math.max(LEAST_JUMP_V, 12 * shape.noiseV);
  const shortest = Math.max(2, LONGEST_SPIKE_S / sampleS);
  const there: number[] = [];
  let from = -1;
  for (let i = 0; i <= samples.length; i++) {
    const isOff = i < samples.length && Math.abs(samples[i]! - shape.meanV) > guard;
    if (isOff && from < 0) from = i;
    if (isOff || from < 0) continue;
    if (i - from >= shortest && there.length < MOST_RARE) for (let k = from; k < i; k++) there.push(samples[k]!);
    from = -1;
  }
  if (there.length === 0) return null;
  const away = median(there);
  return { ...shape, kind: "two-level", lowV: Math.min(away, shape.meanV), highV: Math.max(away, shape.meanV) };
}

const MOST_RARE = 100_000;

function ratioIsOwn(ratio: number): boolean {
  return ratio > OWN_RATIO[0] && ratio < OWN_RATIO[1];
}

/** Whether a channel is called what feeds the sensor. */
function isSupply(name: string): boolean {
  return /supply|feed|power|vcc|vbat|\b12 ?v\b|versorg|speisung/i.test(name);
}

/** The stretches at one of two levels; between them it must have been at the other. */
function visitsOf(samples: Float32Array, lowV: number, highV: number, high: boolean): Visit[] {
  const third = (highV - lowV) / 3;
  const visits: Visit[] = [];
  let isThere = high ? samples[0]! > highV - third : samples[0]! < lowV + third;
  if (isThere) visits.push([0, 0]);
  for (let i = 0; i < samples.length; i++) {
    const value = samples[i]!;
    const arrives = high ? value > highV - third : value < lowV + third;
    const leaves = high ? value < lowV + third : value > highV - third;
    if (!isThere && arrives) visits.push([i, i]);
    isThere = isThere ? !leaves : arrives;
    if (isThere) visits.at(-1)![1] = i;
  }
  return visits;
}
