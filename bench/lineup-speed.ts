/**
 * How long a line-up takes to build, to weigh a reading, and to propose; against a bare pass over its candidates. Bundled
 * before it runs, as the app is: run from source, names kept on inner functions double what short ones cost.
 */
import { cornerSetupSchema, usualCorner } from "../src/core/circuit/setup";
import { complaintSchema } from "../src/core/complaint/complaint";
import { Belief } from "../src/core/belief/belief";
import { proposeChecks } from "../src/core/planning/next-check";
import { typedValue } from "../src/core/observation/typed-value";
import { readCar, simulateCar } from "../src/core/simulated/simulated-car";
import { rankSuspects } from "../src/core/verdict/suspects";

const setup = cornerSetupSchema.parse({
  ...usualCorner,
  corner: "RR",
  family: "active-2wire",
  path: [
    { station: "module" },
    { spanM: 1.2, mm2: 0.5 },
    { station: "c1" },
    { spanM: 3.4, mm2: 0.5 },
    { station: "plug" },
  ],
});
const policy = { approach: "information", pierce: false } as const;
const times: Record<string, number[]> = {};
const time = <T>(name: string, run: () => T): T => {
  const from = performance.now();
  const result = run();
  (times[name] ??= []).push(performance.now() - from);
  return result;
};
let candidates = 0;
for (let round = 0; round < 5; round++) {
  const car = simulateCar(setup, "wire-resistance@span2.return", { seed: round });
  const belief = time("build", () => new Belief(setup, complaintSchema.parse({}), { seed: round }));
  candidates = belief.particles.count;
  const done = new Set<string>();
  const propose = () => proposeChecks(belief, policy, { done, skipped: new Set() })[0]?.check;
  let check = time("propose, first", propose);
  for (let step = 0; step < 6 && check; step++) {
    const { hookup } = check;
    // Made while the technician measures: the app asks for it as soon as the check is shown.
    time("forecast of the shown check", () => belief.forecasts([hookup]));
    const typed = typedValue(hookup, readCar(car, hookup), setup);
    if (!typed.ok) throw new Error(typed.say);
    for (const { id } of check.access) done.add(id);
    check = time("Enter to new ranking and next check", () => {
      time("  to the new ranking", () => {
        belief.add({ entryId: "", ...typed.observed });
        return rankSuspects(belief);
      });
      return time("  from there to the next check", propose);
    });
  }
  time("baseline: bare pass over the weights, 1000 times", () => {
    let sum = 0;
    for (let n = 0; n < 1000; n++)
      for (let row = 0; row < belief.particles.count; row++) sum += belief.particles.weight[row]!;
    return sum;
  });
}
console.log(`${candidates} candidates; median ms (least – most)`);
for (const [name, all] of Object.entries(times)) {
  const sorted = all.toSorted((a, b) => a - b);
  console.log(
    `${name.padEnd(50)} ${sorted[sorted.length >> 1]!.toFixed(1).padStart(8)}  (${sorted[0]!.toFixed(1)} – ${sorted.at(-1)!.toFixed(1)})`,
  );
}
