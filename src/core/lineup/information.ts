import type { Candidates, Group } from "./candidates";
import type { ForecastTable } from "./forecast";
import { fitSlope, type Cloud } from "./kernel";
import { overLimitChance, scaleError, toScale } from "./scale";
import { BLUNDER } from "./weigh";

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
  candidates: Candidates;
  /** Of the groups. */
  shares: Float64Array;
  /** Every so-many-th candidate is forecast. */
  stride: number;
  /** Weights of the candidates forecast, summing to 1 in each group (see `subsetWeights`). */
  within: Float64Array;
}

/**
 * Sorts one check's forecasts into outcome bins by group.
 * @param voices for each group, the group whose forecasts stand for it (see reach.ts)
 * @param clouds what each group's candidates stand for, where it is at hand (see kernel.ts)
 */
export function informationTable(
  table: ForecastTable,
  planning: Planning,
  voices: Int32Array,
  clouds: readonly Cloud[] = [],
): InformationTable {
  const { chances, bins } = outcomeChances(table, planning, voices, clouds, "group");
  speakFor(voices, chances, bins);
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
  voices: Int32Array,
  clouds: readonly Cloud[],
): Outcomes {
  const { groups } = planning.candidates;
  const { chances, bins } = outcomeChances(table, planning, voices, clouds, "candidate");
  const voiceOf = new Int32Array(planning.candidates.count / planning.stride);
  groups.forEach(({ first, size }, g) => {
    const from = groups[voices[g]!]!.first;
    for (let k = 0; k < size; k += planning.stride)
      voiceOf[(first + k) / planning.stride] = (from + k) / planning.stride;
  });
  return { outcomes: bins, chance: (state, outcome) => chances[voiceOf[state]! * bins + outcome]! };
}

/** What outcomes are counted by. */
type State = "group" | "candidate";

function stateCount({ candidates, stride }: Planning, by: State): number {
  return by === "group" ? candidates.groups.length : candidates.count / stride;
}

function outcomeChances(
  table: ForecastTable,
  planning: Planning,
  voices: Int32Array,
  clouds: readonly Cloud[],
  by: State,
): { chances: Float64Array; bins: number } {
  const speaking = new Set<number>();
  voices.forEach((voice, g) => {
    if (planning.shares[g]! > NEGLIGIBLE_SHARE) speaking.add(voice);
  });
  return table.kind === "words"
    ? wordChances(table, planning, speaking, by)
    : numberChances(table, planning, speaking, clouds, by);
}

function numberChances(
  table: ForecastTable & { kind: "numbers" },
  planning: Planning,
  speaking: ReadonlySet<number>,
  clouds: readonly Cloud[],
  by: State,
): { chances: Float64Array; bins: number } {
  const { candidates, stride, within } = planning;
  const span = range(table, candidates, speaking, stride);
  const bins = Math.max(2, Math.min(MOST_BINS, Math.ceil((span.high - span.low) / NARROWEST_BIN)));
  const width = (span.high - span.low) / bins || 1;
  const all = bins + 1;
  const chances = new Float64Array(stateCount(planning, by) * all);
  const states = new Set<number>();
  for (const g of speaking) {
    const { first, size } = candidates.groups[g]!;
    const cloud = clouds[g];
    const kernels = cloud
      ? cloudKernels(table, candidates, candidates.groups[g]!, cloud, stride)
      : slotKernels(table, { first, size }, within, stride);
    for (let row = first; row < first + size; row += stride) {
      if (by === "group" && within[row]! < 1e-6) continue;
      const state = by === "group" ? g : row / stride;
      const weight = by === "group" ? within[row]! : 1;
      states.add(state);
      for (let slot = 0; slot < table.slots; slot++) {
        const at = (row / stride) * table.slots + slot;
        const chance = table.chances[at]! * weight;
        if (chance === 0) continue;
        const value = table.values[at]!;
        const overLimit = overLimitChance(table.hookup.instrument, value);
        chances[state * all + bins]! += chance * overLimit;
        if (value === Infinity) continue;
        const sigma = Math.hypot(scaleError(table.hookup, value, 0), kernels[slot]!) / width;
        spread(
          chances,
          state * all,
          bins,
          (toScale(table.hookup.instrument, value) - span.low) / width,
          chance * (1 - overLimit),
          sigma,
        );
      }
    }
  }
  for (const one of states) blunder(chances, one * all, all);
  return { chances, bins: all };
}

function wordChances(
  table: ForecastTable & { kind: "words" },
  planning: Planning,
  speaking: ReadonlySet<number>,
  by: State,
): { chances: Float64Array; bins: number } {
  const { candidates, stride, within } = planning;
  const bins = table.words.length;
  const chances = new Float64Array(stateCount(planning, by) * bins);
  const states = new Set<number>();
  for (const g of speaking) {
    const { first, size } = candidates.groups[g]!;
    for (let row = first; row < first + size; row += stride) {
      if (by === "group" && within[row]! < 1e-6) continue;
      const state = by === "group" ? g : row / stride;
      const weight = by === "group" ? within[row]! : 1;
      states.add(state);
      for (let word = 0; word < bins; word++)
        chances[state * bins + word]! += weight * table.chances[(row / stride) * bins + word]!;
    }
  }
  for (const one of states) blunder(chances, one * bins, bins);
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
    total += bell((bin + 0.5 - at) / sigma);
  for (let bin = Math.max(0, home - reach); bin <= Math.min(bins - 1, home + reach); bin++)
    chances[start + bin]! += (mass * bell((bin + 0.5 - at) / sigma)) / total;
}

function bell(z: number): number {
  return Math.exp(-0.5 * z * z) + 1e-9;
}

function blunder(chances: Float64Array, start: number, bins: number): void {
  for (let bin = 0; bin < bins; bin++) chances[start + bin] = (1 - BLUNDER) * chances[start + bin]! + BLUNDER / bins;
}

/** Gives each group the outcome chances of the group that speaks for it. */
function speakFor(voices: Int32Array, chances: Float64Array, bins: number): void {
  voices.forEach((voice, g) => {
    if (voice !== g) chances.copyWithin(g * bins, voice * bins, (voice + 1) * bins);
  });
}

function range(
  table: ForecastTable & { kind: "numbers" },
  candidates: Candidates,
  speaking: ReadonlySet<number>,
  stride: number,
): { low: number; high: number } {
  let [low, high] = [Infinity, -Infinity];
  candidates.groups.forEach(({ first, size }, g) => {
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
  table: ForecastTable & { kind: "numbers" },
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
  table: ForecastTable & { kind: "numbers" },
  candidates: Candidates,
  group: Group,
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
      sum += candidates.weight[group.first + k]!;
      mean += candidates.weight[group.first + k]! * x[k]!;
    }
    const left = (group.size / stride) ** SILVERMAN;
    const slope = sum > 0 ? fitSlope(candidates, group, cloud, x, mean / sum, SMALL_ERROR, left) : null;
    return Math.sqrt(slope?.variance ?? 0);
  });
}

const SMALL_ERROR = 0.02;
/** Few candidates stand for many: the variance of a kernel over n of them (B. W. Silverman, Density Estimation, 1986). */
const SILVERMAN = -2 / 5;
const CLOUD_OVER_SCATTER = 1.6;
const WIDEST_KERNEL = 0.5;

/** Weights of every `stride`-th candidate, summing to 1 within each group. */
export function subsetWeights({ groups, weight, count }: Candidates, stride: number): Float64Array {
  const within = new Float64Array(count);
  for (const { first, size } of groups) {
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
