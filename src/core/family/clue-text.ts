import { t } from "../words/words";
import { parseReading } from "../units/reading";
import { nameThreeWires } from "./finder";

/** Volts at each terminal as typed with spaces between, `11.4 0.02V 953mV`; what is no reading is left out. */
export function terminalVolts(text: string): number[] {
  return text
    .trim()
    .split(/[\s;/]+/)
    .flatMap((one) => {
      const parsed = parseReading(one, "volts");
      return parsed.ok && parsed.value.kind === "number" ? [parsed.value.value] : [];
    });
}

/** Ohms across the sensor as typed, Infinity for OL; null when it is no reading. */
export function coilOhms(text: string): number | null {
  const parsed = parseReading(text, "ohms");
  if (!parsed.ok || parsed.value.kind === "beep") return null;
  return parsed.value.kind === "over-limit" ? Infinity : parsed.value.value;
}

/** One wire of three as typed. */
export interface TypedWire {
  name: string;
  volts: string;
  switches: boolean;
}

/** Which of three wires is which, as a sentence, or what is still wanted. @param ownGround supply read against the sensor's own ground, may be empty */
export function threeWireRoles(wires: readonly TypedWire[], ownGround: string): string {
  const read = wires.flatMap(({ name, volts, switches }) => {
    const [value] = terminalVolts(volts);
    return value === undefined ? [] : [{ name: name.trim() || t`a wire`, volts: value, switches }];
  });
  if (read.length < wires.length) return t`Type the volts of all three wires.`;
  const [own] = terminalVolts(ownGround);
  return (
    nameThreeWires(read, own)?.say ??
    (read.some(({ switches }) => switches)
      ? t`None of the steady wires carries a supply: check the feed first.`
      : t`Creep the wheel and mark the wire that switches.`)
  );
}
