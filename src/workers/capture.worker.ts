import { speakIn } from "./tongue";
import { t } from "@/core/words/words";
import type { LibraryItem } from "../core/library/library";
import { packLibrary, unpackLibrary } from "../core/library/library-zip";
import { expose } from "comlink";
import { UnusableInput, type Capture } from "../core/capture/capture";
import { coarser } from "../core/capture/coarser";
import { LARGEST_FILE_BYTES, parseCaptureCsv } from "../core/capture/csv";
import { readCaptureFile } from "../core/capture/read-file";
import { analyseCapture, type AnalyseOptions, type ChannelAnalysis } from "../core/waveform/analyse";
import type { Job } from "../core/job/schema";
import { packJob, unpackJob, type KeptCapture } from "../core/job-file/zip";
import { analyseScan, type ScanCar } from "../core/scanlog/analyse-scan";
import { busSummary, type BusSummary } from "../core/scanlog/bus/bus-summary";
import { busToScan } from "../core/scanlog/bus/bus-to-scan";
import { isBusLog, parseBusLog, type BusFrames } from "../core/scanlog/bus/frames";
import { signalsOf, type WheelMap } from "../core/scanlog/bus/wheel-map";
import { textOf } from "../core/capture/text-of";
import { parseScanCsv } from "../core/scanlog/scan-csv";
import type { ScanFinding, ScanLog } from "../core/scanlog/scan-log";
import { ringRaster, type RingRaster } from "../core/waveform/raster";
import type { ThinTrace } from "../core/capture/thin";
import { TracePyramid } from "../core/capture/trace-pyramid";

export type ReadCapture =
  | {
      ok: true;
      capture: Capture;
      channels: ChannelAnalysis[];
      traces: ThinTrace[];
      /** One a channel; null where the ring's count is not known or the turn is not whole. */
      rasters: (RingRaster | null)[];
    }
  | { ok: false; say: string };

export type ReadScan = { ok: true; log: ScanLog; findings: ScanFinding[] } | { ok: false; say: string };
/** A log of bus frames is asked about first: where in them the wheels stand. */
export type ReadSpeeds = ReadScan | { ok: "bus"; summary: BusSummary };

const TRACE_POINTS = 1600;

let heldFrames: BusFrames | null = null;
let held: { name: string; pyramids: TracePyramid[] } = { name: "", pyramids: [] };

const api = {
  /** The language its sentences are made in. */
  speak: speakIn,

  /** Reads and analyses a dropped file, off the main thread. @param onShare told how much of it is read, 0 to 1 */
  async read(file: File, options: AnalyseOptions, onShare: (share: number) => void): Promise<ReadCapture> {
    if (file.size > LARGEST_FILE_BYTES)
      return {
        ok: false,
        say: t`${file.name} has ${Math.round(file.size / 1e6)} MB; ${Math.round(LARGEST_FILE_BYTES / 1e6)} MB is the most. Cut the recording shorter, or thin it.`,
      };
    try {
      return api.analyse(readCaptureFile(new Uint8Array(await file.arrayBuffer()), file.name, onShare), options);
    } catch (error) {
      if (error instanceof UnusableInput) return { ok: false, say: error.message };
      throw error;
    }
  },

  /** Reads the text of a capture, and no more. */
  parse(text: string, name: string): { ok: true; capture: Capture } | { ok: false; say: string } {
    try {
      return { ok: true, capture: parseCaptureCsv(text, name) };
    } catch (error) {
      if (error instanceof UnusableInput) return { ok: false, say: error.message };
      throw error;
    }
  },

  /** Analyses a capture that is already at hand. @param inView false leaves `window` on the capture it was on */
  analyse(capture: Capture, options: AnalyseOptions, inView = true): ReadCapture {
    const channels = analyseCapture(capture, options);
    const pyramids = capture.channels.map(({ samples }) => new TracePyramid(samples, capture.sampleS, capture.startS));
    if (inView) held = { name: capture.name, pyramids };
    return {
      ok: true,
      capture,
      channels,
      rasters: channels.map(({ foldedBy }, i) => (foldedBy ? ringRaster(capture, i, foldedBy, options) : null)),
      traces: pyramids.map((pyramid) => pyramid.view(-Infinity, Infinity, TRACE_POINTS)),
    };
  },

  /** What a recording that goes on holds just now: nothing is laid out or kept of it. */
  listen(capture: Capture, options: AnalyseOptions): ChannelAnalysis[] {
    return analyseCapture(coarser(capture), options);
  },

  /** Reads and analyses a four-wheel speed log, or reads a bus's frames and keeps them for `busSpeeds`. */
  async readScan(file: File, car: ScanCar): Promise<ReadSpeeds> {
    if (file.size > LARGEST_FILE_BYTES) return { ok: false, say: t`${file.name} is too large. Cut the log shorter.` };
    try {
      const text = textOf(new Uint8Array(await file.arrayBuffer()));
      if (!isBusLog(text)) return api.analyseScan(parseScanCsv(text, file.name), car);
      heldFrames = parseBusLog(text, file.name);
      return { ok: "bus", summary: busSummary(heldFrames) };
    } catch (error) {
      if (error instanceof UnusableInput) return { ok: false, say: error.message };
      throw error;
    }
  },

  /** The bus's frames read last, as wheel speeds by a map. */
  busSpeeds(name: string, map: WheelMap, car: ScanCar): ReadScan {
    if (heldFrames?.name !== name) return { ok: false, say: t`${name} is no longer at hand. Open it again.` };
    return api.analyseScan(busToScan(heldFrames, signalsOf(map)), car);
  },

  /** Analyses a log that is already at hand. */
  analyseScan(log: ScanLog, car: ScanCar): ReadScan {
    return { ok: true, log, findings: analyseScan(log, car) };
  },

  /** A job with its captures as one ZIP. */
  pack(job: Job, captures: KeptCapture[], onCapture: (done: number, of: number) => void): Uint8Array<ArrayBuffer> {
    return packJob(job, captures, onCapture) as Uint8Array<ArrayBuffer>;
  },

  /** The shop's library as one ZIP. */
  packLibrary(items: LibraryItem[], captures: KeptCapture[]): Uint8Array<ArrayBuffer> {
    return packLibrary(items, captures) as Uint8Array<ArrayBuffer>;
  },

  /** A ZIP as a library. */
  async unpackLibrary(
    file: File,
  ): Promise<{ ok: true; items: LibraryItem[]; captures: KeptCapture[] } | { ok: false; say: string }> {
    try {
      return { ok: true, ...unpackLibrary(new Uint8Array(await file.arrayBuffer()), file.name) };
    } catch (error) {
      if (error instanceof UnusableInput) return { ok: false, say: error.message };
      throw error;
    }
  },

  /** A ZIP as a job with its captures. */
  async unpack(file: File): Promise<{ ok: true; job: Job; captures: KeptCapture[] } | { ok: false; say: string }> {
    try {
      return { ok: true, ...unpackJob(new Uint8Array(await file.arrayBuffer()), file.name) };
    } catch (error) {
      if (error instanceof UnusableInput) return { ok: false, say: error.message };
      throw error;
    }
  },

  /** The capture in view, between two times, thinned for drawing; nothing of any other. */
  window(name: string, fromS: number, toS: number): ThinTrace[] {
    if (held.name !== name) return [];
    return held.pyramids.map((pyramid) => pyramid.view(fromS, toS, TRACE_POINTS));
  },
};

export type CaptureWorker = typeof api;
expose(api);
