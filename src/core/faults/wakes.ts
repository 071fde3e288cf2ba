import type { Fault, Part } from "./fault";

/** What may bring an intermittent fault on. */
export const wakes = ["bump", "turn", "wet", "heat"] as const;
export type Wake = (typeof wakes)[number];

/**
 * Chance that a fault which comes and goes shows while it is provoked so (engineering judgement, no source): movement
 * finds wires, contacts and loose mountings; water finds plugs and leaks; heat finds electronics and coils.
 */
export function wakeChances({ code, part }: Fault): Record<Wake, number> {
  return { ...BY_PART[part], ...BY_CODE[code] };
}

const RARELY = { bump: 0.08, turn: 0.15, wet: 0.12, heat: 0.2 };
const BY_PART: Record<Part, Record<Wake, number>> = {
  harness: { bump: 0.6, turn: 0.55, wet: 0.36, heat: 0.15 },
  connector: { bump: 0.6, turn: 0.3, wet: 0.6, heat: 0.15 },
  sensor: { bump: 0.28, turn: 0.15, wet: 0.15, heat: 0.6 },
  mounting: { ...RARELY, bump: 0.3 },
  bearing: { bump: 0.6, turn: 0.95, wet: 0.12, heat: 0.25 },
  ring: RARELY,
  "module-feed": { bump: 0.28, turn: 0.1, wet: 0.25, heat: 0.25 },
  module: { bump: 0.2, turn: 0.1, wet: 0.15, heat: 0.4 },
  tyre: RARELY,
  none: RARELY,
};
const BY_CODE: Record<string, Partial<Record<Wake, number>>> = {
  "water-bridge": { wet: 0.95, bump: 0.15 },
  "sensor-coil-leak": { wet: 0.5 },
  "mounting-loose": { bump: 0.75, turn: 0.5 },
};
