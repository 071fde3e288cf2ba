"use client";
import { toldWords } from "@/core/bench/tells-words";
import { WorkerFailure } from "../query/worker-failure";
import { numberOf } from "../query/same-object";
import { useQuery } from "@tanstack/react-query";
import { benchWorker } from "../query/workers";
import { languageTag, t } from "@/core/words/words";
import Link from "next/link";
import { useSearchParams } from "next/navigation";
import type { Job } from "@/core/job/schema";
import { skillOf } from "@/core/practice/skill-of";
import { WithJob } from "../jobs/with-job";
import { useJob } from "../jobs/use-job";

import { CarMark } from "../keys/car-mark";
import { keepScore } from "./history-store";

/** What a practice car showed: each step's worth, the best plan on the same car, and the money. */
export function DebriefScreen() {
  const id = useSearchParams().get("job");
  const { state, changeCar } = useJob(id);
  return (
    <WithJob state={state} changeCar={changeCar}>
      {(job) => <Debriefing job={job} />}
    </WithJob>
  );
}

function Debriefing({ job }: { job: Job }) {
  const {
    data: made,
    error,
    refetch,
  } = useQuery({
    queryKey: ["debrief", numberOf(job), languageTag()],
    queryFn: async () => {
      const one = await benchWorker.ask((remote) => remote.debrief(job));
      if (one.named)
        keepScore({
          job: job.id,
          at: new Date().toISOString(),
          right: one.right,
          score: one.score,
          truth: one.truth,
          skill: skillOf(job),
        });
      return one;
    },
  });
  return (
    <>
      <header className="flex items-center gap-4 border-b border-rule px-4 py-2">
        <Link href="/" className="text-lg font-bold tracking-tight">
          tastatura
        </Link>
        <span className="font-semibold">{job.car.name}</span>
        <CarMark corner={job.setup.corner} />
        <Link href="/practice" className="cap ml-auto">
          <span className="legend" />
          <span>{t`another car`}</span>
        </Link>
      </header>
      {error ? (
        <main className="m-6">
          <WorkerFailure error={error} onRetry={() => void refetch()} />
        </main>
      ) : !made ? (
        <p className="p-16 text-center text-muted" role="status">{t`Running the best plan on the same car…`}</p>
      ) : (
        <main className="mx-auto grid max-w-6xl items-start gap-4 p-4 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)]">
          <section className="rounded-2xl border border-rule bg-card p-5" aria-label={t`Your way`}>
            <h1
              className={`text-2xl font-bold ${made.right ? "text-verdigris" : "text-brick"}`}
            >{t`${made.named ? (made.right ? t`✓ Right` : t`✕ Not that`) : t`Not named yet`}: it was ${made.truth.toLowerCase()}`}</h1>
            {made.named && !made.right && <p>{t`You named: ${made.named}.`}</p>}
            <table className="mt-3 w-full">
              <thead>
                <tr className="text-left text-sm text-muted">
                  <th className="font-normal">{t`your reading`}</th>
                  <th className="font-normal">{t`showed`}</th>
                  <th className="text-right font-normal">{t`min`}</th>
                  <th className="text-right font-normal">{t`useful?`}</th>
                </tr>
              </thead>
              <tbody>
                {made.steps.map((step, i) => (
                  <tr key={i} className="border-t border-rule">
                    <td className="py-1.5">
                      {step.say}
                      {step.wasted && <span className="text-brick">{t` · told nothing`}</span>}
                    </td>
                    <td className="font-mono">{step.value}</td>
                    <td className="text-right font-mono">{step.minutes}</td>
                    <td className="text-right text-sm">{toldWords(step.bits)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {made.noticed.length > 0 && (
              <>
                <h2 className="mt-4 text-sm font-semibold text-muted">{t`A colleague would have noticed`}</h2>
                <ul>
                  {made.noticed.map((say) => (
                    <li key={say} className="border-t border-rule py-1.5">
                      {say}
                    </li>
                  ))}
                </ul>
              </>
            )}
          </section>
          <div className="grid content-start gap-4">
            <section className="rounded-2xl border border-rule bg-card p-5" aria-label={t`Score`}>
              <p className="text-sm text-muted">{t`Score`}</p>
              <p className="font-mono text-5xl font-bold">{made.score}</p>
              <table className="mt-2 w-full">
                <tbody>
                  {(
                    [
                      [t`your bill`, made.bill.yours, made.minutes],
                      [t`best plan`, made.bill.best, made.best.minutes],
                      [t`parts by popular order`, made.bill.guessing, null],
                    ] as const
                  ).map(([say, amount, minutes]) => (
                    <tr key={say} className="border-t border-rule">
                      <td className="py-1">{say}</td>
                      <td className="text-right font-mono">{minutes === null ? "" : t`${minutes} min`}</td>
                      <td className="text-right font-mono">{amount}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
            <section className="rounded-2xl border border-rule bg-card p-5" aria-label={t`Best plan`}>
              <h2 className="text-sm font-semibold text-muted">{t`The plan's way on the same car`}</h2>
              <ol>
                {made.best.steps.map((step, i) => (
                  <li key={i} className="flex items-baseline justify-between gap-3 border-t border-rule py-1.5">
                    <span>{step.say}</span>
                    <span className="font-mono whitespace-nowrap">{t`${step.value} · ${step.minutes} min`}</span>
                  </li>
                ))}
              </ol>
              <p className="pt-2 text-sm text-muted">
                {made.best.proven ? t`Proven there.` : t`It would not have proven it either.`}
              </p>
            </section>
          </div>
        </main>
      )}
    </>
  );
}
