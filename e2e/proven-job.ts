import { readCar, simulateCar } from "../src/core/simulated/simulated-car";
import { cornerSetupSchema, usualCorner, type Family } from "../src/core/circuit/setup";
import type { Entry, Job } from "../src/core/job/schema";
import { jobSchema } from "../src/core/job/schema";
import { readingTyped } from "../src/core/observation/read-observation";
import { replay } from "../src/core/replay/replay";
import { verification } from "../src/core/bench/verify";
import { proposeChecks } from "../src/core/planning/next-check";
import { rankSuspects } from "../src/core/verdict/suspects";
import { typedValue } from "../src/core/observation/typed-value";

/** A job measured on a simulated car by the plan until something is proven, as a colleague would hand it over. */
export function provenJob(
  id: string,
  family: Family,
  fault: string,
  { seed, intermittent = false, most = 14 }: { seed: number; intermittent?: boolean; most?: number },
): { job: Job; proven: string | null; mended: (label: string, state: string) => string } {
  const setup = cornerSetupSchema.parse({
    ...usualCorner,
    corner: "FR",
    family,
    path: [
      { station: "module", accessMin: 30 },
      { spanM: 1.1, mm2: 0.5 },
      { station: "c1", accessMin: 4 },
      { spanM: 2.2, mm2: 0.5 },
      { station: "plug", accessMin: 7 },
    ],
  });
  const empty = jobSchema.parse({
    tastatura: "job/4",
    id,
    createdAt: "2026-11-25T08:00:00.000Z",
    car: { name: `Halmer Teal ${id}`, plate: "island 7" },
    setup,
    complaint: { presence: intermittent ? "intermittent" : "hard" },
    policy: {},
    entries: [],
    simulated: { fault, seed, intermittent },
  });
  const car = simulateCar(setup, fault, { seed, intermittent });
  const lineUp = replay(empty);
  const entries: Entry[] = [];
  const done = new Set<string>();
  let proven: string | null = null;
  while (proven === null && entries.length < most) {
    const [next] = proposeChecks(lineUp, empty.policy, { done, skipped: new Set() });
    if (!next) break;
    const value = readCar(car, next.check.hookup);
    const typed = typedValue(next.check.hookup, value, setup);
    const read = readingTyped(next.check.hookup, value, setup);
    if (!typed.ok || !read.ok) throw new Error(`the plan's own check was refused: ${next.check.id}`);
    lineUp.add({ entryId: `${id}-${entries.length}`, ...typed.observed });
    const at = new Date(Date.UTC(2026, 10, 25, 8, entries.length + 1)).toISOString();
    entries.push({ id: `${id}-${entries.length}`, at, kind: "reading", reading: read.value });
    next.check.access.forEach((step) => done.add(step.id));
    proven = rankSuspects(lineUp).find(({ verdict }) => verdict === "proven")?.words ?? null;
  }
  const job = { ...empty, entries };
  const good = simulateCar(setup, "nothing@none", { seed: seed + 1 });
  const { items } = verification(job, replay(job));
  return {
    job,
    proven,
    mended: (label, state) => {
      const item = items.find(
        ({ check }) => check.label === label && state.split("\n")[0]!.endsWith(`· ${check.stateWords}`),
      );
      if (!item) throw new Error(`nothing to verify at ${label}`);
      return readCar(good, item.check.hookup);
    },
  };
}
