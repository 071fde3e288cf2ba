import type { Hookup } from "../checks/hookup";
import { hookupKey } from "../checks/hookup";
import { describeHookup, type NextCheck } from "./describe-hookup";
import { Belief } from "../belief/belief";
import type { Posterior } from "../belief/posterior";
import { HEALTHY } from "../faults/fault";
import { rankSuspects } from "../verdict/suspects";
import { complaintSchema } from "../complaint/complaint";
import { readingsAfterRepair, standingReadings, standingTicks } from "../job/derive";
import { isRoadTested } from "../repair/road-test";
import { observe, hookupOf } from "../observation/read-observation";
import type { CornerJob } from "../job/corner-in-work";
import { setupOf } from "../replay/known-beside";
import type { Job } from "../job/schema";

/** One check that spoke before the repair, to be made again at the same point. */
export interface VerifyItem {
  check: NextCheck;
  before: string;
  after: string | null;
  /** The new reading is one a healthy corner gives; null while it has not been taken, and where it fits both. */
  passes: boolean | null;
}

export interface Verification {
  items: VerifyItem[];
  /** At least one direct check that failed before passes now, and none that was repeated fails. */
  passed: boolean;
  /** It passed, and the car was driven and its lamp stayed out. */
  fixed: boolean;
}

/** So many times likelier on a healthy corner than under the fault that was repaired, or the reverse, is a verdict. */
const TELLING = 3;

/**
 * The checks that proved the fault, with what they show since the repair. A reading passes when a healthy corner
 * explains it well and the old fault does not; it fails the other way about; what fits both (a sensor that happens to
 * rest at its low level) says nothing.
 *
 * @param posterior of the readings before the repair
 */
export function verification(job: CornerJob, posterior: Posterior): Verification {
  const lead = rankSuspects(posterior)[0]!;
  const before = standingReadings(job);
  const direct = lead.provenBy.length > 0 ? lead.provenBy : before.map(({ id }) => id).slice(-3);
  let fresh: Posterior | null = null;
  const unweighed = () => (fresh ??= lineUpAfter(job, []));
  const repeated = direct.flatMap((entryId) => {
    const reading = before.find(({ id }) => id === entryId)?.reading;
    const hookup = reading && hookupOf(reading, job.setup);
    return reading && hookup?.ok ? [{ reading, hookup: hookup.value, again: lastAfter(job, hookup.value) }] : [];
  });
  const items = repeated.map(({ reading, hookup, again }): VerifyItem => {
    let passes = again ? judged(unweighed(), job, again, lead.id) : null;
    // One reading alone may look wrong where all of them together are one sound car: an unusual one.
    if (passes === false) {
      const others = repeated.flatMap((other) => (other.again && other.again !== again ? [other.again] : []));
      passes = judged(lineUpAfter(job, others), job, again!, lead.id);
    }
    return {
      check: describeHookup(hookup, job.setup),
      before: String(reading.finding ?? reading.value),
      after: again ? String(again.finding ?? again.value) : null,
      passes,
    };
  });
  const passed = items.some(({ passes }) => passes === true) && items.every(({ passes }) => passes !== false);
  return { items, passed, fixed: passed && isRoadTested(standingTicks(job)) };
}

function lastAfter(job: Job, hookup: Hookup) {
  return readingsAfterRepair(job).findLast(({ reading }) => {
    const own = hookupOf(reading, job.setup);
    return own.ok && hookupKey(own.value) === hookupKey(hookup);
  })?.reading;
}

type Reading = Parameters<typeof observe>[0];

/** A line-up of the car as it is since the repair, with these readings weighed in. */
function lineUpAfter(job: CornerJob, readings: readonly Reading[]): Posterior {
  const belief = new Belief(setupOf(job), complaintSchema.parse({}), { seed: 1, perGroup: 48 });
  for (const reading of readings) {
    const observation = observe(reading, job.setup);
    if (observation.ok) belief.add(observation.value);
  }
  return belief;
}

function judged(fresh: Posterior, job: Job, reading: Reading, fault: string): boolean | null {
  const observation = observe(reading, job.setup);
  if (!observation.ok) return false;
  const predicted = fresh.predict(observation.value);
  const [healthy, faulty] = [predicted[fresh.indexOf(HEALTHY)]!, predicted[fresh.indexOf(fault)]!];
  if (healthy > TELLING * faulty) return true;
  return faulty > TELLING * healthy ? false : null;
}
