import { dice, type Dice } from "./dice";

/**
 * Recordings of wheels turned by hand: a torque in sine-shaped pushes against bearing drag, integrated step by step; let run
 * out, gripped again, rocked back by its own springs at the stop. Poles with their own places, an active sensor's two levels
 * or a coil's wave by the slope of its flux, a feed beside it, its key turned in the middle; losses of any length, up to most
 * of the recording. Written by a fourth hand; shares nothing with src/core.
 */
export const handKinds = [
  "clean",
  "rocked",
  "key-on",
  "missing-pulses",
  "eccentric",
  "random-dropout",
  "supply-dip",
  "low-amplitude",
] as const;
export type HandKind = (typeof handKinds)[number];

export interface HandSpin {
  kind: HandKind;
  family: "active-2wire" | "active-3wire" | "passive";
  poles: number;
  turns: number;
  sampleS: number;
  channels: { name: string; unit: "V"; samples: Float32Array }[];
}

const STEP_S = 1 / 10_000;

export function handSpin(seed: number, wanted?: HandKind): HandSpin {
  const d = dice(seed * 6007 + 17);
  const kind = wanted ?? d.pick(handKinds);
  const fed = kind === "key-on" || kind === "supply-dip";
  const family =
    kind === "low-amplitude"
      ? "passive"
      : d.pick(
          fed ? (["active-2wire", "active-3wire"] as const) : (["active-2wire", "active-3wire", "passive"] as const),
        );
  const poles = d.pick([29, 36, 43, 44, 48, 48, 48, 50, 52, 60]);
  const isRing = kind === "missing-pulses" || kind === "eccentric";
  const turned = spun(d, d.between(isRing ? 7 : 3, isRing ? 14 : 9), kind === "rocked");
  const ring = ringOf(d, poles, kind);
  const wave = turned.map((turns) => ring(turns));
  const channels = family === "passive" ? coils(d, turned, wave, kind) : active(d, turned, wave, family, kind);
  return {
    kind,
    family,
    poles,
    turns: turned.at(-1)! - turned[0]!,
    sampleS: STEP_S,
    channels: channels.map(([name, samples]) => ({ name, unit: "V", samples: measured(d, samples) })),
  };
}

/** Turns passed at each step: pushes against drag; the last one left to run out and rocked back, or never stopped. */
function spun(d: Dice, lengthS: number, rocked: boolean): number[] {
  const pushes: { atS: number; lengthS: number; push: number }[] = [];
  const until = rocked ? d.between(0.45, 0.65) * lengthS : lengthS;
  for (let atS = rocked ? d.between(0.3, 1) : 0; atS < until; atS += d.between(0.8, 2.5))
    pushes.push({ atS, lengthS: d.between(0.12, 0.3), push: d.between(3, 9) });
  const [viscous, rubbing] = [d.between(0.1, 0.4), d.between(0.05, 0.35)];
  const [swing, rate, fading] = [d.between(0.02, 0.08), 2 * Math.PI * d.between(0.8, 1.6), d.between(1.2, 2.5)];
  let [speed, at, stoppedS] = [rocked ? 0 : d.between(0.6, 1.6), d.between(0, 1), NaN];
  const out: number[] = [];
  for (let i = 0; i < lengthS / STEP_S; i++) {
    const now = i * STEP_S;
    const push = pushes.find((one) => now >= one.atS && now < one.atS + one.lengthS);
    const pushed = push ? push.push * Math.sin((Math.PI * (now - push.atS)) / push.lengthS) : 0;
    speed = Math.max(rocked ? 0 : 0.3, speed + (pushed - viscous * speed - rubbing) * STEP_S);
    if (rocked && speed === 0 && now > until && Number.isNaN(stoppedS)) stoppedS = now;
    const since = now - stoppedS;
    const back = since > 0 ? swing * Math.exp(-fading * since) * (Math.cos(rate * since) - 1) : 0;
    at += speed * STEP_S;
    out.push(at + back);
  }
  return out;
}

/** Where over the ring's poles the sensor stands: 1 over a pole's middle, −1 between two, less where poles are gone. */
function ringOf(d: Dice, poles: number, kind: HandKind): (turns: number) => number {
  const place = Array.from({ length: poles }, (_, i) => i + 0.01 * (d.between(-1, 1) + d.between(-1, 1)));
  const gone = kind === "missing-pulses" ? d.pick([1, 2, 3, 5]) : 0;
  const runout = kind === "eccentric" ? d.between(0.04, 0.09) : 0;
  const turn = d.between(0, 2 * Math.PI);
  return (turns) => {
    const share = ((turns % 1) + 1) % 1;
    const along =
      (((share * poles + (runout * poles * Math.sin(2 * Math.PI * share + turn)) / (2 * Math.PI)) % poles) + poles) %
      poles;
    const near = Math.round(along);
    let away = 1;
    for (const pole of [near - 1, near, near + 1]) {
      const own = ((pole % poles) + poles) % poles;
      const off = Math.abs(((along - place[own]! + 1.5 * poles) % poles) - poles / 2);
      if (own >= gone) away = Math.min(away, off);
    }
    return away > 0.5 ? -1 : Math.cos(2 * Math.PI * away);
  };
}

type Named = [name: string, samples: Float64Array];

function coils(d: Dice, turned: readonly number[], wave: readonly number[], kind: HandKind): Named[] {
  // 0.65 V RMS at 55.7 Hz, some makes less, some twice.
  const perSlope = 0.0026 * d.between(0.7, 2);
  const good = Float64Array.from(wave, (value, i) => perSlope * ((value - (wave[i - 1] ?? value)) / STEP_S));
  if (kind === "random-dropout") lose(d, turned, (from, to) => good.fill(0, from, to));
  if (kind !== "low-amplitude") return [["signal", good]];
  const weak = d.between(0.2, 0.45);
  return [
    ["left", good.map((value) => value * weak)],
    ["right", good],
  ];
}

function active(
  d: Dice,
  turned: readonly number[],
  wave: readonly number[],
  family: "active-2wire" | "active-3wire",
  kind: HandKind,
): Named[] {
  const twoWire = family === "active-2wire";
  const lowV = twoWire ? 0.007 * d.between(40, 250) : d.between(0.1, 0.4);
  const highV = twoWire ? lowV * d.between(1.92, 2.15) : d.pick([5, 12]);
  const signal = Float64Array.from(wave, (value) => (value > 0 ? highV : lowV));
  const supplyV = twoWire ? d.between(10.2, 12.2) : d.pick([5, 8, 12]);
  const supply = signal.map(() => supplyV);
  if (kind === "random-dropout") lose(d, turned, (from, to) => signal.fill(0, from, to));
  if (kind === "supply-dip")
    lose(d, turned, (from, to) => {
      supply.fill(0.2 * supplyV, from, to);
      signal.fill(0, from, to);
    });
  if (kind === "key-on") {
    const [from, rise] = [
      Math.floor(d.between(0.15, 0.4) * signal.length),
      Math.floor(d.between(0.002, 0.04) / STEP_S),
    ];
    signal.fill(0, 0, from);
    for (let i = 0; i < from + rise; i++) supply[i] = i < from ? 0 : (supplyV * (i - from)) / rise;
  }
  return kind === "key-on" || kind === "supply-dip" || d.chance(0.3)
    ? [
        ["signal", signal],
        ["supply", supply],
      ]
    : [["signal", signal]];
}

/** One to four losses, each of one pole and a half up to twenty, while the wheel turns. */
function lose(d: Dice, turned: readonly number[], gone: (from: number, to: number) => void): void {
  for (let k = d.pick([1, 2, 3, 4]); k > 0; k--) {
    const from = Math.floor(d.between(0.1, 0.75) * turned.length);
    const until = turned[from]! + d.between(1.5, 20) / 48;
    const to = turned.findIndex((turns, i) => i > from && turns > until);
    gone(from, to < 0 ? turned.length : to);
  }
}

/** Noise of some parts in a thousand, and a converter of eight to twelve bits. */
function measured(d: Dice, samples: Float64Array): Float32Array {
  const most = samples.reduce((top, value) => Math.max(top, Math.abs(value)), 0.1);
  const step = (2.4 * most) / 2 ** d.pick([8, 10, 12]);
  return Float32Array.from(
    samples,
    (value) => step * Math.round((value + 0.003 * most * (d.between(-1, 1) + d.between(-1, 1))) / step),
  );
}
