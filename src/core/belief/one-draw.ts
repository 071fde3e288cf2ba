import { readsBareWire } from "../checks/bare-wire";
import { hookupKey, type Hookup } from "../checks/hookup";
import type { Danger } from "../checks/interlocks";
import type { CornerSetup } from "../circuit/setup";
import type { Complaint } from "../complaint/complaint";
import { codesElsewhere } from "../complaint/complaint-weight";
import type { OwnRatios } from "../complaint/ratio";
import type { Suspectable } from "../faults/catalogue";
import { defaultPriors, type Part } from "../faults/parts/parts";
import type { Observation } from "../observation/observation";
import type { Observed } from "../observation/typed-value";
import { seeded } from "../random/random";
import { Answered } from "./answered";
import { packedSlip, pairNames, pairsNamed, slipOf, type DrawCheckpoint, type Resume } from "./checkpoint";
import {
  copyOf,
  drawCandidates,
  freshen,
  outdate,
  sharesOf,
  type Candidates,
  type Group,
  type Population,
} from "./candidates";
import { Forecasts, PLANNING_STRIDE, type ForecastTable } from "./forecasts";
import { freshCloud, isThin, resample, type Cloud } from "./kernel";
import { Localisation } from "./localisation";
import { pairsCalledFor } from "./pairs";
import type { Particles } from "./particles";
import { keepRecording } from "./recording";
import { sharesByPart, type PlanningTable, type Posterior, type Weighed } from "./posterior";
import { toldTo, weighByGroup, type Told, type ToldByPart } from "./told";
import { touchesThatCount, touchOf } from "./touched";
import { isSameAgain, UNLISTED_PRIOR, unlistedLikelihood } from "./unlisted";
import { settleGroup, type Pull } from "./weigh";
import { weighIn, type Bench, type Moment } from "./weigh-in";

export interface DrawOptions {
  seed: number;
  /** Candidates per fault and place, at least. */
  perGroup?: number;
  priors?: Record<Part, number>;
  /** Ratios by which the complaint weighs faults, where the shop has set its own. */
  ratios?: OwnRatios | undefined;
  /** Ratios by which what is known from the first of the car's other corners weighs parts. What their readings say is told: see `tell`. */
  elsewhere?: ToldByPart | undefined;
  /** Shares to begin with, for a car of which more is known than a complaint says. */
  given?: (one: Suspectable) => number;
  /** Faults of the catalogue that it does not know: what becomes of a car that has one. */
  without?: readonly string[];
  /** What spoke against driving before the last repair and still does. */
  carried?: Danger | null;
  /** Where to go on from; made with the same set-up, complaint, seed and shares. */
  resume?: Resume<DrawCheckpoint> | undefined;
}

/** Groups below this share keep the forecasts they have. */
const FORECAST_SHARE = 1e-5;
/** Below this share planning goes by a group's older forecasts: what they are off by cannot change the choice. */
const REPLANNED_SHARE = 0.01;
/** Groups below this share are left out of planning. */
const PLANNED_SHARE = 1e-3;
const SETTLING_ROUNDS = 1;
/** Groups below this share are not worth settling. */
const SETTLED_SHARE = 0.01;

/**
 * What one draw of candidate cars makes of a corner. Feed it observations in order; it re-weighs them, and where few are left
 * it resamples them. Same set-up, complaint, seed and observations give the same numbers anywhere.
 */
export class OneDraw implements Posterior {
  readonly setup: CornerSetup;
  readonly complaint: Complaint;
  readonly carried: Danger | null | undefined;
  readonly #population: Omit<Population, "pairs">;
  #pairs: readonly Suspectable[] = [];
  #initial!: Float64Array;
  #told!: Told;
  #candidates!: Candidates;
  #clouds!: readonly Cloud[];
  #forecasts!: Forecasts;
  #planning!: Forecasts;
  #localisation!: Localisation;
  #log: Weighed[] = [];
  /** For each logged observation, each candidate's chance that it was a slip, packed: to judge later whether it was the odd one out. */
  #slips = new Map<Weighed, Uint8Array>();
  /** The sum of them, by candidate. */
  #slipSums = new Float64Array(0);
  #answered!: Answered;
  #unlisted = UNLISTED_PRIOR;
  /** For each hypothesis, what kinds of readings of the log its fault can change. */
  #touched = new Uint8Array(0);

  constructor(
    setup: CornerSetup,
    complaint: Complaint,
    { seed, perGroup = 96, priors = defaultPriors, ratios, elsewhere, given, without, carried, resume }: DrawOptions,
  ) {
    this.setup = setup;
    this.complaint = complaint;
    this.carried = carried;
    const size = PLANNING_STRIDE * Math.ceil(perGroup / PLANNING_STRIDE);
    this.#population = { setup, complaint, priors, ratios, elsewhere, perGroup: size, seed, given, without };
    this.#begin([]);
    if (resume) this.#goOn(resume);
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
    this.#slips = new Map();
    this.#slipSums = new Float64Array(this.#candidates.count);
    this.#answered = new Answered(codesElsewhere(this.complaint.codes, this.setup.corner).length > 0);
    this.#unlisted = UNLISTED_PRIOR;
    this.#touched = new Uint8Array(this.#candidates.groups.length);
    this.#initial = this.shares();
    this.#told = toldTo(this.hypotheses, this.#initial, {});
  }

  /**
   * Takes in what the car's other corners say of parts, in place of what they said before. Readings are weighed without
   * it, and it then weighs their outcome: so what this corner knows by itself is at hand at any time (see `alone`), and
   * another word from elsewhere need not weigh its log anew.
   */
  tell(byPart: ToldByPart): void {
    const before = this.#told.factors;
    this.#told = toldTo(this.hypotheses, this.#initial, byPart);
    const changed = this.#told.factors.map((factor, g) => factor / before[g]!);
    if (changed.some((factor) => factor !== 1)) weighByGroup(this.#candidates, changed);
  }

  /** What the other corners say, as it was told last. */
  get told(): ToldByPart {
    return this.#told.byPart;
  }

  /** Asks this corner by its own log, as if nothing were told from elsewhere. */
  alone<T>(question: () => T): T {
    const { byPart } = this.#told;
    this.tell({});
    try {
      return question();
    } finally {
      this.tell(byPart);
    }
  }

  /** All that was made of the log so far, to go on from another time: a copy. */
  checkpoint(): DrawCheckpoint {
    return this.alone(() => ({
      pairs: pairNames(this.#pairs),
      scores: this.#candidates.scores.slice(),
      weight: this.#candidates.weight.slice(),
      covariances: this.#clouds.map(({ covariance }) => covariance.slice()),
      weighed: this.#log.map((one) => ({
        byHypothesis: one.byHypothesis,
        overall: one.overall,
        slips: this.#slips.get(one)!.slice(),
      })),
      unlisted: this.#unlisted,
      touched: this.#touched.slice(),
      stoodAt: this.#answered.stoodAt,
      recording: this.#candidates.recording && {
        ...this.#candidates.recording,
        came: this.#candidates.recording.came.slice(),
      },
      initial: this.#initial,
    }));
  }

  /** @throws RangeError for a checkpoint of another line-up */
  #goOn({ checkpoint, log }: Resume<DrawCheckpoint>): void {
    const { pairs, scores, weight, covariances, weighed, touched } = checkpoint;
    if (pairs.length > 0) this.#begin(pairsNamed(pairs, this.hypotheses));
    const candidates = this.#candidates;
    const fits =
      scores.length === candidates.scores.length &&
      weight.length === candidates.count &&
      weighed.length === log.length &&
      touched.length === this.hypotheses.length &&
      covariances.length === this.#clouds.length &&
      covariances.every(({ length }, g) => length === this.#clouds[g]!.covariance.length) &&
      weighed.every(
        (one) => one.slips.length === candidates.count && one.byHypothesis.length === this.hypotheses.length,
      );
    if (!fits) throw new RangeError("a checkpoint of another line-up");
    candidates.scores.set(scores);
    candidates.weight.set(weight);
    candidates.groups.forEach((_, g) => this.#moved(g));
    this.#clouds.forEach(({ covariance }, g) => covariance.set(covariances[g]!));
    weighed.forEach(({ byHypothesis, overall, slips }, i) => {
      const one = { observation: log[i]!, byHypothesis, overall };
      this.#log.push(one);
      this.#keepSlips(one, slips);
    });
    this.#answered.resume(log, checkpoint.stoodAt);
    if (checkpoint.recording) candidates.recording = checkpoint.recording;
    this.#touched.set(touched);
    this.#unlisted = checkpoint.unlisted;
    this.#initial = checkpoint.initial;
    this.tell({});
  }

  get initial(): Float64Array {
    return this.#told.initial;
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

  /** How well the candidates together predicted the log, in bits: log₂ of the product of what they made of each reading. */
  get evidenceBits(): number {
    return this.#log.reduce((sum, { overall }) => sum + Math.log2(overall), 0);
  }

  surely(part: Part): number {
    return sharesByPart(this, this.shares()).get(part) ?? 0;
  }

  get unlisted(): number {
    return this.#unlisted;
  }

  /**
   * Weighs one observation in, then asks whether a single fault still explains the log: where none does, pairs are drawn
   * and the whole log is weighed anew with them in the running.
   */
  learn(observation: Observation): void {
    this.alone(() => {
      this.add(observation);
      const pairs = pairsCalledFor(this, this.#pairs, (hookup) => this.#localisation.untouched(hookup));
      if (pairs === null) return;
      const log = this.#log.map((one) => one.observation);
      this.#begin(pairs);
      for (const one of log) this.add(one);
    });
  }

  /** Weighs one observation in, among the hypotheses there are. */
  add(observation: Observation): Weighed {
    return this.alone(() => this.#add(observation));
  }

  #add(observation: Observation): Weighed {
    const candidates = this.#candidates;
    const before = this.shares();
    const { trusted, pulls, table, meanwhile, came } = weighIn(
      observation,
      this.#bench(observation.hookup, candidates, this.#clouds, this.#forecasts, (g) => this.#moved(g)),
      this.#moment(observation.hookup, before),
    );
    const after = sharesOf(candidates);
    const overall = sum(after);
    if (pulls) this.#settle(table, pulls, (g) => after[g]! > SETTLED_SHARE * overall);
    for (let row = 0; row < candidates.count; row++) candidates.weight[row]! /= overall;
    const weighed = { observation, byHypothesis: ratio(after, before), overall };
    this.#log.push(weighed);
    this.#keepSlips(
      weighed,
      Uint8Array.from(trusted, (chance) => packedSlip(1 - chance)),
    );
    // What is in no list comes and goes as what is.
    this.#weighUnlisted(observation, overall / meanwhile, table);
    this.#answered.note(observation, table, candidates.weight);
    keepRecording(candidates, observation.hookup, came);
    this.#touch(observation);
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

  planningForecasts(hookups: readonly Hookup[], shares: Float64Array, asTheyWere = false): PlanningTable[] {
    this.#localisation.learn(hookups);
    const speakers = new Map(hookups.map((hookup) => [hookup, this.#localisation.speakers(hookup, shares)]));
    const speaking = new Map(hookups.map((hookup) => [hookupKey(hookup), new Set(speakers.get(hookup))]));
    const tables = this.#planning.want(
      hookups,
      (g, hookup, older) =>
        !(older && asTheyWere) &&
        shares[g]! > (older ? REPLANNED_SHARE : PLANNED_SHARE) &&
        speaking.get(hookupKey(hookup))!.has(g),
    );
    return hookups.map((hookup, i) => {
      const touched = this.#touchedFor(hookup);
      return {
        table: this.#answered.changed(tables[i]!, () => tables[i]!),
        speakers: speakers.get(hookup)!,
        sameNumbers: this.#localisation.sameValues(hookup).map((same, g) => (touched[g] ? 0 : same)),
      };
    });
  }

  spanDamage(h: number): { span: number; fraction: number; weight: number }[] {
    const { groups, cars, weight } = this.#candidates;
    const group = groups[h]!;
    freshen(this.#candidates, group);
    return Array.from({ length: group.size }, (_, k) => group.first + k).flatMap((row) =>
      cars[row]!.circuit.spanDefects.map(({ span, fraction }) => ({ span, fraction, weight: weight[row]! })),
    );
  }

  times(hookup: Hookup): number {
    return this.#answered.times(hookup);
  }

  readBefore(hookup: Hookup): Observed["value"] | null {
    return this.#answered.readBefore(hookup);
  }

  slippedBefore(hookup: Hookup): Float64Array | null {
    if (this.readBefore(hookup)?.kind !== "number") return null;
    const key = hookupKey(hookup);
    const last = this.#log.findLast(({ observation }) => hookupKey(observation.hookup) === key);
    const slips = last && this.#slips.get(last);
    if (!slips) return null;
    const { groups, weight } = this.#candidates;
    return Float64Array.from(groups, ({ first, size }) => {
      let [total, slipped] = [0, 0];
      for (let row = first; row < first + size; row++) {
        total += weight[row]!;
        slipped += weight[row]! * slipOf(slips[row]!);
      }
      return total > 0 ? slipped / total : 0;
    });
  }

  slipShare(weighed: Weighed): number {
    const slips = this.#slips.get(weighed)!;
    return this.#candidates.weight.reduce((sum, weight, row) => sum + weight * slipOf(slips[row]!), 0);
  }

  expectedSlips(): number {
    return this.#candidates.weight.reduce((sum, weight, row) => sum + weight * this.#slipSums[row]!, 0);
  }

  #touch({ hookup, value }: Observation): void {
    if (value.kind === "word") return;
    this.#localisation.sameValues(hookup).forEach((same, g) => {
      if (!same) this.#touched[g]! |= touchOf(hookup);
    });
  }

  /** For each hypothesis, 1 where its fault had a part in an earlier reading that has to do with this one. */
  #touchedFor(hookup: Hookup): Uint8Array {
    const counting = touchesThatCount(hookup);
    return this.#touched.map((touched) => (touched & counting ? 1 : 0));
  }

  #keepSlips(weighed: Weighed, slips: Uint8Array): void {
    this.#slips.set(weighed, slips);
    for (let row = 0; row < slips.length; row++) this.#slipSums[row]! += slipOf(slips[row]!);
  }

  /** Shares after an observation, not yet brought back to 1, on a copy of everything it would change. */
  #afterwards(observed: Observed): Float64Array {
    this.forecasts([observed.hookup]); // Cars that have moved are made anew before they are copied.
    const candidates = copyOf(this.#candidates);
    const clouds = this.#clouds.map(({ covariance }) => ({ covariance: covariance.slice() }));
    // The second end of a range is forecast anew from the cars the first has moved; all else needs no forecast but those at hand.
    const ranged = observed.value.kind === "range";
    const forecasts = ranged ? new Forecasts(candidates) : this.#forecasts;
    const moved = (g: number): void => {
      outdate(candidates, candidates.groups[g]!);
      if (ranged) forecasts.moved(g);
    };
    weighIn(
      observed,
      this.#bench(observed.hookup, candidates, clouds, forecasts, moved),
      this.#moment(observed.hookup, this.shares()),
    );
    return sharesOf(candidates);
  }

  #bench(
    hookup: Hookup,
    candidates: Candidates,
    clouds: readonly Cloud[],
    forecasts: Forecasts,
    moved: (g: number) => void,
  ): Bench {
    const before = this.shares();
    const tableNow = () => this.#tables(forecasts, [hookup], before)[0]!;
    return { candidates, clouds, forecasts, localisation: this.#localisation, tableNow, moved };
  }

  #moment(hookup: Hookup, shares: Float64Array): Moment {
    return { shares, readBefore: this.readBefore(hookup), turn: this.#log.length, touched: this.#touchedFor(hookup) };
  }

  #tables(forecasts: Forecasts, hookups: readonly Hookup[], shares: Float64Array): ForecastTable[] {
    const matters = (g: number) => shares[g]! > FORECAST_SHARE;
    const now = (hookup: Hookup) => forecasts.want([hookup], matters)[0]!;
    return forecasts.want(hookups, matters).map((table) => this.#answered.changed(table, now));
  }

  #weighUnlisted({ hookup, value }: Observation, overall: number, table: ForecastTable): void {
    if (isSameAgain(this.readBefore(hookup), value, hookup)) return;
    const answers = table.kind === "words" ? table.words.length : 1;
    const broad = unlistedLikelihood(value, overall, answers, readsBareWire(hookup, this.setup));
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
      const { recording } = candidates;
      for (const byRow of [this.#slipSums, ...this.#slips.values(), ...(recording ? [recording.came] : [])]) {
        const kept = byRow.slice(group.first, group.first + group.size);
        parents.forEach((parent, k) => (byRow[group.first + k] = kept[parent - group.first]!));
      }
      this.#moved(g);
    });
  }

  #moved(g: number): void {
    outdate(this.#candidates, this.#candidates.groups[g]!);
    this.#forecasts.moved(g);
    this.#planning.moved(g);
  }
}

function ratio(after: Float64Array, before: Float64Array): Float64Array {
  return after.map((share, g) => (before[g]! > 0 ? share / before[g]! : 0));
}

function sum(values: Float64Array): number {
  return values.reduce((all, value) => all + value, 0);
}
