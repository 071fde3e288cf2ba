import { adviceOf } from "@/core/bench/advice";
import type { Diagnosis } from "@/core/bench/diagnosis";
import { t } from "@/core/words/words";
import { WithTerms } from "../keys/with-terms";

/** Four lines a good foreman would say before anything is measured. */
export function AdvicePanel({ diagnosis }: { diagnosis: Diagnosis | null }) {
  if (!diagnosis) return null;
  return (
    <section className="rounded-2xl border-2 border-marigold bg-card p-4" aria-label={t`Advice before measuring`}>
      <dl className="grid gap-2 text-sm">
        {adviceOf(diagnosis).map(({ head, say }) => (
          <div key={head} className="grid grid-cols-[7.5rem_1fr] gap-3 max-sm:grid-cols-1 max-sm:gap-0">
            <dt className="font-semibold text-muted">{head}</dt>
            <dd>
              <WithTerms>{say}</WithTerms>
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
