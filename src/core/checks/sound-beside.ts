import { stationsOf, type Conductor, type CornerSetup } from "../circuit/setup";
import { hookupKey, type Hookup } from "./hookup";
import { CONDUCTING_OHMS, facesOf, looksToSensor, type Face, type Stretch, type Taken } from "./step-across";

/** From where to where along one conductor: its faces counted from the module, the sensor beyond the last. */
interface Run {
  from: number;
  to: number;
}

/** A run that was read with the circuit dead, end to end or as a loop through the coil. */
interface ReadRun extends Run {
  taken: Taken;
  isLoop: boolean;
}

/**
 * Whether a stretch of a conductor is found by what is sound beside it: a run over it was read and found wrong, and all that
 * this run has on either side of it was read and is good (common practice, no source: the whole is open and both halves are
 * good, so it is the plug between them).
 */
export function isSoundBeside(stretch: Stretch, taken: readonly Taken[], setup: CornerSetup): boolean {
  const runs = runsAlong(stretch.conductor, taken, setup);
  return wrongOver(stretch, runs, setup).some((wrong) => unreadBeside(stretch, wrong, runs, setup).length === 0);
}

/** Whether a hook-up would help to see it: over the stretch where nothing was found wrong yet, else beside it where nothing was read. */
export function helpsBeside(hookup: Hookup, stretch: Stretch, taken: readonly Taken[], setup: CornerSetup): boolean {
  const run = runOf(hookup, stretch.conductor, setup);
  if (!run || taken.some((one) => hookupKey(one.hookup) === hookupKey(hookup))) return false;
  const own = placeOf(stretch, setup);
  const runs = runsAlong(stretch.conductor, taken, setup);
  const wrong = wrongOver(stretch, runs, setup);
  if (wrong.length === 0) return covers(run, own);
  const beside = run.to <= own.from || run.from >= own.to;
  return (
    beside &&
    wrong.some(
      (whole) =>
        covers(whole, run) &&
        unreadBeside(stretch, whole, runs, setup).some((gap) => run.from < gap.to && run.to > gap.from),
    )
  );
}

function wrongOver(stretch: Stretch, runs: readonly ReadRun[], setup: CornerSetup): ReadRun[] {
  return runs.filter((run) => run.taken.speaks && !isConducting(run.taken) && covers(run, placeOf(stretch, setup)));
}

/** What of a wrong run was not read by itself and found good, the stretch in question left out. */
function unreadBeside(stretch: Stretch, wrong: ReadRun, runs: readonly ReadRun[], setup: CornerSetup): Run[] {
  const own = placeOf(stretch, setup);
  const good = runs
    .filter((run) => (run.to <= own.from || run.from >= own.to) && isGoodBeside(run, wrong))
    .sort((a, b) => a.from - b.from);
  return [
    { from: wrong.from, to: own.from },
    { from: own.to, to: wrong.to },
  ].flatMap((side) => {
    const reached = good.reduce((at, run) => (run.from <= at ? Math.max(at, run.to) : at), side.from);
    return reached < side.to ? [{ from: reached, to: side.to }] : [];
  });
}

/** A wire conducts; a loop has its coil, and far less of an ohm reading than the whole that is wrong. */
function isGoodBeside(run: ReadRun, wrong: ReadRun): boolean {
  if (!run.isLoop) return isConducting(run.taken);
  const { shown } = run.taken;
  return shown !== null && wrong.taken.shown !== null && shown[1] < LOOP_SHARE * wrong.taken.shown[0];
}

/** A coil warmed, and another meter, make less of a difference than that (engineering judgement). */
const LOOP_SHARE = 0.6;

function isConducting({ word, shown }: Taken): boolean {
  return word === "bright" || word === "beep" || (shown !== null && shown[1] < CONDUCTING_OHMS);
}

function runsAlong(conductor: Conductor, taken: readonly Taken[], setup: CornerSetup): ReadRun[] {
  return taken.flatMap((one) => {
    const run = runOf(one.hookup, conductor, setup);
    return run ? [{ ...run, taken: one }] : [];
  });
}

/** What of a conductor a hook-up reads; null where it reads something else. */
function runOf(hookup: Hookup, conductor: Conductor, setup: CornerSetup): (Run & { isLoop: boolean }) | null {
  if (!DEAD_READINGS.has(hookup.instrument)) return null;
  const faces = facesOf(hookup);
  const own = faces.filter((face) => face.conductor === conductor);
  if (own.length === 2) {
    const [from, to] = own.map((face) => placeOfFace(face, setup)).sort((a, b) => a - b) as [number, number];
    return { from, to, isLoop: false };
  }
  const [one, other] = faces;
  if (setup.family !== "passive" || own.length !== 1 || !one || !other) return null;
  const isLoop = one.station === other.station && one.face === other.face && looksToSensor(hookup, setup);
  return isLoop ? { from: placeOfFace(one, setup), to: 2 * stationsOf(setup).length, isLoop } : null;
}

const DEAD_READINGS: ReadonlySet<Hookup["instrument"]> = new Set(["ohms", "continuity", "lamp"]);

function placeOf({ from, to }: Stretch, setup: CornerSetup): Run {
  return { from: placeOfFace(from, setup), to: placeOfFace(to, setup) };
}

function placeOfFace({ station, face }: Face, setup: CornerSetup): number {
  return 2 * stationsOf(setup).findIndex((one) => one.station === station) + (face === "out" ? 1 : 0);
}

function covers(whole: Run, part: Run): boolean {
  return whole.from <= part.from && whole.to >= part.to;
}
