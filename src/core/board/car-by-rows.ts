import type { Corner } from "../units/corner";
import { carParts, type CarPart } from "../verdict/car-parts";
import type { BoardRow } from "./board";

/** The parts of a whole car by the rows of its corners. */
export function carPartsOf(each: readonly { corner: Corner; row: BoardRow }[]): CarPart[] {
  const alone = each.map(({ corner, row }) => ({ corner, ...(row.alone ?? row) }));
  return carParts(
    alone,
    each.map(({ corner, row }) => ({ corner, ...row })),
  );
}
