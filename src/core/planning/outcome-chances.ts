import { endForecast, LEVELS, type ForecastTable, type NumberTable } from "../belief/forecasts";
import type { Cloud } from "../belief/kernel";
import type { Posterior } from "../belief/posterior";
import { isToggleTest, type Hookup } from "../checks/hookup";
import { nominalCondition, type CornerCondition } from "../circuit/condition";
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
  slippedWord,
  type ReadBefore,
} from "../observation/likelihood";
import { fromScale, overLimitChance, toScale } from "../observation/scale";
import { cloudKernels, slotKernels } from "./forecast-width";
import { NEGLIGIBLE_SHARE, type Planning } from "./planning";

const MOST_BINS = 32;
const NARROWEST_BIN = 0.1;

/** What outcomes are counted by. */
type State = "group" | "candidate";

function stateCount({ posterior, stride }: Planning, by: State): number {
  return by === "group" ? posterior.hypotheses.length : posterior.particles.count / stride;
}

export function outcomeChances(
  table: ForecastTable,
  planning: Planning,
  speakers: Int32Array,
  clouds: readonly Cloud[],
  by: State,
  sameNumbers: Uint8Array | null = null,
): { chances: Float64Array; bins: number } {
  const speaking = new Set<number>();
  speakers.forEach((voice, g) => {
    if (planning.shares[g]! > NEGLIGIBLE_SHARE) speaking.add(voice);
  });
  return table.kind === "words"
    ? wordChances(table, planning, speaking, by)
    : numberChances(
        isToggleTest(table.hookup) ? toggleOutcomes(table, planning, speaking) : table,
        planning,
        speaking,
        clouds,
        by,
        sameNumbers,
      );
}

/**
 * A toggle test is read as two levels. For planning it is one number: the greater where both are met, and far off the
 * scale where one level stays: whether it toggles is what tells most.
 */
function toggleOutcomes(
  table: NumberTable,
  { posterior, stride }: Planning,
  speaking: ReadonlySet<number>,
): NumberTable {
  const rows = [...speaking].map((g): [number, number] => {
    const { first, size } = posterior.hypotheses[g]!;
    return [(first / stride) * table.slots, ((first + size) / stride) * table.slots];
  });
  const high = endForecast(table, "high", rows);
  const low = endForecast(table, "low", rows);
  const { values, errors, chances, onScale } = high;
  for (const [from, until] of rows)
    for (let state = from; state < until; state += LEVELS) {
      const toggles = values[state]! > low.values[state]!;
      for (let at = state; at < state + LEVELS; at++) if (!(values[at]! > low.values[at]!)) onScale[at]! += OFF_SCALE;
      if (toggles || chances[state] === 0) continue;
      // One level alone: it has the place of those that stay at the lower or at the higher.
      const to = table.chances[state + 1]! > table.chances[state]! ? state + 2 : state + 1;
      for (const list of [values, errors, onScale, chances]) list[to] = list[state]!;
      chances[state] = 0;
    }
  return high;
}

/** So far off the scale that no pair of levels lies there. */
const OFF_SCALE = 10;

function numberChances(
  table: NumberTable,
  planning: Planning,
  speaking: ReadonlySet<number>,
  clouds: readonly Cloud[],
  by: State,
  sameNumbers: Uint8Array | null = null,
): { chances: Float64Array; bins: number } {
  const { posterior, stride, within } = planning;
  const { hookup, slots } = table;
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
  const usual = nominalCondition(posterior.setup);
  const slip = slipChance(hookup);
  const again = secondTime(table, posterior, usual, slip);
  const goesOver = hookup.instrument === "ohms" || hookup.instrument === "capacitance";
  const lead = by === "group" && sameNumbers ? likeliest(speaking, sameNumbers, planning.shares) : -1;
  const ofLead = { chances: new Float64Array(LEVELS * all), mass: new Float64Array(LEVELS) };
  for (const g of lead < 0 ? speaking : [lead, ...[...speaking].filter((other) => other !== lead)]) {
    const group = posterior.hypotheses[g]!;
    const cloud = clouds[g];
    const follows = g !== lead && lead >= 0 && sameNumbers![g] === 1;
    const shown = new Float64Array(LEVELS);
    const kernels = cloud
      ? cloudKernels(table, posterior, group, cloud, stride)
      : slotKernels(table, group, within, stride);
    for (let row = group.first; row < group.first + group.size; row += stride) {
      if (by === "group" && within[row]! < 1e-6) continue;
      const state = by === "group" ? g : row / stride;
      const weight = by === "group" ? within[row]! : 1;
      const start = (row / stride) * slots;
      states.add(state);
      const { alike, overTimes, numberTimes } = again ? again(start, kernels) : FIRST_TIME;
      for (let slot = 0; slot < slots; slot++) {
        const at = start + slot;
        const own = table.chances[at]! * weight;
        if (own === 0) continue;
        // What it may show is what the likeliest of those that show the same numbers shows; how often it does is its own.
        if (follows && slot < LEVELS && ofLead.mass[slot]! > 0) {
          shown[slot]! += own;
          continue;
        }
        const isAway = by === "group" && slot >= LEVELS;
        if (isAway) awayMass[g]! += own;
        const leads = g === lead && !isAway && slot < LEVELS;
        if (leads) ofLead.mass[slot]! += own;
        const into = isAway ? away : leads ? ofLead.chances : chances;
        const first = isAway ? 0 : leads ? slot * all : state * all;
        let mass = isAway ? own * planning.shares[g]! : own;
        if (goesOver) {
          const value = table.values[at]!;
          const overLimit = overLimitChance(hookup.instrument, value);
          into[first + bins]! += mass * overLimit * overTimes;
          if (value === Infinity) continue;
          mass *= (1 - overLimit) * numberTimes;
        }
        const forecast = table.onScale[at]!;
        const error = table.errors[at]!;
        const kernel = kernels[slot]!;
        const share = alike ? alike[slot]! : 0;
        if (share < 1)
          spread(into, first, bins, (forecast - span.low) / width, (1 - share) * mass, joined(error, kernel) / width);
        if (share === 0) continue;
        const before = again!.x;
        const expected = (forecast + erredBefore(before, forecast) - span.low) / width;
        spread(into, first, bins, expected, share * mass, joined(error * ERRS_ANEW, kernel) / width);
      }
    }
    const taken = g === lead ? ofLead.mass : shown;
    for (let slot = 0; slot < LEVELS; slot++)
      if (taken[slot]! > 0)
        for (let bin = 0; bin < all; bin++)
          chances[g * all + bin]! += (taken[slot]! / ofLead.mass[slot]!) * ofLead.chances[slot * all + bin]!;
  }
  const total = away.reduce((sum, one) => sum + one, 0);
  if (total > 0)
    for (const g of states)
      for (let bin = 0; bin < all; bin++) chances[g * all + bin]! += (awayMass[g]! / total) * away[bin]!;
  const slips = slippedNumbers(hookup, usual, span.low, width, bins);
  for (const one of states) mixSlips(chances, one * all, slips, slip);
  return { chances, bins: all };
}

/** The likeliest of those that speak and may show the same numbers; −1 where there is none. */
function likeliest(speaking: ReadonlySet<number>, sameNumbers: Uint8Array, shares: Float64Array): number {
  let lead = -1;
  for (const g of speaking) if (sameNumbers[g] && (lead < 0 || shares[g]! > shares[lead]!)) lead = g;
  return lead;
}

function joined(error: number, kernel: number): number {
  return kernel === 0 ? error : Math.sqrt(error * error + kernel * kernel);
}

/** What a reading before does to the forecast of one candidate. */
interface Again {
  /** Per slot, the chance that it made the number before; null where none was read. */
  alike: Float64Array | null;
  /** What the chances of OL and of a number are multiplied by. */
  overTimes: number;
  numberTimes: number;
}

const FIRST_TIME: Again = { alike: null, overTimes: 1, numberTimes: 1 };

/** The same hook-up once more; null where it is new. The function takes a candidate's place in the table and its widths. */
function secondTime(
  table: NumberTable,
  posterior: Posterior,
  usual: CornerCondition,
  slip: number,
): (((start: number, kernels: Float64Array) => Again) & { x: number }) | null {
  const { hookup, slots } = table;
  const earlier = posterior.readBefore(hookup);
  if (earlier === null || earlier.kind === "word" || earlier.kind === "range") return null;
  const wasOver = earlier.kind === "over-limit";
  const slippedOver = slip * slipLikelihood({ hookup, value: { kind: "over-limit" } }, 1, usual);
  const before: ReadBefore | null = wasOver
    ? null
    : {
        x: toScale(hookup.instrument, earlier.value),
        resolution: earlier.resolution,
        slipped: slip * slipDensity(hookup, earlier.value, earlier.resolution, usual),
      };
  const variances = new Float64Array(slots);
  const again: Again = { alike: before && new Float64Array(slots), overTimes: 1, numberTimes: 1 };
  const of = (start: number, kernels: Float64Array): Again => {
    kernels.forEach((kernel, slot) => (variances[slot] = kernel * kernel));
    if (before) madeBefore(table, start, before, variances, again.alike!);
    const over = matchOverLimit(table, start);
    const overNow = overLimitAgain(over, wasOver, slip, slippedOver);
    again.overTimes = over > 0 ? overNow / over : 1;
    again.numberTimes = over < 1 ? (1 - overNow) / (1 - over) : 1;
    return again;
  };
  return Object.assign(of, { x: before?.x ?? 0 });
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
  const slips = Float64Array.from(table.words, (word) => slippedWord(table.hookup, word, bins));
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
  const [from, until] = [Math.max(0, home - reach), Math.min(bins - 1, home + reach)];
  const step = FINENESS / sigma;
  let total = 0;
  for (let bin = from; bin <= until; bin++) {
    const z = Math.abs(bin + 0.5 - at) * step;
    total += laid[bin] = z < BELL.length ? BELL[z | 0]! : 0;
  }
  // A forecast off the end lies in the last bin.
  if (total === 0) chances[start + home]! += mass;
  else for (let bin = from; bin <= until; bin++) chances[start + bin]! += (mass * laid[bin]!) / total;
}

const laid = new Float64Array(MOST_BINS);
/** The error model's density at so many hundredths of a standard deviation. */
const FINENESS = 100;
const BELL = Float64Array.from({ length: 8 * FINENESS }, (_, i) => errorDensity((i + 0.5) / FINENESS, 1));

/** Where slipped numbers fall: the error model's own density over the bins, OL last. */
function slippedNumbers(
  hookup: Hookup,
  usual: CornerCondition,
  low: number,
  width: number,
  bins: number,
): Float64Array {
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

function range(
  table: NumberTable,
  posterior: Posterior,
  speaking: ReadonlySet<number>,
  stride: number,
): { low: number; high: number } {
  const { onScale, chances, slots } = table;
  let [low, high] = [Infinity, -Infinity];
  for (const g of speaking) {
    const { first, size } = posterior.hypotheses[g]!;
    for (let at = (first / stride) * slots; at < ((first + size) / stride) * slots; at++) {
      const x = onScale[at]!;
      if (chances[at] === 0 || x === Infinity) continue;
      if (x < low) low = x;
      if (x > high) high = x;
    }
  }
  return low > high ? { low: 0, high: 1 } : { low: low - 0.05, high: high + 0.05 };
}
