/** Teeth side by side as one run each: [9, 10, 11, 25] is 9 to 11, and 25. @param teeth in the order of the ring */
export function toothRuns(teeth: readonly number[]): [from: number, to: number][] {
  const runs: [number, number][] = [];
  for (const tooth of teeth) {
    const last = runs.at(-1);
    if (last && tooth === last[1] + 1) last[1] = tooth;
    else runs.push([tooth, tooth]);
  }
  return runs;
}

/** What a run is called. */
export function runName([from, to]: readonly [number, number]): string {
  return from === to ? String(from) : `${from}–${to}`;
}
