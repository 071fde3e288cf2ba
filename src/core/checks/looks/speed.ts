import { t } from "../../words/words";
import { speedOf } from "../../circuit/state";
import type { Look, Seen } from "./look";

/** This corner's live speed on a short drive. */
export const speed = {
  id: "speed",
  instrument: "scan",
  state: { wheel: "driven", speedKmh: 30 },
  label: () => t`live speed`,
  sentence: () => t`Drive to 30 km/h and coast to a stop while watching this corner's live speed beside the others.`,
  minutes: 5,
  live: true,
  ofTheMoment: true,
  answers: {
    list: [
      {
        word: "follows",
        say: () => t`follows the wheel all the way`,
        short: () => t`follows`,
        also: ["ok", "good", "normal", "fine", "tracks", "matches", "correct", "clean"],
      },
      {
        word: "zero",
        say: () => t`stays at zero`,
        short: () => t`zero`,
        also: ["none", "dead", "0-km/h", "0", "no-signal", "no-speed", "nothing"],
      },
      {
        word: "drops-out",
        say: () => t`drops out now and then`,
        short: () => t`drops out`,
        also: ["dropout", "drops", "intermittent", "flickers", "now-and-then", "sometimes", "at-times", "on-and-off"],
      },
      {
        word: "cuts-low",
        say: () => t`falls to zero early while slowing`,
        short: () => t`cuts low`,
        also: ["drops-early", "early", "below", "under", "low-speed", "slowing"],
      },
      {
        word: "ratio-off",
        say: () => t`steadily high or low`,
        short: () => t`ratio off`,
        also: ["half", "double", "offset"],
      },
      {
        word: "erratic",
        say: () => t`jumps every turn`,
        short: () => t`erratic`,
        also: ["jumps", "jumpy", "spikes", "unstable"],
      },
    ],
    chances: (seen) => {
      const word = speedWord(seen);
      if (word === "noisy") return seen.setup.family === "passive" ? OF_LEAK : OF_NOISE;
      const made = {
        "drops-out": seen.where.flickers ? FLICKERS : 0.02,
        ...told(word, word === "follows" ? swingSeen(seen) : 0),
      };
      return seen.module().biasOff ? orGivenUp(made, seen.where.comesAndGoes ? "drops-out" : "zero") : made;
    },
  },
} as const satisfies Look;

/** How often a break that was called hard is seen to come and go on a drive (engineering judgement). */
const FLICKERS = 0.08;

/** What a module makes of pulses that are not the wheel's: it jumps mostly (engineering judgement). */
const OF_NOISE = { erratic: 0.74, "drops-out": 0.16, zero: 0.05, follows: 0.01 };
/** Of a coil that leaks to its body: hash on good pulses, or legs so uneven that the corner is given up. */
const OF_LEAK = { erratic: 0.52, "drops-out": 0.16, zero: 0.26, follows: 0.04 };

/** A module that finds the bias of a leg wrong sets its code, and shows the speed it still hears or none at all (engineering judgement). */
const GIVEN_UP = 0.4;

function orGivenUp(made: Record<string, number>, as: string): Record<string, number> {
  const kept = Object.fromEntries(Object.entries(made).map(([word, chance]) => [word, (1 - GIVEN_UP) * chance]));
  return { ...kept, [as]: (kept[as] ?? 0) + GIVEN_UP };
}

function speedWord({ car, where: { comesAndGoes }, module, state }: Seen): string {
  const { circuitOk, lostShare, dropOutKmh } = module();
  if (car.elsewhere) return "erratic";
  if (car.inputFault || !circuitOk) return comesAndGoes ? "drops-out" : "zero";
  if (car.circuit.sensor.mode === "noisy") return "noisy";
  if (lostShare > NOTHING_LEFT || dropOutKmh > Math.max(10, speedOf(state))) return "zero";
  if (comesAndGoes || lostShare > 0.02 || car.ring.wobble > 0.08) return "drops-out";
  if (dropOutKmh > 4.5) return "cuts-low";
  if (car.ring.countRatio !== 1) return "ratio-off";
  if (car.ring.missing || car.ring.crack || car.ring.odd) return "erratic";
  return "follows";
}

/** With so many pulses lost a module shows no speed; with fewer it shows one that jumps about and falls out (engineering judgement). */
const NOTHING_LEFT = 0.85;

function told(word: string, swing: number): Record<string, number> {
  return word === "follows" ? { follows: 0.92 * (1 - swing), erratic: 0.92 * swing } : { [word]: 0.92 };
}

/** Runout between these is called a jumping speed by ever more modules and eyes (engineering judgement). */
const [HARDLY_MM, SURELY_MM] = [0.05, 0.2];

function swingSeen({ car }: Seen): number {
  return Math.min(1, Math.max(0, (car.ring.runoutMm - HARDLY_MM) / (SURELY_MM - HARDLY_MM)));
}
