import { checkCatalogue, type Check } from "../checks/catalogue";
import { secondLook } from "../car/second-look";
import { hookupKey, type Hookup } from "../checks/hookup";
import type { CornerSetup } from "../circuit/setup";
import { defaultPriors } from "../faults/catalogue";
import type { Part } from "../faults/fault";
import { seeded } from "../random/random";
import { drawCandidates, type Candidates, type Group } from "./candidates";
import type { Complaint } from "./complaint";
import type { Evidence } from "./evidence";
import { Forecasts, PLANNING_STRIDE, type ForecastTable } from "./forecast";
import { NEGLIGIBLE_SHARE } from "./information";
import { freshCloud, redraw, type Cloud } from "./kernel";
import { Reach } from "./reach";
import { settleGroup, slipShare, weighGroup, type Pull } from "./weigh";

export interface LineUpOptions {
  seed: number;
  /** Candidates per fault and place, at least. */
  perGroup?: number;
  priors?: Record<Part, number>;
}

/** One reading after it was weighed. */
export interface Weighed {
  evidence: Evidence;
  /** How well each group predicted it (density or probability), before it was weighed. */
  byGroup: Float64Array;
  /** How well the whole line-up predicted it. */
  overall: number;
  /** Per candidate, for judging later whether this reading was the odd one out. */
  perCandidate: Float64Array;
}

/** A check's forecasts as planning needs them, and the group that speaks for each (see reach.ts). */
export interface PlanningTable {
  table: ForecastTable;
  voices: Int32Array;
}

/**
 * The line-up of candidate cars for one corner. Feed it readings in order; it re-weighs, and where few candidates
 * are left it redraws them. Same set-up, complaint, seed and readings give the same numbers anywhere.
 */
export class LineUp {
  readonly setup: CornerSetup;
  readonly complaint: Complaint;
  readonly candidates: Candidates;
  readonly checks: readonly Check[];
  readonly weighed: Weighed[] = [];
  /** Group shares before anything was measured. */
  readonly initial: Float64Array;
  private readonly forecasts: Forecasts;
  private readonly planning: Forecasts;
  private readonly seed: number;
  /** What each group's candidates stand for. */
  readonly clouds: readonly Cloud[];
  private readonly reach: Reach;
  /** Words each look was answered with, in order. */
  private readonly answers = new Map<string, string[]>();

  constructor(
    setup: CornerSetup,
    complaint: Complaint,
    { seed, perGroup = 96, priors = defaultPriors }: LineUpOptions,
  ) {
    this.setup = setup;
    this.complaint = complaint;
    this.seed = seed;
    const groupSize = PLANNING_STRIDE * Math.ceil(perGroup / PLANNING_STRIDE);
    this.candidates = drawCandidates(setup, complaint, priors, groupSize, seed);
    this.forecasts = new Forecasts(this.candidates);
    this.planning = new Forecasts(this.candidates, PLANNING_STRIDE);
    this.reach = new Reach(this.candidates);
    this.clouds = this.candidates.groups.map(freshCloud);
    this.checks = checkCatalogue(setup, complaint.presence === "intermittent");
    this.initial = this.shares();
  }

  /** Weighs one reading in. */
  add(evidence: Evidence): Weighed {
    const { candidates } = this;
    const before = this.shares();
    const [table] = this.tables([evidence.hookup]);
    const perCandidate = new Float64Array(candidates.count);
    const pulls = candidates.groups.map((group, g) => {
      const pull = weighGroup(
        evidence,
        table!,
        candidates,
        group,
        this.clouds[g]!,
        perCandidate,
        before[g]! > FINE_SHARE,
      );
      if (pull) this.moved(g);
      return pull;
    });
    this.pool(evidence, before, perCandidate);
    const after = this.shares();
    const overall = after.reduce((sum, share) => sum + share, 0);
    this.settle(evidence, pulls, (g) => after[g]! > SETTLED_SHARE * overall);
    for (let row = 0; row < candidates.count; row++) candidates.weight[row]! /= overall;
    const weighed = {
      evidence,
      byGroup: after.map((share, g) => (before[g]! > 0 ? share / before[g]! : 0)),
      overall,
      perCandidate,
    };
    this.weighed.push(weighed);
    if (evidence.value.kind === "word") {
      const key = hookupKey(evidence.hookup);
      this.answers.set(key, [...(this.answers.get(key) ?? []), evidence.value.word]);
    }
    this.thicken();
    return weighed;
  }

  /** How well each group predicts a reading, without weighing it in. */
  predict(evidence: Evidence): { byGroup: Float64Array } {
    const { candidates } = this;
    const [weights, scores] = [candidates.weight.slice(), candidates.scores.slice()];
    const before = this.shares();
    const [table] = this.tables([evidence.hookup]);
    const out = new Float64Array(candidates.count);
    candidates.groups.forEach((group, g) =>
      weighGroup(evidence, table!, candidates, group, { covariance: this.clouds[g]!.covariance.slice() }, out),
    );
    const after = this.shares();
    candidates.weight.set(weights);
    candidates.scores.set(scores);
    return { byGroup: after.map((share, g) => (before[g]! > 0 ? share / before[g]! : 0)) };
  }

  /** Share of each group, in the order of `candidates.groups`. */
  shares(): Float64Array {
    const { groups, weight } = this.candidates;
    const shares = new Float64Array(groups.length);
    groups.forEach(({ first, size }, g) => {
      for (let row = first; row < first + size; row++) shares[g]! += weight[row]!;
    });
    return shares;
  }

  groupIndex(id: string): number {
    return this.candidates.groups.findIndex((group) => group.id === id);
  }

  /** Full forecast tables for hook-ups, made if need be. */
  tables(hookups: readonly Hookup[]): ForecastTable[] {
    const shares = this.shares();
    return this.forecasts.want(hookups, (g) => shares[g]! > FORECAST_SHARE).map((table) => this.lookedAt(table));
  }

  /** Forecasts of every `PLANNING_STRIDE`-th candidate only, for choosing among many checks. */
  planningTables(hookups: readonly Hookup[]): PlanningTable[] {
    const shares = this.shares();
    this.reach.learn(hookups);
    const voices = new Map(hookups.map((hookup) => [hookup, this.reach.voices(hookup, shares)]));
    const speaks = (g: number, asked: readonly Hookup[]) => asked.some((hookup) => voices.get(hookup)?.includes(g));
    const tables = this.planning.want(
      hookups,
      (g, asked, older) => shares[g]! > (older ? REPLANNED_SHARE : NEGLIGIBLE_SHARE) && speaks(g, asked),
    );
    return hookups.map((hookup, i) => ({ table: this.lookedAt(tables[i]!), voices: voices.get(hookup)! }));
  }

  /** How often a look was had already. */
  looks(hookup: Hookup): number {
    return this.answers.get(hookupKey(hookup))?.length ?? 0;
  }

  /** Chance, in the light of everything since, that a reading was a slip. */
  slipChance({ evidence, perCandidate }: Weighed): number {
    const [table] = this.forecasts.want([evidence.hookup], () => false);
    let sum = 0;
    for (let row = 0; row < this.candidates.count; row++) {
      const weight = this.candidates.weight[row]!;
      if (weight > 0) sum += weight * slipShare(evidence, table!, this.candidates.cars[row]!, perCandidate[row]!);
    }
    return sum;
  }

  /** The forecasts as they are once the same look was had before. */
  private lookedAt(table: ForecastTable): ForecastTable {
    const last = this.answers.get(hookupKey(table.hookup))?.at(-1);
    if (table.kind !== "words" || last === undefined) return table;
    const at = table.words.indexOf(last);
    const chances = new Float64Array(table.chances.length);
    for (let start = 0; start < chances.length; start += table.words.length)
      chances.set(secondLook([...table.chances.subarray(start, start + table.words.length)], at), start);
    return { ...table, chances };
  }

  /**
   * Faults that cannot change this reading share one likelihood, the mean over all of them by share: what each
   * group's own few candidates happen to say of it is noise.
   */
  private pool({ hookup }: Evidence, before: Float64Array, perCandidate: Float64Array): void {
    const { groups, weight } = this.candidates;
    const untouched = this.reach.untouched(hookup);
    const after = this.shares();
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

  private settle(evidence: Evidence, pulls: (Pull | null)[], matters: (g: number) => boolean): void {
    for (let round = 0; round < SETTLING_ROUNDS; round++) {
      const [table] = this.forecasts.want([evidence.hookup], (g) => pulls[g] !== null && matters(g));
      this.candidates.groups.forEach((group, g) => {
        const pull = pulls[g];
        if (!pull || !matters(g)) return;
        settleGroup(table!, this.candidates, group, pull);
        this.moved(g);
      });
    }
  }

  private thicken(): void {
    const { candidates, weighed } = this;
    candidates.groups.forEach((group, g) => {
      if (!isThin(candidates, group)) return;
      const parents = redraw(
        candidates,
        group,
        this.clouds[g]!,
        seeded(this.seed ^ Math.imul(weighed.length, 0x85ebca6b)),
      );
      for (const { perCandidate } of weighed) {
        const kept = perCandidate.slice(group.first, group.first + group.size);
        parents.forEach((parent, k) => (perCandidate[group.first + k] = kept[parent - group.first]!));
      }
      this.moved(g);
    });
  }

  private moved(g: number): void {
    this.candidates.stale[g] = 1;
    this.forecasts.moved(g);
    this.planning.moved(g);
  }
}

/** Groups below this share are weighed without being pulled toward the reading. */
const FINE_SHARE = 2e-4;
/** Groups below this share keep the forecasts they have. */
const FORECAST_SHARE = 1e-5;
/** Below this share planning goes by a group's older forecasts: what they are off by cannot change the choice. */
const REPLANNED_SHARE = 1e-2;

const SETTLING_ROUNDS = 1;
/** Groups below this share are not worth settling. */
const SETTLED_SHARE = 1e-2;

/** A group is redrawn when it matters and few of its cars carry its weight. */
const MATTERS = 0.003;
const THIN = 0.35;

/** Whether a group has become too thin to be trusted: (Σw)² / Σw² (Kish's effective count) against its size. */
function isThin({ weight }: Candidates, { first, size }: Group): boolean {
  let [sum, squares] = [0, 0];
  for (let row = first; row < first + size; row++) {
    sum += weight[row]!;
    squares += weight[row]! ** 2;
  }
  return sum > MATTERS && (sum * sum) / squares < THIN * size;
}
