import { stationsOf, type CornerSetup } from "../circuit/setup";
import { circuitStateSchema } from "../circuit/state";
import type { Hookup } from "./hookup";

/** The looks and feels of one corner in the order a person walks it: nothing opened first, wheel off once, sensor last. */
export function walkRound(setup: CornerSetup): Hookup[] {
  const still = circuitStateSchema.parse({ key: "off" });
  const live = circuitStateSchema.parse({});
  const driven = circuitStateSchema.parse({ wheel: "driven", speedKmh: 30 });
  const inline = stationsOf(setup)
    .map(({ station }) => station)
    .filter((station) => station !== "module" && station !== "plug");
  return [
    { instrument: "scan", look: "others", state: live },
    { instrument: "eyes", look: "tyres", state: still },
    { instrument: "eyes", look: "plug", state: still },
    ...inline.map((look): Hookup => ({ instrument: "eyes", look, state: still })),
    { instrument: "eyes", look: "wiring", state: still },
    { instrument: "hands", look: "bearing", state: still },
    { instrument: "eyes", look: "foot", state: still },
    { instrument: "hands", look: "sensor", state: still },
    { instrument: "eyes", look: "ring", state: still },
    ...(setup.family === "passive" ? [] : [{ instrument: "film", look: "encoder", state: still } as Hookup]),
    { instrument: "gauge", look: "gap", state: still },
    { instrument: "eyes", look: "face", state: still },
    { instrument: "scan", look: "steering", state: driven },
    { instrument: "scan", look: "fuse-out", state: driven },
  ];
}
