import { t } from "@/core/words/words";
import { partLabel } from "@/core/faults/parts/parts";
import type { Diagnosis } from "@/core/bench/diagnosis";
import type { ComplaintReason } from "@/core/complaint/complaint-reasons";
import { partsToShow } from "@/core/verdict/suspects";
import { formatShare } from "@/core/units/format";

/** The suspicion by part as it stands, for screens where answers move it. */
export function SuspicionPanel({
  diagnosis,
  reasons = [],
  nameOf = (answer) => answer,
}: {
  diagnosis: Diagnosis | null;
  reasons?: readonly ComplaintReason[];
  nameOf?: (answer: string) => string;
}) {
  return (
    <section
      className="rounded-2xl border border-rule bg-card p-4"
      aria-label={t`Most likely so far`}
      aria-live="polite"
    >
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Points to`}</h2>
      <ol>
        {partsToShow(diagnosis?.parts ?? []).map(({ part, share }) => (
          <li key={part} className="grid grid-cols-[10rem_1fr_3.5rem] items-center gap-2 border-b border-rule py-1.5">
            <span className="text-sm">{partLabel(part)}</span>
            <span className="h-3 rounded border border-rule bg-paper">
              <span className="hatch block h-full rounded bg-brick" style={{ width: `${share * 100}%` }} />
            </span>
            <span className="text-right tabular-nums">{formatShare(share)}</span>
          </li>
        ))}
      </ol>
      {reasons.length > 0 && (
        <ul className="pt-2 text-sm">
          {reasons.map(({ answer, speaksFor, speaksAgainst }) => (
            <li key={answer} className="pt-1">
              <b>{nameOf(answer)}</b>
              {speaksFor.length > 0 && t` speaks for ${speaksFor.join(", ")}`}
              {speaksFor.length > 0 && speaksAgainst.length > 0 && ";"}
              {speaksAgainst.length > 0 && t` against ${speaksAgainst.join(", ")}`}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
