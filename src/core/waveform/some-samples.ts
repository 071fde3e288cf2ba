/** Levels, shares and histograms need no more samples than this. */
const ENOUGH = 200_000;
/** The golden ratio's fraction: places it strides to never fall into step with a signal. */
const GOLDEN = 0.6180339887498949;

/**
 * All samples of a short recording; of a long one `enough`, spread evenly over it but never in step with what repeats
 * in it: every hundredth sample of a wave of ten samples would show but one place of it.
 */
export function someSamples(samples: Float32Array, enough = ENOUGH): Float32Array {
  if (samples.length <= enough) return samples;
  const known = enough === ENOUGH ? taken.get(samples) : undefined;
  if (known) return known;
  const some = somePlaces(samples.length, enough, Float32Array, (at) => samples[at]!);
  if (enough === ENOUGH) taken.set(samples, some);
  return some;
}

/** Sizes of the second differences at some places, each over three neighbours. */
export function someSecondDifferences(samples: Float32Array, enough: number): Float64Array {
  return somePlaces(Math.max(0, samples.length - 2), enough, Float64Array, (at) =>
    Math.abs(samples[at]! - 2 * samples[at + 1]! + samples[at + 2]!),
  );
}

function somePlaces<Values extends Float32Array | Float64Array>(
  length: number,
  enough: number,
  Kind: new (length: number) => Values,
  value: (at: number) => number,
): Values {
  const count = Math.min(length, enough);
  const stride = length / count;
  const out = new Kind(count);
  for (let k = 0; k < count; k++)
    out[k] = value(count === length ? k : Math.min(length - 1, Math.floor((k + ((k * GOLDEN) % 1)) * stride)));
  return out;
}

/** One recording is asked about many times over in an analysis. */
const taken = new WeakMap<Float32Array, Float32Array>();
