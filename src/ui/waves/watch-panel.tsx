"use client";
import { errorWords } from "@/core/words/error-words";
import clsx from "clsx";
import { useEffect, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { findingKind } from "@/core/checks/findings/findings";
import type { Capture } from "@/core/capture/capture";
import { Watch, worthCatching, type Caught, type Mark } from "@/core/capture/watch";
import { LONGEST } from "@/core/units/typed-text";
import { t } from "@/core/words/words";
import type { AnalyseOptions } from "@/core/waveform/analyse";
import type { LiveSource } from "@/instruments/live-source";
import { useDraft } from "../keys/use-draft";
import { LastMinute, type NotInFull } from "@/store/last-minute";
import { dropWatch, keepWatch, keptWatch } from "@/store/watches";
import { captureWorker } from "../query/workers";
import { Cap } from "../keys/cap";
import { toast } from "../keys/toast";
import { clock, WatchMarks } from "./watch-marks";
import { drawStrip } from "./watch-strip";

/** Seconds looked at each time, seconds kept about a moment, and how often it looks, in milliseconds. */
const [LOOKED_S, KEPT_S, LOOK_MS] = [5, 20, 1000];
/** How often it is written down how far the watch has come, in milliseconds: as much is lost with a page that dies. */
const KEEP_MS = 5000;
/** How long the screen's edge shows that something was caught. */
const FLASH_MS = 2000;

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
  const running = useRef<Watch | null>(null);
  const [rollTogether, setRollTogether] = useState(false);
  const [flashing, setFlashing] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const strip = useRef<HTMLCanvasElement>(null);
  const [state, setState] = useState(NOTHING_YET);
  const [round, setRound] = useState(0);
  const { draft, type } = useDraft("watch/mark");
  const mark = draft ?? "";
  const newest = useRef({ mark, onCaught, rollTogether });
  useEffect(() => {
    newest.current = { mark, onCaught, rollTogether };
  });
  const { pulses, tyre, family } = options;
  useEffect(() => {
    let watch: Watch | null = null;
    let [busy, live, keptAt, lookedAtS] = [false, true, -Infinity, -Infinity];
    const awake = stayAwake();
    const inFull = source.isScreens ? null : new LastMinute(jobId);
    let keeping: Promise<unknown> = Promise.resolve();
    const look = async () => {
      if (!watch) {
        const before = await keptWatch(jobId).catch(() => null);
        watch = new Watch(undefined, before ?? undefined, source.isScreens);
        running.current = watch;
        if (live) setState((now) => ({ ...now, beforeS: before?.kept.watchedS ?? 0 }));
      }
      const window = source.last(LOOKED_S);
      if (!window || (!source.isScreens && window.channels[0]!.samples.length * window.sampleS < 1)) return;
      // Of screens each is looked at once.
      if (source.isScreens && window.startS === lookedAtS) return;
      lookedAtS = window.startS;
      const channels = await captureWorker.ask((remote) =>
        remote.listen(window, { pulses, tyre, family } as AnalyseOptions),
      );
      if (!live) return;
      const caught = watch.look(
        window,
        channels.flatMap(({ findings }) => findings),
        newest.current.rollTogether ? channels.map(({ speedKmh }) => speedKmh?.median ?? null) : [],
      );
      const { watchedS, missedS, count, marks } = watch;
      setState((now) => ({ ...now, watchedS, missedS, caught: count, marks: [...marks] }));
      if (caught.length > 0 || performance.now() - keptAt > KEEP_MS) {
        keptAt = performance.now();
        keepWatch(jobId, watch.keep()).then(
          () => setState((now) => (now.notKept ? { ...now, notKept: false } : now)),
          () => setState((now) => ({ ...now, notKept: true })),
        );
        if (inFull)
          // One after another: a piece begins where the one before it ends.
          keeping = keeping
            .then(() => inFull.keep((seconds) => source.last(seconds)))
            .then((why) => setState((now) => (now.notInFull === why ? now : { ...now, notInFull: why })))
            .catch((error: unknown) => toast.error(errorWords(error), { id: "last-minute" }));
      }
      if (strip.current) drawStrip(strip.current, watch);
      for (const one of caught) {
        const kept = source.last(KEPT_S);
        ring();
        setFlashing(true);
        setTimeout(() => setFlashing(false), FLASH_MS);
        if (kept)
          await newest.current
            .onCaught(kept, one, newest.current.mark)
            .catch((error: unknown) => toast.error(t`A moment was caught and could not be kept: ${errorWords(error)}`));
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
      // Left by hand, it is not a page that died.
      void keeping.then(() => inFull?.end());
    };
  }, [source, pulses, tyre, family, jobId, round]);
  const beginAnew = () =>
    void dropWatch(jobId).then(() => {
      setState(NOTHING_YET);
      setRound(round + 1);
    });
  const stampMark = () => {
    const text = mark.trim();
    if (!running.current || text === "") return;
    running.current.mark(text);
    setState((now) => ({ ...now, marks: [...running.current!.marks] }));
    if (strip.current) drawStrip(strip.current, running.current);
  };
  useHotkeys("m", (event) => {
    event.preventDefault();
    // What is written there already is marked anew; only what to call it needs the hands.
    if (mark.trim()) stampMark();
    else field.current?.focus();
  });
  return (
    <div className={clsx("mt-3 rounded-xl border p-3", state.caught > 0 ? "border-brick" : "border-rule")}>
      {flashing && (
        <div aria-hidden className="pointer-events-none fixed inset-0 z-50 border-[1rem] border-brick bg-brick/10" />
      )}
      <p className="flex flex-wrap gap-x-6 gap-y-1">
        <b data-watched>{t`Watching: ${clock(state.watchedS)}`}</b>
        <span role="status" className={state.caught > 0 ? "font-semibold text-brick" : "text-muted"}>
          {t`caught: ${state.caught}`}
        </span>
        {state.missedS >= 1 && (
          <span className="text-brick">{t`not seen for ${Math.round(state.missedS)} s: the page or the machine slept`}</span>
        )}
      </p>
      {state.notKept && (
        <p role="alert" className="text-brick">
          ▲{" "}
          {t`This browser has no room left: the watch goes on, but a reload would lose it. What is caught from now on is held while this page is open; save it as a file.`}
        </p>
      )}
      {state.notInFull && (
        <p className="text-sm text-muted">
          {state.notInFull === "no-room"
            ? t`No room to keep the last minute in full: what is caught is kept as before.`
            : t`This browser keeps no last minute in full: what is caught is kept all the same.`}
        </p>
      )}
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
      <WatchMarks marks={state.marks} />
      <form
        className="mt-2 flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          stampMark();
        }}
      >
        <label className="min-w-60 grow text-sm text-muted">
          {t`What you are doing now: kept with what is caught meanwhile`}
          <input
            ref={field}
            className="mt-1.5 min-h-11 w-full rounded-lg border border-rule bg-paper px-2 text-ink"
            value={mark}
            maxLength={LONGEST.tick}
            placeholder={t`moving the loom at the arch`}
            onChange={(event) => type(event.target.value)}
            onKeyDown={(event) => event.key === "Escape" && event.currentTarget.blur()}
          />
        </label>
        <Cap type="submit" legend="M">{t`mark this moment`}</Cap>
      </form>
      {source.channels.length > 1 && (
        <label className="mt-1 flex min-h-11 items-center gap-3 text-sm">
          <input
            type="checkbox"
            className="size-6"
            checked={rollTogether}
            onChange={(event) => setRollTogether(event.target.checked)}
          />
          {t`The second channel is the other side, and both wheels roll on the road: catch their speeds apart too`}
        </label>
      )}
      <p className="mt-1 text-sm text-muted">{worthCatching.map((code) => findingKind(code).title()).join(" · ")}</p>
    </div>
  );
}

const NOTHING_YET = {
  watchedS: 0,
  missedS: 0,
  caught: 0,
  beforeS: 0,
  notKept: false,
  notInFull: null as NotInFull | null,
  marks: [] as Mark[],
};

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
