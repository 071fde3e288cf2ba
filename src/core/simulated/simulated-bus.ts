import type { Job } from "../job/schema";
import { seeded } from "../random/random";
import type { ScanLog } from "../scanlog/scan-log";
import { corners } from "../units/corner";
import { driveSimulated } from "./simulated-reading";

/** A wheel message every so many seconds, four numbers of 16 bits with the high byte first, 1/64 km/h a step. */
const [EVERY_S, STEP_KMH, NO_VALUE] = [0.04, 1 / 64, 0xffff];
const [WHEELS, ENGINE, DIALS] = [0x214, 0x0c8, 0x320];
/** Between two values further apart than this nothing was rolled through. */
const JUMP_KMH = 5;

/** A drive of the simulated car as a logger at its bus writes it, among other messages; null on a real car. */
export function simulatedBus(job: Job): string | null {
  const log = driveSimulated(job);
  if (!log) return null;
  const random = seeded((job.simulated?.seed ?? 1) + 77);
  const lines: string[] = [];
  const frame = (timeS: number, id: number, words: readonly number[]) => {
    const hex = words.map((word) => Math.round(word).toString(16).toUpperCase().padStart(4, "0")).join("");
    lines.push(`(${timeS.toFixed(6)}) can0 ${id.toString(16).toUpperCase().padStart(3, "0")}#${hex}`);
  };
  let count = 0;
  for (let timeS = log.timeS[0]!; timeS < log.timeS.at(-1)!; timeS += EVERY_S) {
    const speeds = corners.map((corner) => speedAt(log, corner, timeS));
    const car = Math.max(0, ...speeds.filter((speed) => !Number.isNaN(speed)));
    frame(
      timeS,
      WHEELS,
      speeds.map((speed) => (Number.isNaN(speed) ? NO_VALUE : speed / STEP_KMH)),
    );
    frame(timeS + 0.002, ENGINE, [820 + 38 * car, count++ % 0xffff, random() * 0xffff]);
    frame(timeS + 0.004, DIALS, [car * 100, 0x5a58]);
  }
  return lines.join("\n");
}

function speedAt({ timeS, speedKmh }: ScanLog, corner: (typeof corners)[number], at: number): number {
  const next = Math.max(
    1,
    timeS.findIndex((time) => time > at),
  );
  const [before, after] = [speedKmh[corner][next - 1]!, speedKmh[corner][next]!];
  const along = (at - timeS[next - 1]!) / (timeS[next]! - timeS[next - 1]!);
  return Math.abs(after - before) < JUMP_KMH ? before + along * (after - before) : before;
}
