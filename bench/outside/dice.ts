/** Random numbers of the outside worlds: a 32-bit xorshift (G. Marsaglia, Journal of Statistical Software 8(14), 2003), no code of ours. */
export interface Dice {
  between(from: number, to: number): number;
  log(from: number, to: number): number;
  chance(share: number): boolean;
  whole(from: number, to: number): number;
  pick<T>(all: readonly T[]): T;
  gauss(): number;
}

export function dice(seed: number): Dice {
  let x = (seed ^ 0x9e3779b9) | 0 || 1;
  const next = () => {
    x ^= x << 13;
    x ^= x >>> 17;
    x ^= x << 5;
    return (x >>> 0) / 4294967296;
  };
  for (let i = 0; i < 12; i++) next();
  const between = (from: number, to: number) => from + (to - from) * next();
  return {
    between,
    log: (from, to) => from * (to / from) ** next(),
    chance: (share) => next() < share,
    whole: (from, to) => from + Math.floor(next() * (to - from + 1)),
    pick: (all) => all[Math.floor(next() * all.length)]!,
    gauss: () => {
      let sum = 0;
      for (let i = 0; i < 12; i++) sum += next();
      return sum - 6;
    },
  };
}
