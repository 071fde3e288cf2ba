import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import type { Meter } from "@/core/circuit/setup";
import { decimal } from "@/core/units/decimal";

/** The meter in use: its load and its leads are in every forecast. */
export function MeterFields({ meter, onChange }: { meter: Meter; onChange: (meter: Meter) => void }) {
  return (
    <fieldset className="grid grid-cols-[repeat(auto-fit,minmax(11rem,1fr))] items-end gap-4">
      <legend className="mb-1 text-sm text-muted">{t`Your meter`}</legend>
      <label className="text-sm text-muted">{jt`input, MΩ${(
        <input
          className="block min-h-12 w-full rounded-lg border border-rule bg-paper px-3 font-mono text-lg text-ink"
          inputMode="decimal"
          defaultValue={meter.inputMegohm}
          onBlur={(event) => onChange({ ...meter, inputMegohm: decimal(event.target.value) })}
        />
      )}`}</label>
      <label className="text-sm text-muted">{jt`leads held together, Ω (0 if nulled)${(
        <input
          className="block min-h-12 w-full rounded-lg border border-rule bg-paper px-3 font-mono text-lg text-ink"
          inputMode="decimal"
          defaultValue={meter.leadOhms}
          onBlur={(event) => onChange({ ...meter, leadOhms: decimal(event.target.value) })}
        />
      )}`}</label>
      <label className="flex items-center gap-2 self-end text-sm">{jt`${(
        <input
          type="checkbox"
          className="size-5 accent-[var(--marigold)]"
          checked={meter.averageResponding}
          onChange={(event) => onChange({ ...meter, averageResponding: event.target.checked })}
        />
      )}AC by average, not true RMS`}</label>
    </fieldset>
  );
}
