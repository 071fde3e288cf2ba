import { t } from "../../words/words";
import type { Look } from "./look";

/** A magnet passed across the tip of the sensor. */
export const magnet = {
  id: "magnet",
  instrument: "hands",
  state: {},
  label: () => t`magnet past the sensor`,
  sentence: () =>
    t`Sensor removed, still plugged in, key on: pass a small magnet (encoder) or a steel blade (toothed ring) across its tip and watch the output.`,
  minutes: 4,
  needs: ["lift", "wheel-off", "sensor-out"],
  cautions: ["raised", "sensor-out"],
  live: true,
  ofTheMoment: true,
  answers: {
    list: [
      {
        word: "switches",
        say: () => t`output answers the magnet or pin`,
        short: () => t`switches`,
        also: ["yes", "ok", "answers", "reacts", "responds", "toggles", "changes"],
      },
      {
        word: "no-change",
        say: () => t`nothing changes`,
        short: () => t`no change`,
        also: ["no", "dead", "nothing", "silent", "no-answer", "no-reaction", "none", "stuck"],
      },
    ],
    chances: ({ car, module }): Record<string, number> =>
      module().circuitOk && car.circuit.sensor.mode !== "stuck" ? {} : { "no-change": 0.96 },
  },
} as const satisfies Look;
