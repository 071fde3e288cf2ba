import { secondLook } from "../observation/second-look";
import { hookupKey, type Hookup } from "../checks/hookup";
import { turnsWheel } from "../checks/turns-wheel";
import type { Danger } from "../checks/interlocks";
import type { CornerSetup } from "../circuit/setup";
import type { Complaint } from "../complaint/complaint";
import type { OwnRatios } from "../complaint/ratio";
import type { Suspectable } from "../faults/catalogue";
import { defaultPriors, type Part } from "../faults/parts/parts";
import type { Observation } from "../observation/observation";
import type { Observed } from "../observation/typed-value";
import { seeded } from "../random/random";
import { copyOf, drawCandidates, freshen, type Candidates, type Group, type Population } from "./candidates";
import {
  endForecast,
  Forecasts,
  inSlotsOf,
  PLANNING_STRIDE,
  type End,
  type ForecastTable,
  type NumberTable,
} from "./forecasts";
import { freshCloud, resample, type Cloud } from "./kernel";
import { Localisation } from "./localisation";
import { pairsCalledFor } from "./pairs";
import type { Particles } from "./particles";
import type { PlanningTable, Posterior, Weighed } from "./posterior";
import { levelMet, standing, type StoodAt } from "./standing-wheel";
import { UNLISTED_PRIOR, unlistedLikelihood } from "./unlisted";
import { settleGroup, slipShare, weighAtom, weighNumber, type Pull } from "./weigh";

export interface BeliefOptions {
  seed: number;
  /** Candidates per fault and place, at least. */
  perGroup?: number;
  priors?: Record<Part, number>;
  /** Ratios by which the complaint weighs faults, where the shop has set its own. */
  ratios?: OwnRatios | undefined;
  /** Shares to begin with, for a car of which more is known than a complaint says. */
  given?: (one: Suspectable) => number;
  /** What spoke against driving before the last repair and still does. */
  carried?: Danger | null;
}

/** Groups below this share are weighed without being pulled toward the reading. */
const FINE_SHARE = 2e-4;
/** Groups below this share keep the forecasts they have. */
const FORECAST_SHARE = 1e-5;
/** Below this share planning goes by a group's older forecasts: what they are off by cannot change the choice. */
const REPLANNED_SHARE = 1e-2;
/** Groups below this share are left out of planning. */
const PLANNED_SHARE = 1e-3;
/** Dimensions in which a cloud has less variance than this have no width worth asking for. */
const NARROW = 1e-5;
const SETTLING_ROUNDS = 1;
/** Groups below this share are not worth settling. */
const SETTLED_SHARE = 1e-2;
/** A group is resampled when it matters and few of its cars carry its weight. */
const MATTERS = 0.003;
const THIN = 0.35;

/** Where the weighing is done: on the belief itself, or on a copy that is thrown away. */
interface Bench {
  candidates: Candidates;
  clouds: readonly Cloud[];
  forecasts: Forecasts;
}

/**
 * What is believed of one corner. Feed it observations in order; it re-weighs its candidate cars, and where few are left
 * it resamples them. Same set-up, complaint, seed and observations give the same numbers anywhere.
 */
export class Belief implements Posterior {
  readonly setup: CornerSetup;
  readonly complaint: Complaint;
  readonly carried: Danger | null | undefined;
  readonly #population: Omit<Population, "pairs">;
  #pairs: readonly Suspectable[] = [];
  #initial!: Float64Array;
  #candidates!: Candidates;
  #clouds!: readonly Cloud[];
  #forecasts!: Forecasts;
  #planning!: Forecasts;
  #localisation!: Localisation;
  #log: Weighed[] = [];
  /** For each logged observation, each candidate's likelihood: to judge later whether it was the odd one out. */
  #perCandidate = new Map<Weighed, Float64Array>();
  /** What each hook-up was answered with, in order. */
  #answers = new Map<string, Observed["value"][]>();
  #unlisted = UNLISTED_PRIOR;
  /** Which of its two levels the sensor was left at by the last reading on a standing wheel; unknown once it was turned. */
  #stoodAt: StoodAt = null;

  constructor(
    setup: CornerSetup,
    complaint: Complaint,
    { seed, perGroup = 96, priors = defaultPriors, ratios, given, carried }: BeliefOptions,
  ) {
    this.setup = setup;
    this.complaint = complaint;
    this.carried = carried;
    const size = PLANNING_STRIDE * Math.ceil(perGroup / PLANNING_STRIDE);
    this.#population = { setup, complaint, priors, ratios, perGroup: size, seed, given };
    this.#begin([]);
  }

  /** Draws the candidates anew, with these pairs of faults among them, and forgets what was weighed. */
  #begin(pairs: readonly Suspectable[]): void {
    this.#pairs = pairs;
    this.#candidates = drawCandidates({ ...this.#population, pairs });
    this.#forecasts = new Forecasts(this.#candidates);
    this.#planning = new Forecasts(this.#candidates, PLANNING_STRIDE);
    this.#localisation = new Localisation(this.#candidates);
    this.#clouds = this.#candidates.groups.map(() => freshCloud(this.#candidates));
    this.#log = [];
    this.#perCandidate = new Map();
    this.#answers = new Map();
    this.#unlisted = UNLISTED_PRIOR;
    this.#stoodAt = null;
    this.#initial = this.shares();
  }

  get initial(): Float64Array {
    return this.#initial;
  }

  get hypotheses(): readonly Group[] {
    return this.#candidates.groups;
  }

  get particles(): Particles {
    return this.#candidates;
  }

  get clouds(): readonly Cloud[] {
    return this.#clouds;
  }

  get log(): readonly Weighed[] {
    return this.#log;
  }

  get unlisted(): number {
    return this.#unlisted;
  }

  /**
   * Weighs one observation in, then asks whether a single fault still explains the log: where none does, pairs are drawn
   * and the whole log is weighed anew with them in the running.
   */
  learn(observation: Observation): void {
    this.add(observation);
    const pairs = pairsCalledFor(this, this.#pairs, (hookup) => this.#localisation.untouched(hookup));
    if (pairs === null) return;
    const log = this.#log.map((one) => one.observation);
    this.#begin(pairs);
    for (const one of log) this.add(one);
  }

  /** Weighs one observation in, among the hypotheses there are. */
  add(observation: Observation): Weighed {
    const candidates = this.#candidates;
    const before = this.shares();
    const bench = { candidates, clouds: this.#clouds, forecasts: this.#forecasts };
    const { perCandidate, pulls, table } = this.#weigh(observation, bench, before, (g) => this.#moved(g));
    const after = sharesOf(candidates);
    const overall = sum(after);
    if (pulls) this.#settle(table, pulls, (g) => after[g]! > SETTLED_SHARE * overall);
    for (let row = 0; row < candidates.count; row++) candidates.weight[row]! /= overall;
    const weighed = { observation, byHypothesis: ratio(after, before), overall };
    this.#log.push(weighed);
    this.#perCandidate.set(weighed, perCandidate);
    this.#weighUnlisted(observation, overall, table);
    if (turnsWheel(observation.hookup)) this.#stoodAt = null;
    else if (observation.value.kind === "number")
      this.#stoodAt = levelMet(table, observation.value, candidates.weight) ?? this.#stoodAt;
    const key = hookupKey(observation.hookup);
    this.#answers.set(key, [...(this.#answers.get(key) ?? []), observation.value]);
    this.#resampleThin();
    return weighed;
  }

  foresee(observed: Observed): Float64Array {
    const after = this.#afterwards(observed);
    const overall = sum(after);
    return after.map((share) => share / overall);
  }

  predict(observed: Observed): Float64Array {
    return ratio(this.#afterwards(observed), this.shares());
  }

  shares(): Float64Array {
    return sharesOf(this.#candidates);
  }

  indexOf(id: string): number {
    return this.hypotheses.findIndex((one) => one.id === id);
  }

  forecasts(hookups: readonly Hookup[]): ForecastTable[] {
    return this.#tables(this.#forecasts, hookups, this.shares());
  }

  planningForecasts(hookups: readonly Hookup[], shares: Float64Array): PlanningTable[] {
    this.#localisation.learn(hookups);
    const speakers = new Map(hookups.map((hookup) => [hookup, this.#localisation.speakers(hookup, shares)]));
    const speaks = (g: number, asked: readonly Hookup[]) => asked.some((hookup) => speakers.get(hookup)?.includes(g));
    const tables = this.#planning.want(
      hookups,
      (g, asked, older) => shares[g]! > (older ? REPLANNED_SHARE : PLANNED_SHARE) && speaks(g, asked),
    );
    return hookups.map((hookup, i) => ({ table: this.#lookedAt(tables[i]!), speakers: speakers.get(hookup)! }));
  }

  spanDamage(h: number): { span: number; fraction: number; weight: number }[] {
    const { groups, cars, weight } = this.#candidates;
    const group = groups[h]!;
    freshen(this.#candidates, group, h);
    return Array.from({ length: group.size }, (_, k) => group.first + k).flatMap((row) =>
      cars[row]!.circuit.spanDefects.map(({ span, fraction }) => ({ span, fraction, weight: weight[row]! })),
    );
  }

  times(hookup: Hookup): number {
    return this.#answers.get(hookupKey(hookup))?.length ?? 0;
  }

  readBefore(hookup: Hookup): Observed["value"] | null {
    if (hookup.state.watched || turnsWheel(hookup)) return null;
    return this.#answers.get(hookupKey(hookup))?.at(-1) ?? null;
  }

  slipShare(weighed: Weighed): number {
    const { observation } = weighed;
    const perCandidate = this.#perCandidate.get(weighed)!;
    const [table] = this.#forecasts.want([observation.hookup], () => false);
    const { count, weight, cars } = this.#candidates;
    let chance = 0;
    for (let row = 0; row < count; row++)
      if (weight[row]! > 0) chance += weight[row]! * slipShare(observation, table!, cars[row]!, perCandidate[row]!);
    return chance;
  }

  /** Shares after an observation, not yet brought back to 1, on a copy of everything it would change. */
  #afterwards(observed: Observed): Float64Array {
    this.forecasts([observed.hookup]); // Cars that have moved are made anew before they are copied.
    const candidates = copyOf(this.#candidates);
    const clouds = this.#clouds.map(({ covariance }) => ({ covariance: covariance.slice() }));
    // The second end of a range is forecast anew from the cars the first has moved; all else needs no forecast but those at hand.
    const ranged = observed.value.kind === "range";
    const forecasts = ranged ? new Forecasts(candidates) : this.#forecasts;
    this.#weigh(observed, { candidates, clouds, forecasts }, this.shares(), (g) => {
      candidates.stale[g] = 1;
      if (ranged) forecasts.moved(g);
    });
    return sharesOf(candidates);
  }

  #weigh(observed: Observed, bench: Bench, before: Float64Array, moved: (g: number) => void) {
    const { candidates, clouds, forecasts } = bench;
    const { value, hookup } = observed;
    const perCandidate = new Float64Array(candidates.count);
    const readBefore = this.readBefore(hookup);
    const tableNow = () => this.#tables(forecasts, [hookup], before)[0]!;
    let table = tableNow();
    let pulls: (Pull | null)[] | null = null;
    const weighNumbers = (
      read: { value: number; resolution: number },
      numbers: NumberTable,
      plain: NumberTable = numbers,
      earlier: { value: number; resolution: number } | null = null,
    ) =>
      candidates.groups.map((group, g) => {
        const fine = before[g]! > FINE_SHARE;
        const cloud = clouds[g]!;
        const wide = (d: number) => cloud.covariance[d * candidates.dimensions + d]! > NARROW;
        const gradient = fine
          ? (row: number) =>
              inSlotsOf(forecasts.gradient(hookup, g, row, wide), row, plain, numbers, candidates.dimensions)
          : null;
        const pull = weighNumber(
          observed,
          read,
          numbers,
          candidates,
          group,
          cloud,
          perCandidate,
          gradient,
          this.#log.length,
          earlier,
        );
        if (pull) moved(g);
        return pull;
      });
    if (value.kind === "number" && table.kind === "numbers")
      pulls = weighNumbers(value, table, table, readBefore?.kind === "number" ? readBefore : null);
    else if (value.kind === "range" && table.kind === "numbers") {
      const end = (which: End) =>
        weighNumbers(
          { value: which === "low" ? value.low : value.high, resolution: value.resolution },
          endForecast(table as NumberTable, which),
          table as NumberTable,
        );
      end("low");
      const first = perCandidate.slice();
      table = tableNow();
      end("high");
      for (let row = 0; row < perCandidate.length; row++) perCandidate[row]! *= first[row]!;
    } else
      candidates.groups.forEach((group) =>
        weighAtom(observed, table, candidates, group, perCandidate, readBefore?.kind === "over-limit"),
      );
    this.#pool(observed.hookup, candidates, before, perCandidate);
    return { perCandidate, pulls, table };
  }

  #tables(forecasts: Forecasts, hookups: readonly Hookup[], shares: Float64Array): ForecastTable[] {
    return forecasts.want(hookups, (g) => shares[g]! > FORECAST_SHARE).map((table) => this.#lookedAt(table));
  }

  /** The forecasts as they are after what was done before: the same look had, the wheel left where it stood. */
  #lookedAt(table: ForecastTable): ForecastTable {
    if (table.kind === "numbers") return standing(table, this.#stoodAt);
    const last = this.#answers.get(hookupKey(table.hookup))?.at(-1);
    if (last?.kind !== "word") return table;
    const at = table.words.indexOf(last.word);
    const chances = new Float64Array(table.chances.length);
    for (let start = 0; start < chances.length; start += table.words.length)
      chances.set(secondLook([...table.chances.subarray(start, start + table.words.length)], at), start);
    return { ...table, chances };
  }

  /**
   * Faults that cannot change this reading share one likelihood, the mean over all of them by share: what each
   * group's own few candidates happen to say of it is noise.
   */
  #pool(hookup: Hookup, candidates: Candidates, before: Float64Array, perCandidate: Float64Array): void {
    const { groups, weight } = candidates;
    const untouched = this.#localisation.untouched(hookup);
    const after = sharesOf(candidates);
    let [held, left] = [0, 0];
    for (let g = 0; g < groups.length; g++)
      if (untouched[g]) {
        held += before[g]!;
        left += after[g]!;
      }
    if (!(held > 0)) return;
    groups.forEach(({ first, size }, g) => {
      if (!untouched[g] || !(after[g]! > 0)) return;
      const factor = ((left / held) * before[g]!) / after[g]!;
      for (let row = first; row < first + size; row++) {
        weight[row]! *= factor;
        perCandidate[row]! *= factor;
      }
    });
  }

  #weighUnlisted({ value }: Observation, overall: number, table: ForecastTable): void {
    const broad = unlistedLikelihood(value, overall, table.kind === "words" ? table.words.length : 1);
    this.#unlisted = (this.#unlisted * broad) / (this.#unlisted * broad + (1 - this.#unlisted) * overall);
  }

  #settle(table: ForecastTable, pulls: (Pull | null)[], matters: (g: number) => boolean): void {
    for (let round = 0; round < SETTLING_ROUNDS; round++) {
      const [anew] = this.#forecasts.want([table.hookup], (g) => pulls[g] !== null && matters(g));
      this.#candidates.groups.forEach((group, g) => {
        const pull = pulls[g];
        if (!pull || !matters(g)) return;
        settleGroup(anew!, this.#candidates, group, pull);
        this.#moved(g);
      });
    }
  }

  #resampleThin(): void {
    const candidates = this.#candidates;
    candidates.groups.forEach((group, g) => {
      if (!isThin(candidates, group)) return;
      const random = seeded(this.#population.seed ^ Math.imul(this.#log.length, 0x85ebca6b));
      const parents = resample(candidates, group, this.#clouds[g]!, random);
      for (const perCandidate of this.#perCandidate.values()) {
        const kept = perCandidate.slice(group.first, group.first + group.size);
        parents.forEach((parent, k) => (perCandidate[group.first + k] = kept[parent - group.first]!));
      }
      this.#moved(g);
    });
  }

  #moved(g: number): void {
    this.#candidates.stale[g] = 1;
    this.#forecasts.moved(g);
    this.#planning.moved(g);
  }
}

function sharesOf({ groups, weight }: Candidates): Float64Array {
  const shares = new Float64Array(groups.length);
  groups.forEach(({ first, size }, g) => {
    for (let row = first; row < first + size; row++) shares[g]! += weight[row]!;
  });
  return shares;
}

function ratio(after: Float64Array, before: Float64Array): Float64Array {
  return after.map((share, g) => (before[g]! > 0 ? share / before[g]! : 0));
}

function sum(values: Float64Array): number {
  return values.reduce((all, value) => all + value, 0);
}

/** Whether a group has become too thin to be trusted: (Σw)² / Σw² (Kish's effective count) against its size. */
function isThin({ weight }: Candidates, { first, size }: Group): boolean {
  let [total, squares] = [0, 0];
  for (let row = first; row < first + size; row++) {
    total += weight[row]!;
    squares += weight[row]! ** 2;
  }
  return total > MATTERS && (total * total) / squares < THIN * size;
}
