/** Wheel positions, left and right as seated. */
export const corners = ["FL", "FR", "RL", "RR"] as const;
export type Corner = (typeof corners)[number];

export const cornerWords: Record<Corner, string> = {
  FL: "front left",
  FR: "front right",
  RL: "rear left",
  RR: "rear right",
};
