"use client";
import { keepPreviousData, queryOptions, useQuery, useQueryClient, type QueryClient } from "@tanstack/react-query";
import type { Diagnosis, Ranking } from "@/core/bench/diagnosis";
import type { CornerJob } from "@/core/job/corner-in-work";
import type { DiagnosedCar } from "@/core/board/diagnosis-key";
import type { Job } from "@/core/job/schema";
import { languageTag } from "@/core/words/words";
import { keepDiagnosis, keptDiagnosis } from "@/store/diagnoses";
import { numberOf } from "../query/same-object";
import { benchWorker } from "../query/workers";

const rankingQuery = (job: Job) =>
  queryOptions({
    queryKey: ["ranking", numberOf(job), languageTag()],
    queryFn: async (): Promise<Ranking> =>
      (await keptDiagnosis(job, "now")) ?? benchWorker.ask((remote) => remote.rank(job)),
  });

/** What was said of the job when it was open last, while it is still the same; else worked out, and kept. */
async function diagnosed(job: CornerJob, car: DiagnosedCar): Promise<Diagnosis> {
  const kept = await keptDiagnosis(job, car);
  if (kept) return kept;
  const made = await benchWorker.ask((remote) => (car === "now" ? remote.diagnoseNow(job) : remote.diagnose(job)));
  void keepDiagnosis(job, car, made);
  return made;
}

/** The ranking asked for by the hand that logs, before the screen is drawn anew, so that both run at once. */
export function askRanking(client: QueryClient, job: Job): void {
  void client.prefetchQuery(rankingQuery(job));
}

export interface DiagnosisState {
  diagnosis: Diagnosis | null;
  /** The shares before the newest reading, for the trend. */
  before: Record<string, number>;
  working: boolean;
  failed: Error | null;
  retry: () => void;
}

/**
 * What the line-up says of a job, asked of the worker whenever its log changes; the old answer stands meanwhile.
 * @param car as it is now, after what was repaired, or as it came
 */
export function useDiagnosis(job: Job, car: DiagnosedCar = "now"): DiagnosisState {
  const client = useQueryClient();
  // The new ranking is shown as soon as it is there; the old proposals stand until the new ones are chosen.
  const ranking = useQuery({ ...rankingQuery(job), enabled: car === "now", placeholderData: keepPreviousData });
  const whole = useQuery({
    queryKey: ["diagnosis", car, numberOf(job), languageTag()],
    queryFn: () => diagnosed(job, car),
    placeholderData: keepPreviousData,
  });
  const fresh: Ranking | undefined = ranking.isPlaceholderData ? undefined : ranking.data;
  const diagnosis = whole.data ? { ...whole.data, ...(whole.isPlaceholderData ? (fresh ?? {}) : {}) } : null;
  return {
    diagnosis,
    before: sharesBefore(client, job),
    working: whole.isPlaceholderData || whole.isPending,
    failed: whole.error ?? ranking.error,
    retry: () => void Promise.all([whole.refetch(), ...(car === "now" ? [ranking.refetch()] : [])]),
  };
}

/** Shares of the same job one entry ago, if they were asked for. */
function sharesBefore(client: QueryClient, job: Job): Record<string, number> {
  const earlier = previous.get(job);
  const ranking = earlier && client.getQueryData<Ranking>(rankingQuery(earlier).queryKey);
  return Object.fromEntries(ranking?.suspects.map(({ id, share }) => [id, share]) ?? []);
}

const previous = new WeakMap<Job, Job>();

/** Remembers what a job was before its newest entry. */
export function followedBy(job: Job, next: Job): Job {
  previous.set(next, job);
  return next;
}
