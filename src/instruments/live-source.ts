import type { Capture } from "@/core/capture/capture";
import type { Columns } from "@/core/capture/columns";

/** Something that records by itself and is looked at while it does. */
export interface LiveSource {
  /** What it is, as it is shown. */
  readonly name: string;
  readonly channels: readonly string[];
  readonly simulated: boolean;
  /** Volts one unit of its converter stands for; Infinity where it has no end that could cut a signal off. */
  readonly perUnit: number;
  /** It hands out one screen after another, whole and apart, not a recording that goes on. */
  readonly isScreens?: boolean;
  /** False where what is recorded counts in the input's own units. */
  readonly inVolts?: boolean;
  /** Seconds this computer was too busy to take; what is handed out never reaches across them. */
  readonly lostS: number;
  /** The last seconds so far, samples its own; null before any. */
  last(seconds: number): Capture | null;
  /** The same as it is drawn, so many columns of dots for all those seconds, where it keeps that by itself. */
  columns?(seconds: number, count: number): { lengthS: number; channels: Columns[] } | null;
  /** Why there is nothing to show yet, where it knows. */
  readonly waiting?: string | null;
  /** Why it has stopped by itself, once it has. */
  readonly ended: string | null;
  stop(): void;
}
