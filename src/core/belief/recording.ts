import type { Hookup } from "../checks/hookup";
import { seenShare } from "../observation/seen-share";
import type { Candidates } from "./candidates";

/** Whether a reading is of another channel of the recording that was read last. */
export function isBeside({ recording }: Candidates, { state }: Hookup): boolean {
  return recording !== undefined && state.recording === recording.name;
}

/** Chance that a hook-up meets a candidate's fault while it is there: what the other channels of its recording say of it, else by its duty. */
export function cameShare(candidates: Candidates, hookup: Hookup, row: number): number {
  return isBeside(candidates, hookup) ? candidates.recording!.came[row]! : seenShare(hookup, candidates.duty[row]!);
}

/** The chance that the fault came, by candidate, as a reading is about to say more of it; null for one of no recording with a name. */
export function cameBefore(candidates: Candidates, hookup: Hookup): Float64Array | null {
  if (hookup.state.recording === undefined) return null;
  return Float64Array.from({ length: candidates.count }, (_, row) => cameShare(candidates, hookup, row));
}

/** Keeps what a reading said of its recording. @param came by candidate, the reading weighed in */
export function keepRecording(candidates: Candidates, hookup: Hookup, came: Float64Array | null): void {
  const { recording: name } = hookup.state;
  if (name === undefined || came === null) return;
  const channels = isBeside(candidates, hookup) ? candidates.recording!.channels + 1 : 1;
  candidates.recording = { name, channels, came };
}

/** Chance that the fault came, given two of its signs that lean on it alike. @param before the chance without either */
export function bothSigns(before: number, one: number, other: number): number {
  if (before <= 0 || before >= 1) return before;
  const odds = (one / (1 - one)) * (other / (1 - other)) * ((1 - before) / before);
  return Number.isFinite(odds) ? odds / (1 + odds) : Math.max(one, other);
}
