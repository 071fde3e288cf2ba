import { parseReading } from "../units/reading";

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
