import { partLabel } from "../faults/parts/parts";
import { formatShare } from "../units/format";
import { midSentence, t } from "../words/words";
import type { PartShare, Suspect } from "./suspects";

/** What is proven, in the middle of a sentence, and the share it is proven with: the part's, of which one fault may hold little more than half. */
export interface ProvenWords {
  what: string;
  share: number;
  /** Both together. */
  withShare: string;
}

/** From this part of its part's share on a fault is called by its own name alone. */
const NAMED_ALONE = 0.9;

/** @param proven the suspect its part is proven by @param parts of the same posterior */
export function provenWords({ part, words, share }: Suspect, parts: readonly PartShare[]): ProvenWords {
  const held = parts.find((one) => one.part === part)?.share ?? share;
  const fault = midSentence(words);
  const percent = formatShare(held);
  if (share >= NAMED_ALONE * held) return { what: fault, share: held, withShare: `${fault} (${percent})` };
  const name = midSentence(partLabel(part));
  return {
    what: t`${name}, most likely ${fault}`,
    share: held,
    withShare: t`${name} (${percent}), most likely ${fault}`,
  };
}
