import { firstOnScreen } from "../checks/findings/findings";
import { scopeWords } from "../checks/scope-answers";
import type { Hookup } from "../checks/hookup";
import type { Trace } from "../checks/looks/look";
import type { ModuleView } from "../car/signal";
import type { Whereabouts } from "../car/whereabouts";
import type { Family } from "../circuit/setup";
import type { CarCondition } from "../faults/fault";
import { findingChances } from "./finding-chances";

/** A step of less between a signal's levels is none on a screen, volts. */
export const LEAST_STEP_V = 0.02;

/** Chance that a clear word answer comes out as some other word. */
const SLIP = 0.02;

/**
 * How a finding comes about: named by our analysis, as it fares on our own recordings; named by an eye that sees what
 * is there; or anything at all, which recordings of other worlds show one in fifteen (docs/benchmarks.md).
 */
const ANALYSED = 0.65;
const BY_EYE = 0.28;
/** Most of what goes wrong with a recording of a fault is that it shows nothing of it (misses of `bench:outside-waves`). */
const MISSED = 0.6;

/** So much of a word's chance is that of a recording in which anything may be called anything: the next one errs anew. */
export const BY_ERROR = (1 - ANALYSED - BY_EYE) * (MISSED + (1 - MISSED) / scopeWords.length);

/** Chances of each finding in a capture of the signal at one point. @param volts low and high (active) or RMS (passive) at the probe */
export function scopeChances(
  car: CarCondition,
  volts: Trace,
  hookup: Hookup,
  family: Family,
  where: Whereabouts,
  view: ModuleView,
): number[] {
  const expected = expectedFinding(car, volts, hookup, where.comesAndGoes, view, family);
  const instead = shownInstead(car, volts, expected, family, where, view);
  const seen = findingChances[family][expected] ?? {};
  const levelSeen = LOSSES.has(expected) && expected !== UNSAID;
  const total = Object.values(seen).reduce((sum, chance) => sum + chance, 0) || 1;
  const left = 1 - Object.values(instead).reduce((sum, chance) => sum + chance, 0);
  // Where nothing pulses there is nothing to be taken for a good signal.
  const missed = expected === "flat" ? 0 : MISSED;
  return scopeWords.map((word) => {
    const analysed = (seen[word] ?? 0) / total;
    const byEye = (levelSeen ? byEyeOf(expected)[word] : Number(word === expected)) ?? 0;
    const shown = left * (ANALYSED * analysed + BY_EYE * byEye) + (instead[word] ?? 0) * (ANALYSED + BY_EYE);
    const erred = (1 - missed) / scopeWords.length + (word === "clean" ? missed : 0);
    return shown + (1 - ANALYSED - BY_EYE) * erred;
  });
}

/**
 * What a recording of the same car shows as well: the supply's own trace beside a signal that is lost with it, a contact
 * that makes and breaks although the fault was said to be there all the time, an uneven duty before poles are lost.
 */
function shownInstead(
  { ring, circuit }: CarCondition,
  volts: Trace,
  expected: string,
  family: Family,
  { comesAndGoes, flickers, place, part }: Whereabouts,
  { lostShare }: ModuleView,
): Record<string, number> {
  if (circuit.sensor.mode === "noisy") return family === "passive" ? LEAK_SEEN : SWITCHES_BY_ITSELF;
  const onSupply = family !== "passive" && (part === "module-feed" || place.conductor === "supply");
  const lost = comesAndGoes && LOSSES.has(expected) ? 1 : !comesAndGoes && flickers ? FLICKERS : 0;
  if (lost > 0)
    return {
      ...(onSupply ? { "supply-dip": lost * SUPPLY_RECORDED } : {}),
      ...(comesAndGoes ? {} : lossesSeen(lost * (onSupply ? 1 - SUPPLY_RECORDED : 1), volts, family)),
    };
  if (onSupply && comesAndGoes) return { "supply-dip": DIPS_ALONE * SUPPLY_RECORDED };
  if (family !== "passive" && ring.wobble === 0 && lostShare > LEAST_LOST && lostShare < MOST_LOST)
    return { "duty-shift": UNEVEN_FIRST };
  return {};
}

/** A coil's leak may not show while it is dry; a sensor that switches by itself loses pulses too (engineering judgement). */
const LEAK_SEEN = { clean: 0.2, "low-amplitude": 0.06 };
const SWITCHES_BY_ITSELF = { "random-dropout": 0.08, "signal-parked": 0.08 };

/** How often a break that was called hard makes and breaks in a recording of a few turns (engineering judgement). */
const FLICKERS = 0.12;
/** How often the supply is recorded with the signal (engineering judgement). */
const SUPPLY_RECORDED = 0.35;
/** How often it is then seen to dip although no pulse is lost (engineering judgement). */
const DIPS_ALONE = 0.15;
/** How often a field near the switching points shows in the duty before it does in lost poles, of those that lose this share. */
const UNEVEN_FIRST = 0.45;
const [LEAST_LOST, MOST_LOST] = [0.005, 0.6];

/** The finding a perfect eye would have in a capture of this car; what the analysis has instead is in finding-chances.ts. */
export function expectedFinding(
  car: CarCondition,
  volts: Trace,
  hookup: Hookup,
  comesAndGoes: boolean,
  view: ModuleView,
  family: Family,
): string {
  // On a wire that carries no signal, or past a break, nothing of it is seen.
  if (car.circuit.sensor.mode === "noisy" && (family === "passive" || volts.step >= LEAST_STEP_V))
    return "noise-at-rest";
  if (hookup.state.wheel === "still") return "flat";
  // Where a good car has no signal there is none to lose.
  if (volts.silent && volts.step < LEAST_STEP_V) return "flat";
  // What comes and goes shows as losses if it shows at this point at all.
  if (comesAndGoes)
    return expectedFinding(car, volts, hookup, false, view, family) === "clean" ? "clean" : lossSeen(volts, family);
  if (volts.step < LEAST_STEP_V || car.ring.absent || view.lostShare > 0.9) return "flat";
  const seen = firstOnScreen({ car, volts, view }) ?? "clean";
  return seen === UNSAID ? lossSeen(volts, family) : seen;
}

/** Losses as they are logged: of some nobody says what the level does meanwhile. */
function lossesSeen(share: number, volts: Trace, family: Family): Record<string, number> {
  const seen = lossSeen(volts, family);
  if (seen === UNSAID) return { [seen]: share };
  return Object.fromEntries(Object.entries(byEyeOf(seen)).map(([word, chance]) => [word, chance * share]));
}

/** What an eye that sees a loss of this kind says of it: how the level went, only that it went, or nothing of it. */
function byEyeOf(loss: string): Record<string, number> {
  const rest = { [UNSAID]: 1 - LEVEL_SAID };
  const isGone = loss === "signal-fallen" || loss === "signal-risen";
  return isGone
    ? { [loss]: LEVEL_SAID * WAY_SAID, "signal-lost": LEVEL_SAID * (1 - WAY_SAID), ...rest }
    : { [loss]: LEVEL_SAID, ...rest };
}

/** How often the level of a loss is told, and which way it went (engineering judgement). */
const LEVEL_SAID = 0.6;
const WAY_SAID = 0.75;

/** Losses at random places, and nothing said of the level meanwhile. */
const UNSAID = "random-dropout";
const LOSSES: ReadonlySet<string> = new Set([UNSAID, "signal-fallen", "signal-risen", "signal-lost", "signal-parked"]);

/** Losses by what the level does meanwhile; a coil's is nothing either way. */
function lossSeen({ away = null }: Trace, family: Family): string {
  if (family === "passive") return UNSAID;
  if (away === null) return "signal-parked";
  return away === "under" ? "signal-fallen" : away === "over" ? "signal-risen" : "signal-lost";
}

/** Spreads what is not named over the first word (or `rest`) and keeps a little for slips. */
export function wordChances(words: readonly string[], named: Record<string, number>, rest = words[0]!): number[] {
  const chances = words.map((word) => named[word] ?? 0);
  chances[words.indexOf(rest)]! += Math.max(0, 1 - sumOf(chances));
  const total = sumOf(chances);
  for (let i = 0; i < chances.length; i++) chances[i] = (1 - SLIP) * (chances[i]! / total) + SLIP / words.length;
  return chances;
}

function sumOf(values: readonly number[]): number {
  let sum = 0;
  for (const value of values) sum += value;
  return sum;
}
