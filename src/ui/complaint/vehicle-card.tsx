import type { ComponentProps } from "react";
import { t } from "@/core/words/words";
import type { Job } from "@/core/job/schema";
import { normalVin, vinDoubt } from "@/core/job/vin";
import { kilometresTyped, mileageShown } from "@/core/units/mileage";
import type { ChangeJob } from "../jobs/use-job";
import { LONGEST } from "@/core/units/typed-text";
import { DraftInput } from "../keys/draft-input";
import { useSettings } from "../settings/use-settings";

/** What the order is written with: kept with the job and its report, never with the library or exercises. */
export function VehicleCard({ job, change }: { job: Job; change: ChangeJob }) {
  const unit = useSettings().settings.units.speed;
  const { vin = "", order = "", customer = "", kilometres } = job.car;
  const set = (parts: Partial<Job["car"]>) => change((newest) => ({ ...newest, car: { ...newest.car, ...parts } }));
  const driven = kilometres === undefined ? "" : mileageShown(kilometres, unit);
  return (
    <details className="rounded-lg border border-rule px-3" open={Boolean(vin || order || customer || driven)}>
      <summary className="min-h-11 cursor-pointer content-center text-sm text-muted">{t`Order, VIN, mileage`}</summary>
      <div className="grid gap-3 pb-3 md:grid-cols-2">
        <Line
          label={t`Order number`}
          field={`${job.id}/order`}
          value={order}
          maxLength={LONGEST.order}
          onTake={(text) => set({ order: text || undefined })}
        />
        <Line
          label={t`Customer reference`}
          field={`${job.id}/customer`}
          value={customer}
          maxLength={LONGEST.customer}
          onTake={(text) => set({ customer: text || undefined })}
        />
        <Line
          label={t`VIN`}
          field={`${job.id}/vin`}
          value={vin}
          maxLength={LONGEST.vin}
          autoCapitalize="characters"
          spellCheck={false}
          note={vinDoubt(vin)}
          onTake={(text) => set({ vin: normalVin(text) || undefined })}
        />
        <Line
          label={unit === "mph" ? t`Mileage, miles` : t`Mileage, km`}
          field={`${job.id}/driven`}
          value={driven}
          inputMode="numeric"
          maxLength={7}
          onTake={(text) => {
            const typed = kilometresTyped(text, unit);
            if (text === "" || typed !== null) set({ kilometres: typed ?? undefined });
          }}
        />
      </div>
    </details>
  );
}

/** One labelled field, with what looks odd about what stands in it. */
function Line({ label, note, ...input }: { label: string; note?: string | null } & ComponentProps<typeof DraftInput>) {
  return (
    <label className="grid content-start gap-1 text-sm text-muted">
      {label}
      <DraftInput
        {...input}
        className="min-h-11 w-full rounded-lg border border-rule bg-paper px-3 font-mono text-ink"
      />
      {note && <span className="text-plum">{note}</span>}
    </label>
  );
}
