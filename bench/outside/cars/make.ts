import { dice, type Dice } from "../dice";

export type Family = "active-2wire" | "active-3wire" | "passive";

/** A model of car as its makers built it, and how a technician would write its corner down. */
export interface Make {
  family: Family;
  sense: "low" | "high";
  wires: readonly string[];
  batteryV: number;
  /** What the module feeds the sensor from, before its own series resistance and diode. */
  feedV: number;
  feedOhms: number;
  senseOhms: number;
  pullUpV: number;
  pullUpOhms: number;
  /** Passive: how the input holds the pair: both legs to a middle voltage, one leg near ground, or floating. */
  input: "middle" | "one-leg" | "floating";
  inputV: number;
  inputOhms: number;
  /** Drawn over this, the feed is taken away (a driver that protects itself); Infinity where it only sags. */
  tripA: number;
  lowA: number;
  highA: number;
  /** Volts at which the sensor draws 63 % of its current; it needs three to four times that. */
  kneeV: number;
  outputOhms: number;
  ownA: number;
  coilOhms: number;
  /** RMS volts of a good passive corner for each turn a second. */
  voltsPerTurn: number;
  /** Peak volts the module's input needs. */
  thresholdV: number;
  /** Short pulses from the low level instead of half and half. */
  widthCoded: boolean;
  poles: number;
  contactOhms: number;
  stations: { station: string; accessMin: number }[];
  spansM: number[];
  /** Where it stands, the mains drive so much through the air into a probe (from memory: nanoamperes). */
  strayA: number;
}

/** One model. Currents, supply and coils by the windows of the trade (domain, section 4, common practice and from memory); the rest by judgement. */
export function drawMake({ between, log, chance, pick, whole }: Dice): Make {
  const family = pick(["active-2wire", "active-2wire", "active-2wire", "active-3wire", "passive", "passive"] as const);
  const batteryV = between(12.05, 12.85);
  const inline = pick([0, 1, 1, 1, 2]);
  const lowA = between(0.0061, 0.0082);
  const pullUpV = pick([5, 5, 12]);
  return {
    family,
    sense: chance(0.7) ? "low" : "high",
    wires: {
      "active-2wire": ["supply", "return"],
      "active-3wire": ["supply", "ground", "signal"],
      passive: ["a", "b"],
    }[family],
    batteryV,
    feedV: family === "active-3wire" ? pick([5, 8, batteryV - 0.6]) : pick([batteryV - 0.7, batteryV - 0.3, 10.5]),
    feedOhms: between(4, 35),
    senseOhms: chance(0.5) ? between(105, 130) : log(32, 290),
    pullUpV: pullUpV === 12 ? batteryV - 0.6 : 5,
    pullUpOhms: log(1000, 10_000),
    input: pick(["middle", "middle", "one-leg", "floating"] as const),
    inputV: between(1, 2.5),
    inputOhms: log(8000, 90_000),
    tripA: chance(0.4) ? between(0.035, 0.08) : Infinity,
    lowA,
    highA: lowA * between(1.92, 2.18),
    kneeV: between(0.9, 1.5),
    outputOhms: between(8, 50),
    ownA: between(0.003, 0.009),
    coilOhms: chance(0.75) ? between(980, 1620) : log(820, 2400),
    voltsPerTurn: chance(0.6) ? between(0.4, 0.9) : log(0.12, 1.2),
    thresholdV: log(0.06, 0.19),
    widthCoded: family === "active-2wire" && chance(0.2),
    poles: pick([40, 43, 44, 46, 47, 48, 48, 48, 50, 52]),
    contactOhms: log(0.004, 0.02),
    stations: [
      { station: "module", accessMin: whole(20, 50) },
      ...Array.from({ length: inline }, (_, i) => ({ station: `c${i + 1}`, accessMin: whole(3, 12) })),
      { station: "plug", accessMin: whole(5, 10) },
    ],
    spansM: Array.from({ length: inline + 1 }, () => between(0.5, 3.8)),
    strayA: log(3e-10, 4e-8),
  };
}

/**
 * The corner as a technician writes it down: figures off the label, not the car's own, and of its circuit what he happens to know.
 * @param seed by which each thing is known half of the time, none of the car's own numbers moved by it
 */
export function writtenDown(make: Make, protocolKnown: boolean, seed: number): Record<string, unknown> {
  const known = (what: string) => dice(seed + 7919 * what.length).chance(0.5);
  const { family, stations, spansM } = make;
  const supplyV = family === "active-3wire" && make.feedV < 9 ? Math.round(make.feedV) : 12;
  return {
    tastatura: "diagnose/1",
    corner: "RR",
    family,
    ...(family === "active-2wire" && known("side") ? { sense: make.sense } : {}),
    ...(family === "active-2wire" && protocolKnown ? { protocol: make.widthCoded ? "width" : "half-duty" } : {}),
    ...(family === "active-3wire" && known("pull-up") ? { pullUpV: make.pullUpV > 9 ? 12 : 5 } : {}),
    ...(family === "passive" && known("bias") ? { bias: make.input !== "floating" } : {}),
    ...(family === "active-2wire" || (family === "active-3wire" && known("supply")) ? { supplyV } : {}),
    pulsesPerRevolution: make.poles,
    tyre: "205/55R16",
    path: stations.flatMap((station, at) =>
      at < spansM.length ? [station, { spanM: Number(spansM[at]!.toFixed(1)), mm2: 0.5 }] : [station],
    ),
  };
}
