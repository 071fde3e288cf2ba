import { t } from "../words/words";
/** Where a numbered terminal sits on a connector's face seen from the wire side. */
export interface TerminalPlace {
  row: number;
  column: number;
  say: string;
}

/**
 * Finds a terminal by counting: numbers run along each row from the end where number 1 is moulded. From the
 * mating side the rows read the other way round; the count from the moulded 1 is the same.
 *
 * @returns null when the pin is no number on this face
 */
export function countTerminal(
  { rows, columns, seen = "wire" }: { rows: number; columns: number; seen?: "wire" | "mating" | undefined },
  pin: string,
): TerminalPlace | null {
  const number = /^\d{1,3}$/.test(pin.trim()) ? Number(pin) : NaN;
  if (!(number >= 1 && number <= rows * columns)) return null;
  const row = Math.floor((number - 1) / columns);
  const along = (number - 1) % columns;
  const column = seen === "mating" ? columns - 1 - along : along;
  const fromFar = columns - along;
  const counted =
    along + 1 <= fromFar ? t`${along + 1} from the end with 1` : t`${fromFar} from the end with ${columns * (row + 1)}`;
  return {
    row,
    column,
    say: t`pin ${number}: ${rows > 1 ? t`row ${row + 1}, ` : ""}${counted}${seen === "mating" ? t`, seen from the mating side` : ""}`,
  };
}
