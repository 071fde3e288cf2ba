import type { NumberField } from "@/core/units/number-field";
import { DraftInput, type DraftInputProps } from "./draft-input";

type NumberInputProps = Omit<DraftInputProps, "value" | "check" | "onTake"> & {
  /** What may be typed, and stored. */
  of: NumberField;
  value: number | undefined;
} & (
    | { optional?: false; onTake: (value: number) => void }
    /** It may be left empty. */
    | { optional: true; onTake: (value: number | undefined) => void }
  );

/** A field for a number, with decimal point or comma. */
export function NumberInput({ of, value, ...given }: NumberInputProps) {
  const { optional, onTake, ...rest } = given;
  const isEmpty = (text: string) => optional === true && text === "";
  return (
    <DraftInput
      inputMode="decimal"
      {...rest}
      value={value === undefined ? "" : String(value)}
      check={(text) => {
        const read = of.parse(text);
        return isEmpty(text) || read.ok ? null : read.say;
      }}
      onTake={(text) => {
        const read = of.parse(text);
        if (given.optional && text === "") given.onTake(undefined);
        else if (read.ok) onTake(read.value);
      }}
    />
  );
}
