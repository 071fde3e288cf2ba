/** Keeps a cell from being run as a formula when the CSV is opened in a spreadsheet (OWASP, CSV injection). */
export function formulaSafe(cell: string): string {
  return /^[=+\-@\t\r]/.test(cell) && !/^[+-]?\d+([.,]\d+)?\s*[A-Za-zµΩ%°/²·]{0,5}$/.test(cell) ? `'${cell}` : cell;
}
