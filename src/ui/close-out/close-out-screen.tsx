"use client";
import { WorkerFailure } from "../query/worker-failure";
import { numberOf } from "../query/same-object";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { benchWorker } from "../query/workers";
import { languageTag, t } from "@/core/words/words";
import { useSearchParams } from "next/navigation";
import dynamic from "next/dynamic";
import type { Job } from "@/core/job/schema";
import type { Verification } from "@/core/bench/verify";
import { WithJob } from "../jobs/with-job";
import { useJob, type ChangeJob } from "../jobs/use-job";
import { useDiagnosis } from "../jobs/use-lineup";
import { JobHeader } from "../keys/job-header";

const Closing = dynamic(() => import("./closing").then((module) => module.Closing), { ssr: false, loading: Going });

/** The end of a job: what is proven, how it is repaired, that it is fixed, what it costs, and the record. */
export function CloseOutScreen() {
  const id = useSearchParams().get("job");
  const { state, change, changeCar } = useJob(id);
  return (
    <WithJob state={state} changeCar={changeCar}>
      {(job) => (
        <>
          <JobHeader job={job} here="/close-out" />
          <CloseOut key={job.id} job={job} change={change} />
        </>
      )}
    </WithJob>
  );
}

function CloseOut({ job, change }: { job: Job; change: ChangeJob }) {
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
