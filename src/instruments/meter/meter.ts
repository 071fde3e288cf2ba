import type { Instrument } from "@/core/checks/instruments";

/**
 * What comes from a meter: a reading as somebody would type it, a line that could not be read, bytes that are no text,
 * or that it has gone.
 */
export type Heard =
  /** `instrument`: what the meter says it is set to; "other" for what no check reads, null where it does not say. */
  | { kind: "reading"; text: string; instrument: Instrument | "other" | null }
  | { kind: "line"; text: string }
  | { kind: "garbled"; say: string }
  | { kind: "gone"; say: string };

/** A meter that speaks for itself. */
export interface Meter {
  readonly name: string;
  readonly simulated: boolean;
  /** Sets it to what a check reads; false where that is done at its knob. */
  set(instrument: Instrument): Promise<boolean>;
  close(): Promise<void>;
}
