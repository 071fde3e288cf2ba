"use client";
import { Archive, ArchiveRestore, Download, Trash2 } from "lucide-react";
import Link from "next/link";
import { familyWords } from "@/core/circuit/setup";
import { peopleOf, waitsFor } from "@/core/board/board";
import { standingReadings, standingRepair } from "@/core/job/derive";
import type { Job } from "@/core/job/schema";
import { ago } from "@/core/units/ago";
import { LeadWords } from "../keys/lead-words";
import { t } from "@/core/words/words";
import { lastTouched } from "@/store/jobs";
import { Cap } from "../keys/cap";
import { CarMark } from "../keys/car-mark";
import { jt } from "../keys/words";
import { download } from "./download";
import type { CornerRow } from "./use-corner-rows";

/** One car on the board. */
export function JobRow({
  job,
  corners,
  at,
  onArchive,
  onDelete,
}: {
  job: Job;
  corners: readonly CornerRow[];
  at: number;
  onArchive: () => void;
  onDelete: () => void;
}) {
  const waits = waitsFor(job);
  return (
    <div className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 rounded-2xl border border-rule bg-card p-3 lg:grid-cols-[auto_17rem_1fr_auto]">
      <Link href={`/bench?job=${job.id}`} className="cap row-span-2 self-center lg:row-span-1">
        <span className="legend" aria-hidden="true">
          {at < 9 ? at + 1 : ""}
        </span>
        <span>{jt`Open${(<span className="sr-only"> {job.car.name}</span>)}`}</span>
      </Link>
      <div className="self-center">
        <div className="flex items-center gap-3 text-lg font-semibold">
          {job.car.name || t`unnamed car`}{" "}
          <CarMark corner={job.setup.corner} inWork={corners.map(({ corner }) => corner)} />
        </div>
        <div className="text-sm text-muted">{t`${familyWords[job.setup.family]} · ${standingReadings(job).length} readings`}</div>
      </div>
      <div className="grid gap-2 self-center">
        {waits && (
          <p className="w-fit rounded-full border border-marigold bg-marigold-wash px-3 py-0.5 text-sm">
            {t`Waiting for: ${waits}`}
          </p>
        )}
        {job.simulated?.practice?.alone ? (
          <p className="text-muted">{t`practice, alone`}</p>
        ) : (
          corners.map((one) => <CornerLine key={one.corner} {...one} named={corners.length > 1} />)
        )}
      </div>
      <div className="col-span-2 flex items-center justify-end gap-3 self-center text-sm text-muted lg:col-span-1">
        <span>{[peopleOf(job).at(-1), ago(new Date(lastTouched(job)))].filter(Boolean).join(" · ")}</span>
        <Cap aria-label={t`Export ${job.car.name}`} onClick={() => void exportAsFile(job)}>
          <Download size={18} aria-hidden />
        </Cap>
        <Cap
          aria-label={job.archived ? t`Back on the board: ${job.car.name}` : t`Archive ${job.car.name}`}
          onClick={onArchive}
        >
          {job.archived ? <ArchiveRestore size={18} aria-hidden /> : <Archive size={18} aria-hidden />}
        </Cap>
        <Cap aria-label={t`Delete ${job.car.name}`} onClick={onDelete}>
          <Trash2 size={18} aria-hidden />
        </Cap>
      </div>
    </div>
  );
}

/** What is believed of one corner. @param named the car has several in work: which it is, and the way to it */
function CornerLine({ corner, job, row, failed, named }: CornerRow & { named: boolean }) {
  const lead = row?.lead;
  const which = named && (
    <Link className="mr-2 inline-block min-w-8 font-bold underline" href={`/bench?job=${job.id}`}>
      {corner}
    </Link>
  );
  if (failed)
    return (
      <p className="text-brick">
        {which}
        {t`Not worked out: ${failed.message}`}
      </p>
    );
  if (!lead)
    return (
      <p className="text-muted">
        {which}
        {t`Working out the suspects…`}
      </p>
    );
  return (
    <div>
      <p className="font-medium">
        {which}
        <LeadWords lead={lead} />
      </p>
      <p className="text-sm text-muted">
        {standingRepair(job)
          ? t`Repaired; see Close-out for the proof of it.`
          : lead.proven
            ? t`Ready to repair.`
            : t`Next: ${row.next ?? t`nothing left to measure`}`}
      </p>
    </div>
  );
}

async function exportAsFile(job: Job): Promise<void> {
  const { exportJob } = await import("@/core/job-file/file");
  download(`${job.car.name || "job"}-${job.setup.corner}.json`, exportJob(job));
}
