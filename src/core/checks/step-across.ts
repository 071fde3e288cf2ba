import { pointText, type Point } from "../circuit/point";
import { signalConductors, stationsOf, type Conductor, type CornerSetup, type StationId } from "../circuit/setup";
import { hookupKey, pointsOf, type Hookup } from "./hookup";

/** A hook-up that was read, and whether what it showed speaks for the fault in question. */
export interface Taken {
  hookup: Hookup;
  speaks: boolean;
  /** The word it was answered by; null for numbers. */
  word: string | null;
  /** Least and greatest it showed, in base units, endless for over limit; null for words. */
  shown: readonly [number, number] | null;
}

/** One face of a connector. */
export interface Face {
  station: StationId;
  face: "in" | "out";
}

/** A stretch of one conductor between two faces: a contact, or a wire. Module side first. */
export interface Stretch {
  from: Face;
  to: Face;
  conductor: Conductor;
}

/**
 * Whether a step was seen across a stretch of a conductor: read from one end to the other and found wrong, or read at both
 * ends in the same way, and the two differ by more than a toggling signal or another hand at the wheel can make. That
 * alone tells a wire from the terminal beside it, whatever else may be wrong (common practice, no source).
 */
export function stepAcross(stretch: Stretch, taken: readonly Taken[], setup: CornerSetup): boolean {
  if (taken.some(({ hookup, speaks }) => speaks && isAcross(hookup, stretch))) return true;
  const near = taken.filter(({ hookup }) => touches(hookup, stretch.from, stretch.conductor));
  const far = taken.filter(({ hookup }) => touches(hookup, stretch.to, stretch.conductor));
  return near.some((a) => far.some((b) => isStep(a, b, stretch, setup)));
}

/** Whether a hook-up would help to see it: from end to end, or at one end as the other was read, or where neither was. */
export function helpsStep(hookup: Hookup, stretch: Stretch, taken: readonly Taken[], setup: CornerSetup): boolean {
  if (taken.some((one) => hookupKey(one.hookup) === hookupKey(hookup))) return false;
  if (isAcross(hookup, stretch)) return true;
  return [
    [stretch.from, stretch.to],
    [stretch.to, stretch.from],
  ].some(([here, there]) => {
    if (!touches(hookup, here!, stretch.conductor)) return false;
    const other = taken.filter((one) => touches(one.hookup, there!, stretch.conductor));
    return other.length === 0 || other.some((one) => isSameWay(one.hookup, hookup, stretch, setup));
  });
}

/** Two readings differ by this share of the greater where the wire carries no signal: contacts and wires lose hardly any. */
const STEADY_SHARE = 0.15;
/** Where it toggles, or a hand turns the wheel: levels lie a factor of two apart (domain, section 4), two spins nearly so. */
const TURNING_SHARE = 0.6;
/** On a toggling wire so many volts are no level either: more than any sense resistor drops. */
const NO_LEVEL_V = 4;
/** Fewer ohms than this are leads and a good wire. */
export const CONDUCTING_OHMS = 10;
/** Less than this is leads and grounds. */
const LEAST: Partial<Record<Hookup["instrument"], number>> = {
  "volts-dc": 0.2,
  "volts-ac": 0.05,
  ohms: CONDUCTING_OHMS,
};

function isStep(a: Taken, b: Taken, stretch: Stretch, setup: CornerSetup): boolean {
  if (!isSameWay(a.hookup, b.hookup, stretch, setup) && !isWorseUnloaded(a, b, stretch)) return false;
  if (!a.shown || !b.shown) return a.speaks !== b.speaks && a.word !== b.word;
  const apart = Math.max(0, a.shown[0] - b.shown[1], b.shown[0] - a.shown[1]);
  const most = Math.max(...a.shown.map(Math.abs), ...b.shown.map(Math.abs));
  if (!(apart > (LEAST[a.hookup.instrument] ?? 0))) return false;
  if (!Number.isFinite(apart)) return true;
  const turning =
    a.hookup.state.wheel !== "still" ||
    b.hookup.state.wheel !== "still" ||
    (setup.family !== "passive" && signalConductors(setup).includes(stretch.conductor));
  if (!turning) return apart > STEADY_SHARE * most;
  return apart > TURNING_SHARE * most || (a.hookup.instrument === "volts-dc" && apart > NO_LEVEL_V);
}

/** The same instrument against the same kind of place, in the same state; ohms both toward the sensor, whatever is undone before. */
function isSameWay(a: Hookup, b: Hookup, stretch: Stretch, setup: CornerSetup): boolean {
  if (a.instrument !== b.instrument || a.state.key !== b.state.key) return false;
  if (Boolean(a.state.watched) !== Boolean(b.state.watched)) return false;
  if (againstWhat(a, stretch) !== againstWhat(b, stretch)) return false;
  if (a.instrument === "ohms") return looksToSensor(a, setup) && looksToSensor(b, setup);
  return sameSet(a.state.unplugged, b.state.unplugged);
}

/** What the other probe stands on: the wire beside at the same face, or a place of its own. */
function againstWhat(hookup: Hookup, { from, to, conductor }: Stretch): string {
  const points = pointsOf(hookup);
  const own = facesOf(hookup).find((point) => isFace(point, from, conductor) || isFace(point, to, conductor));
  const other = points.find((point) => point !== own);
  if (!own || !other) return "";
  const beside = other.at === "face" && other.station === own.station && other.face === own.face;
  return beside ? `beside, ${other.conductor}` : pointText(other);
}

/** Whether the sensor hangs on what is measured: nothing beyond the probes is undone. */
export function looksToSensor(hookup: Hookup, setup: CornerSetup): boolean {
  const ids = stationsOf(setup).map(({ station }) => station);
  return facesOf(hookup).every(({ station, face }) => {
    const beyond = ids.slice(ids.indexOf(station) + (face === "out" ? 1 : 0));
    return !beyond.some((one) => hookup.state.unplugged.includes(one));
  });
}

/** Fed from the module, a wire that is dead past here with nothing on it, and alive before here with all on it, is broken between. */
function isWorseUnloaded(near: Taken, far: Taken, stretch: Stretch): boolean {
  if (againstWhat(near.hookup, stretch) !== againstWhat(far.hookup, stretch)) return false;
  if (stretch.conductor !== "supply" || near.hookup.instrument !== "volts-dc" || far.hookup.instrument !== "volts-dc")
    return false;
  if (near.hookup.state.key !== "on" || far.hookup.state.key !== "on" || !near.shown || !far.shown) return false;
  const loaded = near.hookup.state.unplugged.every((station) => far.hookup.state.unplugged.includes(station));
  return loaded && near.shown[0] > far.shown[1];
}

/** Whether a hook-up is from one end of a stretch to the other. */
export function isAcross(hookup: Hookup, { from, to, conductor }: Stretch): boolean {
  return touches(hookup, from, conductor) && touches(hookup, to, conductor);
}

function touches(hookup: Hookup, end: Face, conductor: Conductor): boolean {
  return facesOf(hookup).some((point) => isFace(point, end, conductor));
}

type FacePoint = Extract<Point, { at: "face" }>;

function isFace(point: FacePoint, end: Face, conductor: Conductor): boolean {
  return point.station === end.station && point.face === end.face && point.conductor === conductor;
}

/** The faces of connectors a hook-up touches. */
export function facesOf(hookup: Hookup): FacePoint[] {
  return pointsOf(hookup).filter((point) => point.at === "face");
}

function sameSet(a: readonly string[], b: readonly string[]): boolean {
  return a.length === b.length && a.every((one) => b.includes(one));
}
