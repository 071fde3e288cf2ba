"use client";
import { t } from "@/core/words/words";
import { useSearchParams } from "next/navigation";
import { useEffect, useState } from "react";
import dynamic from "next/dynamic";
import type { Job } from "@/core/job/schema";
import type { Verification } from "@/core/bench/verify";
import { WithJob } from "../jobs/with-job";
import { useJob, type ChangeJob } from "../jobs/use-job";
import { lineUpWorker, useDiagnosis } from "../jobs/use-lineup";
import { JobHeader } from "../keys/job-header";

const Closing = dynamic(() => import("./closing").then((module) => module.Closing), { ssr: false, loading: Going });

/** The end of a job: what is proven, how it is repaired, that it is fixed, what it costs, and the record. */
export function CloseOutScreen() {
  const id = useSearchParams().get("job");
  const { state, change } = useJob(id);
  return (
    <WithJob state={state}>
      {(job) => (
        <>
          <JobHeader job={job} here="/close-out" />
          <CloseOut job={job} change={change} />
        </>
      )}
    </WithJob>
  );
}

function CloseOut({ job, change }: { job: Job; change: ChangeJob }) {
  const { diagnosis, failed } = useDiagnosis(job);
  const verification = useVerification(job);
  if (failed)
    return (
      <p
        role="alert"
        className="m-6 rounded-xl border border-brick bg-brick-wash p-4"
      >{t`The line-up could not be worked out: ${failed}`}</p>
    );
  if (!diagnosis) return <Going />;
  return <Closing job={job} change={change} diagnosis={diagnosis} verification={verification} />;
}

function Going() {
  return <p className="p-16 text-center text-muted" role="status">{t`Going through the readings…`}</p>;
}

function useVerification(job: Job): Verification | null {
  const [made, setMade] = useState<Verification | null>(null);
  useEffect(() => {
    let live = true;
    void lineUpWorker()
      .verify(job)
      .then((verification) => live && setMade(verification));
    return () => {
      live = false;
    };
  }, [job]);
  return made;
}
