import type { FindingCode } from "../checks/findings/findings";

/** Made by `npm run finding-confidence` from 1600 recordings, seed 20611: not to be changed by hand. */
export const CONFIDENCE: Partial<Record<FindingCode, readonly number[]>> = {
  "missing-pulses": [4.323, 0.396, -0.009, 1.832, -2.601],
  "cracked-ring": [4.591, 0.566, 0.166, 1.832, -2.661],
  "odd-tooth": [4.409, 0.032, -0.406, 1.832, -3.76],
  eccentric: [4.647, 0.502, 0.262, 1.832, -2.661],
  "random-dropout": [4.045, 0.24, -0.094, 1.832, -2.473],
  "low-amplitude": [4.737, 0.753, 0.451, 1.832, -2.466],
  "noise-at-rest": [4.609, 0.409, 0.173, 1.873, -2.661],
  "level-out-of-window": [4.602, 0.423, 0.173, 1.832, -2.661],
  "drop-out-speed": [4.803, 0.678, 0.574, 1.832, -2.391],
  "duty-shift": [4.643, 0.397, 0.251, 1.832, -2.661],
  "supply-dip": [4.562, 0.375, 0.042, 1.861, -2.661],
  interference: [4.638, 0.419, 0.247, 1.832, -2.661],
  "key-on-transient": [4.606, 0.43, 0.185, 1.832, -2.661],
  "probe-spike": [4.488, 0.226, -0.575, 1.832, -3.42],
  "signal-fallen": [4.532, 0.303, 0.042, 1.832, -2.661],
  "signal-risen": [4.532, 0.303, 0.042, 1.832, -2.661],
  "signal-lost": [4.532, 0.303, 0.042, 1.832, -2.661],
  "signal-parked": [4.532, 0.303, 0.042, 1.832, -2.661],
};

/** The same of all findings alike. */
export const ALL_ALIKE: readonly number[] = [4.532, 0.303, 0.042, 1.832, -2.661];
