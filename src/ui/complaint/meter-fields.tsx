import { t } from "@/core/words/words";
import { NumberInput } from "../keys/number-input";
import { jt } from "../keys/words";
import { setupFields, type Meter } from "@/core/circuit/setup";

/** The meter in use: its load and its leads are in every forecast. */
export function MeterFields({
  field,
  meter,
  onChange,
}: {
  /** Whose meter it is: a job's, or the shop's. */
  field: string;
  meter: Meter;
  onChange: (meter: Meter) => void;
}) {
  return (
    <fieldset className="grid grid-cols-[repeat(auto-fit,minmax(11rem,1fr))] items-end gap-4">
      <legend className="mb-1 text-sm text-muted">{t`Your meter`}</legend>
      <label className="text-sm text-muted">{jt`input, MΩ${(
        <NumberInput
          field={`${field}/meter/input`}
          className="block min-h-12 w-full rounded-lg border border-rule bg-paper px-3 font-mono text-lg text-ink"
          of={setupFields.inputMegohm}
          value={meter.inputMegohm}
          onTake={(inputMegohm = meter.inputMegohm) => onChange({ ...meter, inputMegohm })}
        />
      )}`}</label>
      <label className="text-sm text-muted">{jt`leads held together, Ω (0 if nulled)${(
        <NumberInput
          field={`${field}/meter/leads`}
          className="block min-h-12 w-full rounded-lg border border-rule bg-paper px-3 font-mono text-lg text-ink"
          of={setupFields.leadOhms}
          value={meter.leadOhms}
          onTake={(leadOhms = meter.leadOhms) => onChange({ ...meter, leadOhms })}
        />
      )}`}</label>
      <label className="flex items-center gap-2 self-end text-sm">{jt`${(
        <input
          type="checkbox"
          className="size-5"
          checked={meter.averageResponding}
          onChange={(event) => onChange({ ...meter, averageResponding: event.target.checked })}
        />
      )}AC by average, not true RMS`}</label>
    </fieldset>
  );
}
