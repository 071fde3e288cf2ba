"use client";
import { errorWords } from "@/core/words/error-words";
import { numberOf } from "../query/same-object";
import { fitsWav, shownUnit, type Capture } from "@/core/capture/capture";
import { useQuery } from "@tanstack/react-query";
import { captureWorker } from "../query/workers";
import { t } from "@/core/words/words";
import dynamic from "next/dynamic";
import { useMemo, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { ThinTrace } from "@/core/capture/thin";
import type { ChannelAnalysis } from "@/core/waveform/analyse";
import { markerReadout, markersIn, movedMarker, movedTo, nearerMarker, type Markers } from "@/core/waveform/markers";
import { traceSvg } from "@/core/waveform/trace-svg";
import type { View } from "@/core/waveform/view";
import { type OpenCapture } from "../captures/use-capture";
import { download } from "../jobs/download";
import { Cap } from "../keys/cap";
import { toast } from "../keys/toast";
import { MarkerBar } from "./marker-bar";
import { saveTrace } from "./save-trace";

const WaveTrace = dynamic(() => import("./wave-trace").then((module) => module.WaveTrace), {
  ssr: false,
  loading: () => <div className="h-60" />,
});

type Ok = Extract<OpenCapture["result"], { ok: true }>;

/** How far a key moves a marker, as a share of the view: an arrow with the control key, and with shift too. */
const [FINE, COARSE] = [1 / 400, 1 / 40];

/** The trace with its zoom, two markers and what they read, and the ways to take it away. */
export function TraceSection({
  result,
  at,
  channel,
  tyre,
  view,
  whole,
  onView,
}: {
  result: Ok;
  at: number;
  channel: ChannelAnalysis;
  tyre: string | undefined;
  view: View;
  whole: View;
  onView: (view: View) => void;
}) {
  const { capture } = result;
  const shown = capture.channels[at] ?? capture.channels[0]!;
  const names = useMemo(() => result.channels.map(({ name }) => name), [result]);
  const detail = useDetail(result.capture, view);
  const [markers, setMarkers] = useState<Markers | null>(null);
  const [held, setHeld] = useState<keyof Markers>("bS");
  const move = (share: number) => markers && setMarkers(movedMarker(markers, held, share, view, whole));
  const place = (timeS: number) => {
    if (!markers) return;
    const nearer = nearerMarker(markers, timeS);
    setHeld(nearer);
    setMarkers(movedTo(markers, nearer, timeS, whole));
  };
  useHotkeys("m", () => setMarkers(markers ? null : markersIn(view)));
  useHotkeys("n", () => setHeld(held === "aS" ? "bS" : "aS"));
  useHotkeys("ctrl+left", () => move(-FINE), { preventDefault: true });
  useHotkeys("ctrl+right", () => move(FINE), { preventDefault: true });
  useHotkeys("ctrl+shift+left", () => move(-COARSE), { preventDefault: true });
  useHotkeys("ctrl+shift+right", () => move(COARSE), { preventDefault: true });
  const picture = (kind: "svg" | "png") =>
    saveTrace(
      traceSvg(
        detail ?? result.traces,
        capture.channels.map(({ name }) => name),
        shownUnit(shown),
        capture.name,
      ),
      capture.name,
      kind,
    ).catch((error: unknown) => toast.error(t`No picture: ${errorWords(error)}`));
  return (
    <section className="border-b border-rule bg-card px-2 pt-1" aria-label={t`Trace`}>
      <WaveTrace
        names={names}
        unit={shownUnit(shown)}
        whole={result.traces}
        detail={detail}
        view={view}
        span={whole}
        findings={channel.findings}
        markers={markers}
        onView={onView}
        onPlace={place}
      />
      <div className="flex flex-wrap items-center gap-2 px-2 pb-2">
        <Cap
          legend="M"
          aria-pressed={markers !== null}
          onClick={() => setMarkers(markers ? null : markersIn(view))}
        >{t`markers`}</Cap>
        {markers ? (
          <MarkerBar
            readout={markerReadout(shown, capture, channel.pulseTimesS, markers, channel.pulsesPerRevolution, tyre)}
            unit={shownUnit(shown)}
            held={held}
            onHold={setHeld}
            onMove={(steps) => move(steps * FINE)}
          />
        ) : (
          <span className="text-sm text-muted">{t`two markers read time, frequency, speed and level between any places`}</span>
        )}
        <span className="ml-auto flex gap-1">
          {(["svg", "png"] as const).map((kind) => (
            <Cap key={kind} onClick={() => void picture(kind)}>
              {kind.toUpperCase()}
            </Cap>
          ))}
          <Cap onClick={() => void saveCsv(capture)}>{t`CSV`}</Cap>
          {fitsWav(capture) && <Cap onClick={() => void saveWav(capture)}>{t`WAV`}</Cap>}
        </span>
      </div>
    </section>
  );
}

/** What lies in the view at the view's own resolution, asked of the worker once the view holds still. */
function useDetail(capture: Capture, view: View): ThinTrace[] | null {
  const { data } = useQuery({
    queryKey: ["detail", numberOf(capture), view[0], view[1]],
    queryFn: async ({ signal }) => {
      await new Promise((resolve) => setTimeout(resolve, SETTLED_MS));
      return signal.aborted ? [] : captureWorker.ask((remote) => remote.window(capture.name, view[0], view[1]));
    },
    placeholderData: (last, query) => (query?.queryKey[1] === numberOf(capture) ? last : undefined),
    gcTime: 5000,
  });
  return data?.length ? data : null;
}

const SETTLED_MS = 16;

/** The reader and writer of tables load when first asked for. */
async function saveWav(capture: Ok["capture"]): Promise<void> {
  const { captureToWav } = await import("@/core/capture/wav");
  download(`${capture.name}.wav`, captureToWav(capture) as Uint8Array<ArrayBuffer>, "audio/wav");
}

async function saveCsv(capture: Ok["capture"]): Promise<void> {
  const { captureToCsv } = await import("@/core/capture/csv");
  download(`${capture.name}.csv`, captureToCsv(capture), "text/csv");
}
