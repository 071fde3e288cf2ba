import { expect, test } from "@playwright/test";
import { gzipSync } from "node:zlib";

/** Script of the first view, gzip, in kB; two thirds of what is there is React and Next. */
const BUDGET_KB = 200;

for (const path of [
  "/",
  "/complaint",
  "/bench",
  "/look",
  "/waves",
  "/loom",
  "/close-out",
  "/library",
  "/practice",
  "/explain",
  "/history",
  "/reckoner",
  "/settings",
])
  test(`the first view of ${path} keeps to its script budget, charts apart`, async ({ request }) => {
    const html = await (await request.get(path)).text();
    // Browsers that know modules leave these out.
    const old = new Set([...html.matchAll(/<script src="([^"]+)" noModule/g)].map(([, source]) => source));
    const sources = new Set([...html.matchAll(/\/_next\/static\/[^"\\]+?\.js/g)].map(([source]) => source));
    let bytes = 0;
    for (const source of sources) {
      if (old.has(source)) continue;
      const text = await (await request.get(source)).text();
      expect(text, `${source} holds the chart package`).not.toContain("echarts");
      bytes += gzipSync(text).length;
    }
    expect(bytes / 1000).toBeGreaterThan(50);
    expect(bytes / 1000, `${path} loads ${Math.round(bytes / 1000)} kB of script`).toBeLessThan(BUDGET_KB);
  });
