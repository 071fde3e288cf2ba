import { suspectId, type Suspectable } from "../faults/catalogue";
import { HEALTHY } from "../faults/fault";
import type { Part } from "../faults/parts/parts";
import { faultsOf } from "../faults/pair";
import type { Posterior } from "./posterior";

/** What was repaired: a part, and where it has several places, which; all of them where it is not said. */
export interface Repaired {
  part: Part;
  /** A place as suspects have it: `c1.supply`, `span2.return`; its station or span counts. */
  place?: string | undefined;
}

/** A repair leaves the car as it was this often: a bad new part, a joint that is none (engineering judgement). */
const IN_VAIN = 0.05;
/** A car that had one fault has a second behind it this often: on salt roads two at once are common (engineering judgement). */
const SECOND = 0.08;
/** Nothing is ruled out by a repair of something else. */
const LEAST = 1e-7;

/**
 * Shares to begin with on the car as it is after a repair: what was repaired is gone but for a repair in vain, what else
 * was suspected stays, and behind the repaired fault a second one may stand that it hid.
 * @param before what was believed of the car as it came to the repair
 */
export function sharesAfter(before: Posterior, repaired: Repaired): (one: Suspectable) => number {
  const shares = before.shares();
  const next = new Map<string, number>();
  const add = (id: string, share: number) => next.set(id, (next.get(id) ?? 0) + share);
  let mended = 0;
  before.hypotheses.forEach((hypothesis, h) => {
    const left = faultsOf(hypothesis).filter((one) => !mends(repaired, one));
    const all = faultsOf(hypothesis).map(({ fault, place }) => suspectId(fault, place));
    const share = shares[h]!;
    if (left.length === all.length) {
      // Of two that are both still there, each stays in question.
      for (const id of all) add(id, share);
      return;
    }
    mended += share * (1 - IN_VAIN);
    for (const id of all) add(id, share * IN_VAIN);
    if (left.length === 0) add(HEALTHY, share * (1 - IN_VAIN));
    for (const { fault, place } of left) add(suspectId(fault, place), share * (1 - IN_VAIN));
  });
  before.hypotheses.forEach((hypothesis, h) => {
    if (!hypothesis.of && hypothesis.id !== HEALTHY && !mends(repaired, hypothesis))
      add(hypothesis.id, mended * SECOND * before.initial[h]!);
  });
  return ({ fault, place }) => Math.max(LEAST, next.get(suspectId(fault, place)) ?? 0);
}

/** Whether a repair takes a fault away: its part was renewed, and there where it is. */
export function mends({ part, place }: Repaired, one: Pick<Suspectable, "fault" | "place">): boolean {
  if (one.fault.part !== part) return false;
  return place === undefined || placeOf(place) === placeOf(one.place.id) || !HAS_PLACES.has(part);
}

/** Parts of which one place is repaired and another left. */
const HAS_PLACES: ReadonlySet<Part> = new Set(["harness", "connector"]);

function placeOf(id: string): string {
  return id.split(".")[0]!;
}
