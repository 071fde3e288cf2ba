import { conductorsOf, type Family } from "../circuit/setup";
import { conductorWord } from "../faults/wire-faults";
import { formatQuantity } from "../units/format";
import { parseRange, parseReading } from "../units/reading";
import { t } from "../words/words";

/** One terminal of a connector whose wires nobody knows: its number there, and what the meter showed at it, as typed. */
export interface UnknownTerminal {
  pin: string;
  typed: string;
}

export type PinOrder =
  | { ok: true; named: { conductor: string; pin: string; why: string }[]; open: string | null }
  | { ok: false; say: string };

interface Seen {
  pin: string;
  low: number;
  high: number;
}

/** A wire that moves by this much while the wheel is turned toggles; meters and batteries wander by less (common practice). */
const TOGGLES_V = 0.25;
/** A ground wire reads millivolts to battery negative (common practice); with more it is named, but not for sure. */
const GROUND_V = 0.3;
/** No sensor is fed with less (data sheets, from memory). */
const LEAST_SUPPLY_V = 4.5;

/**
 * Which wire is which at a connector of unknown pin order: everything plugged in, key on, each wire back-probed to battery
 * negative while the wheel is turned a little. Three wires: highest steady voltage is the supply, nearest zero the ground,
 * what toggles the signal; two: the one that holds the supply, and the other (common practice, no source).
 *
 * @returns what can be named and why, and what is left open; or a sentence that says which field cannot be read
 */
export function pinOrder(family: Family, terminals: readonly UnknownTerminal[]): PinOrder {
  const seen: Seen[] = [];
  for (const { pin, typed } of terminals) {
    const read = seenAt(pin, typed);
    if (typeof read === "string") return { ok: false, say: read };
    seen.push(read);
  }
  if (family === "passive") return { ok: true, named: [], open: PASSIVE() };
  if (seen.length < conductorsOf[family].length)
    return { ok: false, say: t`Type what the meter showed at all ${conductorsOf[family].length} terminals.` };
  return family === "active-3wire" ? ofThree(seen) : ofTwo(seen);
}

const PASSIVE = () =>
  t`A passive sensor has no order: either leg may be either. Only the sign of the trace changes, which matters to some modules.`;

function seenAt(pin: string, typed: string): Seen | string {
  const range = parseRange(typed, "volts");
  if (range?.ok) return { pin, low: range.value.low, high: range.value.high };
  const read = parseReading(typed, "volts");
  if (!read.ok) return t`Terminal ${pin}: ${read.say}`;
  if (read.value.kind !== "number") return t`Terminal ${pin}: a voltage is needed here.`;
  return { pin, low: read.value.value, high: read.value.value };
}

function ofThree(seen: readonly Seen[]): PinOrder {
  const steady = seen.filter((one) => !toggles(one)).toSorted((a, b) => b.high - a.high);
  const moving = seen.filter(toggles);
  if (moving.length > 1)
    return open(t`More than one wire moves: the ground of the sensor is open, or a probe slipped. Take them again.`);
  if (steady[0]!.high < LEAST_SUPPLY_V)
    return open(t`No wire holds a supply: find that first, key on and the module awake.`);
  const supply = {
    conductor: "supply",
    pin: steady[0]!.pin,
    why: t`holds ${volts(steady[0]!.high)} and does not move`,
  };
  const ground = (one: Seen) => ({
    conductor: "ground",
    pin: one.pin,
    why:
      one.high < GROUND_V
        ? t`nearest zero: ${volts(one.high)}`
        : t`the lowest, but ${volts(one.high)} is much for a ground: measure it`,
  });
  if (moving.length === 1) {
    const signal = {
      conductor: "signal",
      pin: moving[0]!.pin,
      why: t`toggles: ${volts(moving[0]!.low)} and ${volts(moving[0]!.high)}`,
    };
    return { ok: true, named: [supply, ground(steady[1]!), signal], open: null };
  }
  // Nothing moves: a signal that rests high looks like a supply, one that rests low like a ground.
  const [top, middle, least] = steady as [Seen, Seen, Seen];
  const twoUp = middle.high >= LEAST_SUPPLY_V;
  const named = twoUp ? [ground(least)] : top.high - middle.high > TOGGLES_V ? [supply] : [];
  return {
    ok: true,
    named,
    open: t`${[top, middle, least]
      .filter(({ pin }) => !named.some((one) => one.pin === pin))
      .map(({ pin }) => pin)
      .join(
        t` and `,
      )} not told apart: nothing toggles. Turn the wheel on by a few degrees, ten times, and type both values.`,
  };
}

function ofTwo(seen: readonly Seen[]): PinOrder {
  const [top, least] = seen.toSorted((a, b) => b.high - a.high) as [Seen, Seen];
  if (top.high < LEAST_SUPPLY_V) return open(t`No wire holds a supply: find that first, key on and the module awake.`);
  // A return that toggles may come to 4 V; one that stands at the supply has no path to the module's ground.
  if (least.low >= LEAST_SUPPLY_V)
    return open(
      t`Both wires stand at the supply: the return is open on its way to the module. It is the one that reads 0 V with the sensor unplugged.`,
    );
  return {
    ok: true,
    named: [
      { conductor: "supply", pin: top.pin, why: t`holds ${volts(top.high)}` },
      {
        conductor: "return",
        pin: least.pin,
        why: toggles(least)
          ? t`toggles: ${volts(least.low)} and ${volts(least.high)}`
          : t`the low one: ${volts(least.high)}`,
      },
    ],
    open: null,
  };
}

function toggles({ low, high }: Seen): boolean {
  return high - low > TOGGLES_V;
}

function open(say: string): PinOrder {
  return { ok: true, named: [], open: say };
}

function volts(value: number): string {
  return formatQuantity(value, "volts", 3);
}

/** A name as the pin map has it: supply wire, signal wire. */
export function namedWords({ conductor, pin, why }: { conductor: string; pin: string; why: string }): string {
  return t`${pin} is ${conductorWord(conductor)}: ${why}.`;
}
