/** The plan against the exact optimal policy by dynamic programming, on cases small enough for it. */
import { describe, expect, it } from "vitest";
import type { Check } from "../checks/catalogue";
import { circuitStateSchema } from "../circuit/state";
import { seeded } from "../random/random";
import { InformationTable } from "./information";
import { costOf, type Scored } from "./check-cost";
import { costsToGo } from "./cost-to-go";
import { rankByWorth } from "./next-check";
import { policySchema } from "../complaint/policy";

interface Case {
  priors: number[];
  checks: { check: Check; outcome: number[] }[];
}

const policy = policySchema.parse({});
const hookup = { instrument: "eyes", look: "tyres", state: circuitStateSchema.parse({}) } as const;

function check(id: string, ownMinutes: number, setups: [string, number][]): Check {
  return {
    id,
    hookup,
    access: setups.map(([setup, minutes]) => ({ id: setup, say: setup, minutes })),
    ownMinutes,
    damageMinutes: 0,
    unplugs: false,
    pierces: false,
  };
}

/** Some faults, some sure checks of two or three outcomes, set-ups shared between them, and one check for each fault. */
function randomCase(seed: number): Case {
  const random = seeded(seed);
  const faults = 5 + Math.floor(3 * random());
  const raw = Array.from({ length: faults }, () => -Math.log(random()));
  const total = raw.reduce((sum, value) => sum + value, 0);
  const setups: [string, number][] = [
    ["lift", 2 + 6 * random()],
    ["plug", 3 + 6 * random()],
  ];
  const pickSetups = () => setups.filter(() => random() < 0.4);
  const checks = Array.from({ length: 6 }, (_, i) => ({
    check: check(`c${i}`, 1 + 4 * random(), pickSetups()),
    outcome: Array.from({ length: faults }, () => Math.floor((random() < 0.3 ? 3 : 2) * random())),
  }));
  for (let fault = 0; fault < faults; fault++)
    checks.push({
      check: check(`own${fault}`, 2 + 5 * random(), pickSetups()),
      outcome: Array.from({ length: faults }, (_, other) => Number(other === fault)),
    });
  return { priors: raw.map((value) => value / total), checks };
}

type Choose = (alive: number, done: ReadonlySet<string>) => number;

/** Expected minutes until one fault is left, under some rule of choice. */
function expectedCost({ priors, checks }: Case, choose: Choose, alive: number, done: ReadonlySet<string>): number {
  if ((alive & (alive - 1)) === 0) return 0;
  const chosen = checks[choose(alive, done)]!;
  const after = new Set([...done, ...chosen.check.access.map(({ id }) => id)]);
  const mass = massOf(priors, alive);
  let cost = costOf(policy, 0)(chosen.check, done);
  for (const part of split(chosen.outcome, alive))
    cost += (massOf(priors, part) / mass) * expectedCost({ priors, checks }, choose, part, after);
  return cost;
}

function split(outcome: readonly number[], alive: number): number[] {
  const parts = new Map<number, number>();
  outcome.forEach((value, fault) => {
    if (alive & (1 << fault)) parts.set(value, (parts.get(value) ?? 0) | (1 << fault));
  });
  return [...parts.values()];
}

function massOf(priors: readonly number[], alive: number): number {
  return priors.reduce((sum, prior, fault) => sum + (alive & (1 << fault) ? prior : 0), 0);
}

/** The least expected minutes there can be (Bellman's recursion over what is alive and what has been set up). */
function optimal(one: Case): number {
  const memo = new Map<string, number>();
  const best = (alive: number, done: ReadonlySet<string>): number => {
    if ((alive & (alive - 1)) === 0) return 0;
    const key = `${alive}|${[...done].sort().join()}`;
    const known = memo.get(key);
    if (known !== undefined) return known;
    const mass = massOf(one.priors, alive);
    let least = Infinity;
    for (const { check: tried, outcome } of one.checks) {
      const parts = split(outcome, alive);
      if (parts.length < 2) continue;
      const after = new Set([...done, ...tried.access.map(({ id }) => id)]);
      let cost = costOf(policy, 0)(tried, done);
      for (const part of parts) cost += (massOf(one.priors, part) / mass) * best(part, after);
      least = Math.min(least, cost);
    }
    memo.set(key, least);
    return least;
  };
  return best((1 << one.priors.length) - 1, new Set());
}

type Rule = (scored: Scored[], shares: Float64Array, done: ReadonlySet<string>) => Scored | undefined;

/** Bits per minute, two checks ahead: how a part is sought. */
const byWorth: Rule = (scored, shares, done) => rankByWorth(scored, shares, done, costOf(policy, 0))[0];

/** Fewest minutes to the end: how the place of damage is sought. Handling is counted as the optimum counts it. */
const byCostToGo: Rule = (scored, shares, done) => {
  const minutes = costsToGo(
    scored.map(({ check: one, information }) => ({
      outcomes: information,
      ownMinutes: costOf(policy, 0)({ ...one, access: [] }, done),
      pull: 1,
      setups: one.access,
    })),
    shares,
    Int32Array.from(shares.keys()),
    done,
    0.999,
  );
  return scored[minutes.indexOf(Math.min(...minutes))];
};

/** What the app's own rule would do next: the first of its ranking. */
function planned({ priors, checks }: Case, rule: Rule): Choose {
  return (alive, done) => {
    const mass = massOf(priors, alive);
    const shares = Float64Array.from(priors, (prior, fault) => (alive & (1 << fault) ? prior / mass : 0));
    const scored = checks.flatMap(({ check: one, outcome }): Scored[] => {
      if (split(outcome, alive).length < 2) return [];
      const bins = 3;
      const chances = new Float64Array(priors.length * bins);
      outcome.forEach((value, fault) => (chances[fault * bins + value] = 1));
      const information = new InformationTable(chances, bins, shares);
      const cost = costOf(policy, 0)(one, done);
      return [{ check: one, information, cost, bits: information.bits, worth: information.bits / cost }];
    });
    const first = rule(scored, shares, done);
    return checks.findIndex(({ check: one }) => one === first!.check);
  };
}

describe("plan quality", () => {
  it.each([
    ["bits per minute", byWorth, 1.1],
    ["fewest minutes to the end", byCostToGo, 1.03],
  ] as const)("%s: near the optimal policy's cost over sixty small cases", (_, rule, most) => {
    let [ours, least] = [0, 0];
    for (let seed = 1; seed <= 60; seed++) {
      const one = randomCase(seed);
      const whole = (1 << one.priors.length) - 1;
      const cost = expectedCost(one, planned(one, rule), whole, new Set());
      const best = optimal(one);
      expect(cost).toBeGreaterThanOrEqual(best - 1e-9);
      ours += cost;
      least += best;
    }
    expect(ours / least).toBeLessThan(most);
  });

  it.each([2, 3, 5, 6, 8])("halves: a pure open in one of %i equal places takes at most ⌈log₂ n⌉ probes", (places) => {
    const one: Case = {
      priors: new Array<number>(places).fill(1 / places),
      checks: Array.from({ length: places - 1 }, (_, i) => ({
        check: check(`probe${i}`, 1, []),
        outcome: Array.from({ length: places }, (_, place) => Number(place > i)),
      })),
    };
    const choose = planned(one, byCostToGo);
    const depth = (alive: number): number => {
      if ((alive & (alive - 1)) === 0) return 0;
      return 1 + Math.max(...split(one.checks[choose(alive, new Set())]!.outcome, alive).map(depth));
    };
    expect(depth((1 << places) - 1)).toBeLessThanOrEqual(Math.ceil(Math.log2(places)));
  });
});
