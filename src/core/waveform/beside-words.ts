import { t } from "../words/words";
import type { ChannelAnalysis } from "./analyse";

/** What a channel has to say of a supply that dips beside it, in a sentence. */
export function besideWords({ supply, lost }: NonNullable<ChannelAnalysis["beside"]>): string {
  return lost
    ? t`Pulses are lost as the supply dips: one cause, told at “${supply}”.`
    : t`Every pulse is there, but the supply dips: see “${supply}”.`;
}
