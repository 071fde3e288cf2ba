"use client";
import { captureWorker } from "../query/workers";
import { findingSays } from "@/core/checks/findings/findings";
import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import clsx from "clsx";
import dynamic from "next/dynamic";
import { useEffect, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { Capture } from "@/core/capture/capture";
import { alternatingRms, CLIPPED_TOLD, clippedShare, driveOf, type Drive } from "@/core/capture/sound-scale";
import { parseReading } from "@/core/units/reading";
import type { LiveSource } from "@/instruments/live-source";
import type { AnalyseOptions, ChannelAnalysis } from "@/core/waveform/analyse";

import type { Caught } from "@/core/capture/watch";
import { Cap } from "../keys/cap";
import { useUnits } from "../settings/use-units";
import { drawLive } from "./draw-live";

const WatchPanel = dynamic(() => import("./watch-panel").then((module) => module.WatchPanel), { ssr: false });

/** Seconds across the screen, seconds kept at most, and how often it is drawn and analysed, in milliseconds. */
const [SHOWN_S, KEPT_S, DRAW_MS, LOOK_MS] = [4, 20, 40, 500];

/** What a source records, rolling: analysed as it rolls, the last of it kept when it is stopped. */
export function LiveRecorder({
  jobId,
  source,
  options,
  onCalibrate,
  onCaught,
  onKeep,
  onClose,
}: {
  jobId: string;
  source: LiveSource;
  options: AnalyseOptions;
  /** Told what a meter shows of the same signal, and the RMS of it as recorded; where the source's volts are not its own. */
  onCalibrate?: (meterRmsV: number, recordedRms: number) => string;

  /** Keeps a moment that a watch has caught. */
  onCaught: (capture: Capture, caught: Caught, mark: string) => Promise<void>;
  onKeep: (capture: Capture) => void;
  onClose: () => void;
}) {
  const say = useUnits();
  const canvas = useRef<HTMLCanvasElement>(null);
  const [heard, setHeard] = useState<ChannelAnalysis | null>(null);
  const [state, setState] = useState<Heard>(NOTHING_YET);
  const { pulses, tyre, family } = options;
  useEffect(() => {
    let [frame, looked, drawn, live] = [0, 0, 0, true];
    let busy = false;
    const step = (now: number) => {
      frame = requestAnimationFrame(step);
      if (now - drawn < DRAW_MS) return;
      drawn = now;
      if (canvas.current) drawLive(canvas.current, source, SHOWN_S);
      if (busy || now - looked < LOOK_MS) return;
      const rolling = source.last(SHOWN_S);
      if (rolling && isEnough(rolling, source)) {
        [looked, busy] = [now, true];
        setState({
          rms: alternatingRms(rolling.channels[0]!.samples),
          clipped: rolling.channels.some(({ samples }) => clippedShare(samples, source.perUnit) > CLIPPED_TOLD),
          drive: driveOf(
            rolling.channels.map(({ samples }) => samples),
            source.perUnit,
          ),
          lostS: source.lostS,
          ended: source.ended,
        });
        void captureWorker
          .ask((remote) => remote.listen(rolling, { pulses, tyre, family } as AnalyseOptions))
          .then((channels) => live && setHeard(channels[0] ?? null))
          .finally(() => (busy = false));
      }
    };
    frame = requestAnimationFrame(step);
    return () => {
      live = false;
      cancelAnimationFrame(frame);
    };
  }, [source, pulses, tyre, family]);
  const keep = () => {
    const kept = source.last(KEPT_S);
    if (kept) onKeep(kept);
  };
  const [watching, setWatching] = useState(false);
  useHotkeys("g", keep);
  useHotkeys("a", () => setWatching(true));
  useHotkeys("escape", onClose);
  return (
    <section
      aria-label={t`Rolling recorder`}
      className={clsx("m-4 rounded-2xl border bg-card p-4", source.simulated ? "border-plum" : "border-rule")}
    >
      <h2 className="flex flex-wrap items-center gap-3 text-sm font-semibold text-muted">{jt`${source.isScreens ? t`Screen by screen` : t`Rolling`}, ${source.name}: ${source.channels.join(", ")}${(
        <span className="ml-auto flex gap-2">
          {!watching && <Cap legend="A" onClick={() => setWatching(true)}>{t`watch for hours`}</Cap>}
          <Cap legend="G" lead onClick={keep}>{t`stop and keep`}</Cap>
          <Cap legend="Esc" onClick={onClose}>{t`throw away`}</Cap>
        </span>
      )}`}</h2>
      <canvas
        ref={canvas}
        className="mt-2 h-60 w-full"
        role="img"
        aria-label={source.isScreens ? t`The last screen` : t`The last four seconds, rolling`}
      />
      <p className="min-h-14 text-lg" aria-live="polite">
        {heard ? (
          <>
            <b>{heard.findings[0] ? findingSays(heard.findings[0]) : nothingFound(source)}</b>{" "}
            {heard.speedKmh && <span className="font-mono">{say(t`${heard.speedKmh.median.toFixed(1)} km/h`)}</span>}
          </>
        ) : (
          (source.waiting ?? t`listening…`)
        )}
      </p>
      {state.clipped && (
        <p role="alert" className="rounded-xl border border-marigold bg-marigold-wash p-3">
          ▲{" "}
          {t`Cut off at the end of the input's range: turn its gain down, or fit a smaller shunt. Nothing measured here holds.`}
        </p>
      )}
      {state.drive && <p className="text-sm text-muted">{driveSays(state.drive, source)}</p>}
      {state.lostS > 0 && (
        <p role="status" className="text-sm text-muted">
          ▲{" "}
          {t`This computer was too busy for ${state.lostS.toFixed(2)} s of the sound: what is kept is the longest stretch without such a hole. Close what else keeps it busy.`}
        </p>
      )}
      {heard?.warnings.map((warning) => (
        <p key={warning} className="text-sm text-muted">
          ▲ {warning}
        </p>
      ))}
      {state.ended && (
        <p role="alert" className="rounded-xl border border-brick bg-brick-wash p-3">
          {state.ended} {t`What was recorded so far is still here: stop and keep.`}
        </p>
      )}
      {watching && <WatchPanel jobId={jobId} source={source} options={options} onCaught={onCaught} />}
      {onCalibrate && <Calibrate rms={state.rms} onGive={onCalibrate} />}
    </section>
  );
}

/** A screen is judged whole, however short; of what rolls, a second tells something. */
function isEnough(capture: Capture, { isScreens }: LiveSource): boolean {
  return isScreens === true || lengthS(capture) > 1;
}

function lengthS({ channels, sampleS }: Capture): number {
  return channels[0]!.samples.length * sampleS;
}

/** What was last heard of the source itself. */
interface Heard {
  rms: number;
  clipped: boolean;
  drive: Drive | null;
  lostS: number;
  ended: string | null;
}

const NOTHING_YET: Heard = { rms: 0, clipped: false, drive: null, lostS: 0, ended: null };

function driveSays({ filled, tooLow }: Drive, { perUnit, inVolts }: LiveSource): string {
  const percent = Math.round(100 * filled);
  const used =
    inVolts === false
      ? t`The signal fills ${percent} % of the input's range; AC-coupled.`
      : t`The signal fills ${percent} % of the input's range of ±${Number(perUnit.toPrecision(3))} V; AC-coupled.`;
  return tooLow ? `${used} ${t`Turn the input's gain up.`}` : used;
}

function nothingFound({ isScreens }: LiveSource): string {
  return isScreens ? t`Nothing wrong found on this screen.` : t`Nothing wrong found in the last four seconds.`;
}

/** The meter's own reading of the same signal turns what is recorded into volts. */
function Calibrate({ rms, onGive }: { rms: number; onGive: (meterRmsV: number, recordedRms: number) => string }) {
  const [typed, setTyped] = useState("");
  const [said, setSaid] = useState<string | null>(null);
  const give = () => {
    const read = parseReading(typed, "volts");
    if (!read.ok) setSaid(read.say);
    else if (read.value.kind !== "number") setSaid(t`One number, as the meter shows it.`);
    else setSaid(onGive(read.value.value, rms));
  };
  return (
    <form
      className="mt-3 flex flex-wrap items-center gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        give();
      }}
    >
      <label className="flex items-center gap-2">
        {t`A meter on AC volts at the same two wires shows`}
        <input
          className="min-h-12 w-32 rounded-lg border border-rule bg-paper px-3 font-mono"
          value={typed}
          placeholder="0.62 V"
          onChange={(event) => setTyped(event.target.value)}
        />
      </label>
      <Cap type="submit">{t`calibrate by it`}</Cap>
      {said && <span role="status">{said}</span>}
    </form>
  );
}
