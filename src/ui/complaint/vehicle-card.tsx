import { t } from "@/core/words/words";
import type { Job } from "@/core/job/schema";
import { normalVin, vinDoubt } from "@/core/job/vin";
import { decimal } from "@/core/units/decimal";
import { KMH_PER_MPH } from "@/core/units/quantity";
import type { ChangeJob } from "../jobs/use-job";
import { DraftInput } from "../keys/draft-input";
import { useSettings } from "../settings/use-settings";

const FIELD = "min-h-11 w-full rounded-lg border border-rule bg-paper px-3 text-ink";

/** What the order is written with: kept with the job and its report, never with the library or exercises. */
export function VehicleCard({ job, change }: { job: Job; change: ChangeJob }) {
  const miles = useSettings().settings.units.speed === "mph";
  const perUnit = miles ? KMH_PER_MPH : 1;
  const { vin = "", order = "", customer = "", kilometres } = job.car;
  const set = (parts: Partial<Job["car"]>) => change((newest) => ({ ...newest, car: { ...newest.car, ...parts } }));
  const doubt = vinDoubt(vin);
  const driven = kilometres === undefined ? "" : String(Math.round(kilometres / perUnit));
  return (
    <details className="rounded-lg border border-rule px-3" open={Boolean(vin || order || customer || driven)}>
      <summary className="min-h-11 cursor-pointer content-center text-sm text-muted">{t`Order, VIN, mileage`}</summary>
      <div className="grid gap-3 pb-3 md:grid-cols-2">
        <label className="grid gap-1 text-sm text-muted">
          {t`Order number`}
          <DraftInput
            field={`${job.id}/order`}
            value={order}
            maxLength={40}
            className={FIELD}
            onTake={(text) => set({ order: text || undefined })}
          />
        </label>
        <label className="grid gap-1 text-sm text-muted">
          {t`Customer reference`}
          <DraftInput
            field={`${job.id}/customer`}
            value={customer}
            maxLength={80}
            className={FIELD}
            onTake={(text) => set({ customer: text || undefined })}
          />
        </label>
        <label className="grid gap-1 text-sm text-muted">
          {t`VIN`}
          <DraftInput
            field={`${job.id}/vin`}
            value={vin}
            maxLength={40}
            autoCapitalize="characters"
            spellCheck={false}
            className={`${FIELD} font-mono`}
            aria-describedby="vin-doubt"
            onTake={(text) => set({ vin: normalVin(text) || undefined })}
          />
          <span id="vin-doubt" className="text-plum">
            {doubt}
          </span>
        </label>
        <label className="grid content-start gap-1 text-sm text-muted">
          {miles ? t`Mileage, miles` : t`Mileage, km`}
          <DraftInput
            field={`${job.id}/driven`}
            value={driven}
            inputMode="numeric"
            maxLength={8}
            className={`${FIELD} font-mono`}
            onTake={(text) => {
              const number = decimal(text);
              if (text === "") set({ kilometres: undefined });
              else if (number >= 0) set({ kilometres: number * perUnit });
            }}
          />
        </label>
      </div>
    </details>
  );
}
