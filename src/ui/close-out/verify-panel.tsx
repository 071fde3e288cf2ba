"use client";
import { t } from "@/core/words/words";
import { useState } from "react";
import { readingTyped } from "@/core/observation/read-observation";
import type { Entry, Job } from "@/core/job/schema";
import type { Verification } from "@/core/bench/verify";
import { howLampsGoOut, roadTest } from "@/core/repair/road-test";
import { stamp } from "../jobs/entries";
import { Cap } from "../keys/cap";

/** The same checks at the same points, before against after; “fixed” needs one that failed and now passes. */
export function VerifyPanel({
  job,
  verification,
  repaired,
  ticked,
  onAppend,
  onTick,
}: {
  job: Job;
  verification: Verification | null;
  repaired: boolean;
  ticked: ReadonlySet<string>;
  onAppend: (entry: Entry) => void;
  onTick: (item: string) => void;
}) {
  const [refusal, setRefusal] = useState<string | null>(null);
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Verify`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Verify: the same checks again`}</h2>
      {!repaired && (
        <p className="py-2 text-muted">{t`Mark the repair first; then measure these again at the same points.`}</p>
      )}
      <ul>
        {verification?.items.map(({ check, before, after, passes }) => (
          <li key={check.id} className="border-b border-rule py-2">
            <p className="text-sm">
              {check.label} <span className="text-muted">· {check.stateWords}</span>
            </p>
            <p className="flex flex-wrap items-center gap-3 font-mono">
              <span className="text-brick">{t`before ${before}`}</span>
              {after !== null && (
                <span
                  className={passes === null ? "text-plum" : passes ? "text-verdigris" : "text-brick"}
                >{t`after ${after} ${passes === null ? t`? fits both, tells nothing` : passes ? t`✓ good` : t`✕ still wrong`}`}</span>
              )}
            </p>
            {repaired && after === null && (
              <form
                className="mt-1 flex flex-wrap items-center gap-2"
                onSubmit={(event) => {
                  event.preventDefault();
                  const typed = String(new FormData(event.currentTarget).get("value"));
                  const read = readingTyped(check.hookup, typed, job.setup);
                  if (!read.ok) return setRefusal(read.say);
                  setRefusal(null);
                  onAppend({ ...stamp(), kind: "reading", reading: read.value });
                }}
              >
                {check.answers ? (
                  <select
                    name="value"
                    aria-label={t`${check.label} now`}
                    className="min-h-11 rounded-lg border border-rule bg-paper px-2"
                  >
                    {check.answers.words.map((word) => (
                      <option key={word} value={word}>
                        {check.answers!.say[word]}
                      </option>
                    ))}
                  </select>
                ) : (
                  <input
                    name="value"
                    inputMode="decimal"
                    autoComplete="off"
                    aria-label={t`${check.label} now`}
                    className="min-h-11 w-32 rounded-lg border border-rule bg-paper px-2 text-right font-mono text-lg"
                  />
                )}
                <button type="submit" className="cap">
                  <span className="legend">{t`Enter`}</span>
                  <span>{t`after`}</span>
                </button>
              </form>
            )}
          </li>
        ))}
      </ul>
      {refusal && (
        <p role="alert" className="py-1 text-brick">
          {refusal}
        </p>
      )}
      {repaired && (
        <p className={`py-2 text-lg font-bold ${verification?.fixed ? "text-verdigris" : ""}`}>
          {verification?.fixed
            ? t`✓ Fixed: what failed before passes now, and the road test was clean.`
            : verification?.passed
              ? t`What failed before passes now. It is called fixed after the road test: drive it with the lamp out.`
              : t`Not shown to be fixed yet: no check that failed before has passed.`}
        </p>
      )}
      <div className="flex flex-wrap gap-2 pt-1">
        {roadTest.map(({ id, words }) => (
          <Cap key={id} aria-pressed={ticked.has(id)} onClick={() => onTick(id)}>
            {ticked.has(id) ? "✓ " : ""}
            {words()}
          </Cap>
        ))}
      </div>
      <p className="pt-2 text-sm text-muted">{howLampsGoOut()}</p>
    </section>
  );
}
