import { useState, type ComponentProps } from "react";
import { t } from "@/core/words/words";
import type { Job } from "@/core/job/schema";
import { normalVin, vinDoubt } from "@/core/job/vin";
import { ofAddress } from "@/core/job/corner-address";
import { kilometresOf, mileageField, mileageShown } from "@/core/units/mileage";
import type { ChangeJob } from "../jobs/use-job";
import { LONGEST } from "@/core/units/typed-text";
import { draftOf } from "@/store/drafts";
import { DraftInput } from "../keys/draft-input";
import { NumberInput } from "../keys/number-input";
import { useSettings } from "../settings/use-settings";

/** What the order is written with: kept with the job and its report, never with the library or exercises. */
export function VehicleCard({ job, change }: { job: Job; change: ChangeJob }) {
  const unit = useSettings().settings.units.speed;
  const { vin = "", order = "", customer = "", waitingFor = "", kilometres } = job.car;
  const set = (parts: Partial<Job["car"]>) => change((newest) => ({ ...newest, car: { ...newest.car, ...parts } }));
  // What the order is written with belongs to the car, whichever corner is shown.
  const { id } = ofAddress(job.id);
  // A fold that hides what is filled in or half typed would lose it from sight.
  const filled = Boolean(vin || order || customer || waitingFor || kilometres !== undefined);
  const [open] = useState(() => filled || FIELDS.some((one) => draftOf(`${id}/${one}`) !== null));
  return (
    <details className="rounded-lg border border-rule px-3" open={open}>
      <summary className="min-h-11 cursor-pointer content-center text-sm text-muted">{t`Order, waiting for, VIN, mileage`}</summary>
      <div className="grid gap-3 pb-3 md:grid-cols-2">
        <Line
          label={t`Order number`}
          field={`${id}/order`}
          value={order}
          maxLength={LONGEST.order}
          onTake={(text) => set({ order: text || undefined })}
        />
        <Line
          label={t`Customer reference`}
          field={`${id}/customer`}
          value={customer}
          maxLength={LONGEST.customer}
          onTake={(text) => set({ customer: text || undefined })}
        />
        <Line
          label={t`Waiting for`}
          field={`${id}/waiting`}
          value={waitingFor}
          maxLength={LONGEST.waitingFor}
          note={waitingFor ? t`On the board it stands under “waiting” until this is emptied.` : null}
          onTake={(text) => set({ waitingFor: text || undefined })}
        />
        <Line
          label={t`VIN`}
          field={`${id}/vin`}
          value={vin}
          maxLength={LONGEST.vin}
          autoCapitalize="characters"
          spellCheck={false}
          note={vinDoubt(vin)}
          onTake={(text) => set({ vin: normalVin(text) || undefined })}
        />
        <label className={LABEL}>
          {unit === "mph" ? t`Mileage, miles` : t`Mileage, km`}
          <NumberInput
            field={`${id}/driven`}
            of={mileageField(unit)}
            optional
            value={kilometres === undefined ? undefined : mileageShown(kilometres, unit)}
            className={INPUT}
            onTake={(mileage) => set({ kilometres: mileage === undefined ? undefined : kilometresOf(mileage, unit) })}
          />
        </label>
      </div>
    </details>
  );
}

const FIELDS = ["order", "customer", "waiting", "vin", "driven"];
const LABEL = "grid content-start gap-1 text-sm text-muted";
const INPUT = "min-h-11 w-full rounded-lg border border-rule bg-paper px-3 font-mono text-ink";

/** One labelled field, with what looks odd about what stands in it. */
function Line({ label, note, ...input }: { label: string; note?: string | null } & ComponentProps<typeof DraftInput>) {
  return (
    <label className={LABEL}>
      {label}
      <DraftInput {...input} className={INPUT} />
      {note && <span className="text-plum">{note}</span>}
    </label>
  );
}
