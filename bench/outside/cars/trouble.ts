import type { Dice } from "../dice";
import type { Make } from "./make";

export type TruePart =
  "sensor" | "mounting" | "ring" | "bearing" | "harness" | "connector" | "module-feed" | "module" | "tyre" | "none";

/** What is physically wrong, in the words of the netlist and of what turns past the sensor. */
export interface Trouble {
  part: TruePart;
  says: string;
  /** A resistance in one wire: of a contact (station) or somewhere in a span. */
  series?: { station?: number; span?: number; wire: number; ohms: number };
  /** A resistance from a wire of a span, or of a plug, to ground, battery or the next wire. */
  leak?: { station?: number; span?: number; wire: number; to: "ground" | "battery" | "wire"; ohms: number };
  /** Two terminals in each other's places at a station. */
  crossed?: number;
  sensor?: "open" | "short" | "stuck" | "chattering" | "leaking";
  sensorOhms?: number;
  stuckHigh?: boolean;
  coilShare?: number;
  /** Passive: what is left of the signal. Active: share of poles lost. */
  amplitude?: number;
  lost?: number;
  loose?: boolean;
  ring?: "missing" | "cracked" | "odd" | "absent" | "eccentric";
  ratio?: number;
  feedOhms?: number;
  groundOhms?: number;
  inputDead?: boolean;
  driverDead?: boolean;
  /** Seen by an eye or felt by a hand, with the chance that the look shows it. */
  signs: Record<string, number>;
  /** Share of the time it is there; 1 always. */
  duty: number;
}

/** Shares by part of a salt-road shop (domain, section 10, judgement). */
const SHARES: [TruePart, number][] = [
  ["ring", 22],
  ["connector", 18],
  ["harness", 16],
  ["sensor", 18],
  ["mounting", 14],
  ["bearing", 6],
  ["module-feed", 3],
  ["module", 1],
  ["tyre", 1],
  ["none", 4],
];

/** Something wrong with a car of this make. @param comesAndGoes only what can */
export function drawTrouble(make: Make, d: Dice, comesAndGoes = false): Trouble {
  for (;;) {
    let at = d.between(
      0,
      SHARES.reduce((sum, [, share]) => sum + share, 0),
    );
    const part = SHARES.find(([, share]) => (at -= share) <= 0)?.[0] ?? "none";
    const trouble = troubles[part](make, d);
    if (!trouble) continue;
    if (!comesAndGoes) return trouble;
    const electrical = trouble.series ?? trouble.leak ?? trouble.sensor;
    if (electrical && !["module", "module-feed"].includes(part)) return { ...trouble, duty: d.between(0.1, 0.6) };
  }
}

const troubles: Record<TruePart, (make: Make, d: Dice) => Trouble | null> = {
  ring: ({ family }, d) => {
    const kind = d.pick(["missing", "missing", "missing", "cracked", "cracked", "odd", "absent", "eccentric"] as const);
    if (kind === "absent" && family === "passive") return null;
    const chance: Record<typeof kind, Record<string, number>> = {
      missing: { "ring:missing": family === "passive" ? 0.85 : 0.6, "encoder:gap": 0.9 },
      cracked: { "ring:cracked": 0.7, "encoder:gap": 0.65 },
      odd: { "ring:debris": 0.8, "face:debris": 0.4 },
      absent: { "encoder:no-stripes": 0.95 },
      eccentric: {},
    };
    return { ...whole("ring", kind), ring: kind, signs: chance[kind] };
  },
  connector: ({ stations, wires, family }, d) => {
    const station = d.whole(1, stations.length - 1);
    const wire = d.whole(0, wires.length - 1);
    const seen = { [`${stations[station]!.station}:bad`]: 0.7 };
    const kind = d.pick(["open", "resistance", "resistance", "water", "crossed", "spread"] as const);
    if (kind === "water")
      return {
        ...whole("connector", "water in a plug"),
        leak: { station, wire: 0, to: "wire", ohms: d.log(60, 900) },
        signs: seen,
      };
    if (kind === "crossed") {
      if (family === "passive" || d.chance(0.6)) return null;
      return { ...whole("connector", "terminals crossed"), crossed: station, signs: {} };
    }
    const ohms = kind === "resistance" ? d.log(family === "passive" ? 8000 : 700, 60_000) : d.log(2e6, 1e9);
    const signs = kind === "spread" ? { [`${stations[station]!.station}:bad`]: 0.35, "drag-test:loose": 0.85 } : seen;
    return { ...whole("connector", kind), series: { station, wire, ohms }, signs };
  },
  harness: ({ spansM, wires, family }, d) => {
    const span = d.whole(0, spansM.length - 1);
    const wire = d.whole(0, wires.length - 1);
    const signs = { "wiring:damaged": 0.5 };
    const kind = d.pick(["open", "open", "resistance", "ground", "ground", "battery", "wire"] as const);
    if (kind === "open" || kind === "resistance") {
      const ohms = kind === "open" ? d.log(1e7, 1e10) : d.log(family === "passive" ? 8000 : 700, 60_000);
      return { ...whole("harness", kind), series: { span, wire, ohms }, signs };
    }
    if (kind === "ground" && family === "active-3wire" && wire === 1) return null;
    if (kind === "ground" && family === "active-2wire" && wire === 1) return null;
    const ohms = kind === "battery" ? d.log(0.2, 40) : d.log(0.2, family === "passive" ? 500 : 25);
    return { ...whole("harness", `to ${kind}`), leak: { span, wire, to: kind, ohms }, signs };
  },
  sensor: ({ family }, d) => {
    const passive = family === "passive";
    const kind = d.pick(
      passive
        ? (["open", "open", "short", "turns", "leaking"] as const)
        : (["open", "open", "short", "stuck", "stuck", "chattering"] as const),
    );
    const base = whole("sensor", kind);
    if (kind === "turns") {
      const left = d.between(0.15, 0.6);
      return { ...base, coilShare: left, amplitude: left ** 1.5 };
    }
    if (kind === "leaking") return { ...base, sensor: "leaking", sensorOhms: d.log(300, 60_000) };
    if (kind === "stuck") return { ...base, sensor: "stuck", stuckHigh: d.chance(0.4) };
    if (kind === "short") return { ...base, sensor: "short", sensorOhms: d.log(0.5, 40) };
    return { ...base, sensor: kind as "open" | "chattering" };
  },
  mounting: ({ family }, d) => {
    if (d.chance(0.22))
      return {
        ...whole("mounting", "loose in its seat"),
        loose: true,
        signs: { "foot:loose": 0.7, "sensor:rocks": 0.9 },
      };
    const signs = { "foot:lifted": 0.85, "gap:wide": 1 };
    return family === "passive"
      ? { ...whole("mounting", "lifted by rust"), amplitude: d.log(0.04, 0.4), signs }
      : { ...whole("mounting", "lifted by rust"), lost: d.chance(0.4) ? 1 : d.between(0.05, 0.8), signs };
  },
  bearing: (_, d) => ({
    ...whole("bearing", "play"),
    loose: d.chance(0.5),
    ring: "eccentric",
    signs: { "bearing:play": 0.92 },
  }),
  "module-feed": (_, d) =>
    d.chance(0.5)
      ? { ...whole("module-feed", "power"), feedOhms: d.log(15, 400), signs: { "others:several": 0.95 } }
      : { ...whole("module-feed", "ground"), groundOhms: d.log(15, 400), signs: { "others:several": 0.95 } },
  module: ({ family }, d) =>
    family === "passive" || d.chance(0.5)
      ? { ...whole("module", "input"), inputDead: true }
      : { ...whole("module", "driver"), driverDead: true },
  tyre: (_, d) => ({
    ...whole("tyre", "another size"),
    ratio: d.chance(0.5) ? d.between(1.03, 1.08) : d.between(0.92, 0.97),
    signs: { "tyres:different": 0.9 },
  }),
  none: () => whole("none", "nothing wrong"),
};

function whole(part: TruePart, says: string): Trouble {
  return { part, says: `${part}: ${says}`, signs: {}, duty: 1 };
}
