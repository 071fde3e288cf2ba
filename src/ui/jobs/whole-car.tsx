"use client";
import Link from "next/link";
import { spanAt } from "@/core/repair/link-lead";
import { minutesSpent } from "@/core/bench/minutes-spent";
import { boardState } from "@/core/board/board";
import { carPartsOf } from "@/core/board/car-by-rows";
import { partLabel } from "@/core/faults/parts/parts";
import { carEstimate } from "@/core/repair/car-estimate";
import { cornerWords } from "@/core/units/corner";
import { formatShare } from "@/core/units/format";
import { partsOfCarShown } from "@/core/verdict/car-parts";
import { t } from "@/core/words/words";
import { useSettings } from "../settings/use-settings";
import type { OpenCar } from "./open-job";
import { useCornerRows } from "./use-corner-rows";

/** Every corner in work side by side: its suspect and state, what they may have in common, and one bill. */
export function WholeCar({ open: { car, corner: current }, here }: { open: OpenCar; here: string }) {
  const { settings } = useSettings();
  const corners = useCornerRows(car);
  const known = corners.flatMap(({ corner, job, row }) => (row?.lead ? [{ corner, job, row, lead: row.lead }] : []));
  const inCommon = partsOfCarShown(carPartsOf(known));
  const bill = carEstimate(
    known.map(({ job, lead }) => ({
      fault: lead.fault,
      part: lead.part,
      span: spanAt(job.setup, lead.place),
      diagnosisMin: minutesSpent(job),
    })),
    settings.estimate,
  );
  const money = (amount: number) => `${Math.round(amount)} ${settings.estimate.currency}`;
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`The whole car`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`The whole car`}</h2>
      <ul>
        {corners.map(({ corner, job, row, failed }) => (
          <li key={corner} className="flex min-h-11 items-center gap-3 border-b border-rule py-1.5">
            {corner === current ? (
              <b className="min-w-11 text-center" title={cornerWords[corner]}>
                {corner}
              </b>
            ) : (
              <Link
                className="cap min-w-11! shrink-0 justify-center"
                href={`${here}?job=${job.id}`}
                title={cornerWords[corner]}
              >
                {corner}
              </Link>
            )}
            <span className="min-w-0 flex-1 leading-snug">
              {failed
                ? t`Not worked out: ${failed.message}`
                : row?.lead
                  ? row.lead.words
                  : t`Working out the suspects…`}{" "}
              {row && boardState(job, row) === "repaired" ? (
                <b className="text-verdigris">{t`repaired`}</b>
              ) : (
                row?.lead?.proven && <b className="text-verdigris">{t`✓ proven`}</b>
              )}
            </span>
            {row?.lead && <b className="tabular-nums">{formatShare(row.lead.share)}</b>}
          </li>
        ))}
      </ul>
      {inCommon.map(({ part, share }) => (
        <p key={part} className="mt-2 leading-snug">
          <b>{t`One cause for all of them?`}</b>{" "}
          {t`${partLabel(part)}, ${formatShare(share)}: it feeds every corner. Measure it before condemning a part at one wheel.`}
        </p>
      ))}
      {known.length > 1 && (
        <p className="mt-2 text-sm text-muted">{t`All of it repaired, about ${money(bill)} (an estimate).`}</p>
      )}
    </section>
  );
}
