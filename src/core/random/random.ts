/** A seeded source of uniform numbers in [0, 1). Same seed, same numbers, on any machine. */
export type Random = () => number;

/** Mulberry32 (T. Ettinger, public domain): 32-bit state, good enough for drawing cars, never for secrets. */
export function seeded(seed: number): Random {
  let state = seed | 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A 32-bit seed from any text (FNV-1a), so that a job's id seeds its line-up. */
export function seedFrom(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}

/** One standard normal number (Box and Muller, 1958). */
export function normal(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** Standard normal score of a probability (Abramowitz and Stegun 26.2.23, error under 4.5e-4). */
export function normalScore(probability: number): number {
  const tail = Math.min(probability, 1 - probability);
  const t = Math.sqrt(-2 * Math.log(tail));
  const z =
    t - (2.515517 + 0.802853 * t + 0.010328 * t * t) / (1 + 1.432788 * t + 0.189269 * t * t + 0.001308 * t * t * t);
  return probability < 0.5 ? -z : z;
}
