import { ONE_IN_FOUR } from "../faults/fault";
import { sensedSide, type CornerSetup, type Family } from "../circuit/setup";

/** Tolerances every corner has. */
const EVERY = [
  "batteryV",
  "feedOhms",
  "earthOhms",
  "carLoadOhms",
  "offOhms",
  "contactOhms",
  "insulationS",
  "faradPerM",
  "moduleFarad",
  "bodyOhms",
  "designGapMm",
  "seatMm",
  "runoutMm",
  "moduleLoadOhms",
  "resetV",
  "pulses",
  "tyreM",
] as const;
const ACTIVE = [
  "feedTrips",
  "tripA",
  "trickleOhms",
  "pullUpTrips",
  "minimumV",
  "deadV",
  "sensorFarad",
  "regulatorV",
  "sourceOhms",
  "coldOhms",
  "restsHigh",
  "switchField",
  "ringMm",
  "starvedShare",
] as const;
const TWO_WIRE = [...ACTIVE, "senseHigh", "senseOhms", "lowA", "currentRatio", "protocol"] as const;
const THREE_WIRE = [
  ...ACTIVE,
  "supplyLogic",
  "supplyEight",
  "pullUpHigh",
  "quiescentA",
  "outputOhms",
  "pullUpOhms",
  "pullUpShare",
] as const;
const PASSIVE = [
  "coilOhms",
  "coilCelsius",
  "biased",
  "biasV",
  "biasOhms",
  "legHeld",
  "legOhms",
  "inputOhms",
  "outputFactor",
  "thresholdV",
  "strayA",
] as const;
/** A fault's own numbers (its size, its place along a wire …), and how much of the time it is there. */
const OWN = ["kind", "own0", "own1", "own2", "own3", "duty"] as const;
/** The same of a second fault on the same car. */
const SECOND = ["kind2", "own4", "own5", "own6", "own7"] as const;

export type CommonDimension =
  (typeof EVERY)[number] | (typeof TWO_WIRE)[number] | (typeof THREE_WIRE)[number] | (typeof PASSIVE)[number];
export type OwnDimension = (typeof OWN)[number] | (typeof SECOND)[number];
/** One number a car is made from. No two quantities of a car share one. */
export type Dimension = CommonDimension | OwnDimension;

/**
 * Numbers that decide between two kinds of car, each with the bound it is held against: only the side counts. A car keeps
 * its kind, so a candidate never stands for neighbours of the other one, and no reading moves it there.
 */
const DECIDING = {
  restsHigh: 0.5,
  // Where nobody said which signal this car has, one in four is coded (engineering judgement: newer cars with standstill or direction functions).
  protocol: ONE_IN_FOUR,
  // Four modules in ten switch a feed off that is drawn on too hard; half of those feed the signal's pull-up from the same switch (engineering judgement).
  feedTrips: 0.605,
  pullUpTrips: 0.5,
  // Where nobody said where the module senses, one in four does it above the sensor (engineering judgement: low is met most).
  senseHigh: ONE_IN_FOUR,
  // Where nobody said what three wires are fed with, 5 V in 45 of 100, 8 in 15, 12 in 40; pulled up to 12 V in 35 of 100, whatever it is fed with (engineering judgement).
  supplyLogic: 0.552,
  supplyEight: 0.755,
  pullUpHigh: 0.661,
  // Where nobody said, 65 modules in 100 put a small voltage on a passive sensor's legs (engineering judgement).
  biased: 0.339,
  // Some modules hold the second leg near their ground and bias the first alone: three in ten (engineering judgement).
  legHeld: 0.718,
} as const satisfies Partial<Record<CommonDimension, number>>;

export type Deciding = keyof typeof DECIDING;

/** Whether a car is of the rarer, or the second, kind. */
export function decides(at: Ranges, dimension: Deciding): boolean {
  return at(dimension) > DECIDING[dimension];
}

/** Whether a number of a car decides between two kinds and has no neighbourhood. */
export function isDeciding(dimension: Dimension): boolean {
  return dimension in DECIDING || dimension === "kind" || dimension === "kind2";
}

/** The kinds that common numbers decide, as one number: cars of one kind lean on their tolerances alike. What the set-up says is one kind. */
export function kindOf(setup: CornerSetup, scores: ArrayLike<number>, start: number): number {
  let decided = openTo.get(setup);
  if (!decided) openTo.set(setup, (decided = decidedOpenly(setup)));
  let kind = 0;
  for (const { index, bound } of decided) kind = 2 * kind + (rangeOf(scores[start + index]!) > bound ? 1 : 0);
  return kind;
}

/** What is left for the common numbers of a set-up's cars to decide: the number's place among them, and its bound. */
function decidedOpenly(setup: CornerSetup): { index: number; bound: number }[] {
  return DECIDED[setup.family]
    .filter((dimension) => !(SETTLED[dimension]?.(setup) ?? false))
    .map((dimension) => ({ index: INDEX[setup.family].get(dimension)!, bound: DECIDING[dimension] }));
}

/** Asked for every candidate of every reading. */
const openTo = new WeakMap<CornerSetup, { index: number; bound: number }[]>();

/** What is said of the car leaves nothing for these to decide. */
const SETTLED: Partial<Record<Deciding, (setup: CornerSetup) => boolean>> = {
  protocol: ({ protocol }) => protocol !== "unknown",
  senseHigh: (setup) => sensedSide(setup) !== "unknown",
  supplyLogic: ({ supplyV }) => supplyV !== undefined,
  supplyEight: ({ supplyV }) => supplyV !== undefined,
  pullUpHigh: ({ pullUpV }) => pullUpV !== undefined,
  biased: ({ legBias }) => legBias !== "unknown",
};

const COMMON: Record<Family, readonly CommonDimension[]> = {
  "active-2wire": [...EVERY, ...TWO_WIRE],
  "active-3wire": [...EVERY, ...THREE_WIRE],
  passive: [...EVERY, ...PASSIVE],
};

const ALL: Record<Family, readonly Dimension[]> = {
  "active-2wire": [...COMMON["active-2wire"], ...OWN, ...SECOND],
  "active-3wire": [...COMMON["active-3wire"], ...OWN, ...SECOND],
  passive: [...COMMON.passive, ...OWN, ...SECOND],
};

const DECIDED = Object.fromEntries(
  Object.entries(COMMON).map(([family, all]) => [family, all.filter((one): one is Deciding => one in DECIDING)]),
) as unknown as Record<Family, readonly Deciding[]>;

const INDEX = Object.fromEntries(
  Object.entries(ALL).map(([family, all]) => [family, new Map(all.map((dimension, i) => [dimension, i]))]),
) as unknown as Record<Family, ReadonlyMap<Dimension, number>>;

/** The numbers that make one car of a family: common tolerances first, then the fault's own, then a second fault's. */
export function dimensionsOf(family: Family, twoFaults = false): readonly Dimension[] {
  return twoFaults ? ALL[family] : ALL[family].slice(0, -SECOND.length);
}

/** Where among them each stands. */
export function indexOfDimensions(family: Family): ReadonlyMap<Dimension, number> {
  return INDEX[family];
}

/** How many of them are common tolerances. */
export function commonDimensions(family: Family): number {
  return COMMON[family].length;
}

/** Where in its usual range each number of a car lies: 0 at the lower end, 1 at the upper; beyond both lie unusual but possible cars. */
export type Ranges = (dimension: Dimension) => number;

/** Every number in the middle of its range: the usual car. */
export const inTheMiddle: Ranges = () => 0.5;

/** The usual range is this many standard deviations to either side. */
export const USUAL_DEVIATIONS = 1.2;

/** Ranges from standard normal scores, with normal tails. @param scores in the order of `dimensionsOf` from `start` */
export function fromScores(family: Family, scores: ArrayLike<number>, start = 0): Ranges {
  const index = INDEX[family];
  return (dimension) => rangeOf(scores[start + index.get(dimension)!]!);
}

function rangeOf(score: number): number {
  return 0.5 + score / (2 * USUAL_DEVIATIONS);
}

/** Ranges from uniform numbers, stretched about the middle. @param uniforms in the order of `dimensionsOf` */
export function fromUniforms(family: Family, uniforms: ArrayLike<number>, stretch: number): Ranges {
  const index = INDEX[family];
  return (dimension) => 0.5 + (uniforms[index.get(dimension)!]! - 0.5) * stretch;
}
