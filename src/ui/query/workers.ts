import type { CaptureWorker } from "@/workers/capture.worker";
import type { LineUpWorker } from "@/workers/lineup.worker";
import type { FolderWorker } from "@/workers/folder.worker";
import { RestartingWorker } from "./restarting-worker";

const lineUp = () =>
  new Worker(new URL("../../workers/lineup.worker.ts", import.meta.url), { type: "module", name: "line-up" });

/** The line-up of the job that is open. */
export const benchWorker = new RestartingWorker<LineUpWorker>(lineUp);
/** Another for the board's many jobs, so that opening one does not wait for all the rest. */
export const boardWorker = new RestartingWorker<LineUpWorker>(lineUp);
/** Captures, logs and ZIPs. */
export const captureWorker = new RestartingWorker<CaptureWorker>(
  () => new Worker(new URL("../../workers/capture.worker.ts", import.meta.url), { type: "module", name: "captures" }),
);
/** The shop's folder. */
export const folderWorker = new RestartingWorker<FolderWorker>(
  () => new Worker(new URL("../../workers/folder.worker.ts", import.meta.url), { type: "module", name: "folder" }),
);
