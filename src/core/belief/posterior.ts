import type { Complaint } from "../complaint/complaint";
import type { CornerSetup } from "../circuit/setup";
import type { Hookup } from "../checks/hookup";
import type { Danger } from "../checks/interlocks";
import type { Part } from "../faults/parts/parts";
import { faultsOf } from "../faults/pair";
import type { Observation } from "../observation/observation";
import type { Group } from "./candidates";
import type { ForecastTable } from "./forecasts";
import type { Cloud } from "./kernel";
import type { Particles } from "./particles";

/** One fault at one place, or two together, as it is judged. */
export type Hypothesis = Readonly<Group>;

/** One observation after it was weighed. */
export interface Weighed {
  observation: Observation;
  /** How well each hypothesis predicted it (density or probability), before it was weighed. */
  byHypothesis: Float64Array;
  /** How well all of them together did. */
  overall: number;
}

/** A check's forecasts as planning needs them, and the hypothesis that speaks for each (see localisation.ts). */
export interface PlanningTable {
  table: ForecastTable;
  speakers: Int32Array;
  /** For each hypothesis, 1 where its fault cannot change the numbers of this reading, only how often it shows each. */
  sameNumbers: Uint8Array;
}

/** What is believed of one corner once all readings so far are weighed: what verdict and planning may see. */
export interface Posterior {
  readonly setup: CornerSetup;
  readonly complaint: Complaint;
  /** What spoke against driving before the last repair and still does; undefined for a car as it came. */
  readonly carried: Danger | null | undefined;
  readonly hypotheses: readonly Hypothesis[];
  readonly particles: Particles;
  /** What was weighed, in order. */
  readonly log: readonly Weighed[];
  /** Shares before anything was measured, in the order of `hypotheses`. */
  readonly initial: Float64Array;
  /** Shares now; they sum to 1. */
  shares(): Float64Array;
  /** Share of a part, what the luck of the draw makes of it taken out where it matters: see belief.ts. */
  surely(part: Part): number;
  /** Share of what is in no list: see unlisted.ts. */
  readonly unlisted: number;
  indexOf(id: string): number;
  /** Full forecasts of hook-ups, made if need be. */
  forecasts(hookups: readonly Hookup[]): ForecastTable[];
  /**
   * Forecasts of every `PLANNING_STRIDE`-th candidate, for choosing among many checks.
   * @param shares by which the hypotheses count
   * @param asTheyWere forecasts at hand will do, though readings have moved their candidates since
   */
  planningForecasts(hookups: readonly Hookup[], shares: Float64Array, asTheyWere?: boolean): PlanningTable[];
  /** What each hypothesis' candidates stand for. */
  readonly clouds: readonly Cloud[];
  /** Where along the wires the candidates of a hypothesis are damaged, each with its weight. */
  spanDamage(h: number): { span: number; fraction: number; weight: number }[];
  /** How often a look was had, or a reading taken, with this hook-up already. */
  times(hookup: Hookup): number;
  /**
   * For each hypothesis the chance that the last number read with this hook-up was a slip; null where it will not read the
   * same again: it is new, watched anew, or turned the wheel.
   */
  slippedBefore(hookup: Hookup): Float64Array | null;
  /** What this hook-up read the last time; null where it is new, watched anew, or turned the wheel. */
  readBefore(hookup: Hookup): Observation["value"] | null;
  /** Chance, in the light of everything since, that an observation was a slip. */
  slipShare(weighed: Weighed): number;
  /** How many of the observations must have been slips, as expected in the light of all of them. */
  expectedSlips(): number;
  /** Shares after an observation that is not logged: exactly what logging it would give. */
  foresee(observation: Pick<Observation, "hookup" | "value">): Float64Array;
  /** How well each hypothesis predicts an observation, without weighing it in. */
  predict(observation: Pick<Observation, "hookup" | "value">): Float64Array;
}

/** The chance that each part is at fault, alone or with another: where two are, the sum is over 1. */
export function sharesByPart(
  { hypotheses }: Pick<Posterior, "hypotheses">,
  shares: ArrayLike<number>,
): Map<Part, number> {
  const sums = new Map<Part, number>();
  hypotheses.forEach((hypothesis, h) => {
    for (const part of new Set(faultsOf(hypothesis).map(({ fault }) => fault.part)))
      sums.set(part, (sums.get(part) ?? 0) + shares[h]!);
  });
  return sums;
}
