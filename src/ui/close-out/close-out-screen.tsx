"use client";
import { useSearchParams } from "next/navigation";
import { useEffect, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { Diagnosis } from "@/core/job/diagnosis";
import { provenSuspect } from "@/core/job/diagnosis";
import { retractedIds, standingRepair } from "@/core/job/derive";
import type { Entry, Job } from "@/core/job/schema";
import type { Verification } from "@/core/job/verify";
import { repairPlan } from "@/core/repair/steps";
import { WithJob } from "../bench/bench-screen";
import { stamp, withEntry } from "../jobs/entries";
import { useJob, type ChangeJob } from "../jobs/use-job";
import { lineUpWorker, useDiagnosis } from "../jobs/use-lineup";
import { JobHeader } from "../keys/job-header";
import { EstimatePanel } from "./estimate-panel";
import { RepairPanel } from "./repair-panel";
import { ReportPanel } from "./report-panel";
import { VerdictPanel } from "./verdict-panel";
import { VerifyPanel } from "./verify-panel";

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
      <p role="alert" className="m-6 rounded-xl border border-brick bg-brick-wash p-4">
        The line-up could not be worked out: {failed}
      </p>
    );
  if (!diagnosis)
    return (
      <p className="p-16 text-center text-muted" role="status">
        Going through the readings…
      </p>
    );
  return <Closing job={job} change={change} diagnosis={diagnosis} verification={verification} />;
}

function Closing({
  job,
  change,
  diagnosis,
  verification,
}: {
  job: Job;
  change: ChangeJob;
  diagnosis: Diagnosis;
  verification: Verification | null;
}) {
  const proven = provenSuspect(diagnosis);
  const lead = diagnosis.suspects[0]!;
  const repair = standingRepair(job);
  const target = repair ?? { fault: (proven ?? lead).fault, part: (proven ?? lead).part };
  const plan = repairPlan(target.fault, target.part);
  const ticked = new Set(
    job.entries.flatMap((entry) => (entry.kind === "tick" && !retractedIds(job).has(entry.id) ? [entry.item] : [])),
  );
  const append = (entry: Entry) => change((newest) => withEntry(newest, entry));
  const tick = (item: string, text?: string) => {
    const known = job.entries.findLast(
      (entry) => entry.kind === "tick" && entry.item === item && !retractedIds(job).has(entry.id),
    );
    if (known && text === undefined) append({ ...stamp(), kind: "retract", entry: known.id });
    else append({ ...stamp(), kind: "tick", item, ...(text ? { text } : {}) });
  };
  const markRepaired = () => {
    if (repair) return append({ ...stamp(), kind: "retract", entry: repair.id });
    const suspect = proven ?? lead;
    append({
      ...stamp(),
      kind: "repair",
      fault: suspect.fault,
      part: suspect.part,
      words: suspect.words,
      share: suspect.share,
      guess: !proven,
    });
  };
  useHotkeys("1,2,3,4,5,6,7,8,9", (_, { keys }) => {
    const item = plan.steps[Number(keys?.[0]) - 1];
    if (item) tick(item);
  });
  return (
    <main className="grid gap-4 p-4 lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)]">
      <h1 className="sr-only">Close-out: {job.car.name}</h1>
      <div className="grid content-start gap-4">
        <VerdictPanel job={job} diagnosis={diagnosis} proven={proven} />
        <RepairPanel
          plan={plan}
          ticked={ticked}
          onTick={tick}
          repaired={repair}
          guess={!proven}
          lead={lead}
          onRepaired={markRepaired}
        />
        <EstimatePanel job={job} diagnosis={diagnosis} plan={plan} part={target.part} />
        <ReportPanel job={job} diagnosis={diagnosis} verification={verification} />
      </div>
      <div className="grid content-start gap-4">
        <VerifyPanel
          job={job}
          verification={verification}
          repaired={repair !== null}
          ticked={ticked}
          onAppend={append}
          onTick={tick}
        />
      </div>
    </main>
  );
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
