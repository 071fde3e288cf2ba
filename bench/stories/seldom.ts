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
  volts,
  type Story,
} from "./story";

const OPEN_PLUG = { key: "on", unplugged: ["plug"] };
const DRIVEN = { key: "on", wheel: "driven", speedKmh: 20 };

/**
 * Stories of what is met seldom and blamed on its neighbour: a sensor's own lead, a coil gone high in ohms, a weak magnet, a
 * ring that is packed or not there at all. Common practice, no source; values from memory.
 */
export const seldom: readonly Story[] = [
  {
    tells: "passive: 6.8 kΩ across the coil at its own plug, 7.0 from the next connector",
    corner: corner("passive", [
      ohms("plug.out.a", "plug.out.b", "6.8 kΩ", "plug"),
      ohms("c1.out.a", "c1.out.b", "7.0 kΩ", "c1"),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.7 },
  },
  {
    tells: "passive: OL across the coil once it is hot, 1.18 kΩ cold, and it jumps as it is warmed",
    corner: corner(
      "passive",
      [
        ohms("plug.out.a", "plug.out.b", "1.18 kΩ", "plug"),
        seen("scan", "wake-heat", "jumps", { key: "on" }),
        ohms("plug.out.a", "plug.out.b", "OL", "plug"),
      ],
      { complaint: { presence: "intermittent" } },
    ),
    leads: ["sensor"],
    least: { sensor: 0.8 },
  },
  {
    tells: "0.4 V at the supply, 11.8 V with the plug off, 0.6 Ω from the loose sensor's supply to body: its own lead",
    corner: corner("active-2wire", [
      volts("plug.in.supply", "0.4 V"),
      volts("plug.in.supply", "11.8 V", OPEN_PLUG),
      ohms("plug.out.supply", "body", "0.6 Ω", "plug"),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.9 },
  },
  {
    tells: "three-wire: signal at nothing, 5 V there with the plug off, 0.8 Ω from the sensor's signal to body, twice",
    corner: corner("active-3wire", [
      volts("plug.out.signal", "0.02 V", creep),
      volts("plug.in.signal", "5.0 V", OPEN_PLUG),
      ohms("plug.out.signal", "body", "0.8 Ω", "plug"),
      ohms("plug.out.signal", "body", "0.9 Ω", "plug"),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.7 },
  },
  {
    tells: "passive: nothing from a coil of 1.2 kΩ, and no ring to be seen on the new shaft",
    corner: corner(
      "passive",
      [
        acVolts("plug.out.a", "plug.out.b", "0.00 V"),
        ohms("plug.out.a", "plug.out.b", "1.2 kΩ", "plug"),
        seen("eyes", "ring", "missing"),
      ],
      { complaint: { recentWork: ["bearing"] } },
    ),
    leads: ["ring"],
    least: { ring: 0.65 },
  },
  {
    tells: "passive: a fifth of the volts with the plug off too, gap 0.4 mm, coil good, the ring packed with rust",
    corner: corner("passive", [
      acVolts("plug.out.a", "plug.out.b", "0.11 V", { ...hand, unplugged: ["plug"] }),
      seen("compare", "other-side", "weaker", hand),
      seen("eyes", "ring", "debris"),
      gauge("gap", "0.4 mm"),
      ohms("plug.out.a", "plug.out.b", "1.2 kΩ", "plug"),
    ]),
    leads: ["ring"],
    most: { mounting: 0.05 },
  },
  {
    tells:
      "the wheel rocks, the recording swells once a turn, the gauge on a ring turned gently hardly moves: the bearing",
    corner: corner("passive", [
      seen("hands", "bearing", "play"),
      capture("plug.out.a", "eccentric"),
      gauge("runout", "0.05 mm"),
    ]),
    leads: ["bearing"],
    least: { bearing: 0.7 },
  },
  {
    tells: "active: more than half of the pulses lost, both levels there: too far off before all else",
    corner: corner(
      "active-2wire",
      [volts("plug.out.return", "0.84 / 1.68 V", creep), { ...hertz("plug.out.return", "57.5 Hz"), state: DRIVEN }],
      { pulsesPerRevolution: 48, tyre: "205/55R16" },
    ),
    leads: ["mounting"],
    most: { ring: 0.36 },
  },
  {
    tells: "six loops through the clamp, 42 and 84 mA typed as they were read: no short toggles so",
    corner: corner("active-2wire", [amps("42 / 84 mA", creep)]),
    proven: "nothing",
    most: { sensor: 0.3 },
    unread: [0],
  },
  {
    tells: "denied in a few words: no corrosion at all, no play, and the wire beeps",
    corner: corner("active-2wire", [
      seen("eyes", "plug", "no corrosion at all"),
      seen("hands", "bearing", "no play at all"),
      beep("c1.out.supply", "plug.in.supply", "yes", "c1", "plug"),
    ]),
    proven: "nothing",
    most: { bearing: 0.03, connector: 0.2 },
  },
  {
    tells: "passive: live speed at zero, leg A on the ground: 0.3 Ω to body, and from C1 the module's half has it",
    corner: corner("passive", [
      seen("scan", "speed", "zero", { ...DRIVEN, speedKmh: 30 }),
      volts("plug.in.a", "0.00 V", OPEN_PLUG),
      volts("plug.in.b", "1.8 V", OPEN_PLUG),
      ohms("plug.in.a", "body", "0.3 Ω", "plug", "module"),
      ohms("c1.out.a", "body", "OL", "plug", "c1"),
      ohms("c1.in.a", "body", "0.4 Ω", "c1", "module"),
    ]),
    leads: ["harness"],
    least: { harness: 0.9 },
  },
  {
    tells:
      "supply there, no current even through jumpers in the plug's place, the return wire lights a lamp: the sensor",
    corner: corner(
      "active-2wire",
      [
        volts("plug.in.supply", "11.7 V"),
        amps("0.0 mA"),
        lamp("plug.in.return", "module.out.return", "bright", "plug", "module"),
      ],
      { sense: "low" },
    ),
    leads: ["sensor"],
    least: { sensor: 0.75 },
    most: { connector: 0.15 },
  },
  {
    tells: "no signal as it is plugged, 7 and 14 mA through jumpers in the plug's place: its own contacts",
    corner: corner(
      "active-2wire",
      [
        volts("plug.in.supply", "11.7 V"),
        volts("plug.in.return", "0.00 V", creep),
        amps("7.0 / 14.1 mA", { ...creep, unplugged: ["plug"] }),
      ],
      { sense: "low" },
    ),
    leads: ["connector"],
    least: { connector: 0.7 },
    most: { sensor: 0.1 },
  },
  {
    tells: "green in C1, 8.2 kΩ between the wires behind it, both ends off: water in the half that was opened",
    corner: corner(
      "active-2wire",
      [seen("eyes", "c1", "green"), ohms("c1.out.supply", "c1.out.return", "8.2 kΩ", "c1", "plug")],
      { complaint: { presence: "intermittent" } },
    ),
    leads: ["connector"],
  },
  {
    tells:
      "1.9 kΩ along the return wire with both its ends off, read twice, and it lights no lamp: the wire, and nothing unknown",
    corner: corner("active-2wire", [
      ohms("c1.out.return", "plug.in.return", "1.9 kΩ", "c1", "plug"),
      ohms("c1.out.return", "plug.in.return", "1.9 kΩ", "c1", "plug"),
      lamp("c1.out.return", "plug.in.return", "off", "c1", "plug"),
    ]),
    leads: ["harness"],
    proven: "harness",
  },
  {
    tells: "passive: 0.15 V AC at the undone plug with the wheel at rest, then OL there: the mains on an open coil",
    corner: corner("passive", [
      acVolts("plug.out.a", "plug.out.b", "0.15 V", { key: "off", wheel: "still", unplugged: ["plug"] }),
      ohms("plug.out.a", "plug.out.b", "OL", "plug"),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.9 },
  },
  {
    tells: "passive: 0.15 V AC at the undone plug by hand, OL there, twice: no signal either",
    corner: corner("passive", [
      acVolts("plug.out.a", "plug.out.b", "0.15 V", { key: "off", wheel: "hand", unplugged: ["plug"] }),
      ohms("plug.out.a", "plug.out.b", "OL", "plug"),
      ohms("plug.out.a", "plug.out.b", "OL", "plug"),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.9 },
  },
  {
    tells: "passive: 2.6 MΩ across the coil at its own plug, twice: open, and damp",
    corner: corner("passive", [
      ohms("plug.out.a", "plug.out.b", "2.6 MΩ", "plug"),
      ohms("plug.out.a", "plug.out.b", "2.4 MΩ", "plug"),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.88 },
  },
  {
    tells: "passive: 0.4 Ω from a terminal of the loose sensor to body, twice: its lead rubbed through",
    corner: corner("passive", [
      ohms("plug.out.a", "body", "0.4 Ω", "plug"),
      ohms("plug.out.a", "body", "0.4 Ω", "plug"),
    ]),
    leads: ["sensor"],
    least: { sensor: 0.85 },
  },
  {
    tells: "comes and goes: C1 green, and the reading jumps as it is moved, though all stood still while watched",
    corner: corner(
      "active-2wire",
      [
        volts("plug.in.supply", "11.8 V", { key: "on", watched: true }),
        seen("eyes", "c1", "green"),
        seen("hands", "wiggle-c1", "jumps", { key: "on" }),
      ],
      { complaint: { presence: "intermittent" } },
    ),
    leads: ["connector"],
    least: { connector: 0.9 },
  },
];
