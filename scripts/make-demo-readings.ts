/**
 * Asks the plan which checks are taken on each car of the demo workshop and keeps their names in
 * src/demo/readings-taken.ts. Run again when the demo's cars change, or a check it took is none any more: npm run demo-readings
 */
import { writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { format } from "prettier";
import { progressOf } from "../src/core/bench/progress";
import { hookupKey, type Hookup } from "../src/core/checks/hookup";
import { replay } from "../src/core/replay/replay";
import type { Job } from "../src/core/job/schema";
import { observe, readingFrom } from "../src/core/observation/read-observation";
import { proposeChecks } from "../src/core/planning/next-check";
import { readCar, type SimulatedCar } from "../src/core/simulated/simulated-car";
import { demoWorkshop } from "../src/demo/workshop";

const taken: Record<string, string[]> = {};
demoWorkshop(new Date(), (job, car, readings) => {
  const chosen = asPlanned(job, car, readings);
  if (chosen.length > 0) taken[job.id] = chosen.map(hookupKey);
  return chosen;
});

const text = `// Made by scripts/make-demo-readings.ts; not to be written by hand.

/** What was read on each car of the demo workshop, by the names of the checks. */
export const readingsTaken: Readonly<Record<string, readonly string[]>> = ${JSON.stringify(taken)};
`;
const target = fileURLToPath(new URL("../src/demo/readings-taken.ts", import.meta.url));
writeFileSync(target, await format(text, { parser: "typescript", printWidth: 120 }));

/** One line-up takes the readings as they come; a recording is not made here. */
function asPlanned(started: Job, car: SimulatedCar, readings: number): Hookup[] {
  if (readings === 0) return [];
  const lineUp = replay(started);
  const chosen: Hookup[] = [];
  let job = started;
  for (let index = 0; index < readings; index++) {
    const best = proposeChecks(lineUp, job.policy, progressOf(job)).find(
      ({ check }) => check.hookup.instrument !== "scope",
    );
    if (!best) break;
    const { hookup } = best.check;
    const reading = readingFrom(hookup, readCar(car, hookup));
    const evidence = observe(reading, job.setup);
    if (evidence.ok) lineUp.add(evidence.value);
    job = { ...job, entries: [...job.entries, { id: `${index}`, at: job.createdAt, kind: "reading", reading }] };
    chosen.push(hookup);
  }
  return chosen;
}
