import { answersFor } from "../checks/answers";
import type { Hookup } from "../checks/hookup";
import { stationsOf, type CornerSetup } from "../circuit/setup";
import { speedOf } from "../circuit/state";
import type { CarCondition, Sign } from "../faults/fault";
import type { Wake } from "../faults/wakes";
import { findingChances } from "./finding-chances";
import type { Whereabouts } from "../car/whereabouts";
import type { ModuleView } from "../car/signal";

/** Chance that a look at a sound part is answered as damaged all the same. */
const FALSE_ALARM = 0.04;
/** Chance that a clear word answer comes out as some other word. */
const SLIP = 0.02;

/** How the chances of each word fall for one look, feel or film check on one car. */
export function lookChances(
  car: CarCondition,
  hookup: Hookup & { look: string },
  setup: CornerSetup,
  faultStation: string | null,
): number[] {
  const { words } = answersFor(hookup, setup)!;
  const sign = (name: Sign) => car.signs[name] ?? 0;
  if (stationsOf(setup).some(({ station }) => station === hookup.look)) {
    const bad = faultStation === hookup.look ? sign("connector-bad") : 0;
    return chances(words, { bad: Math.max(bad, FALSE_ALARM) });
  }
  switch (hookup.look) {
    case "wiring":
      return chances(words, { damaged: Math.max(sign("wiring-damaged"), FALSE_ALARM) });
    case "ring":
      return chances(words, {
        missing: car.ring.missing ? sign("ring-damaged") : 0.01,
        cracked: car.ring.crack ? sign("ring-damaged") : 0.01,
        debris: Math.max(sign("ring-debris"), 0.03),
      });
    case "encoder":
      return chances(words, {
        gap: car.ring.missing || car.ring.crack ? sign("encoder-gap") : 0.01,
        "no-stripes": car.ring.absent ? sign("encoder-reversed") : 0.01,
      });
    case "foot":
      return chances(
        words,
        car.ring.wobble > 0 && sign("sensor-lifted") > 0
          ? { loose: 0.75, lifted: 0.1 }
          : { lifted: Math.max(sign("sensor-lifted"), FALSE_ALARM), loose: 0.01 },
      );
    case "face":
      return chances(words, {
        worn: Math.max(sign("sensor-worn"), 0.02),
        debris: Math.max(sign("ring-debris") * 0.6, 0.05),
      });
    case "bearing":
      return chances(words, { play: Math.max(sign("bearing-play"), 0.03) });
    case "sensor":
      return chances(words, { rocks: Math.max(sign("sensor-loose"), 0.03) });
    case "count":
      return chances(words, { other: Math.max(sign("ring-count"), 0.02) });
    case "others":
      return chances(words, { several: Math.max(car.othersDown, 0.03) });
    case "tyres":
      return chances(words, { different: Math.max(sign("wrong-tyre"), 0.02) });
    default:
      return chances(words, {});
  }
}

/** Chances of the words after the sensor was changed over with the other side's. */
export function swapChances(sensorAtFault: boolean): number[] {
  return sensorAtFault ? [0.95, 0.05] : [0.04, 0.96];
}

/** Chances of what the live speed shows. @param comesAndGoes the fault is intermittent @param speedReach largest speed driven */
export function speedChances(
  car: CarCondition,
  view: ModuleView,
  hookup: Hookup,
  setup: CornerSetup,
  comesAndGoes: boolean,
): number[] {
  const { words } = answersFor(hookup, setup)!;
  return chances(
    words,
    { "drops-out": 0.02, [speedWord(car, view, Math.max(10, speedOf(hookup.state)), comesAndGoes)]: 0.92 },
    "follows",
  );
}

/** Chances of what the module makes of this wheel turned alone, a magnet at the sensor, or a stop from low speed. */
export function moduleAnswers(
  car: CarCondition,
  view: ModuleView,
  hookup: Hookup & { look: string },
  setup: CornerSetup,
): number[] {
  const { words } = answersFor(hookup, setup)!;
  const heard = !car.inputFault && view.circuitOk;
  if (hookup.look === "magnet") {
    const answers = view.circuitOk && car.circuit.sensor.mode !== "stuck";
    return chances(words, answers ? {} : { "no-change": 0.96 }, "switches");
  }
  if (hookup.look === "which") {
    const seen = heard && view.lostShare < 0.9 && view.dropOutKmh < speedOf(hookup.state);
    return chances(words, { [car.elsewhere ? "another" : seen ? "this" : "none"]: 0.96 }, "none");
  }
  // Only a speed lost while the car still rolls makes the module release a wheel; a dead corner just switches ABS off.
  const released =
    heard && view.lostShare < 0.9 && (view.dropOutKmh > 4.5 || view.lostShare > 0.05 || car.ring.wobble > 0.05);
  if (hookup.look === "steering") return chances(words, { pulls: released ? 0.7 : 0.05 });
  return chances(words, { stays: released ? 0.1 : 0.5, gone: released ? 0.9 : 0.5 });
}

/** Chances that a reading jumps while a connector or a stretch of wire is bent and tugged. */
export function wiggleChances(
  car: CarCondition,
  { place, comesAndGoes }: Whereabouts,
  wiggled: { station: number } | { span: number },
): number[] {
  const here = "station" in wiggled ? place.station === wiggled.station : place.span === wiggled.span;
  const touchy = comesAndGoes || car.circuit.spanDefects.some(({ loadedOhms }) => loadedOhms !== undefined);
  const jumps = here ? (touchy ? 0.8 : 0.25) : 0.03;
  return [1 - jumps, jumps];
}

/** Chances that a watched reading jumps while the whole corner is bounced, steered, wetted or warmed. */
export function provokedChances(car: CarCondition, { comesAndGoes, wakes }: Whereabouts, wake: Wake): number[] {
  const moves =
    (wake === "bump" || wake === "turn") && (car.ring.wobble > 0.08 || (car.signs["bearing-play"] ?? 0) > 0.3);
  const jumps = comesAndGoes ? Math.max(0.03, 0.9 * wakes[wake]) : moves ? 0.5 * wakes[wake] : 0.03;
  return [1 - jumps, jumps];
}

/** Chances of each word when this side's signal is laid beside the other side's, both wheels spun alike. */
export function comparedChances(
  car: CarCondition,
  volts: Trace,
  hookup: Hookup,
  setup: CornerSetup,
  view: ModuleView,
): number[] {
  const { words } = answersFor(hookup, setup)!;
  return chances(words, { [comparedWord(car, volts, view)]: 0.95 }, "alike");
}

function comparedWord(car: CarCondition, volts: Trace, view: ModuleView): string {
  if (car.circuit.sensor.mode === "noisy") return "different";
  if (volts.step < 0.02 || car.ring.absent || view.lostShare > 0.9) return "none";
  if (car.ring.missing || car.ring.crack || view.lostShare > 0.02 || !volts.bothLevels) return "different";
  return volts.share < 0.65 ? "weaker" : "alike";
}

/** What a scope sees at a point: step in volts (active) or RMS (passive), and as a share of a good one. */
export interface Trace {
  step: number;
  share: number;
  bothLevels: boolean;
}

function speedWord(car: CarCondition, view: ModuleView, speedKmh: number, comesAndGoes: boolean): string {
  if (car.elsewhere) return "erratic";
  if (car.inputFault || !view.circuitOk) return comesAndGoes ? "drops-out" : "zero";
  if (car.circuit.sensor.mode === "noisy") return "erratic";
  if (view.lostShare > 0.6 || view.dropOutKmh > speedKmh) return "zero";
  if (comesAndGoes || view.lostShare > 0.02 || car.ring.wobble > 0.08) return "drops-out";
  if (view.dropOutKmh > 4.5) return "cuts-low";
  if (car.ring.countRatio !== 1) return "ratio-off";
  if (car.ring.missing || car.ring.crack || car.ring.odd || car.ring.runoutMm > 0.3) return "erratic";
  return "follows";
}

/** Chances of each finding in a capture of the signal at one point. @param volts low and high (active) or RMS (passive) at the probe */
export function scopeChances(
  car: CarCondition,
  volts: Trace,
  hookup: Hookup,
  setup: CornerSetup,
  comesAndGoes: boolean,
  view: ModuleView,
): number[] {
  const { words } = answersFor(hookup, setup)!;
  const seen = findingChances[setup.family][expectedFinding(car, volts, hookup, comesAndGoes, view)];
  return chances(words, seen ?? {}, "clean");
}

/** The finding a perfect eye would have in a capture of this car; what the analysis has instead is in finding-chances.ts. */
export function expectedFinding(
  car: CarCondition,
  volts: Trace,
  hookup: Hookup,
  comesAndGoes: boolean,
  view: ModuleView,
): string {
  if (car.circuit.sensor.mode === "noisy") return "noise-at-rest";
  if (hookup.state.wheel === "still") return "flat";
  // What comes and goes shows as losses if it shows at this point at all.
  if (comesAndGoes) return expectedFinding(car, volts, hookup, false, view) === "clean" ? "clean" : "random-dropout";
  if (volts.step < 0.02 || car.ring.absent || view.lostShare > 0.9) return "flat";
  if (car.ring.missing) return "missing-pulses";
  // Play or a loose seat opens the gap beyond use at any tooth, as weak poles lose pulses.
  if (view.lostShare > 0.02 || car.ring.wobble > 0.02) return "random-dropout";
  if (car.ring.crack) return "cracked-ring";
  if (volts.share < 0.6) return "low-amplitude";
  if (car.ring.odd) return "odd-tooth";
  if (car.ring.runoutMm > 0.25) return "eccentric";
  if (!volts.bothLevels) return "level-out-of-window";
  return "clean";
}

/** Spreads what is not named over the first word (or `rest`) and keeps a little for slips. */
function chances(words: readonly string[], named: Record<string, number>, rest = words[0]!): number[] {
  const raw = words.map((word) => named[word] ?? 0);
  const sum = raw.reduce((total, value) => total + value, 0);
  const restAt = words.indexOf(rest);
  raw[restAt]! += Math.max(0, 1 - sum);
  const total = raw.reduce((all, value) => all + value, 0);
  return raw.map((value) => (1 - SLIP) * (value / total) + SLIP / words.length);
}
