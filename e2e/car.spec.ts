/** A car with more than one corner in work: switched by its mark, measured once what is the whole car's, judged together. */
import { expect, test, type Page } from "@playwright/test";
import { readFileSync } from "node:fs";

const log = (page: Page) => page.getByRole("region", { name: "Log" });

async function onBench(page: Page, job: string): Promise<void> {
  await page.goto(`/bench?job=${job}`);
  await expect(page.locator("main[aria-busy=false] [data-hookup]")).toBeVisible();
}

/** Logs volts at two points of the car. */
async function measured(page: Page, red: string, black: string, volts: string): Promise<void> {
  await page.keyboard.press("p");
  await page.getByLabel("Red probe").selectOption(red);
  await page.getByLabel("Black probe").selectOption(black);
  await page.getByRole("button", { name: "read here" }).click();
  await page.keyboard.type(volts);
  await page.keyboard.press("Enter");
  await expect(log(page).getByText(volts, { exact: true })).toBeVisible();
  await page.keyboard.press("Escape");
}

test("two corners down at once: the module's ground is measured once, speaks at both, and comes to one bill", async ({
  page,
}) => {
  await page.goto("/");
  await expect(page.getByText("Corrin Fulmar 33").last()).toBeVisible();
  await onBench(page, "demo-fulmar");
  const whole = page.getByRole("region", { name: "The whole car" });
  await expect(whole.getByRole("listitem")).toHaveCount(2);

  await measured(page, "module.in.earth", "battery.negative", "3.1");
  await page.keyboard.press("Shift+Digit2");
  await expect(page).toHaveURL(/job=demo-fulmar~FR/);
  await expect(log(page).getByText("3.1", { exact: true })).toBeVisible();
  await expect(whole).toContainText("One cause for all of them?");
  await expect(whole).toContainText("module supply or ground");
  await expect(whole).toContainText("All of it repaired, about");

  // Its log is its own: what is measured here is not at the other corner.
  await measured(page, "plug.in.supply", "battery.negative", "9.9");
  await page.reload();
  await expect(log(page).getByText("9.9", { exact: true })).toBeVisible();
  await page.keyboard.press("Shift+Digit1");
  await expect(page).toHaveURL(/job=demo-fulmar$/);
  await expect(log(page).getByText("3.1", { exact: true })).toBeVisible();
  await expect(log(page).getByText("9.9", { exact: true })).toHaveCount(0);
});

test("a corner is taken into work where a code names it, and out again with its log kept", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByText("Osmund Drover 09").last()).toBeVisible();
  await page.goto("/complaint?job=demo-skua");
  await page.getByLabel(/^Trouble codes/).fill("C0034-01");
  await page.getByLabel(/^Trouble codes/).blur();
  await expect(page.getByRole("button", { name: "add FR to this job" })).toBeVisible();
  await page.keyboard.press("Shift+Digit2");
  const corners = page.getByRole("dialog");
  await expect(corners.getByRole("button", { name: /^FR/ })).toContainText("named by C0034");
  await corners.getByRole("button", { name: /^FR/ }).click();
  await expect(page).toHaveURL(/complaint\?job=demo-skua~FR/);
  await expect(page.getByRole("button", { name: "FR front right" })).toHaveAttribute("aria-pressed", "true");
  await expect(page.getByRole("button", { name: "RL rear left" })).toBeDisabled();
  await onBench(page, "demo-skua~FR");
  await measured(page, "plug.in.supply", "battery.negative", "11.2");
  await page.goto("/");
  const row = page.getByRole("listitem").filter({ hasText: "Elverby Skua 03" });
  await expect(row.getByRole("link", { name: "FR" })).toBeVisible();

  await page.goto("/bench?job=demo-skua");
  await expect(page.locator("main[aria-busy=false] [data-hookup]")).toBeVisible();
  await page.getByRole("button", { name: /also in work: front right/ }).click();
  await page.getByRole("button", { name: /remove FR/ }).click();
  await expect(page.getByRole("dialog").getByRole("button", { name: /^FR/ })).toContainText("add this corner");
  await page.getByRole("dialog").getByRole("button", { name: /^FR/ }).click();
  await expect(log(page).getByText("11.2", { exact: true })).toBeVisible();
});

test("a copy that tells it differently is held against what is here, part by part", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByText("Elverby Skua 03").last()).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Export Elverby Skua 03" }).click(),
  ]);
  const text = readFileSync(await file.path(), "utf8");
  const document = JSON.parse(text) as { car: { name: string; plate: string }; entries: unknown[]; stamps?: object };
  const later = new Date(Date.now() + 1000).toISOString();
  const coming = {
    ...document,
    car: { ...document.car, name: "Elverby Skua 3B", plate: "NW 9" },
    entries: [...document.entries, { id: "from-there", at: later, kind: "note", text: "seen by the other shop" }],
    stamps: { ...document.stamps, name: later, plate: later },
  };
  await page.getByLabel("Job file").setInputFiles({
    ...{ name: "skua.json", mimeType: "application/json" },
    buffer: Buffer.from(JSON.stringify(coming)),
  });
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByRole("group", { name: "Car" })).toContainText("Elverby Skua 3B");
  await expect(dialog.getByRole("group", { name: "Car" }).getByRole("radio", { name: /in the file/ })).toBeChecked();
  await dialog.getByRole("group", { name: "Plate" }).getByRole("radio", { name: /^here/ }).check();
  await dialog.getByRole("button", { name: "join them so" }).click();
  await expect(page.getByText("Elverby Skua 3B").last()).toBeVisible();
  await onBench(page, "demo-skua");
  await expect(log(page).getByText("seen by the other shop")).toBeVisible();
  await page.goto("/complaint?job=demo-skua");
  await expect(page.getByLabel("Plate or fleet number")).toHaveValue(document.car.plate);
});
