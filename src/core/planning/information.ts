import type { Hypothesis, Posterior } from "../belief/posterior";
import { endForecast, LEVELS, type ForecastTable, type NumberTable } from "../belief/forecasts";
import { fitSlope } from "../belief/fit-slope";
import type { Cloud } from "../belief/kernel";
import { isToggleTest, type Hookup } from "../checks/hookup";
import { nominalCondition } from "../circuit/condition";
import {
  erredBefore,
  errorDensity,
  ERRS_ANEW,
  madeBefore,
  matchOverLimit,
  overLimitAgain,
  slipChance,
  slipDensity,
  slipLikelihood,
  type ReadBefore,
} from "../observation/likelihood";
import { fromScale, overLimitChance, scaleError, toScale } from "../observation/scale";

const MOST_BINS = 32;
const NARROWEST_BIN = 0.1;
/** Groups below this share cannot change the answer and are left out of the sums. */
export const NEGLIGIBLE_SHARE = 1e-3;

/** Chances of each outcome bin of one check for each group, and what follows from them. */
export class InformationTable {
  /** Mutual information between fault and outcome, in bits. */
  readonly bits: number;
  private readonly bins: number;
  private readonly chances: Float64Array;
  private readonly live: number[];
  private readonly groupEntropy: Float64Array;

  /** @param chances chances[group * bins + bin] */
  constructor(chances: Float64Array, bins: number, shares: Float64Array) {
    this.bins = bins;
    this.chances = chances;
    this.live = [...shares.keys()].filter((g) => shares[g]! > NEGLIGIBLE_SHARE);
    this.groupEntropy = new Float64Array(shares.length);
    for (const g of this.live) this.groupEntropy[g] = entropy(chances, g * bins, bins);
    this.bits = this.gain(shares);
  }

  /** Expected information of another check after this one, outcomes independent given the fault. */
  expectedNext(next: InformationTable, shares: Float64Array): number {
    const posterior = new Float64Array(shares.length);
    let sum = 0;
    for (let bin = 0; bin < this.bins; bin++) {
      let chance = 0;
      for (const g of this.live) chance += posterior[g] = shares[g]! * this.chances[g * this.bins + bin]!;
      if (chance < 1e-3) continue;
      for (const g of this.live) posterior[g]! /= chance;
      sum += chance * next.gain(posterior);
    }
    return sum;
  }

  /** How many outcomes are told apart. */
  get outcomes(): number {
    return this.bins;
  }

  /** Chance of an outcome in a group. */
  chance(group: number, outcome: number): number {
    return this.chances[group * this.bins + outcome]!;
  }

  private gain(shares: Float64Array): number {
    const pooled = new Float64Array(this.bins);
    let conditional = 0;
    for (const g of this.live) {
      const share = shares[g]!;
      conditional += share * this.groupEntropy[g]!;
      for (let bin = 0; bin < this.bins; bin++) pooled[bin]! += share * this.chances[g * this.bins + bin]!;
    }
    return Math.max(0, entropy(pooled, 0, this.bins) - conditional);
  }
}

/** The candidates that planning forecasts, and how much each stands for. */
export interface Planning {
  posterior: Posterior;
  /** Of the hypotheses: as they are, or as they would be without the reading a verdict hangs on. */
  shares: Float64Array;
  /** Every so-many-th candidate is forecast. */
  stride: number;
  /** Weights of the candidates forecast, summing to 1 in each group (see `subsetWeights`). */
  within: Float64Array;
}

/**
 * Sorts one check's forecasts into outcome bins by group.
 * @param speakers for each group, the group whose forecasts stand for it (see reach.ts)
 * @param clouds what each group's candidates stand for, where it is at hand (see kernel.ts)
 */
export function informationTable(
  table: ForecastTable,
  planning: Planning,
  speakers: Int32Array,
  clouds: readonly Cloud[] = [],
): InformationTable {
  const { chances, bins } = outcomeChances(table, planning, speakers, clouds, "group");
  speakFor(speakers, chances, bins);
  return new InformationTable(chances, bins, planning.shares);
}

/** Chances of a check's outcomes, by state. */
export interface Outcomes {
  outcomes: number;
  chance(state: number, outcome: number): number;
}

/** The same for each candidate that is forecast: candidate row r is state r / stride. */
export function outcomesByCandidate(
  table: ForecastTable,
  planning: Planning,
  speakers: Int32Array,
  clouds: readonly Cloud[],
): Outcomes {
  const { hypotheses: groups, particles } = planning.posterior;
  const { chances, bins } = outcomeChances(table, planning, speakers, clouds, "candidate");
  const voiceOf = new Int32Array(particles.count / planning.stride);
  groups.forEach(({ first, size }, g) => {
    const from = groups[speakers[g]!]!.first;
    for (let k = 0; k < size; k += planning.stride)
      voiceOf[(first + k) / planning.stride] = (from + k) / planning.stride;
  });
  return { outcomes: bins, chance: (state, outcome) => chances[voiceOf[state]! * bins + outcome]! };
}

/** What outcomes are counted by. */
type State = "group" | "candidate";

function stateCount({ posterior, stride }: Planning, by: State): number {
  return by === "group" ? posterior.hypotheses.length : posterior.particles.count / stride;
}

function outcomeChances(
  table: ForecastTable,
  planning: Planning,
  speakers: Int32Array,
  clouds: readonly Cloud[],
  by: State,
): { chances: Float64Array; bins: number } {
  const speaking = new Set<number>();
  speakers.forEach((voice, g) => {
    if (planning.shares[g]! > NEGLIGIBLE_SHARE) speaking.add(voice);
  });
  return table.kind === "words"
    ? wordChances(table, planning, speaking, by)
    : numberChances(isToggleTest(table.hookup) ? toggleOutcomes(table) : table, planning, speaking, clouds, by);
}

/**
 * A toggle test is read as two levels. For planning it is one number: the greater where both are met, and far off the
 * scale where one level stays: whether it toggles is what tells most.
 */
function toggleOutcomes(table: NumberTable): NumberTable {
  const high = endForecast(table, "high");
  const low = endForecast(table, "low");
  const values = high.values.map((value, at) => (value > low.values[at]! ? value : staysAt(table.hookup, value)));
  return { ...high, values };
}

/** So far off the scale that no pair of levels lies there. */
const OFF_SCALE = 10;

function staysAt({ instrument }: Hookup, value: number): number {
  return fromScale(instrument, toScale(instrument, value) + OFF_SCALE);
}

function numberChances(
  table: NumberTable,
  planning: Planning,
  speaking: ReadonlySet<number>,
  clouds: readonly Cloud[],
  by: State,
): { chances: Float64Array; bins: number } {
  const { posterior, stride, within } = planning;
  const span = range(table, posterior, speaking, stride);
  const bins = Math.max(2, Math.min(MOST_BINS, Math.ceil((span.high - span.low) / NARROWEST_BIN)));
  const width = (span.high - span.low) / bins || 1;
  const all = bins + 1;
  const chances = new Float64Array(stateCount(planning, by) * all);
  const states = new Set<number>();
  // While it is away a fault that comes and goes leaves a sound car, and a sound car reads the same whatever is not there:
  // what each group's few candidates happen to make of it is no difference between faults.
  const away = new Float64Array(all);
  const awayMass = new Float64Array(posterior.hypotheses.length);
  const earlier = posterior.readBefore(table.hookup);
  const before = earlier?.kind === "number" ? firstRead(table.hookup, earlier, posterior) : null;
  const slip = slipChance(table.hookup);
  const slippedOver = slipLikelihood(
    { hookup: table.hookup, value: { kind: "over-limit" } },
    1,
    nominalCondition(posterior.setup),
  );
  const made = new Float64Array(table.slots);
  const variances = new Float64Array(table.slots);
  for (const g of speaking) {
    const { first, size } = posterior.hypotheses[g]!;
    const cloud = clouds[g];
    const kernels = cloud
      ? cloudKernels(table, posterior, posterior.hypotheses[g]!, cloud, stride)
      : slotKernels(table, { first, size }, within, stride);
    for (let row = first; row < first + size; row += stride) {
      if (by === "group" && within[row]! < 1e-6) continue;
      const state = by === "group" ? g : row / stride;
      const weight = by === "group" ? within[row]! : 1;
      states.add(state);
      if (before) {
        kernels.forEach((kernel, slot) => (variances[slot] = kernel * kernel));
        madeBefore(table, (row / stride) * table.slots, before, variances, made);
      }
      const over = matchOverLimit(table, (row / stride) * table.slots);
      const overNow = overLimitAgain(over, earlier?.kind === "over-limit", slip, slip * slippedOver);
      const overTimes = over > 0 ? overNow / over : 1;
      const numberTimes = over < 1 ? (1 - overNow) / (1 - over) : 1;
      for (let slot = 0; slot < table.slots; slot++) {
        const at = (row / stride) * table.slots + slot;
        const isAway = by === "group" && slot >= LEVELS;
        const own = table.chances[at]! * weight;
        if (own === 0) continue;
        if (isAway) awayMass[g]! += own;
        const [into, start, chance] = isAway ? [away, 0, own * planning.shares[g]!] : [chances, state * all, own];
        const value = table.values[at]!;
        const overLimit = overLimitChance(table.hookup.instrument, value);
        into[start + bins]! += chance * overLimit * overTimes;
        if (value === Infinity) continue;
        const error = scaleError(table.hookup, value, 0);
        const forecast = toScale(table.hookup.instrument, value);
        const lay = (at: number, own: number, mass: number) =>
          spread(into, start, bins, (at - span.low) / width, mass, Math.hypot(own, kernels[slot]!) / width);
        const alike = before ? made[slot]! : 0;
        const mass = chance * (1 - overLimit) * numberTimes;
        if (alike < 1) lay(forecast, error, (1 - alike) * mass);
        if (alike > 0) lay(forecast + erredBefore(before!.x, forecast), error * ERRS_ANEW, alike * mass);
      }
    }
  }
  const total = away.reduce((sum, one) => sum + one, 0);
  if (total > 0)
    for (const g of states)
      for (let bin = 0; bin < all; bin++) chances[g * all + bin]! += (awayMass[g]! / total) * away[bin]!;
  const slips = slippedNumbers(table.hookup, posterior, span.low, width, bins);
  for (const one of states) mixSlips(chances, one * all, slips, slipChance(table.hookup));
  return { chances, bins: all };
}

/** The reading before as the likelihood takes it, a slip as on a usual car of this kind. */
function firstRead(
  hookup: Hookup,
  { value, resolution }: { value: number; resolution: number },
  { setup }: Pick<Posterior, "setup">,
): ReadBefore {
  const slipped = slipChance(hookup) * slipDensity(hookup, value, resolution, nominalCondition(setup));
  return { x: toScale(hookup.instrument, value), resolution, slipped };
}

function wordChances(
  table: ForecastTable & { kind: "words" },
  planning: Planning,
  speaking: ReadonlySet<number>,
  by: State,
): { chances: Float64Array; bins: number } {
  const { posterior, stride, within } = planning;
  const bins = table.words.length;
  const chances = new Float64Array(stateCount(planning, by) * bins);
  const states = new Set<number>();
  for (const g of speaking) {
    const { first, size } = posterior.hypotheses[g]!;
    for (let row = first; row < first + size; row += stride) {
      if (by === "group" && within[row]! < 1e-6) continue;
      const state = by === "group" ? g : row / stride;
      const weight = by === "group" ? within[row]! : 1;
      states.add(state);
      for (let word = 0; word < bins; word++)
        chances[state * bins + word]! += weight * table.chances[(row / stride) * bins + word]!;
    }
  }
  const slips = new Float64Array(bins).fill(1 / bins);
  for (const one of states) mixSlips(chances, one * bins, slips, slipChance(table.hookup));
  return { chances, bins };
}

/** Lays a forecast over the bins its kernel reaches. @param at place, and `sigma` width, in bins from the first bin's edge */
function spread(chances: Float64Array, start: number, bins: number, at: number, mass: number, sigma: number): void {
  const home = Math.min(bins - 1, Math.max(0, Math.floor(at)));
  if (sigma < 0.3) {
    chances[start + home]! += mass;
    return;
  }
  const reach = Math.min(bins, Math.ceil(2 * sigma));
  let total = 0;
  for (let bin = Math.max(0, home - reach); bin <= Math.min(bins - 1, home + reach); bin++)
    total += errorDensity(bin + 0.5 - at, sigma);
  for (let bin = Math.max(0, home - reach); bin <= Math.min(bins - 1, home + reach); bin++)
    chances[start + bin]! += (mass * errorDensity(bin + 0.5 - at, sigma)) / total;
}

/** Where slipped numbers fall: the error model's own density over the bins, OL last. */
function slippedNumbers(
  hookup: Hookup,
  { setup }: Pick<Posterior, "setup">,
  low: number,
  width: number,
  bins: number,
): Float64Array {
  const usual = nominalCondition(setup);
  const slips = new Float64Array(bins + 1);
  let total = 0;
  for (let bin = 0; bin < bins; bin++) {
    const value = fromScale(hookup.instrument, low + (bin + 0.5) * width);
    total += slips[bin] = Math.min(1, width * slipDensity(hookup, value, 0, usual));
  }
  const over = hookup.instrument === "ohms" ? slipLikelihood({ hookup, value: { kind: "over-limit" } }, 1, usual) : 0;
  for (let bin = 0; bin < bins; bin++) slips[bin]! *= (1 - over) / total;
  slips[bins] = over;
  return slips;
}

function mixSlips(chances: Float64Array, start: number, slips: Float64Array, chance: number): void {
  for (let bin = 0; bin < slips.length; bin++)
    chances[start + bin] = (1 - chance) * chances[start + bin]! + chance * slips[bin]!;
}

/** Gives each group the outcome chances of the group that speaks for it. */
function speakFor(speakers: Int32Array, chances: Float64Array, bins: number): void {
  speakers.forEach((voice, g) => {
    if (voice !== g) chances.copyWithin(g * bins, voice * bins, (voice + 1) * bins);
  });
}

function range(
  table: NumberTable,
  posterior: Posterior,
  speaking: ReadonlySet<number>,
  stride: number,
): { low: number; high: number } {
  let [low, high] = [Infinity, -Infinity];
  posterior.hypotheses.forEach(({ first, size }, g) => {
    if (!speaking.has(g)) return;
    for (let at = (first / stride) * table.slots; at < ((first + size) / stride) * table.slots; at++) {
      if (table.chances[at] === 0 || table.values[at] === Infinity) continue;
      if (table.values[at]! < low) low = table.values[at]!;
      if (table.values[at]! > high) high = table.values[at]!;
    }
  });
  if (low > high) return { low: 0, high: 1 };
  return { low: toScale(table.hookup.instrument, low) - 0.05, high: toScale(table.hookup.instrument, high) + 0.05 };
}

/**
 * Width each forecast is smeared by, per slot. A candidate stands for a cloud (see kernel.ts) whose spread by common
 * tolerances is some 1.6 times that among the candidates; wide spreads come from the fault's own size, which they do
 * show. Without it a few scattered candidates would pass for knowledge.
 */
function slotKernels(
  table: NumberTable,
  { first, size }: { first: number; size: number },
  within: Float64Array,
  stride: number,
): Float64Array {
  const kernels = new Float64Array(table.slots);
  for (let slot = 0; slot < table.slots; slot++) {
    let [sum, mean, square] = [0, 0, 0];
    for (let row = first; row < first + size; row += stride) {
      const at = (row / stride) * table.slots + slot;
      if (table.chances[at] === 0 || table.values[at] === Infinity) continue;
      const x = toScale(table.hookup.instrument, table.values[at]!);
      const weight = within[row]!;
      sum += weight;
      mean += weight * x;
      square += weight * x * x;
    }
    if (sum <= 0) continue;
    const deviation = Math.sqrt(Math.max(0, square / sum - (mean / sum) ** 2));
    kernels[slot] = Math.min(WIDEST_KERNEL, CLOUD_OVER_SCATTER * deviation);
  }
  return kernels;
}

/**
 * The blur of each slot's forecasts from what the candidates stand for: dearer than `slotKernels`, and right where a
 * reading spreads by place or by a tolerance the candidates show.
 */
function cloudKernels(
  table: NumberTable,
  { particles }: Posterior,
  group: Hypothesis,
  cloud: Cloud,
  stride: number,
): Float64Array {
  const { instrument } = table.hookup;
  return Float64Array.from({ length: table.slots }, (_, slot) => {
    const x = new Float64Array(group.size).fill(NaN);
    let [sum, mean] = [0, 0];
    for (let k = 0; k < group.size; k += stride) {
      const at = ((group.first + k) / stride) * table.slots + slot;
      if (table.chances[at] === 0 || table.values[at] === Infinity) continue;
      x[k] = toScale(instrument, table.values[at]!);
      sum += particles.weight[group.first + k]!;
      mean += particles.weight[group.first + k]! * x[k]!;
    }
    const left = (group.size / stride) ** SILVERMAN;
    const slope = sum > 0 ? fitSlope(particles, group, cloud, x, mean / sum, SMALL_ERROR, left) : null;
    return Math.sqrt(slope?.variance ?? 0);
  });
}

const SMALL_ERROR = 0.02;
/** Few candidates stand for many: the variance of a kernel over n of them (B. W. Silverman, Density Estimation, 1986). */
const SILVERMAN = -2 / 5;
const CLOUD_OVER_SCATTER = 1.6;
const WIDEST_KERNEL = 0.5;

/** Weights of every `stride`-th candidate, summing to 1 within each group. */
export function subsetWeights({ hypotheses, particles }: Posterior, stride: number): Float64Array {
  const { weight, count } = particles;
  const within = new Float64Array(count);
  for (const { first, size } of hypotheses) {
    let sum = 0;
    for (let row = first; row < first + size; row += stride) sum += weight[row]!;
    for (let row = first; row < first + size; row += stride) within[row] = sum > 0 ? weight[row]! / sum : 0;
  }
  return within;
}

function entropy(values: Float64Array, start: number, count: number): number {
  let sum = 0;
  for (let i = start; i < start + count; i++) {
    const p = values[i]!;
    if (p > 0) sum -= p * Math.log2(p);
  }
  return sum;
}
