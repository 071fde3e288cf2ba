"use client";
import dynamic from "next/dynamic";
import { nanoid } from "nanoid";
import { useSearchParams } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { toast } from "sonner";
import { captureToCsv } from "@/core/capture/csv";
import { signalPoint } from "@/core/car/synthesise";
import { scopeAnswers } from "@/core/checks/answers";
import { pointText } from "@/core/circuit/point";
import { circuitStateSchema } from "@/core/circuit/state";
import type { ThinTrace } from "@/core/capture/thin";
import { recordSimulated } from "@/core/job/simulated-reading";
import type { Job } from "@/core/job/schema";
import { compareCaptures, type Compared } from "@/core/waveform/compare";
import { toothRun } from "@/core/waveform/findings";
import { loadCapture } from "@/store/jobs";
import { WithJob } from "../bench/bench-screen";
import { captureWorker, useCapture, type OpenCapture } from "../captures/use-capture";
import { download } from "../jobs/download";
import { useJob, type ChangeJob } from "../jobs/use-job";
import { Cap } from "../keys/cap";
import { JobHeader } from "../keys/job-header";
import { ComparePanel } from "./compare-panel";
import { FindingsPanel } from "./findings-panel";
import { RingClock } from "./ring-clock";
import { RingRasterView } from "./ring-raster-view";
import type { View } from "./wave-trace";

const WaveTrace = dynamic(() => import("./wave-trace").then((module) => module.WaveTrace), {
  ssr: false,
  loading: () => <div className="h-60" />,
});

/** A capture and what it says: trace, ring raster, ring clock, findings. */
export function WavesScreen() {
  const id = useSearchParams().get("job");
  const { state, change } = useJob(id);
  return (
    <WithJob state={state}>
      {(job) => (
        <>
          <JobHeader job={job} here="/waves" />
          <Waves job={job} change={change} />
        </>
      )}
    </WithJob>
  );
}

function Waves({ job, change }: { job: Job; change: ChangeJob }) {
  const picker = useRef<HTMLInputElement>(null);
  const { own, open, busy, take, takeCapture, choose, markLogged } = useCapture(job);
  const record = () => {
    const capture = recordSimulated(job);
    if (capture) takeCapture(capture).catch((error: unknown) => toast.error(`Not kept: ${String(error)}`));
  };
  useHotkeys("r", record);
  const drop = (file: File | undefined) => file && void take(file);
  useHotkeys("o", () => picker.current?.click());
  const weigh = (capture: Extract<OpenCapture["result"], { ok: true }>, leading: string, id: string) => {
    change((newest) => ({
      ...newest,
      entries: [
        ...newest.entries,
        {
          id: nanoid(10),
          at: new Date().toISOString(),
          kind: "capture",
          captureId: id,
          name: capture.capture.name,
          reading: {
            instrument: "scope",
            point: pointText(signalPoint(job.setup, "plug")),
            finding: leading,
            state: circuitStateSchema.parse({ wheel: "hand", speedKmh: 7 }),
          },
        },
      ],
    }));
    markLogged();
    toast(`Weighed in: ${scopeAnswers.say[leading] ?? leading}.`);
  };
  return (
    <main
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        drop(event.dataTransfer.files[0]);
      }}
    >
      <div className="flex flex-wrap items-center gap-3 border-b border-rule bg-card px-4 py-2">
        <h1 className="text-sm font-semibold text-muted">Waves</h1>
        {own.length > 0 && (
          <select
            aria-label="Capture shown"
            className="min-h-12 max-w-80 rounded-lg border border-rule bg-paper px-3"
            value={open?.logged ? open.id : ""}
            onChange={(event) => choose(event.target.value)}
          >
            {!open?.logged && <option value="">new, not weighed in yet</option>}
            {own.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        )}
        <Cap legend="O" onClick={() => picker.current?.click()}>
          {busy ? "reading…" : "open a recording"}
        </Cap>
        <input
          ref={picker}
          type="file"
          accept=".csv,.tsv,.txt,.gz,.wav"
          className="sr-only"
          aria-label="Capture file"
          onChange={(event) => drop(event.target.files?.[0])}
        />
        {job.simulated && (
          <Cap legend="R" className="border-plum!" onClick={record}>
            spin the simulated wheel
          </Cap>
        )}
        <p className="text-sm text-muted">CSV, TSV, gz of these, or WAV; or drop one anywhere here.</p>
      </div>
      {open && !open.result.ok && (
        <p role="alert" className="m-4 rounded-xl border border-brick bg-brick-wash p-4">
          {open.result.say}
        </p>
      )}
      {open?.result.ok ? (
        <CaptureView
          key={open.id}
          job={job}
          others={own.filter(({ id }) => id !== open.id)}
          open={open}
          result={open.result}
          onWeigh={weigh}
        />
      ) : (
        !open && (
          <p className="p-16 text-center text-muted">
            No capture in this job yet. Record the signal at the plug over at least three turns of the wheel, and open
            it here.
          </p>
        )
      )}
    </main>
  );
}

type Ok = Extract<OpenCapture["result"], { ok: true }>;

function CaptureView({
  job,
  open,
  result,
  others,
  onWeigh,
}: {
  job: Job;
  open: OpenCapture;
  result: Ok;
  others: { id: string; name: string }[];
  onWeigh: (capture: Ok, leading: string, id: string) => void;
}) {
  const [at, setAt] = useState(0);
  const channel = result.channels[Math.min(at, result.channels.length - 1)]!;
  const raster = result.rasters[Math.min(at, result.channels.length - 1)] ?? null;
  const { sampleS, startS, channels } = result.capture;
  const whole: View = [startS, startS + channels[0]!.samples.length * sampleS];
  const [view, setView] = useState<View>(whole);
  const [row, setRow] = useState(0);
  const [detail, setDetail] = useState<ThinTrace[] | null>(null);
  const [compared, setCompared] = useState<{ name: string; rows: Compared[] } | null>(null);
  useEffect(() => {
    let live = true;
    const wait = setTimeout(
      () =>
        void captureWorker()
          .window(view[0], view[1])
          .then((traces) => live && traces.length > 0 && setDetail(traces)),
      40,
    );
    return () => {
      live = false;
      clearTimeout(wait);
    };
  }, [view]);
  const shown = channel.findings;
  const marked = shown.flatMap((finding) => (finding.tooth ? toothRun(finding, raster?.columns ?? 0) : []));
  const toRow = (next: number) => {
    if (!raster) return;
    const wanted = Math.max(0, Math.min(raster.rows - 1, next));
    setRow(wanted);
    setView([
      raster.rowStartS[wanted]!,
      Math.max(raster.rowStartS[wanted + 1]!, raster.rowStartS[wanted]! + sampleS * 50),
    ]);
  };
  const show = (index: number) => {
    const finding = shown[index];
    if (!finding) return;
    const margin = Math.max(
      0.5 * (finding.endS - finding.startS),
      12 * (channel.frequencyHz ? 1 / channel.frequencyHz.median : 0.01),
    );
    setView([Math.max(whole[0], finding.startS - margin), Math.min(whole[1], finding.endS + margin)]);
    if (raster)
      setRow(
        Math.max(
          0,
          raster.rowStartS.findLastIndex((time) => time <= finding.startS),
        ),
      );
  };
  const [finding, setFinding] = useState(-1);
  useHotkeys("right", () => toRow(row + 1), { preventDefault: true });
  useHotkeys("left", () => toRow(row - 1), { preventDefault: true });
  useHotkeys("a", () => setView(whole));
  useHotkeys("f", () => {
    const next = (finding + 1) % Math.max(1, shown.length);
    setFinding(next);
    show(next);
  });
  useHotkeys("enter", () => !open.logged && onWeigh(result, channel.leading, open.id));
  const compare = async (id: string) => {
    const other = await loadCapture(id);
    if (!other) return;
    const { pulsesPerRevolution: pulses, tyre, family } = job.setup;
    const read = await captureWorker().analyse(other, { pulses, tyre, family });
    // The worker holds the capture it saw last: hand it this one again for the zoom.
    await captureWorker().analyse(result.capture, { pulses, tyre, family });
    if (read.ok)
      setCompared({
        name: other.name,
        rows: compareCaptures({ channel: read.channels[0]!, raster: read.rasters[0] ?? null }, { channel, raster }),
      });
  };
  return (
    <>
      <section className="border-b border-rule bg-card px-2 pt-1" aria-label="Trace">
        <WaveTrace
          names={result.channels.map(({ name }) => name)}
          unit={channels[at]?.unit ?? "V"}
          whole={result.traces}
          detail={detail}
          view={view}
          findings={shown}
          onView={setView}
        />
      </section>
      <div className="grid gap-4 p-4 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,0.8fr)_minmax(0,1.1fr)]">
        <section className="rounded-2xl border border-rule bg-card p-4" aria-label="Ring raster">
          <h2 className="flex flex-wrap justify-between gap-x-4 text-sm text-muted">
            <b className="font-semibold">Ring raster</b>
            <span>
              one row a turn · one column a tooth
              {channel.pulsesPerRevolution
                ? ` · ${channel.pulsesPerRevolution} ${channel.countFrom === "given" ? "as set" : "found in the signal"}`
                : ""}
            </span>
          </h2>
          {raster ? (
            <>
              <div className="mt-3">
                <RingRasterView raster={raster} marked={marked} row={row} onRow={toRow} />
              </div>
              <p className="mt-2">{rasterWords(channel.findings.map(({ code }) => code))}</p>
            </>
          ) : (
            <p className="py-8 text-center text-muted">
              No raster:{" "}
              {channel.pulses < 8
                ? "there are no pulses to fold"
                : "the ring's count is not known, or the turn is not whole. Spin longer"}
              .
            </p>
          )}
          <div className="mt-3 flex flex-wrap gap-2">
            <Cap legend="←" onClick={() => toRow(row - 1)} disabled={!raster}>
              turn before
            </Cap>
            <Cap legend="→" onClick={() => toRow(row + 1)} disabled={!raster}>
              turn after
            </Cap>
            <Cap legend="A" onClick={() => setView(whole)}>
              all of it
            </Cap>
            <Cap onClick={() => download(`${result.capture.name}.csv`, captureToCsv(result.capture), "text/csv")}>
              save as CSV
            </Cap>
          </div>
        </section>
        <section className="rounded-2xl border border-rule bg-card p-4" aria-label="Ring clock">
          <h2 className="mb-2 text-sm font-semibold text-muted">Ring clock, seen from the sensor</h2>
          {raster ? (
            <RingClock raster={raster} marked={marked} />
          ) : (
            <p className="py-8 text-center text-muted">No ring to draw.</p>
          )}
        </section>
        <div className="grid content-start gap-4">
          <FindingsPanel
            channel={channel}
            channelNames={result.channels.map(({ name }) => name)}
            at={at}
            logged={open.logged}
            onChannel={setAt}
            onShow={show}
            onWeigh={() => onWeigh(result, channel.leading, open.id)}
          />
          {others.length > 0 && (
            <ComparePanel others={others} compared={compared} onCompare={(id) => void compare(id)} />
          )}
        </div>
      </div>
      <footer className="flex flex-wrap gap-x-6 gap-y-1 border-t border-rule px-4 py-2 font-mono text-sm text-muted">
        {channel.speedKmh && (
          <span>
            <b className="font-sans text-ink">Speed</b> {channel.speedKmh.min.toFixed(1)}–
            {channel.speedKmh.max.toFixed(1)} km/h
          </span>
        )}
        <span>
          <b className="font-sans text-ink">Pulses</b> {channel.pulses}
        </span>
        {channel.revolutions !== null && (
          <span>
            <b className="font-sans text-ink">Turns</b> {channel.revolutions.toFixed(1)}
          </span>
        )}
        {channel.dutyPct !== null && channel.signal === "two-level" && (
          <span>
            <b className="font-sans text-ink">High</b> {channel.dutyPct.toFixed(0)} %
          </span>
        )}
        <span className="ml-auto font-sans">
          <b className="text-ink">← →</b> turn by turn · <b className="text-ink">F</b> next finding ·{" "}
          <b className="text-ink">A</b> all · <b className="text-ink">O</b> open
        </span>
      </footer>
    </>
  );
}

function rasterWords(codes: readonly string[]): string {
  if (codes.includes("missing-pulses") && codes.includes("random-dropout"))
    return "A straight column and scatter besides: a bad ring, and a loose connection too.";
  if (codes.includes("missing-pulses")) return "A straight column: the loss turns with the wheel. Ring, not wire.";
  if (codes.includes("cracked-ring") || codes.includes("odd-tooth"))
    return "A dark column: one place of the ring is odd on every turn. Ring, not wire.";
  if (codes.includes("random-dropout"))
    return "Scatter: the loss does not turn with the wheel. A connection, not the ring.";
  if (codes.includes("eccentric"))
    return "A slow wave once a turn: the ring runs out of true, or the bearing has play.";
  return "Even: no column, no scatter, no wave.";
}
