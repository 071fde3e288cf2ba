"use client";
import { errorWords } from "@/core/words/error-words";
import { captureWorker } from "../query/workers";
import { t } from "@/core/words/words";
import dynamic from "next/dynamic";
import { nanoid } from "nanoid";
import { useEffect, useState } from "react";
import { answersFor } from "@/core/checks/answers";
import { hookupOfLook } from "@/core/checks/catalogue";
import { lookOf } from "@/core/checks/looks/looks";
import { speedReading } from "@/core/observation/read-observation";
import type { Job } from "@/core/job/schema";
import { liveSpeedWord } from "@/core/scanlog/analyse-scan";
import { steadyLog } from "@/core/scanlog/steady-log";
import type { BusSummary } from "@/core/scanlog/bus/bus-summary";
import type { ScanFinding, ScanLog } from "@/core/scanlog/scan-log";
import { decimal } from "@/core/units/decimal";
import { fromLocal } from "@/core/units/local-units";
import { corners, cornerWords } from "@/core/units/corner";
import { loadScan, saveScan } from "@/store/captures";
import type { ReadScan } from "@/workers/capture.worker";

import { stamp, withEntry } from "../jobs/entries";
import type { ChangeJob } from "../jobs/use-job";
import { Cap } from "../keys/cap";
import { useSettings } from "../settings/use-settings";
import { useUnits } from "../settings/use-units";
import { FileCap } from "../keys/file-cap";
import { toast } from "../keys/toast";

const BusPanel = dynamic(() => import("./bus-panel").then((module) => module.BusPanel), { ssr: false });
const LiveSpeeds = dynamic(() => import("./live-speeds").then((module) => module.LiveSpeeds), { ssr: false });
const SpeedChart = dynamic(() => import("./speed-chart").then((module) => module.SpeedChart), {
  ssr: false,
  loading: () => <div className="h-64" />,
});

/** Four wheel speeds, from a file or typed, and what they say of this corner. */
export function LiveData({ job, change }: { job: Job; change: ChangeJob }) {
  const [read, setRead] = useState<{ id: string; result: ReadScan; logged: boolean } | null>(null);
  const [reading, setReading] = useState<string | null>(null);
  const [driving, setDriving] = useState<ScanLog | null>(null);
  const [bus, setBus] = useState<BusSummary | null>(null);
  const [shown, setShown] = useState<ScanFinding | null>(null);
  const car = job.setup;
  const say = useUnits();
  const { units } = useSettings().settings;
  const last = job.entries.findLast((entry) => entry.kind === "scan");
  const lastId = last?.kind === "scan" ? last.scanId : null;
  useEffect(() => {
    if (!lastId) return;
    let live = true;
    const show = async () => {
      const log = await loadScan(lastId);
      if (!log) return;
      const result = await captureWorker.ask((remote) => remote.analyseScan(log, car));
      if (live) setRead({ id: lastId, result, logged: true });
    };
    show().catch((error: unknown) => toast.error(t`The kept log could not be shown: ${errorWords(error)}`));
    return () => {
      live = false;
    };
  }, [lastId, car]);
  const keep = async (result: ReadScan) => {
    const id = nanoid(10);
    setRead({ id, result, logged: false });
    setShown(null);
    if (result.ok) await saveScan(id, result.log);
  };
  const take = (file: File) => {
    setReading(file.name);
    return captureWorker
      .ask((remote) => remote.readScan(file, car))
      .then((speeds) => {
        if (speeds.ok !== "bus") return keep(speeds);
        setBus(speeds.summary);
      })
      .catch((error: unknown) => toast.error(t`The log was not kept: ${errorWords(error)}`))
      .finally(() => setReading(null));
  };
  const word = read?.result.ok ? liveSpeedWord(read.result.findings, job.setup.corner) : null;
  const weigh = () => {
    if (!read?.result.ok || !word) return;
    const { name } = read.result.log;
    change((newest) =>
      withEntry(newest, {
        ...stamp(),
        kind: "scan",
        scanId: read.id,
        name,
        reading: speedReading(word),
      }),
    );
    setRead({ ...read, logged: true });
  };
  const drive = async () => {
    const { driveSimulated } = await import("@/core/simulated/simulated-reading");
    const log = driveSimulated(job);
    if (log) await keep(await captureWorker.ask((remote) => remote.analyseScan(log, car)));
  };
  const driveLive = async () => {
    const { driveSimulated } = await import("@/core/simulated/simulated-reading");
    setDriving(driveSimulated(job));
  };
  const logBus = async () => {
    const { simulatedBus } = await import("@/core/simulated/simulated-bus");
    const text = simulatedBus(job);
    if (text) await take(new File([text], "bus.log"));
  };
  const readCodes = async () => {
    const { simulatedCodes } = await import("@/core/simulated/simulated-codes");
    const codes = simulatedCodes(job) ?? [];
    const fresh = codes.filter((code) => !job.complaint.codes.includes(code));
    if (fresh.length > 0)
      change((newest) => ({
        ...newest,
        complaint: { ...newest.complaint, codes: [...newest.complaint.codes, ...fresh] },
      }));
    toast(codes.length > 0 ? t`Codes: ${codes.join(", ")}.` : t`No code stored.`);
  };
  return (
    <section
      className="rounded-2xl border border-rule bg-card p-4"
      aria-label={t`Live data`}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const file = event.dataTransfer.files[0];
        if (file) void take(file);
      }}
    >
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Live data: four wheel speeds`}</h2>
      <div className="flex flex-wrap items-end gap-3 py-3">
        <FileCap
          label={t`Speed log file`}
          accept=".csv,.tsv,.txt,.log"
          onFile={(file) => void take(file)}
        >{t`open a speed log`}</FileCap>
        {job.simulated && <Cap className="border-plum!" onClick={() => void drive()}>{t`drive the simulated car`}</Cap>}
        {job.simulated && <Cap className="border-plum!" onClick={() => void driveLive()}>{t`watch it live`}</Cap>}
        {job.simulated && <Cap className="border-plum!" onClick={() => void logBus()}>{t`log its bus`}</Cap>}
        {job.simulated && <Cap className="border-plum!" onClick={() => void readCodes()}>{t`read its codes`}</Cap>}
        <p className="text-sm text-muted">{t`CSV with time and four speeds, or a log of the bus's frames; or type the four at a steady speed, in ${units.speed}:`}</p>
        <FourSpeeds onSpeeds={(speeds) => void keep({ ok: true, ...steadyLog(speeds, car) })} />
      </div>
      {reading && <p role="status" className="pb-2 text-muted">{t`Reading ${reading}…`}</p>}
      {driving && (
        <LiveSpeeds
          drive={driving}
          corner={job.setup.corner}
          onStop={(log) => {
            setDriving(null);
            void captureWorker.ask((remote) => remote.analyseScan(log, car)).then(keep);
          }}
          onClose={() => setDriving(null)}
        />
      )}
      {bus && (
        <BusPanel
          key={bus.name}
          summary={bus}
          model={job.car.name}
          corner={job.setup.corner}
          car={car}
          onUse={(result) => {
            setBus(null);
            void keep(result);
          }}
          onClose={() => setBus(null)}
        />
      )}
      {read && !read.result.ok && (
        <p role="alert" className="rounded-lg border border-brick bg-brick-wash px-3 py-2">
          {read.result.say}
        </p>
      )}
      {read?.result.ok && (
        <>
          <SpeedChart log={read.result.log} corner={job.setup.corner} shown={shown} units={units} />
          <ol>
            {read.result.findings.map((finding) => (
              <li key={`${finding.code}${finding.corner}${finding.startS}`} className="border-t border-rule py-2">
                <p className={finding.corner === job.setup.corner ? "font-semibold" : ""}>{say(finding.say)}</p>
                <button
                  type="button"
                  className="min-h-8 text-sm underline"
                  onClick={() => setShown(finding)}
                >{t`show me`}</button>
              </li>
            ))}
            {read.result.findings.length === 0 && (
              <li className="border-t border-rule py-2 text-verdigris">{t`✓ All four follow each other at every speed.`}</li>
            )}
          </ol>
          {read.logged ? (
            <p className="text-sm text-verdigris">{t`✓ Result used.`}</p>
          ) : (
            <Cap
              lead
              className="w-full"
              onClick={weigh}
            >{t`Use this result: ${cornerWords[job.setup.corner]} ${answersFor(hookupOfLook(lookOf("speed")))!.say[word!]}`}</Cap>
          )}
        </>
      )}
    </section>
  );
}

function FourSpeeds({ onSpeeds }: { onSpeeds: (speeds: Record<string, number>) => void }) {
  const { units } = useSettings().settings;
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const speeds = Object.fromEntries(
          corners.map((corner) => [corner, fromLocal(decimal(String(form.get(corner))), "km/h", units)]),
        );
        if (corners.some((corner) => !Number.isFinite(speeds[corner]!)))
          return toast.error(t`Type four speeds in ${units.speed}; 0 for a corner that shows none.`);
        onSpeeds(speeds);
      }}
    >
      {corners.map((corner) => (
        <label key={corner} className="grid text-sm text-muted">
          {corner}
          <input
            name={corner}
            inputMode="decimal"
            aria-label={t`${cornerWords[corner]} speed in ${units.speed}`}
            className="min-h-12 w-16 rounded-lg border border-rule bg-paper px-2 text-right font-mono text-lg text-ink"
          />
        </label>
      ))}
      <button type="submit" className="cap">
        <span className="legend">{t`Enter`}</span>
        <span>{t`judge`}</span>
      </button>
    </form>
  );
}
