import { t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** One tooth bent or with debris on it. */
export const oddTooth = {
  code: "odd-tooth",
  title: () => t`One odd tooth`,
  say: (facts) =>
    "higher" in facts
      ? t`One tooth stands ${Math.round(Math.abs(facts.higher) * 100)} % ${facts.higher < 0 ? t`lower` : t`higher`} than its neighbours, each turn: debris or a bent tooth.`
      : t`One tooth reads ${facts.wider < 0 ? t`narrower` : t`wider`} than its neighbours by ${Math.round(Math.abs(facts.wider) * 100)} % of a pitch, each turn: debris or a damaged tooth.`,
  ringLocked: true,
  rank: 7,
  answer: {
    say: () => t`one odd tooth each turn`,
    short: () => t`odd tooth`,
    also: ["bent-tooth", "damaged-tooth", "tall-peak", "odd-peak"],
  },
  raster: () => t`A dark column: one place of the ring is odd on every turn. Ring, not wire.`,
  shows: ({ car }) => Boolean(car.ring.odd),
} as const satisfies FindingKind<{ higher: number } | { wider: number }>;
