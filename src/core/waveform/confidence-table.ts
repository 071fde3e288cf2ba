import type { FindingCode } from "../checks/findings/findings";

/** Made by `npm run finding-confidence` from 1600 recordings, seed 20611: not to be changed by hand. */
export const CONFIDENCE: Partial<Record<FindingCode, readonly number[]>> = {
  "missing-pulses": [2.722, 0.702, 0.138, 2.225, -2.238],
  "cracked-ring": [3.033, 0.957, 0.46, 2.225, -2.238],
  "odd-tooth": [2.915, 0.64, 0.18, 2.225, -2.679],
  eccentric: [3.115, 1.029, 0.612, 2.225, -2.238],
  "random-dropout": [2.472, 0.718, 0.289, 2.225, -2.181],
  "low-amplitude": [3.165, 1.19, 0.712, 2.225, -2.089],
  "noise-at-rest": [3.092, 0.959, 0.476, 2.284, -2.238],
  "level-out-of-window": [3.072, 0.954, 0.528, 2.225, -2.238],
  "drop-out-speed": [3.25, 1.178, 0.868, 2.225, -1.994],
  "duty-shift": [3.146, 0.959, 0.666, 2.225, -2.238],
  "supply-dip": [3.032, 0.902, 0.406, 2.25, -2.238],
  interference: [3.128, 0.974, 0.638, 2.225, -2.238],
  "key-on-transient": [3.078, 0.964, 0.528, 2.225, -2.238],
  "probe-spike": [2.961, 0.762, -0.36, 2.225, -3.136],
  "signal-lost": [3.006, 0.84, 0.406, 2.225, -2.238],
  "signal-parked": [3.006, 0.84, 0.406, 2.225, -2.238],
};

/** The same of all findings alike. */
export const ALL_ALIKE: readonly number[] = [3.006, 0.84, 0.406, 2.225, -2.238];
