import { faultsOf } from "../faults/pair";
import type { Part } from "../faults/parts/parts";
import type { Candidates, Group } from "./candidates";

/** By what factor each part is likelier for what is told of it from elsewhere: by the car's other corners. */
export type ToldByPart = Partial<Record<Part, number>>;

/** The same for each hypothesis; of two faults, for both. */
export function toldFactors(groups: readonly Group[], told: ToldByPart): Float64Array<ArrayBuffer> {
  return Float64Array.from(groups, (group) =>
    faultsOf(group).reduce((all, { fault }) => all * (told[fault.part] ?? 1), 1),
  );
}

/** Weighs every candidate by its hypothesis's factor, and all of them back to 1. */
export function weighByGroup({ groups, weight }: Candidates, factors: ArrayLike<number>): void {
  let total = 0;
  groups.forEach(({ first, size }, g) => {
    for (let row = first; row < first + size; row++) total += weight[row]! *= factors[g]!;
  });
  for (let row = 0; row < weight.length; row++) weight[row]! /= total;
}

/** Shares weighed by factors. */
export function sharesTold(shares: Float64Array, factors: ArrayLike<number>): Float64Array {
  const told = shares.map((share, g) => share * factors[g]!);
  const total = told.reduce((sum, share) => sum + share, 0);
  return told.map((share) => share / total);
}
