import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** The key was turned while the recording ran. */
export const keyOnTransient = {
  code: "key-on-transient",
  title: () => t`Key turned on`,
  say: () => t`The signal only comes up after the recording began: the key being turned, not a fault.`,
  ringLocked: false,
  innocent: true,
} as const satisfies FindingKind<Record<string, never>>;
