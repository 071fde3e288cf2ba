import { t } from "../words/words";
import { stationsOf, type Conductor, type CornerSetup } from "../circuit/setup";
import { stationWords } from "../faults/places";
import { conductorWord } from "../faults/wire-faults";
import type { Observation } from "../observation/observation";
import { passes, wireTable } from "./wire-table";

/** A run of one conductor between two stations that measured bad end to end. */
export interface DamagedRun {
  conductor: Conductor;
  /** Numbers of its stations, module first. */
  from: number;
  to: number;
  say: string;
}

/**
 * The shortest runs that fail end to end by the wire table's own limits. Two of them are two breaks: the line-up holds
 * one fault at a time, the ohms of single runs do not care how many there are.
 */
export function damagedRuns(setup: CornerSetup, readings: readonly Observation[]): DamagedRun[] {
  const bad = readings.flatMap((reading) => failedRun(setup, reading) ?? []);
  return bad.filter(
    (run, i) =>
      !bad.some(
        (other, o) =>
          other.conductor === run.conductor &&
          other.from >= run.from &&
          other.to <= run.to &&
          (other.to - other.from < run.to - run.from || o < i),
      ),
  );
}

function failedRun(setup: CornerSetup, { hookup, value }: Observation): DamagedRun | null {
  if (hookup.instrument !== "ohms" || hookup.red.at !== "face" || hookup.black.at !== "face") return null;
  if (hookup.red.conductor !== hookup.black.conductor || value.kind === "word" || value.kind === "range") return null;
  const ids = stationsOf(setup).map(({ station }) => station);
  const ends = [hookup.red, hookup.black].sort((a, b) => ids.indexOf(a.station) - ids.indexOf(b.station));
  const [near, far] = ends as [typeof hookup.red, typeof hookup.red];
  const open = [near, far].every(({ station }) => hookup.state.unplugged.includes(station));
  if (!open || near.face !== "out" || far.face !== "in" || near.station === far.station) return null;
  const cell = wireTable(setup, near.station, far.station).find(
    ({ test, conductor }) => test === "end-to-end" && conductor === near.conductor,
  );
  if (!cell || passes(cell.limit, value.kind === "over-limit" ? "OL" : value.value)) return null;
  return {
    conductor: near.conductor,
    from: ids.indexOf(near.station),
    to: ids.indexOf(far.station),
    say: t`${conductorWord(near.conductor)}, ${stationWords(near.station)} to ${stationWords(far.station)}`,
  };
}
