import { setPriority } from "node:os";
import { parentPort } from "node:worker_threads";
import { UnusableInput } from "@/core/capture/capture";
import { readCaptureFile } from "@/core/capture/read-file";
import { analyseCapture, type AnalyseOptions } from "@/core/waveform/analyse";
import { analysisReport } from "@/core/waveform/analysis-report";

/** What is to be analysed, handed over and not copied. */
export interface Asked {
  bytes: Uint8Array;
  name: string;
  options: AnalyseOptions;
}
export type Answered = { ok: true; channels: unknown[] } | { ok: false; say: string };

/** What a server takes: less than a browser, which has its memory to itself. */
const LIMITS = { bytes: 96 * 1024 * 1024, samples: 12_000_000 };

/** Nicer than all else: this thread runs in what the pages leave. Linux alone sets a thread's niceness, others the process's. */
const NICE = 19;
if (process.platform === "linux") setPriority(NICE);

parentPort?.on("message", ({ bytes, name, options }: Asked) => parentPort!.postMessage(answer(bytes, name, options)));

function answer(bytes: Uint8Array, name: string, options: AnalyseOptions): Answered {
  try {
    const capture = readCaptureFile(bytes, name, undefined, LIMITS);
    return { ok: true, channels: analyseCapture(capture, options).map(analysisReport) };
  } catch (error) {
    if (error instanceof UnusableInput) return { ok: false, say: error.message };
    throw error;
  }
}
