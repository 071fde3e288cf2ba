/** A watch: an intermittent caught while nobody looks, kept over a reload, opened and used; a logger's file followed; an oscilloscope read. */
import { expect, test, type Page } from "@playwright/test";
import type { Job } from "../src/core/job/schema";
import { storedJob } from "./stored-job";

async function waves(page: Page, job: string): Promise<void> {
  await page.goto("/");
  await expect(page.getByText("Sallow Plover 11").last()).toBeVisible();
  await page.goto(`/waves?job=${job}`);
  await expect(page.getByRole("button", { name: "roll live" })).toBeVisible();
}

test("what comes and goes is caught, kept with what was being done, and used after a reload", async ({ page }) => {
  await waves(page, "demo-plover");
  await page.keyboard.press("g");
  await page.getByRole("button", { name: "watch for hours" }).click();
  await page.getByLabel(/What you are doing now/).fill("moved the loom at the arch");
  await expect(page.getByRole("status").filter({ hasText: /caught: [1-9]/ })).toBeVisible();
  const list = page.getByRole("region", { name: "Caught while watching" });
  await expect(list.getByText("moved the loom at the arch").first()).toBeVisible();
  await page.reload();
  await expect(list.getByRole("listitem").first()).toContainText("The last minute before the page ended");
  const caught = await list.getByRole("listitem").count();
  const before = ((await storedJob(page, "demo-plover")) as Job).entries.length;
  const lost = list.getByRole("listitem").filter({ hasText: "Lost at random places" });
  await lost.first().getByRole("button", { name: "open" }).click();
  // Recorded where it was easier to reach: said before it is used, and a moment of a watch is judged as one.
  await page.getByLabel("Probe on").selectOption({ label: "return at the module plug, wire side" });
  await page.getByRole("button", { name: /use this result/i }).click();
  await expect(list.getByRole("listitem")).toHaveCount(caught - 1);
  await expect
    .poll(async () => ((await storedJob(page, "demo-plover")) as Job).entries.at(-1))
    .toMatchObject({
      kind: "capture",
      reading: {
        instrument: "scope",
        point: "module.out.return",
        state: { watched: true },
        finding: expect.stringMatching(/signal-(fallen|risen|lost)/),
      },
    });
  expect(((await storedJob(page, "demo-plover")) as Job).entries).toHaveLength(before + 1);
  // The watch itself goes on as well, and says what it has not seen.
  await page.keyboard.press("g");
  await page.getByRole("button", { name: "watch for hours" }).click();
  const rolling = page.getByRole("region", { name: "Rolling recorder" });
  await expect(rolling.getByText(/Goes on with the watch before: 00:00:\d\d/)).toBeVisible();
  await expect(rolling.getByRole("status").filter({ hasText: /caught: [1-9]/ })).toBeVisible();
});

test("a logger's file is followed while it is written", async ({ page }) => {
  await page.addInitScript(() => {
    let written = 3000;
    const row = (i: number) => `${(i / 1000).toFixed(3)},${Math.floor(i / 9) % 2 ? "1.6603" : "0.8412"}\n`;
    const getFile = () => {
      let text = "time (s),signal (V)\n";
      for (let i = 0; i < written; i++) text += row(i);
      written += 1500;
      return Promise.resolve(new Blob([text]));
    };
    Object.assign(window, { showOpenFilePicker: () => Promise.resolve([{ name: "logger.csv", getFile }]) });
  });
  await waves(page, "demo-plover");
  await page.keyboard.press("d");
  const rolling = page.getByRole("region", { name: "Rolling recorder" });
  await expect(rolling).toContainText("logger.csv: signal");
  await expect(rolling).toContainText(/km\/h/);
  await page.keyboard.press("g");
  await expect(
    page
      .getByText("Nothing wrong found")
      .or(page.getByText(/Pulses/))
      .first(),
  ).toBeVisible();
});

/** `npm run hour` asks for an hour; the usual run for some minutes. */
const WATCHED_S = Number(process.env.WATCH_S ?? 150);
/** What comes and goes, in seconds. The last of it comes when nobody looks any more. */
const LOSSES_S = [0.036, 0.406, 0.617].map((share) => share * WATCHED_S).concat(WATCHED_S - 9.7);

test("a watch at many times its pace: every loss caught once, nothing else, nothing unseen", async ({ page }) => {
  test.setTimeout(60_000 + 500 * WATCHED_S);
  // A logger's file that goes on as soon as the watch has seen what is there, and a page whose clocks do not wait.
  await page.addInitScript(
    ({ losses, lastS }) => {
      const [rate, pieceS] = [800, 1];
      const every = window.setInterval.bind(window);
      Object.assign(window, { setInterval: (f: () => void, ms: number) => every(f, ms / 50) });
      const row = (i: number) => {
        const t = i / rate;
        const isLost = losses.some((from) => t > from && t < from + 0.3);
        const level = !isLost && (t * 62 + 0.2 * Math.sin(t)) % 1 < 0.5 ? 1.66 : 0.84;
        return `${t.toFixed(3)},${(level + 0.004 * Math.sin(i * 12.9898)).toFixed(3)}\n`;
      };
      let file = new Blob(["time (s),signal (V)\n"]);
      let writtenS = 0;
      const getFile = () => {
        const shown = /(\d\d):(\d\d):(\d\d)/.exec(document.querySelector("[data-watched]")?.textContent ?? "00:00:00")!;
        const seenS = Number(shown[1]) * 3600 + Number(shown[2]) * 60 + Number(shown[3]);
        if (writtenS < lastS && seenS >= writtenS - 1) {
          let text = "";
          for (let i = writtenS * rate; i < (writtenS + pieceS) * rate; i++) text += row(i);
          file = new Blob([file, text]);
          writtenS += pieceS;
        }
        return Promise.resolve(file);
      };
      Object.assign(window, { showOpenFilePicker: () => Promise.resolve([{ name: "logger.csv", getFile }]) });
    },
    { losses: LOSSES_S, lastS: WATCHED_S },
  );
  await waves(page, "demo-plover");
  await page.keyboard.press("d");
  const rolling = page.getByRole("region", { name: "Rolling recorder" });
  await expect(rolling).toContainText("logger.csv: signal");
  await page.keyboard.press("a");
  const watchedS = async () => {
    const [hours, minutes, seconds] = (await rolling.locator("[data-watched]").innerText()).match(/\d\d/g)!.map(Number);
    return hours! * 3600 + minutes! * 60 + seconds!;
  };
  const until = (seconds: number) =>
    expect.poll(watchedS, { timeout: 500 * WATCHED_S, intervals: [1000] }).toBeGreaterThan(seconds);
  const devtools = await page.context().newCDPSession(page);
  const heldMb = async () => {
    await devtools.send("HeapProfiler.collectGarbage");
    const { usedSize, backingStorageSize } = await devtools.send("Runtime.getHeapUsage");
    return (usedSize + backingStorageSize) / 1e6;
  };
  await until(30);
  const early = await heldMb();
  await until(WATCHED_S - 6);
  // Eight hours of it must have room: by the envelope, and by nothing that was looked at and done with.
  expect(await heldMb()).toBeLessThan(early + 8);
  await expect(rolling.getByRole("status").filter({ hasText: /^caught: 4$/ })).toBeVisible();
  await expect(rolling.getByText(/not seen for/)).toHaveCount(0);
  await expect(page.getByRole("region", { name: "Caught while watching" }).getByRole("listitem")).toHaveCount(4);
});

test("an oscilloscope hands out its screens: judged as they come, kept by one key, used", async ({ page }) => {
  await waves(page, "demo-drover");
  await page.getByRole("button", { name: "record live" }).click();
  await page.getByRole("menuitem", { name: "connect an oscilloscope" }).click();
  const dialog = page.getByRole("dialog", { name: "An oscilloscope that sends its screens" });
  await dialog.getByText("its commands, where the handbook has others").click();
  await expect(dialog.getByLabel("samples of {channel}")).toHaveValue("TRAC:DATA? {channel}");
  await dialog.getByRole("button", { name: /simulated bench oscilloscope/ }).click();
  const rolling = page.getByRole("region", { name: "Rolling recorder" });
  await expect(rolling).toContainText("Simulated bench oscilloscope: CH1");
  await expect(rolling).toContainText(/km\/h/);
  await page.keyboard.press("g");
  await page.getByRole("button", { name: /use this result/i }).click();
  await expect
    .poll(async () => ((await storedJob(page, "demo-drover")) as Job).entries.at(-1))
    .toMatchObject({ kind: "capture", reading: { instrument: "scope", finding: "low-amplitude" } });
});
