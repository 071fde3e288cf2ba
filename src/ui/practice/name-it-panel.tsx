"use client";
import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Diagnosis } from "@/core/bench/diagnosis";
import { minutesInAll } from "@/core/bench/minutes-spent";
import { standingRepairs } from "@/core/job/derive";
import type { Entry, Job } from "@/core/job/schema";
import { repairOf } from "../jobs/entries";
import { Cap } from "../keys/cap";

/** On a practice car: name part and place, and see how it went. Where two may be wrong, the car goes on until it is called right. */
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
  const named = standingRepairs(job);
  const mayBeTwo = job.simulated?.practice?.two === true;
  const isOpen = named.length === 0 || mayBeTwo;
  const toDebrief = () => router.push(`/practice/debrief?job=${job.id}`);
  const sorted = diagnosis.suspects.toSorted((a, b) => a.words.localeCompare(b.words));
  return (
    <section className="rounded-2xl border border-plum bg-card p-4" aria-label={t`Practice`}>
      <h2 className="flex justify-between border-b border-rule pb-1 text-sm">
        <b className="font-semibold text-plum">{t`Practice car`}</b>
        <span className="font-mono">{t`${minutesInAll(job)} min so far`}</span>
      </h2>
      <blockquote className="mt-2 border-l-4 border-rule pl-3 text-sm">
        {job.complaint.note}{" "}
        {job.complaint.codes.length > 0 && <span className="font-mono">{job.complaint.codes.join(" · ")}</span>}
      </blockquote>
      {named.length > 0 && (
        <p className="pt-2">{jt`You named: ${(<b>{named.map(({ words }) => words).join(", ")}</b>)}.`}</p>
      )}
      {mayBeTwo && named.length > 0 && (
        <p className="text-sm text-muted">{t`It is repaired. Measure on: something else may be wrong too.`}</p>
      )}
      {isOpen && (
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
              setChosen("");
              if (!mayBeTwo) toDebrief();
            }}
          >{t`name it`}</Cap>
        </div>
      )}
      {named.length > 0 && (
        <Cap lead={!isOpen} className="mt-2" onClick={toDebrief}>
          {mayBeTwo ? t`the car is right: how it went` : t`how it went`}
        </Cap>
      )}
    </section>
  );
}
