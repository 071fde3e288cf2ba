import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** A crack, or a tooth out of place: the spacing jumps there on every turn. */
export const crackedRing = {
  code: "cracked-ring",
  title: () => t`Ring cracked`,
  say: ({ jump }) =>
    t`The spacing jumps by ${Math.round(jump * 100)} % of a tooth at the same place each turn: a crack, or a tooth out of place. Not a wire.`,
  ringLocked: true,
  rank: 4,
  answer: {
    say: () => t`short–long pair at the same place each turn`,
    short: () => t`cracked ring`,
    also: ["crack", "short-long"],
  },
  raster: () => t`A dark column: one place of the ring is odd on every turn. Ring, not wire.`,
  shows: ({ car }) => Boolean(car.ring.crack),
} as const satisfies FindingKind<{ jump: number }>;
