/** Captures made without the app's own car: angle by integration, edges by angle, a front end with noise and a converter. */

export const defects = [
  "clean",
  "missing-pulses",
  "cracked-ring",
  "odd-tooth",
  "eccentric",
  "random-dropout",
  "low-amplitude",
  "noise-at-rest",
  "interference",
  "probe-spike",
  "duty-shift",
  "level-out-of-window",
] as const;
export type Defect = (typeof defects)[number];

export interface Made {
  samples: Float32Array;
  rate: number;
  pulses: number;
  passive: boolean;
  defect: Defect;
  /** Tooth (from 1, by order of passing) for ring defects. */
  tooth: number | null;
  medianKmh: number;
}

const CIRCUMFERENCE_M = 1.927;

/** Xorshift, so that nothing is shared with the app's generator. */
export function xorshift(seed: number): () => number {
  let state = seed | 0 || 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 4294967296;
  };
}

export function makeWave(seed: number): Made {
  const random = xorshift(Math.imul(seed + 1, 2654435761));
  for (let i = 0; i < 20; i++) random();
  const between = (a: number, b: number) => a + (b - a) * random();
  const gauss = () => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());
  const passive = random() < 0.4;
  const fitting = defects.filter(
    (one) =>
      !(passive && (one === "duty-shift" || one === "level-out-of-window" || one === "interference")) &&
      !(!passive && (one === "odd-tooth" || one === "low-amplitude")),
  );
  const defect = fitting[Math.floor(random() * fitting.length)]!;
  const pulses = [43, 44, 46, 47, 48, 50, 52, 60, 29, 36][Math.floor(random() * 10)]!;
  const decay = random() < 0.6;
  const startTurnsPerS = decay ? between(0.9, 1.7) : between(0.8, 2.2);
  const rateWanted = Math.exp(between(Math.log(5000), Math.log(60_000)));
  const rate = Math.round(Math.max(rateWanted, 14 * pulses * startTurnsPerS));
  const seconds = between(4.2, 7);
  const samples = new Float32Array(Math.round(rate * seconds));
  const tau = between(3.5, 9);
  const bits = 8 + Math.floor(random() * 5);
  const snrDb = between(16, 38);
  const pitchWobble = Array.from({ length: pulses }, () => 0.004 * gauss());
  const tooth = Math.floor(random() * pulses);
  const missing = defect === "missing-pulses" ? 1 + Math.floor(random() * 3) : 0;
  const crack = defect === "cracked-ring" ? between(0.16, 0.42) : 0;
  const oddHeight = defect === "odd-tooth" ? (random() < 0.5 ? between(0.35, 0.65) : between(1.4, 1.7)) : 1;
  const wave = defect === "eccentric" ? between(0.05, 0.13) : 0.004;
  const duty =
    defect === "duty-shift" ? (random() < 0.5 ? between(0.18, 0.3) : between(0.7, 0.82)) : between(0.46, 0.54);
  const ohms = between(35, 250);
  let low = (between(6.3, 7.7) * ohms) / 1000;
  let high = low * between(1.9, 2.2);
  if (defect === "level-out-of-window")
    [low, high] = random() < 0.5 ? [low * between(1.4, 1.7), high] : [low, high * between(1.35, 1.9)];
  const size = defect === "low-amplitude" ? between(0.1, 0.32) : between(0.75, 1.4);
  const gaps: [number, number][] =
    defect === "random-dropout"
      ? Array.from({ length: 3 + Math.floor(random() * 5) }, () => {
          const from = between(0.1, seconds - 0.3);
          return [from, from + between(0.03, 0.14)];
        })
      : [];
  const step = passive ? 0.65 * size : high - low;
  const noise = (defect === "interference" ? between(0.07, 0.13) * step : step * 10 ** (-snrDb / 20) * 0.35) || 0.001;
  const heights = Array.from({ length: pulses }, () => 1 + 0.015 * gauss());
  // Tooth borders by angle; a crack opens one gap at the cost of the next.
  const borders = [0];
  for (let t = 0; t < pulses; t++)
    borders.push(
      borders[t]! + 1 + pitchWobble[t]! + (t === tooth ? crack : t === (tooth + 1) % pulses ? -0.55 * crack : 0),
    );
  const whole = borders[pulses]!;
  let turns = random();
  const speeds: number[] = [];
  let passed = -1;
  let toothOfFirstPulse = -1;
  for (let i = 0; i < samples.length; i++) {
    const t = i / rate;
    const speed = decay ? startTurnsPerS * Math.exp(-t / tau) : startTurnsPerS * (1 + 0.06 * Math.sin(0.9 * t + seed));
    turns += (speed * (1 + wave * Math.sin(2 * Math.PI * turns))) / rate;
    const angle = (turns - Math.floor(turns)) * whole;
    let at = Math.min(pulses - 1, Math.floor(angle));
    while (at > 0 && borders[at]! > angle) at--;
    while (at < pulses - 1 && borders[at + 1]! <= angle) at++;
    const phase = (angle - borders[at]!) / (borders[at + 1]! - borders[at]!);
    const gone = missing > 0 && (at - tooth + pulses) % pulses < missing;
    // Teeth are counted from the first that gives a pulse: one that is gone cannot be the first.
    if (passed >= 0 && at !== passed && toothOfFirstPulse < 0 && !gone) toothOfFirstPulse = at;
    // One speed a tooth, as a reader of periods sees it.
    if (at !== passed) speeds.push(speed * CIRCUMFERENCE_M * 3.6);
    passed = at;
    const lost = gaps.some(([from, to]) => t >= from && t < to);
    const kmh = speed * CIRCUMFERENCE_M * 3.6;
    let value: number;
    if (defect === "noise-at-rest") value = 0.05 * gauss();
    else if (passive)
      value =
        gone || lost
          ? 0
          : ((Math.SQRT2 * 0.65 * kmh) / 8.047) *
            size *
            heights[at]! *
            (at === tooth ? oddHeight : 1) *
            Math.sin(2 * Math.PI * phase);
    else value = lost ? 0.02 : gone ? low : phase < duty ? high : low;
    samples[i] = value + noise * gauss();
  }
  if (defect === "probe-spike") {
    const at = Math.floor(between(0.2, 0.8) * samples.length);
    const peak = (passive ? 6 * step : high + 4 * step) * (random() < 0.5 ? 1 : -1);
    for (let i = at; i < at + Math.max(2, Math.round(0.0007 * rate)); i++) samples[i] = peak;
  }
  quantise(samples, bits);
  return {
    samples,
    rate,
    pulses,
    passive,
    defect,
    tooth:
      defect === "missing-pulses" || defect === "cracked-ring" || defect === "odd-tooth"
        ? ((tooth - toothOfFirstPulse + pulses) % pulses) + 1
        : null,
    medianKmh: middle(speeds),
  };
}

function middle(values: number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const half = (sorted.length - 1) / 2;
  return ((sorted[Math.floor(half)] ?? 0) + (sorted[Math.ceil(half)] ?? 0)) / 2;
}

function quantise(samples: Float32Array, bits: number): void {
  const sorted = samples.slice().sort();
  const [least, most] = [sorted[0]!, sorted.at(-1)!];
  const step = ((most - least) * 1.15) / 2 ** bits || 1;
  for (let i = 0; i < samples.length; i++) samples[i] = Math.round(samples[i]! / step) * step;
}
