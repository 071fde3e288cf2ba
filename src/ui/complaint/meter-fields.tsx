import type { CornerSetup } from "@/core/circuit/setup";
import type { Job } from "@/core/job/schema";

const USUAL = { inputMegohm: 10, leadOhms: 0.15, averageResponding: false } as const;

/** The meter in use: its load and its leads are in every forecast. */
export function MeterFields({
  job,
  onChange,
}: {
  job: Job;
  onChange: (meter: NonNullable<CornerSetup["meter"]>) => void;
}) {
  const meter = job.setup.meter ?? USUAL;
  const number = (text: string) => Number(text.replace(",", "."));
  return (
    <fieldset className="grid gap-4 md:grid-cols-3">
      <legend className="mb-1 text-sm text-muted">Your meter</legend>
      <label className="text-sm text-muted">
        input, MΩ
        <input
          className="block min-h-12 w-full rounded-lg border border-rule bg-paper px-3 font-mono text-lg text-ink"
          inputMode="decimal"
          defaultValue={meter.inputMegohm}
          onBlur={(event) => {
            const value = number(event.target.value);
            if (value >= 0.01 && value <= 1000) onChange({ ...meter, inputMegohm: value });
          }}
        />
      </label>
      <label className="text-sm text-muted">
        leads held together, Ω (0 if nulled)
        <input
          className="block min-h-12 w-full rounded-lg border border-rule bg-paper px-3 font-mono text-lg text-ink"
          inputMode="decimal"
          defaultValue={meter.leadOhms}
          onBlur={(event) => {
            const value = number(event.target.value);
            if (value >= 0 && value <= 5) onChange({ ...meter, leadOhms: value });
          }}
        />
      </label>
      <label className="flex items-center gap-2 self-end text-sm">
        <input
          type="checkbox"
          className="size-5 accent-[var(--marigold)]"
          checked={meter.averageResponding}
          onChange={(event) => onChange({ ...meter, averageResponding: event.target.checked })}
        />
        AC by average, not true RMS
      </label>
    </fieldset>
  );
}
