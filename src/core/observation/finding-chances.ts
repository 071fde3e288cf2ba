// Made by scripts/make-finding-chances.ts; not to be written by hand.
import type { Family } from "../circuit/setup";

/** What the analysis says of a capture (inner) where a perfect eye would say so (outer): shares over simulated cars. */
export const findingChances: Record<Family, Record<string, Record<string, number>>> = {
  "active-2wire": {
    flat: { clean: 0.0073, flat: 0.9927 },
    "signal-lost": { flat: 0.0082, "random-dropout": 0.1826, "signal-lost": 0.7771, "signal-parked": 0.032 },
    "signal-parked": {
      clean: 0.1393,
      "missing-pulses": 0.0401,
      "cracked-ring": 0.0054,
      eccentric: 0.045,
      "random-dropout": 0.0202,
      "duty-shift": 0.0054,
      "signal-lost": 0.0103,
      "signal-parked": 0.7344,
    },
    "noise-at-rest": { "signal-parked": 1 },
    eccentric: { clean: 0.1576, eccentric: 0.5918, "signal-parked": 0.2506 },
    "missing-pulses": { "missing-pulses": 1 },
    "cracked-ring": { "cracked-ring": 1 },
    "odd-tooth": { clean: 0.5828, "odd-tooth": 0.4172 },
    clean: {
      clean: 0.9359,
      flat: 0.0093,
      "random-dropout": 0.0093,
      "level-out-of-window": 0.0272,
      "signal-parked": 0.0183,
    },
    "level-out-of-window": { clean: 0.4811, "level-out-of-window": 0.5189 },
  },
  "active-3wire": {
    flat: { flat: 0.9976, "duty-shift": 0.0024 },
    "signal-parked": {
      clean: 0.0637,
      "missing-pulses": 0.0025,
      eccentric: 0.0183,
      "random-dropout": 0.0093,
      "duty-shift": 0.0047,
      "signal-parked": 0.9015,
    },
    "noise-at-rest": { "signal-parked": 1 },
    eccentric: { clean: 0.2421, eccentric: 0.6183, "signal-parked": 0.1395 },
    "missing-pulses": { "missing-pulses": 1 },
    "cracked-ring": { "cracked-ring": 1 },
    "odd-tooth": { clean: 0.7483, "odd-tooth": 0.2517 },
    clean: { clean: 0.995, "signal-parked": 0.005 },
    "level-out-of-window": { clean: 1 },
    "signal-lost": { "random-dropout": 0.1711, "signal-lost": 0.8289 },
  },
  passive: {
    flat: { clean: 0.0468, flat: 0.746, "low-amplitude": 0.2072 },
    "random-dropout": { clean: 0.2378, "odd-tooth": 0.0177, "random-dropout": 0.6813, "low-amplitude": 0.0631 },
    "low-amplitude": {
      clean: 0.3634,
      "odd-tooth": 0.033,
      eccentric: 0.0402,
      "random-dropout": 0.0039,
      "low-amplitude": 0.5595,
    },
    "noise-at-rest": { clean: 0.0846, "random-dropout": 0.3748, "noise-at-rest": 0.5406 },
    eccentric: { eccentric: 0.949, "random-dropout": 0.051 },
    "missing-pulses": { "missing-pulses": 1 },
    "cracked-ring": { "cracked-ring": 1 },
    "odd-tooth": { "odd-tooth": 1 },
    clean: { clean: 0.9895, eccentric: 0.0069, "random-dropout": 0.0036 },
  },
};
