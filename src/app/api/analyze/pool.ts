import { t } from "@/core/words/words";
import { Worker } from "node:worker_threads";
import type { Answered, Asked } from "./analysis-worker";

/** Analyses under way or waiting at once, uploads included: more are turned away before they are read. */
const MOST = 6;
/** One runs at a time: the other core is the pages'. Between two the server draws breath, or a flood of small bodies would keep pages waiting. */
const BREATH_MS = 60;
const LONGEST_MS = 30_000;
const MEMORY_MB = 768;

export type Pooled = Answered | { ok: false; say: string; status: 408 | 500 };

let inside = 0;

/** A place among the analyses, to be given back; null when they are too many. */
export function admit(): (() => void) | null {
  if (inside >= MOST) return null;
  inside++;
  let given = false;
  return () => {
    if (!given) inside--;
    given = true;
  };
}

let worker: Worker | null = null;
let last: Promise<unknown> = Promise.resolve();

/** Analyses off the server's main thread, one after another, each within a time and a memory of its own. */
export function analyseApart(asked: Asked): Promise<Pooled> {
  const next = last.then(() => run(asked));
  last = next.catch(() => undefined).then(() => new Promise((resolve) => setTimeout(resolve, BREATH_MS)));
  return next;
}

function run(asked: Asked): Promise<Pooled> {
  const own = (worker ??= new Worker(new URL("./analysis-worker.ts", import.meta.url), {
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
  }));
  own.unref();
  return new Promise((resolve) => {
    const end = (answer: Pooled, dead = false) => {
      clearTimeout(timer);
      own.removeAllListeners("message").removeAllListeners("error").removeAllListeners("exit");
      if (dead) {
        worker = null;
        own.on("error", () => undefined);
        void own.terminate();
      }
      resolve(answer);
    };
    const timer = setTimeout(
      () => end({ ok: false, status: 408, say: t`the analysis took too long; cut the recording shorter` }, true),
      LONGEST_MS,
    );
    own.once("message", (answer: Answered) => end(answer));
    own.once("error", (error) =>
      end({ ok: false, status: 500, say: t`the analysis failed (${error.message}); cut the recording shorter` }, true),
    );
    own.once("exit", () => end({ ok: false, status: 500, say: t`the analysis ended by itself; send it again` }, true));
    own.postMessage(asked, [asked.bytes.buffer as ArrayBuffer]);
  });
}
