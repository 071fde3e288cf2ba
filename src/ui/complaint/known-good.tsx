import { t } from "@/core/words/words";
import { knownWords } from "@/core/car/tolerances";
import type { CornerJob } from "@/core/job/corner-in-work";
import { setupOf } from "@/core/replay/known-beside";
import { changeSetup } from "../jobs/change-setup";
import type { ChangeJob } from "../jobs/use-job";
import { Cap } from "../keys/cap";

/** What a known-good recording narrows for this car, and the way back; nothing when there is none. */
export function KnownGood({ job, change }: { job: CornerJob; change: ChangeJob }) {
  const setup = setupOf(job);
  const words = knownWords(setup);
  if (!words) return null;
  return (
    <section className="rounded-2xl border border-verdigris bg-card p-4" aria-label={t`Known-good in use`}>
      <h2 className="text-sm font-semibold text-verdigris">{t`Tightened by a known-good`}</h2>
      <p className="py-2 text-sm">{words}</p>
      {!setup.known?.side && (
        <Cap onClick={() => changeSetup(change, () => ({ known: undefined }))}>{t`back to the usual ranges`}</Cap>
      )}
    </section>
  );
}
