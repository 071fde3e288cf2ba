import { fromLocal, localUnit, toLocal, type UnitChoice } from "../units/local-units";
import { show, type Sum, type SumField } from "./sums";

/** A sum as the shop writes it: fields and answers in its own units, whatever the sum is worked in. */
export function localSum(sum: Sum, units: UnitChoice): LocalSum {
  const fields = sum.fields.map((field) => ({
    ...field,
    unit: localUnit(field.unit, units),
    usual: field.usual && field.unit ? show(toLocal(Number(field.usual), field.unit, units)) : field.usual,
  }));
  return {
    fields,
    work: (read, text) =>
      sum.work(
        (key) => fromLocal(read(key), sum.fields.find((field) => field.key === key)?.unit ?? "", units),
        text,
        (value, unit, digits) => `${show(toLocal(value, unit, units), digits)} ${localUnit(unit, units)}`,
      ),
  };
}

export interface LocalSum {
  fields: readonly SumField[];
  /** @param read what stands in a field, in the field's unit */
  work: (read: (key: string) => number, text: (key: string) => string) => string[];
}
