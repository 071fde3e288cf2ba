import type { CodeKind } from "../codes/code";
import type { Fault } from "../faults/fault";
import type { Random } from "../random/random";
import { corners, type Corner } from "../units/corner";

/** Failure types a module would store for each kind of trouble (SAE J2012-DA, from memory). */
const FAILURE_TYPE: Partial<Record<CodeKind | "none", string>> = {
  open: "13",
  ground: "11",
  power: "12",
  "no-signal": "31",
  erratic: "2F",
  weak: "21",
  feed: "16",
  count: "39",
};
/** Modules are often less exact: this often the plain “no signal” is stored instead. */
const INEXACT = 0.25;

/** The code a module stores for a fault at a corner; null where it notices none. */
export function storedCode(
  { effect, part }: Pick<Fault, "effect" | "part">,
  corner: Corner,
  status: "present" | "history",
  random: Random,
): string | null {
  const type = FAILURE_TYPE[effect];
  if (!type) return null;
  const subject = effect === "feed" ? 1 : part === "ring" && random() < 0.5 ? 2 : 0;
  const number = (0x31 + 3 * corners.indexOf(corner) + subject).toString(16).toUpperCase().padStart(4, "0");
  return `C${number}-${random() < INEXACT ? "31" : type} ${status}`;
}
