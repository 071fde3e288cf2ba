import { isCurrentRatio } from "../circuit/current-ratio";
import type { Family } from "../circuit/setup";
import { median } from "../units/median";
import { isPassive, passiveSize, ridesOnBias, twiceOf, type SizeForSpeed } from "./coil-size";
import { found, type Found } from "./finding";
import type { Pulse } from "./pulses";
import { LEAST_PULL_UP_V, type SignalShape } from "./signal";
import { someSamples } from "./some-samples";

/** Findings from size and levels rather than from rhythm. */
export function levelFindings(
  shape: SignalShape,
  pulses: readonly Pulse[],
  size: SizeForSpeed | null,
  options: { family?: Family },
  lengthS: number,
  startS: number,
  turning: boolean,
  inVolts: boolean,
  drownedV: number,
): Found[] {
  const whole = { startS, endS: startS + lengthS };
  if (drownedV > 0)
    return [found("interference", { rmsV: drownedV, hides: true }, { strength: 0.75, size: drownedV, ...whole })];
  if (shape.kind === "noise" && inVolts) return [found("noise-at-rest", {}, { strength: 0.8, ...whole })];
  if (!turning) return [];
  const list: Found[] = [];
  if (inVolts && isPassive(shape, pulses, options.family) && size)
    list.push(...passiveSize(ridesOnBias(shape) ? twiceOf(size) : size, whole));
  // A ratio needs no volts, but both levels above nothing: a sound input stops what stands.
  const inWindow = shape.lowV > (inVolts ? 0.05 : 0.05 * shape.highV) && shape.highV < 7.5;
  if (shape.kind === "two-level" && isTwoWire(shape, options) && inWindow) {
    const ratio = shape.highV / shape.lowV;
    if (!isCurrentRatio(ratio) && (inVolts || ratio > RIDES_ON_SUPPLY))
      list.push(
        found(
          "level-out-of-window",
          { lowV: shape.lowV, highV: shape.highV, ...(inVolts ? {} : { uncalibrated: true }) },
          { strength: 0.85, ...whole, size: ratio },
        ),
      );
  }
  const duty = dutyOf(pulses);
  const isSensors = !inVolts || shape.highV - shape.lowV > LEAST_STEP_V;
  if (shape.kind === "two-level" && isSensors && duty !== null && (duty < DUTY_LIMITS[0] || duty > DUTY_LIMITS[1]))
    list.push(found("duty-shift", { dutyPct: duty }, { strength: 0.7, ...whole, size: duty }));
  return list;
}

/**
 * RMS of hash that stands higher than what any coil at rest picks up, volts; 0 of anything else. A leaking one shows tenths of
 * a volt (judgement): what the wheel does beneath more than that nobody can tell.
 */
export function drownedBy(recorded: Float32Array, { kind, meanV }: Pick<SignalShape, "kind" | "meanV">): number {
  if (kind !== "noise") return 0;
  const some = someSamples(recorded);
  const rmsV = Math.sqrt(some.reduce((sum, value) => sum + (value - meanV) ** 2, 0) / some.length);
  return rmsV > LOUDEST_AT_REST_V ? rmsV : 0;
}

const LOUDEST_AT_REST_V = 0.45;

/** Whether levels are a current's over a sense resistor. Where nobody says, an output pulled up to 5 V or more is not. */
function isTwoWire({ highV }: SignalShape, { family }: { family?: Family }): boolean {
  return family ? family === "active-2wire" : highV < LEAST_PULL_UP_V;
}

/** Of unknown volts two levels nearer than that may be a small signal on a standing one, as sensed on the supply side. */
const RIDES_ON_SUPPLY = 1.4;
const DUTY_LIMITS = [36, 64] as const;
/** 5.9 mA between two levels over 30 Ω are 0.18 V (data sheets, from memory); riding on a supply some is lost. */
const LEAST_STEP_V = 0.05;

/** The middle share of a pulse's time spent high, per cent; null where hardly any tell. */
export function dutyOf(pulses: readonly Pulse[]): number | null {
  const duties = pulses.map(({ duty }) => duty).filter(Number.isFinite);
  return duties.length < 4 ? null : 100 * median(duties);
}
