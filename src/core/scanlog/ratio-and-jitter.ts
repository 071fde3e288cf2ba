import { t } from "../words/words";
import { axles, cornerWords, corners, type Corner } from "../units/corner";
import { capital } from "../units/format";
import { median } from "../units/median";
import type { CarMotion } from "./car-motion";
import { ratioWords } from "./ratio-words";
import type { ScanFinding, ScanLog } from "./scan-log";

/** Tyres of one size differ by wear and pressure up to about a percent, and bends leave some of theirs (common practice, no source). */
export const USUAL_RATIO_SPREAD = 0.012;
/** A speed that jumps by more than this about the car's own gains or loses pulses. */
const JUMPS = 0.035;
/** A road that shakes all four wheels, or a tool that reads roughly, is no one wheel's fault: this many times the others'. */
const MORE_THAN_OTHERS = 2;
const FEWEST_ROWS = 6;
/** A drive that is hardly ever straight does not tell a tyre from a bend. */
const LEAST_STRAIGHT = 0.25;
/** How much of its last digit a column may be off by all the time: bends below a digit are taken for straight. */
const OF_A_DIGIT = 0.3;

/**
 * A wheel's steady ratio to the car, and its jumping about it. The ratio is taken where the car goes straight: in a bend the
 * outer wheels run faster, all through a roundabout. Jumps are from row to row; a bend comes and goes slowly.
 *
 * @param held rows to judge by @param straight those of them in which the car goes straight
 * @param aside rows that are explained otherwise: spinning wheels
 */
export function ratioAndJitter(
  log: ScanLog,
  motion: CarMotion,
  { held, straight: straightAhead }: RoadRows,
  corner: Corner,
  pulses: number | undefined,
  aside: ReadonlySet<number>,
): ScanFinding[] {
  const { timeS } = log;
  const keeps = (one: Corner) => (i: number) => !aside.has(i) && keepsUp(log, motion, one, i);
  const steady = held.filter(keeps(corner));
  if (steady.length < FEWEST_ROWS) return [];
  const [startS, endS] = [timeS[steady[0]!]!, timeS[steady.at(-1)!]!];
  const out: ScanFinding[] = [];
  const straight = straightAhead.filter(keeps(corner));
  if (straight.length >= Math.max(FEWEST_ROWS, LEAST_STRAIGHT * steady.length)) {
    const ratios = straight.map((i) => log.speedKmh[corner][i]! / motion.referenceKmh[corner][i]!);
    const ratio = median(ratios);
    const spread = 1.4826 * median(ratios.map((value) => Math.abs(value - ratio)));
    const off = Math.abs(ratio - 1);
    const digit = motion.quantumKmh[corner] / median(straight.map((i) => motion.carKmh[i]!));
    if (off > USUAL_RATIO_SPREAD && off > 1.5 * (spread / Math.sqrt(straight.length) + 0.004) + OF_A_DIGIT * digit)
      out.push({
        code: "ratio-off",
        corner,
        startS,
        endS,
        size: ratio,
        say: t`${capital(cornerWords[corner])} reads ${(Math.abs(ratio - 1) * 100).toFixed(1)} % ${ratio > 1 ? t`fast` : t`slow`}, steadily and at every speed: ${ratioWords(ratio, pulses)}. Not electrics.`,
      });
  }
  const jitter = jitterOf(log, motion, corner, steady);
  const ofOther = (other: Corner) => (other === corner ? [] : jitterOf(log, motion, other, held.filter(keeps(other))));
  if (jitter > JUMPS && jitter > MORE_THAN_OTHERS * median(corners.flatMap(ofOther)))
    out.push({
      code: "erratic",
      corner,
      startS,
      endS,
      size: jitter,
      say: t`${capital(cornerWords[corner])} jumps by ${(jitter * 100).toFixed(0)} % about the others' speed: pulses added or lost every turn.`,
    });
  return out;
}

/** A wheel that reads half or twice the car's speed, or the like, all the time: another ring, no pulses lost here and there. */
export function farOff(
  { timeS, speedKmh }: ScanLog,
  { referenceKmh }: CarMotion,
  { held }: RoadRows,
  corner: Corner,
): ScanFinding | null {
  const ratios = held.map((i) => speedKmh[corner][i]! / referenceKmh[corner][i]!).filter((ratio) => ratio >= 0);
  if (ratios.length < FEWEST_ROWS) return null;
  const ratio = median(ratios);
  const spread = median(ratios.map((value) => Math.abs(value - ratio)));
  if ((ratio > 0.7 && ratio < 1.4) || ratio < LEAST_RING || spread > HOLDS_TO * ratio) return null;
  return {
    code: "ratio-off",
    corner,
    startS: timeS[held[0]!]!,
    endS: timeS[held.at(-1)!]!,
    size: ratio,
    say: t`${capital(cornerWords[corner])} reads ${ratio.toFixed(2)} times the others' speed, steadily: a ring with another count of poles, or each edge counted. Not electrics.`,
  };
}

/** No ring has under a third of another's poles. */
const LEAST_RING = 0.3;
const HOLDS_TO = 0.03;

/** Slower than this a hand's breadth of steering is a tight bend, km/h. */
const SLOW_KMH = 15;
/** Faster change than this and a tool's delay shows as a ratio, km/h a second. */
const HELD_PER_S = 6;

/** Rows of a log by what the car does in them. */
export interface RoadRows {
  /** It rolls faster than a walk and holds its speed. */
  held: number[];
  /** Of those: it goes straight. */
  straight: number[];
}

export function roadRows(log: ScanLog, motion: CarMotion): RoadRows {
  const { carKmh, perS } = motion;
  const held = [...log.timeS.keys()].filter((i) => i > 0 && carKmh[i]! > SLOW_KMH && Math.abs(perS[i]!) < HELD_PER_S);
  return { held, straight: straightRows(log, motion, held) };
}

function keepsUp({ speedKmh }: ScanLog, { referenceKmh }: CarMotion, corner: Corner, i: number): boolean {
  const share = speedKmh[corner][i]! / referenceKmh[corner][i]!;
  return share > 0.7 && share < 1.4;
}

/** Both axles' left-right ratios near what they are most of the time; none where the car was turning most of the time. */
function straightRows(log: ScanLog, motion: CarMotion, rows: readonly number[]): number[] {
  const usual = { front: usualTurn(log, "front", rows), rear: usualTurn(log, "rear", rows) };
  const [a, b] = [usual.front ?? 0, usual.rear ?? 0];
  const smaller = Math.min(Math.abs(a), Math.abs(b));
  if (a * b > 0 && smaller > TURNING && Math.max(Math.abs(a), Math.abs(b)) < ALIKE_TURN * smaller) return [];
  const isUsual = (axle: keyof typeof axles, i: number) => {
    const turn = turnOf(log, axle, i);
    if (usual[axle] === null || turn === null) return true;
    const [left, right] = axles[axle];
    const digit = Math.max(motion.quantumKmh[left], motion.quantumKmh[right]);
    return Math.abs(turn - usual[axle]) < STRAIGHT + digit / motion.carKmh[i]!;
  };
  return rows.filter((i) => isUsual("front", i) && isUsual("rear", i));
}

/** Both axles turned by more than this alike is a bend, not two tyres (log of the ratio). */
const TURNING = 0.008;
const ALIKE_TURN = 1.8;
/** A lane's worth of steering. */
const STRAIGHT = 0.008;

/** Right wheel against left, as a logarithm; null where either is missing or has fallen out. */
function turnOf({ speedKmh }: ScanLog, axle: keyof typeof axles, i: number): number | null {
  const [left, right] = axles[axle];
  const ratio = speedKmh[right][i]! / speedKmh[left][i]!;
  return ratio > 0.6 && ratio < 1.7 ? Math.log(ratio) : null;
}

function usualTurn(log: ScanLog, axle: keyof typeof axles, rows: readonly number[]): number | null {
  const turns = rows.flatMap((i) => turnOf(log, axle, i) ?? []);
  return turns.length < FEWEST_ROWS ? null : halfSampleMode(turns);
}

/** Where values lie closest together, by halving (D. R. Bickel and R. Frühwirth, Computational Statistics & Data Analysis 50, 2006). */
export function halfSampleMode(values: readonly number[]): number {
  let sorted = values.toSorted((a, b) => a - b);
  while (sorted.length > 3) {
    const half = Math.ceil(sorted.length / 2);
    let at = 0;
    for (let i = 1; i + half <= sorted.length; i++)
      if (sorted[i + half - 1]! - sorted[i]! < sorted[at + half - 1]! - sorted[at]!) at = i;
    sorted = sorted.slice(at, at + half);
  }
  return median(sorted);
}

/** Jumps from row to row against the car's own speed, less what the last digit makes of them. */
function jitterOf(
  { speedKmh }: ScanLog,
  { referenceKmh, quantumKmh }: CarMotion,
  corner: Corner,
  rows: readonly number[],
): number {
  const [own, car] = [speedKmh[corner], referenceKmh[corner]];
  const ratio = (i: number) => own[i]! / car[i]!;
  const inner = rows.filter((i, k) => rows[k - 1] === i - 1 && rows[k + 1] === i + 1);
  if (inner.length < FEWEST_ROWS) return 0;
  const jump = 1.4826 * median(inner.map((i) => Math.abs(ratio(i) - (ratio(i - 1) + ratio(i + 1)) / 2)));
  const digit = quantumKmh[corner] / median(inner.map((i) => car[i]!));
  // Half a jump's variance again is its neighbours'; a digit's is a twelfth of its square.
  return Math.sqrt(Math.max(0, jump ** 2 / 1.5 - digit ** 2 / 12));
}
