import type { Hookup } from "../checks/hookup";
import type { Part } from "../faults/parts/parts";
import type { Complaint } from "../complaint/complaint";
import type { CornerSetup } from "../circuit/setup";
import type { Observation } from "../observation/observation";
import type { Observed } from "../observation/typed-value";
import type { Checkpoint, DrawCheckpoint, Resume } from "./checkpoint";
import type { ForecastTable } from "./forecasts";
import { OneDraw, type DrawOptions } from "./one-draw";
import { sharesByPart, type PlanningTable, type Posterior, type Weighed } from "./posterior";
import type { ToldByPart } from "./told";

export interface BeliefOptions extends DrawOptions {
  resume?: Resume | undefined;
}

/** From this share of a part on its log is weighed with other candidates too. */
const SECOND_FROM = 0.9;
/** Candidates that predicted the log by so many bits better have found cars that the others have missed. */
const BETTER_BITS = 2;
/** In a log so long no single reading and no single draw carries a verdict any more. */
const LONGEST = 40;
/** Any other seed. */
const OTHER_SEED = 0x9e3779b9;

/**
 * What is believed of one corner, by one draw of candidate cars, and by a second one once a part leads by far.
 *
 * Candidates are moved toward what is read, and a slipped reading may have moved all those of the true fault to where the
 * next reading finds none of them: the draw has lost them, and is sure of something else. How well a draw predicted the
 * whole log, its evidence, says so: two draws of one posterior have the same evidence but for their scatter, and a draw that
 * has lost the true cars has less of it, by ten bits and more. So no part is proven by the luck of one draw: what both say
 * counts by their evidence (Bayesian model averaging over the estimates of a particle filter, whose likelihood estimates are
 * unbiased: P. Del Moral, Feynman–Kac Formulae, 2004), and the one that predicts clearly better goes on.
 */
export class Belief implements Posterior {
  readonly #options: DrawOptions;
  #lead: OneDraw;
  #other: OneDraw | null = null;
  /** The other draw with some of the log weighed, before it is asked. */
  #prepared: OneDraw | null = null;
  /** Which of the two draws leads. */
  #draw: 0 | 1;

  constructor(
    readonly setup: CornerSetup,
    readonly complaint: Complaint,
    { resume, ...options }: BeliefOptions,
  ) {
    this.#options = options;
    const { draw = 0, other } = resume?.checkpoint ?? {};
    this.#draw = draw;
    this.#lead = this.#drawn(draw, resume);
    if (resume && other) this.#other = this.#drawn(draw === 0 ? 1 : 0, { checkpoint: other, log: resume.log });
  }

  #drawn(draw: 0 | 1, resume?: Resume<DrawCheckpoint>): OneDraw {
    const seed = draw === 0 ? this.#options.seed : this.#options.seed ^ OTHER_SEED;
    return new OneDraw(this.setup, this.complaint, { ...this.#options, seed, resume });
  }

  /** Weighs one observation in; where that lets a part lead by far, the whole log is weighed with a second draw. */
  learn(observation: Observation): void {
    this.#lead.learn(observation);
    this.#other?.learn(observation);
    if (this.log.length > LONGEST) this.#other = null;
    else if (!this.#other && this.#leadsByFar()) this.#other = this.#weighedAnew();
    if (this.#other && this.#other.evidenceBits > this.#lead.evidenceBits + BETTER_BITS) {
      [this.#lead, this.#other] = [this.#other, this.#lead];
      this.#draw = this.#draw === 0 ? 1 : 0;
    }
  }

  #leadsByFar(): boolean {
    const byPart = sharesByPart(
      this.#lead,
      this.#lead.alone(() => this.#lead.shares()),
    );
    return Math.max(...byPart.values()) >= SECOND_FROM;
  }

  #weighedAnew(): OneDraw {
    while (this.prepare());
    const other = this.#prepared!;
    this.#prepared = null;
    other.tell(this.#lead.told);
    return other;
  }

  /**
   * Weighs one reading more with the second draw, before it is asked: whoever has time to spare calls it, and the reading that
   * lets a part lead by far need not wait for the whole log. @returns whether there is more to weigh
   */
  prepare(): boolean {
    if (this.#other || this.log.length > LONGEST) return false;
    this.#prepared ??= this.#drawn(this.#draw === 0 ? 1 : 0);
    const next = this.log[this.#prepared.log.length];
    if (next) this.#prepared.learn(next.observation);
    return this.#prepared.log.length < this.log.length;
  }

  surely(part: Part): number {
    const own = this.#lead.surely(part);
    if (!this.#other) return own;
    const weight = 2 ** (this.#other.evidenceBits - this.#lead.evidenceBits);
    return (own + weight * this.#other.surely(part)) / (1 + weight);
  }

  /** Takes in what the car's other corners say of parts, in place of what they said before (see `OneDraw`). */
  tell(byPart: ToldByPart): void {
    this.#lead.tell(byPart);
    this.#other?.tell(byPart);
  }

  /** Asks this corner by its own log, as if nothing were told from elsewhere. */
  alone<T>(question: () => T): T {
    const other = this.#other;
    return this.#lead.alone(() => (other ? other.alone(question) : question()));
  }

  /** All that was made of the log so far, to go on from another time: a copy. */
  checkpoint(): Checkpoint {
    const other = this.#other ? { other: this.#other.checkpoint() } : {};
    return { ...this.#lead.checkpoint(), draw: this.#draw, ...other };
  }

  /** Weighs one observation in, among the hypotheses there are and with the candidates there are. */
  add(observation: Observation): Weighed {
    return this.#lead.add(observation);
  }

  get carried() {
    return this.#lead.carried;
  }

  get initial(): Float64Array {
    return this.#lead.initial;
  }

  get hypotheses() {
    return this.#lead.hypotheses;
  }

  get particles() {
    return this.#lead.particles;
  }

  get clouds() {
    return this.#lead.clouds;
  }

  get log(): readonly Weighed[] {
    return this.#lead.log;
  }

  get unlisted(): number {
    return this.#lead.unlisted;
  }

  foresee(observed: Observed): Float64Array {
    return this.#lead.foresee(observed);
  }

  predict(observed: Observed): Float64Array {
    return this.#lead.predict(observed);
  }

  shares(): Float64Array {
    return this.#lead.shares();
  }

  indexOf(id: string): number {
    return this.#lead.indexOf(id);
  }

  forecasts(hookups: readonly Hookup[]): ForecastTable[] {
    return this.#lead.forecasts(hookups);
  }

  planningForecasts(hookups: readonly Hookup[], shares: Float64Array, asTheyWere = false): PlanningTable[] {
    return this.#lead.planningForecasts(hookups, shares, asTheyWere);
  }

  spanDamage(h: number) {
    return this.#lead.spanDamage(h);
  }

  times(hookup: Hookup): number {
    return this.#lead.times(hookup);
  }

  readBefore(hookup: Hookup): Observed["value"] | null {
    return this.#lead.readBefore(hookup);
  }

  slippedBefore(hookup: Hookup): Float64Array | null {
    return this.#lead.slippedBefore(hookup);
  }

  slipShare(weighed: Weighed): number {
    return this.#lead.slipShare(weighed);
  }

  expectedSlips(): number {
    return this.#lead.expectedSlips();
  }
}
