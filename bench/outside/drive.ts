import { dice, type Dice } from "./dice";

/**
 * Drives of a car: a driver with aims and bends, four contact points on their own circles about the bend's middle, tyres a
 * little unlike, wheels that spin or lock; then a fault of one corner; then a scan tool that asks one wheel after another,
 * rounds, goes silent, writes miles. Written as text and read by nothing but the import; shares nothing with src/core.
 */
export const driveKinds = [
  "straight",
  "town",
  "parking",
  "polled",
  "wheelspin",
  "abs-stop",
  "silent-above",
  "silent-below",
  "zero",
  "drops-out",
  "cuts-low",
  "ratio-off",
  "erratic",
] as const;
export type DriveKind = (typeof driveKinds)[number];

export const WHEELS = ["FL", "FR", "RL", "RR"] as const;
export type Wheel = (typeof WHEELS)[number];
type Speeds = Record<Wheel, number>;

export interface Drive {
  kind: DriveKind;
  /** Where the fault is, for kinds that are one. */
  corner: Wheel;
  driven: "front" | "rear";
  csv: string;
}

export const STEP_S = 0.02;

export function drive(seed: number, wanted?: DriveKind): Drive {
  const { d, rows, ...told } = driven(seed, wanted);
  return { ...told, csv: asked(d, rows, told.kind) };
}

/** The same drive before any scan tool: every wheel each 20 ms, and the dice as they lie. */
export function driven(seed: number, wanted?: DriveKind): Omit<Drive, "csv"> & { rows: Row[]; d: Dice } {
  const d = dice(seed * 7919 + 31);
  const kind = wanted ?? d.pick(driveKinds);
  const corner = d.pick(WHEELS);
  const driven = d.pick(["front", "rear"] as const);
  const rows = rolled(d, kind);
  if (kind === "wheelspin") spin(d, rows, driven);
  if (kind === "abs-stop") brakeHard(d, rows);
  spoil(d, rows, kind, corner);
  return { kind, corner, driven, rows, d };
}

export interface Row {
  carKmh: number;
  wheels: Speeds;
}

/** The car on its way: aims at a speed, bends as tightly as its tyres hold. */
function rolled(d: Dice, kind: DriveKind): Row[] {
  const [wheelbaseM, trackM] = [d.between(2.4, 2.9), d.between(1.42, 1.6)];
  const isFault = (["zero", "drops-out", "cuts-low", "ratio-off", "erratic"] as string[]).includes(kind);
  const twisty = kind === "town" || kind === "parking" || d.chance(isFault ? 0.5 : 0.25);
  const rows: Row[] = [];
  let [kmh, aim, until, bend, curve, most] = [0, 30, 4, 0, 0, 2];
  const lastsS = d.between(45, 140);
  for (let t = 0; t < lastsS; t += STEP_S) {
    if (t >= until) {
      aim = kind === "parking" ? d.between(2, 14) : d.chance(0.25) ? 0 : d.pick([20, 30, 50, 50, 70, 90]);
      until = t + (kind === "parking" ? d.between(3, 9) : aim === 0 ? d.between(9, 16) : d.between(6, 20));
      most = d.between(1.2, 3);
    }
    if (d.chance(0.004)) {
      const tightest = kind === "parking" ? 6 : Math.max(9, (kmh / 3.6) ** 2 / d.between(2, 4.5));
      const lane = 1 / Math.max(150, (kmh / 3.6) ** 2 / 1.5);
      bend = d.pick([-1, 1]) * (twisty ? d.pick([0, 1 / (tightest * d.between(1, 2))]) : lane * d.between(0, 1));
    }
    const held = 1 / Math.max(5.5, (kmh / 3.6) ** 2 / 5);
    const steered = Math.max(-held, Math.min(held, bend)) - curve;
    curve += Math.max(-0.0015, Math.min(0.0015, steered));
    const change = aim - kmh;
    kmh = Math.max(0, kmh + Math.max(-4.3 * most * STEP_S, Math.min(3.6 * most * STEP_S, 2 * change * STEP_S)));
    const wheels = {} as Speeds;
    for (const wheel of WHEELS) {
      const along = 1 + curve * (wheel[1] === "R" ? trackM / 2 : -trackM / 2);
      wheels[wheel] = kmh * (wheel[0] === "R" ? Math.abs(along) : Math.hypot(along, curve * wheelbaseM));
    }
    rows.push({ carKmh: kmh, wheels });
  }
  return rows;
}

/** Driven wheels run away for a moment while pulling away, some held by traction control. */
function spin(d: Dice, rows: Row[], driven: "front" | "rear"): void {
  const [both, side] = [d.chance(0.3), d.pick(["L", "R"])];
  const starts = rows.flatMap(({ carKmh }, i) => (carKmh > 1 && (rows[i - 1]?.carKmh ?? 0) <= 1 ? [i] : []));
  for (const start of starts.slice(0, d.whole(1, 4))) {
    const [points, extra, controlled] = [Math.round(d.between(0.7, 3) / STEP_S), d.between(8, 35), d.chance(0.4)];
    rows.slice(start, start + points).forEach(({ wheels }, k) => {
      const held = controlled ? 0.6 + 0.4 * Math.sin(2 * Math.PI * 3 * k * STEP_S) : 1;
      const over = held * extra * Math.sin((Math.PI * k) / points) ** 0.7;
      for (const wheel of WHEELS)
        if ((wheel[0] === "F") === (driven === "front") && (both || wheel[1] === side)) wheels[wheel] += over;
    });
  }
}

/** A full stop on a slippery road: each wheel is let go and caught again twice a second. */
function brakeHard(d: Dice, rows: Row[]): void {
  const later = rows.findIndex(({ carKmh }, i) => i > rows.length / 3 && carKmh > 30);
  const from = later < 0 ? rows.findIndex(({ carKmh }) => carKmh > 20) : later;
  const fromKmh = rows[from]!.carKmh;
  const phases = WHEELS.map(() => d.between(0, 2 * Math.PI));
  rows.slice(from).forEach((row, k) => {
    const kmh = Math.max(0, fromKmh - 3.6 * 7 * k * STEP_S);
    row.carKmh = kmh;
    WHEELS.forEach((wheel, w) => {
      const slip = 0.3 * (0.5 + 0.5 * Math.sin(2 * Math.PI * 2.2 * k * STEP_S + phases[w]!));
      row.wheels[wheel] = kmh * (1 - (kmh > 8 ? slip : 0));
    });
  });
}

function spoil(d: Dice, rows: Row[], kind: DriveKind, corner: Wheel): void {
  const [cut, ratio] = [d.between(7, 14), d.pick([0.955, 0.965, 0.978, 1.022, 1.03, 1.045])];
  let [gone, until] = [false, 0];
  rows.forEach(({ wheels }, i) => {
    const t = i * STEP_S;
    if (t > until) {
      gone = !gone && d.chance(0.006);
      until = t + (gone ? d.between(0.3, 1.2) : STEP_S);
    }
    const kmh = wheels[corner];
    const factor: Partial<Record<DriveKind, number>> = {
      zero: 0,
      "drops-out": gone ? 0 : 1,
      "cuts-low": kmh < cut ? 0 : 1,
      "ratio-off": ratio,
      erratic: d.chance(0.5) ? 1 + d.pick([-1, 1]) * d.between(0.08, 0.45) : 1,
    };
    wheels[corner] = kmh * (factor[kind] ?? 1);
  });
}

/** What a scan tool writes of it. */
function asked(d: Dice, rows: Row[], kind: DriveKind): string {
  const everyS = kind === "polled" ? d.pick([0.2, 0.4, 0.5]) : d.pick([0.05, 0.1, 0.2, 0.25]);
  const inTurn = kind === "polled" || d.chance(0.3);
  const [digit, miles] = [d.pick([0.01, 0.1, 0.5, 1]), d.chance(0.25)];
  const aboveKmh = kind === "silent-above" ? d.between(35, 60) : Infinity;
  const belowKmh = kind === "silent-below" ? d.between(2.2, 5) : 0;
  const tyres = WHEELS.map(() => 1 + 0.002 * d.gauss());
  const unit = miles ? " mph" : "";
  const lines = [`time (s),${WHEELS.map((wheel) => wheel + unit).join(",")}`];
  for (let t = 0; t < (rows.length - 1) * STEP_S - everyS; t += everyS * d.between(0.95, 1.05)) {
    const cells = WHEELS.map((wheel, w) => {
      const at = t + (inTurn ? (w * everyS) / 4 : 0);
      const kmh = rows[Math.floor(at / STEP_S)]!.wheels[wheel] * tyres[w]!;
      if (kmh > aboveKmh || kmh < belowKmh) return "";
      return (Math.round(kmh / (miles ? 1.609344 : 1) / digit) * digit).toFixed(2);
    });
    lines.push(`${t.toFixed(2)},${cells.join(",")}`);
  }
  return lines.join("\n");
}
