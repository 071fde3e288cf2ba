/** A trace thinned for drawing: the least and greatest sample of each stretch, so that no spike is lost. */
export type ThinTrace = [timeS: number, value: number][];

/** Thins samples to about `points` points by minimum and maximum of equal stretches. */
export function thin(samples: Float32Array, sampleS: number, startS: number, points: number): ThinTrace {
  const stretch = Math.max(1, Math.ceil((2 * samples.length) / points));
  const out: ThinTrace = [];
  for (let from = 0; from < samples.length; from += stretch) {
    let [least, most] = [from, from];
    for (let i = from; i < Math.min(samples.length, from + stretch); i++) {
      if (samples[i]! < samples[least]!) least = i;
      if (samples[i]! > samples[most]!) most = i;
    }
    for (const i of least < most ? [least, most] : least > most ? [most, least] : [least])
      out.push([startS + i * sampleS, samples[i]!]);
  }
  return out;
}
