import { Simulation } from "eecircuit-engine";
import type { Make } from "./make";
import type { Trouble } from "./trouble";

/** What the rest of the car is doing, in the words of the `diagnose/1` contract. */
export interface State {
  key: "on" | "off";
  unplugged: string[];
  batteryOff: boolean;
  wheel: "still" | "creep" | "hand" | "driven" | "in-gear";
  watched?: boolean;
  recorded?: boolean;
  /** Its halves apart and joined by jumper leads, for a current to be measured. */
  jumpered?: string;
}
/** A probe or source between two nodes, written by whoever measures. */
export interface Added {
  cards: string[];
  /** The coil's own volts, with every other source dead: for AC. */
  coilV?: number;
}

/** A jumper lead with its clips. */
export const JUMPER_OHMS = 0.1;

const spice = new Simulation();
let started = false;

/** Node potentials in volts and branch currents, by the general SPICE engine. */
export async function solve(text: string): Promise<Map<string, number>> {
  if (!started) await spice.start();
  started = true;
  spice.setNetList(text);
  const { data } = await spice.runSim();
  return new Map(data.map(({ name, values }) => [name, Number(values[0])]));
}

/** The node a point of the contract stands on. Pierced places of a span are `span1.30.supply`. */
export function nodeOf(point: string): string {
  if (point === "battery.negative" || point === "body") return "0";
  if (point === "battery.positive") return "bat";
  if (point === "module.in.power") return "mpow";
  if (point === "module.in.earth") return "mgnd";
  return point.replaceAll(".", "_");
}

/** One corner as SPICE cards: bodies of modules and sensors with diodes and soft knees, wires as resistors. */
export function netlist(make: Make, trouble: Trouble, state: State, high: boolean, added: Added): string {
  const cards: string[] = ["outside corner"];
  let count = 0;
  const nodes = new Set<string>();
  const r = (a: string, b: string, ohms: number) => {
    nodes.add(a).add(b);
    cards.push(`R${++count} ${a} ${b} ${Math.max(ohms, 1e-4)}`);
  };
  const v = (a: string, b: string, volts: number) => cards.push(`V${++count} ${a} ${b} ${volts}`);
  const ac = added.coilV !== undefined;
  const powered = state.key === "on" && !state.batteryOff;
  const plugged = (at: number) => !state.unplugged.includes(make.stations[at]!.station);
  const { stations, spansM, wires, family } = make;
  v("bat", "0", state.batteryOff || ac ? 0 : make.batteryV);
  r("bat", "mpow", trouble.feedOhms ?? 0.06);
  r("mgnd", "0", trouble.groundOhms ?? 0.02);
  const awake = powered && plugged(0);
  r("mpow", "mgnd", awake ? 25 : 40_000);
  moduleCards();
  stations.forEach(({ station }, at) => {
    wires.forEach((wire, w) => {
      const other = trouble.crossed === at && w < 2 ? wires[1 - w]! : wire;
      const extra = trouble.series?.station === at && trouble.series.wire === w ? trouble.series.ohms : 0;
      const ohms = state.jumpered === station ? JUMPER_OHMS : make.contactOhms + extra;
      if (plugged(at)) r(`${station}_in_${wire}`, `${station}_out_${other}`, ohms);
      r(`${station}_in_${wire}`, "0", 1e10);
      r(`${station}_out_${wire}`, "0", 1e10);
    });
    if (trouble.leak?.station === at) leak(`${station}_in_${wires[0]}`, 0, `${station}_in_`);
  });
  spansM.forEach((metres, at) => span(metres, at));
  sensorCards();
  cards.push(...added.cards, ".options gmin=1e-13 itl1=500", ".op", ".end");
  return cards.join("\n");

  function moduleCards(): void {
    const [first, second, third] = wires.map((wire) => `module_in_${wire}`) as [string, string, string];
    const live = awake && !trouble.driverDead;
    if (family === "passive") {
      const { input, inputOhms } = make;
      const middle = live && !ac && input !== "floating" ? make.inputV : 0;
      if (middle > 0) v("mid", "mgnd", middle);
      const middleNode = middle > 0 ? "mid" : "mgnd";
      r(first, middleNode, live ? inputOhms : inputOhms + 30_000);
      r(
        second,
        input === "one-leg" ? "mgnd" : middleNode,
        input === "one-leg" ? 600 : live ? inputOhms : inputOhms + 30_000,
      );
      return;
    }
    const feed = Math.max(0, Math.min(make.feedV, 1e3));
    // A regulator gives what it is set to, or what it is fed less a drop.
    if (live) cards.push(`Bfeed reg mgnd V=min(${feed}, max(0, V(mpow,mgnd)-0.3))`);
    const highSense = family === "active-2wire" && make.sense === "high";
    if (live) r("reg", first, make.feedOhms + (highSense ? make.senseOhms : 0));
    else r(first, "mgnd", 60_000);
    if (family === "active-2wire") r(second, "mgnd", highSense ? 0.03 : make.senseOhms);
    else {
      r(second, "mgnd", 0.03);
      if (live) v("pup", "mgnd", make.pullUpV);
      r(live ? "pup" : "mgnd", third, live ? make.pullUpOhms : 50_000);
    }
    // Clamps against what comes in from outside: to ground one way, to the battery the other.
    if (family === "active-2wire") cards.push(`Dg mgnd ${second} clamp`, ".model clamp D(IS=1e-12)");
  }

  function leak(node: string, wire: number, beside: string): void {
    const { to, ohms } = trouble.leak!;
    r(node, to === "ground" ? "0" : to === "battery" ? "bat" : beside + wires[(wire + 1) % wires.length]!, ohms);
  }

  function span(metres: number, at: number): void {
    const near = stations[at]!.station;
    const far = stations[at + 1]!.station;
    const places = [...probed(at), ...(damageAt(at) ? [{ at: HURT, name: "hurt" }] : [])].sort((a, b) => a.at - b.at);
    wires.forEach((wire, w) => {
      let [from, node, extra] = [0, `${near}_out_${wire}`, 0];
      for (const place of places) {
        const next = place.name === "hurt" ? `s${at}_hurt_${wire}` : `span${at + 1}_${place.name}_${wire}`;
        r(node, next, 0.04 * metres * (place.at - from) + extra);
        extra =
          place.name === "hurt" && trouble.series?.span === at && trouble.series.wire === w ? trouble.series.ohms : 0;
        [from, node] = [place.at, next];
      }
      r(node, `${far}_in_${wire}`, 0.04 * metres * (1 - from) + extra);
    });
    if (trouble.leak?.span === at) leak(`s${at}_hurt_${wires[trouble.leak.wire]}`, trouble.leak.wire, `s${at}_hurt_`);
  }

  function damageAt(at: number): boolean {
    return trouble.series?.span === at || trouble.leak?.span === at;
  }

  function probed(at: number): { at: number; name: string }[] {
    const named = new Set(added.cards.join(" ").match(new RegExp(`span${at + 1}_\\d+`, "g")) ?? []);
    return [...named].map((one) => ({ at: Number(one.split("_")[1]) / 100 + 1e-4, name: one.split("_")[1]! }));
  }

  function sensorCards(): void {
    const [first, second, third] = wires.map((wire) => `plug_out_${wire}`) as [string, string, string];
    const { sensor } = trouble;
    if (family === "passive") {
      if (sensor === "leaking") r("coilmid", "0", trouble.sensorOhms!);
      const ohms = make.coilOhms * (trouble.coilShare ?? 1);
      if (sensor === "short") r(first, second, trouble.sensorOhms!);
      if (sensor === "open") return;
      r(first, "coilmid", ohms / 2);
      r("coilmid", "coilend", ohms / 2);
      v("coilend", second, added.coilV ?? 0);
      return;
    }
    if (sensor === "open") return;
    if (sensor === "short") return r(first, second, trouble.sensorOhms!);
    if (ac) return;
    const across = `max(V(${first},${second}),0)`;
    const amps = family === "active-3wire" ? make.ownA : high ? make.highA : make.lowA;
    cards.push(`Bs ${first} ${second} I=${amps}*(1-exp(-${across}/${make.kneeV}))`);
    r(first, second, 3e6);
    // Fed the wrong way round, its protection diode conducts.
    cards.push(`Ds ${second} rev clamps`, `.model clamps D(IS=1e-12)`);
    r("rev", first, 150);
    if (family !== "active-3wire") return;
    r(third, second, 5e6);
    if (!high) {
      // Under some 3.5 V it lets its output go.
      cards.push(
        `Bout ${third} ${second} I=V(${third},${second})/${make.outputOhms}/(1+exp((3.5-V(${first},${second}))*8))`,
      );
    }
  }
}

/** Where along a span it is hurt. */
const HURT = 0.62;
