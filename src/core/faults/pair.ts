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
      second.fault.apply(car, second.place, (index) =>
        draw(typeof index === "number" ? ((index + 4) as Parameters<FaultDraw>[0]) : "kind2"),
      );
    },
    words: (_, setup) =>
      t`${first.fault.words(first.place, setup)}, and ${midSentence(second.fault.words(second.place, setup))}`,
    clearedBy: (_, setup) => first.fault.clearedBy(first.place, setup),
  };
  return { fault, place: { ...first.place, id: `${first.place.id}+${second.place.id}` }, prior, of: [first, second] };
}

/** The faults that a hypothesis is made of: one, or two together. */
export function faultsOf(one: Suspectable): readonly Suspectable[] {
  return one.of ?? [one];
}

/** Whether a hypothesis has this fault at this place, alone or with another. */
export function includes(one: Suspectable, id: string): boolean {
  return faultsOf(one).some(({ fault, place }) => suspectId(fault, place) === id);
}
