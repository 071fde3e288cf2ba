import type { Corner } from "../units/corner";

/** Four wheel speeds over time as a scan tool shows them: sparse, uneven, empty where the car sends none. */
export interface ScanLog {
  name: string;
  timeS: Float64Array;
  /** km/h; NaN where nothing was sent. */
  speedKmh: Record<Corner, Float64Array>;
}

/** Fewer rows say nothing of a drive. */
export const LEAST_ROWS = 4;

export const scanCodes = [
  "zero",
  "drops-out",
  "cuts-low",
  "ratio-off",
  "axle-ratio",
  "erratic",
  "held-doubles",
  "published-above",
  "published-below",
  "false-activation",
  "slip",
  "wheelspin",
] as const;
export type ScanCode = (typeof scanCodes)[number];

export interface ScanFinding {
  code: ScanCode;
  corner: Corner | null;
  startS: number;
  endS: number;
  /** What a colleague would say, with the figures. */
  say: string;
  /** Size in the finding's own measure: km/h, ratio or count. */
  size: number;
}

/** How a log answers the live-speed check of a corner. */
export type LiveSpeedWord = "follows" | "zero" | "drops-out" | "cuts-low" | "ratio-off" | "erratic";
