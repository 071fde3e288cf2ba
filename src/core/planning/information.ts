import type { ForecastTable } from "../belief/forecasts";
import type { Cloud } from "../belief/kernel";
import { parts } from "../faults/parts/parts";
import { outcomeChances } from "./outcome-chances";
import { NEGLIGIBLE_SHARE, type Planning } from "./planning";

const COARSE = 0.1;

/** Chances of each outcome bin of one check for each group, and what follows from them. */
export class InformationTable {
  /** Mutual information between fault and outcome, in bits; half of it between the part and the outcome where parts are given. */
  readonly bits: number;
  private readonly bins: number;
  private readonly chances: Float64Array;
  private readonly live: number[];
  private readonly groupEntropy: Float64Array;

  private readonly kinds: Int32Array | null;

  /** @param chances chances[group * bins + bin] @param kinds which part each group is a fault of; null where only the fault counts */
  constructor(chances: Float64Array, bins: number, shares: Float64Array, kinds: Int32Array | null = null) {
    this.kinds = kinds;
    this.bins = bins;
    this.chances = chances;
    this.live = [...shares.keys()].filter((g) => shares[g]! > NEGLIGIBLE_SHARE);
    this.groupEntropy = new Float64Array(shares.length);
    for (const g of this.live) this.groupEntropy[g] = entropy(chances, g * bins, bins);
    this.bits = this.gain(shares);
  }

  /**
   * Expected information of another check after this one, outcomes independent given the fault. Neighbouring outcomes of
   * this one count together, up to `COARSE` of the chances: to choose what comes next, more is not needed.
   */
  expectedNext(next: InformationTable, shares: Float64Array): number {
    const posterior = new Float64Array(shares.length);
    let [sum, chance] = [0, 0];
    for (let bin = 0; bin < this.bins; bin++) {
      for (const g of this.live) {
        const joint = shares[g]! * this.chances[g * this.bins + bin]!;
        posterior[g]! += joint;
        chance += joint;
      }
      if (chance < COARSE && bin < this.bins - 1) continue;
      if (chance >= 1e-3) {
        for (const g of this.live) posterior[g]! /= chance;
        sum += chance * next.gain(posterior);
      }
      posterior.fill(0);
      chance = 0;
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
    const whole = entropy(pooled, 0, this.bins);
    const ofFault = Math.max(0, whole - conditional);
    return this.kinds ? (1 - OF_PART) * ofFault + OF_PART * this.ofPart(shares, whole, this.kinds) : ofFault;
  }

  /** Mutual information between the part at fault and the outcome. */
  private ofPart(shares: Float64Array, whole: number, kinds: Int32Array): number {
    const { bins } = this;
    const count = 1 + kinds.reduce((most, kind) => Math.max(most, kind), 0);
    const [pooled, held] = [new Float64Array(count * bins), new Float64Array(count)];
    for (const g of this.live) {
      const [kind, share] = [kinds[g]!, shares[g]!];
      held[kind]! += share;
      for (let bin = 0; bin < bins; bin++) pooled[kind * bins + bin]! += share * this.chances[g * bins + bin]!;
    }
    let conditional = 0;
    for (let kind = 0; kind < count; kind++) {
      if (!(held[kind]! > 0)) continue;
      for (let bin = 0; bin < bins; bin++) pooled[kind * bins + bin]! /= held[kind]!;
      conditional += held[kind]! * entropy(pooled, kind * bins, bins);
    }
    return Math.max(0, whole - conditional);
  }
}

/**
 * Where a fault comes and goes what a check tells of the part counts as much as what it tells of the fault and its place:
 * what was caught once is seldom caught again soon, so the part comes first (engineering judgement; on 60 such cars of the
 * outside world it proves 41 in place of 40, in 11 readings instead of 13; with hard faults it proves 50 of 58, not 52).
 */
const OF_PART = 0.5;

/**
 * Sorts one check's forecasts into outcome bins by group.
 * @param speakers for each group, the group whose forecasts stand for it (see belief/localisation.ts)
 * @param clouds what each group's candidates stand for, where it is at hand (see kernel.ts)
 * @param sameNumbers groups that differ in how often they show a number, and not in which
 */
export function informationTable(
  table: ForecastTable,
  planning: Planning,
  speakers: Int32Array,
  clouds: readonly Cloud[] = [],
  sameNumbers: Uint8Array | null = null,
): InformationTable {
  const { chances, bins } = outcomeChances(table, planning, speakers, clouds, "group", sameNumbers);
  speakFor(speakers, chances, bins);
  const slipped = planning.posterior.slippedBefore(table.hookup);
  const kinds = planning.posterior.complaint.presence === "intermittent" ? partsOf(planning.posterior) : null;
  if (slipped) return new InformationTable(readAgain(chances, bins, slipped), bins + 1, planning.shares, kinds);
  return new InformationTable(chances, bins, planning.shares, kinds);
}

/** A number for the part of each group's fault. */
function partsOf({ hypotheses }: Planning["posterior"]): Int32Array {
  return Int32Array.from(hypotheses, ({ fault, of }) => (of ? parts.length : parts.indexOf(fault.part)));
}

/**
 * What was read once reads the same again, whatever the car, but for the part in which the first reading was a slip: one
 * outcome more, and of the others only that part.
 */
function readAgain(chances: Float64Array, bins: number, slipped: Float64Array): Float64Array {
  const again = new Float64Array(slipped.length * (bins + 1));
  slipped.forEach((share, g) => {
    for (let bin = 0; bin < bins; bin++) again[g * (bins + 1) + bin] = share * chances[g * bins + bin]!;
    again[g * (bins + 1) + bins] = 1 - share;
  });
  return again;
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

/** Gives each group the outcome chances of the group that speaks for it. */
function speakFor(speakers: Int32Array, chances: Float64Array, bins: number): void {
  speakers.forEach((voice, g) => {
    if (voice !== g) chances.copyWithin(g * bins, voice * bins, (voice + 1) * bins);
  });
}

function entropy(values: Float64Array, start: number, count: number): number {
  let sum = 0;
  for (let i = start; i < start + count; i++) {
    const p = values[i]!;
    if (p > 0) sum -= p * Math.log2(p);
  }
  return sum;
}
