import type { Dice } from "./dice";
import { driven, STEP_S, WHEELS, type Drive, type DriveKind, type Wheel } from "./drive";

/**
 * Drives as they pass over a vehicle's bus: four speeds in one message or two, eleven kinds of numbers, among other traffic
 * (counters, checks, a steering angle, an engine, one speed for the dials), written as text in three open forms. Packs its
 * bits itself; shares nothing with src/core.
 */
export interface BusDrive extends Omit<Drive, "csv"> {
  text: string;
  /** Where each wheel stands: the message, the lowest or highest bit as lists give it, and what a step is worth. */
  places: Record<Wheel, Place>;
}
export interface Place {
  id: number;
  extended: boolean;
  firstBit: number;
  bits: number;
  highFirst: boolean;
  scale: number;
  offsetKmh: number;
}

export function busDrive(seed: number, wanted?: DriveKind): BusDrive {
  const { d, rows, ...told } = driven(seed, wanted);
  const places = laidOut(d);
  const frames: { t: number; id: number; extended: boolean; data: Uint8Array }[] = [];
  const tyres = WHEELS.map(() => 1 + 0.002 * d.gauss());
  const others = [0x0c1, 0x128, 0x2a0, 0x3d3, 0x501].filter(() => d.chance(0.8));
  const ids = [...new Set(WHEELS.map((wheel) => places[wheel].id))];
  const [everyS, fromS] = [d.pick([0.01, 0.02, 0.02, 0.04]), d.pick([0, 17.25, 1436509052.2])];
  let [count, angle] = [0, 0];
  for (let t = 0; t < (rows.length - 2) * STEP_S; t += everyS) {
    const { wheels, carKmh } = rows[Math.floor(t / STEP_S)]!;
    count++;
    angle += d.between(-30, 30);
    for (const id of ids) {
      const data = new Uint8Array(8);
      if (ids.length > 1) data[7] = count & 255;
      for (const [w, wheel] of WHEELS.entries()) {
        const place = places[wheel];
        if (place.id !== id) continue;
        const raw = Math.round((wheels[wheel] * tyres[w]! - place.offsetKmh) / place.scale);
        put(data, place, Math.max(0, raw));
        // Bits above a narrow number say whether it is valid, and a few other things.
        if (place.bits < 16 && place.highFirst) data[place.firstBit >> 3]! |= 0x80;
      }
      frames.push({ t: t + d.between(0, 0.0006), id, extended: places.FL.extended, data });
    }
    for (const id of others) {
      const data = Uint8Array.from({ length: 8 }, () => 0);
      if (id === 0x0c1) data.set([(800 + 40 * carKmh) >> 8, (800 + 40 * carKmh) & 255, count & 15, d.whole(0, 255)]);
      if (id === 0x128) data.set([(angle + 32768) >> 8, (angle + 32768) & 255, 0, (angle * 3) & 255]);
      if (id === 0x2a0) data.set([(carKmh * 100) >> 8, (carKmh * 100) & 255, count >> 8, count & 255]);
      if (id === 0x3d3) data.set([88, 90, 90, 87, d.whole(0, 3)]);
      if (id === 0x501) for (let i = 0; i < 8; i++) data[i] = d.whole(0, 255);
      frames.push({ t: t + d.between(0.0006, 0.002), id, extended: false, data });
    }
  }
  frames.sort((a, b) => a.t - b.t);
  const form = d.pick(["packed", "spaced", "table"] as const);
  const lines = frames.map(({ t, id, extended, data }) => {
    const hex = Array.from(data, (byte) => byte.toString(16).toUpperCase().padStart(2, "0"));
    const name = id
      .toString(16)
      .toUpperCase()
      .padStart(extended ? 8 : 3, "0");
    const time = (t + fromS).toFixed(6);
    if (form === "packed") return `(${time}) can0 ${name}#${hex.join("")}`;
    if (form === "spaced") return ` (${time})  can0  ${name}   [8]  ${hex.join(" ")}`;
    return `${Math.round((t + (fromS > 1e6 ? 0 : fromS)) * 1e6)};0x${name};${extended ? 1 : 0};8;${hex.join(" ")}`;
  });
  const head = form === "table" ? ["Timestamp;ID;Extended;DLC;Data"] : [];
  return { ...told, places, text: [...head, ...lines].join("\n") };
}

function laidOut(d: Dice): Record<Wheel, Place> {
  const highFirst = d.chance(0.5);
  const [bits, scale] = d.pick([
    [16, 0.01],
    [16, 1 / 64],
    [16, 0.00390625],
    [15, 0.01],
    [14, 0.02],
    [13, 0.05],
    [12, 0.0625],
  ] as const);
  const [extended, split] = [d.chance(0.25), d.chance(0.3)];
  const base = extended ? 0x0cfe6e00 + d.whole(0, 200) : d.whole(0x180, 0x27f);
  const order = d.pick([
    ["FL", "FR", "RL", "RR"],
    ["FR", "FL", "RR", "RL"],
    ["RL", "RR", "FL", "FR"],
  ] as const);
  const offsetKmh = bits === 16 && scale === 0.01 && d.chance(0.3) ? -67.67 : 0;
  const places = {} as Record<Wheel, Place>;
  order.forEach((wheel, k) => {
    const byte = 2 * (split ? k % 2 : k) + (split ? 2 : 0);
    places[wheel] = {
      id: base + (split && k >= 2 ? 1 : 0),
      extended,
      highFirst,
      bits,
      scale,
      offsetKmh,
      firstBit: highFirst ? 8 * byte + (bits - 9) : 8 * byte,
    };
  });
  return places;
}

/** Lays the low byte and what is over it where they belong. */
function put(data: Uint8Array, { firstBit, bits, highFirst }: Place, raw: number): void {
  const [low, high] = [raw & 255, (raw >> 8) & ((1 << (bits - 8)) - 1)];
  const byte = firstBit >> 3;
  data[byte + (highFirst ? 1 : 0)] = low;
  data[byte + (highFirst ? 0 : 1)]! |= high;
}
