import { t } from "@/core/words/words";
import { gateStatus } from "@/core/bench/module-gate";
import type { Job } from "@/core/job/schema";

/** What has to be read before the module may be named. */
export function ModuleGate({ job }: { job: Job }) {
  const items = gateStatus(job);
  const open = items.every(({ done }) => done);
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Module gate`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Before condemning the module`}</h2>
      <ul>
        {items.map(({ say, shown, done }) => (
          <li key={say} className="flex items-baseline justify-between gap-3 border-b border-rule py-1.5">
            <span>
              {done ? "✓" : "○"} {say}
            </span>
            <b className="font-mono">{shown ?? t`not read`}</b>
          </li>
        ))}
      </ul>
      <p className="pt-2 text-sm text-muted">
        {open
          ? t`All read. The module may now be suspect number one if the readings say so.`
          : t`Until then the module is never called proven, whatever the shares say.`}
      </p>
    </section>
  );
}
