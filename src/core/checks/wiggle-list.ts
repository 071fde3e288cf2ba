import { t } from "../words/words";
import { spansOf, stationsOf, type CornerSetup } from "../circuit/setup";
import { circuitStateSchema } from "../circuit/state";
import { stationWords } from "../faults/places";
import { wakes, type Wake } from "../faults/wakes";
import type { Hookup } from "./hookup";

/** Every place of the loom to bend and tug, sensor end first, then what the whole corner is put through. */
export function placesToWiggle(setup: CornerSetup): { say: string; hookup: Hookup }[] {
  const state = circuitStateSchema.parse({});
  const stations = stationsOf(setup)
    .slice(1)
    .map(({ station }) => ({ look: `wiggle-${station}`, say: stationWords(station) }));
  const spans = spansOf(setup).map(({ landmark }, i) => ({
    look: `wiggle-span${i + 1}`,
    say: t`span ${i + 1}${landmark ? `, ${landmark}` : ""}`,
  }));
  const inOrder: { look: string; say: string }[] = [];
  for (let i = stations.length - 1; i >= 0; i--) inOrder.push(stations[i]!, spans[i]!);
  const provoked = wakes.map((wake) => ({ look: `wake-${wake}`, say: WAKE_WORDS[wake] }));
  return [...inOrder, ...provoked].map(({ look, say }) => ({ say, hookup: { instrument: "hands", look, state } }));
}

const WAKE_WORDS: Record<Wake, string> = {
  bump: t`corner bounced`,
  turn: t`steered lock to lock`,
  wet: t`plugs misted with salt water`,
  heat: t`sensor and lead warmed`,
};
