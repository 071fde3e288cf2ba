"use client";
import { errorWords } from "@/core/words/error-words";
import { captureWorker } from "../query/workers";
import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import { nanoid } from "nanoid";
import { useEffect, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { ownChannel } from "@/core/waveform/other-side";
import { isMeasure } from "@/core/waveform/usable";
import { knownFrom, libraryItem, whoseRecording, type LibraryItem } from "@/core/library/library";
import { usualCounts } from "@/core/circuit/setup";
import type { Job } from "@/core/job/schema";
import type { Reading } from "@/core/observation/reading";
import { departing } from "@/core/waveform/departing";
import { compareCaptures, type Compared } from "@/core/waveform/compare";
import { toothRun } from "@/core/waveform/finding";
import { turnOf, viewOfFinding, viewOfTurn, type View } from "@/core/waveform/view";
import { lacksCount, noRasterWords, rasterWords } from "@/core/waveform/raster-words";
import { loadCapture } from "@/store/captures";
import { listShipped, loadShipped } from "../library/shipped";
import { keepInLibrary, listLibrary } from "@/store/library";
import { useClippedOn } from "../captures/clipped-on";
import { type OpenCapture } from "../captures/use-capture";
import { Cap } from "../keys/cap";
import { useUnits } from "../settings/use-units";
import { ChannelsPanel } from "./channels-panel";
import { TraceSection } from "./trace-section";
import { ComparePanel } from "./compare-panel";
import { FindingsPanel } from "./findings-panel";
import { RingClock } from "./ring-clock";
import { RingRasterView } from "./ring-raster-view";
import { toast } from "../keys/toast";

export type Ok = Extract<OpenCapture["result"], { ok: true }>;

/** One capture: its trace, its ring, its findings, and others to hold it against. */
export function CaptureView({
  job,
  open,
  result,
  others,
  onWeigh,
  onTighten,
  onRescale,
  onCount,
}: {
  job: Job;
  open: OpenCapture;
  result: Ok;
  others: { id: string; name: string }[];
  onWeigh: (capture: Ok, readings: (options: { watched?: boolean }) => Reading[], id: string) => void;
  onCount: (pulses: number) => void;
  onRescale: (capture: Ok["capture"]) => void;
  onTighten: (known: NonNullable<Job["setup"]["known"]>) => void;
}) {
  const say = useUnits();
  const [chosen, setChosen] = useState<number | null>(null);
  const at = chosen ?? ownChannel(result.channels, job.setup.corner);
  const channel = result.channels[Math.min(at, result.channels.length - 1)]!;
  const raster = result.rasters[Math.min(at, result.channels.length - 1)] ?? null;
  const { sampleS, startS, channels } = result.capture;
  const whole: View = [startS, startS + channels[0]!.samples.length * sampleS];
  const [view, setView] = useState<View>(whole);
  const [row, setRow] = useState(0);
  const [compared, setCompared] = useState<{ name: string; rows: Compared[] } | null>(null);
  const departs = departing(result.channels);
  const shown = channel.findings;
  const marked = shown.flatMap((finding) => (finding.tooth ? toothRun(finding, raster?.columns ?? 0) : []));
  const toRow = (next: number) => {
    if (!raster) return;
    const wanted = Math.max(0, Math.min(raster.rows - 1, next));
    setRow(wanted);
    setView(viewOfTurn(raster, wanted, sampleS));
  };
  const show = (index: number) => {
    const wanted = shown[index];
    if (!wanted) return;
    setView(viewOfFinding(wanted, channel, whole));
    if (raster) setRow(turnOf(raster, wanted));
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
  const clipped = useClippedOn(job, open.id, result.channels, at);
  const weigh = () => !open.logged && clipped.used.length > 0 && onWeigh(result, clipped.readings, open.id);
  useHotkeys("enter", weigh);
  const [comparedId, setComparedId] = useState<string | null>(null);
  const [library, setLibrary] = useState<LibraryItem[]>([]);
  useEffect(() => {
    Promise.all([listLibrary(), listShipped()]).then(
      (shelves) => setLibrary(shelves.flat()),
      (error: unknown) => toast.error(t`The library cannot be read: ${errorWords(error)}`),
    );
  }, []);
  const keep = async (kind: LibraryItem["kind"]) => {
    const item = libraryItem({ carName: job.car.name, setup: job.setup }, channel, kind, {
      id: nanoid(10),
      captureId: nanoid(10),
      at: new Date().toISOString(),
    });
    await keepInLibrary(item, result.capture);
    setLibrary([...(await listLibrary()), ...(await listShipped())]);
    toast(t`Kept in the library: ${item.model}. Compare any capture with it here.`);
  };
  const against = library.find(({ captureId }) => captureId === comparedId);
  const known = against && !against.simulated ? knownFrom(against, job.setup) : null;
  const compare = async (id: string) => {
    setComparedId(id);
    const other = (await loadCapture(id)) ?? (await loadShipped(id));
    if (!other) return;
    const { pulsesPerRevolution, tyre, family } = job.setup;
    // A ring kept in the library has its own count, whatever this job's is.
    const item = library.find(({ captureId }) => captureId === id);
    const pulses = item?.pulses ?? pulsesPerRevolution;
    const read = await captureWorker.ask((remote) => remote.analyse(other, { pulses, tyre, family }, false));
    if (read.ok)
      setCompared({
        name: other.name,
        rows: compareCaptures(
          { channel: read.channels[0]!, raster: read.rasters[0] ?? null },
          { channel, raster },
          whoseRecording(item, job.car.name),
        ),
      });
  };
  return (
    <>
      <TraceSection
        result={result}
        at={at}
        channel={channel}
        tyre={job.setup.tyre}
        view={view}
        whole={whole}
        onView={setView}
      />
      <div className="grid items-start gap-4 p-4 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,0.8fr)_minmax(0,1.1fr)] lg:grid-rows-[auto_1fr]">
        <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Ring raster`}>
          <h2 className="flex flex-wrap justify-between gap-x-4 text-sm text-muted">
            <b className="font-semibold">{t`Ring raster`}</b>
            <span>{t`one row a turn · one column a tooth${
              channel.foldedBy
                ? ` · ${channel.foldedBy} ${channel.countFrom === "given" ? t`as set` : t`found in the signal`}`
                : ""
            }`}</span>
          </h2>
          {raster ? (
            <>
              <div className="mt-3">
                <RingRasterView raster={raster} marked={marked} row={row} onRow={toRow} />
              </div>
              <p className="mt-2">{rasterWords(channel)}</p>
            </>
          ) : (
            <p className="py-4 text-muted">{noRasterWords(channel)}</p>
          )}
          {lacksCount(channel) && (
            <div className="flex flex-wrap items-center gap-2">
              {usualCounts.map((count) => (
                <Cap key={count} onClick={() => onCount(count)}>{t`${count} a turn`}</Cap>
              ))}
            </div>
          )}
          <div className="mt-3 flex flex-wrap gap-2">
            <Cap legend="←" onClick={() => toRow(row - 1)} disabled={!raster}>{t`turn before`}</Cap>
            <Cap legend="→" onClick={() => toRow(row + 1)} disabled={!raster}>{t`turn after`}</Cap>
            <Cap legend="A" onClick={() => setView(whole)}>{t`all of it`}</Cap>
            <Cap disabled={!isMeasure(channel)} onClick={() => void keep("known-good")}>{t`keep as known-good`}</Cap>
            <Cap onClick={() => void keep("known-bad")}>{t`keep as known-bad`}</Cap>
          </div>
        </section>
        <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Ring clock`}>
          <h2 className="mb-2 text-sm font-semibold text-muted">{t`Ring clock, seen from the sensor`}</h2>
          {raster ? (
            <RingClock raster={raster} marked={marked} />
          ) : (
            <p className="py-8 text-center text-muted">{t`No ring to draw.`}</p>
          )}
        </section>
        <div className="grid content-start gap-4 lg:row-span-2">
          <FindingsPanel
            channel={channel}
            channels={result.channels}
            at={at}
            logged={open.logged}
            job={job}
            clipped={clipped}
            onChannel={setChosen}
            onShow={show}
            onWeigh={weigh}
            onCount={onCount}
          />
          {departs.length > 0 && (
            <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Which channel departs`}>
              <h2 className="text-sm font-semibold text-muted">{t`Which wheel departs`}</h2>
              <ul>
                {departs.map((one) => (
                  <li key={one} className="border-t border-rule py-1.5">
                    {say(one)}
                  </li>
                ))}
              </ul>
            </section>
          )}
          <ChannelsPanel key={open.id} capture={result.capture} onApply={onRescale} />
        </div>
        {others.length + library.length > 0 && (
          <ComparePanel
            others={others}
            library={library}
            compared={compared}
            onCompare={(id) => void compare(id)}
            onTighten={known ? () => onTighten(known) : null}
          />
        )}
      </div>
      <footer className="flex flex-wrap gap-x-6 gap-y-1 border-t border-rule px-4 py-2 font-mono text-sm text-muted">
        {channel.speedKmh && (
          <span>
            <b className="font-sans text-ink">{t`Speed`}</b>{" "}
            {say(t`${channel.speedKmh.min.toFixed(1)}–${channel.speedKmh.max.toFixed(1)} km/h`)}
          </span>
        )}
        <span>
          <b className="font-sans text-ink">{t`Pulses`}</b> {channel.pulses}
        </span>
        {channel.revolutions !== null && (
          <span>
            <b className="font-sans text-ink">{t`Turns`}</b> {channel.revolutions.toFixed(1)}
          </span>
        )}
        {channel.dutyPct !== null && channel.signal === "two-level" && (
          <span>
            <b className="font-sans text-ink">{t`High`}</b> {channel.dutyPct.toFixed(0)} %
          </span>
        )}
        <span className="ml-auto font-sans">{jt`${(<b className="text-ink">← →</b>)} turn by turn · ${(<b className="text-ink">F</b>)} next finding · ${(<b className="text-ink">A</b>)} all · ${(<b className="text-ink">O</b>)} open`}</span>
      </footer>
    </>
  );
}
