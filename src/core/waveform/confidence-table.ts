import type { FindingCode } from "../checks/findings/findings";

/** Made by `npm run finding-confidence` from 1200 recordings, seed 20611: not to be changed by hand. */
export const CONFIDENCE: Partial<Record<FindingCode, readonly number[]>> = {
  "missing-pulses": [2.778, 0.745, -0.039, 1.863, -1.504],
  "cracked-ring": [3.099, 1.052, 0.302, 1.863, -1.504],
  "odd-tooth": [3.136, 1.098, 0.369, 1.863, -1.504],
  eccentric: [3.168, 1.128, 0.434, 1.863, -1.504],
  "random-dropout": [2.807, 0.837, 0.18, 1.863, -1.501],
  "low-amplitude": [3.186, 1.207, 0.473, 1.863, -1.41],
  "noise-at-rest": [3.156, 1.081, 0.339, 1.916, -1.504],
  "level-out-of-window": [3.129, 1.061, 0.356, 1.863, -1.504],
  "drop-out-speed": [3.251, 1.213, 0.597, 1.863, -1.335],
  "duty-shift": [3.198, 1.076, 0.486, 1.863, -1.504],
  "supply-dip": [3.101, 1.025, 0.267, 1.882, -1.504],
  interference: [3.181, 1.087, 0.459, 1.863, -1.504],
  "key-on-transient": [3.139, 1.078, 0.365, 1.863, -1.504],
  "probe-spike": [3.001, 0.838, -0.482, 1.863, -2.2],
};

/** The same of all findings alike. */
export const ALL_ALIKE: readonly number[] = [3.082, 0.978, 0.267, 1.863, -1.504];
