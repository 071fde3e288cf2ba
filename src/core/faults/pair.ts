import { t } from "../words/words";
import { midSentence } from "../words/words";
import { suspectId, type Suspectable } from "./catalogue";
import { everyFamily, type Fault, type FaultDraw } from "./fault";

/** Two faults on one corner as one thing to suspect. The second draws its own numbers after the first's. */
export function together(first: Suspectable, second: Suspectable, prior: number): Suspectable {
  const fault: Fault = {
    code: `${first.fault.code}+${second.fault.code}`,
    part: first.fault.part,
    weight: 0,
    families: everyFamily,
    intermittent: first.fault.intermittent && second.fault.intermittent,
    effect: first.fault.effect,
    places: () => [],
    apply: (car, _, draw) => {
      first.fault.apply(car, first.place, draw);
      second.fault.apply(car, second.place, ofSecond(draw));
    },
    words: (_, setup) =>
      t`${first.fault.words(first.place, setup)}, and ${midSentence(second.fault.words(second.place, setup))}`,
    clearedBy: (_, setup) => first.fault.clearedBy(first.place, setup),
  };
  return { fault, place: { ...first.place, id: `${first.place.id}+${second.place.id}` }, prior, of: [first, second] };
}

/** One thing is not wrong in two ways at once; a wire or a plug can be wrong in two places. */
export function canGoTogether(one: Suspectable, other: Suspectable): boolean {
  if (one.fault.part !== other.fault.part) return true;
  return (one.fault.part === "harness" || one.fault.part === "connector") && one.place.id !== other.place.id;
}

/** A pair of which these are repaired: what is left of it, of the size it had; null where nothing is. */
export function leftOf(pair: Suspectable, isRepaired: (one: Suspectable) => boolean): Suspectable | null {
  const left = faultsOf(pair).filter((one) => !isRepaired(one));
  if (left.length !== 1) return left.length === 0 ? null : pair;
  const [only] = left;
  if (only !== pair.of?.[1]) return only!;
  const { fault } = only;
  return { ...only, fault: { ...fault, apply: (car, place, draw) => fault.apply(car, place, ofSecond(draw)) } };
}

/** The faults that a hypothesis is made of: one, or two together. */
export function faultsOf(one: Suspectable): readonly Suspectable[] {
  return one.of ?? [one];
}

/** Whether a hypothesis has this fault at this place, alone or with another. */
export function includes(one: Suspectable, id: string): boolean {
  return faultsOf(one).some(({ fault, place }) => suspectId(fault, place) === id);
}

/** The numbers of the second of two: its own, so that it leans on none of the first's. */
function ofSecond(draw: FaultDraw): FaultDraw {
  return (index) => draw(typeof index === "number" ? ((index + 4) as Parameters<FaultDraw>[0]) : "kind2");
}
