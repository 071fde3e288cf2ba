import type { Fault } from "./fault";
import { partOf } from "./parts/parts";
import type { Wake } from "./wake";

/**
 * Chance that a fault which comes and goes shows while it is provoked so: movement finds wires, contacts and loose
 * mountings; water finds plugs and leaks; heat finds electronics and coils. Its part's chances, where it has none of its own.
 */
export function wakeChances({ part, wakes }: Pick<Fault, "part" | "wakes">): Record<Wake, number> {
  return { ...partOf(part).wakes, ...wakes };
}
