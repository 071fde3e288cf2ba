/** Keeps a cell from being run as a formula when the CSV is opened in a spreadsheet (OWASP, CSV injection). */
export function formulaSafe(cell: string): string {
  return /^[=+\-@\t\r]/.test(cell) && !/^[+-]?\d+([.,]\d+)?\s*\S{0,4}$/.test(cell) ? `'${cell}` : cell;
}
