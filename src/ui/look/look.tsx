"use client";
import { t } from "@/core/words/words";
import { SuspicionPanel } from "../complaint/suspicion-panel";
import type { ChangeJob } from "../jobs/use-job";
import { useDiagnosis } from "../jobs/use-lineup";
import type { Job } from "@/core/job/schema";
import { EyesSheet } from "./eyes-sheet";
import { LiveData } from "./live-data";
import { ModuleEyeView } from "./module-eye-view";

/** The first quarter hour at the car: eyes and hands, live data, before any meter. */
export function Look({ job, change }: { job: Job; change: ChangeJob }) {
  return (
    <main className="grid gap-4 p-4 lg:grid-cols-2">
      <h1 className="sr-only">{t`Look before measuring`}</h1>
      <EyesSheet job={job} change={change} />
      <div className="grid content-start gap-4">
        <Suspicion job={job} />
        <LiveData job={job} change={change} />
        {job.setup.family === "passive" && <ModuleEyeView job={job} />}
      </div>
    </main>
  );
}

function Suspicion({ job }: { job: Job }) {
  const { diagnosis } = useDiagnosis(job);
  return <SuspicionPanel diagnosis={diagnosis} />;
}
