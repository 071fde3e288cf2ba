import type { Outcomes } from "./information";

/** A check as the search needs it. */
export interface Step {
  outcomes: Outcomes;
  /** Minutes of equal worth each time it is done, set-ups left out. */
  ownMinutes: number;
  /** Its minutes, set-ups and all, count so many times. */
  pull: number;
  /** Set-ups it wants; those made already cost nothing. */
  setups: readonly { id: string; minutes: number }[];
}

/**
 * Expected minutes from here until one answer is found, for each check done first. After it comes the best of
 * a few second ones, and after that always the check that tells most for its minutes: a rollout of that rule
 * (D. P. Bertsekas, J. N. Tsitsiklis and C. Wu, Journal of Heuristics 3, 1997). Outcomes of different checks are taken
 * as independent given the fault.
 *
 * @param weights of the states there can be @param answerOf the answer each state stands for, any number that names it
 * @param found the share at which an answer is found
 * @param firsts only so many of the steps are tried as the first
 * @returns one figure for each of them, in order
 * @throws RangeError on more than 30 steps
 */
export function costsToGo(
  steps: readonly Step[],
  weights: Float64Array,
  answerOf: Int32Array,
  done: ReadonlySet<string>,
  found: number,
  firsts = steps.length,
): number[] {
  if (steps.length > MOST_STEPS) throw new RangeError(`at most ${MOST_STEPS} steps, not ${steps.length}`);
  return new Search(steps, weights, answerOf, done, found).costs(firsts);
}

/** Steps and set-ups are kept as bits of a number. */
const MOST_STEPS = 30;
/** Outcomes of a check that tell nearly the same are one; so many are kept apart. */
const MOST_OUTCOMES = 6;
const LOSS_ALLOWED = 0.003;
/** Ways through the tree rarer than this are not followed to the end. */
const RARE = 0.01;
const DEEPEST = 7;
/** Second checks tried after each outcome of the first. */
const SECONDS = 4;

interface Compact {
  /** chances[state * outcomes + outcome], live states only. */
  chances: Float64Array;
  outcomes: number;
  ownMinutes: number;
  pull: number;
  setups: number;
}

/** A way through the tree of what may come: what is left, set-ups made and steps taken, and how likely it is to come. */
interface Branch {
  shares: Float64Array;
  made: number;
  taken: number;
  chance: number;
  depth: number;
}

class Search {
  private readonly answers: Int32Array;
  private readonly answerCount: number;
  private readonly root: Float64Array;
  private readonly setupMinutes: number[] = [];
  private readonly steps: Compact[];
  /** Bits a minute of the best check now, by which what is not followed is judged. */
  private readonly rate: number;

  constructor(
    steps: readonly Step[],
    weights: Float64Array,
    answerOf: Int32Array,
    done: ReadonlySet<string>,
    private readonly found: number,
  ) {
    const live = [...weights.keys()].filter((state) => weights[state]! > LEAST_WEIGHT);
    const names = [...new Set(live.map((state) => answerOf[state]!))];
    this.answers = Int32Array.from(live, (state) => names.indexOf(answerOf[state]!));
    this.answerCount = names.length;
    this.root = normalised(Float64Array.from(live, (state) => weights[state]!));
    const setups = new Map<string, number>();
    for (const { id, minutes } of steps.flatMap((one) => one.setups))
      if (!done.has(id) && !setups.has(id)) {
        setups.set(id, setups.size);
        this.setupMinutes.push(minutes);
      }
    this.steps = steps.map(({ outcomes, ownMinutes, pull, setups: wanted }) => ({
      ...compact(outcomes, live, this.root),
      ownMinutes,
      pull,
      setups: wanted.reduce((bits, { id }) => (setups.has(id) ? bits | (1 << setups.get(id)!) : bits), 0),
    }));
    this.rate = Math.max(1e-4, ...this.steps.map((_, i) => this.gain(this.root, i) / this.cost(i, 0)));
  }

  costs(firsts: number): number[] {
    const here: Branch = { shares: this.root, made: 0, taken: 0, chance: 1, depth: 0 };
    return this.steps.slice(0, firsts).map((_, i) => this.after(here, i, SECONDS));
  }

  /** Minutes of one step and of what follows each of its outcomes, where so many next steps are tried. */
  private after({ shares, made, taken, chance, depth }: Branch, step: number, tried: number): number {
    const { outcomes, setups } = this.steps[step]!;
    let minutes = this.cost(step, made);
    for (let outcome = 0; outcome < outcomes; outcome++) {
      const next = new Float64Array(shares.length);
      const share = this.weigh(shares, step, outcome, next);
      if (share < 1e-6) continue;
      for (let s = 0; s < next.length; s++) next[s]! /= share;
      const branch = {
        shares: next,
        made: made | setups,
        taken: taken | (1 << step),
        chance: chance * share,
        depth: depth + 1,
      };
      minutes += share * this.rest(branch, tried);
    }
    return minutes;
  }

  /** Minutes from a branch on. @param tried so many next steps are tried; 1 follows the rule */
  private rest(branch: Branch, tried: number): number {
    const { shares, made, taken, chance, depth } = branch;
    if (Math.max(...this.byAnswer(shares)) >= this.found) return 0;
    if (chance < RARE || depth >= DEEPEST) return this.estimate(shares);
    const best: { step: number; worth: number }[] = [];
    for (let step = 0; step < this.steps.length; step++) {
      if (taken & (1 << step)) continue;
      const worth = this.gain(shares, step) / this.cost(step, made);
      if (best.length === tried && worth <= best.at(-1)!.worth) continue;
      if (best.length === tried) best.pop();
      best.push({ step, worth });
      best.sort((a, b) => b.worth - a.worth);
    }
    if (best.length === 0 || best[0]!.worth < this.rate * HOPELESS) return this.estimate(shares);
    return Math.min(...best.map(({ step }) => this.after(branch, step, 1)));
  }

  /** What of each state's share shows this outcome. @param out written @returns their sum */
  private weigh(shares: Float64Array, step: number, outcome: number, out: Float64Array): number {
    const { outcomes, chances } = this.steps[step]!;
    let sum = 0;
    for (let s = 0; s < shares.length; s++) sum += out[s] = shares[s]! * chances[s * outcomes + outcome]!;
    return sum;
  }

  private estimate(shares: Float64Array): number {
    return entropyOf(this.byAnswer(shares)) / this.rate;
  }

  private cost(step: number, made: number): number {
    const { ownMinutes, pull, setups } = this.steps[step]!;
    let cost = ownMinutes;
    let left = setups & ~made;
    for (let i = 0; left; i++, left >>>= 1) if (left & 1) cost += this.setupMinutes[i]!;
    return pull * cost;
  }

  private byAnswer(shares: Float64Array): Float64Array {
    const sums = new Float64Array(this.answerCount);
    for (let s = 0; s < shares.length; s++) sums[this.answers[s]!]! += shares[s]!;
    return sums;
  }

  /** Bits a step tells of the answer. */
  private gain(shares: Float64Array, step: number): number {
    const joint = new Float64Array(shares.length);
    let bits = entropyOf(this.byAnswer(shares));
    for (let outcome = 0; outcome < this.steps[step]!.outcomes; outcome++) {
      const all = this.weigh(shares, step, outcome, joint);
      if (all > 0) bits -= all * Math.log2(all) + entropyOf(this.byAnswer(joint));
    }
    return bits;
  }
}

/** States lighter than this are left out. */
const LEAST_WEIGHT = 1e-5;
/** A check that tells so much less a minute than the best does now ends the search. */
const HOPELESS = 0.02;

/** One check's outcomes, neighbours that tell nearly the same of the live states joined (the pair that loses least first). */
function compact(
  known: Outcomes,
  live: readonly number[],
  shares: Float64Array,
): Pick<Compact, "chances" | "outcomes"> {
  const columns = Array.from({ length: known.outcomes }, (_, outcome) => columnOf(known, live, outcome));
  const joined = (at: number) => sumOf(columns[at]!, columns[at + 1]!);
  const told = columns.map((column) => toldBy(column, shares));
  const toldJoined = columns.slice(1).map((_, at) => toldBy(joined(at), shares));
  while (columns.length > 2) {
    const losses = toldJoined.map((both, at) => told[at]! + told[at + 1]! - both);
    const least = losses.indexOf(Math.min(...losses));
    if (columns.length <= MOST_OUTCOMES && losses[least]! > LOSS_ALLOWED) break;
    columns.splice(least, 2, joined(least));
    told.splice(least, 2, toldJoined[least]!);
    toldJoined.splice(least, 1);
    for (const at of [least - 1, least]) if (at in toldJoined) toldJoined[at] = toldBy(joined(at), shares);
  }
  const outcomes = columns.length;
  const chances = new Float64Array(live.length * outcomes);
  for (let s = 0; s < live.length; s++)
    for (let outcome = 0; outcome < outcomes; outcome++) chances[s * outcomes + outcome] = columns[outcome]![s]!;
  return { chances, outcomes };
}

function columnOf(known: Outcomes, live: readonly number[], outcome: number): Float64Array {
  const column = new Float64Array(live.length);
  for (let s = 0; s < live.length; s++) column[s] = known.chance(live[s]!, outcome);
  return column;
}

function sumOf(a: Float64Array, b: Float64Array): Float64Array {
  const sum = new Float64Array(a.length);
  for (let s = 0; s < a.length; s++) sum[s] = a[s]! + b[s]!;
  return sum;
}

/** Σ v·log v − V·log V of an outcome's joint chances: what it tells of the states, as far as sums of it are compared. */
function toldBy(column: Float64Array, shares: Float64Array): number {
  let [bits, all] = [0, 0];
  for (let s = 0; s < column.length; s++) {
    const one = column[s]! * shares[s]!;
    all += one;
    if (one > 0) bits += one * Math.log2(one);
  }
  return all > 0 ? bits - all * Math.log2(all) : 0;
}

function entropyOf(shares: Float64Array): number {
  let bits = 0;
  for (const share of shares) if (share > 0) bits -= share * Math.log2(share);
  return bits;
}

function normalised(values: Float64Array): Float64Array {
  const all = values.reduce((sum, value) => sum + value, 0);
  return values.map((value) => value / all);
}
