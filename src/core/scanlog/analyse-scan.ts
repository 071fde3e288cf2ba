import { t } from "../words/words";
import type { CornerSetup } from "../circuit/setup";
import { axleOf, cornerWords, corners, type Corner } from "../units/corner";
import { capital } from "../units/format";
import type { LiveSpeedWord, ScanFinding, ScanLog } from "./scan-log";
import { byAxle, type Tyres } from "./by-axle";
import { carMotion, type CarMotion } from "./car-motion";
import { lossFindings } from "./loss-findings";
import { largest, lossesOf, STOPPED_KMH } from "./losses";
import { publishedRange } from "./published";
import { farOff, ratioAndJitter, roadRows, type RoadRows } from "./ratio-and-jitter";
import { wheelspins } from "./wheelspin";

const MOVING_KMH = 5;

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
        say: t`${capital(name)} stays at zero while the others reach ${Math.round(largest(Float64Array.from(moving, (i) => reference[i]!)))} km/h.`,
      },
    ];
  const losses = lossesOf(timeS, own, reference);
  const found = [...(held ? [held] : []), ...lossFindings(corner, timeS, reference, losses, held !== null)];
  // What drops out as well as runs ahead is pulses lost and added.
  const spun =
    losses.cuts.length > 0 ? { findings: [], rows: new Set<number>() } : wheelspins(log, motion, corner, car);
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
