import { t } from "../words/words";
import type { Posterior } from "../belief/posterior";
import { ownReadings, type Need } from "../checks/own-readings";
import type { Taken } from "../checks/step-across";
import { hookupKey } from "../checks/hookup";
import { readsTheSame } from "../checks/turns-wheel";
import type { ObservedValue } from "../observation/observation";
import { contradictions } from "./contradictions";
import { suspectId } from "../faults/catalogue";
import { HEALTHY } from "../faults/fault";

/** A direct reading is this many times likelier under the fault than on a healthy corner. */
const DIRECT_RATIO = 8;

/**
 * What is still to be read before a fault may be named, whatever its share: its own readings (see `ownReadings`), and once
 * more whatever fits no suspect.
 */
export function unmetNeeds(posterior: Posterior, h: number): { needs: Need[]; taken: Taken[] } {
  const { fault, place } = posterior.hypotheses[h]!;
  const taken = takenFor(posterior, h);
  const all = ownReadings(fault.part, fault.code, place, posterior.setup);
  return { needs: [...all.filter((need) => !need.isMet(taken)), ...readAgain(posterior)], taken };
}

/** What was read, and whether it tells this fault from a healthy corner. */
export function takenFor(posterior: Posterior, h: number): Taken[] {
  const direct = new Set(speakingEntries(posterior, h, h));
  return posterior.log.map(({ observation: { hookup, entryId, value } }) => ({
    hookup,
    speaks: direct.has(entryId),
    word: value.kind === "word" ? value.word : null,
    shown: shownBy(value),
  }));
}

function shownBy(value: ObservedValue): Taken["shown"] {
  switch (value.kind) {
    case "word":
      return null;
    case "over-limit":
      return [Infinity, Infinity];
    case "range":
      return [value.low, value.high];
    case "number":
      return [value.value, value.value];
  }
}

/**
 * A reading that no suspect explains is taken again where that tells anything: not at another place of a turned wheel. Taken
 * again it has said what it says: what it speaks for may be wrong besides, and holds up no proof.
 */
function readAgain(posterior: Posterior): Need[] {
  const open = new Set(contradictions(posterior).map(({ entryId }) => entryId));
  const odd = posterior.log.flatMap(({ observation: { entryId, hookup, value } }) =>
    open.has(entryId) && (value.kind === "word" || readsTheSame(hookup)) ? [hookupKey(hookup)] : [],
  );
  const times = (key: string) =>
    posterior.log.filter(({ observation }) => hookupKey(observation.hookup) === key).length;
  return [...new Set(odd)]
    .filter((key) => times(key) < 2)
    .map((key) => ({
      say: () => t`the reading that fits no suspect taken again`,
      isMet: () => false,
      helps: (hookup) => hookupKey(hookup) === key,
    }));
}

/**
 * Entries that tell this fault from a car without it: a healthy one, or, in a pair, one with the other fault alone.
 * @param lead the hypothesis the fault is likeliest in
 */
export function speakingEntries(posterior: Posterior, h: number, lead: number): string[] {
  const { id } = posterior.hypotheses[h]!;
  const other = posterior.hypotheses[lead]!.of?.find(({ fault, place }) => suspectId(fault, place) !== id);
  const without = posterior.indexOf(other ? suspectId(other.fault, other.place) : HEALTHY);
  return posterior.log.flatMap(({ byHypothesis, observation }) =>
    byHypothesis[lead]! > DIRECT_RATIO * byHypothesis[without]! ? [observation.entryId] : [],
  );
}
