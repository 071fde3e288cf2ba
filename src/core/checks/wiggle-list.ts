import { spansOf, stationsOf, type CornerSetup } from "../circuit/setup";
import { stationWords } from "../faults/places";
import { wakes } from "../faults/wake";
import { t } from "../words/words";
import { capital } from "../units/format";
import { hookupOfLook } from "./catalogue";
import type { Hookup } from "./hookup";
import { provoke } from "./looks/provoke";
import { LEAD, wiggle } from "./looks/wiggle";

/** Every place of the loom to bend and tug, sensor end first, then what the whole corner is put through. */
export function placesToWiggle(setup: CornerSetup): { say: string; hookup: Hookup }[] {
  const stations = stationsOf(setup).slice(1);
  const inOrder = spansOf(setup).flatMap(({ landmark }, i) => [
    { say: t`span ${i + 1}${landmark ? `, ${landmark}` : ""}`, look: wiggle(`span${i + 1}`) },
    { say: stationWords(stations[i]!.station), look: wiggle(stations[i]!.station) },
  ]);
  const provoked = wakes.map(provoke).map((look) => ({ say: capital(look.label()), look }));
  const lead = { say: t`the sensor's lead`, look: wiggle(LEAD) };
  return [lead, ...inOrder.toReversed(), ...provoked].map(({ say, look }) => ({ say, hookup: hookupOfLook(look) }));
}
