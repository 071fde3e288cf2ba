import type { Instrument } from "@/core/checks/instruments";

/** What comes from a meter: a reading as somebody would type it, a line that could not be read, or that it has gone. */
export type Heard =
  | { kind: "reading"; text: string; instrument: Instrument | null }
  | { kind: "line"; text: string }
  | { kind: "gone"; say: string };

/** A meter that speaks for itself. */
export interface Meter {
  readonly name: string;
  readonly simulated: boolean;
  /** Sets it to what a check reads; false where that is done at its knob. */
  set(instrument: Instrument): Promise<boolean>;
  close(): Promise<void>;
}

/** A line to a device, both ways. */
export interface BytePort {
  /** What arrives, until the line is closed or the device is gone. */
  read(): Promise<Uint8Array | null>;
  write(bytes: Uint8Array): Promise<void>;
  close(): Promise<void>;
}
