import { dice, type Dice } from "./dice";
import { written } from "./plain";

/**
 * Recordings as a noisy shop makes them: a wheel pushed again and again, driven, run up or braked; plain, width-coded and
 * three-level sensors with unequal poles and their own threshold; mains hum, ignition, a pump, clipping, AC coupling; ring
 * faults down to one half of a pole. Written by a third hand, from integrals and comparators; shares nothing with src/core.
 */
export const shopKinds = [
  "clean",
  "hand",
  "flat",
  "hum",
  "coupled",
  "clipped",
  "missing-pulses",
  "cracked-ring",
  "odd-tooth",
  "eccentric",
  "random-dropout",
  "supply-dip",
  "noise-at-rest",
  "interference",
  "low-amplitude",
  "drop-out-speed",
  "duty-shift",
  "level-out-of-window",
  "key-on-transient",
  "probe-spike",
] as const;
export type ShopKind = (typeof shopKinds)[number];
type Sensor = "two-wire" | "three-wire" | "coil" | "width" | "three-level";

/** What the analysis should name; null for the innocent ones. */
export function faultOf(kind: ShopKind): string | null {
  return ["clean", "hand", "flat", "hum", "coupled", "clipped"].includes(kind) ? null : kind;
}

export interface ShopRecording {
  kind: ShopKind;
  sensor: Sensor;
  family: "active-2wire" | "active-3wire" | "passive";
  motion: Motion;
  teeth: number;
  turns: number;
  rateHz: number;
  file: string;
  text: string;
}

const PLAIN: readonly Sensor[] = ["two-wire", "three-wire", "coil"];
const POWERED: readonly Sensor[] = ["two-wire", "three-wire"];
const ALL: readonly Sensor[] = [...PLAIN, "width", "three-level"];
const MADE_ON: Partial<Record<ShopKind, readonly Sensor[]>> = {
  clean: ALL,
  "missing-pulses": ALL,
  "random-dropout": ALL,
  hum: ["coil", "two-wire"],
  coupled: POWERED,
  clipped: ["coil"],
  "supply-dip": POWERED,
  "noise-at-rest": ["coil"],
  "low-amplitude": ["coil"],
  "drop-out-speed": ["coil"],
  "duty-shift": POWERED,
  "level-out-of-window": ["two-wire"],
  "key-on-transient": POWERED,
};
type Motion = "drive" | "run-up" | "stop" | "hand" | "stands";

export function shopRecording(seed: number, wanted?: ShopKind): ShopRecording {
  const d = dice(seed * 7919 + 211);
  const kind = wanted ?? d.pick(shopKinds);
  const sensor = d.pick(MADE_ON[kind] ?? PLAIN);
  const teeth = d.pick([43, 44, 46, 47, 48, 48, 48, 50, 52, 29, 60, 96]);
  const isRing = ["missing-pulses", "cracked-ring", "odd-tooth", "eccentric"].includes(kind);
  const lengthS = d.between(isRing ? 5 : 2.5, 9);
  const stepS = 1 / (sensor === "width" || sensor === "three-level" ? 60_000 : 40_000);
  const motion: Motion =
    kind === "flat" || kind === "noise-at-rest"
      ? "stands"
      : kind === "hand"
        ? "hand"
        : kind === "drop-out-speed"
          ? "stop"
          : d.pick(["drive", "run-up", "stop", "hand", "hand"] as const);
  const speed = turnsPerSecond(d, motion, Math.round(lengthS / stepS), stepS);
  const made = signalOf(d, kind, sensor, teeth, speed, stepS);
  const supply = POWERED.includes(sensor) && (kind === "supply-dip" || d.chance(0.15));
  const feed = supply ? new Float64Array(speed.length).fill(d.between(9.6, 12.3)) : null;
  disturb(d, kind, sensor, made, feed, speed, stepS, teeth);
  const fastest = speed.reduce((most, one) => Math.max(most, Math.abs(one)), 0) * teeth;
  const slowest = sensor === "width" || sensor === "three-level" ? 34_000 : Math.max(1000, 9 * fastest);
  const rateHz = Math.min(1 / stepS, d.log(slowest, Math.max(1.2 * slowest, 50_000)));
  const channels = [
    sampled(d, made.volts, stepS, rateHz, kind === "clipped"),
    ...(feed ? [sampled(d, feed, stepS, rateHz, false)] : []),
  ];
  const family = sensor === "coil" ? "passive" : sensor === "three-wire" ? "active-3wire" : "active-2wire";
  const turns = Math.abs(speed.reduce((sum, one) => sum + one * stepS, 0));
  return { kind, sensor, family, motion, teeth, turns, rateHz, ...written(d, channels, rateHz) };
}

/** Newton's law for a hand's pushes with drag; even drives, run-ups and brakings besides. */
function turnsPerSecond(d: Dice, motion: Motion, steps: number, stepS: number): Float64Array {
  const out = new Float64Array(steps);
  if (motion === "stands") return out;
  const T = steps * stepS;
  if (motion === "hand") {
    const [drag, viscous] = [d.between(0.35, 1), d.between(0.1, 0.5)];
    const pushes: [number, number, number][] = [];
    for (let n = d.whole(2, 5), t = d.between(0.1, 0.7); n > 0; n--) {
      const long = d.between(0.15, 0.45);
      pushes.push([t, t + long, d.between(6, 14)]);
      t += long + d.between(0.05, 0.5);
    }
    for (let i = 0, v = 0; i < steps; i++) {
      const t = i * stepS;
      const push = pushes.find(([from, to]) => t >= from && t < to);
      const force = push ? push[2] * Math.sin((Math.PI * (t - push[0])) / (push[1] - push[0])) ** 0.7 : 0;
      if (v > 0 || force > drag) v = Math.max(0, v + (force - drag - viscous * v) * stepS);
      out[i] = v;
    }
    const last = out.findLastIndex((v) => v > 0.02);
    const long = Math.round(0.25 / stepS);
    // The brake gives the wheel a little back.
    if (last > 0 && last + long < steps && d.chance(0.6)) {
      const back = d.between(0.03, 0.2);
      for (let k = 0; k < long; k++) out[last + k]! -= back * Math.sin((Math.PI * k) / long);
    }
    return out;
  }
  const [from, to] =
    motion === "run-up" ? [d.between(0.1, 0.6), d.between(2, 7)] : motion === "stop" ? [d.between(2, 6), 0] : [0, 0];
  const [even, slow, phase] = [d.between(0.6, 8), d.between(0.3, 2), d.between(0, 6)];
  for (let i = 0; i < steps; i++)
    out[i] =
      motion === "drive"
        ? even * (1 + 0.15 * Math.sin((2 * Math.PI * slow * i * stepS) / T + phase))
        : Math.max(0, from + ((to - 0.15 * (motion === "stop" ? from : 0) - from) * i) / steps);
  return out;
}

interface Made {
  volts: Float64Array;
  lowV: number;
  highV: number;
}

/** The ring under the sensor: unequal poles and teeth, what is wrong with them, and what the sensor makes of it. */
function signalOf(d: Dice, kind: ShopKind, sensor: Sensor, teeth: number, speed: Float64Array, stepS: number): Made {
  const bad = d.whole(0, teeth - 1);
  const lost = kind === "missing-pulses" ? d.whole(1, 3) : 0;
  const pitch = Array.from({ length: teeth }, () => 1 + 0.004 * d.gauss());
  const height = Array.from({ length: teeth }, () => 1 + 0.03 * d.gauss());
  if (kind === "cracked-ring") pitch[bad]! += d.between(0.25, 0.6);
  if (kind === "odd-tooth" && sensor === "coil") height[bad] = d.pick([0.45, 0.55, 1.5, 1.8]);
  const wider = kind === "odd-tooth" && sensor !== "coil" ? d.pick([-1, 1]) * d.between(0.45, 0.65) : 0;
  const edges = pitch.reduce<number[]>((all, one) => [...all, all.at(-1)! + one], [0]);
  const around = edges.at(-1)!;
  const off =
    kind === "eccentric" ? (sensor === "coil" ? d.between(0.01, 0.03) : d.between(0.015, 0.04)) : d.between(0, 0.0015);
  const [offAt, swing] = [d.between(0, 6), kind === "eccentric" ? d.between(0.08, 0.2) : 0];
  const perTurnV =
    kind === "low-amplitude"
      ? d.between(0.02, 0.09)
      : kind === "drop-out-speed"
        ? d.between(0.05, 0.12)
        : d.between(0.6, 1.6);
  const biasV = d.chance(0.25) ? d.between(0.5, 2.3) : 0;
  const senseOhms = d.log(30, 280);
  const lowV = sensor === "three-wire" ? d.between(0.08, 0.4) : senseOhms * d.between(0.0062, 0.008);
  const ratio =
    kind === "level-out-of-window" ? d.pick([d.between(1.25, 1.5), d.between(2.8, 3.6)]) : d.between(1.92, 2.18);
  const highV = sensor === "three-wire" ? d.pick([5, 8, 12]) * d.between(0.97, 1) : lowV * ratio;
  const threshold = kind === "duty-shift" ? d.pick([-1, 1]) * d.between(0.5, 0.65) : d.between(-0.1, 0.1);
  const hysteresis = d.between(0.05, 0.2);
  const volts = new Float64Array(speed.length);
  const edgesAt: number[] = [];
  let [at, tooth, high] = [d.between(0, 1), 0, d.chance(0.5)];
  for (let i = 0; i < speed.length; i++) {
    at += speed[i]! * stepS;
    const turn = at + (off / (2 * Math.PI)) * Math.sin(2 * Math.PI * at + offAt);
    const along = (turn - Math.floor(turn)) * around;
    while (along < edges[tooth]!) tooth--;
    while (along >= edges[tooth + 1]!) tooth++;
    const through = (along - edges[tooth]!) / pitch[tooth]!;
    const gone = lost > 0 && (tooth - bad + teeth) % teeth < lost;
    const field = gone ? 0 : height[tooth]! * Math.sin(2 * Math.PI * through);
    if (sensor === "coil") {
      const gap = 1 + swing * 4 * Math.cos(2 * Math.PI * turn);
      const size = perTurnV * speed[i]! * (gone ? 0.06 : 1) * gap;
      volts[i] = biasV + size * (field + 0.15 * Math.sin(4 * Math.PI * through + 0.4));
      continue;
    }
    const seen = field - (gone ? 0 : threshold) + (tooth === bad ? wider : 0);
    const was = high;
    if (Math.abs(seen) > hysteresis) high = seen > 0;
    if (was !== high) edgesAt.push(i);
    volts[i] = high ? highV : lowV;
  }
  if (sensor === "width") return { lowV, highV, volts: widths(d, edgesAt, speed.length, stepS, lowV, highV) };
  if (sensor === "three-level")
    return { lowV, highV: 4 * lowV, volts: messages(d, edgesAt, speed.length, stepS, lowV) };
  return { volts, lowV, highV };
}

function widths(d: Dice, edges: number[], steps: number, stepS: number, lowV: number, highV: number): Float64Array {
  const out = new Float64Array(steps).fill(lowV);
  const long = Math.round(d.pick([90e-6, 180e-6, 360e-6]) / stepS);
  [0, ...edges].forEach((edge, k, all) => {
    if (k > 0) out.fill(highV, edge, edge + long);
    // Standing it tells so once in three quarters of a second.
    const still = Math.round(0.74 / stepS);
    for (let at = edge + still; at < (all[k + 1] ?? steps) - 10; at += still)
      out.fill(highV, at, at + Math.round(1.44e-3 / stepS));
  });
  return out;
}

function messages(d: Dice, edges: number[], steps: number, stepS: number, lowV: number): Float64Array {
  const out = new Float64Array(steps).fill(lowV);
  const half = Math.round(50e-6 / stepS);
  edges.forEach((edge, k) => {
    for (
      let from = edge;
      from < (edges[k + 1] ?? steps) - (from === edge ? 0 : 100);
      from += Math.round(0.15 / stepS)
    ) {
      out.fill(4 * lowV, from, from + half);
      for (let bit = 0; bit < 9; bit++) {
        const [at, one] = [from + (2 + 2 * bit) * half, d.chance(0.5)];
        out.fill(one ? 2 * lowV : lowV, at, at + half);
        out.fill(one ? lowV : 2 * lowV, at + half, at + 2 * half);
      }
    }
  });
  return out;
}

/** What comes over it from outside the ring. */
function disturb(
  d: Dice,
  kind: ShopKind,
  sensor: Sensor,
  { volts, highV }: Made,
  feed: Float64Array | null,
  speed: Float64Array,
  stepS: number,
  teeth: number,
): void {
  const steps = volts.length;
  const spanV = Math.max(0.3, volts.reduce((a, b) => Math.max(a, b)) - volts.reduce((a, b) => Math.min(a, b)));
  const moving = [...speed.keys()].filter((i) => i % 50 === 0 && Math.abs(speed[i]!) > 0.25);
  const stretches = (count: number, shortS: number, longS: number) =>
    Array.from({ length: moving.length > 0 ? count : 0 }, () => {
      const from = d.pick(moving);
      return [from, Math.min(steps, from + Math.round(d.between(shortS, longS) / stepS))] as const;
    });
  if (kind === "random-dropout") {
    const levelV = sensor === "three-wire" ? d.pick([0, highV]) : sensor === "two-wire" && d.chance(0.3) ? 11.5 : 0;
    const manner = d.pick(["long", "short", "chatter"] as const);
    for (const [from, until] of stretches(d.whole(4, 9), 0.04, 0.15)) {
      const pulseS = 1 / Math.max(0.3, speed[from]!) / teeth;
      const end =
        manner === "short" ? Math.min(steps, from + Math.round((d.between(2.5, 4.5) * pulseS) / stepS)) : until;
      const rate = d.between(50, 400);
      for (let i = from; i < end; i++)
        if (manner !== "chatter" || Math.sin(2 * Math.PI * rate * (i - from) * stepS) > -0.2) volts[i] = levelV;
    }
  }
  if (kind === "supply-dip") {
    const leastV = d.between(0.3, 6);
    for (const [from, until] of stretches(d.whole(1, 3), 0.03, 0.25)) {
      feed!.fill(leastV, from, until);
      if (leastV < 4.5) volts.fill(sensor === "two-wire" ? 0 : d.pick([0, highV]), from, until);
    }
  }
  const hz = d.pick([50, 60]);
  const [sparks, whine, ripple] = [
    d.between(20, 90),
    d.between(900, 4000),
    d.pick(["white", "ignition", "pump"] as const),
  ];
  const noiseV = d.between(0.03, 0.3);
  const tauS = d.between(0.3, 1.6);
  let mean = volts[0]!;
  for (let i = 0; i < steps; i++) {
    const t = i * stepS;
    if (kind === "noise-at-rest") volts[i] = noiseV * d.gauss();
    // A long lead beside a mains cable: a tenth of a volt, or so.
    if (kind === "hum") volts[i]! += Math.min(0.12 * spanV, 0.4) * Math.sin(2 * Math.PI * hz * t);
    if (kind === "interference" && ripple === "white") volts[i]! += 0.22 * spanV * d.gauss();
    if (kind === "interference" && ripple === "pump" && d.chance(0.7))
      volts[i]! += 0.35 * spanV * Math.sign(Math.sin(2 * Math.PI * whine * t));
    if (kind === "interference" && ripple === "ignition")
      volts[i]! += 0.9 * spanV * Math.exp(-((t * sparks) % 1) / sparks / 0.0006) * Math.sin(2 * Math.PI * 3000 * t);
    if (kind === "coupled") {
      mean += (stepS / tauS) * (volts[i]! - mean);
      volts[i]! -= mean;
    }
  }
  if (kind === "key-on-transient") {
    const on = Math.round(d.between(0.08, 0.3) * steps);
    const over = d.between(0.3, 1) * highV;
    for (let i = on; i < steps; i++)
      volts[i] = volts[i]! * (1 - Math.exp((on - i) * (stepS / 0.004))) + over * Math.exp((on - i) * (stepS / 0.004));
    volts.fill(0, 0, on);
    feed?.fill(0, 0, on);
  }
  if (kind === "probe-spike")
    for (let n = d.whole(1, 3); n > 0; n--) {
      const [from, size, long] = [
        d.whole(10, steps - 60),
        d.pick([-1, 1]) * d.between(4, 12),
        Math.round(0.0012 / stepS),
      ];
      for (let k = 0; k < long && from + k < steps; k++) volts[from + k]! += size * Math.exp((-4 * k) / long);
    }
  if (kind === "flat" && sensor === "coil") volts.fill(d.pick([0, d.between(0.5, 2.3)]));
}

function sampled(d: Dice, volts: Float64Array, stepS: number, rateHz: number, cut: boolean): Float64Array {
  const sizes = volts.map(Math.abs).sort();
  const most = sizes.at(-1)!;
  const full = cut ? 0.7 * sizes[Math.floor(0.99 * (sizes.length - 1))]! : Math.max(0.2, most * d.between(1.02, 1.8));
  const bit = (2 * full) / 2 ** d.pick([8, 8, 10, 12, 14, 16]);
  const noiseV = d.between(0.002, 0.012) * (most + 0.05);
  return Float64Array.from({ length: Math.floor(volts.length * stepS * rateHz * 0.999) }, (_, i) => {
    const v = volts[Math.min(volts.length - 1, Math.floor(i / rateHz / stepS))]! + noiseV * d.gauss();
    return Math.max(-full, Math.min(full - bit, Math.round(v / bit) * bit));
  });
}
