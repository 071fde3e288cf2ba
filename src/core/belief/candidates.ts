import { commonDimensions, dimensionsOf, fromScores, isDeciding, type Dimension, type Ranges } from "../car/dimensions";
import { copyOfCar, drawHealthy, dutyOf, withFault } from "../car/draw";
import { whereaboutsOf, type Whereabouts } from "../car/whereabouts";
import { SymptomWatch } from "../observation/symptom";
import type { CornerSetup } from "../circuit/setup";
import type { CarCondition } from "../faults/fault";
import { suspectables, suspectId, type Suspectable } from "../faults/catalogue";
import type { Part } from "../faults/parts/parts";
import { normalScore, seeded, type Random } from "../random/random";
import { type Complaint } from "../complaint/complaint";
import { complaintWeight } from "../complaint/complaint-weight";
import type { OwnRatios } from "../complaint/ratio";

/**
 * Common tolerances act almost straight on what is read, so the cloud about each candidate (see kernel.ts) carries
 * most of their spread: this part of the standard deviation. The candidates themselves scatter by the rest.
 */
export const COMMON_WIDTH = 0.85;
const COMMON_SCATTER = Math.sqrt(1 - COMMON_WIDTH * COMMON_WIDTH);

/** One fault at one place with its share of the candidates: rows `first` to `first + size − 1`. */
export interface Group extends Suspectable {
  id: string;
  first: number;
  size: number;
  comesAndGoes: boolean;
  whereabouts: Whereabouts;
}

/** The line-up's population: every candidate car with its numbers and weight. */
export interface Candidates {
  setup: CornerSetup;
  groups: Group[];
  count: number;
  /** How many numbers make one car, and how many of them, the first, are common tolerances. */
  dimensions: number;
  common: number;
  /** scores[row * dimensions + i], with its cloud standard normal before any reading */
  scores: Float64Array;
  cars: CarCondition[];
  /** The same car while its intermittent fault is away; only for groups that come and go. */
  healthy: (CarCondition | null)[];
  duty: Float64Array;
  weight: Float64Array;
  /** Rows whose scores have changed since their cars were made. */
  stale: Uint8Array;
  /** The recording whose channels were read last; replaced, never changed, as more of them are read. */
  recording?: Recording;
}

/**
 * What the readings of one recording say so far of whether the fault came while it ran. Its channels stand or fall
 * together: with L₁ and L₀ how likely a candidate makes a channel's reading while the fault is there and while it is away,
 * and s the chance that it came, s ← s·L₁ / (s·L₁ + (1 − s)·L₀), channel by channel.
 */
export interface Recording {
  name: string;
  channels: number;
  /** For each candidate, the chance that its fault came. */
  came: Float64Array;
}

/** What a line-up is drawn from. */
export interface Population {
  setup: CornerSetup;
  complaint: Complaint;
  priors: Record<Part, number>;
  /** Ratios by which the complaint weighs faults, where the shop has set its own. */
  ratios?: OwnRatios | undefined;
  /** Ratios by which what is known of the other corners weighs parts. */
  elsewhere?: Partial<Record<Part, number>> | undefined;
  /** Cars for every fault and place. */
  perGroup: number;
  seed: number;
  /** Shares to begin with in place of those that priors and complaint give, for a car of which more is known. */
  given?: ((one: Suspectable) => number) | undefined;
  /** Faults of the catalogue that are left out of the running. */
  without?: readonly string[] | undefined;
  /** Two faults together, each with its own share to begin with, where the readings call for them. */
  pairs?: readonly Suspectable[];
}

/** Draws a line-up: so many cars for every fault and place, weights from prior and complaint. */
export function drawCandidates(population: Population): Candidates {
  const { candidates, worth } = lately(population);
  const { perGroup } = population;
  let total = 0;
  for (const { first, size, prior } of candidates.groups)
    for (let row = first; row < first + size; row++) total += candidates.weight[row] = (prior / perGroup) * worth[row]!;
  for (let row = 0; row < candidates.count; row++) candidates.weight[row]! /= total;
  return candidates;
}

/** Cars as they were drawn, before anything gave them weight: a corner weighed anew, or judged beside others, needs the same. */
interface Drawn {
  candidates: Candidates;
  /** What each is worth, all faults being as likely. */
  worth: Float64Array;
}

const drawnLately = new Map<string, Drawn>();
/** So many line-ups are kept, for the corners of one car; each is some ten megabytes. */
const MOST_KEPT = 4;

/** The cars of a population, copied from those drawn lately or drawn, with its groups as it weighs them. */
function lately(population: Population): Drawn {
  const groups = groupsOf(population);
  if (population.pairs?.length) return draw(population, groups);
  const { setup, complaint, perGroup, seed } = population;
  const key = JSON.stringify([setup, complaint.presence, perGroup, seed, groups.map(({ id }) => id)]);
  const drawn = drawnLately.get(key) ?? draw(population, groups);
  drawnLately.delete(key);
  drawnLately.set(key, drawn);
  for (const oldest of drawnLately.keys()) if (drawnLately.size > MOST_KEPT) drawnLately.delete(oldest);
  return { candidates: { ...copyOf(drawn.candidates), groups }, worth: drawn.worth };
}

/** Every fault and place, and every pair, with its share to begin with. */
function groupsOf({
  setup,
  complaint,
  priors,
  ratios,
  elsewhere = {},
  perGroup,
  given,
  without = [],
  pairs = [],
}: Population): Group[] {
  const known = suspectables(setup, priors).filter(({ fault }) => !without.includes(fault.code));
  const weighed = known.map((one) => ({
    ...one,
    prior: given
      ? given(one)
      : one.prior * complaintWeight(one.fault, complaint, setup.corner, ratios) * (elsewhere[one.fault.part] ?? 1),
  }));
  const total = weighed.reduce((sum, { prior }) => sum + prior, 0);
  const normalised = weighed.map((one) => ({ ...one, prior: one.prior / total }));
  return [...normalised, ...pairs].map((one, index): Group => {
    const comesAndGoes = complaint.presence === "intermittent" && one.fault.intermittent;
    return {
      ...one,
      id: suspectId(one.fault, one.place),
      first: index * perGroup,
      size: perGroup,
      comesAndGoes,
      whereabouts: whereaboutsOf(one, comesAndGoes),
    };
  });
}

function draw({ setup, perGroup, seed, pairs = [] }: Population, groups: Group[]): Drawn {
  const random = seeded(seed);
  const count = groups.length * perGroup;
  const dimensions = dimensionsOf(setup.family, pairs.length > 0).length;
  const common = commonDimensions(setup.family);
  const candidates: Candidates = {
    setup,
    groups,
    count,
    dimensions,
    common,
    scores: new Float64Array(count * dimensions),
    cars: new Array<CarCondition>(count),
    healthy: new Array<CarCondition | null>(count).fill(null),
    duty: new Float64Array(count),
    weight: new Float64Array(count),
    stale: new Uint8Array(count),
  };
  const worth = new Float64Array(count);
  // The same numbers in every group, so that no fault and no place wins by luck of the draw.
  const drawn = Array.from({ length: dimensions }, () => stratified(perGroup, random));
  const scatter = dimensionsOf(setup.family, pairs.length > 0).map((dimension, d) =>
    d < common && !isDeciding(dimension) ? COMMON_SCATTER : 1,
  );
  const sound = soundCars(setup, perGroup, scatter, drawn);
  const again = Array.from({ length: MOST_TRIES }, () =>
    Array.from({ length: dimensions - common }, () => stratified(perGroup, random)),
  );
  const watch = new SymptomWatch(setup);
  const sizes = drawn[dimensionsOf(setup.family).indexOf("own0")]!;
  const kinds = new Map([USUALLY_MILD, OFTEN_MILD].map((kind) => [kind, takenAsDrawn(sizes, kind.every)]));
  for (const group of groups) {
    const mild = mildnessOf(group, setup);
    for (let k = 0; k < perGroup; k++) {
      const row = group.first + k;
      for (let d = 0; d < dimensions; d++) candidates.scores[row * dimensions + d] = scatter[d]! * drawn[d]![k]!;
      rebuildCar(candidates, group, row, sound[k]!);
      worth[row] =
        mild && kinds.get(mild)!.has(k) ? mild.worth : makeNoticeable(candidates, group, k, sound[k]!, watch, again);
    }
  }
  return { candidates, worth };
}

/** The cars that all groups begin with, before their faults. */
function soundCars(setup: CornerSetup, count: number, scatter: readonly number[], drawn: readonly Float64Array[]) {
  return Array.from({ length: count }, (_, k) =>
    drawHealthy(
      setup,
      fromScores(
        setup.family,
        scatter.map((width, d) => width * drawn[d]![k]!),
      ),
    ),
  );
}

/** Rows of a group whose fault is taken as it is drawn: by its size every so-many-th, so that they span it whatever the draw. */
function takenAsDrawn(sizes: Float64Array, every: number): ReadonlySet<number> {
  const bySize = [...sizes.keys()].sort((a, b) => sizes[a]! - sizes[b]!);
  return new Set(bySize.filter((_, rank) => rank % every === every >> 1));
}

/** One in `every` of the faults that vary is taken as it is drawn, however mild it is today, for `worth` (engineering judgement). */
interface Mildness {
  every: number;
  worth: number;
}
const USUALLY_MILD: Mildness = { every: 8, worth: 0.25 };
/**
 * A passive signal gets through tens of kilohms: corrosion that has stopped it, wet or shaken, is measured dry and still
 * at hundreds of ohms as often as not.
 */
const OFTEN_MILD: Mildness = { every: 4, worth: 0.5 };

function mildnessOf({ fault, comesAndGoes }: Group, { family }: CornerSetup): Mildness | null {
  if (!fault.varies || comesAndGoes) return null;
  return family === "passive" && fault.flickers ? OFTEN_MILD : USUALLY_MILD;
}

const MOST_TRIES = 8;
/** What a car is still worth when its fault cannot be made to show in the live speed. */
const UNNOTICED = 0.05;

/**
 * Someone complained, so the fault shows: its own numbers are drawn again until it does.
 * @param k of the group's cars which @param again the fault's own numbers of each try, by number and car
 * @returns a factor on the weight
 */
function makeNoticeable(
  candidates: Candidates,
  group: Group,
  k: number,
  sound: CarCondition,
  watch: SymptomWatch,
  again: readonly (readonly Float64Array[])[],
): number {
  if (group.fault.part === "none") return 1;
  const row = group.first + k;
  for (const own of again) {
    if (watch.shows(candidates.cars[row]!, group.whereabouts)) return 1;
    own.forEach((scores, d) => {
      candidates.scores[row * candidates.dimensions + candidates.common + d] = scores[k]!;
    });
    rebuildCar(candidates, group, row, sound);
  }
  return UNNOTICED;
}

/** What each group holds, not brought to 1. @param weight of each candidate; their own unless told */
export function sharesOf({ groups, weight: own }: Candidates, weight: Float64Array = own): Float64Array {
  return Float64Array.from(groups, ({ first, size }) => {
    let sum = 0;
    for (let row = first; row < first + size; row++) sum += weight[row]!;
    return sum;
  });
}

/** A copy that may be changed without changing the one it was made of; cars are shared until they are made anew. */
export function copyOf(candidates: Candidates): Candidates {
  return {
    ...candidates,
    scores: candidates.scores.slice(),
    cars: candidates.cars.slice(),
    healthy: candidates.healthy.slice(),
    duty: candidates.duty.slice(),
    weight: candidates.weight.slice(),
    stale: candidates.stale.slice(),
  };
}

/** Says that a group's scores have changed. */
export function outdate({ stale }: Candidates, { first, size }: Group): void {
  stale.fill(1, first, first + size);
}

/** Makes every so-many-th car of a group anew if its scores have changed. */
export function freshen(candidates: Candidates, group: Group, stride = 1): void {
  for (let row = group.first; row < group.first + group.size; row += stride) {
    if (candidates.stale[row] === 0) continue;
    rebuildCar(candidates, group, row);
    candidates.stale[row] = 0;
  }
}

/** Makes a candidate's car anew from its scores. @param sound the same without its fault, where that is at hand */
function rebuildCar(candidates: Candidates, group: Group, row: number, sound?: CarCondition): void {
  const { setup, dimensions, scores } = candidates;
  const at = fromScores(setup.family, scores, row * dimensions);
  const { car, healthy } = sound ? withAndWithout(copyOfCar(sound), sound, group, at) : carOf(setup, group, at);
  candidates.cars[row] = car;
  candidates.healthy[row] = healthy;
  candidates.duty[row] = group.comesAndGoes ? dutyOf(at) : 1;
}

/**
 * The car of other scores than a candidate's own, and the same while an intermittent fault is away.
 * @param used told each number of the car that is asked for in making it
 */
export function carAt(
  { setup }: Candidates,
  group: Group,
  own: Float64Array,
  used?: (dimension: Dimension) => void,
): { car: CarCondition; healthy: CarCondition | null } {
  const range = fromScores(setup.family, own);
  const at: Ranges = (dimension) => {
    used?.(dimension);
    return range(dimension);
  };
  return carOf(setup, group, at);
}

function carOf(setup: CornerSetup, group: Group, at: Ranges) {
  const sound = drawHealthy(setup, at);
  return withAndWithout(group.comesAndGoes ? copyOfCar(sound) : sound, sound, group, at);
}

/** @param car given the fault @param sound what it is while the fault is away, where it goes away at all */
function withAndWithout(car: CarCondition, sound: CarCondition, { fault, place, comesAndGoes }: Group, at: Ranges) {
  return { car: withFault(car, fault, place, at), healthy: comesAndGoes ? sound : null };
}

/** One normal score in each of `count` equally likely slices, shuffled (one margin of a Latin hypercube). */
function stratified(count: number, random: Random): Float64Array {
  const values = Float64Array.from({ length: count }, (_, i) => normalScore((i + 0.1 + 0.8 * random()) / count));
  for (let i = count - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [values[i], values[j]] = [values[j]!, values[i]!];
  }
  return values;
}
