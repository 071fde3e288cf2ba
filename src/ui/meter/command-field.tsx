"use client";
import { wholeField } from "@/core/units/number-field";
import { t } from "@/core/words/words";
import { NumberInput } from "../keys/number-input";

const baudField = wholeField(300, 2_000_000);

/** One order or question of an instrument's dialect, to be changed where its handbook has another. */
export function CommandField({
  label,
  value,
  onTake,
}: {
  label: string;
  value: string;
  onTake: (text: string) => void;
}) {
  return (
    <label className="text-sm text-muted">
      {label}
      <input
        className="min-h-11 w-full rounded-lg border border-rule bg-paper px-2 font-mono text-base text-ink"
        value={value}
        maxLength={80}
        spellCheck={false}
        onChange={(event) => onTake(event.target.value.replaceAll(/[^\x20-\x7e]/g, ""))}
      />
    </label>
  );
}

/** The speed of a serial line. */
export function BaudField({
  field = "meter/baud",
  value,
  onTake,
}: {
  field?: string;
  value: number;
  onTake: (value: number) => void;
}) {
  return (
    <label className="text-sm text-muted">
      {t`speed, baud`}
      <NumberInput
        of={baudField}
        field={field}
        value={value}
        onTake={onTake}
        className="min-h-12 w-full rounded-lg border border-rule bg-paper px-2 text-right font-mono text-lg text-ink"
      />
    </label>
  );
}
