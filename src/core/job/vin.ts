import { t } from "../words/words";

/** Values of the letters by 49 CFR 565.15, table IV; I, O and Q are not used (ISO 3779). */
const LETTERS = new Map(
  [..."ABCDEFGHJKLMNPRSTUVWXYZ"].map((letter, i) => [
    letter,
    [1, 2, 3, 4, 5, 6, 7, 8, 1, 2, 3, 4, 5, 7, 9, 2, 3, 4, 5, 6, 7, 8, 9][i]!,
  ]),
);
/** Weights by place, 49 CFR 565.15, table V; the ninth is the check digit itself. */
const WEIGHTS = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2];
const LENGTH = 17;

/** As it is kept: capitals, no blanks or dashes. */
export function normalVin(text: string): string {
  return text.toUpperCase().replace(/[\s-]/g, "");
}

/** The digit or X that belongs at the ninth place; null for what is no whole VIN. */
export function vinCheckDigit(vin: string): string | null {
  if (vin.length !== LENGTH) return null;
  let sum = 0;
  for (const [i, sign] of [...vin].entries()) {
    const value = /\d/.test(sign) ? Number(sign) : LETTERS.get(sign);
    if (value === undefined) return null;
    sum += value * WEIGHTS[i]!;
  }
  return sum % 11 === 10 ? "X" : String(sum % 11);
}

/** What looks odd about a VIN, to be looked at again; null where nothing does. It is never refused: not every car has a check digit. */
export function vinDoubt(text: string): string | null {
  const vin = normalVin(text);
  if (vin === "") return null;
  const unused = /[IOQ]/.exec(vin)?.[0];
  if (unused) return t`A VIN holds no ${unused}: is it a ${unused === "I" ? "1" : "0"}?`;
  if (vin.length !== LENGTH) return t`${vin.length} signs; a VIN since 1981 has ${LENGTH}.`;
  const digit = vinCheckDigit(vin);
  if (digit === null) return t`A VIN holds letters and digits only.`;
  return digit === vin[8]
    ? null
    : t`The check digit, the ninth sign, would be ${digit}. Cars for North America must have it, others need not: read it once more.`;
}
