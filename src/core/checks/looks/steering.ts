import { t } from "../../words/words";
import { releasesByItself } from "./released";
import type { Look } from "./look";

/** A stop from low speed: does ABS act by itself. */
export const steering = {
  id: "steering",
  instrument: "scan",
  state: { wheel: "driven", speedKmh: 30 },
  label: () => t`stop from low speed`,
  sentence: () =>
    t`On dry, private ground stop gently from 20 km/h: does the pedal buzz and the car pull to the other side?`,
  minutes: 7,
  withoutTool: true,
  live: true,
  walk: 13,
  ofTheMoment: true,
  answers: {
    list: [
      { word: "straight", say: () => t`brakes straight, no buzz`, short: () => t`straight`, also: ["none"] },
      { word: "pulls", say: () => t`buzzes and pulls to the other side`, short: () => t`pulls`, also: ["buzz"] },
    ],
    chances: (seen) => ({ pulls: releasesByItself(seen) ? 0.7 : 0.05 }),
  },
} as const satisfies Look;
