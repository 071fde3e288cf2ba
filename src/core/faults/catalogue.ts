import type { CornerSetup } from "../circuit/setup";
import type { Fault, Place } from "./fault";
import { moduleFaults } from "./module-faults";
import { defaultPriors, type Part } from "./parts/parts";
import { ringFaults } from "./ring-faults";
import { sensorFaults } from "./sensor-faults";
import { wireFaults } from "./wire-faults";
import { numberField } from "../units/number-field";

/** Every fault the line-up knows. */
export const faults: readonly Fault[] = [...sensorFaults, ...ringFaults, ...wireFaults, ...moduleFaults];

/** One fault at one place, with its share of the prior. */
export interface Suspectable {
  fault: Fault;
  place: Place;
  prior: number;
  /** The faults it is made of, where two are wrong together. */
  of?: readonly [Suspectable, Suspectable];
}

/** Shares with one part set to so many per cent and all brought back to 1; null when that is no share. */
export function withShare(shares: Record<Part, number>, part: Part, percent: number): Record<Part, number> | null {
  if (!(percent >= 0 && percent <= 100)) return null;
  const changed = { ...shares, [part]: percent / 100 };
  const total = Object.values(changed).reduce((sum, share) => sum + share, 0);
  if (!(total > 0)) return null;
  return Object.fromEntries(Object.entries(changed).map(([one, share]) => [one, share / total])) as typeof changed;
}

/** A share of a part as it is typed, in per cent. */
export const shareField = numberField(0, 100);

/** Every fault × place this corner can have, with priors that sum to 1. */
export function suspectables(setup: CornerSetup, priors: Record<Part, number> = defaultPriors): Suspectable[] {
  const fitting = faults.filter(({ families }) => families.includes(setup.family));
  const partWeight = new Map<Part, number>();
  for (const { part, weight } of fitting) partWeight.set(part, (partWeight.get(part) ?? 0) + weight);
  const all = fitting.flatMap((fault) =>
    fault.places(setup).map((place) => ({
      fault,
      place,
      prior: (priors[fault.part] * fault.weight * place.share) / partWeight.get(fault.part)!,
    })),
  );
  const total = all.reduce((sum, { prior }) => sum + prior, 0);
  return all.map((one) => ({ ...one, prior: one.prior / total }));
}

/** A fault and place as one name, unique within a corner. */
export function suspectId(fault: Fault, place: Place): string {
  return `${fault.code}@${place.id}`;
}
