/** Keeps a cell from being run as a formula when the CSV is opened in a spreadsheet (OWASP, CSV injection). */
export function formulaSafe(cell: string): string {
  return /^[=+\-@\t\r]/.test(cell) && !/^[+-]?\d+([.,]\d+)?\s*[A-Za-zµΩ%°/²·]{0,5}$/.test(cell) ? `'${cell}` : cell;
}

/** A name as the cell or comment of a CSV can hold it: on one line, without separators, safe against formulas. */
export function csvLabel(text: string): string {
  return formulaSafe(text.replace(/[,;"\r\n\t]+/g, " ").trim());
}
