import { t } from "@/core/words/words";
import { withShare, shareField } from "@/core/faults/catalogue";
import { defaultPriors, parts, partLabel } from "@/core/faults/parts/parts";
import { Cap } from "../keys/cap";
import { toast } from "../keys/toast";
import { Figure } from "./field";
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
          <Figure
            key={part}
            label={partLabel(part)}
            of={shareField}
            value={Math.round(1000 * shares[part]) / 10}
            onTake={(percent) => {
              const next = withShare(shares, part, percent);
              if (next) change({ priors: next });
              else toast.error(t`Not taken: some part must be likelier than nothing.`);
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
