import { faultsOf } from "../faults/pair";
import type { Part } from "../faults/parts/parts";
import type { Candidates, Group } from "./candidates";

/** By what factor each part is likelier for what is told of it from elsewhere: by the car's other corners. */
export type ToldByPart = Partial<Record<Part, number>>;

/** What is told, the factor it puts on each hypothesis, and what that makes of the shares to begin with. */
export interface Told {
  byPart: ToldByPart;
  factors: Float64Array;
  initial: Float64Array;
}

/** What is told, to a line-up that begins with these shares; of two faults it holds for both. */
export function toldTo(groups: readonly Group[], initial: Float64Array, byPart: ToldByPart): Told {
  const factors = Float64Array.from(groups, (group) =>
    faultsOf(group).reduce((all, { fault }) => all * (byPart[fault.part] ?? 1), 1),
  );
  const shares = initial.map((share, g) => share * factors[g]!);
  const total = shares.reduce((sum, share) => sum + share, 0);
  return { byPart, factors, initial: shares.map((share) => share / total) };
}

/** Weighs every candidate by its hypothesis's factor, and all of them back to 1. */
export function weighByGroup({ groups, weight }: Candidates, factors: ArrayLike<number>): void {
  let total = 0;
  groups.forEach(({ first, size }, g) => {
    for (let row = first; row < first + size; row++) total += weight[row]! *= factors[g]!;
  });
  for (let row = 0; row < weight.length; row++) weight[row]! /= total;
}
