import { t } from "../words/words";
import { axleOf, cornerWords, type Corner } from "../units/corner";
import { capital } from "../units/format";
import { median } from "../units/median";
import type { CornerSetup } from "../circuit/setup";
import type { CarMotion } from "./car-motion";
import type { ScanFinding, ScanLog } from "./scan-log";

/**
 * Times at which a driven wheel runs away from the car and comes back as a wheel does, by way of all speeds between: a wet
 * road or a heavy foot, no fault. Pulses added by a fault come and go between one row and the next.
 */
export function wheelspins(
  { timeS, speedKmh }: ScanLog,
  { referenceKmh, perS, quantumKmh }: CarMotion,
  corner: Corner,
  { drivetrain }: Partial<Pick<CornerSetup, "drivetrain">>,
): { findings: ScanFinding[]; rows: Set<number> } {
  const rows = new Set<number>();
  const findings: ScanFinding[] = [];
  if (drivetrain && drivetrain !== "all" && drivetrain !== axleOf(corner)) return { findings, rows };
  const [own, car] = [speedKmh[corner], referenceKmh[corner]];
  const over = (i: number) => own[i]! - car[i]!;
  const runsAway = (i: number) => over(i) > Math.max(FAST_KMH, FAST_SHARE * car[i]!, 2 * quantumKmh[corner]);
  for (let from = 0; from < timeS.length; from++) {
    if (!runsAway(from)) continue;
    let to = from;
    while (to + 1 < timeS.length && runsAway(to + 1)) to++;
    const isBrief = to - from + 1 < FEWEST_ROWS || timeS[to]! - timeS[from]! < LEAST_S;
    // Nor does a wheel spin for long: one that is always ahead counts more than its own pulses.
    if (timeS[to]! - timeS[from]! > LONGEST_S) return { findings: [], rows: new Set() };
    // No wheel is driven faster than the road while the car slows: all of it is pulses added, then.
    if (median(Array.from({ length: to - from + 1 }, (_, k) => perS[from + k]!)) < SLOWS_PER_S)
      return { findings: [], rows: new Set() };
    if (!isBrief && turnsBack(over, from, to, MOST_TURNS * Math.max(1, timeS[to]! - timeS[from]!))) {
      for (let i = Math.max(0, from - 1); i <= Math.min(timeS.length - 1, to + 1); i++) rows.add(i);
      findings.push({
        code: "wheelspin",
        corner,
        startS: timeS[from]!,
        endS: timeS[to]!,
        size: Math.max(...Array.from({ length: to - from + 1 }, (_, k) => over(from + k))),
        say: t`${capital(cornerWords[corner])} spins at ${timeS[from]!.toFixed(1)} s while the car goes ${Math.round(car[from]!)} km/h, and comes back smoothly: a slippery road or a heavy foot, no fault.`,
      });
    }
    from = to;
  }
  return { findings, rows };
}

/** A wheel that turns this much faster than the road is off it. */
const [FAST_KMH, FAST_SHARE] = [4, 0.15];
const [FEWEST_ROWS, LEAST_S, LONGEST_S] = [2, 0.3, 8];
const SLOWS_PER_S = -2;
/** Traction control brakes a wheel and lets it go some three times a second. */
const MOST_TURNS = 8;
/** A change under this part of the whole is none. */
const HARDLY = 0.2;

/** Whether a curve goes up and down no oftener than a wheel can. */
function turnsBack(of: (i: number) => number, from: number, to: number, most: number): boolean {
  const values = Array.from({ length: to - from + 1 }, (_, k) => of(from + k));
  const least = HARDLY * Math.max(...values);
  let [turns, last, rising] = [0, values[0]!, true];
  for (const value of values) {
    if (Math.abs(value - last) < least) continue;
    if (value > last !== rising) turns++;
    [last, rising] = [value, value > last];
  }
  return turns <= most && turns < Math.max(2, values.length / 2);
}
