import { expect, test, type Page } from "@playwright/test";
import { readFileSync } from "node:fs";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import type { Job } from "../src/core/job/schema";
import { provenJob } from "./proven-job";

async function open(page: Page, job: Job): Promise<void> {
  await page.goto("/");
  await expect(page.getByText("Osmund Drover 09").last()).toBeVisible();
  await page
    .getByLabel("Job file")
    .setInputFiles({ name: `${job.id}.json`, mimeType: "application/json", buffer: Buffer.from(JSON.stringify(job)) });
  await expect(page.getByText(job.car.name).first()).toBeVisible();
  await page.goto(`/close-out?job=${job.id}`);
  await expect(page.getByRole("region", { name: "Verify" })).toBeVisible();
}

/** Every word of a PDF, as a PDF package reads it back. */
async function wordsOf(path: string): Promise<string> {
  const document = await getDocument({ data: new Uint8Array(readFileSync(path)), verbosity: 0 }).promise;
  let text = "";
  for (let page = 1; page <= document.numPages; page++) {
    const { items } = await (await document.getPage(page)).getTextContent();
    text += ` ${items.map((item) => ("str" in item ? item.str + (item.hasEOL ? " " : "") : "")).join("")}`;
  }
  return text.replace(/\s+/g, " ");
}

/** Takes every check of the verify list again, as the mended car shows it. */
async function measureAgain(page: Page, mended: (label: string, state: string) => string): Promise<number> {
  const verify = page.getByRole("region", { name: "Verify" });
  const fields = verify.locator("[name=value]");
  await expect(fields.first()).toBeVisible();
  let taken = 0;
  for (; (await fields.count()) > 0 && taken < 12; taken++) {
    const left = await fields.count();
    const field = fields.first();
    const label = (await field.getAttribute("aria-label"))!.replace(/ now$/, "");
    const state = await field.locator("xpath=ancestor::li").innerText();
    const value = mended(label, state);
    if ((await field.evaluate((element) => element.tagName)) === "SELECT") await field.selectOption(value);
    else await field.fill(value);
    await verify.getByRole("button", { name: "after" }).first().click();
    // What was read twice is listed twice, and taken again once.
    await expect.poll(() => fields.count()).toBeLessThan(left);
  }
  return taken;
}

test("a job is closed: proven, repaired, measured again, told in a PDF", async ({ page }) => {
  const { job, proven, mended } = provenJob("close-seat", "passive", "mounting-gap@mounting", { seed: 7 });
  await open(page, job);
  if (proven) await expect(page.getByText(`✓ Proven:`).filter({ hasText: proven.toLowerCase() }).first()).toBeVisible();
  await expect(page.getByText(/rust|seat/i).first()).toBeVisible();
  await page.keyboard.press("1");
  await page.getByRole("button", { name: /^(repaired|fit it anyway)/ }).click();
  expect(await measureAgain(page, mended)).toBeGreaterThan(0);
  await expect(page.getByText("It is called fixed after the road test")).toBeVisible();
  await page.getByRole("button", { name: "lamp out, drive of at least half a kilometre" }).click();
  await expect(page.getByText("✓ Fixed: what failed before passes now")).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "report as PDF" }).click(),
  ]);
  const words = await wordsOf(await file.path());
  expect(words).toContain(job.car.name);
  expect(words).toContain("front right");
  if (proven) expect(words.toLowerCase()).toContain(proven.toLowerCase());
  expect(words).toMatch(/before, .* after, good/);
  for (const entry of job.entries)
    if (entry.kind === "reading" && entry.reading.look === undefined && entry.reading.value)
      expect(words).toContain(String(entry.reading.value));
});

test("a guess is recorded as one, with its odds, and says so in the PDF", async ({ page }) => {
  const { job } = provenJob("close-guess", "active-2wire", "sensor-dead@sensor", { seed: 12, most: 1 });
  await open(page, job);
  await expect(page.getByText(/Nothing is proven/).first()).toBeVisible();
  await page
    .getByRole("button", { name: /anyway|on a guess|repaired/i })
    .first()
    .click();
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "report as PDF" }).click(),
  ]);
  expect(await wordsOf(await file.path())).toMatch(/Repaired on a guess \(\d+ % at the time\)/);
});

test("an intermittent gets a reminder file for the day it may come back", async ({ page }) => {
  const { job } = provenJob("close-away", "active-2wire", "terminal-open@c1.supply", {
    seed: 13,
    intermittent: true,
    most: 1,
  });
  await open(page, job);
  await page
    .getByRole("button", { name: /repaired|anyway|on a guess/i })
    .first()
    .click();
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: /remind/i }).click(),
  ]);
  const text = readFileSync(await file.path(), "utf8");
  expect(text).toMatch(/^BEGIN:VCALENDAR/);
  expect(text).toContain(job.car.name);
});

test("a store that is full tells at once, keeps what was typed on screen, and offers the way out", async ({ page }) => {
  const { job } = provenJob("close-full", "active-2wire", "sensor-open@sensor", { seed: 14, most: 1 });
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
      if ((window as unknown as { full?: boolean }).full) throw new DOMException("no room left", "QuotaExceededError");
      return put.apply(this, args);
    };
  });
  await open(page, job);
  await page.goto(`/bench?job=${job.id}`);
  await expect(page.locator("main[aria-busy=false] [data-hookup]")).toBeVisible();
  await page.evaluate(() => Object.assign(window, { full: true }));
  await page.getByLabel("Note").fill("left front lamp flickers on the causeway");
  await page.getByRole("button", { name: "note", exact: true }).click();
  await expect(page.getByText(/Not saved: no room left/)).toBeVisible();
  await expect(page.getByRole("region", { name: "Log" })).toContainText("left front lamp flickers on the causeway");
  await page.evaluate(() => Object.assign(window, { full: false }));
  await page.getByLabel("Note").fill("and again in the wet");
  await page.getByRole("button", { name: "note", exact: true }).click();
  await page.waitForTimeout(500);
  await page.reload();
  const log = page.getByRole("region", { name: "Log" });
  await expect(log).toContainText("left front lamp flickers on the causeway");
  await expect(log).toContainText("and again in the wet");
});
