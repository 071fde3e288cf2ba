import { t } from "../../words/words";
import { speedOf } from "../../circuit/state";
import type { Look } from "./look";

/** Which corner's live speed answers this wheel. */
export const which = {
  id: "which",
  instrument: "scan",
  state: { wheel: "hand", speedKmh: 7 },
  label: () => t`which corner answers`,
  sentence: () => t`Wheel raised, spin this wheel alone by hand and see which corner's live speed answers.`,
  minutes: 3,
  glance: true,
  needs: ["lift"],
  cautions: ["raised"],
  live: true,
  ofTheMoment: true,
  answers: {
    list: [
      { word: "this", say: () => t`this corner answers`, short: () => t`this` },
      {
        word: "another",
        say: () => t`another corner answers`,
        short: () => t`another`,
        also: ["other", "different", "wrong"],
      },
      { word: "none", say: () => t`no corner answers`, short: () => t`none`, also: ["zero", "nothing"] },
    ],
    chances: ({ car, module, state }) => {
      const { circuitOk, lostShare, dropOutKmh } = module();
      const seen = !car.inputFault && circuitOk && lostShare < 0.9 && dropOutKmh < speedOf(state);
      if (seen && car.circuit.sensor.mode === "noisy") return OF_NOISE;
      return { [car.elsewhere ? "another" : seen ? "this" : "none"]: 0.96 };
    },
    rest: "none",
  },
} as const satisfies Look;

/** Of pulses that are not the wheel's a module may show a speed, or none (engineering judgement). */
const OF_NOISE = { this: 0.62, none: 0.33, another: 0.02 };
