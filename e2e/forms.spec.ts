/**
 * Random jobs typed through the real forms (a property): whatever was typed, the job opens again, is stored in a form that
 * its own reader accepts, comes out as a file and in again, and each field shows what was taken or still what was typed.
 */
import { expect, test, type Page } from "@playwright/test";
import fc from "fast-check";
import { readFileSync } from "node:fs";
import { parseJob } from "../src/core/job-file/earlier-jobs";
import { importJob } from "../src/core/job-file/file";
import { LONGEST } from "../src/core/units/typed-text";
import { storedJob } from "./stored-job";

/** `FORMS=200 npx playwright test e2e/forms.spec.ts` for a night; the usual run types one. */
const FORMS = Number(process.env.FORMS ?? 1);
const SEED = Number(process.env.SEED ?? Date.now() % 1_000_000);

const text = (maxLength: number) =>
  fc.oneof(
    fc.string({ unit: "grapheme", maxLength: Math.min(maxLength, 24) }),
    fc.string({ unit: "binary", maxLength: Math.min(maxLength, 24) }),
    fc.constantFrom("", " ", "=1+1", "<b>x</b>", "x".repeat(maxLength), "Štěrk Łódź ΔΩ", "null", "__proto__"),
  );
const figure = fc.oneof(
  fc.integer({ min: -10, max: 700 }).map(String),
  fc.double({ min: 0, max: 40, noNaN: true }).map((number) => number.toFixed(2).replace(".", ",")),
  fc.constantFrom("", "many", "1e3", "0x10", "9".repeat(30)),
);

/** Each field by its label, and what a hard hand types there. */
const fields: Record<string, fc.Arbitrary<string>> = {
  Car: text(LONGEST.carName),
  "Plate or fleet number": text(LONGEST.plate),
  "Order number": text(LONGEST.order),
  "Customer reference": text(LONGEST.customer),
  VIN: text(LONGEST.vin),
  "Mileage, km": figure,
  "In the driver's words: when it shows, weather, history": text(LONGEST.note),
  "Trouble codes in any style": fc.oneof(text(60), fc.constantFrom("C0034-01, C0031 present", "C0035", "P0500 x")),
  "Tyre, this axle": fc.oneof(text(40), fc.constantFrom("205/55R16", "195/65 r15", "205/5")),
  "Pulses per turn": figure,
  "Sensor supply, V": figure,
  "input, MΩ": figure,
};

/** A label goes on with what looks odd about what stands in its field. */
const field = (page: Page, label: string) =>
  label === "Car" ? page.getByLabel(label, { exact: true }) : page.getByLabel(new RegExp(`^${label}`));

test("random jobs typed through the forms open again, with nothing typed lost", async ({ page }) => {
  test.setTimeout(600_000 + FORMS * 30_000);
  test.info().annotations.push({ type: "seed", description: String(SEED) });
  const jobs = fc.sample(fc.record(fields), { seed: SEED, numRuns: FORMS });
  await page.goto("/");
  await expect(page.getByText("Osmund Drover 09").last()).toBeVisible();
  for (const [n, typed] of jobs.entries()) {
    const which = `seed ${SEED}, job ${n}: ${JSON.stringify(typed)}`;
    await page.goto("/");
    await page.getByRole("button", { name: "New job" }).click();
    await expect(page.getByRole("heading", { name: "What is known" })).toBeVisible();
    await page.getByText("Order, waiting for, VIN, mileage").click();
    for (const [label, value] of Object.entries(typed)) {
      await field(page, label).fill(value);
      await field(page, label).blur();
    }
    const id = new URL(page.url()).searchParams.get("job")!;
    const shown = await shownIn(page);
    await page.getByRole("link", { name: /Jobs/ }).first().click();
    await expect(page.getByRole("link", { name: /^1\s*Open|^Open/ }).first(), which).toBeVisible();
    await expect(page.getByText(/cannot be read/), which).toHaveCount(0);

    await page.goto(`/complaint?job=${id}`);
    await expect(page.getByRole("heading", { name: "What is known" })).toBeVisible();
    expect(await shownIn(page), which).toEqual(shown);
    const stored = parseJob(await storedJob(page, id));
    expect(stored.success, which).toBe(true);

    await page.goto(`/close-out?job=${id}`);
    const [file] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name: "job as a file" }).click(),
    ]);
    expect(importJob(readFileSync(await file.path(), "utf8"), "own.json"), which).toEqual(stored.data);
  }
});

async function shownIn(page: Page): Promise<Record<string, string>> {
  const shown: Record<string, string> = {};
  for (const label of Object.keys(fields)) shown[label] = (await field(page, label).inputValue()).trim();
  return shown;
}
