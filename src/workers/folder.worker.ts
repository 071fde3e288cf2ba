import { expose } from "comlink";
import { syncShopFolder } from "../store/shop-folder";
import { speakIn } from "./tongue";

const api = {
  /** The language its sentences are made in. */
  speak: speakIn,

  /** Joins what is kept here with what lies in the shop's folder (see store/shop-folder.ts). */
  sync(onProgress: (done: number, of: number) => void) {
    let told = 0;
    return syncShopFolder(
      (done, of) => {
        // A message a file would take longer than the file.
        if (done - told < of / 50) return;
        told = done;
        onProgress(done, of);
      },
      () => new Date(),
    );
  },
};

export type FolderWorker = typeof api;
expose(api);
