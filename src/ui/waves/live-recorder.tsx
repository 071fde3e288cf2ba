"use client";
import { captureWorker } from "../query/workers";
import { findingSays } from "@/core/checks/findings/findings";
import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import { useEffect, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { Capture } from "@/core/capture/capture";
import { lastSeconds, ownCopy } from "@/core/capture/last-seconds";
import { thin } from "@/core/capture/thin";
import type { AnalyseOptions, ChannelAnalysis } from "@/core/waveform/analyse";

import { colourAt } from "../chart/chart-style";
import { Cap } from "../keys/cap";
import { useUnits } from "../settings/use-units";

/** Seconds across the screen, seconds kept at most, and how often the analysis looks, in milliseconds. */
const [SHOWN_S, KEPT_S, LOOK_MS] = [4, 20, 500];

/** The simulated recorder: rolls in real time, is analysed as it rolls, and keeps the last of it when stopped. */
export function LiveRecorder({
  recording,
  options,
  onKeep,
  onClose,
}: {
  /** All that will be recorded; it is shown as its time comes. */
  recording: Capture;
  options: AnalyseOptions;
  onKeep: (capture: Capture) => void;
  onClose: () => void;
}) {
  const say = useUnits();
  const canvas = useRef<HTMLCanvasElement>(null);
  const elapsedS = useRef(0);
  const [heard, setHeard] = useState<ChannelAnalysis | null>(null);
  const { pulses, tyre, family } = options;
  useEffect(() => {
    const began = performance.now();
    let [frame, looked, live] = [0, 0, true];
    let busy = false;
    const step = (now: number) => {
      elapsedS.current = (now - began) / 1000;
      const rolling = lastSeconds(recording, recording.startS + elapsedS.current, SHOWN_S);
      if (canvas.current) draw(canvas.current, rolling);
      if (now - looked > LOOK_MS && !busy && elapsedS.current > 1) {
        [looked, busy] = [now, true];
        void captureWorker
          .ask((remote) => remote.analyse(ownCopy(rolling), { pulses, tyre, family } as AnalyseOptions, false))
          .then((read) => live && read.ok && setHeard(read.channels[0] ?? null))
          .finally(() => (busy = false));
      }
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => {
      live = false;
      cancelAnimationFrame(frame);
    };
  }, [recording, pulses, tyre, family]);
  const keep = () => onKeep(ownCopy(lastSeconds(recording, recording.startS + elapsedS.current, KEPT_S)));
  useHotkeys("g", keep);
  useHotkeys("escape", onClose);
  return (
    <section aria-label={t`Rolling recorder`} className="m-4 rounded-2xl border border-plum bg-card p-4">
      <h2 className="flex flex-wrap items-center gap-3 text-sm font-semibold text-muted">{jt`Rolling, simulated car: ${recording.channels.map(({ name }) => name).join(", ")}${(
        <span className="ml-auto flex gap-2">
          <Cap legend="G" lead onClick={keep}>{t`stop and keep`}</Cap>
          <Cap legend="Esc" onClick={onClose}>{t`throw away`}</Cap>
        </span>
      )}`}</h2>
      <canvas ref={canvas} className="mt-2 h-60 w-full" role="img" aria-label={t`The last four seconds, rolling`} />
      <p className="min-h-14 text-lg" aria-live="polite">
        {heard ? (
          <>
            <b>
              {heard.findings[0] ? findingSays(heard.findings[0]) : t`Nothing wrong found in the last four seconds.`}
            </b>{" "}
            {heard.speedKmh && <span className="font-mono">{say(t`${heard.speedKmh.median.toFixed(1)} km/h`)}</span>}
          </>
        ) : (
          "listening…"
        )}
      </p>
    </section>
  );
}

/** Every channel one below the other in the rolling window, newest at the right. */
function draw(canvas: HTMLCanvasElement, { sampleS, startS, channels }: Capture): void {
  const [width, height] = [canvas.clientWidth, canvas.clientHeight];
  const scale = window.devicePixelRatio;
  if (canvas.width !== width * scale) canvas.width = width * scale;
  if (canvas.height !== height * scale) canvas.height = height * scale;
  const pen = canvas.getContext("2d");
  if (!pen) return;
  pen.setTransform(scale, 0, 0, scale, 0, 0);
  pen.clearRect(0, 0, width, height);
  const colour = colourAt(canvas);
  const band = height / channels.length;
  channels.forEach(({ samples, unit }, i) => {
    const points = thin(samples, sampleS, startS, width);
    const levels = points.map(([, value]) => value);
    const [low, high] = [Math.min(...levels), Math.max(...levels)];
    const room = Math.max(high - low, 0.05);
    const y = (value: number) => (i + 0.9) * band - ((value - low) / room) * 0.8 * band;
    const x = (timeS: number) => width - ((startS + samples.length * sampleS - timeS) / SHOWN_S) * width;
    pen.strokeStyle = colour("--rule");
    pen.fillStyle = colour("--muted");
    pen.font = "13px sans-serif";
    for (const level of [low, high]) {
      pen.strokeRect(0, y(level), width, 0);
      pen.fillText(`${level.toFixed(2)} ${unit}`, 4, y(level) + (level === low ? 15 : -4));
    }
    pen.strokeStyle = colour(i === 0 ? "--ink" : "--plum");
    pen.lineWidth = 1.4;
    pen.beginPath();
    points.forEach(([timeS, value], k) => (k ? pen.lineTo(x(timeS), y(value)) : pen.moveTo(x(timeS), y(value))));
    pen.stroke();
  });
}
