import Papa from "papaparse";
import { hookupLabel, stateWords } from "../checks/words";
import { readingsAfterRepair, standingReadings } from "../job/derive";
import { hookupOf } from "../observation/read-observation";
import type { Job } from "../job/schema";
import { formulaSafe } from "../units/formula-safe";

/** Every standing reading as CSV, safe to open in a spreadsheet. */
export function readingsCsv(job: Job): string {
  const rows = [
    ...standingReadings(job).map((entry) => ({ entry, phase: "before" })),
    ...readingsAfterRepair(job).map((entry) => ({ entry, phase: "after" })),
  ].map(({ entry, phase }) => {
    const hookup = hookupOf(entry.reading, job.setup);
    return {
      at: entry.at,
      phase,
      instrument: entry.reading.instrument,
      where: hookup.ok ? hookupLabel(hookup.value) : "",
      state: hookup.ok ? stateWords(hookup.value.state) : "",
      value: formulaSafe(String(entry.reading.finding ?? entry.reading.value ?? "")),
    };
  });
  return Papa.unparse(rows, { columns: ["at", "phase", "instrument", "where", "state", "value"] });
}
