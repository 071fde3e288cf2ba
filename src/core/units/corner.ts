import { t } from "../words/words";
/** Wheel positions, left and right as seated. */
export const corners = ["FL", "FR", "RL", "RR"] as const;
export type Corner = (typeof corners)[number];

export const cornerWords: Record<Corner, string> = {
  FL: t`front left`,
  FR: t`front right`,
  RL: t`rear left`,
  RR: t`rear right`,
};
