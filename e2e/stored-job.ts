import type { Page } from "@playwright/test";

/** A job's record as it lies in the browser's own store. */
export function storedJob(page: Page, id: string): Promise<unknown> {
  return page.evaluate(
    (key) =>
      new Promise<unknown>((resolve, reject) => {
        const open = indexedDB.open("tastatura");
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const get = open.result.transaction("jobs").objectStore("jobs").get(key);
          get.onsuccess = () => {
            open.result.close();
            resolve(get.result);
          };
        };
      }),
    id,
  );
}
