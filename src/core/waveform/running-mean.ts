/** The mean of each sample and those about it. @param width an odd number of samples; fewer at the ends */
export function runningMean(samples: Float32Array, width: number): Float32Array {
  const half = width >> 1;
  const out = new Float32Array(samples.length);
  let sum = 0;
  let count = 0;
  for (let i = -half; i < samples.length; i++) {
    if (i + half < samples.length) {
      sum += samples[i + half]!;
      count++;
    }
    if (i - half - 1 >= 0) {
      sum -= samples[i - half - 1]!;
      count--;
    }
    if (i >= 0) out[i] = sum / count;
  }
  return out;
}
