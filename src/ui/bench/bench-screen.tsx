"use client";
import Link from "next/link";
import { useSearchParams } from "next/navigation";
import type { Job } from "@/core/job/schema";
import { useJob, type ChangeJob } from "../jobs/use-job";
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

/** Loading, missing and failed states, the same on every job screen. */
export function WithJob({
  state,
  children,
}: {
  state: ReturnType<typeof useJob>["state"];
  children: (job: Job) => React.ReactNode;
}) {
  if (state.status === "ready") return children(state.job);
  return (
    <p role={state.status === "failed" ? "alert" : "status"} className="p-12 text-center">
      {state.status === "loading" && "Opening the job…"}
      {state.status === "missing" && "This job is not in this browser's store. Import it on the jobs board."}
      {state.status === "failed" && `The job could not be read: ${state.say}. It was left untouched in the store.`}{" "}
      <Link className="underline" href="/">
        Jobs board
      </Link>
    </p>
  );
}
