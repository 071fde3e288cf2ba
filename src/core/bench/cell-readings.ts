import { hookupKey } from "../checks/hookup";
import { passes, type WireCell } from "../harness/wire-table";
import { parseReading } from "../units/reading";
import { standingReadings } from "../job/derive";
import { hookupOf } from "../observation/read-observation";
import type { Job } from "../job/schema";

/** What was last read for each cell of a wire table, and whether it is good; null where nothing was. */
export function cellReadings(job: Job, cells: readonly WireCell[]): ({ shown: string; good: boolean } | null)[] {
  const found = new Map<string, string>();
  for (const { reading } of standingReadings(job)) {
    const hookup = hookupOf(reading, job.setup);
    if (hookup.ok && reading.value !== undefined) found.set(hookupKey(hookup.value), String(reading.value));
  }
  return cells.map(({ hookup, limit }) => {
    const shown = found.get(hookupKey(hookup));
    if (shown === undefined) return null;
    if (limit.kind === "word") return { shown, good: passes(limit, shown) };
    const parsed = parseReading(shown, hookup.instrument === "ohms" ? "ohms" : "volts");
    if (!parsed.ok) return { shown, good: false };
    return { shown, good: passes(limit, parsed.value.kind === "number" ? parsed.value.value : "OL") };
  });
}
