import { t } from "../words/words";
import type { Observation, Unread } from "../observation/observation";
import { hookupOf, observe } from "../observation/read-observation";
import type { Reading } from "../observation/reading";
import type { CornerSetup } from "../circuit/setup";
import { standingReadings } from "../job/derive";
import type { Job } from "../job/schema";

/** What the standing readings of a job say, in order, and those that say nothing for its set-up. */
export function observationsOf(job: Pick<Job, "entries" | "setup">): { read: Observation[]; unread: Unread[] } {
  return observationsIn(
    standingReadings(job).map(({ id, reading }) => ({ entryId: id, reading })),
    job.setup,
  );
}

/** The same of any readings, each with the entry it stands in. */
export function observationsIn(
  readings: readonly { entryId: string; reading: Reading }[],
  setup: CornerSetup,
): { read: Observation[]; unread: Unread[] } {
  const read: Observation[] = [];
  const unread: Unread[] = [];
  for (const { entryId, reading } of readings) {
    const observed = observe(reading, setup, entryId);
    if (observed.ok) read.push(observed.value);
    else unread.push({ entryId, say: observed.say, mend: mendWords(reading, setup) });
  }
  return { read, unread };
}

/** What would make a reading readable again. */
function mendWords(reading: Reading, setup: CornerSetup): string {
  return hookupOf(reading, setup).ok
    ? t`Change what was typed, or retract it.`
    : t`It counts again once the corner has that place and kind of sensor; else retract it and measure anew.`;
}
