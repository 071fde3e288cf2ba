"use client";
import { useSearchParams } from "next/navigation";
import type { Job } from "@/core/job/schema";
import { useJob, type ChangeJob } from "../jobs/use-job";
import { WithJob } from "../jobs/with-job";
import { JobHeader } from "../keys/job-header";
import { Bench } from "./bench";

/** The Bench of the job named in the address, or a plain word about why it cannot be shown. */
export function BenchScreen() {
  const id = useSearchParams().get("job");
  const { state, change } = useJob(id);
  return <WithJob state={state}>{(job) => <BenchOf job={job} change={change} />}</WithJob>;
}

function BenchOf({ job, change }: { job: Job; change: ChangeJob }) {
  return (
    <>
      <JobHeader job={job} here="/bench" />
      <Bench job={job} change={change} />
    </>
  );
}
