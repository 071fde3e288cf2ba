import { msgid, ngettext, t } from "../words/words";
import type { CornerSetup } from "../circuit/setup";
import { parseTyre, rollingCircumferenceM } from "../tyre/tyre";
import { cornerWords, corners, type Corner } from "../units/corner";
import { capital } from "../units/format";
import { median } from "../units/median";
import type { LiveSpeedWord, ScanFinding, ScanLog } from "./scan-log";
import { ratioWords } from "./ratio-words";

const MOVING_KMH = 5;
const STOPPED_KMH = 0.6;
/** A gap in one wheel's speed shorter than this is a drop-out, longer a dead corner. */
const LONGEST_DROP_S = 4;
/** Good passive sensors fall under the threshold below some 3 to 4 km/h: an ordinary stop (from memory). */
const ORDINARY_DROP_KMH = 4;
/** A driver cannot lock and free a wheel without braking harder than this. */
const HARD_BRAKING_MS2 = 3.5;
/** Tyres of one size differ by wear and pressure up to about a percent (common practice, no source). */
const USUAL_RATIO_SPREAD = 0.009;

/**
 * What four wheel speeds say of each corner. Each wheel is held against the median of the others, so that one bad
 * wheel does not move the reference.
 *
 * @param car what is known of it: pulses per revolution for naming a wrong ring, tyres by axle, driven wheels
 */
export function analyseScan(log: ScanLog, car: ScanCar = {}): ScanFinding[] {
  const reference = referenceOf(log);
  const findings: ScanFinding[] = [];
  const published = publishedAbove(log);
  if (published) findings.push(published);
  for (const corner of corners) {
    const own = cornerFindings(log, corner, reference[corner], published?.size ?? 0, car);
    findings.push(...own);
  }
  return byAxle(findings, car).sort((a, b) => RANK.indexOf(a.code) - RANK.indexOf(b.code) || a.startS - b.startS);
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
  "published-above",
];

/** What the analysis wants to know of the car. */
export type ScanCar = Pick<CornerSetup, "pulsesPerRevolution"> &
  Partial<Pick<CornerSetup, "corner" | "tyre" | "otherAxleTyre" | "drivetrain">>;

/** Both wheels of an axle off alike are two sizes of tyre, no fault of a corner: told once, as the axle's. */
function byAxle(findings: ScanFinding[], car: ScanCar): ScanFinding[] {
  const off = (corner: Corner) => findings.find(({ code, corner: at }) => code === "ratio-off" && at === corner);
  const [left, right] = [off("FL"), off("FR")];
  if (!left || !right || Math.abs(left.size - right.size) > SAME_AXLE) return findings;
  const ratio = (left.size + right.size) / 2;
  const listed = listedRatio(car);
  const explained = listed !== null && Math.abs(listed - ratio) < USUAL_RATIO_SPREAD;
  return [
    ...findings.filter(({ code }) => code !== "ratio-off"),
    {
      ...left,
      code: "axle-ratio",
      corner: null,
      size: ratio,
      say: t`Both front wheels read ${(Math.abs(ratio - 1) * 100).toFixed(1)} % ${ratio > 1 ? t`fast` : t`slow`} against the rear, alike: two sizes of tyre, no fault of a corner.${explained ? t` The sizes set up for the two axles differ by just that much.` : t` Read the sizes of all four.`}`,
    },
  ];
}

/** Two wheels of one axle agree this well (ratio). */
const SAME_AXLE = 0.006;

/** How fast the front should read against the rear by the tyres set up; null when only one size is known. */
function listedRatio({ corner, tyre, otherAxleTyre }: ScanCar): number | null {
  const [own, other] = [parseTyre(tyre ?? ""), parseTyre(otherAxleTyre ?? "")];
  if (!corner || !own || !other) return null;
  const ratio = rollingCircumferenceM(other) / rollingCircumferenceM(own);
  return axleOf(corner) === "front" ? ratio : 1 / ratio;
}

function axleOf(corner: Corner): "front" | "rear" {
  return corner === "FL" || corner === "FR" ? "front" : "rear";
}

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

function referenceOf({ timeS, speedKmh }: ScanLog): Record<Corner, Float64Array> {
  const out = {} as Record<Corner, Float64Array>;
  for (const corner of corners) {
    const others = corners.filter((other) => other !== corner);
    out[corner] = Float64Array.from(timeS, (_, i) =>
      median(others.map((other) => speedKmh[other][i]!).filter((value) => !Number.isNaN(value))),
    );
  }
  return out;
}

function cornerFindings(
  log: ScanLog,
  corner: Corner,
  reference: Float64Array,
  silentBelowKmh: number,
  car: ScanCar,
): ScanFinding[] {
  const { timeS, speedKmh } = log;
  const own = speedKmh[corner];
  const name = cornerWords[corner];
  const moving = [...timeS.keys()].filter(
    (i) => reference[i]! > Math.max(MOVING_KMH, silentBelowKmh) && !Number.isNaN(own[i]!),
  );
  const held = heldDoubles(log, corner, car);
  if (moving.length < 3) return held ? [held] : [];
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
    if (at > ORDINARY_DROP_KMH) {
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
  const drops = runs.filter((run) => !stops.includes(run) && !isPullAway(reference, run));
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
  const cuts = drops.filter((run) => !slips.includes(run) && timeS[run[1]]! - timeS[run[0]]! < LONGEST_DROP_S);
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
    (run) => !slips.includes(run) && !cuts.includes(run) && timeS[run[1]]! - timeS[run[0]]! >= LONGEST_DROP_S,
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
  if (!held) found.push(...ratioAndJitter(timeS, own, reference, corner, car.pulsesPerRevolution));
  return found;
}

/** Steady ratio to the others, and jitter about it. */
function ratioAndJitter(
  timeS: Float64Array,
  own: Float64Array,
  reference: Float64Array,
  corner: Corner,
  pulses: number | undefined,
): ScanFinding[] {
  const steady = [...timeS.keys()].filter(
    (i) => i > 0 && reference[i]! > 15 && own[i]! > 0.7 * reference[i]! && own[i]! < 1.4 * reference[i]!,
  );
  if (steady.length < 6) return [];
  const ratios = steady.map((i) => own[i]! / reference[i]!);
  const ratio = median(ratios);
  const spread = 1.4826 * median(ratios.map((value) => Math.abs(value - ratio)));
  const [startS, endS] = [timeS[steady[0]!]!, timeS[steady.at(-1)!]!];
  const out: ScanFinding[] = [];
  if (
    Math.abs(ratio - 1) > USUAL_RATIO_SPREAD &&
    Math.abs(ratio - 1) > 1.5 * (spread / Math.sqrt(steady.length) + 0.004)
  )
    out.push({
      code: "ratio-off",
      corner,
      startS,
      endS,
      size: ratio,
      say: t`${capital(cornerWords[corner])} reads ${(Math.abs(ratio - 1) * 100).toFixed(1)} % ${ratio > 1 ? t`fast` : t`slow`}, steadily and at every speed: ${ratioWords(ratio, pulses)}. Not electrics.`,
    });
  if (spread > 0.035)
    out.push({
      code: "erratic",
      corner,
      startS,
      endS,
      size: spread,
      say: t`${capital(cornerWords[corner])} jumps by ${(spread * 100).toFixed(0)} % about the others' speed: pulses added or lost every turn.`,
    });
  return out;
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

/** Every wheel silent at low speed and talking above: the car publishes no value there. */
function publishedAbove({ timeS, speedKmh }: ScanLog): ScanFinding | null {
  const silent = [...timeS.keys()].filter((i) => corners.every((corner) => Number.isNaN(speedKmh[corner][i]!)));
  const talking = [...timeS.keys()].filter((i) => corners.some((corner) => speedKmh[corner][i]! > 0));
  if (silent.length < 3 || talking.length < 3) return null;
  const lowest = -largest(
    talking.map((i) => -largest(corners.map((corner) => speedKmh[corner][i]!).filter((v) => !Number.isNaN(v)))),
  );
  if (lowest < 2) return null;
  return {
    code: "published-above",
    corner: null,
    startS: timeS[silent[0]!]!,
    endS: timeS[silent.at(-1)!]!,
    size: lowest,
    say: t`This car sends no speed under about ${lowest.toFixed(0)} km/h. No value there is not a fault.`,
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
