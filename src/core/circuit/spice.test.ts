/**
 * The corner's netlists against a general SPICE engine. The netlist text is written here from the physical
 * description, by code that shares nothing with the ladder, so wiring mistakes show as well as arithmetic ones.
 */
import { Simulation } from "eecircuit-engine";
import { beforeAll, describe, expect, it } from "vitest";
import { nominalCondition, type CornerCondition, type SpanDefect } from "./condition";
import { CornerNet } from "./corner-net";
import { parsePoint, type Point } from "./point";
import { conductorsOf, cornerSetupSchema, type CornerSetup } from "./setup";
import { LOAD_OHMS, SolvedCorner } from "./solve";
import type { CircuitState } from "./state";

const spice = new Simulation();
beforeAll(async () => {
  await spice.start();
});

/** Deterministic uniform numbers for the drawing of faults (mulberry32). */
function uniform(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

interface Case {
  setup: CornerSetup;
  car: CornerCondition;
  state: CircuitState;
  level: "low" | "high";
}

function drawCase(random: () => number): Case {
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)]!;
  const setup = cornerSetupSchema.parse({
    corner: "RR",
    family: pick(["active-2wire", "active-2wire", "passive", "active-3wire"]),
    sense: pick(["low", "high"]),
    supplyV: pick([12, 8, 10.5]),
    legBias: random() < 0.7 ? "yes" : "no",
    path: [
      { station: "module" },
      { spanM: 1.2, mm2: 0.5 },
      { station: "c1" },
      { spanM: 3.4, mm2: 0.35 },
      { station: "plug" },
    ],
  });
  const car = nominalCondition(setup);
  const wires = conductorsOf[setup.family].length;
  const ohms = (from: number, to: number) => from * (to / from) ** random();
  car.contactOhms = car.contactOhms.map((contacts) =>
    contacts.map(() => (random() < 0.1 ? Infinity : ohms(0.005, random() < 0.2 ? 1e5 : 0.05))),
  );
  const defects = Math.floor(random() * 3);
  for (let i = 0; i < defects; i++)
    car.spanDefects.push({
      span: pick([0, 1]),
      fraction: 0.05 + 0.9 * random(),
      conductor: Math.floor(random() * wires),
      kind: pick<SpanDefect["kind"]>(["series", "to-ground", "to-power", "to-neighbour"]),
      ohms: ohms(0.1, 1e5),
    });
  if (random() < 0.15) car.crossedStation = pick([1, 2]);
  if (random() < 0.15)
    car.bridge = {
      station: 1,
      ohms: ohms(100, 1e5),
      thirdOhms: ohms(100, 1e5),
      outerOhms: ohms(100, 1e5),
      staysIn: pick(["in", "out", "both", "neither"]),
    };
  if (random() < 0.5) car.sensor.deadV = car.sensor.minimumV * ohms(0.1, 0.8);
  car.sensor.mode = pick(["alive", "alive", "alive", "open", "short"]);
  car.earthOhms = ohms(0.01, 3);
  car.carLoadOhms = ohms(2, 5000);
  car.insulationS = 1 / ohms(1e9, 1e12);
  const state: CircuitState = {
    key: random() < 0.8 ? "on" : "off",
    unplugged: random() < 0.3 ? [pick(["plug", "c1", "module"])] : [],
    batteryOff: random() < 0.1,
    wheel: "still",
  };
  if (random() < 0.2) state.jumpered = pick(["plug", "c1"]);
  // A lamp or an LED hung on a live wire by someone who did not read the caution.
  if (random() < 0.2)
    state.load = {
      kind: pick(["lamp", "led"]),
      red: `${pick(["c1.in", "plug.out"])}.${pick(conductorsOf[setup.family])}`,
      black: "battery.negative",
    };
  return { setup, car, state, level: pick(["low", "high"]) };
}

/** Node names: `st<station><face><wire>`, cuts `s<span>k<index><wire>`. */
function netlist({ setup, car, state, level }: Case, outputOn: boolean): string {
  const wires = conductorsOf[setup.family].length;
  const out: string[] = ["corner"];
  let count = 0;
  const r = (a: string, b: string, value: number) => value < Infinity && out.push(`R${++count} ${a} ${b} ${value}`);
  const nodes = new Set<string>();
  const name = (node: string) => (nodes.add(node), node);
  const stations = ["module", "c1", "plug"];
  const face = (s: number, f: "i" | "o", w: number) => name(`st${s}${f}${w}`);
  const moduleOpen = state.unplugged.includes("module");
  const on = state.key === "on" && !state.batteryOff && !moduleOpen;
  out.push(`Vbat bat 0 ${state.batteryOff ? 0 : car.batteryV}`);
  r("bat", name("power"), car.feedOhms + (state.batteryOff ? car.carLoadOhms : 0));
  r(name("earth"), "0", car.earthOhms);
  r("power", "earth", on ? car.moduleLoadOhms : car.offOhms);
  const available = (car.batteryV * car.moduleLoadOhms) / (car.moduleLoadOhms + car.feedOhms + car.earthOhms) - 0.3;
  const supply = Math.min(car.regulatorV, available);
  if (setup.family === "passive") {
    for (const w of [0, 1]) {
      out.push(`Vb${w} vb${w} earth ${on ? car.biasV : 0}`);
      r(`vb${w}`, face(0, "i", w), on ? car.biasOhms : car.offOhms);
    }
    r(face(0, "i", 0), face(0, "i", 1), on ? car.inputOhms : 2 * car.offOhms);
  } else {
    const high = setup.family === "active-2wire" && car.senseHigh;
    out.push(`Vs vs earth ${on ? supply : 0}`);
    r("vs", face(0, "i", 0), on ? car.sourceOhms + (high ? car.senseOhms : 0) : car.offOhms);
    r(face(0, "i", 1), "earth", setup.family === "active-3wire" || high ? 0.05 : car.senseOhms);
    if (wires === 3) {
      out.push(`Vp vp earth ${on ? Math.min(car.pullUpV, car.batteryV) : 0}`);
      r("vp", face(0, "i", 2), on ? car.pullUpOhms : car.offOhms);
    }
  }
  stations.forEach((station, s) => {
    for (let w = 0; w < wires; w++) {
      if (state.unplugged.includes(station)) {
        face(s, "i", w);
        face(s, "o", w);
        continue;
      }
      const joined = state.jumpered === station ? 0.05 : car.contactOhms[s]![w]!;
      r(face(s, "i", w), face(s, "o", car.crossedStation === s && w < 2 ? 1 - w : w), joined);
    }
    if (car.bridge?.station !== s) return;
    const apart = state.unplugged.includes(station) || state.jumpered === station;
    const { staysIn, ohms, thirdOhms, outerOhms } = car.bridge;
    for (const half of ["i", "o"] as const) {
      const named = half === "i" ? "in" : "out";
      if (apart ? staysIn !== "both" && staysIn !== named : half === "o") continue;
      r(face(s, half, 0), face(s, half, 1), ohms);
      if (wires < 3) continue;
      r(face(s, half, 1), face(s, half, 2), thirdOhms);
      r(face(s, half, 0), face(s, half, 2), outerOhms);
    }
  });
  for (const span of [0, 1]) {
    const defects = car.spanDefects.filter((defect) => defect.span === span).sort((a, b) => a.fraction - b.fraction);
    for (let w = 0; w < wires; w++) {
      let from = 0;
      let at = face(span, "o", w);
      let pending = 0;
      defects.forEach((defect, k) => {
        const next = name(`s${span}k${k}w${w}`);
        r(at, next, car.spanOhms[span]! * (defect.fraction - from) + pending);
        pending = defect.kind === "series" && defect.conductor === w ? defect.ohms : 0;
        at = next;
        from = defect.fraction;
      });
      r(at, face(span + 1, "i", w), car.spanOhms[span]! * (1 - from) + pending);
    }
    defects.forEach((defect, k) => {
      const at = `s${span}k${k}w${defect.conductor}`;
      if (defect.kind === "to-ground") r(at, "0", defect.ohms);
      if (defect.kind === "to-power") r(at, "bat", defect.ohms + (state.batteryOff ? car.carLoadOhms : 0));
      if (defect.kind === "to-neighbour") r(at, `s${span}k${k}w${(defect.conductor + 1) % wires}`, defect.ohms);
    });
  }
  sensor(out, r, face, car, setup, level, state, outputOn);
  if (state.load) {
    const [station, side, conductor] = state.load.red.split(".") as [string, string, never];
    const wire = conductorsOf[setup.family].indexOf(conductor);
    r(face(stations.indexOf(station), side === "in" ? "i" : "o", wire), "0", LOAD_OHMS[state.load.kind]);
  }
  for (const node of nodes) r(node, "0", 1 / car.insulationS);
  out.push(".options reltol=1e-10 abstol=1e-16 vntol=1e-13 gmin=1e-20 itl1=500", ".op", ".end");
  return out.join("\n");
}

function sensor(
  out: string[],
  r: (a: string, b: string, ohms: number) => unknown,
  face: (s: number, f: "i" | "o", w: number) => string,
  car: CornerCondition,
  setup: CornerSetup,
  level: "low" | "high",
  state: CircuitState,
  outputOn: boolean,
) {
  const [a, b, c] = [face(2, "o", 0), face(2, "o", 1), face(2, "o", 2)];
  r([a, b, c][car.sensor.bodyWire]!, "0", car.sensor.bodyOhms);
  if (car.sensor.mode === "open") return;
  if (car.sensor.mode === "short") r(a, b, car.sensor.shortOhms);
  if (setup.family === "passive") return void r(a, b, car.sensor.coilOhms);
  if (car.sensor.mode === "short") return;
  const live = state.key === "on" && !state.batteryOff;
  const coldNow = !live || state.unplugged.length > 0;
  const amps = level === "high" ? car.sensor.highA : car.sensor.lowA;
  if (setup.family === "active-3wire") {
    if (coldNow) r(a, b, car.sensor.coldOhms);
    else if (!outputOn) out.push(starved(a, b, car, car.sensor.quiescentA));
    else out.push(`Bq ${a} ${b} I=${car.sensor.quiescentA}+V(${a},${b})*1e-8`);
    // A switch that starves itself would oscillate and has no operating point, so its side is taken as given.
    return void r(b, c, outputOn && level === "low" ? car.sensor.outputOhms : 1e7);
  }
  if (coldNow) return void r(a, b, car.sensor.coldOhms);
  // Whether it is awake is taken as given: a sensor that starves itself at its higher current has no operating point.
  if (!outputOn) return void out.push(starved(a, b, car, amps));
  out.push(`Bs ${a} ${b} I=${amps}+V(${a},${b})*1e-8`);
}

describe("corner netlists against SPICE", () => {
  it("300 random faulty corners of every family agree to 1e-6 (over 1 mV)", async () => {
    const random = uniform(20261124);
    const probes: [string, string][] = [
      ["module.in", "i0"],
      ["module.out", "o0"],
      ["c1.in", "i1"],
      ["c1.out", "o1"],
      ["plug.in", "i2"],
      ["plug.out", "o2"],
    ];
    let [compared, fed, hung, looped] = [0, 0, 0, 0];
    for (let round = 0; round < 300; round++) {
      const item = drawCase(random);
      const net = new CornerNet(item.setup);
      const solved = new SolvedCorner(item.setup, net).solve(item.car, item.state);
      spice.setNetList(netlist(item, solved.isAwake(item.level)));
      const result = await spice.runSim();
      const volts = new Map(result.data.map(({ name, values }) => [name, Number(values[0])]));
      if (item.state.load) hung++;
      const suppliedA = -(volts.get("i(vs)") ?? 0);
      // What a resistor above the sensor senses: the current out of the module's supply pin.
      if (suppliedA > 1e-4) {
        expect(solved.suppliedAmps(item.level) / suppliedA).toBeCloseTo(1, 5);
        fed++;
      }
      for (const [text, short] of probes)
        conductorsOf[item.setup.family].forEach((conductor, w) => {
          const parsed = parsePoint(`${text}.${conductor}`, item.setup);
          if (!parsed.ok) throw new Error(parsed.say);
          const reference = volts.get(`v(st${short[1]}${short[0]}${w})`);
          if (reference === undefined || Math.abs(reference) < 1e-3) return;
          const ours = solved.potential(parsed.point as Point, item.level);
          if (Math.abs(ours / reference - 1) > 1e-6)
            throw new Error(
              `case ${round} ${text}.${conductor}: SPICE ${reference}, ours ${ours}\n${JSON.stringify(item)}\n${netlist(item, true)}`,
            );
          compared++;
        });
      if (item.state.jumpered && !item.state.unplugged.includes(item.state.jumpered)) {
        const station = ["module", "c1", "plug"].indexOf(item.state.jumpered);
        const far = item.car.crossedStation === station ? 1 : 0;
        const drop = Math.abs((volts.get(`v(st${station}i0)`) ?? 0) - (volts.get(`v(st${station}o${far})`) ?? 0));
        const [conductor] = conductorsOf[item.setup.family];
        const [red, black] = (["in", "out"] as const).map((face): Point => ({
          at: "face",
          station: item.state.jumpered as "c1",
          face,
          conductor: conductor!,
        }));
        expect(Math.abs(0.05 * solved.jumperAmps(red!, black!)[item.level] - drop)).toBeLessThan(1e-4);
        looped += Number(far === 1);
      }
    }
    expect(compared).toBeGreaterThan(1200);
    expect(Math.min(fed / 2, hung)).toBeGreaterThan(25);
    expect(looped).toBeGreaterThan(0);
  });
});

/**
 * Under its minimum voltage a sensor draws nothing to speak of up to its dead volts, and from there on in a straight line;
 * fed the wrong way round it is the resistance of one that nothing feeds.
 */
function starved(
  a: string,
  b: string,
  { sensor: { deadV, minimumV, coldOhms } }: CornerCondition,
  amps: number,
): string {
  const volts = `V(${a},${b})`;
  const forward = `max(${volts}-${deadV},0)*${amps / (minimumV - deadV) - 1e-8}`;
  return `Bd ${a} ${b} I=${volts}*1e-8+${forward}+min(${volts},0)*${1 / coldOhms - 1e-8}`;
}
