import type { NumberField } from "@/core/units/number-field";
import { NumberInput } from "../keys/number-input";

/** One labelled figure of the settings, taken when it is left. */
export function Figure({
  label,
  ...input
}: {
  label: string;
  of: NumberField;
  value: number;
  onTake: (value: number) => void;
}) {
  return (
    <label className="text-sm text-muted">
      {label}
      <NumberInput
        {...input}
        field={`settings/${label}`}
        className="min-h-12 w-full rounded-lg border border-rule bg-paper px-2 text-right font-mono text-lg text-ink"
      />
    </label>
  );
}
