import { t } from "@/core/words/words";
import Link from "next/link";
import type { Job } from "@/core/job/schema";
import type { JobState } from "./use-job";

/** Loading, missing and failed states, the same on every job screen. */
export function WithJob({ state, children }: { state: JobState; children: (job: Job) => React.ReactNode }) {
  if (state.status === "ready") return children(state.job);
  return (
    <p role={state.status === "failed" ? "alert" : "status"} className="p-12 text-center">
      {state.status === "loading" && t`Opening the job…`}
      {state.status === "missing" && t`This job is not in this browser's store. Import it on the jobs board.`}
      {state.status === "failed" &&
        t`The job could not be read: ${state.say}. It was left untouched in the store.`}{" "}
      <Link className="underline" href="/">{t`Jobs board`}</Link>
    </p>
  );
}
