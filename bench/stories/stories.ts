import {
  acVolts,
  beep,
  capture,
  corner,
  creep,
  hand,
  hertz,
  lamp,
  ohms,
  seen,
  still,
  volts,
  type Story,
} from "./story";

/** Nothing of these, on a corner that measures good, may be made much of. */
const NOTHING_MUCH = { sensor: 0.3, mounting: 0.3, ring: 0.6, connector: 0.3, harness: 0.3 } as const;

/**
 * Bench stories in readings: what was measured, the part it came to, and the parts that must not be condemned. Common
 * practice, no source, unless a line says otherwise; levels by data sheets from memory.
 */
export const stories: readonly Story[] = [
  // The toggle test, as most people do it.
  {
    tells: "good two-wire, low side: one level, then the other, wheel turned by hand",
    corner: corner("active-2wire", [volts("c1.out.return", "0.84 V", creep), volts("c1.out.return", "1.68 V", creep)]),
    proven: "nothing",
    most: NOTHING_MUCH,
  },
  {
    tells: "the same typed as a pair: sensor and mounting are cleared by it",
    corner: corner("active-2wire", [volts("c1.out.return", "0.84 / 1.68 V", creep)]),
    proven: "nothing",
    most: { sensor: 0.1, mounting: 0.15, connector: 0.2, harness: 0.2 },
  },
  {
    tells: "the same pair, the state left at still as a hurried hand leaves it",
    corner: corner("active-2wire", [volts("c1.out.return", "0.84…1.68 V", still)]),
    proven: "nothing",
    most: { sensor: 0.1, mounting: 0.2 },
  },
  {
    tells: "three-wire, signal toggles 0.12 and 4.98 V",
    corner: corner("active-3wire", [volts("plug.out.signal", "0.12 / 4.98 V", creep, "plug.out.ground")]),
    proven: "nothing",
    most: { sensor: 0.1, mounting: 0.2, connector: 0.2, harness: 0.2 },
  },
  ...(["0.31 / 0.62 V", "0.5 / 1.02 V", "1.35 / 2.75 V", "1.95 / 3.9 V"] as const).map((pair): Story => ({
    tells: `good two-wire of another make: ${pair}`,
    corner: corner("active-2wire", [volts("c1.out.return", pair, creep), capture("c1.out.return", "clean")]),
    proven: "nothing",
    most: { sensor: 0.15, mounting: 0.17, connector: 0.3, harness: 0.3 },
  })),
  {
    tells: "one level over ten steps: switching is in question, wires are not",
    corner: corner("active-2wire", [volts("c1.out.return", "0.84 / 0.84 V", creep)]),
    proven: "nothing",
    most: { harness: 0.1, connector: 0.1 },
  },
  {
    tells: "one level read once while creeping says next to nothing of switching",
    corner: corner("active-2wire", [volts("c1.out.return", "0.84 V", creep)]),
    proven: "nothing",
    most: { sensor: 0.35, mounting: 0.35 },
  },
  {
    tells: "ring seen broken, pulses missing at one place, although the signal toggles",
    corner: corner("active-2wire", [
      volts("c1.out.return", "0.84 / 1.68 V", creep),
      seen("eyes", "ring", "missing"),
      capture("c1.out.return", "missing-pulses"),
    ]),
    leads: ["ring"],
    most: { mounting: 0.05 },
  },
  // Ohms where they mean nothing.
  ...["OL", "3.2 MΩ", "560 kΩ", "47 kΩ"].map((value): Story => ({
    tells: `ohms across an active sensor: ${value} says nothing`,
    corner: corner("active-2wire", [ohms("plug.out.supply", "plug.out.return", value, "plug")]),
    proven: "nothing",
    most: { sensor: 0.25, connector: 0.25, harness: 0.25 },
  })),
  // Width-coded.
  {
    tells: "width-coded good sensor: mean near the low level, twice the hertz, hardly any AC",
    corner: corner(
      "active-2wire",
      [
        volts("c1.out.return", "0.86 V", hand),
        hertz("c1.out.return", "97 Hz"),
        acVolts("c1.out.return", "battery.negative", "0.1 V"),
      ],
      { protocol: "width" },
    ),
    proven: "nothing",
    most: { connector: 0.3, harness: 0.3, sensor: 0.3 },
  },
  {
    tells: "the same, nobody having said what kind of signal it is",
    corner: corner("active-2wire", [
      volts("c1.out.return", "0.86 V", hand),
      hertz("c1.out.return", "97 Hz"),
      acVolts("c1.out.return", "battery.negative", "0.1 V"),
    ]),
    proven: "nothing",
    most: { connector: 0.35, sensor: 0.35 },
  },
  // Sensors.
  {
    tells: "active sensor out: its tip rubbed at a slant",
    corner: corner("active-2wire", [seen("eyes", "face", "worn")]),
    least: { sensor: 0.3 },
    proven: "nothing",
  },
  {
    tells: "supply good at the open plug, nothing on the return with it joined, wire good end to end",
    corner: corner("active-2wire", [
      volts("plug.in.supply", "11.4 V", { key: "on", unplugged: ["plug"] }),
      volts("plug.out.return", "2 mV", still),
      ohms("module.out.return", "plug.in.return", "0.3 Ω", "module", "plug"),
      lamp("module.out.supply", "plug.in.supply", "bright", "module", "plug"),
      seen("eyes", "plug", "clean"),
    ]),
    leads: ["sensor"],
    // The return wire was read in ohms alone: a last strand would read the same.
    most: { harness: 0.15 },
  },
  {
    tells: "passive coil open at its own plug, and again at the next connector",
    corner: corner("passive", [
      ohms("plug.out.a", "plug.out.b", "OL", "plug"),
      ohms("c1.out.a", "c1.out.b", "OL", "c1"),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.9 },
  },
  {
    tells: "swapped side to side: the fault goes with the sensor",
    corner: corner("active-2wire", [seen("eyes", "swap", "follows")]),
    leads: ["sensor"],
  },
  {
    tells: "swapped side to side: the fault is gone, so a contact or the seat was disturbed",
    corner: corner("active-2wire", [seen("eyes", "swap", "vanished")]),
    leads: ["connector", "mounting"],
    most: { sensor: 0.1 },
  },
  // Wires.
  {
    tells: "11.2 V at C1, nothing at the sensor plug: the wire between",
    corner: corner("active-2wire", [
      volts("c1.out.supply", "11.2 V", { key: "on", unplugged: ["plug"] }),
      volts("plug.in.supply", "1 mV", { key: "on", unplugged: ["plug"] }),
      ohms("c1.out.supply", "plug.in.supply", "OL", "c1", "plug"),
    ]),
    leads: ["harness"],
    least: { harness: 0.9 },
    most: { sensor: 0.02 },
  },
  {
    tells: "it beeps, the lamp stays dark: hanging by a strand",
    corner: corner("active-2wire", [
      beep("c1.out.supply", "plug.in.supply", "beep", "c1", "plug"),
      lamp("c1.out.supply", "plug.in.supply", "off", "c1", "plug"),
    ]),
    leads: ["harness"],
    least: { harness: 0.5 },
  },
  {
    tells: "an open circuit code, a new sensor, and the wire broken above it",
    corner: corner(
      "active-2wire",
      [
        volts("plug.in.supply", "11.5 V", { key: "on", unplugged: ["plug"] }),
        volts("c1.in.return", "3 mV", still),
        ohms("c1.out.return", "plug.in.return", "OL", "c1", "plug"),
        ohms("module.out.return", "c1.in.return", "0.2 Ω", "module", "c1"),
      ],
      { complaint: { codes: ["C003A-13"], recentWork: ["sensor"] } },
    ),
    leads: ["harness"],
    most: { sensor: 0.05 },
  },
  {
    tells: "return chafed to ground: under an ohm to body with both ends undone",
    corner: corner("active-2wire", [
      ohms("plug.in.return", "body", "0.8 Ω", "module", "plug"),
      ohms("c1.in.return", "body", "OL", "module", "c1"),
    ]),
    leads: ["harness"],
    least: { harness: 0.55 },
  },
  {
    tells: "coil good at the plug, open at C1: wire or plug between",
    corner: corner("passive", [
      ohms("plug.out.a", "plug.out.b", "1.21 kΩ", "plug"),
      ohms("c1.out.a", "c1.out.b", "OL", "c1"),
    ]),
    leads: ["harness", "connector"],
    most: { sensor: 0.02 },
  },
  {
    tells: "nanofarads at the sensor plug with the module joined: its own capacitors",
    corner: corner("active-2wire", [
      {
        instrument: "capacitance",
        red: "plug.in.supply",
        black: "plug.in.return",
        state: { key: "off", batteryOff: true, unplugged: ["plug"] },
        value: "12 nF",
      },
    ]),
    proven: "nothing",
    unread: [0],
    most: { harness: 0.25, connector: 0.25 },
  },
  {
    tells: "comes and goes: supply at the plug jumps while moved, at C1 it stands",
    corner: corner(
      "active-2wire",
      [
        volts("plug.out.supply", "11.2 … 0.1 V", { key: "on", watched: true }),
        volts("c1.in.supply", "11.3 V", { key: "on", watched: true }),
      ],
      { complaint: { presence: "intermittent" } },
    ),
    leads: ["harness", "connector"],
    most: { sensor: 0.15, ring: 0.1 },
  },
  // Ring, gap and bearing.
  {
    tells: "a gap in the stripes under the film, and pulses lost at one place",
    corner: corner("active-2wire", [
      seen("film", "encoder", "gap"),
      capture("plug.out.return", "missing-pulses"),
      seen("hands", "bearing", "tight"),
    ]),
    proven: "ring",
  },
  {
    tells: "weak beside the other side, foot lifted by rust, gap 2.2 mm",
    corner: corner("passive", [
      seen("compare", "other-side", "weaker", hand),
      seen("eyes", "foot", "lifted"),
      seen("gauge", "gap", "2.2 mm"),
    ]),
    leads: ["mounting"],
    least: { mounting: 0.9 },
  },
  {
    tells: "a weak make: 0.3 V at a hand spin, and the other side just the same",
    corner: corner("passive", [
      acVolts("plug.out.a", "plug.out.b", "0.3 V"),
      seen("compare", "other-side", "alike", hand),
      ohms("plug.out.a", "plug.out.b", "1.5 kΩ", "plug"),
    ]),
    proven: "nothing",
    most: { mounting: 0.15, sensor: 0.15 },
  },
  {
    tells: "wheel rocks, and stops rocking with the brake held",
    corner: corner("active-2wire", [
      seen("hands", "bearing", "play"),
      seen("scan", "speed", "drops-out", { key: "on", wheel: "driven" }),
      seen("hands", "wake-turn", "jumps", { key: "on" }),
    ]),
    leads: ["bearing"],
  },
  {
    tells: "wheel rocks and goes on rocking with the brake held: a ball joint, no bearing",
    corner: corner("active-2wire", [seen("hands", "bearing", "play-stays")]),
    most: { bearing: 0.1 },
    proven: "nothing",
  },
  {
    tells: "a steady ratio, and another tyre on this corner",
    corner: corner("active-2wire", [
      seen("scan", "speed", "ratio-off", { key: "on", wheel: "driven" }),
      seen("eyes", "tyres", "different"),
    ]),
    leads: ["tyre"],
  },
  // Module and its feeds.
  {
    tells: "several corners down, 7.9 V at the module's feed, battery 12.4 V",
    corner: corner("active-2wire", [
      seen("scan", "others", "several", still),
      volts("module.in.power", "7.9 V", still),
      volts("battery.positive", "12.4 V", still),
    ]),
    leads: ["module-feed"],
  },
  {
    tells: "nothing at the module's own pin, its feed and ground not read: the module is not named",
    corner: corner("active-2wire", [
      volts("module.in.supply", "5 mV", still),
      volts("c1.in.supply", "4 mV", still),
      seen("scan", "others", "only-this", still),
    ]),
    proven: "nothing",
  },
  {
    tells: "good signal at the plug and at C1, live speed dead: channel or module plug, decided at its own pins only",
    corner: corner("active-2wire", [
      capture("plug.out.return", "clean"),
      capture("c1.out.return", "clean"),
      seen("scan", "speed", "zero", { key: "on", wheel: "driven" }),
    ]),
    proven: "nothing",
    most: { sensor: 0.06, ring: 0.05, mounting: 0.05 },
  },
  // Healthy corners and slips.
  {
    tells: "everything measures good",
    corner: corner("active-2wire", [
      volts("c1.out.return", "0.84 / 1.68 V", creep),
      capture("c1.out.return", "clean"),
      seen("scan", "speed", "follows", { key: "on", wheel: "driven" }),
      seen("film", "encoder", "whole"),
      seen("hands", "bearing", "tight"),
    ]),
    leads: ["none"],
    most: { sensor: 0.07, mounting: 0.25, ring: 0.3, connector: 0.2, harness: 0.15 },
  },
  {
    tells: "one probe slipped to ground among good readings condemns nothing",
    corner: corner("active-2wire", [
      volts("c1.out.return", "0.84 / 1.68 V", creep),
      volts("plug.out.supply", "3 mV", still),
      capture("plug.out.return", "clean"),
      volts("c1.out.supply", "11.3 V", still),
      seen("scan", "speed", "follows", { key: "on", wheel: "driven" }),
    ]),
    proven: "nothing",
    most: { sensor: 0.1 },
  },
  {
    tells: "readings that fit nothing together are not made a proof of",
    corner: corner("active-2wire", [
      volts("battery.positive", "12.4 V", still),
      volts("module.in.power", "3.1 V", still),
      volts("module.in.earth", "2.2 V", still),
      volts("c1.out.supply", "11.9 V", still),
      volts("c1.out.return", "7.7 V", still),
      seen("scan", "speed", "follows", { key: "on", wheel: "driven" }),
    ]),
    proven: "nothing",
  },
];
