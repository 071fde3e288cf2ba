import {
  acVolts,
  amps,
  beep,
  capture,
  corner,
  creep,
  gauge,
  hand,
  hertz,
  lamp,
  ohms,
  seen,
  still,
  volts,
  type Story,
} from "./story";

const DRIVEN = { key: "on", wheel: "driven" };
const OPEN_PLUG = { key: "on", unplugged: ["plug"] };
const OPEN_C1 = { key: "on", unplugged: ["c1"] };

/**
 * Stories of other hands and habits: a meter-only shop, an oscilloscope-only shop, acts tried before anything is read,
 * makes with other levels, readings that say less than they seem to. Common practice, no source; values from memory.
 */
export const habits: readonly Story[] = [
  {
    tells: "passive: 1.9 kΩ from the open module plug, then 1.15 kΩ at the sensor's own: corrosion on the way, no coil",
    corner: corner("passive", [
      ohms("module.out.a", "module.out.b", "1.9 kΩ", "module"),
      ohms("plug.out.a", "plug.out.b", "1.15 kΩ", "plug"),
    ]),
    leads: ["connector", "harness"],
    most: { sensor: 0.05, ring: 0.1 },
  },
  {
    tells: "passive: 750 Ω along one wire with both its ends off, read twice",
    corner: corner("passive", [
      ohms("module.out.a", "plug.in.a", "750 Ω", "module", "plug"),
      ohms("module.out.a", "plug.in.a", "755 Ω", "module", "plug"),
    ]),
    leads: ["connector", "harness"],
    most: { sensor: 0.03, ring: 0.03 },
  },
  {
    tells: "plug undone, 11.9 V on the supply and 0 V on the return: it says nothing of the sensor",
    corner: corner("active-2wire", [
      volts("plug.in.supply", "11.9 V", OPEN_PLUG),
      volts("plug.in.return", "0.00 V", OPEN_PLUG),
    ]),
    proven: "nothing",
    most: { "module-feed": 0.03 },
  },
  {
    tells: "low side, another make: 0.31 and 0.62 V by hand, live speed follows: nothing is wrong here",
    corner: corner("active-2wire", [
      volts("plug.out.return", "0.31 / 0.62 V", creep),
      seen("scan", "speed", "follows", DRIVEN),
      seen("hands", "bearing", "tight"),
    ]),
    most: { sensor: 0.1, mounting: 0.25, ring: 0.6, harness: 0.1, connector: 0.1 },
  },
  {
    tells: "low side: supply there, no current at all, none in the return: an open sensor",
    corner: corner("active-2wire", [
      volts("plug.out.supply", "11.8 V"),
      volts("plug.out.supply", "11.8 V", still, "plug.out.return"),
      amps("0.0 mA"),
      volts("plug.out.return", "0.00 V"),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.8 },
  },
  {
    tells: "low side: current toggles 7.0 and 14.1 mA at the plug, return toggles too, live speed stays at zero",
    corner: corner("active-2wire", [
      amps("7.0 / 14.1 mA", creep),
      volts("plug.out.return", "0.81 / 1.63 V", creep),
      seen("scan", "speed", "zero", DRIVEN),
    ]),
    most: { sensor: 0.12, mounting: 0.1, ring: 0.2 },
    proven: "nothing",
  },
  {
    tells: "passive: 0.14 V AC by hand at the plug, coil 1.15 kΩ, insulated: many makes are content with that",
    corner: corner("passive", [
      acVolts("plug.out.a", "plug.out.b", "0.14 V"),
      ohms("plug.out.a", "plug.out.b", "1.15 kΩ", "plug"),
      ohms("plug.out.a", "body", "OL", "plug"),
    ]),
    proven: "nothing",
    most: { sensor: 0.35 },
  },
  {
    tells: "passive: 6 mV AC by hand, coil and insulation good, the gap measures 2.4 mm with scale under the foot",
    corner: corner("passive", [
      acVolts("plug.out.a", "plug.out.b", "6 mV"),
      ohms("plug.out.a", "plug.out.b", "1.21 kΩ", "plug"),
      gauge("gap", "2.4 mm"),
      seen("eyes", "foot", "lifted"),
    ]),
    leads: ["mounting"],
    least: { mounting: 0.9 },
  },
  {
    tells:
      "passive: coil good at the plug, OL looking into the loom from the module plug, one wire beeps, the other does not",
    corner: corner("passive", [
      ohms("plug.out.a", "plug.out.b", "1.08 kΩ", "plug"),
      ohms("module.out.a", "module.out.b", "OL", "module"),
      beep("module.out.a", "plug.in.a", "beep", "module", "plug"),
      beep("module.out.b", "plug.in.b", "no-beep", "module", "plug"),
    ]),
    leads: ["harness", "connector"],
    most: { sensor: 0.02, mounting: 0.02, ring: 0.02, bearing: 0.02 },
    proven: "nothing",
  },
  {
    tells: "the connector on the rail cleaned and plugged again, and the wheel is back in the live data",
    corner: corner("active-2wire", [
      seen("scan", "speed", "zero", DRIVEN),
      volts("plug.out.supply", "3.1 V"),
      seen("hands", "reseat-c1", "gone"),
    ]),
    leads: ["connector"],
    least: { connector: 0.8 },
  },
  {
    tells: "both plugs cleaned and reseated without any change, supply missing at the sensor plug: not the plugs",
    corner: corner("active-2wire", [
      volts("plug.in.supply", "0.02 V", OPEN_PLUG),
      seen("hands", "reseat-c1", "still"),
      seen("hands", "reseat-plug", "still"),
    ]),
    leads: ["harness", "module", "module-feed"],
    most: { sensor: 0.06, ring: 0.06, mounting: 0.06 },
  },
  {
    tells: "sensor changed over with the other side: the fault went with it",
    corner: corner("active-2wire", [seen("scan", "speed", "zero", DRIVEN), seen("eyes", "swap", "follows")]),
    leads: ["sensor"],
    least: { sensor: 0.8 },
  },
  {
    tells: "sensor changed over: the fault stayed; supply and toggle at the plug good",
    corner: corner("active-2wire", [
      seen("eyes", "swap", "stays"),
      volts("plug.out.supply", "11.4 V"),
      volts("plug.out.return", "0.79 / 1.58 V", creep),
    ]),
    most: { sensor: 0.02 },
  },
  {
    tells: "both wires beep end to end, a lamp through the supply wire hardly glows: a few strands carry it",
    corner: corner("active-2wire", [
      beep("c1.out.supply", "plug.in.supply", "beep", "c1", "plug"),
      beep("c1.out.return", "plug.in.return", "beep", "c1", "plug"),
      lamp("c1.out.supply", "plug.in.supply", "dim", "c1", "plug"),
      lamp("c1.out.return", "plug.in.return", "bright", "c1", "plug"),
    ]),
    leads: ["harness", "ring"],
    least: { harness: 0.15 },
  },
  {
    tells: "both wires beep end to end, a lamp through the supply wire stays dark",
    corner: corner("active-2wire", [
      beep("c1.out.supply", "plug.in.supply", "beep", "c1", "plug"),
      beep("c1.out.return", "plug.in.return", "beep", "c1", "plug"),
      lamp("c1.out.supply", "plug.in.supply", "off", "c1", "plug"),
      lamp("c1.out.return", "plug.in.return", "bright", "c1", "plug"),
    ]),
    leads: ["harness"],
    least: { harness: 0.6 },
  },
  {
    tells: "battery at 9.6 V with the key on: everything else reads low and means little yet",
    corner: corner("active-2wire", [volts("battery.positive", "9.6 V", still), volts("plug.out.supply", "8.9 V")]),
    leads: ["module-feed"],
    most: { sensor: 0.15, harness: 0.15, connector: 0.15 },
  },
  {
    tells: "1.4 V between the module's ground and battery negative, key on",
    corner: corner("active-2wire", [volts("module.in.earth", "1.4 V"), seen("eyes", "others", "several")]),
    leads: ["module-feed"],
    least: { "module-feed": 0.8 },
  },
  {
    tells:
      "comes and goes: recorded with drop-outs, span 2 tugged and the reading jumps, the plugs tugged and it does not",
    corner: corner(
      "active-2wire",
      [
        capture("plug.out.return", "random-dropout"),
        seen("hands", "wiggle-span2", "jumps", still),
        seen("hands", "wiggle-plug", "steady", still),
        seen("hands", "wiggle-c1", "steady", still),
      ],
      { complaint: { presence: "intermittent" } },
    ),
    leads: ["harness"],
    least: { harness: 0.75 },
  },
  {
    tells:
      "recorded clean at the plug over three turns, foot seated, bearing tight, live speed follows: no part of this corner",
    corner: corner("active-2wire", [
      capture("plug.out.return", "clean"),
      seen("scan", "speed", "follows", DRIVEN),
      seen("hands", "bearing", "tight"),
      seen("eyes", "foot", "seated"),
    ]),
    most: { sensor: 0.1, harness: 0.15, connector: 0.15, ring: 0.15, mounting: 0.1, bearing: 0.1 },
  },
  {
    tells: "one pole recorded missing at the same tooth every turn, the encoder shows a gap under film",
    corner: corner("active-2wire", [capture("plug.out.return", "missing-pulses"), seen("film", "encoder", "gap")]),
    leads: ["ring"],
    least: { ring: 0.95 },
    proven: "ring",
  },
  {
    tells:
      "three-wire: 5 V supply, ground good, 0.1 and 4.9 V by hand at the plug, only 4.5 and 5 V at the module side of the rail connector",
    corner: corner(
      "active-3wire",
      [
        volts("plug.out.supply", "5.01 V"),
        volts("plug.out.ground", "0.01 V"),
        volts("plug.out.signal", "0.12 / 4.9 V", creep),
        volts("c1.in.signal", "4.5 / 4.98 V", creep),
      ],
      { supplyV: 5 },
    ),
    most: { sensor: 0.05, ring: 0.1, mounting: 0.12 },
    leads: ["harness", "connector"],
  },
  {
    tells:
      "high side: 11.6 V fixed at the plug, 7 mA fixed while spun, other side 10.6 mA: the sensor or what it looks at",
    corner: corner(
      "active-2wire",
      [
        volts("plug.out.supply", "11.6 V"),
        amps("7.0 mA", hand),
        seen("eyes", "foot", "seated"),
        seen("film", "encoder", "whole"),
      ],
      { sense: "high" },
    ),
    leads: ["sensor"],
    // The loop through the clamp passes the plug's own contacts by: of them it says nothing.
    most: { harness: 0.1, connector: 0.25 },
  },
  {
    tells:
      "high side: supply wire undone at the rail connector still shows 12.6 V on its sensor side: it is fed from elsewhere",
    corner: corner(
      "active-2wire",
      [volts("c1.out.supply", "12.6 V", OPEN_C1), volts("c1.in.supply", "11.2 V", OPEN_C1)],
      { sense: "high" },
    ),
    leads: ["harness"],
    most: { sensor: 0.05, ring: 0.05, mounting: 0.05 },
  },
  {
    tells: "passive: hertz right by hand but a tenth of the volts of the other side, gap 0.4 mm, coil 310 Ω",
    corner: corner("passive", [
      hertz("plug.out.a", "47 Hz", "plug.out.b"),
      seen("compare", "other-side", "weaker", hand),
      gauge("gap", "0.4 mm"),
      ohms("plug.out.a", "plug.out.b", "310 Ω", "plug"),
    ]),
    leads: ["sensor"],
    // Water in the sensor's half of the plug makes the same ohms.
    least: { sensor: 0.8 },
  },
  {
    tells: "play felt, and the recording swells once a turn",
    corner: corner("passive", [seen("hands", "bearing", "play"), capture("plug.out.a", "eccentric")]),
    leads: ["bearing"],
    least: { bearing: 0.85 },
  },
  {
    tells: "comes and goes: recorded for hours, pulses missing while the level stays at 14 mA: not the wires",
    corner: corner(
      "active-2wire",
      [capture("plug.out.return", "signal-parked"), seen("scan", "speed", "drops-out", DRIVEN)],
      { sense: "low", complaint: { presence: "intermittent" } },
    ),
    leads: ["sensor", "mounting", "bearing", "ring"],
    most: { harness: 0.2, connector: 0.2 },
  },
  {
    tells:
      "comes and goes: recorded for hours, pulses missing while the level falls to nothing: the wires or the sensor open",
    corner: corner(
      "active-2wire",
      [capture("plug.out.return", "signal-lost"), seen("scan", "speed", "drops-out", DRIVEN)],
      { sense: "low", complaint: { presence: "intermittent" } },
    ),
    leads: ["harness", "connector", "sensor"],
    most: { mounting: 0.1, bearing: 0.1, ring: 0.05 },
  },
  {
    tells:
      "comes and goes: at the sensor the level rises to the supply while pulses are lost: its current has no way back, the return between there and the module, not the sensor",
    corner: corner(
      "active-2wire",
      [capture("plug.out.return", "signal-risen"), seen("scan", "speed", "drops-out", DRIVEN)],
      {
        sense: "low",
        complaint: { presence: "intermittent" },
      },
    ),
    leads: ["harness", "connector"],
    most: { sensor: 0.12, mounting: 0.1, bearing: 0.1, ring: 0.05, "module-feed": 0.1 },
  },
  {
    tells:
      "comes and goes: the same return rises at the sensor and falls to nothing at the module: cut in between, as any two of three would say",
    corner: corner(
      "active-2wire",
      [capture("plug.out.return", "signal-risen"), capture("module.out.return", "signal-fallen")],
      { sense: "low", complaint: { presence: "intermittent" } },
    ),
    leads: ["harness", "connector"],
    most: { sensor: 0.08, module: 0.08, mounting: 0.08, "module-feed": 0.08 },
  },
  {
    tells:
      "comes and goes: the return rises to the supply at the module itself: the two wires or water between them, or the module, never a cut further out",
    corner: corner("active-2wire", [capture("module.out.return", "signal-risen")], {
      sense: "low",
      complaint: { presence: "intermittent" },
    }),
    leads: ["harness", "connector", "module", "sensor"],
    most: { mounting: 0.1, bearing: 0.1, ring: 0.05, "module-feed": 0.15 },
  },
  {
    tells: "the same with the level not looked at: both are open",
    corner: corner(
      "active-2wire",
      [capture("plug.out.return", "random-dropout"), seen("scan", "speed", "drops-out", DRIVEN)],
      { sense: "low", complaint: { presence: "intermittent" } },
    ),
    least: { harness: 0.1, connector: 0.1 },
    proven: "nothing",
  },
];
