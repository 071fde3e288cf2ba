import type { Instrument } from "../checks/instruments";
import type { Hookup } from "../checks/hookup";
import { circuitStateSchema } from "../circuit/state";
import { parsePoint, signalPoint, type Point } from "../circuit/point";
import type { CornerSetup } from "../circuit/setup";

/**
 * How an instrument stands at the sensor's plug: volts of the signal against the battery's minus on a creeping wheel, a
 * passive sensor's AC volts between its wires, ohms across it unplugged.
 * @returns null for what is not read there
 */
export function atPlug(instrument: Instrument, setup: CornerSetup): Hookup | null {
  const red = signalPoint(setup, "plug");
  if (red.at !== "face") return null;
  const point = (text: string): Point | null => {
    const parsed = parsePoint(text, setup);
    return parsed.ok ? parsed.point : null;
  };
  const across = setup.family === "passive" ? point("plug.out.b") : null;
  const minus = point("battery.negative");
  const state = (part: object) => circuitStateSchema.parse(part);
  if (instrument === "volts-dc" && minus) return { instrument, red, black: minus, state: state({ wheel: "creep" }) };
  if (instrument === "volts-ac" && across) return { instrument, red, black: across, state: state({ wheel: "hand" }) };
  if (instrument === "hertz" && across) return { instrument, red, black: across, state: state({ wheel: "hand" }) };
  if ((instrument === "ohms" || instrument === "continuity") && across)
    return { instrument, red, black: across, state: state({ key: "off", unplugged: ["plug"] }) };
  return null;
}
