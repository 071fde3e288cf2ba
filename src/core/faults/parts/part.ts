import type { RepairPlan } from "../repair-words";
import type { Wake } from "../wake";

/** One part a corner's fault can lie in: all that is said and reckoned of it as a part. */
export interface PartDefinition {
  id: string;
  label(): string;
  /** How likely it is before anything is known: salt road, no recent work (engineering judgement). They sum to 1. */
  prior: number;
  /** What renewing it costs, part and labour, in local money (an estimate, typical of the trade). */
  cost: number;
  /** Its place in the order in which parts are commonly fitted when nothing is measured (common practice, no source). */
  habit: number;
  /** The act that repairs it, as files name it; none where there is nothing to do. */
  act?: string;
  /** It serves more than one corner: judged on the car. */
  shared?: true;
  /** Its repair takes the sensor out, which may break it. */
  sensorComesOut?: true;
  /** Chance that a fault of it which comes and goes shows while it is provoked so (engineering judgement, no source). */
  wakes: Record<Wake, number>;
  /** How it is repaired where the fault has no repair of its own. */
  repair: RepairPlan;
}

/** What hardly answers to any provoking. */
export const RARELY: Record<Wake, number> = { bump: 0.08, turn: 0.15, wet: 0.12, heat: 0.2 };
