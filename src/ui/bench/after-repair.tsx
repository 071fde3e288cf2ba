import { jt } from "../keys/words";
import { midSentence, t } from "@/core/words/words";
import Link from "next/link";
import type { RepairEntry } from "@/core/job/derive";
import type { Suspect } from "@/core/verdict/suspects";
import { Cap } from "../keys/cap";

/** After a repair the Bench goes on with the car as it is now: said here, with the next repair to be ticked off. */
export function AfterRepair({
  jobId,
  repairs,
  next,
  onRepaired,
}: {
  jobId: string;
  repairs: readonly RepairEntry[];
  /** What is proven on the car as it is now, the all-clear left out. */
  next: Suspect | null;
  onRepaired: (suspect: Suspect) => void;
}) {
  return (
    <section
      aria-label={t`After the repair`}
      className="flex flex-wrap items-center gap-3 rounded-2xl border border-rule bg-card px-4 py-3"
    >
      <p className="min-w-0 flex-1">
        {jt`${(<b>{t`Repaired:`}</b>)} ${repairs.map(({ words }) => midSentence(words)).join("; ")}. ${t`From here on the Bench judges the car as it is now. Still wrong? Measure on: what else may be wrong stands beside.`}`}{" "}
        <Link className="underline" href={`/close-out?job=${jobId}`}>{t`To the close-out (X)`}</Link>
      </p>
      {next && <Cap lead onClick={() => onRepaired(next)}>{t`this is repaired too`}</Cap>}
    </section>
  );
}
