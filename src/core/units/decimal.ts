/** A plain number with decimal point or comma; NaN for anything else, an empty field included. */
export function decimal(text: string): number {
  return text.trim() === "" ? NaN : Number(text.trim().replace(",", "."));
}
