"use client";
import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import { memo, useState } from "react";
import { wordsOfUse } from "@/core/job/clipped-on";
import { besideWords } from "@/core/waveform/beside-words";
import { ownChannel } from "@/core/waveform/other-side";
import type { Finding } from "@/core/waveform/finding";
import { isMeasure, isUsableAt } from "@/core/waveform/usable";
import type { Job } from "@/core/job/schema";
import { findingKind, findingSays } from "@/core/checks/findings/findings";
import type { Reading } from "@/core/observation/reading";
import { ClippedOn, useClippedOn } from "../captures/clipped-on";
import { ReadingShare } from "../captures/reading-share";
import { CAPTURE_FILES, useCapture } from "../captures/use-capture";
import { Cap } from "../keys/cap";
import { FileCap } from "../keys/file-cap";
import { TraceChart } from "../chart/trace-chart";
import { useUnits } from "../settings/use-units";

/** Where a recording is dropped, seen, and weighed in. */
export const CapturePanel = memo(function CapturePanel({
  job,
  onLog,
}: {
  job: Job;
  onLog: (readings: readonly Reading[], captureId: string, name: string) => void;
}) {
  const say = useUnits();
  const { open: read, share, take, stop, markLogged } = useCapture(job);
  const [over, setOver] = useState(false);
  const { corner } = job.setup;
  const channels = read?.result.ok ? read.result.channels : [];
  const shown = ownChannel(channels, corner);
  const channel = channels[shown];
  const clipped = useClippedOn(job, read?.id ?? "", channels, shown);
  const supply = channels.find(({ name }) => name === channel?.beside?.supply);
  return (
    <section
      aria-label={t`Capture`}
      className={`rounded-2xl border bg-card p-4 ${over ? "border-marigold" : "border-rule"}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        const file = event.dataTransfer.files[0];
        if (file) void take(file);
      }}
    >
      <div className="flex items-center gap-3">
        <h2 className="text-sm font-semibold text-muted">{t`Capture`}</h2>
        <p className="text-sm text-muted">{t`Drop a recording of the signal here (CSV, gz, WAV), or choose one.`}</p>
        <ReadingShare share={share} onStop={() => void stop()} />
        <span className="ml-auto">
          <FileCap
            label={t`Capture file`}
            accept={CAPTURE_FILES}
            onFile={(file) => void take(file)}
          >{t`choose file`}</FileCap>
        </span>
      </div>
      {read && !read.result.ok && (
        <p role="alert" className="mt-2 rounded-lg border border-brick bg-brick-wash px-3 py-2">
          {read.result.say}
        </p>
      )}
      {read?.result.ok && channel && (
        <>
          <TraceChart name={channel.name} traces={read.result.traces} findings={channel.findings} />
          <ul>
            {channel.findings.map((finding) => (
              <FindingLine
                key={finding.code + finding.startS}
                finding={finding}
                at={finding.tooth ? t`tooth ${finding.tooth} of ${channel.foldedBy!}` : null}
              />
            ))}
            {channel.warnings.map((warning) => (
              <li key={warning} className="border-t border-rule py-1.5 text-sm text-plum">
                {say(warning)}
              </li>
            ))}
            {channel.beside && <li className="border-t border-rule py-1.5">{besideWords(channel.beside)}</li>}
            {supply?.findings.map((finding) => (
              <FindingLine key={finding.code + finding.startS} finding={finding} at={supply.name} />
            ))}
            {channel.findings.length === 0 && isUsableAt(corner, channel) && isMeasure(channel) && (
              <li className="border-t border-rule py-1.5 text-verdigris">{t`✓ Nothing wrong found in it: ${channel.pulses} pulses, levels steady.`}</li>
            )}
          </ul>
          <div className="flex flex-wrap items-center gap-4">
            <p className="font-mono text-sm text-muted">{jt`${channel.pulses} pulses${channel.speedKmh && say(t` · ${channel.speedKmh.min.toFixed(1)}–${channel.speedKmh.max.toFixed(1)} km/h`)}${
              channel.signal === "two-level" &&
              channel.inVolts &&
              t` · ${channel.levels.lowV.toFixed(2)} / ${channel.levels.highV.toFixed(2)} V`
            }`}</p>
            {!read.logged && clipped.used.length > 0 && (
              <Cap
                lead
                className="ml-auto"
                onClick={() => {
                  onLog(clipped.readings({}), read.id, read.result.ok ? read.result.capture.name : "");
                  markLogged();
                }}
              >
                {wordsOfUse(clipped.used)}
              </Cap>
            )}
          </div>
          {!read.logged && <ClippedOn job={job} channels={channels} clipped={clipped} />}
        </>
      )}
    </section>
  );
});

function FindingLine({ finding, at }: { finding: Finding; at: string | null }) {
  const say = useUnits();
  return (
    <li className="border-t border-rule py-1.5">
      <b>{findingKind(finding.code).title()}</b>
      {at && <span className="font-mono"> · {at}</span>}
      <span className="float-right font-mono">{Math.round(finding.confidence * 100)} %</span>
      <p className="text-sm text-muted">{say(findingSays(finding))}</p>
    </li>
  );
}
