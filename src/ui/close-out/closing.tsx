"use client";
import { t } from "@/core/words/words";
import dynamic from "next/dynamic";
import { useHotkeys } from "react-hotkeys-hook";
import type { Diagnosis } from "@/core/bench/diagnosis";
import { provenSuspect } from "@/core/verdict/suspects";
import { retractedIds, standingRepair, standingTicks, tickText } from "@/core/job/derive";
import type { Entry, Job } from "@/core/job/schema";
import type { Verification } from "@/core/bench/verify";
import { spanAt } from "@/core/repair/link-lead";
import { repairPlan } from "@/core/repair/repair-plan";
import { cornersInWork } from "@/core/job/corner-in-work";
import { useOpenCar } from "../jobs/open-job";
import { repairOf, stamp, withEntry } from "../jobs/entries";
import type { ChangeJob } from "../jobs/use-job";
import { EstimatePanel } from "./estimate-panel";
import { RepairPanel } from "./repair-panel";
import { ReportPanel } from "./report-panel";
import { VerdictPanel } from "./verdict-panel";
import { VerifyPanel } from "./verify-panel";

const WholeCar = dynamic(() => import("../jobs/whole-car").then((module) => module.WholeCar), { ssr: false });

/** What the close-out shows once the readings are gone through: verdict, repair, estimate, report, verification. */
export function Closing({
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
  const open = useOpenCar();
  const proven = provenSuspect(diagnosis.suspects);
  const lead = diagnosis.suspects[0]!;
  const repair = standingRepair(job);
  const target = repair ?? proven ?? lead;
  const plan = repairPlan(target.fault, target.part, spanAt(job.setup, target.place));
  const ticked = standingTicks(job);
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
    append(repairOf(proven ?? lead));
  };
  useHotkeys("1,2,3,4,5,6,7,8,9", (_, { keys }) => {
    const item = plan.steps[Number(keys?.[0]) - 1];
    if (item) tick(item);
  });
  return (
    <main className="grid gap-4 p-4 lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)]">
      <h1 className="sr-only">{t`Close-out: ${job.car.name}`}</h1>
      <div className="grid content-start gap-4">
        <VerdictPanel job={job} diagnosis={diagnosis} proven={proven} />
        <RepairPanel
          plan={plan}
          ticked={ticked}
          onTick={tick}
          saidOf={(item) => tickText(job, item)}
          jobId={job.id}
          repaired={repair}
          guess={!proven}
          lead={lead}
          onRepaired={markRepaired}
        />
        {open && cornersInWork(open.car).length > 1 && <WholeCar open={open} here="/close-out" />}
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
