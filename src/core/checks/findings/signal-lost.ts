import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** Losses in which the level goes where no sensor puts it, and nobody said which way: a wire, a contact, the supply. */
export const signalLost = {
  code: "signal-lost",
  title: () => t`Lost at random places, the level with it`,
  say: () =>
    t`The signal is lost at no fixed place of the ring, and its level goes where no sensor puts it: a wire or contact.`,
  ringLocked: false,
  answer: { say: () => t`losses at random places, the level goes to 0 V or the supply`, short: () => t`level lost` },
} as const satisfies FindingKind;
