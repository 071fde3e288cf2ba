import { t } from "../words/words";
import type { RepairPlan } from "../faults/repair-words";
import type { EstimateSettings } from "./usual-estimate";

export interface EstimateLine {
  say: string;
  amount: number;
}

/** What this repair will likely cost: an estimate, before and after tax. */
export function estimate(
  plan: RepairPlan,
  diagnosisMin: number,
  sensorComesOut: boolean,
  settings: EstimateSettings,
): { lines: EstimateLine[]; net: number; tax: number; total: number } {
  const hours = (minutes: number) => (minutes / 60) * settings.labourRate;
  const lines: EstimateLine[] = [
    { say: t`parts`, amount: plan.partsCost },
    { say: t`labour, ${plan.labourMin} min`, amount: hours(plan.labourMin) },
    { say: t`diagnosis, ${Math.round(diagnosisMin)} min`, amount: hours(diagnosisMin) },
  ];
  if (sensorComesOut)
    lines.push({
      say: t`seized sensor, ${settings.seizedPct} in 100 × ${settings.seizedMin} min`,
      amount: (settings.seizedPct / 100) * hours(settings.seizedMin),
    });
  const net = lines.reduce((sum, { amount }) => sum + amount, 0);
  const tax = (net * settings.taxPct) / 100;
  return { lines, net, tax, total: net + tax };
}
