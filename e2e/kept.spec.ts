/** What was typed is kept: a tab killed at once, two tabs on one job, a record that does not read, all jobs out and in again. */
import { expect, test, type BrowserContext, type Page } from "@playwright/test";
import { readFileSync } from "node:fs";

async function bench(context: BrowserContext, id: string): Promise<Page> {
  const page = await context.newPage();
  await page.goto(`/bench?job=${id}`);
  await expect(page.locator("main[aria-busy=false] [data-hookup]")).toBeVisible({ timeout: 60_000 });
  return page;
}

const notes = (page: Page) => page.getByRole("region", { name: "Log" }).locator("li");

test("a tab that is killed in the moment of Enter has lost nothing", async ({ context }) => {
  const first = await context.newPage();
  await first.goto("/");
  await expect(first.getByText("Osmund Drover 09").last()).toBeVisible();
  await first.close();
  let page = await bench(context, "demo-teal");
  let logged = await notes(page).count();
  for (const wait of [0, 0, 1, 5, 20]) {
    await page.keyboard.type("11.2 V");
    await page.keyboard.press("Enter");
    await page.waitForTimeout(wait);
    await page.close({ runBeforeUnload: false });
    page = await bench(context, "demo-teal");
    await expect(notes(page)).toHaveCount(++logged, { timeout: 20_000 });
  }
});

test("two tabs typing in different fields lose neither", async ({ context }) => {
  const first = await context.newPage();
  await first.goto("/");
  await expect(first.getByText("Osmund Drover 09").last()).toBeVisible();
  const second = await context.newPage();
  for (const page of [first, second]) {
    await page.goto("/complaint?job=demo-gannet");
    await expect(page.getByRole("heading", { name: "What is known" })).toBeVisible({ timeout: 60_000 });
  }
  await Promise.all([
    first.getByLabel("Car", { exact: true }).fill("Orrin Gannet 99"),
    second.getByLabel("Plate or fleet number").fill("NW 1"),
  ]);
  await first.waitForTimeout(1500);
  const after = await context.newPage();
  await after.goto("/complaint?job=demo-gannet");
  await expect(after.getByLabel("Car", { exact: true })).toHaveValue("Orrin Gannet 99", { timeout: 60_000 });
  await expect(after.getByLabel("Plate or fleet number")).toHaveValue("NW 1");
});

test("a record that does not read is mended, deleted and brought back; all jobs go out as a file and in again", async ({
  page,
}) => {
  await page.goto("/");
  await expect(page.getByText("Osmund Drover 09").last()).toBeVisible();
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open("tastatura");
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const jobs = open.result.transaction("jobs", "readwrite").objectStore("jobs");
          const get = jobs.get("demo-skua");
          get.onsuccess = () => {
            const put = jobs.put(
              { ...get.result, id: "torn", car: { name: "Torn Skua", plate: "P".repeat(51) } },
              "torn",
            );
            put.onsuccess = () => {
              open.result.close();
              resolve();
            };
          };
        };
      }),
  );
  await page.reload();
  await expect(page.getByText(/A stored job \(torn\) cannot be read/)).toBeVisible();
  await page.getByRole("button", { name: "mend what can be" }).click();
  await expect(page.getByText("Torn Skua").first()).toBeVisible();
  await page.getByRole("button", { name: "Delete Torn Skua" }).click();
  await expect(page.getByText("Torn Skua deleted.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Delete Torn Skua" })).toHaveCount(0);
  await page.getByRole("button", { name: "undo" }).click();
  await expect(page.getByRole("button", { name: "Delete Torn Skua" })).toBeVisible();
  await page.getByLabel("Find").fill("torn");
  await expect(page.getByRole("link", { name: /^Open/ })).toHaveCount(1);
  await page.goto("/settings");
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "all jobs as a file" }).click(),
  ]);
  await page.goto("/");
  await page.getByRole("button", { name: "Delete Torn Skua" }).click();
  await expect(page.getByRole("button", { name: "Delete Torn Skua" })).toHaveCount(0);
  const all = readFileSync(await file.path());
  await page.getByLabel("Job file").setInputFiles({ name: "all.json", mimeType: "application/json", buffer: all });
  await expect(page.getByText(/jobs are on the board/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Delete Torn Skua" })).toBeVisible();
});
