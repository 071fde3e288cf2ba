"use client";
import { t } from "@/core/words/words";
import { standingReadings } from "@/core/job/derive";
import type { Part } from "@/core/faults/parts/parts";
import type { Diagnosis } from "@/core/bench/diagnosis";
import { minutesSpent } from "@/core/bench/minutes-spent";
import type { Job } from "@/core/job/schema";
import { estimate } from "@/core/repair/estimate";
import type { RepairPlan } from "@/core/faults/repair-words";
import { sensorComesOut } from "@/core/repair/repair-plan";
import { useSettings } from "../settings/use-settings";

/** What it will likely cost, beside what guessing would have. */
export function EstimatePanel({
  job,
  diagnosis,
  plan,
  part,
}: {
  job: Job;
  diagnosis: Diagnosis;
  plan: RepairPlan;
  part: Part;
}) {
  const { settings } = useSettings();
  const { lines, tax, total } = estimate(plan, minutesSpent(job), sensorComesOut(part), settings.estimate);
  const money = (amount: number) => `${Math.round(amount)} ${settings.estimate.currency}`;
  const saved = diagnosis.guess.saves;
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Estimate`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Estimate`}</h2>
      <table className="w-full">
        <tbody>
          {lines.map(({ say, amount }) => (
            <tr key={say} className="border-b border-rule">
              <td className="py-1">{say}</td>
              <td className="text-right font-mono">{money(amount)}</td>
            </tr>
          ))}
          <tr className="border-b border-rule">
            <td className="py-1">{t`tax, ${settings.estimate.taxPct} %`}</td>
            <td className="text-right font-mono">{money(tax)}</td>
          </tr>
          <tr>
            <td className="py-1 font-bold">{t`about`}</td>
            <td className="text-right font-mono text-lg font-bold">{money(total)}</td>
          </tr>
        </tbody>
      </table>
      <p className="text-sm text-muted">{t`An estimate, not an offer; prices vary by car. ${
        standingReadings(job).length > 0 && saved > 0
          ? t`Fitting parts by popular order from here would cost ${money(saved)} more on average.`
          : ""
      }`}</p>
    </section>
  );
}
