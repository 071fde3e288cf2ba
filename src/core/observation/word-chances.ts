import { firstOnScreen } from "../checks/findings/findings";
import { scopeWords } from "../checks/scope-answers";
import type { Hookup } from "../checks/hookup";
import type { Trace } from "../checks/looks/look";
import type { ModuleView } from "../car/signal";
import type { Family } from "../circuit/setup";
import type { CarCondition } from "../faults/fault";
import { findingChances } from "./finding-chances";

/** Chance that a clear word answer comes out as some other word. */
const SLIP = 0.02;

/**
 * How a finding comes about: named by our analysis, as it fares on our own recordings; named by an eye that sees what
 * is there; or anything at all, which recordings of other worlds show one in fifteen (docs/benchmarks.md).
 */
const ANALYSED = 0.65;
const BY_EYE = 0.28;

/** Chances of each finding in a capture of the signal at one point. @param volts low and high (active) or RMS (passive) at the probe */
export function scopeChances(
  car: CarCondition,
  volts: Trace,
  hookup: Hookup,
  family: Family,
  comesAndGoes: boolean,
  view: ModuleView,
): number[] {
  const expected = expectedFinding(car, volts, hookup, comesAndGoes, view);
  const seen = findingChances[family][expected] ?? {};
  const total = Object.values(seen).reduce((sum, chance) => sum + chance, 0) || 1;
  return scopeWords.map((word) => {
    const analysed = (seen[word] ?? 0) / total;
    const byEye = word === expected ? 1 : 0;
    return ANALYSED * analysed + BY_EYE * byEye + (1 - ANALYSED - BY_EYE) / scopeWords.length;
  });
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
  return firstOnScreen({ car, volts, view }) ?? "clean";
}

/** Spreads what is not named over the first word (or `rest`) and keeps a little for slips. */
export function wordChances(words: readonly string[], named: Record<string, number>, rest = words[0]!): number[] {
  const raw = words.map((word) => named[word] ?? 0);
  const sum = raw.reduce((total, value) => total + value, 0);
  const restAt = words.indexOf(rest);
  raw[restAt]! += Math.max(0, 1 - sum);
  const total = raw.reduce((all, value) => all + value, 0);
  return raw.map((value) => (1 - SLIP) * (value / total) + SLIP / words.length);
}
