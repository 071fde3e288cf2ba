/**
 * A board of a thousand jobs beside one of twelve, in Chromium on the built app, in the same run: until its rows stand,
 * and a search as it is typed. Every row's summary is already kept, as on the second visit.
 * usage: npm run bench:board   (build first)
 */
import { readFileSync } from "node:fs";
import { chromium, type Page } from "@playwright/test";
import { answers, serve } from "../scripts/run.mjs";

const PORT = 4178;
const server = serve(PORT);
const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium",
  args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
});
try {
  if (!(await answers(`http://localhost:${PORT}/`))) throw new Error("the built app does not answer; build it first");
  const twelve = await board(12);
  const thousand = await board(1000);
  console.log("median ms of five".padEnd(40), "12 jobs".padStart(9), "1,000".padStart(9));
  for (const name of Object.keys(twelve)) {
    const [few, many] = [median(twelve[name]!), median(thousand[name]!)];
    console.log(
      name.padEnd(40),
      few.toFixed(0).padStart(9),
      many.toFixed(0).padStart(9),
      `  ${(many / few).toFixed(2)} ×`,
    );
  }
} finally {
  await browser.close();
  server.kill();
}

async function board(count: number): Promise<Record<string, number[]>> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(`http://localhost:${PORT}/`);
  await page.getByText("Tarnwick Pelican 14").last().waitFor();
  await page.getByText("Working out the suspects…").first().waitFor({ state: "detached", timeout: 120_000 });
  await page.waitForTimeout(3000);
  await fill(page, count);
  const times: Record<string, number[]> = {};
  const note = (name: string, ms: number) => void (times[name] ??= []).push(ms);
  for (let round = 0; round < 6; round++) {
    const from = Date.now();
    await page.goto(`http://localhost:${PORT}/`);
    await page.getByText("Ring has lost teeth").first().waitFor();
    const stands = Date.now() - from;
    await page.getByRole("searchbox").fill("");
    const asked = Date.now();
    await page.getByRole("searchbox").pressSequentially("car n7n", { delay: 0 });
    await page.getByText("export 1 job").waitFor();
    const found = Date.now() - asked;
    if (round === 0) continue;
    note("board to its rows", stands);
    note("seven letters typed, found", found);
  }
  await context.close();
  return times;
}

/** A store of so many jobs, made of the demo's, and what was worked out of them. */
async function fill(page: Page, count: number): Promise<void> {
  const { jobs } = JSON.parse(readFileSync("public/demo/workshop.json", "utf8")) as { jobs: DemoJob[] };
  const open = jobs.filter(({ archived }) => !archived);
  const all = Array.from({ length: count }, (_, i) => {
    const job = open[i % open.length]!;
    return [job.id, { ...job, simulated: undefined, id: `car-${i}`, car: { ...job.car, name: `Car n${i}n` } }] as const;
  });
  await page.evaluate(async (records) => {
    const database = await new Promise<IDBDatabase>((done, failed) => {
      const asked = indexedDB.open("tastatura");
      asked.onsuccess = () => done(asked.result);
      asked.onerror = () => failed(asked.error);
    });
    const writing = database.transaction(["jobs", "board-rows"], "readwrite");
    const [store, rows] = [writing.objectStore("jobs"), writing.objectStore("board-rows")];
    store.clear();
    for (const [of, record] of records) {
      store.put(record, record.id);
      const asked = rows.get(of);
      asked.onsuccess = () => {
        const kept = asked.result as { key: string; row: unknown } | undefined;
        if (kept) rows.put({ ...kept, key: kept.key.replace(`"${of}"`, `"${record.id}"`) }, record.id);
      };
    }
    await new Promise((done) => (writing.oncomplete = done));
    database.close();
  }, all);
}

interface DemoJob {
  id: string;
  car: { name: string };
  simulated?: unknown;
  archived?: boolean;
}

function median(values: readonly number[]): number {
  return values.toSorted((a, b) => a - b)[values.length >> 1]!;
}
