/** Least and greatest of each of so many equal stretches; NaN where one holds no sample. */
export interface Columns {
  least: Float32Array;
  greatest: Float32Array;
}

/**
 * A trace as a screen shows it: least and greatest of what falls on each column of dots, so that no spike is lost and no
 * beat of dots with samples is drawn. Each column reaches to where the one before it ended, so that edges are whole.
 */
export function columnsOf(samples: Float32Array, count: number): Columns {
  const [least, greatest] = [new Float32Array(count).fill(NaN), new Float32Array(count).fill(NaN)];
  let before = NaN;
  for (let column = 0; column < count; column++) {
    const from = Math.floor((column * samples.length) / count);
    const to = Math.floor(((column + 1) * samples.length) / count);
    if (to === from) continue;
    let [low, high] = Number.isNaN(before) ? [Infinity, -Infinity] : [before, before];
    for (let i = from; i < to; i++) {
      const value = samples[i]!;
      if (value < low) low = value;
      if (value > high) high = value;
    }
    [least[column], greatest[column]] = [low, high];
    before = samples[to - 1]!;
  }
  return { least, greatest };
}
