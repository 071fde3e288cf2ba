import { partLabel } from "../faults/parts/parts";
import { capital, formatShare } from "../units/format";
import { midSentence, t } from "../words/words";
import type { PartShare, Suspect } from "./suspects";

/** What is proven, in the middle of a sentence, and the share it is proven with: the part's, of which one fault may hold little more than half. */
export interface ProvenWords {
  what: string;
  /** The same by itself, as a heading has it. */
  heading: string;
  share: number;
  /** Both together. */
  withShare: string;
  /** The part and its share where the fault is not called by its own name alone; null where its own share says it. */
  partWithShare: string | null;
}

/** From this part of its part's share on a fault is called by its own name alone. */
const NAMED_ALONE = 0.9;

/** @param proven the suspect its part is proven by @param parts of the same posterior */
export function provenWords({ part, words, share }: Suspect, parts: readonly PartShare[]): ProvenWords {
  const held = parts.find((one) => one.part === part)?.share ?? share;
  const fault = midSentence(words);
  const percent = formatShare(held);
  if (share >= NAMED_ALONE * held)
    return { what: fault, heading: words, share: held, withShare: `${fault} (${percent})`, partWithShare: null };
  const label = partLabel(part);
  const name = midSentence(label);
  return {
    what: t`${name}, most likely ${fault}`,
    heading: t`${capital(label)}, most likely ${fault}`,
    share: held,
    withShare: t`${name} (${percent}), most likely ${fault}`,
    partWithShare: `${name} ${percent}`,
  };
}
