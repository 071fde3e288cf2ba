import type { CarCondition } from "../faults/fault";
import type { Candidates, Group } from "./candidates";
import type { Evidence } from "./evidence";
import type { ForecastTable } from "./forecast";
import { fitSlope, narrowCloud, pullCandidate, type Cloud, type Slope } from "./kernel";
import { overLimitChance, scaleError, toScale } from "./scale";

/** How often any reading is a slip: wrong pin, wrong range, a probe that does not touch. */
export const BLUNDER = 0.02;
/**
 * A slipped reading: half of them anywhere on the scale, the other half what some other pin of this very car shows
 * (its ground, its supply, its battery). Words come at random. In ohms most slips are a probe that does not touch: OL.
 */
const BLUNDER_DENSITY = 1 / 14;
const BLUNDER_OVER_LIMIT = 0.6;
const OTHER_PIN = 0.5;

/**
 * Weighs one reading into one group: weight ×= (1 − ε)·p(reading | forecast, error) + ε·p(slip). Numbers are a density
 * on the reading's scale, as wide as the instrument's error joined with what the candidate's cloud spans there;
 * words and OL are probabilities. Candidates are then pulled toward the number read.
 *
 * @param out each candidate's likelihood, written at its row
 * @param fine false leaves the candidates where they are, for groups too unlikely to be worth it
 * @returns how candidates were moved, so that their forecasts must be made anew; null when none was
 */
export function weighGroup(
  evidence: Evidence,
  table: ForecastTable,
  candidates: Candidates,
  group: Group,
  cloud: Cloud,
  out: Float64Array,
  fine = true,
): Pull | null {
  const slip = (row: number) => BLUNDER * slipDensity(evidence, table, candidates.cars[row]!);
  const end = group.first + group.size;
  if (table.kind === "words") {
    const at = evidence.value.kind === "word" ? table.words.indexOf(evidence.value.word) : -1;
    for (let row = group.first; row < end; row++)
      out[row] = (1 - BLUNDER) * (at < 0 ? 0 : table.chances[row * table.words.length + at]!) + slip(row);
    applyWeights(candidates, group, out);
    return null;
  }
  if (evidence.value.kind !== "number") {
    for (let row = group.first; row < end; row++)
      out[row] = (1 - BLUNDER) * overLimitShare(evidence, table, row) + slip(row);
    applyWeights(candidates, group, out);
    return null;
  }
  return weighNumber(table, evidence.value, candidates, group, cloud, out, slip, fine);
}

/** Chance, for one candidate, that this reading was a slip given its likelihood. */
export function slipShare(evidence: Evidence, table: ForecastTable, car: CarCondition, likelihood: number): number {
  return Math.min(1, (BLUNDER * slipDensity(evidence, table, car)) / likelihood);
}

function weighNumber(
  table: ForecastTable & { kind: "numbers" },
  value: { value: number; resolution: number },
  candidates: Candidates,
  group: Group,
  cloud: Cloud,
  out: Float64Array,
  slip: (row: number) => number,
  fine: boolean,
): Pull | null {
  const { hookup, slots } = table;
  const { first, size } = group;
  const reading = toScale(hookup.instrument, value.value);
  const readingError = scaleError(hookup, value.value, value.resolution);
  const bestLikelihood = new Float64Array(size);
  const bestSlot = new Int8Array(size).fill(-1);
  const perSlot: ({ x: Float64Array; slope: Slope | null } | null)[] = [];
  for (let slot = 0; slot < slots; slot++) {
    const x = slotValues(table, group, slot);
    perSlot.push(x && { x, slope: fine ? fitSlope(candidates, group, cloud, x, reading, readingError) : null });
  }
  for (let k = 0; k < size; k++) {
    let sum = 0;
    for (let slot = 0; slot < slots; slot++) {
      const one = perSlot[slot];
      if (!one || Number.isNaN(one.x[k]!)) continue;
      const at = (first + k) * slots + slot;
      const error = scaleError(hookup, table.values[at]!, value.resolution);
      const sigma = Math.sqrt(error * error + (one.slope?.variance ?? 0));
      const z = (reading - one.x[k]!) / sigma;
      const density =
        (table.chances[at]! * (1 - overLimitChance(hookup.instrument, table.values[at]!)) * bell(z)) / sigma;
      sum += density;
      if (density > bestLikelihood[k]!) {
        bestLikelihood[k] = density;
        bestSlot[k] = slot;
      }
    }
    out[first + k] = (1 - BLUNDER) * sum + slip(first + k);
  }
  applyWeights(candidates, group, out);
  return pull(perSlot, bestSlot, candidates, group, cloud, out, reading, readingError, slip);
}

/** Where each candidate of a group was pulled to: its forecast in `slot` should now be `target` on the scale. */
export interface Pull {
  slot: Int8Array;
  target: Float64Array;
  slopes: (Slope | null)[];
}

/**
 * A slope is straight and the circuit is not: once the pulled cars are forecast anew, this takes out what is left
 * between forecast and target (one Gauss–Newton step).
 */
export function settleGroup(
  table: ForecastTable,
  candidates: Candidates,
  group: Group,
  { slot, target, slopes }: Pull,
): void {
  if (table.kind !== "numbers") return;
  for (let k = 0; k < group.size; k++) {
    const slope = slot[k]! < 0 ? null : slopes[slot[k]!];
    if (!slope || slope.variance <= 0) continue;
    const value = table.values[(group.first + k) * table.slots + slot[k]!]!;
    if (value === Infinity) continue;
    const left = Math.max(-0.5, Math.min(0.5, target[k]! - toScale(table.hookup.instrument, value)));
    pullCandidate(candidates, group.first + k, slope, left, 0, 1);
  }
}

/** Moves each candidate toward the reading as far as it is believed, and narrows the cloud by the slope most used. */
function pull(
  perSlot: ({ x: Float64Array; slope: Slope | null } | null)[],
  bestSlot: Int8Array,
  candidates: Candidates,
  group: Group,
  cloud: Cloud,
  out: Float64Array,
  reading: number,
  error: number,
  slip: (row: number) => number,
): Pull | null {
  const used = new Float64Array(perSlot.length);
  const target = new Float64Array(group.size);
  let [total, believed] = [0, 0];
  for (let k = 0; k < group.size; k++) {
    const slot = bestSlot[k]!;
    const row = group.first + k;
    total += candidates.weight[row]!;
    if (slot < 0) continue;
    const trust = 1 - slip(row) / out[row]!;
    used[slot]! += candidates.weight[row]! * trust;
    believed += candidates.weight[row]! * trust;
    const { slope, x } = perSlot[slot]!;
    if (!slope || trust < 0.05) {
      bestSlot[k] = -1;
      continue;
    }
    pullCandidate(candidates, row, slope, reading - x[k]!, error, trust);
    target[k] = x[k]! + (trust * slope.variance * (reading - x[k]!)) / (slope.variance + error * error);
  }
  const lead = used.indexOf(Math.max(...used));
  const slope = perSlot[lead]?.slope;
  if (!slope || total === 0) return null;
  narrowCloud(cloud, slope, error, 0.95 * (believed / total));
  return { slot: bestSlot, target, slopes: perSlot.map((one) => one?.slope ?? null) };
}

/** One slot's forecasts on the scale for a group; null when the slot is unused. */
function slotValues(
  table: ForecastTable & { kind: "numbers" },
  { first, size }: Group,
  slot: number,
): Float64Array | null {
  let any = false;
  const x = new Float64Array(size).fill(NaN);
  for (let k = 0; k < size; k++) {
    const at = (first + k) * table.slots + slot;
    if (table.chances[at] === 0 || table.values[at] === Infinity) continue;
    any = true;
    x[k] = toScale(table.hookup.instrument, table.values[at]!);
  }
  return any ? x : null;
}

function overLimitShare(evidence: Evidence, table: ForecastTable & { kind: "numbers" }, row: number): number {
  if (evidence.value.kind !== "over-limit") return 0;
  let sum = 0;
  for (let at = row * table.slots; at < (row + 1) * table.slots; at++)
    if (table.chances[at]! > 0) sum += table.chances[at]! * overLimitChance(table.hookup.instrument, table.values[at]!);
  return sum;
}

function applyWeights({ weight }: Candidates, { first, size }: Group, likelihood: Float64Array): void {
  for (let row = first; row < first + size; row++) weight[row]! *= likelihood[row]!;
}

function slipDensity({ hookup, value }: Evidence, table: ForecastTable, { circuit }: CarCondition): number {
  if (table.kind === "words") return 1 / table.words.length;
  if (value.kind !== "number") return BLUNDER_OVER_LIMIT;
  if (hookup.instrument !== "volts-dc") return BLUNDER_DENSITY;
  const reading = toScale(hookup.instrument, value.value);
  const pins = [0, circuit.batteryV, circuit.regulatorV];
  let other = 0;
  for (const pin of pins) {
    const sigma = 2 * scaleError(hookup, pin, value.resolution);
    const z = (reading - toScale(hookup.instrument, pin)) / sigma;
    if (z < 6 && z > -6) other += Math.exp(-0.5 * z * z) / (sigma * ROOT_TWO_PI * pins.length);
  }
  return (1 - OTHER_PIN) * BLUNDER_DENSITY + OTHER_PIN * other;
}

/**
 * Standard density of the error between model and meter: normal, with a share three times as wide for what the model
 * leaves out (a contaminated normal; J. W. Tukey, in Contributions to Probability and Statistics, 1960).
 */
function bell(z: number): number {
  const wide = z / 3;
  return (
    ((1 - CONTAMINATED) * Math.exp(-0.5 * z * z) + (CONTAMINATED / 3) * Math.exp(-0.5 * wide * wide)) / ROOT_TWO_PI
  );
}

const CONTAMINATED = 0.15;
const ROOT_TWO_PI = Math.sqrt(2 * Math.PI);
