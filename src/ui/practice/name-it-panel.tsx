"use client";
import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Diagnosis } from "@/core/bench/diagnosis";
import { minutesSpent } from "@/core/bench/minutes-spent";
import { standingRepair } from "@/core/job/derive";
import type { Entry, Job } from "@/core/job/schema";
import { repairOf } from "../jobs/entries";
import { Cap } from "../keys/cap";

/** On a practice car: name part and place, and see how it went. */
export function NameItPanel({
  job,
  diagnosis,
  onAppend,
}: {
  job: Job;
  diagnosis: Diagnosis;
  onAppend: (entry: Entry) => void;
}) {
  const router = useRouter();
  const [chosen, setChosen] = useState("");
  const named = standingRepair(job);
  const sorted = diagnosis.suspects.toSorted((a, b) => a.words.localeCompare(b.words));
  return (
    <section className="rounded-2xl border border-plum bg-card p-4" aria-label={t`Practice`}>
      <h2 className="flex justify-between border-b border-rule pb-1 text-sm">
        <b className="font-semibold text-plum">{t`Practice car`}</b>
        <span className="font-mono">{t`${minutesSpent(job)} min so far`}</span>
      </h2>
      {named ? (
        <p className="py-2">{jt`You named: ${(<b>{named.words}</b>)}.`}</p>
      ) : (
        <div className="mt-2 flex flex-wrap items-end gap-2">
          <select
            aria-label={t`Part and place at fault`}
            className="min-h-12 w-full rounded-lg border border-rule bg-paper px-2"
            value={chosen}
            onChange={(event) => setChosen(event.target.value)}
          >
            <option value="">{t`it is …`}</option>
            {sorted.map(({ id, words }) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
          <Cap
            lead
            disabled={!chosen}
            onClick={() => {
              const suspect = diagnosis.suspects.find(({ id }) => id === chosen)!;
              onAppend(repairOf(suspect));
              router.push(`/practice/debrief?job=${job.id}`);
            }}
          >{t`name it`}</Cap>
        </div>
      )}
      {named && (
        <Cap lead className="mt-2" onClick={() => router.push(`/practice/debrief?job=${job.id}`)}>{t`how it went`}</Cap>
      )}
    </section>
  );
}
