import { dice, type Dice } from "./dice";
import { motions, wheelMotion, type Motion, type MotionKind } from "./motion";

/**
 * Recordings made from fields and motion, not from pulse lists: a pole field turns past a sensor that switches with
 * hysteresis (active) or differentiates it (passive, Faraday's law); then an instrument samples, filters and quantises
 * it. Shares no code with src/core.
 */
export const defects = [
  "clean",
  "missing-pulses",
  "cracked-ring",
  "odd-tooth",
  "random-dropout",
  "low-amplitude",
  "noise-at-rest",
  "supply-dip",
  "key-on-transient",
] as const;
export type Defect = (typeof defects)[number];
export const sensors = ["active-2wire", "active-3wire", "passive"] as const;
export type Sensor = (typeof sensors)[number];

export interface Recording {
  sensor: Sensor;
  motion: MotionKind;
  defect: Defect;
  poles: number;
  sampleS: number;
  channels: { name: string; unit: "V"; samples: Float32Array }[];
  /** Poles lost at one place. */
  lost: number;
}

/** Where the level goes while the signal is lost: to nothing, to the supply, or it stays where it stood; drawn where left out. */
export type Goes = "down" | "up" | "nowhere";

/**
 * One recording.
 * @param want what must be in it; drawn where left out. `overV`: the currents are seen under this feed, not over ground
 */
export function recording(
  seed: number,
  want: { defect?: Defect; sensor?: Sensor; motion?: MotionKind; goes?: Goes; overV?: number } = {},
): Recording {
  const d = dice(seed * 7919 + 13);
  const sensor = want.sensor ?? d.pick(sensors);
  const fits = defects.filter(
    (one) =>
      !((one === "odd-tooth" || one === "low-amplitude" || one === "noise-at-rest") && sensor !== "passive") &&
      !((one === "supply-dip" || one === "key-on-transient") && sensor === "passive"),
  );
  const defect = want.defect ?? d.pick(fits);
  const motion = want.motion ?? d.pick(motions);
  const lengthS = d.between(5, 9);
  const poles = d.pick([40, 43, 44, 46, 48, 48, 50, 52]);
  const wheel =
    defect === "noise-at-rest"
      ? { turns: new Float64Array(Math.round(lengthS / 1e-4)), stepS: 1e-4 }
      : wheelMotion(motion, d, lengthS);
  const lost = defect === "missing-pulses" ? d.whole(1, 3) : 0;
  const phase = poleField(d, poles, defect, lost);
  const fastest = motion === "driven" ? 3000 : 900;
  const rate = d.log(Math.max(2500, 6 * fastest), 60_000);
  const volts = sensor === "passive" ? coil(d, wheel, phase, defect) : switched(d, sensor, wheel, phase);
  const supply = defect === "supply-dip" ? disturbSupply(d, wheel, volts) : null;
  if (defect === "random-dropout") loseContact(d, sensor, wheel, volts, want.goes);
  if (defect === "key-on-transient") volts.fill(0, 0, Math.round(d.between(0.15, 0.28) * volts.length));
  if (want.overV !== undefined) for (let i = 0; i < volts.length; i++) volts[i] = want.overV - volts[i]!;
  if (sensor !== "passive" && d.chance(0.5)) filter(volts, d.log(1e-5, 8e-5) / wheel.stepS);
  const channels = [{ name: "signal", unit: "V" as const, samples: sampled(d, volts, wheel.stepS, rate) }];
  if (supply) channels.push({ name: "supply", unit: "V", samples: sampled(d, supply, wheel.stepS, rate) });
  return { sensor, motion, defect, poles, sampleS: 1 / rate, channels, lost };
}

/** Where each pole pair begins, in turns, and how strong it is. */
interface PoleField {
  begins: Float64Array;
  strength: Float64Array;
}

function poleField(d: Dice, poles: number, defect: Defect, lost: number): PoleField {
  const widths = Float64Array.from({ length: poles }, () => 1 + 0.006 * d.gauss());
  const at = d.whole(0, poles - 1);
  if (defect === "cracked-ring") {
    const gape = d.between(0.18, 0.42);
    widths[at]! += gape;
    widths[(at + 1) % poles]! -= 0.5 * gape;
  }
  const whole = widths.reduce((sum, one) => sum + one, 0);
  const begins = new Float64Array(poles + 1);
  for (let i = 0; i < poles; i++) begins[i + 1] = begins[i]! + widths[i]! / whole;
  const runout = d.between(0, 0.04);
  const strength = Float64Array.from(
    { length: poles },
    (_, i) => (1 + 0.015 * d.gauss()) * (1 + runout * Math.sin((2 * Math.PI * i) / poles)),
  );
  for (let k = 0; k < lost; k++) strength[(at + k) % poles] = 0;
  if (defect === "odd-tooth") strength[at] = d.chance(0.5) ? d.between(0.35, 0.65) : d.between(1.4, 1.7);
  return { begins, strength };
}

/** The pole under the sensor and how far through it: the field is strength · sin(2π · through). */
function under({ begins, strength }: PoleField, turns: number): [through: number, strength: number] {
  const within = turns - Math.floor(turns);
  const poles = strength.length;
  let pole = Math.min(poles - 1, Math.floor(within * poles));
  while (begins[pole]! > within) pole--;
  while (begins[pole + 1]! <= within && pole < poles - 1) pole++;
  return [(within - begins[pole]!) / (begins[pole + 1]! - begins[pole]!), strength[pole]!];
}

function switched(d: Dice, sensor: Sensor, { turns }: Motion, field: PoleField): Float64Array {
  const sense = d.log(45, 230);
  const low = sensor === "active-2wire" ? d.between(0.0063, 0.0077) * sense : d.between(0.08, 0.35);
  const high = sensor === "active-2wire" ? low * d.between(1.93, 2.15) : d.between(4.7, 5.15);
  const hysteresis = d.between(0.08, 0.25);
  let on = d.chance(0.5);
  return turns.map((at) => {
    const [through, strength] = under(field, at);
    const b = strength * Math.sin(2 * Math.PI * through);
    if (b > hysteresis) on = true;
    else if (b < -hysteresis) on = false;
    return on ? high : low;
  });
}

function coil(d: Dice, { turns, stepS }: Motion, field: PoleField, defect: Defect): Float64Array {
  // Volts of a good coil for each turn a second: about 0.57 at one (common practice), some makes more.
  const volts = d.between(0.7, 1.4) * 0.57 * Math.SQRT2 * (defect === "low-amplitude" ? d.between(0.08, 0.28) : 1);
  const poles = field.strength.length;
  const out = new Float64Array(turns.length);
  const flux = (at: number) => {
    const [through, strength] = under(field, at);
    return -strength * Math.cos(2 * Math.PI * through);
  };
  let before = flux(turns[0]!);
  let strengthBefore = 1;
  for (let i = 1; i < turns.length; i++) {
    const [, strength] = under(field, turns[i]!);
    const now = flux(turns[i]!);
    // From one pole to the next the flux is one field: only its change within a pole induces.
    out[i] = strength === strengthBefore ? ((now - before) / stepS) * (volts / (2 * Math.PI * poles)) : out[i - 1]!;
    before = now;
    strengthBefore = strength;
  }
  if (defect === "noise-at-rest") for (let i = 0; i < out.length; i++) out[i] = 0.09 * d.gauss();
  return out;
}

/** A wire that opens for moments while the wheel turns: to ground, or to the supply. */
function loseContact(d: Dice, sensor: Sensor, { turns, stepS }: Motion, volts: Float64Array, goes?: Goes): void {
  const isDown = sensor === "passive" || (goes ? goes === "down" : d.chance(0.6));
  const level = isDown ? 0 : d.between(8, 12);
  const wanted = d.whole(3, 7);
  for (let made = 0, tries = 0; made < wanted && tries < 300; tries++) {
    const from = d.whole(0, volts.length - 1);
    const until = Math.min(volts.length, from + Math.round(d.between(0.04, 0.15) / stepS));
    const turned = Math.abs(turns[until - 1]! - turns[from]!) * 45;
    if (turned < 2.5) continue;
    volts.fill(goes === "nowhere" && sensor !== "passive" ? volts[from]! : level, from, until);
    made++;
  }
}

/** The supply sinks and takes the signal with it. */
function disturbSupply(d: Dice, { turns, stepS }: Motion, volts: Float64Array): Float64Array {
  const usual = d.between(10.5, 12.4);
  const supply = new Float64Array(volts.length).fill(usual);
  for (let made = 0, tries = 0; made < 3 && tries < 300; tries++) {
    const from = d.whole(0, volts.length - 1);
    const until = Math.min(volts.length, from + Math.round(d.between(0.05, 0.12) / stepS));
    if (Math.abs(turns[until - 1]! - turns[from]!) * 45 < 2.5) continue;
    supply.fill(d.between(0.2, 3), from, until);
    volts.fill(0, from, until);
    made++;
  }
  return supply;
}

function filter(volts: Float64Array, steps: number): void {
  const share = 1 - Math.exp(-1 / steps);
  for (let i = 1; i < volts.length; i++) volts[i] = volts[i - 1]! + share * (volts[i]! - volts[i - 1]!);
}

/** What an instrument makes of it: its sampling, noise and bits. */
function sampled(d: Dice, volts: Float64Array, stepS: number, rate: number): Float32Array {
  const count = Math.floor(volts.length * stepS * rate);
  let [least, most] = [Infinity, -Infinity];
  for (const one of volts) {
    if (one < least) least = one;
    if (one > most) most = one;
  }
  const range = Math.max(0.2, 1.3 * Math.max(Math.abs(least), Math.abs(most)));
  const bit = (2 * range) / 2 ** d.pick([8, 10, 12]);
  const noise = d.log(0.001, 0.012) * range;
  return Float32Array.from({ length: count }, (_, i) => {
    const at = Math.min(volts.length - 1, Math.floor(i / rate / stepS));
    return Math.round((volts[at]! + noise * d.gauss()) / bit) * bit;
  });
}
