import { t } from "../words/words";
import { circuitStateSchema, type CircuitState } from "../circuit/state";
import type { Point } from "../circuit/point";
import {
  conductorsOf,
  meterOf,
  spansOf,
  stationsOf,
  type Conductor,
  type CornerSetup,
  type StationId,
} from "../circuit/setup";
import { wireOhms } from "../circuit/wire";
import type { Hookup } from "../checks/hookup";

export const wireTests = ["end-to-end", "to-ground", "to-power", "to-neighbour", "load"] as const;
export type WireTest = (typeof wireTests)[number];

export const wireTestWords: Record<WireTest, string> = {
  get "end-to-end"() {
    return t`end to end`;
  },
  get "to-ground"() {
    return t`to ground`;
  },
  get "to-power"() {
    return t`to power`;
  },
  get "to-neighbour"() {
    return t`to neighbour`;
  },
  get load() {
    return t`under load`;
  },
};

/** One cell of the table: how it is measured and what is good. */
export interface WireCell {
  test: WireTest;
  conductor: Conductor;
  hookup: Hookup;
  limit: Limit;
  /** The limit in words, with its arithmetic. */
  say: string;
}

export type Limit =
  | { kind: "below"; ohms: number }
  | { kind: "above"; ohms: number }
  | { kind: "volts-below"; volts: number }
  | { kind: "word"; word: string };

/** Insulation of a dry loom is far over this; wet connectors bring it down (common practice, no source). */
const GOOD_INSULATION_OHMS = 1e6;
const CONTACT_OHMS = 0.02;
const STRAY_V = 0.05;
/** A loom under a bonnet in summer. */
const HOT_C = 60;

/**
 * Every test of every conductor between two opened connectors, in the order that moves the least: all ohms with the
 * battery off, then the voltages, then the lamp.
 *
 * @param leadOhms what the meter shows with its leads held together
 */
export function wireTable(
  setup: CornerSetup,
  near: StationId,
  far: StationId,
  leadOhms = meterOf(setup).leadOhms,
): WireCell[] {
  const conductors = conductorsOf[setup.family];
  const dead = circuitStateSchema.parse({ key: "off", batteryOff: true, unplugged: [near, far] });
  const live = circuitStateSchema.parse({ key: "on", unplugged: [near, far] });
  const most = endToEndLimit(setup, near, far, leadOhms);
  const cells: WireCell[] = [];
  for (const conductor of conductors)
    cells.push({
      test: "end-to-end",
      conductor,
      hookup: ohms(at(near, "out", conductor), at(far, "in", conductor), dead),
      limit: { kind: "below", ohms: most.ohms },
      say: most.say,
    });
  for (const conductor of conductors)
    cells.push({
      test: "to-ground",
      conductor,
      hookup: ohms(at(far, "in", conductor), { at: "body" }, dead),
      limit: { kind: "above", ohms: GOOD_INSULATION_OHMS },
      say: t`over 1 MΩ, both ends open`,
    });
  conductors.forEach((conductor, i) =>
    cells.push({
      test: "to-neighbour",
      conductor,
      hookup: ohms(at(far, "in", conductor), at(far, "in", conductors[(i + 1) % conductors.length]!), dead),
      limit: { kind: "above", ohms: GOOD_INSULATION_OHMS },
      say: t`over 1 MΩ to ${conductors[(i + 1) % conductors.length]}`,
    }),
  );
  for (const conductor of conductors)
    cells.push({
      test: "to-power",
      conductor,
      hookup: {
        instrument: "volts-dc",
        red: at(far, "in", conductor),
        black: { at: "battery", pole: "negative" },
        state: live,
      },
      limit: { kind: "volts-below", volts: STRAY_V },
      say: t`0 V, both ends open, key on`,
    });
  for (const conductor of conductors)
    cells.push({
      test: "load",
      conductor,
      hookup: { instrument: "lamp", red: at(near, "out", conductor), black: at(far, "in", conductor), state: dead },
      limit: { kind: "word", word: "bright" },
      say: t`lamp bright: ${lampDropV(most.wire).toFixed(2)} V lost in a good wire at 250 mA`,
    });
  return cells;
}

/** Whether a reading passes its limit. */
export function passes(limit: Limit, reading: number | "OL" | string): boolean {
  if (limit.kind === "word") return reading === limit.word;
  if (limit.kind === "above") return reading === "OL" || (typeof reading === "number" && reading > limit.ohms);
  if (typeof reading !== "number") return false;
  return limit.kind === "below" ? reading < limit.ohms : Math.abs(reading) < limit.volts;
}

/** Wire by length, size and heat, contacts and leads: what a good run may show at most (ISO 6722-1 maximum values). */
function endToEndLimit(
  setup: CornerSetup,
  near: StationId,
  far: StationId,
  leadOhms: number,
): { ohms: number; wire: number; say: string } {
  const ids = stationsOf(setup).map(({ station }) => station);
  const [from, to] = [ids.indexOf(near), ids.indexOf(far)];
  const between = spansOf(setup).slice(from, to);
  const wire = between.reduce((sum, { spanM, mm2 }) => sum + wireOhms(spanM, mm2, HOT_C), 0);
  const contacts = CONTACT_OHMS * Math.max(0, to - from - 1);
  const metres = between.reduce((sum, { spanM }) => sum + spanM, 0);
  const ohms = 1.25 * (wire + contacts) + leadOhms + 0.1;
  return {
    ohms,
    wire,
    say: t`under ${ohms.toFixed(2)} Ω: ${metres.toFixed(1)} m of wire ${wire.toFixed(2)} Ω hot, leads ${leadOhms.toFixed(1)} Ω, a little over`,
  };
}

const LAMP_A = 0.25;

function lampDropV(wire: number): number {
  return LAMP_A * wire;
}

function at(station: StationId, face: "in" | "out", conductor: Conductor): Point {
  return { at: "face", station, face, conductor };
}

function ohms(red: Point, black: Point, state: CircuitState): Hookup {
  return { instrument: "ohms", red, black, state };
}
