import { t } from "@/core/words/words";
import { withShare } from "@/core/faults/catalogue";
import { defaultPriors, parts, partLabel } from "@/core/faults/parts/parts";
import { decimal } from "@/core/units/decimal";
import { Cap } from "../keys/cap";
import { toast } from "../keys/toast";
import { Field } from "./field";
import { useSettings } from "./use-settings";

/** Where new jobs begin: the usual shares, the shop's own, or as typed here. */
export function PriorsPanel() {
  const { settings, change } = useSettings();
  const shares = settings.priors ?? defaultPriors;
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`How likely each part is`}>
      <h2 className="border-b border-rule pb-1 font-semibold">{t`Before anything is known`}</h2>
      <p className="pt-2 text-sm text-muted">{t`How likely each part is on a new job, in per cent; they are brought to 100 together. Jobs already begun keep theirs. ${settings.priors ? t`These are the shop's own.` : t`These are the usual ones: salt road, no recent work.`}`}</p>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2 pt-2">
        {parts.map((part) => (
          <Field
            key={part}
            label={partLabel(part)}
            value={String(Math.round(1000 * shares[part]) / 10)}
            onSet={(text) => {
              const next = withShare(shares, part, decimal(text));
              if (next) change({ priors: next });
              else toast.error(t`A number from 0 to 100.`);
            }}
          />
        ))}
      </div>
      <Cap
        className="mt-3"
        disabled={!settings.priors}
        onClick={() => change({ priors: undefined })}
      >{t`back to the usual`}</Cap>
    </section>
  );
}
