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
  await expect(list.getByRole("listitem").first()).toContainText("Lost at random places");
  const caught = await list.getByRole("listitem").count();
  const before = ((await storedJob(page, "demo-plover")) as Job).entries.length;
  await list.getByRole("button", { name: "open" }).first().click();
  await page.getByRole("button", { name: /use this result/i }).click();
  await expect(list.getByRole("listitem")).toHaveCount(caught - 1);
  await expect
    .poll(async () => ((await storedJob(page, "demo-plover")) as Job).entries.at(-1))
    .toMatchObject({ kind: "capture", reading: { instrument: "scope", finding: "signal-lost" } });
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
