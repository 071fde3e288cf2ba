"use client";
import { WorkerFailure } from "../query/worker-failure";
import { numberOf } from "../query/same-object";
import { useQuery } from "@tanstack/react-query";
import { benchWorker } from "../query/workers";
import { languageTag, t } from "@/core/words/words";
import dynamic from "next/dynamic";
import { useHotkeys } from "react-hotkeys-hook";
import type { Job } from "@/core/job/schema";
import type { ChangeJob } from "../jobs/use-job";
import { useDiagnosis } from "../jobs/use-lineup";
import { BreakFinder } from "./break-finder";
import { DiagramPanel } from "./diagram-panel";
import { ModuleGate } from "./module-gate";
import { PinMap } from "./pin-map";
import { WireTable } from "./wire-table";

const LoomMap = dynamic(() => import("./loom-map").then((module) => module.LoomMap), {
  ssr: false,
  loading: () => (
    <p className="min-h-96 rounded-2xl border border-rule bg-card p-4 text-muted">{t`Laying out the loom…`}</p>
  ),
});

/** The work between sensor plug and module: the map, where the break can be, the wire table, the module's gate. */
export function Loom({ job, change }: { job: Job; change: ChangeJob }) {
  const { data: view = null, error, refetch } = useLoom(job);
  const { diagnosis } = useDiagnosis(job);
  useHotkeys("r", () =>
    change((newest) => ({ ...newest, policy: { ...newest.policy, pierce: !newest.policy.pierce } })),
  );
  return (
    <main className="grid grid-cols-[minmax(0,1fr)] gap-4 p-4 xl:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
      <h1 className="sr-only">{t`Loom: ${job.car.name}`}</h1>
      <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4">
        {error && <WorkerFailure error={error} onRetry={() => void refetch()} />}
        <BreakFinder job={job} view={view} suspects={diagnosis?.suspects ?? []} change={change} />
        <WireTable job={job} change={change} />
      </div>
      <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4">
        <LoomMap job={job} change={change} />
        <PinMap job={job} change={change} />
        <DiagramPanel job={job} change={change} />
        <ModuleGate job={job} />
      </div>
    </main>
  );
}

function useLoom(job: Job) {
  return useQuery({
    queryKey: ["loom", numberOf(job), languageTag()],
    queryFn: () => benchWorker.ask((remote) => remote.loom(job)),
    // A view of another path has other spans: it is not shown while this one's is made.
    placeholderData: (last, query) => (query?.queryKey[1] === numberOf(job) ? last : undefined),
  });
}
