import { msgid, ngettext, t } from "../words/words";
import type { CornerSetup } from "../circuit/setup";
import { axleOf, cornerWords, corners, type Corner } from "../units/corner";
import { capital } from "../units/format";
import { median } from "../units/median";
import type { LiveSpeedWord, ScanFinding, ScanLog } from "./scan-log";
import { byAxle, type Tyres } from "./by-axle";
import { carMotion, type CarMotion } from "./car-motion";
import { publishedRange } from "./published";
import { farOff, ratioAndJitter, roadRows, type RoadRows } from "./ratio-and-jitter";
import { wheelspins } from "./wheelspin";

const MOVING_KMH = 5;
const STOPPED_KMH = 0.6;
/** A gap in one wheel's speed shorter than this is a drop-out, longer a dead corner. */
const LONGEST_DROP_S = 4;
/** Good passive sensors fall under the threshold below some 3 to 4 km/h: an ordinary stop (from memory). */
const ORDINARY_DROP_KMH = 4;
/** A module wants a few pulses before it shows a speed: later than this when pulling away is too late (engineering judgement). */
const LATE_START_KMH = 7;
/** Up to so many times the speed at which it falls out. */
const SAME_WEAKNESS = 1.3;
/** A driver cannot lock and free a wheel without braking harder than this. */
const HARD_BRAKING_MS2 = 3.5;

/**
 * What four wheel speeds say of each corner. Each wheel is held against the car's own motion, which one bad wheel does not
 * move, at the moment its value was taken.
 *
 * @param car what is known of it: pulses per revolution for naming a wrong ring, tyres by axle, driven wheels
 */
export function analyseScan(log: ScanLog, car: ScanCar = {}): ScanFinding[] {
  const motion = carMotion(log);
  const rows = roadRows(log, motion);
  const findings: ScanFinding[] = [];
  const published = publishedRange(log);
  if (published) findings.push(published);
  const silentBelowKmh = published?.code === "published-above" ? published.size : 0;
  for (const corner of corners) findings.push(...cornerFindings(log, corner, motion, rows, silentBelowKmh, car));
  return byAxle(findings, log, rows, car).sort(
    (a, b) => RANK.indexOf(a.code) - RANK.indexOf(b.code) || a.startS - b.startS,
  );
}

const RANK: ScanFinding["code"][] = [
  "zero",
  "drops-out",
  "cuts-low",
  "false-activation",
  "erratic",
  "ratio-off",
  "axle-ratio",
  "held-doubles",
  "slip",
  "wheelspin",
  "published-above",
  "published-below",
];

/** What the analysis wants to know of the car. */
export type ScanCar = Tyres & Partial<Pick<CornerSetup, "pulsesPerRevolution" | "drivetrain">>;

/** Largest of any number of values; spreading a million into Math.max overflows the stack. */
function largest(values: readonly number[]): number {
  return values.reduce((most, value) => Math.max(most, value), -Infinity);
}

/** The answer of a log to “what does this corner's live speed do?”. */
export function liveSpeedWord(findings: readonly ScanFinding[], corner: Corner): LiveSpeedWord {
  const own = findings.find(
    ({ code, corner: at }) =>
      at === corner && (["zero", "drops-out", "cuts-low", "erratic", "ratio-off"] as string[]).includes(code),
  );
  return (own?.code as LiveSpeedWord | undefined) ?? "follows";
}

function cornerFindings(
  log: ScanLog,
  corner: Corner,
  motion: CarMotion,
  rows: RoadRows,
  silentBelowKmh: number,
  car: ScanCar,
): ScanFinding[] {
  const { timeS, speedKmh } = log;
  const own = speedKmh[corner];
  const reference = motion.referenceKmh[corner];
  const name = cornerWords[corner];
  const moving = [...timeS.keys()].filter(
    (i) => reference[i]! > Math.max(MOVING_KMH, silentBelowKmh) && !Number.isNaN(own[i]!),
  );
  const held = heldDoubles(log, corner, car);
  if (moving.length < 3) return held ? [held] : [];
  const far = farOff(log, motion, rows, corner);
  if (far) return [far];
  const dead = moving.filter((i) => own[i]! < STOPPED_KMH);
  if (dead.length > 0.9 * moving.length)
    return [
      {
        code: "zero",
        corner,
        startS: timeS[dead[0]!]!,
        endS: timeS[dead.at(-1)!]!,
        size: 0,
        say: t`${capital(name)} stays at zero while the others reach ${Math.round(largest(moving.map((i) => reference[i]!)))} km/h.`,
      },
    ];
  const runs = runsWhere(timeS.length, (i) => reference[i]! > STOPPED_KMH + 1 && own[i]! < 0.5 * reference[i]!);
  const found: ScanFinding[] = held ? [held] : [];
  const stops = runs.filter(([from, to]) => isStop(own, reference, from, to));
  if (stops.length > 0 && stops.length >= 0.5 * countStops(reference)) {
    const cutOuts = stops.map(([from]) => reference[Math.max(0, from - 1)]!);
    const at = median(cutOuts);
    // Between one row and the next the car itself loses as much.
    const lostBetween = median(stops.map(([from]) => 0.5 * (reference[Math.max(0, from - 1)]! - reference[from]!)));
    if (at - lostBetween > ORDINARY_DROP_KMH) {
      found.push({
        code: "cuts-low",
        corner,
        startS: timeS[stops[0]![0]]!,
        endS: timeS[stops[0]![1]]!,
        size: at,
        say: t`${capital(name)} falls to zero at about ${at.toFixed(1)} km/h while slowing (${stops.length} of ${countStops(reference)} stops): too weak a signal at low speed. Gap, ring or a weak coil before wiring.`,
      });
      found.push({
        code: "false-activation",
        corner,
        startS: timeS[stops[0]![0]]!,
        endS: timeS[stops[0]![1]]!,
        size: at,
        say: t`The module sees ${at.toFixed(0)} → 0 km/h in no time at ${name} and takes it for a locking wheel: it releases that brake on a dry stop.`,
      });
    }
  }
  const pullAways = runs.filter((run) => !stops.includes(run) && isPullAway(reference, run));
  if (stops.length === 0 && pullAways.length > 0) {
    const at = median(pullAways.map(([, to]) => reference[to]!));
    if (at > LATE_START_KMH)
      found.push({
        code: "cuts-low",
        corner,
        startS: timeS[pullAways[0]![0]]!,
        endS: timeS[pullAways[0]![1]]!,
        size: at,
        say: t`${capital(name)} comes up only at about ${at.toFixed(0)} km/h when pulling away: too weak a signal at low speed. Gap, ring or a weak coil before wiring.`,
      });
  }
  const drops = runs.filter((run) => !stops.includes(run) && !pullAways.includes(run));
  const slips = drops.filter(([from, to]) => isSlip(timeS, own, reference, from, to));
  for (const [from, to] of slips)
    found.push({
      code: "slip",
      corner,
      startS: timeS[from]!,
      endS: timeS[to]!,
      size: reference[from]!,
      say: t`${capital(name)} slips at ${timeS[from]!.toFixed(1)} s under hard braking and comes back smoothly: a real event, no fault.`,
    });
  // What falls out at walking pace only is too weak there, whether the car then stops or rolls on.
  const weakKmh = found.find(({ code }) => code === "cuts-low")?.size ?? 0;
  const isSlow = ([from, to]: Run) => largest([...reference.subarray(from, to + 1)]) < SAME_WEAKNESS * weakKmh;
  const cuts = drops.filter(
    (run) => !slips.includes(run) && !isSlow(run) && timeS[run[1]]! - timeS[run[0]]! < LONGEST_DROP_S,
  );
  if (cuts.length > 0)
    found.push({
      code: "drops-out",
      corner,
      startS: timeS[cuts[0]![0]]!,
      endS: timeS[cuts[0]![1]]!,
      size: cuts.length,
      say: t`${capital(name)} drops out ${cuts.length === 1 ? t`once` : ngettext(msgid`${cuts.length} time`, `${cuts.length} times`, cuts.length)}: ${cuts
        .slice(0, 4)
        .map(([from]) => t`${timeS[from]!.toFixed(1)} s at ${Math.round(reference[from]!)} km/h`)
        .join(", ")}${cuts.length > 4 ? " …" : ""}. Losses with no pattern in speed point at a connection.`,
    });
  const long = drops.find(
    (run) =>
      !slips.includes(run) && !isSlow(run) && !cuts.includes(run) && timeS[run[1]]! - timeS[run[0]]! >= LONGEST_DROP_S,
  );
  if (long && !held)
    found.push({
      code: "zero",
      corner,
      startS: timeS[long[0]]!,
      endS: timeS[long[1]]!,
      size: 0,
      say: t`${capital(name)} is lost from ${timeS[long[0]]!.toFixed(1)} s to ${timeS[long[1]]!.toFixed(1)} s.`,
    });
  // What drops out as well as runs ahead is pulses lost and added.
  const spun = cuts.length > 0 ? { findings: [], rows: new Set<number>() } : wheelspins(log, motion, corner, car);
  found.push(...spun.findings);
  if (!held) found.push(...ratioAndJitter(log, motion, rows, corner, car.pulsesPerRevolution, spun.rows));
  return found;
}

/** With one side of a driven axle held, its differential turns the other side twice as fast. */
function heldDoubles({ timeS, speedKmh }: ScanLog, corner: Corner, { drivetrain }: ScanCar): ScanFinding | null {
  if (drivetrain && drivetrain !== "all" && drivetrain !== axleOf(corner)) return null;
  const partner = ({ FL: "FR", FR: "FL", RL: "RR", RR: "RL" } as const)[corner];
  const across = corners.filter((one) => one !== corner && one !== partner);
  const hits = [...timeS.keys()].filter((i) => {
    const still = across.every((one) => !(speedKmh[one][i]! > STOPPED_KMH));
    return still && speedKmh[corner][i]! > MOVING_KMH && speedKmh[partner][i]! < STOPPED_KMH;
  });
  if (hits.length < 3) return null;
  return {
    code: "held-doubles",
    corner,
    startS: timeS[hits[0]!]!,
    endS: timeS[hits.at(-1)!]!,
    size: 2,
    say: t`Only ${cornerWords[corner]} turns while ${cornerWords[partner]} is held: through the differential it runs double. No fault by itself; raise and turn both.`,
  };
}

type Run = [from: number, to: number];

/** Stretches of rows where something holds. */
function runsWhere(rows: number, holds: (i: number) => boolean): Run[] {
  const runs: Run[] = [];
  for (let i = 0; i < rows; i++) {
    if (!holds(i)) continue;
    const last = runs.at(-1);
    if (last && last[1] === i - 1) last[1] = i;
    else runs.push([i, i]);
  }
  return runs;
}

/** A loss that lasts until the car itself has all but stopped, begun at low speed. */
function isStop(own: Float64Array, reference: Float64Array, from: number, to: number): boolean {
  const after = told(reference[Math.min(reference.length - 1, to + 1)]!);
  return reference[from]! < 22 && after < 3.5 && after <= reference[from]! && own[to]! < STOPPED_KMH;
}

/** The same weakness seen the other way: silent from standstill until some low speed. */
function isPullAway(reference: Float64Array, [from, to]: Run): boolean {
  const before = told(reference[Math.max(0, from - 1)]!);
  return before < 3.5 && reference[to]! < 22 && before <= reference[to]!;
}

/** A car that sends no speed is standing or slower than what it sends. */
function told(kmh: number): number {
  return Number.isNaN(kmh) ? 0 : kmh;
}

function countStops(reference: Float64Array): number {
  let count = 0;
  for (let i = 1; i < reference.length; i++)
    if (told(reference[i - 1]!) > STOPPED_KMH + 1 && told(reference[i]!) <= STOPPED_KMH + 1) count++;
  return Math.max(1, count);
}

/** A wheel that really slips goes down and comes back over several rows, while the car brakes hard. */
function isSlip(timeS: Float64Array, own: Float64Array, reference: Float64Array, from: number, to: number): boolean {
  const a = Math.max(0, from - 2);
  const b = Math.min(timeS.length - 1, to + 2);
  const braking = (reference[a]! - reference[b]!) / 3.6 / Math.max(1e-3, timeS[b]! - timeS[a]!);
  const before = own[Math.max(0, from - 1)]!;
  return braking > HARD_BRAKING_MS2 && before < 0.93 * reference[Math.max(0, from - 1)]! && own[to]! > STOPPED_KMH;
}
