import { answersFor } from "../checks/answers";
import { hookupKey, isToggleTest, type Hookup } from "../checks/hookup";
import { turnsWheel } from "../checks/turns-wheel";
import { quantityOf } from "../checks/instruments";
import type { CornerSetup } from "../circuit/setup";
import { suspectId, suspectables, type Suspectable } from "../faults/catalogue";
import { faultsOf, leftOf, together } from "../faults/pair";
import { HEALTHY, type CarCondition } from "../faults/fault";
import { normal, seeded, type Random } from "../random/random";
import { formatQuantity } from "../units/format";
import { dimensionsOf, fromUniforms } from "../car/dimensions";
import { drawCar, drawHealthy, dutyOf } from "../car/draw";
import { secondLook, seenAlike } from "../observation/second-look";
import type { Meanwhile } from "../circuit/state";
import { meanwhileChance, seenShare } from "../observation/seen-share";
import { StateReader, type Outlook } from "../observation/reader";
import { whereaboutsOf } from "../car/whereabouts";
import { SymptomWatch } from "../observation/symptom";

/** A car with one hidden fault, or two, whose readings stand in for real instruments. */
export interface SimulatedCar {
  setup: CornerSetup;
  truth: Suspectable;
  condition: CarCondition;
  /** The same car while an intermittent fault is away; null when the fault is always there. */
  away: CarCondition | null;
  duty: number;
  random: Random;
  /** What each look was answered last, by hook-up: a second look is not a first one. */
  said: Map<string, string>;
  /** Which of its levels the sensor stands at while nobody turns the wheel; drawn when first read. */
  stands: 0 | 1 | null;
  /** What decides whether the fault comes while something is read, 0 to 1; drawn anew at each reading where it is null. */
  luck: number | null;
}

export interface SimulatedOptions {
  seed: number;
  intermittent?: boolean;
  /** A second fault of the same corner, by its identity; hard. */
  second?: string | undefined;
  /** Which of its faults are repaired by now. */
  isRepaired?: (one: Suspectable) => boolean;
  /** 1 = the line-up's own tolerances; the benchmark uses 1.5. */
  spread?: number;
}

const MOST_TRIES = 60;

/**
 * Makes a simulated car. What is repaired is gone from it; all else about it is as it was.
 * @param fault its identity as in the line-up, for example `ring-missing@ring` @throws RangeError when this corner cannot have it
 */
export function simulateCar(
  setup: CornerSetup,
  fault: string,
  { seed, intermittent = false, second, isRepaired = () => false, spread = 1 }: SimulatedOptions,
): SimulatedCar {
  const all = suspectables(setup);
  const named = (id: string): Suspectable => {
    const found = all.find((one) => suspectId(one.fault, one.place) === id);
    if (!found) throw new RangeError(`this corner cannot have the fault “${id}”`);
    return found;
  };
  const asItCame = second === undefined ? named(fault) : together(named(fault), named(second), 1);
  const random = seeded(seed);
  const watch = new SymptomWatch(setup);
  const dimensions = dimensionsOf(setup.family, second !== undefined);
  const drawn = () => fromUniforms(setup.family, Float64Array.from(dimensions, random), spread);
  let at = drawn();
  // A fault too mild to notice is no complaint: draw again until the module would see it, of two each by itself.
  const isSeen = (one: Suspectable) =>
    one.fault.part === "none" || watch.shows(drawCar(setup, one.fault, one.place, at), whereaboutsOf(one, false));
  const alone = faultsOf(asItCame).map((_, i) => leftOf(asItCame, (one) => faultsOf(asItCame).indexOf(one) !== i)!);
  for (let tries = 0; tries < MOST_TRIES && !alone.every(isSeen); tries++) at = drawn();
  const truth = leftOf(asItCame, isRepaired) ?? named(HEALTHY);
  const comesAndGoes = intermittent && truth.fault.intermittent;
  return {
    setup,
    truth,
    condition: drawCar(setup, truth.fault, truth.place, at),
    away: comesAndGoes ? drawHealthy(setup, at) : null,
    duty: comesAndGoes ? dutyOf(at) : 1,
    random,
    said: new Map(),
    stands: null,
    luck: null,
  };
}

/** What the fault of this car did while something was recorded for hours; null where nothing is. */
export function meanwhileOn(car: SimulatedCar, { state }: Hookup): Meanwhile | null {
  if (!state.recorded) return null;
  // Said of another channel already.
  if (state.meanwhile) return state.meanwhile;
  const duty = car.truth.fault.part === "none" ? 0 : car.duty;
  return car.random() < meanwhileChance("came", duty) ? "came" : "stayed-away";
}

/** What the instrument shows on this car, as a person would type it: `11.2 V`, `OL`, `missing-pulses`. */
export function readCar(car: SimulatedCar, hookup: Hookup): string {
  const here = car.away === null || (car.luck ?? car.random()) < seenShare(hookup, car.duty);
  const condition = here ? car.condition : car.away!;
  const where = whereaboutsOf(car.truth, car.away !== null);
  const reader = new StateReader(car.setup, hookup.state, [hookup]);
  reader.take(condition);
  const outlook = reader.outlook(0, where);
  if (outlook.kind === "words") {
    const { words } = answersFor(hookup)!;
    const before = words.indexOf(car.said.get(hookupKey(hookup)) ?? "");
    const word =
      words[draw(before < 0 ? outlook.chances : secondLook(outlook.chances, before, seenAlike(hookup)), car.random)]!;
    car.said.set(hookupKey(hookup), word);
    return word;
  }
  if (turnsWheel(hookup)) car.stands = null;
  const stands = hookup.state.wheel === "still" && outlook.values.length === 2;
  if (stands) car.stands ??= car.random() < 0.5 ? 0 : 1;
  const at = stands ? car.stands! : draw(outlook.chances, car.random);
  if (isToggleTest(hookup)) return toggled(hookup, outlook, at, car.random);
  return display(hookup, outlook, at, car.random);
}

/** Both levels where the wheel, turned a little on again and again, brings both; else the one it stays at, twice. */
function toggled(hookup: Hookup, outlook: Outlook & { kind: "numbers" }, at: number, random: Random): string {
  const { values } = outlook;
  const ends =
    values.length > 1 ? [values.indexOf(Math.min(...values)), values.indexOf(Math.max(...values))] : [at, at];
  return ends.map((end) => display(hookup, outlook, end, random)).join(" / ");
}

function draw(chances: readonly number[], random: Random): number {
  let left = random() * chances.reduce((sum, chance) => sum + chance, 0);
  for (let i = 0; i < chances.length; i++) {
    left -= chances[i]!;
    if (left <= 0) return i;
  }
  return chances.length - 1;
}

/** A hand meter's own error and digits: 0.5 % and two counts, four thousand counts (typical, common practice). */
function display(hookup: Hookup, outlook: Outlook & { kind: "numbers" }, at: number, random: Random): string {
  const quantity = quantityOf[hookup.instrument]!;
  const bySpin =
    (hookup.instrument === "volts-ac" || hookup.instrument === "hertz") && hookup.state.wheel === "hand"
      ? 1 + 0.2 * normal(random)
      : 1;
  const value = outlook.values[at]! * Math.max(0.3, bySpin) * (1 + 0.004 * normal(random));
  if (value === Infinity || (quantity === "ohms" && value > 4e7)) return "OL";
  if (quantity === "farads") return formatQuantity(Math.max(0, value + 5e-12 * normal(random)), "farads", 3);
  if (quantity === "volts") return formatQuantity(roundTo(value + 0.001 * normal(random), 0.001), "volts", 4);
  return formatQuantity(value, quantity, 4);
}

function roundTo(value: number, step: number): number {
  return Math.round(value / step) * step;
}
