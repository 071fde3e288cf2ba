/** What may bring an intermittent fault on. */
export const wakes = ["bump", "turn", "wet", "heat"] as const;
export type Wake = (typeof wakes)[number];
