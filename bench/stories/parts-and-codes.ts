import { acVolts, amps, capture, corner, creep, gauge, hand, ohms, seen, still, volts, type Story } from "./story";

const OPEN_C1 = { key: "on", unplugged: ["c1"] };
const DRIVEN = { key: "on", wheel: "driven" };

/** Stories of plugs, ring, seat, bearing, module and codes, by other hands. Common practice, no source. */
export const partsAndCodes: readonly Story[] = [
  // Connectors.
  {
    tells: "comes and goes in the wet; green bloom in the sensor plug, reading jumps as it is wiggled",
    corner: corner("active-2wire", [seen("eyes", "plug", "bad"), seen("hands", "wiggle-plug", "jumps", still)], {
      complaint: { presence: "intermittent", symptoms: ["when-wet"] },
    }),
    leads: ["connector"],
    least: { connector: 0.8 },
  },
  {
    tells: "one terminal in the sensor plug falls through in the drag test, supply drops out there while recorded",
    corner: corner(
      "active-2wire",
      [seen("hands", "drag-test", "loose"), capture("plug.out.return", "random-dropout")],
      { complaint: { presence: "intermittent" } },
    ),
    leads: ["connector"],
    least: { connector: 0.6 },
  },
  // Ring, mounting, bearing, tyre.
  {
    tells: "new bearing, its encoder face away from the sensor: no stripes on this side",
    corner: corner("active-2wire", [seen("scan", "speed", "zero", DRIVEN), seen("film", "encoder", "no-stripes")], {
      complaint: { recentWork: ["bearing"] },
    }),
    leads: ["ring"],
    least: { ring: 0.85 },
  },
  {
    tells: "steady ratio after a new bearing, 44 pulses counted where 48 belong",
    corner: corner(
      "active-2wire",
      [seen("scan", "speed", "ratio-off", DRIVEN), seen("eyes", "count", "other"), seen("eyes", "tyres", "alike")],
      { complaint: { recentWork: ["bearing"] } },
    ),
    leads: ["ring"],
    least: { ring: 0.85 },
    most: { tyre: 0.1 },
  },
  {
    tells: "slow wave once a turn, bearing rocks, recording eccentric",
    corner: corner("active-2wire", [capture("plug.out.return", "eccentric"), seen("hands", "bearing", "play")]),
    leads: ["bearing"],
    most: { sensor: 0.02, harness: 0.02, connector: 0.02 },
  },
  {
    tells: "slow wave once a turn, bearing tight: the ring runs out",
    corner: corner("passive", [
      capture("plug.out.a", "eccentric"),
      seen("hands", "bearing", "tight"),
      gauge("runout", "0.45 mm"),
    ]),
    leads: ["ring"],
    most: { bearing: 0.15 },
  },
  {
    tells: "active: pulses lost more and more, foot lifted, 3 mm of air",
    corner: corner("active-2wire", [
      capture("plug.out.return", "duty-shift"),
      seen("eyes", "foot", "lifted"),
      gauge("gap", "3.0 mm"),
    ]),
    leads: ["mounting"],
    least: { mounting: 0.9 },
  },
  {
    tells: "sensor moves in its bore by hand after brake work",
    corner: corner("active-2wire", [seen("hands", "sensor", "rocks"), seen("scan", "speed", "drops-out", DRIVEN)], {
      complaint: { recentWork: ["brakes"] },
    }),
    leads: ["mounting"],
  },
  {
    tells: "this wheel turned by hand and another corner answers",
    corner: corner("active-2wire", [seen("scan", "which", "another", still)]),
    leads: ["connector"],
    most: { sensor: 0.15, ring: 0.2 },
  },
  {
    tells: "high and low uneven, nothing else read: the gap before all else",
    corner: corner("active-2wire", [capture("plug.out.return", "duty-shift")]),
    leads: ["mounting"],
    proven: "nothing",
  },
  {
    tells: "the supply sinks with the signal, and nobody said that it comes and goes: contacts and wires, no bearing",
    corner: corner("active-2wire", [capture("plug.out.return", "supply-dip")]),
    leads: ["connector", "harness"],
    most: { bearing: 0.1, mounting: 0.15, ring: 0.25 },
    proven: "nothing",
  },
  {
    tells: "losses at no fixed place, nobody having said that it comes and goes, bearing tight, sensor firm: wires",
    corner: corner("active-2wire", [
      capture("plug.out.return", "random-dropout"),
      seen("hands", "bearing", "tight"),
      seen("hands", "sensor", "firm"),
      gauge("gap", "1.0 mm"),
    ]),
    leads: ["connector", "harness", "sensor"],
    most: { bearing: 0.2, mounting: 0.25, ring: 0.2 },
    proven: "nothing",
  },
  // Module and feeds.
  {
    tells: "1.2 V on the module's ground under load, its feed good",
    corner: corner("active-2wire", [
      volts("module.in.earth", "1.2 V", still),
      volts("module.in.power", "12.3 V", still),
      volts("module.in.earth", "1.2 V", still),
    ]),
    leads: ["module-feed"],
    least: { "module-feed": 0.6 },
  },
  {
    tells: "10.1 V at the module's feed pin, 12.4 V at the battery: 2.3 V lost between them",
    corner: corner("active-2wire", [
      volts("module.in.power", "10.1 V", still),
      volts("battery.positive", "12.4 V", still),
      volts("battery.positive", "2.3 V", still, "module.in.power"),
    ]),
    leads: ["module-feed"],
    least: { "module-feed": 0.7 },
  },
  {
    tells: "toggles at the module's own pin, its feed and ground good, live speed zero: the channel",
    corner: corner("active-2wire", [
      volts("module.in.return", "0.84 / 1.68 V", creep),
      seen("scan", "speed", "zero", DRIVEN),
      volts("module.in.power", "12.2 V", still),
      volts("module.in.earth", "8 mV", still),
      seen("scan", "others", "only-this", still),
    ]),
    leads: ["module"],
    most: { sensor: 0.15, harness: 0.1, ring: 0.15, mounting: 0.3 },
  },
  {
    tells: "battery worn down by an hour of key on: 9.7 V there, 8.4 V at both sensors' supplies",
    corner: corner("active-2wire", [
      volts("battery.positive", "9.7 V", still),
      volts("c1.out.supply", "8.4 V", still),
      seen("compare", "other-supply", "low", still),
    ]),
    proven: "nothing",
    most: { sensor: 0.3, harness: 0.1, connector: 0.1, module: 0.05 },
  },
  {
    tells: "no supply at C1 nor at the module's pin with C1 undone, feed and ground good, other corners good",
    corner: corner("active-2wire", [
      volts("c1.in.supply", "2 mV", OPEN_C1),
      volts("module.in.supply", "3 mV", OPEN_C1),
      volts("module.in.power", "12.3 V", still),
      volts("module.in.earth", "6 mV", still),
      seen("scan", "others", "only-this", still),
    ]),
    leads: ["module", "harness"],
    most: { sensor: 0.02, ring: 0.02, mounting: 0.02 },
  },
  // Codes that mislead.
  {
    tells: "a code for the sensor's circuit, and the signal recorded clean at the module's pin, live speed there",
    corner: corner("active-2wire", [capture("module.in.return", "clean"), seen("scan", "speed", "follows", DRIVEN)], {
      complaint: { codes: ["C003A-13"] },
    }),
    proven: "nothing",
    most: { sensor: 0.1, harness: 0.3, module: 0.05 },
  },
  {
    tells: "a code of another corner weighs nothing here",
    corner: corner("active-2wire", [], { complaint: { codes: ["C0031-13"] } }),
    proven: "nothing",
    most: { harness: 0.25, sensor: 0.3 },
  },
  {
    tells: "everything good on a passive corner: no part is made of it",
    corner: corner("passive", [
      ohms("c1.out.a", "c1.out.b", "1.08 kΩ", "c1"),
      acVolts("c1.out.a", "c1.out.b", "1.1 V"),
      seen("compare", "other-side", "alike", hand),
      capture("c1.out.a", "clean"),
      seen("scan", "speed", "follows", DRIVEN),
      seen("hands", "bearing", "tight"),
    ]),
    // All of it was read on the sensor's side of C1.
    proven: "nothing",
    most: { sensor: 0.05, mounting: 0.1, ring: 0.1, connector: 0.35, harness: 0.3 },
  },
  {
    tells: "passive: the wire open from module to sensor, whole on either side of C1: it is the plug between them",
    corner: corner("passive", [
      seen("scan", "speed", "zero", { key: "on", wheel: "driven" }),
      ohms("plug.out.a", "plug.out.b", "1.18 kΩ", "plug"),
      ohms("module.out.a", "plug.in.a", "OL", "module", "plug"),
      ohms("module.out.b", "plug.in.b", "0.4 Ω", "module", "plug"),
      ohms("module.out.a", "c1.in.a", "0.3 Ω", "module", "c1"),
      ohms("c1.out.a", "plug.in.a", "0.3 Ω", "c1", "plug"),
      ohms("c1.out.a", "c1.out.b", "1.18 kΩ", "c1"),
      ohms("module.out.a", "plug.in.a", "OL", "module", "plug"),
    ]),
    leads: ["connector"],
    least: { connector: 0.95 },
  },
  {
    tells:
      "ground lost at the module, which goes on feeding on what is left: 10.2 V on the return, 2.5 V across the sensor",
    corner: corner(
      "active-2wire",
      [
        volts("c1.out.supply", "11.9 V"),
        volts("c1.out.return", "10.2 V"),
        volts("c1.in.return", "10.2 V"),
        amps("6.4 mA"),
        volts("c1.in.supply", "2.49 V", still, "c1.in.return"),
      ],
      { sense: "low" },
    ),
    proven: "nothing",
    least: { "module-feed": 0.05 },
  },
  {
    tells: "supply dead at the module, 76 Ω between the wires at the open plug, twice; gone once the plug was dried",
    corner: corner(
      "active-2wire",
      [
        volts("plug.in.supply", "9 mV"),
        volts("module.out.supply", "9 mV"),
        ohms("plug.in.supply", "plug.in.return", "76 Ω", "module", "plug"),
        ohms("plug.in.supply", "plug.in.return", "76 Ω", "c1", "plug"),
        ohms("c1.in.supply", "c1.in.return", "OL", "module", "c1"),
        seen("hands", "reseat-plug", "gone"),
      ],
      { sense: "low" },
    ),
    leads: ["connector"],
    least: { connector: 0.8 },
  },
];
