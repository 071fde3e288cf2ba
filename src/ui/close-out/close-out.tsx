"use client";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import type { Verification } from "@/core/bench/verify";
import type { Job } from "@/core/job/schema";
import { languageTag, t } from "@/core/words/words";
import type { ChangeJob } from "../jobs/use-job";
import { useDiagnosis } from "../jobs/use-lineup";
import { numberOf } from "../query/same-object";
import { WorkerFailure } from "../query/worker-failure";
import { benchWorker } from "../query/workers";
import { Closing } from "./closing";

/** The end of a job: what is proven, how it is repaired, that it is fixed, what it costs, and the record. */
export function CloseOut({ job, change }: { job: Job; change: ChangeJob }) {
  const { diagnosis, failed, retry } = useDiagnosis(job, "came");
  const verification = useVerification(job);
  if (failed)
    return (
      <main className="m-6">
        <WorkerFailure error={failed} onRetry={retry} />
      </main>
    );
  if (!diagnosis) return <Going />;
  return <Closing job={job} change={change} diagnosis={diagnosis} verification={verification} />;
}

function Going() {
  return <p className="p-16 text-center text-muted" role="status">{t`Going through the readings…`}</p>;
}

function useVerification(job: Job): Verification | null {
  const { data } = useQuery({
    queryKey: ["verification", numberOf(job), languageTag()],
    queryFn: () => benchWorker.ask((remote) => remote.verify(job)),
    placeholderData: keepPreviousData,
  });
  return data ?? null;
}
