import { t } from "../words/words";
/** Wheel positions, left and right as seated. */
export const corners = ["FL", "FR", "RL", "RR"] as const;
export type Corner = (typeof corners)[number];

export const cornerWords: Record<Corner, string> = {
  get FL() {
    return t`front left`;
  },
  get FR() {
    return t`front right`;
  },
  get RL() {
    return t`rear left`;
  },
  get RR() {
    return t`rear right`;
  },
};

/** The wheel on the other side of the same axle. */
export const otherSide: Record<Corner, Corner> = { FL: "FR", FR: "FL", RL: "RR", RR: "RL" };

/** The two wheels of each axle, left first. */
export const axles = { front: ["FL", "FR"], rear: ["RL", "RR"] } as const satisfies Record<string, readonly Corner[]>;

export function axleOf(corner: Corner): keyof typeof axles {
  return corner === "FL" || corner === "FR" ? "front" : "rear";
}
