/** Where a numbered terminal sits on a connector's face seen from the wire side. */
export interface TerminalPlace {
  row: number;
  column: number;
  say: string;
}

/**
 * Finds a terminal by counting: numbers run along each row from the end where number 1 is moulded. Seen from the
 * wire side here; from the mating side the rows read the other way round.
 *
 * @returns null when the pin is no number on this face
 */
export function countTerminal({ rows, columns }: { rows: number; columns: number }, pin: string): TerminalPlace | null {
  const number = /^\d{1,3}$/.test(pin.trim()) ? Number(pin) : NaN;
  if (!(number >= 1 && number <= rows * columns)) return null;
  const row = Math.floor((number - 1) / columns);
  const column = (number - 1) % columns;
  const fromFar = columns - column;
  const along =
    column + 1 <= fromFar ? `${column + 1} from the end with 1` : `${fromFar} from the end with ${columns * (row + 1)}`;
  return { row, column, say: `pin ${number}: ${rows > 1 ? `row ${row + 1}, ` : ""}${along}` };
}
