import { expose } from "comlink";
import { UnusableInput, type Capture } from "../core/capture/capture";
import { LARGEST_FILE_BYTES, parseCaptureCsv } from "../core/capture/csv";
import { analyseCapture, type AnalyseOptions, type ChannelAnalysis } from "../core/waveform/analyse";
import { thin, type ThinTrace } from "../core/capture/thin";

export type ReadCapture =
  { ok: true; capture: Capture; channels: ChannelAnalysis[]; traces: ThinTrace[] } | { ok: false; say: string };

const TRACE_POINTS = 1600;

const api = {
  /** Reads and analyses a dropped file, off the main thread. */
  async read(file: File, options: AnalyseOptions): Promise<ReadCapture> {
    if (file.size > LARGEST_FILE_BYTES)
      return {
        ok: false,
        say: `${file.name} has ${Math.round(file.size / 1e6)} MB; ${Math.round(LARGEST_FILE_BYTES / 1e6)} MB is the most. Cut the recording shorter, or thin it.`,
      };
    try {
      return api.analyse(parseCaptureCsv(await file.text(), file.name), options);
    } catch (error) {
      if (error instanceof UnusableInput) return { ok: false, say: error.message };
      throw error;
    }
  },

  /** Analyses a capture that is already at hand. */
  analyse(capture: Capture, options: AnalyseOptions): ReadCapture {
    return {
      ok: true,
      capture,
      channels: analyseCapture(capture, options),
      traces: capture.channels.map(({ samples }) => thin(samples, capture.sampleS, capture.startS, TRACE_POINTS)),
    };
  },
};

export type CaptureWorker = typeof api;
expose(api);
