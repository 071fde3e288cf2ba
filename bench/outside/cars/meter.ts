import type { Dice } from "../dice";
import { JUMPER_OHMS, netlist, nodeOf, solve, type Added, type State } from "./netlist";
import type { Make } from "./make";
import type { Trouble } from "./trouble";

const METER_OHMS = 1e7;
const LEADS_OHMS = 0.2;

/** One car on the lift: what a probe finds in it. */
export interface Corner {
  make: Make;
  trouble: Trouble;
}

/** DC volts between two points at the sensor's low and high level. */
export async function levelsV(corner: Corner, red: string, black: string, state: State): Promise<[number, number]> {
  const [a, b] = [nodeOf(red), nodeOf(black)];
  const cards = a === b ? [] : [`Rmeter ${a} ${b} ${METER_OHMS}`];
  const one = async (high: boolean) => {
    const found = await tripped(corner, state, high, { cards });
    return at(found, a) - at(found, b);
  };
  const low = await one(false);
  return [low, corner.make.family === "passive" || state.key === "off" ? low : await one(true)];
}

/** A feed that protects itself is gone while too much is drawn. */
async function tripped({ make, trouble }: Corner, state: State, high: boolean, added: Added) {
  const found = await solve(netlist(make, trouble, state, high, added));
  if (make.family === "passive" || make.tripA === Infinity || state.key === "off") return found;
  const drop = at(found, "reg") - at(found, `module_in_${make.wires[0]}`);
  const amps = drop / (make.feedOhms + (make.family === "active-2wire" && make.sense === "high" ? make.senseOhms : 0));
  return amps < make.tripA ? found : solve(netlist(make, { ...trouble, driverDead: true }, state, high, added));
}

/** Ohms as a meter finds them by its own small current on a dead circuit. */
export async function ohmsBetween(
  { make, trouble }: Corner,
  red: string,
  black: string,
  state: State,
): Promise<number> {
  const [a, b] = [nodeOf(red), nodeOf(black)];
  const found = await solve(
    netlist(make, trouble, state, false, { cards: [`Vtest vt ${b} 0.5`, `Rtest vt ${a} 1000`] }),
  );
  const across = at(found, a) - at(found, b);
  const amps = (0.5 - across) / 1000;
  return amps < 0.5 / 6e7 ? Infinity : across / amps + LEADS_OHMS;
}

/** What is left, between two points, of a volt made in the coil. */
export async function coilShare({ make, trouble }: Corner, red: string, black: string, state: State): Promise<number> {
  const [a, b] = [nodeOf(red), nodeOf(black)];
  const found = await solve(
    netlist(make, trouble, state, false, { cards: [`Rmeter ${a} ${b} ${METER_OHMS}`], coilV: 1 }),
  );
  return Math.abs(at(found, a) - at(found, b));
}

/** Amperes through a contact, low and high level. */
export async function ampsThrough(
  corner: Corner,
  station: string,
  wire: string,
  state: State,
): Promise<[number, number]> {
  // The plug is undone and its halves are joined by jumper leads.
  const jumpered = { ...state, jumpered: station };
  const { wires, stations } = corner.make;
  const w = wires.indexOf(wire);
  const isCrossed = stations[corner.trouble.crossed ?? -1]?.station === station && w < 2;
  const [a, b] = [`${station}_in_${wire}`, `${station}_out_${isCrossed ? wires[1 - w]! : wire}`];
  const one = async (high: boolean) => {
    const found = await tripped(corner, jumpered, high, { cards: [] });
    return (at(found, a) - at(found, b)) / JUMPER_OHMS;
  };
  return [await one(false), await one(true)];
}

/** A reading as the display has it: 6,000 counts, a per cent and two digits off. */
export function shown(value: number, unit: string, d: Dice): string {
  const off = value * (1 + 0.004 * d.gauss());
  const size = Math.abs(off);
  if (unit === "Ω") {
    if (size > 6e7) return "OL";
    if (size >= 1e6) return `${(off / 1e6).toFixed(2)} MΩ`;
    if (size >= 1e3) return `${(off / 1e3).toFixed(size >= 6e3 ? 2 : 3)} kΩ`;
    return `${off.toFixed(1)} Ω`;
  }
  if (unit === "A") return `${(1000 * off).toFixed(1)} mA`;
  if (unit === "V")
    return size < 0.6 ? `${(1000 * off + d.whole(-1, 1)).toFixed(0)} mV` : `${off.toFixed(size < 6 ? 3 : 2)} V`;
  return `${off.toFixed(1)} ${unit}`;
}

function at(found: Map<string, number>, node: string): number {
  return node === "0" ? 0 : (found.get(`v(${node})`) ?? 0);
}
