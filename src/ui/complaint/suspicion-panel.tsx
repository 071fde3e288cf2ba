import { partWords } from "@/core/faults/fault";
import type { Diagnosis } from "@/core/job/diagnosis";
import { partsToShow } from "@/core/lineup/suspects";
import { formatShare } from "@/core/units/format";

/** The suspicion by part as it stands, for screens where answers move it. */
export function SuspicionPanel({ diagnosis }: { diagnosis: Diagnosis | null }) {
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label="Suspicion so far" aria-live="polite">
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">What this does to the suspicion</h2>
      <ol>
        {partsToShow(diagnosis?.parts ?? []).map(({ part, share }) => (
          <li key={part} className="grid grid-cols-[10rem_1fr_3.5rem] items-center gap-2 border-b border-rule py-1.5">
            <span className="text-sm">{partWords[part]}</span>
            <span className="h-3 rounded bg-rule">
              <span className="hatch block h-full rounded bg-brick" style={{ width: `${share * 100}%` }} />
            </span>
            <span className="text-right tabular-nums">{formatShare(share)}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
