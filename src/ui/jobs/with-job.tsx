import { t } from "@/core/words/words";
import Link from "next/link";
import { useMemo } from "react";
import type { Job } from "@/core/job/schema";
import { OpenCarContext } from "./open-job";
import type { ChangeJob, JobState } from "./use-job";

/** Loading, missing and failed states, the same on every job screen. */
export function WithJob({
  state,
  changeCar,
  children,
}: {
  state: JobState;
  changeCar: ChangeJob;
  children: (job: Job) => React.ReactNode;
}) {
  const open = useMemo(() => (state.status === "ready" ? { ...state, changeCar } : null), [state, changeCar]);
  if (open) return <OpenCarContext value={open}>{children(open.job)}</OpenCarContext>;
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
