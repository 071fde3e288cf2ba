import type { Hookup } from "../checks/hookup";

/** What an instrument showed, in base units: one number, the ends of what was seen, over limit, or a word. */
export type ObservedValue =
  | { kind: "number"; value: number; resolution: number }
  /** Least and greatest seen while turning or waiting: the two levels between which it toggled, or one level twice. */
  | { kind: "range"; low: number; high: number; resolution: number }
  | { kind: "over-limit" }
  | { kind: "word"; word: string };

/** One thing measured or looked at, read once at the border and weighed as it stands. */
export interface Observation {
  /** The entry of the log it was read from. */
  entryId: string;
  hookup: Hookup;
  value: ObservedValue;
}

/** An entry of the log that says nothing for this set-up: why, and what would make it readable again. */
export interface Unread {
  entryId: string;
  say: string;
  mend: string;
}
