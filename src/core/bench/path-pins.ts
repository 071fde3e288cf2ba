import { standingReadings } from "../job/derive";
import { hookupOf } from "../observation/read-observation";
import type { Job } from "../job/schema";
import { shownValue } from "./shown-value";

/** A reading pinned on the path where a probe stood. */
export interface Pin {
  point: string;
  label: string;
}

/** Every standing measurement at its red point, and again at its black one when that is another face of the corner. */
export function pathPins(job: Job): Pin[] {
  return standingReadings(job).flatMap(({ reading }) => {
    const hookup = hookupOf(reading, job.setup);
    if (!hookup.ok || !("black" in hookup.value) || !reading.red || reading.value === undefined) return [];
    const { red, black } = hookup.value;
    const own = { point: reading.red, label: shownValue(reading) };
    const elsewhere =
      (black.at === "face" || black.at === "span") &&
      !(black.at === "face" && red.at === "face" && black.station === red.station && black.face === red.face);
    return elsewhere && reading.black ? [own, { point: reading.black, label: `${own.label} ⊣` }] : [own];
  });
}
