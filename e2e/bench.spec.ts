import { expect, test, type Locator, type Page } from "@playwright/test";
import { readFileSync } from "node:fs";
import { readCar, simulateCar, type SimulatedCar } from "../src/core/simulated/simulated-car";
import { observe, hookupOf } from "../src/core/observation/read-observation";
import type { Hookup } from "../src/core/checks/hookup";
import type { Job } from "../src/core/job/schema";
import { storedJob } from "./stored-job";

async function proposed(page: Page): Promise<Hookup> {
  await expect(page.locator("[data-hookup]")).toBeVisible();
  await expect(page.locator("main[aria-busy=false]")).toBeVisible();
  return JSON.parse((await page.locator("[data-hookup]").getAttribute("data-hookup"))!) as Hookup;
}

test("from a new job to proven in at most 8 readings, by keyboard alone", async ({ page }) => {
  const said = /sensor open/;
  await page.goto("/");
  await expect(page.getByText("Tarnwick Pelican 14").last()).toBeVisible();
  await page.keyboard.press("n");
  await expect(page.getByRole("heading", { name: "What is known" })).toBeVisible();
  for (const key of ["1", "f", "f"]) await page.keyboard.press(key);
  await page.keyboard.press("b");
  let car: SimulatedCar | null = null;
  let readings = 0;
  for (; readings < 8; readings++) {
    const hookup = await proposed(page);
    if (await page.getByText(/^✓ Proven:/).isVisible()) break;
    const id = new URL(page.url()).searchParams.get("job")!;
    car ??= simulateCar(((await storedJob(page, id)) as Job).setup, "sensor-open@sensor", { seed: 33 });
    const typed = readCar(car, hookup);
    await page.keyboard.press("0");
    await page.keyboard.press("Control+A");
    await page.keyboard.type(typed);
    await page.keyboard.press("Enter");
    await expect(page.getByRole("region", { name: "Log" }).locator("li")).toHaveCount(readings + 1);
    await page.keyboard.press("Escape");
  }
  await expect(page.getByText(/^✓ Proven:/)).toContainText(said);
  expect(readings).toBeLessThanOrEqual(8);
  await page.reload();
  await expect(page.getByText(/^✓ Proven:/)).toContainText(said);
  const stored = (await storedJob(page, new URL(page.url()).searchParams.get("job")!)) as Job;
  for (const entry of stored.entries)
    if (entry.kind === "reading")
      expect(observe(entry.reading, stored.setup).ok && hookupOf(entry.reading, stored.setup).ok).toBe(true);
});

test("undo, a word that is no reading, and a free reading", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByText("Halmer Teal 21").last()).toBeVisible();
  await page.goto("/bench?job=demo-teal");
  await proposed(page);
  await page.keyboard.type("5bananas");
  await page.keyboard.press("Enter");
  await expect(page.getByText("“bananas” is not a unit")).toBeVisible();
  await expect(page.getByRole("textbox", { name: /^Reading/ })).toHaveValue("5bananas");
  await page.keyboard.press("Control+A");
  await page.keyboard.type("5.02");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("region", { name: "Log" }).getByText("5.02")).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("u");
  await expect(page.getByRole("region", { name: "Log" }).locator(".line-through")).toHaveCount(1);
  await page.keyboard.press("p");
  await page.getByLabel("Red probe").selectOption("module.in.power");
  await page.getByRole("button", { name: "read here" }).click();
  await expect(page.getByTestId("instruction")).toContainText("module's battery feed pin");
  await page.keyboard.type("12.3");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("region", { name: "Log" }).getByText("12.3", { exact: true })).toBeVisible();
});

/** The demo car whose fault comes and goes, on the Bench. @returns its card of the next check */
async function benchOfPlover(page: Page): Promise<Locator> {
  await page.goto("/");
  await expect(page.getByText("Sallow Plover 11").last()).toBeVisible();
  await page.goto("/bench?job=demo-plover");
  const card = page.getByRole("region", { name: "Next check" });
  await expect(card).toBeVisible();
  return card;
}

test("of what is recorded for hours it is asked whether the fault came, which moves the share and stands in the log", async ({
  page,
}) => {
  const card = await benchOfPlover(page);
  await page.keyboard.press("p");
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Red probe").selectOption("plug.out.supply");
  await dialog.getByLabel(/recorded for hours/).check();
  await dialog.getByRole("button", { name: /read here/ }).click();
  await page.locator("#reading").fill("11.4 V");
  const means = page.locator("#meaning");
  await expect(means).toContainText("%");
  const unsaid = await means.textContent();
  await card.getByRole("button", { name: "the fault came" }).click();
  await expect(card).toHaveAttribute("data-hookup", /"meanwhile":"came"/);
  await expect(means).not.toHaveText(unsaid!);
  await page.locator("#reading").press("Enter");
  const logged = page.getByRole("region", { name: "Log" });
  await expect(logged).toContainText("recorded for hours, the fault came");
  // Another channel of the same hours: it came while that ran too.
  await page.keyboard.press("Escape");
  await page.keyboard.press("p");
  await dialog.getByLabel("Red probe").selectOption("c1.out.supply");
  await dialog.getByLabel(/recorded for hours/).check();
  await dialog.getByRole("button", { name: /read here/ }).click();
  await page.locator("#reading").fill("11.5 V");
  const alone = await means.textContent();
  await card.getByRole("button", { name: "yes, another channel" }).click();
  await expect(card.getByRole("heading", { name: "Second channel" })).toBeVisible();
  await expect(means).not.toHaveText(alone!);
  await page.locator("#reading").press("Enter");
  await expect(logged).toContainText("at the same time as reading 4");
});

test("a watch on two channels is told before the leads are laid, and the second is typed after the first", async ({
  page,
}) => {
  const card = await benchOfPlover(page);
  const other = card.getByTestId("alongside");
  await page.getByText("How to go about it:").click();
  await page.getByRole("button", { name: "second meter or channel" }).click();
  // Not every check waits for the fault, and those with a second channel are worked out first.
  await expect
    .poll(
      async () => {
        const found = await other.count();
        if (found === 0) await card.getByRole("button", { name: "other checks" }).click();
        return found;
      },
      { intervals: [2000] },
    )
    .toBe(1);
  await expect(other).toContainText("At the same time");
  await page.keyboard.press("i");
  await expect(page.locator("#reading")).not.toHaveValue("");
  await page.locator("#reading").press("Enter");
  await expect(card.getByRole("heading", { name: "Second channel" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("i");
  await expect(page.locator("#reading")).not.toHaveValue("");
  await page.locator("#reading").press("Enter");
  await expect(page.getByRole("region", { name: "Log" })).toContainText("at the same time as reading 4");
  await expect(card.getByRole("heading", { name: "Next check" })).toBeVisible();
});

test("a dropped capture is read, shown and weighed in; a bad one gets a sentence", async ({ page, request }) => {
  await page.goto("/");
  await expect(page.getByText("Tarnwick Pelican 14").last()).toBeVisible();
  await page.goto("/bench?job=demo-pelican");
  await proposed(page);
  await page
    .getByLabel("Capture file")
    .setInputFiles({ name: "notes.csv", mimeType: "text/csv", buffer: Buffer.from("dear diary") });
  await expect(page.getByRole("alert").filter({ hasText: "no rows of numbers" })).toBeVisible();
  const csv = await (await request.get("/demo/tarnwick-pelican-14-rr.csv")).body();
  await page.getByLabel("Capture file").setInputFiles({ name: "spin.csv", mimeType: "text/csv", buffer: csv });
  await expect(page.getByText(/tooth \d+ of 48/)).toBeVisible();
  await page.getByRole("button", { name: /Use this result: pulses missing/ }).click();
  const lead = page.getByRole("region", { name: "Suspects" }).getByText(/^9[5-9] %$/);
  await expect(lead).toBeVisible();
  await expect(
    page
      .getByRole("region", { name: "Log" })
      .getByText(/missing/)
      .first(),
  ).toBeVisible();
});

test("a job is exported, and imported again", async ({ page }) => {
  await page.goto("/");
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Export Elverby Skua 03" }).click(),
  ]);
  const text = readFileSync(await file.path(), "utf8");
  expect(JSON.parse(text)).toMatchObject({ tastatura: "job/4", id: "demo-skua" });
  await page
    .getByLabel("Job file")
    .setInputFiles({ name: "cut.json", mimeType: "application/json", buffer: Buffer.from(text.slice(0, 300)) });
  await expect(page.getByText("cut.json is cut short")).toBeVisible();
  const other = text.replaceAll("demo-skua", "from-elsewhere").replace("Elverby Skua 03", "Elverby Skua 77");
  await page
    .getByLabel("Job file")
    .setInputFiles({ name: "other.json", mimeType: "application/json", buffer: Buffer.from(other) });
  await expect(page.locator("li", { hasText: "Elverby Skua 77" }).first()).toBeVisible();
});
