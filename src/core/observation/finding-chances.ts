// Made by scripts/make-finding-chances.ts; not to be written by hand.
import type { Family } from "../circuit/setup";

/** What the analysis says of a capture (inner) where a perfect eye would say so (outer): shares over simulated cars. */
export const findingChances: Record<Family, Record<string, Record<string, number>>> = {
  "active-2wire": {
    flat: { clean: 0.0268, flat: 0.97, "missing-pulses": 0.0032 },
    "signal-lost": { flat: 0.0222, "random-dropout": 0.0112, "signal-lost": 0.959, "signal-parked": 0.0076 },
    "level-out-of-window": { clean: 0.4483, "level-out-of-window": 0.5517 },
    "signal-parked": {
      clean: 0.1469,
      flat: 0.024,
      "missing-pulses": 0.0287,
      eccentric: 0.0524,
      "duty-shift": 0.0051,
      "signal-lost": 0.0193,
      "signal-parked": 0.7236,
    },
    "noise-at-rest": { clean: 0.0432, "signal-parked": 0.9568 },
    eccentric: { clean: 0.4112, eccentric: 0.4404, "signal-parked": 0.1484 },
    "missing-pulses": { "missing-pulses": 1 },
    "cracked-ring": { "cracked-ring": 1 },
    "odd-tooth": { clean: 0.5706, "odd-tooth": 0.4294 },
    clean: {
      clean: 0.9208,
      flat: 0.0047,
      "level-out-of-window": 0.0349,
      "signal-lost": 0.0176,
      "signal-parked": 0.022,
    },
  },
  "active-3wire": {
    flat: { clean: 0.0026, flat: 0.9974 },
    "signal-parked": {
      clean: 0.0738,
      flat: 0.0044,
      "missing-pulses": 0.0296,
      eccentric: 0.0254,
      "duty-shift": 0.0023,
      "signal-lost": 0.0086,
      "signal-parked": 0.856,
    },
    "level-out-of-window": { clean: 1 },
    "noise-at-rest": { clean: 0.0224, "signal-parked": 0.9776 },
    eccentric: { clean: 0.4187, eccentric: 0.4507, "signal-parked": 0.1306 },
    "missing-pulses": { "missing-pulses": 1 },
    "cracked-ring": { "cracked-ring": 1 },
    "odd-tooth": { clean: 0.6969, "odd-tooth": 0.3031 },
    clean: { clean: 0.9913, "signal-parked": 0.0087 },
    "signal-lost": { "missing-pulses": 0.1298, "random-dropout": 0.1298, "duty-shift": 0.1298, "signal-lost": 0.6106 },
  },
  passive: {
    flat: { clean: 0.0697, flat: 0.7116, "low-amplitude": 0.2187 },
    "low-amplitude": {
      clean: 0.3071,
      "odd-tooth": 0.015,
      eccentric: 0.0929,
      "random-dropout": 0.0053,
      "low-amplitude": 0.5797,
    },
    "random-dropout": { clean: 0.2049, "odd-tooth": 0.0244, "random-dropout": 0.7707 },
    "noise-at-rest": { clean: 0.0224, "odd-tooth": 0.043, "random-dropout": 0.4156, "noise-at-rest": 0.519 },
    eccentric: { eccentric: 0.9205, "random-dropout": 0.0795 },
    "missing-pulses": { "missing-pulses": 1 },
    "cracked-ring": { "cracked-ring": 1 },
    "odd-tooth": { "odd-tooth": 1 },
    clean: { clean: 0.992, eccentric: 0.0052, "random-dropout": 0.0027 },
  },
};
