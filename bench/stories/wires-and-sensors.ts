import {
  acVolts,
  amps,
  capture,
  corner,
  creep,
  hand,
  hertz,
  insulated,
  lamp,
  ohms,
  seen,
  still,
  volts,
  type Story,
} from "./story";

const OPEN_PLUG = { key: "on", unplugged: ["plug"] };
const DRIVEN = { key: "on", wheel: "driven" };
const IN_OUT = ["module", "plug"] as const;

/**
 * More stories from the bench, by other hands: three-wire and passive cars, shorts, weak wires, feeds, signals that stand
 * still, readings as hurried people type them. Common practice, no source; values by data sheets from memory.
 */
export const wiresAndSensors: readonly Story[] = [
  // Three-wire.
  {
    tells: "three-wire: 5.03 V to the battery, 4.0 V to its own ground with it drawing: the ground wire loses a volt",
    corner: corner(
      "active-3wire",
      [
        volts("plug.out.supply", "5.03 V", still),
        volts("plug.out.supply", "4.0 V", still, "plug.out.ground"),
        volts("plug.out.ground", "1.03 V", still),
      ],
      { supplyV: 5 },
    ),
    leads: ["harness", "connector", "module-feed"],
    most: { sensor: 0.05, ring: 0.05, mounting: 0.05 },
  },
  {
    tells: "three-wire: 5 V leave the module, nothing comes to the sensor plug",
    corner: corner(
      "active-3wire",
      [
        volts("module.in.supply", "5.02 V", still),
        volts("plug.in.supply", "0.00 V", OPEN_PLUG),
        volts("c1.in.supply", "5.01 V", still),
        volts("c1.out.supply", "5.01 V", still),
      ],
      { supplyV: 5 },
    ),
    leads: ["harness"],
    least: { harness: 0.7 },
    most: { sensor: 0.08 },
  },
  {
    tells: "three-wire: signal stands at 4.98 V over ten steps, a magnet at its tip switches it",
    corner: corner("active-3wire", [
      volts("plug.out.signal", "4.98 / 4.98 V", creep, "plug.out.ground"),
      volts("plug.out.supply", "11.6 V", still, "plug.out.ground"),
      seen("hands", "magnet", "switches", still),
    ]),
    leads: ["ring", "mounting"],
    most: { sensor: 0.18, harness: 0.05, connector: 0.05 },
  },
  {
    tells: "three-wire: signal stands at 4.98 V over ten steps, no answer to a magnet, supply and ground good",
    corner: corner("active-3wire", [
      volts("plug.out.signal", "4.98 / 4.98 V", creep, "plug.out.ground"),
      volts("plug.out.supply", "11.6 V", still, "plug.out.ground"),
      seen("hands", "magnet", "no-change", still),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.8 },
  },
  {
    tells: "three-wire: pull-up at the module's pin, none at the open sensor plug: the signal wire",
    corner: corner("active-3wire", [
      volts("plug.in.signal", "0.01 V", OPEN_PLUG),
      volts("module.in.signal", "4.97 V", OPEN_PLUG),
    ]),
    leads: ["harness", "connector"],
    most: { sensor: 0.08, module: 0.02 },
  },
  {
    tells: "three-wire: 47 kΩ from supply to ground of the loose sensor: no reading of worth",
    corner: corner("active-3wire", [ohms("plug.out.supply", "plug.out.ground", "47 kΩ", "plug")]),
    proven: "nothing",
    most: { sensor: 0.3 },
  },
  // Passive.
  {
    tells: "passive, hot from the road: 1446 Ω, sound to the body, 0.7 V at a hand spin",
    corner: corner("passive", [
      ohms("plug.out.a", "plug.out.b", "1446 Ω", "plug"),
      insulated("plug.out.a", "OL"),
      acVolts("plug.out.a", "plug.out.b", "0.7 V"),
    ]),
    proven: "nothing",
    most: { sensor: 0.1, mounting: 0.2, harness: 0.3, connector: 0.3 },
  },
  {
    tells: "passive: 38 kΩ from coil to body at its own open plug",
    corner: corner("passive", [ohms("plug.out.a", "plug.out.b", "1.12 kΩ", "plug"), insulated("plug.out.a", "38 kΩ")]),
    leads: ["sensor"],
    least: { sensor: 0.4 },
  },
  {
    tells: "passive: 90 Ω across the coil at its own plug: turns shorted",
    corner: corner("passive", [ohms("plug.out.a", "plug.out.b", "90 Ω", "plug")]),
    leads: ["sensor"],
    // Water in the sensor's half of the plug makes the same ohms.
    least: { sensor: 0.78 },
    most: { harness: 0.05 },
  },
  {
    tells: "passive: coil good, 0.03 V at a hand spin, the other side 0.8 V, foot flat, ring whole",
    corner: corner("passive", [
      ohms("plug.out.a", "plug.out.b", "1.15 kΩ", "plug"),
      acVolts("plug.out.a", "plug.out.b", "0.03 V"),
      seen("compare", "other-side", "weaker", hand),
      seen("eyes", "ring", "intact"),
    ]),
    // A bridge between the wires loads a coil as well.
    leads: ["mounting"],
    most: { harness: 0.15, connector: 0.2 },
  },
  {
    tells: "passive: buzz in the last 5 mph, pulls right; fuse out and it is gone; foot lifted by rust",
    corner: corner(
      "passive",
      [
        seen("scan", "speed", "cuts-low", DRIVEN),
        seen("hands", "fuse-out", "gone", DRIVEN),
        seen("eyes", "foot", "lifted"),
        ohms("c1.out.a", "c1.out.b", "1.2 kΩ", "c1"),
      ],
      { complaint: { symptoms: ["false-abs-low-speed"] } },
    ),
    leads: ["mounting"],
    least: { mounting: 0.85 },
    most: { sensor: 0.1 },
  },
  {
    tells: "passive: a tooth cracked through, seen and in the recording",
    corner: corner("passive", [seen("eyes", "ring", "cracked"), capture("c1.out.a", "cracked-ring")]),
    proven: "ring",
  },
  {
    tells: "passive: hash with the wheel at rest, coil whole and sound to the body: no part is named by it",
    corner: corner("passive", [
      capture("c1.out.a", "noise-at-rest"),
      ohms("plug.out.a", "plug.out.b", "1.1 kΩ", "plug"),
      insulated("plug.out.a", "OL"),
    ]),
    proven: "nothing",
    most: { ring: 0.4, mounting: 0.3, sensor: 0.2 },
  },
  {
    tells: "passive: good volts at the sensor, good at the module's pin, live speed there",
    corner: corner("passive", [
      acVolts("plug.out.a", "plug.out.b", "0.9 V"),
      acVolts("module.in.a", "module.in.b", "0.88 V"),
      seen("scan", "speed", "follows", DRIVEN),
    ]),
    proven: "nothing",
    most: { sensor: 0.06, harness: 0.2, connector: 0.2, module: 0.03 },
  },
  {
    tells: "passive: coil typed with a comma and a small k",
    corner: corner("passive", [ohms("plug.out.a", "plug.out.b", "1,15 k", "plug")]),
    proven: "nothing",
    most: { sensor: 0.2 },
  },
  // Shorts and weak wires.
  {
    tells: "both wires of a two-wire sensor stand at supply with the plug undone: chafed together",
    corner: corner("active-2wire", [
      volts("plug.in.supply", "11.4 V", OPEN_PLUG),
      volts("plug.in.return", "9.8 V", OPEN_PLUG),
      ohms("plug.in.supply", "plug.in.return", "3 Ω", "module", "plug"),
    ]),
    leads: ["harness"],
    least: { harness: 0.75 },
    most: { sensor: 0.02 },
  },
  {
    tells: "return at 12.4 V with both ends undone: chafed to a live wire",
    corner: corner("active-2wire", [volts("plug.in.return", "12.4 V", { key: "on", unplugged: [...IN_OUT] })]),
    leads: ["harness"],
    least: { harness: 0.8 },
    most: { sensor: 0.02 },
  },
  {
    tells: "supply 11.4 V open, 5.1 V with the sensor joined; 11.3 V at C1 at the same time",
    corner: corner("active-2wire", [
      volts("plug.in.supply", "11.4 V", OPEN_PLUG),
      volts("plug.in.supply", "5.1 V", still),
      volts("c1.out.supply", "11.3 V", still),
    ]),
    leads: ["harness"],
    most: { sensor: 0.1, "module-feed": 0.05 },
  },
  {
    tells: "3.2 V lost across C1's own contact with everything joined",
    corner: corner("active-2wire", [volts("c1.in.supply", "3.2 V", still, "c1.out.supply")]),
    leads: ["connector"],
    least: { connector: 0.45 },
  },
  {
    tells: "1.1 V lost across C1's own contact, read again and the same: corroded, however well it works today",
    corner: corner("active-2wire", [
      volts("c1.in.supply", "1.1 V", still, "c1.out.supply"),
      volts("c1.in.supply", "1.1 V", still, "c1.out.supply"),
    ]),
    leads: ["connector"],
    least: { connector: 0.8 },
  },
  {
    tells: "supply pulled down with the sensor joined, back with it undone, and 64 mA into it",
    corner: corner("active-2wire", [
      volts("plug.in.supply", "11.5 V", OPEN_PLUG),
      volts("plug.in.supply", "10.3 V", still),
      volts("plug.in.return", "7.6 V", still),
      amps("64 mA"),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.7 },
  },
  {
    tells: "no current at all into the sensor, 11.5 V at its open plug",
    corner: corner("active-2wire", [volts("plug.in.supply", "11.5 V", OPEN_PLUG), amps("0.0 mA")]),
    leads: ["sensor", "harness", "connector"],
    most: { ring: 0.02, mounting: 0.02, bearing: 0.02 },
  },
  {
    tells: "7 mA, then 14 mA as it is turned: the sensor works, and so do its wires here",
    corner: corner("active-2wire", [amps("7.1 mA", creep), amps("14.0 mA", creep)]),
    proven: "nothing",
    most: { sensor: 0.13, mounting: 0.2, harness: 0.2, connector: 0.25 },
  },
  {
    tells: "the same supply read three times over is one reading, not three",
    corner: corner("active-2wire", [
      volts("c1.out.supply", "11.3 V", still),
      volts("c1.out.supply", "11.3 V", still),
      volts("c1.out.supply", "11.3 V", still),
    ]),
    proven: "nothing",
    most: { sensor: 0.45, mounting: 0.45, ring: 0.5 },
  },
  {
    tells: "probes the wrong way round: minus 11.4 V is 11.4 V",
    corner: corner("active-2wire", [volts("plug.in.supply", "-11.4 V", OPEN_PLUG)]),
    proven: "nothing",
    most: { harness: 0.2, connector: 0.25 },
  },
  {
    tells: "MIN/MAX left on over a hand spin: 0.81 … 1.69 V",
    corner: corner("active-2wire", [volts("plug.out.return", "0.81…1.69 V", hand)]),
    proven: "nothing",
    most: { sensor: 0.25, mounting: 0.2 },
  },
  {
    tells: "a meter too slow for the spin: 1.24 V, 52 Hz",
    corner: corner("active-2wire", [volts("plug.out.return", "1.24 V", hand), hertz("plug.out.return", "52 Hz")]),
    proven: "nothing",
    most: { sensor: 0.1, mounting: 0.25, harness: 0.25, connector: 0.25 },
  },
  {
    tells: "ohms of a wire with the key on: refused, no part the wiser",
    corner: corner("active-2wire", [
      {
        instrument: "ohms",
        red: "c1.out.supply",
        black: "plug.in.supply",
        state: { key: "on", unplugged: ["plug"] },
        value: "4.7 kΩ",
      },
    ]),
    proven: "nothing",
    unread: [0],
    most: { harness: 0.25 },
  },
  {
    tells: "the wire reads 0.3 Ω end to end and lights the lamp; to body and to its neighbour OL: the loom is good",
    corner: corner("active-2wire", [
      ohms("module.out.supply", "plug.in.supply", "0.3 Ω", ...IN_OUT),
      lamp("module.out.supply", "plug.in.supply", "bright", ...IN_OUT),
      ohms("module.out.return", "plug.in.return", "0.3 Ω", ...IN_OUT),
      lamp("module.out.return", "plug.in.return", "bright", ...IN_OUT),
      ohms("plug.in.supply", "plug.in.return", "OL", ...IN_OUT),
      ohms("plug.in.supply", "body", "OL", ...IN_OUT),
      ohms("plug.in.return", "body", "OL", ...IN_OUT),
    ]),
    most: { harness: 0.02 },
    proven: "nothing",
  },
  {
    tells:
      "0.08 V at the rail connector with the plug undone, 11.8 V with the connector undone, 0.6 Ω to body beyond it",
    corner: corner("active-2wire", [
      volts("c1.out.supply", "0.08 V", OPEN_PLUG),
      volts("c1.in.supply", "11.8 V", { key: "on", unplugged: ["c1"] }),
      ohms("c1.out.supply", "body", "0.6 Ω", "c1", "plug"),
    ]),
    least: { harness: 0.9 },
  },
  {
    tells: "passive: 30 mV of bias at the plug, 1.9 V as it is undone, 140 Ω from the coil to its body",
    corner: corner("passive", [
      volts("plug.in.a", "0.03 V"),
      volts("plug.in.a", "1.9 V", OPEN_PLUG),
      ohms("plug.out.a", "body", "140 Ω", "plug"),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.65 },
  },
  {
    tells: "passive: OL and no AC looking from the rail connector, coil good at its plug, one leg OL end to end",
    corner: corner("passive", [
      ohms("c1.out.a", "c1.out.b", "OL", "c1"),
      acVolts("c1.out.a", "c1.out.b", "0.000 V", { ...hand, unplugged: ["c1"] }),
      ohms("plug.out.a", "plug.out.b", "1k21", "plug"),
      ohms("c1.out.b", "plug.in.b", "0.2 Ω", "c1", "plug"),
      ohms("c1.out.a", "plug.in.a", "O.L", "c1", "plug"),
    ]),
    leads: ["harness"],
    most: { sensor: 0.02, connector: 0.1 },
  },
  {
    tells:
      "passive: 0.70 V AC at the sensor, 0.02 V at the loose module plug, 1.9 MΩ looking in there, 1.2 kΩ from C1 on",
    corner: corner("passive", [
      acVolts("plug.out.a", "plug.out.b", "0.70 V"),
      acVolts("module.out.a", "module.out.b", "0.02 V", { key: "off", wheel: "hand", unplugged: ["module"] }),
      ohms("module.out.a", "module.out.b", "1.9 MΩ", "module"),
      ohms("c1.out.a", "c1.out.b", "1.2k", "c1"),
    ]),
    leads: ["connector", "harness"],
    most: { sensor: 0.03, ring: 0.05 },
  },
  {
    tells: "active: debris seen on the encoder, pulses lost at random places",
    corner: corner("active-2wire", [seen("eyes", "ring", "debris"), capture("plug.out.return", "random-dropout")]),
    leads: ["ring"],
  },
  {
    tells: "both sides' supply low, 6.4 V at the module's feed pin, 12.5 V at the battery",
    corner: corner("active-2wire", [
      volts("plug.out.supply", "6.0 V"),
      seen("compare", "other-supply", "low", still),
      volts("battery.positive", "12.5 V"),
      volts("module.in.power", "6.4 V"),
    ]),
    proven: "module-feed",
  },
];
