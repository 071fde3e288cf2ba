import { median } from "../units/median";
import { found, type Found } from "./finding";
import { nearTooth } from "./loss-findings";
import type { TurnWave } from "./between-pushes";
import type { TurnWaves } from "./once-a-turn";
import { middlesBeside, type RingPattern } from "./ring-pattern";

/** A crack opens further than poles of a good ring differ, in pitches (judgement). */
const LEAST_JUMP = 0.05;
/** The field bulges into a gap: the poles beside it come early or late by up to this, in pitches (the spacing law). */
const BESIDE_GAP = 0.15;
const BULGE_POLES = 2;

/** The teeth so near to where pulses are lost each turn that what is off there is the gap's doing. */
function besideGaps({ lost, revolutions, periodMean }: RingPattern, edgesAPole: number): boolean[] {
  const N = periodMean.length;
  if (!lost.some((times) => times > revolutions / 2)) return [];
  const unseen = [...periodMean.keys()].filter((t) => Number.isNaN(periodMean[t]!));
  const reach = BULGE_POLES * edgesAPole;
  return Array.from({ length: N }, (_, t) =>
    unseen.some((gap) => Math.min((t - gap + N) % N, (gap - t + N) % N) <= reach),
  );
}

/**
 * A crack (short–long pair), a single odd tooth, or a once-per-turn wave in the folded ring.
 * @param edgesAPole two where each edge of a pole makes a pulse: what a pole is off by is twice as much of what lies between
 * @param offset tooth of the recording at which the ring was begun to be folded
 */
export function shapeFindings(
  ring: RingPattern,
  isPassive: boolean,
  edgesAPole: 1 | 2,
  turn: TurnWaves,
  offset: number,
  spanOf: (tooth: number) => [number, number],
): Found[] {
  const list: Found[] = [];
  const named = (tooth: number) => (tooth + offset) % ring.pulsesPerRevolution;
  const wave = firstHarmonic(ring.periodMean);
  const rest = ring.periodMean.map((value, t) => value - wave(t));
  const usual = medianAbsolute(rest);
  const atGap = besideGaps(ring, edgesAPole);
  const odd = rest.map((value, t) =>
    Number.isNaN(value) || (atGap[t] && Math.abs(value) < BESIDE_GAP * edgesAPole)
      ? 0
      : Math.abs(value) / Math.hypot(3 * usual, 2 * ring.periodError[t]!),
  );
  const worst = odd.indexOf(Math.max(...odd));
  const size = rest[worst]!;
  // Against those beside it: what waves once a turn leaves nothing.
  const besideIt = middlesBeside(ring.heightMean, 2, 1);
  const heightRest = ring.heightMean.map((height, t) => height / besideIt[t]! - 1);
  const stands = standsAlone(rest, worst) || (isPassive && standsAsPair(rest, worst));
  const jumps = odd[worst]! > 1.8 && Math.abs(size) > LEAST_JUMP * edgesAPole && stands;
  const cracked = jumps && !(isPassive && isOneToothsHeight(ring, heightRest, worst, size));
  const half = isPassive ? null : oddHalf(ring);
  if (half !== null && (!cracked || nearTooth(half >> 1, worst, ring.pulsesPerRevolution))) {
    const wide = half >> 1;
    const [startS, endS] = spanOf(named(wide));
    // A gap that is short is a tooth that is wide.
    const wider = ring.halfOff[half]! * (half % 2 === 0 ? 1 : -1);
    list.push(
      found("odd-tooth", { wider }, { strength: 0.9, tooth: named(wide) + 1, size: Math.abs(wider), startS, endS }),
    );
  } else if (cracked) {
    const [startS, endS] = spanOf(named(worst));
    list.push(
      found(
        "cracked-ring",
        { jump: Math.abs(size) },
        {
          strength: Math.min(0.99, 0.6 + 0.1 * odd[worst]!),
          tooth: named(worst) + 1,
          size: Math.abs(size),
          startS,
          endS,
        },
      ),
    );
  }
  if (isPassive) {
    const usualHeight = medianAbsolute(heightRest);
    const deviations = heightRest.map((value, t) => (ring.heightSeen[t]! > 1 ? Math.abs(value) : 0));
    const tooth = deviations.indexOf(Math.max(...deviations));
    if (deviations[tooth]! > Math.max(LEAST_ODD_HEIGHT, 6 * usualHeight) && list.length === 0) {
      const [startS, endS] = spanOf(named(tooth));
      list.push(
        found(
          "odd-tooth",
          { higher: heightRest[tooth]! },
          { strength: 0.9, tooth: named(tooth) + 1, size: deviations[tooth]!, startS, endS },
        ),
      );
    }
  }
  // A crack or a gap moves the share of the poles next to it too.
  const wave1 = turnWave(turn, isPassive, list.length > 0 || atGap.includes(true) ? 2 : 1);
  if (wave1)
    list.push(
      found("eccentric", wave1, {
        strength: 0.85,
        size: wave1.swing,
        startS: spanOf(0)[0],
        endS: spanOf(ring.pulsesPerRevolution - 1)[1],
      }),
    );
  return list;
}

/**
 * A bent or chipped tooth is off in height first and moves its crossing only a little; a crack moves the crossing, and the
 * height with it only as far as the space is longer.
 */
function isOneToothsHeight(
  { heightSeen }: RingPattern,
  heightRest: ArrayLike<number>,
  tooth: number,
  jump: number,
): boolean {
  const N = heightRest.length;
  return [-1, 0, 1].some((away) => {
    const at = (tooth + away + N) % N;
    const off = Math.abs(heightRest[at]!);
    return heightSeen[at]! > 1 && off > LEAST_BENT && off > HEIGHT_OF_JUMP * Math.abs(jump);
  });
}

const LEAST_BENT = 0.25;
const HEIGHT_OF_JUMP = 2.5;

/** A crack makes one space long and may make the next one short; a hand's push makes several long together. */
function standsAlone(rest: Float64Array, tooth: number): boolean {
  const own = rest[tooth]!;
  const beside = [-1, 1].map((away) => rest[(tooth + away + rest.length) % rest.length]!);
  return beside.every((value) => Number.isNaN(value) || value / own < ALIKE_BESIDE);
}

const ALIKE_BESIDE = 0.6;

/** A coil's wave may be timed midway between the teeth: a slot that is wide then makes the two periods that share it long. */
function standsAsPair(rest: Float64Array, tooth: number): boolean {
  const at = (away: number) => rest[(tooth + away + rest.length) % rest.length]! / rest[tooth]!;
  return ([-1, 1] as const).some(
    (away) => at(away) > TWIN && !(at(2 * away) >= ALIKE_BESIDE) && !(at(-away) >= ALIKE_BESIDE),
  );
}

const TWIN = 0.7;

/**
 * The one half of a pole that is too long or too short on every turn, where those beside it make up for it: a damaged tooth
 * moves one edge, or two apart. A crack moves both the same way, or all that follows. Null when none stands out so.
 */
function oddHalf({ halfOff, edgeJitter }: RingPattern): number | null {
  const sizes = halfOff.map((value) => (Number.isNaN(value) ? 0 : Math.abs(value)));
  const half = sizes.indexOf(Math.max(...sizes));
  if (sizes[half]! < Math.max(LEAST_WIDTH, 5 * medianAbsolute(halfOff), OVER_JITTER * edgeJitter)) return null;
  const count = halfOff.length;
  const sum = [-1, 0, 1].reduce((all, away) => all + (halfOff[(half + away + count) % count]! || 0), 0);
  return Math.abs(sum) < EVENS_OUT * sizes[half]! ? half : null;
}

/** In pitches: what poles of a good encoder differ by is under half of it (from memory). */
const LEAST_WIDTH = 0.06;
/** A wheel that turns in step with the sampling meets the same error at the same tooth each turn. */
const OVER_JITTER = 4;
const EVENS_OUT = 0.5;

/** The plainest once-per-turn wave that a good ring on a good bearing does not have. */
function turnWave(
  { period, height, duty }: TurnWaves,
  isPassive: boolean,
  besideOthers: 1 | 2,
): { wave: "period" | "height" | "duty"; swing: number } | null {
  const stands = (wave: TurnWave | null, least: number) =>
    wave !== null && wave.size > least && wave.size > WAVE_OVER_ERROR * wave.error;
  if (stands(period, LEAST_PERIOD_WAVE)) return { wave: "period", swing: period!.size };
  if (isPassive && stands(height, LEAST_HEIGHT_WAVE)) return { wave: "height", swing: height!.size };
  if (!isPassive && stands(duty, LEAST_DUTY_WAVE * besideOthers)) return { wave: "duty", swing: duty!.size };
  return null;
}

/**
 * Waves of a good ring on a good bearing are smaller: up to 0.06 mm of runout makes 6 % of height (the spacing law) and
 * a wheel out of balance a little of period.
 */
const LEAST_PERIOD_WAVE = 0.01;
const LEAST_HEIGHT_WAVE = 0.12;
const LEAST_DUTY_WAVE = 0.012;
const WAVE_OVER_ERROR = 3;

function firstHarmonic(values: Float64Array): (tooth: number) => number {
  const N = values.length;
  let [a, b, n] = [0, 0, 0];
  values.forEach((value, t) => {
    if (Number.isNaN(value)) return;
    a += value * Math.cos((2 * Math.PI * t) / N);
    b += value * Math.sin((2 * Math.PI * t) / N);
    n++;
  });
  const [x, y] = [(2 * a) / Math.max(1, n), (2 * b) / Math.max(1, n)];
  return (t) => x * Math.cos((2 * Math.PI * t) / N) + y * Math.sin((2 * Math.PI * t) / N);
}

/** Teeth of a good ring differ by some 3 % in height, one of a hundred by three times that (from memory). */
const LEAST_ODD_HEIGHT = 0.15;

function medianAbsolute(values: Float64Array): number {
  return median([...values].filter((value) => !Number.isNaN(value)).map(Math.abs));
}
