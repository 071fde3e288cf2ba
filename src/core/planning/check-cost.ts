import { minutesFrom, SENSOR_OUT } from "../checks/access";
import type { Check } from "../checks/catalogue";
import type { InformationTable } from "./information";
import type { Policy } from "../complaint/policy";
import type { Part } from "../faults/parts/parts";

/** A check with what it would tell and cost from here. */
export interface Scored {
  check: Check;
  bits: number;
  worth: number;
  information: InformationTable;
  cost: number;
  /** What is best recorded at the same time; none for a check that does not wait. */
  beside?: Beside;
}

/** A second channel for a check that waits for the fault, and what both together tell more than the first alone. */
export interface Beside {
  other: Scored;
  /** Bits over those of the first channel. */
  bits: number;
}

/**
 * What each reading costs beside its minutes, in minutes of equal worth: reading the instruction, picking up the meter,
 * typing, and one more chance to slip (engineering judgement). At 2 the plan needed nine readings to proof on nine of
 * ten unseen cars, at 10 it needs eight and proves more, in about as many minutes.
 */
export const READING_MINUTES = 10;

/** What a check costs from here, in minutes of equal worth. */
export type CostOf = (check: Check, done: ReadonlySet<string>) => number;

/**
 * Minutes of equal worth a check costs from here: set-ups not yet made, the measuring, the harm, and handling.
 * @param outAnyway chance that the sensor must come out for the repair: that share of taking it out is no cost of the check
 */
export function costOf(policy: Policy, outAnyway: number): CostOf {
  return (check, done) => {
    const out = check.access.find(({ id }) => id === SENSOR_OUT);
    const spared = out ? outAnyway * (check.damageMinutes + (done.has(SENSOR_OUT) ? 0 : out.minutes)) : 0;
    return (minutesFrom(check, done) + check.damageMinutes - spared + READING_MINUTES) * pullOf(check, policy);
  };
}

/** Parts whose repair takes the sensor out of its seat. */
export const OUT_FOR: ReadonlySet<Part> = new Set(["sensor", "mounting"]);

/** What the minutes of a check are multiplied by under an approach. */
export function pullOf(check: Check, policy: Policy): number {
  return favoured(check, policy) ? APPROACH_PULL : 1;
}

/** How far an approach pulls: a check of its kind counts as this much cheaper. */
const APPROACH_PULL = 0.45;

function favoured(check: Check, { approach }: Policy): boolean {
  if (approach === "information") return false;
  const atWheel = check.access.some(({ id }) => id === "lift" || id === "wheel-off" || id.endsWith(":plug"));
  const inline = check.access.some(({ id }) => /:c\d$/.test(id)) && !atWheel;
  return approach === "wheel" ? atWheel : inline;
}
