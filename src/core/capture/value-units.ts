/** What a unit behind a value makes of it: seconds or volts. */
const TIMES: Readonly<Record<string, number>> = {
  s: 1,
  ms: 1e-3,
  us: 1e-6,
  µs: 1e-6,
  μs: 1e-6,
  ns: 1e-9,
  kV: 1e3,
  V: 1,
  mV: 1e-3,
  µV: 1e-6,
  uV: 1e-6,
};
const UNITS = Object.keys(TIMES).join("|");
const NUMBER = String.raw`[-+]?\d+(?:POINT\d+)?(?:e[-+]?\d+)?`;
/** A row whose first or last cell is a value with its unit. */
const ROW = new RegExp(
  String.raw`^\s*[-+]?\d[\d.,]*(?:\s?(?:${UNITS})\s*[,;\t]|[^\r\n]*[,;\t]\s*[-+]?\d[\d.,]*\s?(?:${UNITS})\s*$)`,
  "m",
);

/**
 * A text of rows whose values carry their units (“1.20 ms, 840 mV”), each in a unit of its own, with plain seconds and volts in
 * their place; as it is where none does.
 * @param head the first lines, which tell
 */
export function withoutValueUnits(text: string, head: string): string {
  if (!ROW.test(head)) return text;
  // A comma may stand within a number only where something else stands between the cells.
  const comma = /[;\t]/.test(head) && /\d,\d/.test(head);
  const number = NUMBER.replace("POINT", comma ? "[.,]" : String.raw`\.`);
  const cell = new RegExp(String.raw`(${number})\s?(${UNITS})(?=\s*(?:[,;\t\r\n]|$))`, "g");
  return text.replace(cell, (_, value: string, unit: string) => {
    const plain = Number((Number(value.replace(",", ".")) * TIMES[unit]!).toPrecision(12));
    return comma ? String(plain).replace(".", ",") : String(plain);
  });
}
