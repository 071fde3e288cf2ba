import { acVolts, amps, capture, corner, creep, hand, hertz, ohms, seen, still, volts, type Story } from "./story";

const DRIVEN = { key: "on", wheel: "driven" };
const OPEN_PLUG = { key: "on", unplugged: ["plug"] };
const OPEN_C1 = { key: "on", unplugged: ["c1"] };

/**
 * Stories of cars of which the set-up says less than it could: which side is sensed, what three wires are fed with, whether a
 * passive pair is biased; and of what a meter shows of breaks, starved sensors and feeds that protect themselves. Domain,
 * sections 3 and 4; values from memory.
 */
export const unsaid: readonly Story[] = [
  {
    tells: "side not said: nothing in the return, a good supply: an open sensor, or sensed above it",
    corner: corner("active-2wire", [volts("c1.out.return", "0.01 V", creep), volts("c1.out.supply", "11.2 V")]),
    proven: "nothing",
    most: { sensor: 0.75 },
  },
  {
    tells:
      "side not said: 0 V in the return, the supply toggles by a volt, recorded clean there: sensed above, and good",
    corner: corner("active-2wire", [
      volts("plug.out.return", "0.00 V", creep),
      volts("plug.out.supply", "10.62 / 9.71 V", creep),
      capture("plug.out.supply", "clean"),
    ]),
    proven: "nothing",
    most: { sensor: 0.15, mounting: 0.2, harness: 0.25, connector: 0.25 },
  },
  {
    tells: "side not said: no volts in the return, 7 and 14 mA in the loop: the sensor switches",
    corner: corner("active-2wire", [volts("plug.out.return", "2 mV", creep), amps("7.1 / 14.3 mA", creep)]),
    proven: "nothing",
    most: { sensor: 0.12, mounting: 0.2 },
  },
  {
    tells: "three wires, nothing said: 5 V, a good ground and a 5 V pull-up at the open plug are a good feed",
    corner: corner("active-3wire", [
      volts("plug.in.supply", "5.02 V", OPEN_PLUG),
      volts("plug.in.ground", "3 mV", OPEN_PLUG),
      volts("plug.in.signal", "4.98 V", OPEN_PLUG),
    ]),
    proven: "nothing",
    most: { "module-feed": 0.05, harness: 0.15, module: 0.05 },
  },
  {
    tells: "three wires, nothing said: 8.1 V of supply, the signal toggles between 0.2 and 11.9 V",
    corner: corner("active-3wire", [
      volts("plug.out.supply", "8.1 V"),
      volts("plug.out.signal", "0.21 / 11.9 V", creep, "plug.out.ground"),
    ]),
    proven: "nothing",
    most: { sensor: 0.12, "module-feed": 0.05, harness: 0.15, connector: 0.2 },
  },
  {
    tells: "passive, nothing said: no volts on either leg, coil good, 0.3 V AC by hand: many modules bias nothing",
    corner: corner("passive", [
      volts("plug.in.a", "0.00 V", OPEN_PLUG),
      volts("plug.in.b", "0.00 V", OPEN_PLUG),
      ohms("plug.out.a", "plug.out.b", "1.21 kΩ", "plug"),
      acVolts("plug.out.a", "plug.out.b", "0.31 V"),
    ]),
    proven: "nothing",
    most: { harness: 0.3, connector: 0.25, module: 0.15, "module-feed": 0.2 },
  },
  {
    tells: "the same, the maker says both legs hold 1.8 V with the plug off: they do not, and nothing reaches the plug",
    corner: corner("passive", [volts("plug.in.a", "0.00 V", OPEN_PLUG), volts("plug.in.b", "0.00 V", OPEN_PLUG)], {
      legBias: "yes",
    }),
    leads: ["harness", "connector", "module-feed", "module"],
    proven: "nothing",
    most: { sensor: 0.1, ring: 0.1, mounting: 0.1 },
  },
  {
    tells: "three wires: signal and ground touch in the arch, 0.4 Ω between them with both ends off",
    corner: corner("active-3wire", [
      volts("plug.in.signal", "0.00 V", OPEN_PLUG),
      ohms("plug.in.ground", "plug.in.signal", "0.4 Ω", "c1", "plug"),
      ohms("plug.in.ground", "plug.in.signal", "0.4 Ω", "c1", "plug"),
    ]),
    leads: ["harness"],
    least: { harness: 0.8 },
  },
  {
    tells: "a broken wire shows 0.12 V to ten megohms, and OL end to end: it is broken, not leaking",
    corner: corner("active-2wire", [
      volts("c1.in.supply", "11.9 V", OPEN_C1),
      volts("plug.in.supply", "0.12 V", OPEN_PLUG),
      ohms("c1.out.supply", "plug.in.supply", "OL", "c1", "plug"),
      ohms("plug.in.supply", "body", "OL", "c1", "plug"),
    ]),
    leads: ["harness"],
    least: { harness: 0.9 },
  },
  {
    tells: "a corroded pin starves the sensor to 1.6 V, all the way to the plug",
    corner: corner("active-2wire", [
      volts("c1.in.supply", "12.0 V"),
      volts("c1.out.supply", "1.6 V"),
      volts("plug.out.supply", "1.6 V"),
      volts("plug.out.return", "0.02 V"),
    ]),
    leads: ["connector"],
    least: { connector: 0.8 },
  },
  {
    tells:
      "supply and return both at 0.3 V with 2 mA flowing, 11.9 V again once the plug is off: a short in the sensor",
    corner: corner("active-2wire", [
      volts("plug.out.supply", "0.31 V"),
      volts("plug.out.return", "0.30 V"),
      amps("2.4 mA"),
      volts("plug.in.supply", "0.32 V"),
      volts("plug.in.supply", "11.9 V", OPEN_PLUG),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.5 },
  },
  {
    tells: "nobody counted the poles: 58 Hz at 20 km/h are a ring of 20, toggling as it should",
    corner: corner("active-2wire", [
      volts("plug.out.return", "0.84 / 1.68 V", creep),
      { ...hertz("plug.out.return", "57.5 Hz"), state: { ...DRIVEN, speedKmh: 20 } },
    ]),
    proven: "nothing",
    most: { mounting: 0.32, ring: 0.5, sensor: 0.1 },
  },
  {
    tells: "the same on a ring that was counted, 48: more than half of them are lost",
    corner: corner(
      "active-2wire",
      [
        volts("plug.out.return", "0.84 / 1.68 V", creep),
        { ...hertz("plug.out.return", "57.5 Hz"), state: { ...DRIVEN, speedKmh: 20 } },
      ],
      { pulsesPerRevolution: 48, tyre: "205/55R16" },
    ),
    least: { mounting: 0.05, sensor: 0.1 },
    most: { ring: 0.45 },
  },
  {
    tells: "passive: jumping speed, noise in the recording, 900 Ω from coil to body at its own open plug, twice",
    corner: corner("passive", [
      seen("scan", "speed", "erratic", DRIVEN),
      capture("plug.out.a", "noise-at-rest"),
      ohms("plug.out.a", "body", "900 Ω", "plug"),
      ohms("plug.out.a", "body", "890 Ω", "plug"),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.9 },
  },
  {
    tells: "battery 12.5 V but 9.6 V at the supply pin, return toggles: side not said, a spin recorded clean",
    corner: corner("active-2wire", [
      volts("battery.positive", "12.5 V", still),
      volts("c1.out.supply", "9.6 V", still),
      volts("c1.out.return", "0.9 / 1.8 V", creep),
      acVolts("c1.out.return", "battery.negative", "0.45 V", hand),
      capture("c1.out.return", "clean"),
    ]),
    proven: "nothing",
    most: { "module-feed": 0.15, sensor: 0.1 },
  },
  {
    tells: "three-wire: 11.9 V on the signal, fed with 5 V: pulled up to battery volts, which nobody said it was not",
    corner: corner(
      "active-3wire",
      [volts("plug.out.signal", "11.87 V", creep, "plug.out.ground"), volts("plug.out.supply", "4.94 V")],
      { supplyV: 5 },
    ),
    proven: "nothing",
    most: { harness: 0.4 },
  },
];
