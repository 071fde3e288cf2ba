import { t } from "../../words/words";
import { FALSE_ALARM, type Look } from "./look";

/** The sensor's foot and its seat. */
export const foot = {
  id: "foot",
  instrument: "eyes",
  state: { key: "off" },
  label: () => t`sensor foot and seat`,
  sentence: () => t`Wheel off, look under the sensor foot: flat in its seat, lifted by rust, or loose to the finger.`,
  minutes: 1,
  needs: ["lift", "wheel-off"],
  cautions: ["raised"],
  walk: 7,
  answers: {
    list: [
      {
        word: "seated",
        say: () => t`flat in its seat`,
        short: () => t`seated`,
        also: ["good", "ok", "flat", "flush", "fine", "tight"],
      },
      {
        word: "lifted",
        say: () => t`lifted by rust or not seated`,
        short: () => t`lifted`,
        also: ["rust", "rusted", "rust-jacked", "raised", "tilted", "proud", "scale"],
      },
      { word: "loose", say: () => t`moves by hand`, short: () => t`loose`, also: ["moves", "rocks", "wobbles"] },
    ],
    chances: ({ car, sign }) =>
      car.ring.wobble > 0 && sign("sensor-lifted") > 0
        ? { loose: 0.75, lifted: 0.1 }
        : { lifted: Math.max(sign("sensor-lifted"), FALSE_ALARM), loose: 0.01 },
  },
} as const satisfies Look;
