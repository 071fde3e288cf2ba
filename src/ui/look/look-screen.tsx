"use client";
import { t } from "@/core/words/words";
import { useSearchParams } from "next/navigation";
import { WithJob } from "../jobs/with-job";
import { SuspicionPanel } from "../complaint/suspicion-panel";
import { useJob } from "../jobs/use-job";
import { useDiagnosis } from "../jobs/use-lineup";
import { JobHeader } from "../keys/job-header";
import type { Job } from "@/core/job/schema";
import { EyesSheet } from "./eyes-sheet";
import { LiveData } from "./live-data";
import { ModuleEyeView } from "./module-eye-view";

/** The first quarter hour at the car: eyes and hands, live data, before any meter. */
export function LookScreen() {
  const id = useSearchParams().get("job");
  const { state, change } = useJob(id);
  return (
    <WithJob state={state}>
      {(job) => (
        <>
          <JobHeader job={job} here="/look" />
          <main className="grid gap-4 p-4 lg:grid-cols-2">
            <h1 className="sr-only">{t`Look before measuring`}</h1>
            <EyesSheet job={job} change={change} />
            <div className="grid content-start gap-4">
              <Suspicion job={job} />
              <LiveData job={job} change={change} />
              {job.setup.family === "passive" && <ModuleEyeView job={job} />}
            </div>
          </main>
        </>
      )}
    </WithJob>
  );
}

function Suspicion({ job }: { job: Job }) {
  const { diagnosis } = useDiagnosis(job);
  return <SuspicionPanel diagnosis={diagnosis} />;
}
