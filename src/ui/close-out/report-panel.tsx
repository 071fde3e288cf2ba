"use client";
import { errorWords } from "@/core/words/error-words";
import { captureWorker } from "../query/workers";
import { t } from "@/core/words/words";
import { proxy } from "comlink";
import { useState } from "react";
import type { Diagnosis } from "@/core/bench/diagnosis";
import { cornersInWork } from "@/core/job/corner-in-work";
import { otherCornerLine } from "@/core/report/other-corner";
import { exportJob } from "@/core/job-file/file";
import type { Job } from "@/core/job/schema";
import type { Verification } from "@/core/bench/verify";
import { readingsCsv } from "@/core/job-file/readings-csv";
import type { KeptCapture } from "@/core/job-file/zip";
import { reportOf, type Report } from "@/core/report/report";
import { loadCapture } from "@/store/captures";
import { capturesOf } from "../captures/use-capture";
import { download } from "../jobs/download";
import { useOpenCar } from "../jobs/open-job";
import { useCornerRows } from "../jobs/use-corner-rows";
import { downloadPdf } from "../jobs/download-pdf";
import { Cap } from "../keys/cap";
import { toast } from "../keys/toast";

/** The record: PDF for the customer and the file, readings as CSV, the whole job, a reminder. */
export function ReportPanel({
  job,
  diagnosis,
  verification,
}: {
  job: Job;
  diagnosis: Diagnosis;
  verification: Verification | null;
}) {
  const [busy, setBusy] = useState(false);
  const name = job.car.name || "job";
  const open = useOpenCar();
  // What is kept as a file is the whole car; what is printed is this corner, with a line on each other one.
  const car = open?.car ?? job;
  const rows = useCornerRows(cornersInWork(car).length > 1 ? car : null);
  const others = () =>
    rows.flatMap(({ corner, job: other, row }) =>
      row && corner !== job.setup.corner ? [otherCornerLine(other, row)] : [],
    );
  const pdf = async () => {
    setBusy(true);
    try {
      const extras = { trace: await traceOf(job), others: others() };
      await downloadPdf(reportOf(job, diagnosis, verification, new Date(), extras), `${name}-report.pdf`);
    } finally {
      setBusy(false);
    }
  };
  const zip = async () => {
    const kept: KeptCapture[] = [];
    for (const { id } of capturesOf(car)) {
      const capture = await loadCapture(id);
      if (capture) kept.push({ id, capture });
    }
    const busy = toast.loading(t`Packing the job…`);
    try {
      const told = proxy((done: number, of: number) =>
        toast.loading(t`Packing capture ${done} of ${of}…`, { id: busy }),
      );
      download(`${name}.zip`, await captureWorker.ask((remote) => remote.pack(car, kept, told)), "application/zip");
    } finally {
      toast.dismiss(busy);
    }
  };
  const reminder = async () => {
    const { reminderIcs } = await import("./reminder");
    download(`${name}-reminder.ics`, reminderIcs(job, new Date()), "text/calendar");
  };
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Report`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Report and record`}</h2>
      <div className="mt-3 flex flex-wrap gap-2">
        <Cap lead disabled={busy} onClick={() => void pdf()}>
          {busy ? t`setting it…` : t`report as PDF`}
        </Cap>
        <Cap onClick={() => download(`${name}-readings.csv`, readingsCsv(job), "text/csv")}>{t`readings as CSV`}</Cap>
        <Cap onClick={() => download(`${name}.json`, exportJob(car))}>{t`job as a file`}</Cap>
        <Cap
          onClick={() => void zip().catch((error: unknown) => toast.error(t`No ZIP: ${errorWords(error)}`))}
        >{t`all of it as ZIP`}</Cap>
        {job.complaint.presence === "intermittent" && (
          <Cap onClick={() => void reminder()}>{t`comes-back reminder`}</Cap>
        )}
        <Cap onClick={() => window.print()}>{t`print this page`}</Cap>
      </div>
    </section>
  );
}

async function traceOf(job: Job): Promise<Report["trace"]> {
  const last = capturesOf(job).at(-1);
  const capture = last && (await loadCapture(last.id));
  if (!capture) return undefined;
  const { pulsesPerRevolution: pulses, tyre, family } = job.setup;
  const read = await captureWorker.ask((remote) => remote.analyse(capture, { pulses, tyre, family }));
  if (!read.ok || !read.traces[0]) return undefined;
  return { name: capture.name, unit: capture.channels[0]!.unit, points: read.traces[0].slice(0, 6000) };
}
