import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import Link from "next/link";
import { hookupLabel, stateWords } from "@/core/checks/words";
import { partLabel } from "@/core/faults/parts/parts";
import { standingReadings } from "@/core/job/derive";
import type { Diagnosis } from "@/core/bench/diagnosis";
import { hookupOf } from "@/core/observation/read-observation";
import type { Job } from "@/core/job/schema";
import { shownValue } from "@/core/bench/shown-value";
import { partsToShow, type Suspect } from "@/core/verdict/suspects";
import { formatShare } from "@/core/units/format";
import { provenWords } from "@/core/verdict/proven-words";

/** What is proven and by which readings, what was cleared, what stays open. */
export function VerdictPanel({ job, diagnosis, proven }: { job: Job; diagnosis: Diagnosis; proven: Suspect | null }) {
  const lead = diagnosis.suspects[0]!;
  const readings = standingReadings(job);
  const cleared = diagnosis.parts.filter(({ verdict }) => verdict === "cleared");
  const open = partsToShow(diagnosis.parts).filter(({ verdict }) => verdict === "suspect");
  const next = diagnosis.next[0];
  const said = proven && provenWords(proven, diagnosis.parts);
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Verdict`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Verdict`}</h2>
      {proven && said ? (
        <>
          <p className="mt-2 text-2xl font-bold text-verdigris">{t`✓ Proven: ${said.what}`}</p>
          <p className="text-muted">{t`${formatShare(said.share)}, by these readings:`}</p>
          <ul className="mt-1">
            {proven.provenBy.map((entryId) => {
              const entry = readings.find(({ id }) => id === entryId);
              const hookup = entry && hookupOf(entry.reading, job.setup);
              return (
                <li key={entryId} className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1.5">
                  <b className="font-mono">{entry && shownValue(entry.reading)}</b>
                  <span>{hookup?.ok ? hookupLabel(hookup.value) : ""}</span>
                  <span className="text-sm text-muted">{hookup?.ok ? stateWords(hookup.value.state) : ""}</span>
                </li>
              );
            })}
          </ul>
        </>
      ) : (
        <>
          <p className="mt-2 text-2xl font-bold">{t`Nothing is proven yet.`}</p>
          <p>{jt`Most likely: ${(<b>{lead.words}</b>)} (${formatShare(lead.share)}).`}</p>
          {next && (
            <p className="mt-2 rounded-xl bg-paper p-3">{jt`Cheapest next step, ${next.minutes} min: ${(<b>{next.check}</b>)} ${(<Link className="underline" href={`/bench?job=${job.id}`}>{t`to the bench`}</Link>)}`}</p>
          )}
        </>
      )}
      {cleared.length > 0 && (
        <p className="mt-2 text-verdigris">{t`✓ Cleared: ${cleared.map(({ part }) => partLabel(part)).join(", ")}`}</p>
      )}
      {open.length > 0 && !proven && (
        <p className="mt-1 text-muted">{t`Open: ${open.map(({ part, share }) => `${partLabel(part)} ${formatShare(share)}`).join(" · ")}`}</p>
      )}
    </section>
  );
}
