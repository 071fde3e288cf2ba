import { dice, type Dice } from "./dice";

/**
 * Recordings by closed formulas, as somebody with a short script would make them: an angle over time, a pulse shape over
 * the angle, faults laid over it, then an instrument's samples written as text. Shares nothing with src/core, nor with
 * the recordings made from fields.
 */
export const plainDefects = [
  "clean",
  "missing-pulses",
  "cracked-ring",
  "odd-tooth",
  "eccentric",
  "random-dropout",
  "supply-dip",
  "noise-at-rest",
  "interference",
  "low-amplitude",
  "duty-shift",
  "level-out-of-window",
  "key-on-transient",
  "probe-spike",
] as const;
export type PlainDefect = (typeof plainDefects)[number];
export type PlainFamily = "active-2wire" | "active-3wire" | "passive";

export interface PlainRecording {
  family: PlainFamily;
  defect: PlainDefect;
  motion: Motion;
  teeth: number;
  rateHz: number;
  file: string;
  text: string;
}

const motions = ["steady", "swept", "hand", "two-spins"] as const;
type Motion = (typeof motions)[number];

const ONLY: Partial<Record<PlainDefect, readonly PlainFamily[]>> = {
  "noise-at-rest": ["passive"],
  "low-amplitude": ["passive"],
  "odd-tooth": ["passive"],
  "supply-dip": ["active-2wire", "active-3wire"],
  "duty-shift": ["active-2wire", "active-3wire"],
  "key-on-transient": ["active-2wire", "active-3wire"],
  "level-out-of-window": ["active-2wire"],
};

export function plainRecording(seed: number, wanted?: PlainDefect): PlainRecording {
  const d = dice(seed * 6007 + 101);
  const defect = wanted ?? d.pick(plainDefects);
  const family = d.pick(ONLY[defect] ?? (["active-2wire", "active-3wire", "passive"] as const));
  const motion = d.pick(motions);
  const teeth = d.pick([40, 43, 44, 48, 48, 48, 50, 52, 60]);
  const lengthS = d.between(4, 8);
  const fine = 1 / Math.max(20_000, 1.5e5 / lengthS);
  const turns = angle(motion, d, Math.round(lengthS / fine), fine);
  const fastest = turns.reduce((most, at, i) => Math.max(most, i > 0 ? (at - turns[i - 1]!) / fine : 0), 0) * teeth;
  const rateHz = d.log(Math.max(800, 8 * fastest), Math.max(60_000, 16 * fastest));
  const signal = shape(d, defect, family, teeth, turns, fine);
  const supply =
    family !== "passive" && (defect === "supply-dip" || d.chance(0.15)) ? usualSupply(d, turns.length) : null;
  overlay(d, defect, family, signal, supply, turns, teeth, fine);
  const channels = [measured(d, signal, fine, rateHz), ...(supply ? [measured(d, supply, fine, rateHz)] : [])];
  return { family, defect, motion, teeth, rateHz, ...written(d, channels, rateHz) };
}

/** Turns of the wheel on a fine grid. */
function angle(motion: Motion, d: Dice, steps: number, stepS: number): Float64Array {
  const out = new Float64Array(steps);
  const top = d.between(0.8, 2.2);
  const T = steps * stepS;
  const bursts =
    motion === "two-spins"
      ? [
          [0.08 * T, 0.42 * T],
          [0.55 * T, 0.93 * T],
        ]
      : [[d.between(0.05, 0.15) * T, d.between(0.75, 0.95) * T]];
  const speed = (t: number): number => {
    if (motion === "steady") return top;
    if (motion === "swept") return top * (0.6 + (1.8 * t) / T);
    for (const [from, until] of bursts as [number, number][]) {
      if (t < from || t > until) continue;
      const x = (t - from) / (until - from);
      // Up in the first seventh, then running out; a few teeth back at the end.
      if (x < 0.14) return top * Math.sin((Math.PI / 2) * (x / 0.14));
      if (x > 0.97) return -0.06 * top * Math.sin((Math.PI * (x - 0.97)) / 0.03);
      return top * (1 - (x - 0.14) / 0.83) ** 0.8;
    }
    return 0;
  };
  let at = d.between(0, 1);
  for (let i = 0; i < steps; i++) {
    out[i] = at;
    at += speed(i * stepS) * stepS;
  }
  return out;
}

function shape(
  d: Dice,
  defect: PlainDefect,
  family: PlainFamily,
  teeth: number,
  turns: Float64Array,
  stepS: number,
): Float64Array {
  const bad = d.whole(0, teeth - 1);
  const lost = defect === "missing-pulses" ? d.whole(1, 3) : 0;
  const step = defect === "cracked-ring" ? d.between(0.2, 0.4) * (d.chance(0.5) ? 1 : -1) : 0;
  const swing = defect === "eccentric" ? d.between(0.45, 0.9) : d.between(0, 0.03);
  const duty = defect === "duty-shift" ? d.pick([0.28, 0.72]) : d.between(0.46, 0.54);
  const low = family === "active-2wire" ? d.log(0.35, 1.6) : d.between(0.1, 0.35);
  const ratio = defect === "level-out-of-window" ? d.pick([1.35, 3.2]) : d.between(1.92, 2.15);
  const high = family === "active-2wire" ? low * ratio : d.pick([5, 5, 11.6]);
  const parked = d.chance(0.5) ? low : high;
  const odd = d.pick([0.45, 1.6]);
  const volts = (defect === "low-amplitude" ? d.between(0.1, 0.35) : d.between(0.75, 1.5)) * 0.57 * Math.SQRT2;
  const out = new Float64Array(turns.length);
  for (let i = 0; i < turns.length; i++) {
    const at = turns[i]!;
    const turn = at - Math.floor(at);
    // An eccentric ring: its teeth stand closer on one side. swing is in teeth.
    let place =
      turn * teeth + (defect === "eccentric" ? (swing * teeth) / (2 * Math.PI) / 12 : 0) * Math.sin(2 * Math.PI * turn);
    // A crack gapes: one pitch is longer by the step, the others share what is left of the turn.
    if (step !== 0) {
      const cells = teeth + step;
      const along = turn * cells;
      const gap = 1 + step;
      place = along < bad ? along : along < bad + gap ? bad + (along - bad) / gap : along - step;
    }
    const tooth = ((Math.floor(place) % teeth) + teeth) % teeth;
    const through = place - Math.floor(place);
    const gone = lost > 0 && (tooth - bad + teeth) % teeth < lost;
    if (family === "passive") {
      const hz = i > 0 ? (turns[i]! - turns[i - 1]!) / stepS : 0;
      const size = defect === "eccentric" ? 1 + swing * 0.6 * Math.sin(2 * Math.PI * turn) : 1;
      out[i] = gone
        ? 0
        : volts * hz * size * (defect === "odd-tooth" && tooth === bad ? odd : 1) * Math.sin(2 * Math.PI * through);
    } else out[i] = gone ? parked : through < duty ? high : low;
  }
  return out;
}

function usualSupply(d: Dice, steps: number): Float64Array {
  return new Float64Array(steps).fill(d.between(9.8, 12.6));
}

/** What comes over a recording from outside the ring. */
function overlay(
  d: Dice,
  defect: PlainDefect,
  family: PlainFamily,
  signal: Float64Array,
  supply: Float64Array | null,
  turns: Float64Array,
  teeth: number,
  stepS: number,
): void {
  const moving = (from: number, until: number) => (turns[until]! - turns[from]!) * teeth > 3;
  const stretches = (count: number, shortS: number, longS: number): [number, number][] => {
    const found: [number, number][] = [];
    for (let tries = 0; found.length < count && tries < 500; tries++) {
      const from = d.whole(1, signal.length - 2 - Math.round(longS / stepS));
      const until = from + Math.round(d.between(shortS, longS) / stepS);
      if (moving(from, until)) found.push([from, until]);
    }
    return found;
  };
  if (defect === "random-dropout") {
    const level = family === "passive" || d.chance(0.6) ? 0 : 11.8;
    for (const [from, until] of stretches(d.whole(3, 8), 0.05, 0.16)) signal.fill(level, from, until);
  }
  if (defect === "supply-dip")
    for (const [from, until] of stretches(d.whole(1, 3), 0.06, 0.2)) {
      supply!.fill(d.between(0.5, 4), from, until);
      signal.fill(0, from, until);
    }
  if (defect === "noise-at-rest") for (let i = 0; i < signal.length; i++) signal[i] = d.between(0.05, 0.12) * d.gauss();
  if (defect === "interference") {
    const size =
      family === "passive"
        ? 0.5
        : 0.45 * (signal.reduce((a, b) => Math.max(a, b)) - signal.reduce((a, b) => Math.min(a, b)));
    for (let i = 0; i < signal.length; i++) signal[i]! += size * d.gauss();
  }
  if (defect === "key-on-transient") {
    const at = Math.round(d.between(0.1, 0.3) * signal.length);
    signal.fill(0, 0, at);
    supply?.fill(0, 0, at);
  }
  if (defect === "probe-spike")
    for (let n = d.whole(1, 2); n > 0; n--) {
      const at = d.whole(10, signal.length - 40);
      for (let i = 0; i < 30; i++) signal[at + i]! += (family === "passive" ? 6 : 9) * Math.exp(-i / 8);
    }
}

function measured(d: Dice, volts: Float64Array, stepS: number, rateHz: number): Float64Array {
  const size = volts.reduce((most, one) => Math.max(most, Math.abs(one)), 0.05);
  const range = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50].find((one) => one >= size) ?? 50;
  const bit = (2 * range) / 2 ** d.pick([8, 10, 12, 16]);
  const noise = d.log(0.0005, 0.008) * range;
  return Float64Array.from({ length: Math.floor(volts.length * stepS * rateHz) }, (_, i) => {
    const v = volts[Math.min(volts.length - 1, Math.round(i / rateHz / stepS))]!;
    return Math.round((v + noise * d.gauss()) / bit) * bit;
  });
}

/** As somebody's program writes it. */
export function written(d: Dice, channels: Float64Array[], rateHz: number): { file: string; text: string } {
  const names = ["signal", "supply"].slice(0, channels.length);
  const rows = (join: string, time: (i: number) => string, value: (v: number) => string) =>
    Array.from({ length: channels[0]!.length }, (_, i) =>
      [time(i), ...channels.map((one) => value(one[i]!))].join(join),
    );
  const comma = (text: string) => text.replace(".", ",");
  const style = d.whole(0, 5);
  if (style === 0)
    return {
      file: "a.csv",
      text: [
        `Time (s),${names.map((n) => `${n} (V)`).join(",")}`,
        ...rows(
          ",",
          (i) => (i / rateHz).toFixed(7),
          (v) => v.toFixed(4),
        ),
      ].join("\n"),
    };
  if (style === 1)
    return {
      file: "b.csv",
      text: [
        `Zeit;${names.join(";")}`,
        `(ms);${names.map(() => "(V)").join(";")}`,
        "",
        ...rows(
          ";",
          (i) => comma(((1000 * i) / rateHz).toFixed(5)),
          (v) => comma(v.toFixed(4)),
        ),
      ].join("\r\n"),
    };
  if (style === 2)
    return {
      file: "c.txt",
      text: rows(
        "\t",
        (i) => (i / rateHz).toExponential(8),
        (v) => v.toExponential(4),
      ).join("\n"),
    };
  if (style === 5)
    return {
      file: "f.csv",
      text: [
        `sample,time_us,${names.map((n) => `${n}_V`).join(",")}`,
        ...rows(
          ",",
          (i) => `${i},${((1e6 * i) / rateHz).toFixed(2)}`,
          (v) => v.toFixed(5),
        ),
      ].join("\n"),
    };
  if (style === 3)
    return {
      file: "d.csv",
      text: [
        `# logger export`,
        `# rate ${rateHz.toFixed(3)} Hz`,
        `t_ms,${names.map((n) => `${n}_mV`).join(",")}`,
        ...rows(
          ",",
          (i) => ((1000 * i) / rateHz).toFixed(5),
          (v) => (1000 * v).toFixed(1),
        ),
      ].join("\n"),
    };
  return {
    file: "e.csv",
    text: [
      `time,${names.join(",")}`,
      `s,${names.map(() => "V").join(",")}`,
      ...rows(
        ",",
        (i) => String(-0.5 + i / rateHz),
        (v) => String(v),
      ),
    ].join("\n"),
  };
}
