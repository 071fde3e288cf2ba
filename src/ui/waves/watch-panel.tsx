"use client";
import clsx from "clsx";
import { useEffect, useRef, useState } from "react";
import { findingKind } from "@/core/checks/findings/findings";
import type { Capture } from "@/core/capture/capture";
import { Watch, worthCatching, type Caught } from "@/core/capture/watch";
import { LONGEST } from "@/core/units/typed-text";
import { t } from "@/core/words/words";
import type { AnalyseOptions } from "@/core/waveform/analyse";
import type { LiveSource } from "@/instruments/live-source";
import { colourAt } from "../chart/chart-style";
import { useDraft } from "../keys/use-draft";
import { dropWatch, keepWatch, keptWatch } from "@/store/watches";
import { captureWorker } from "../query/workers";
import { toast } from "../keys/toast";

/** Seconds looked at each time, seconds kept about a moment, and how often it looks, in milliseconds. */
const [LOOKED_S, KEPT_S, LOOK_MS] = [5, 20, 1000];
/** How often it is written down how far the watch has come, in milliseconds: as much is lost with a page that dies. */
const KEEP_MS = 5000;

/** Watches a source for hours: an envelope of all of it, and every moment caught kept as a recording of its own. */
export function WatchPanel({
  jobId,
  source,
  options,
  onCaught,
}: {
  /** A watch on the same job that a page before this one has left is gone on with. */
  jobId: string;
  source: LiveSource;
  options: AnalyseOptions;
  onCaught: (capture: Capture, caught: Caught, mark: string) => Promise<void>;
}) {
  const strip = useRef<HTMLCanvasElement>(null);
  const [state, setState] = useState(NOTHING_YET);
  const [round, setRound] = useState(0);
  const { draft, type } = useDraft("watch/mark");
  const mark = draft ?? "";
  const newest = useRef({ mark, onCaught });
  useEffect(() => {
    newest.current = { mark, onCaught };
  });
  const { pulses, tyre, family } = options;
  useEffect(() => {
    let watch: Watch | null = null;
    let [busy, live, keptAt] = [false, true, -Infinity];
    const awake = stayAwake();
    const look = async () => {
      if (!watch) {
        const before = await keptWatch(jobId).catch(() => null);
        watch = new Watch(undefined, before ?? undefined);
        if (live) setState((now) => ({ ...now, beforeS: before?.kept.watchedS ?? 0 }));
      }
      const window = source.last(LOOKED_S);
      if (!window || window.channels[0]!.samples.length * window.sampleS < 1) return;
      const read = await captureWorker.ask((remote) =>
        remote.analyse(window, { pulses, tyre, family } as AnalyseOptions, false),
      );
      if (!live || !read.ok) return;
      const caught = watch.look(
        window,
        read.channels.flatMap(({ findings }) => findings),
      );
      const { watchedS, missedS, count } = watch;
      setState(({ beforeS }) => ({ watchedS, missedS, caught: count, beforeS }));
      if (caught.length > 0 || performance.now() - keptAt > KEEP_MS) {
        keptAt = performance.now();
        // A store that refuses says so where it is asked for more than a watch's envelope.
        void keepWatch(jobId, watch.keep()).catch(() => undefined);
      }
      if (strip.current) draw(strip.current, watch);
      for (const one of caught) {
        const kept = source.last(KEPT_S);
        ring();
        if (kept)
          await newest.current
            .onCaught(kept, one, newest.current.mark)
            .catch((error: unknown) => toast.error(t`A moment was caught and could not be kept: ${String(error)}`));
      }
    };
    const timer = setInterval(() => {
      if (busy) return;
      busy = true;
      void look().finally(() => (busy = false));
    }, LOOK_MS);
    return () => {
      live = false;
      clearInterval(timer);
      awake();
    };
  }, [source, pulses, tyre, family, jobId, round]);
  const beginAnew = () =>
    void dropWatch(jobId).then(() => {
      setState(NOTHING_YET);
      setRound(round + 1);
    });
  return (
    <div className={clsx("mt-3 rounded-xl border p-3", state.caught > 0 ? "border-brick" : "border-rule")}>
      <p className="flex flex-wrap gap-x-6 gap-y-1">
        <b>{t`Watching: ${clock(state.watchedS)}`}</b>
        <span role="status" className={state.caught > 0 ? "font-semibold text-brick" : "text-muted"}>
          {t`caught: ${state.caught}`}
        </span>
        {state.missedS >= 1 && (
          <span className="text-brick">{t`not seen for ${Math.round(state.missedS)} s: the page or the machine slept`}</span>
        )}
      </p>
      {state.beforeS > 0 && (
        <p className="text-sm text-muted">
          {t`Goes on with the watch before: ${clock(state.beforeS)}.`}{" "}
          <button type="button" className="min-h-11 underline" onClick={beginAnew}>{t`begin anew`}</button>
        </p>
      )}
      <canvas
        ref={strip}
        className="mt-2 h-16 w-full"
        role="img"
        aria-label={t`All that was watched, least and greatest of each second`}
      />
      <label className="mt-2 block text-sm text-muted">
        {t`What you are doing now: kept with what is caught meanwhile`}
        <input
          className="min-h-11 w-full rounded-lg border border-rule bg-paper px-2 text-ink"
          value={mark}
          maxLength={LONGEST.tick}
          placeholder={t`moving the loom at the arch`}
          onChange={(event) => type(event.target.value)}
        />
      </label>
      <p className="mt-1 text-sm text-muted">{worthCatching.map((code) => findingKind(code).title()).join(" · ")}</p>
    </div>
  );
}

const NOTHING_YET = { watchedS: 0, missedS: 0, caught: 0, beforeS: 0 };

/** Keeps the screen on while it watches, where the browser lets it. @returns how to let go */
function stayAwake(): () => void {
  let lock: { release(): Promise<void> } | null = null;
  let wanted = true;
  if ("wakeLock" in navigator)
    navigator.wakeLock.request("screen").then(
      (got) => (wanted ? (lock = got) : void got.release()),
      // Refused on a low battery: it goes on watching as long as the machine is awake.
      () => undefined,
    );
  return () => {
    wanted = false;
    void lock?.release();
  };
}

/** A short tone: eyes are under the car. */
function ring(): void {
  const context = new AudioContext();
  const tone = context.createOscillator();
  const loudness = context.createGain();
  loudness.gain.value = 0.2;
  tone.frequency.value = 880;
  tone.connect(loudness).connect(context.destination);
  tone.start();
  tone.stop(context.currentTime + 0.35);
  tone.onended = () => void context.close();
}

function draw(canvas: HTMLCanvasElement, { least, greatest }: Watch): void {
  const ratio = devicePixelRatio;
  const [width, height] = [canvas.clientWidth, canvas.clientHeight];
  if (canvas.width !== width * ratio) [canvas.width, canvas.height] = [width * ratio, height * ratio];
  const pen = canvas.getContext("2d")!;
  pen.setTransform(ratio, 0, 0, ratio, 0, 0);
  pen.clearRect(0, 0, width, height);
  const known = least.map((low, i) => [low, greatest[i]!] as const).filter(([low]) => !Number.isNaN(low));
  if (known.length === 0) return;
  const low = Math.min(...known.map(([value]) => value));
  const high = Math.max(...known.map(([, value]) => value));
  const y = (value: number) => height - 2 - ((value - low) / Math.max(high - low, 1e-9)) * (height - 4);
  pen.fillStyle = colourAt(canvas)("--ink");
  const each = Math.max(1, width / Math.max(60, least.length));
  least.forEach((value, second) => {
    if (Number.isNaN(value)) return;
    const top = y(greatest[second]!);
    pen.fillRect((second / Math.max(60, least.length)) * width, top, each, Math.max(1, y(value) - top));
  });
}

function clock(seconds: number): string {
  const whole = Math.floor(seconds);
  const [hours, minutes] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60)];
  return [hours, minutes, whole % 60].map((one) => String(one).padStart(2, "0")).join(":");
}
