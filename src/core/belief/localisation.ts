import { StateReader, type Outlook } from "../observation/reader";
import { byState, hookupKey, type Hookup } from "../checks/hookup";
import { HEALTHY, type CarCondition } from "../faults/fault";
import type { Candidates, Group } from "./candidates";
import { scaleError, toScale } from "../observation/scale";

/**
 * Tells which faults a reading can speak about. All groups start from the same common tolerances, so row `k` of a
 * group and row `k` of the healthy group are one car with and without the fault: where they read the same, the fault
 * cannot change the reading, and the reading must not move shares among such faults whatever the draw.
 */
export class Localisation {
  private readonly candidates: Candidates;
  private readonly cars: CarCondition[][];
  private readonly known = new Map<string, { untouched: Uint8Array; sameValues: Uint8Array }>();

  /** @param candidates as first drawn, before any reading */
  constructor(candidates: Candidates) {
    this.candidates = candidates;
    this.cars = candidates.groups.map(({ first, size }) =>
      Array.from({ length: SAMPLE }, (_, i) => candidates.cars[first + Math.floor(((i + 0.5) * size) / SAMPLE)]!),
    );
  }

  /** For each group, 1 where its fault cannot change what this hook-up reads. */
  untouched(hookup: Hookup): Uint8Array {
    this.learn([hookup]);
    return this.known.get(hookupKey(hookup))!.untouched;
  }

  /**
   * For each group, 1 where its fault cannot change the numbers this hook-up may show, only how often each shows: which
   * level a standing wheel keeps to says something of the ring, what that level is nothing.
   */
  sameValues(hookup: Hookup): Uint8Array {
    this.learn([hookup]);
    return this.known.get(hookupKey(hookup))!.sameValues;
  }

  /** Works out many hook-ups at once: those in one state share their solves. */
  learn(hookups: readonly Hookup[]): void {
    const { groups, setup } = this.candidates;
    const healthyGroup = groups.findIndex(({ id }) => id === HEALTHY);
    for (const sharing of byState(hookups.filter((hookup) => !this.known.has(hookupKey(hookup))))) {
      const reader = new StateReader(setup, sharing[0]!.state, sharing);
      const outlooks = (car: CarCondition, { whereabouts }: Group, asked: readonly number[]) => {
        reader.take(car);
        return asked.map((at) => reader.outlook(at, whereabouts));
      };
      const all = [...sharing.keys()];
      const healthy = this.cars[healthyGroup]!.map((car) => outlooks(car, groups[healthyGroup]!, all));
      const same = sharing.map(() => ({
        untouched: new Uint8Array(groups.length).fill(1),
        sameValues: new Uint8Array(groups.length).fill(1),
      }));
      groups.forEach((group, g) => {
        // Once a hook-up is told apart it need not be read off the rest of the cars.
        let open = g === healthyGroup ? [] : all;
        for (let i = 0; i < SAMPLE && open.length > 0; i++) {
          const seen = outlooks(this.cars[g]![i]!, group, open);
          open = open.filter((at, n) => {
            const usual = healthy[i]![at]!;
            if (!alike(seen[n]!, usual, sharing[at]!)) same[at]!.untouched[g] = 0;
            if (!alikeInValues(seen[n]!, usual, sharing[at]!)) same[at]!.sameValues[g] = 0;
            return same[at]!.sameValues[g] === 1 || same[at]!.untouched[g] === 1;
          });
        }
      });
      sharing.forEach((hookup, at) => this.known.set(hookupKey(hookup), same[at]!));
    }
  }

  /**
   * Whose forecast stands for each group's in planning: its own, or, where its fault cannot change the reading, that of
   * the likeliest such group.
   */
  speakers(hookup: Hookup, shares: Float64Array): Int32Array {
    const untouched = this.untouched(hookup);
    const lead = this.lead(hookup, shares);
    const speakers = new Int32Array(untouched.length);
    for (let g = 0; g < speakers.length; g++) speakers[g] = untouched[g] ? lead : g;
    return speakers;
  }

  /** The likeliest group whose fault cannot change what this hook-up reads; −1 where there is none. */
  lead(hookup: Hookup, shares: Float64Array): number {
    let lead = -1;
    this.untouched(hookup).forEach((same, g) => {
      if (same && (lead < 0 || shares[g]! > shares[lead]!)) lead = g;
    });
    return lead;
  }
}

/** Cars of each group that are compared. */
const SAMPLE = 9;
/** Numbers closer than this part of the instrument's error, and chances closer than this, are alike. */
const ALIKE_ERROR = 0.1;
const ALIKE_CHANCE = 0.005;

function alike(a: Outlook, b: Outlook, hookup: Hookup): boolean {
  if (a.chances.length !== b.chances.length) return false;
  if (a.chances.some((chance, i) => Math.abs(chance - b.chances[i]!) > ALIKE_CHANCE)) return false;
  return a.kind === "words" ? b.kind === "words" : alikeInValues(a, b, hookup);
}

function alikeInValues(a: Outlook, b: Outlook, hookup: Hookup): boolean {
  if (a.kind === "words" || b.kind === "words") return false;
  return a.values.every((value, i) => {
    // What one of them never shows is a question of how often: a coded sensor stands at its low level alone.
    const other = b.values[i] ?? value;
    if (value === other) return true;
    if (value === Infinity || other === Infinity) return false;
    const error = scaleError(hookup, other, 0);
    return Math.abs(toScale(hookup.instrument, value) - toScale(hookup.instrument, other)) < ALIKE_ERROR * error;
  });
}
