import { expect, test, type Page } from "@playwright/test";
import type { Job } from "../src/core/job/schema";
import { storedJob } from "./stored-job";

/** The browser's private folder in place of one that a person picks. */
async function aMachine(page: Page, person: string): Promise<void> {
  await page.addInitScript(() => {
    const pick = async () => (await navigator.storage.getDirectory()).getDirectoryHandle("share", { create: true });
    Object.assign(window, { showDirectoryPicker: pick });
  });
  await page.goto("/settings");
  await page.getByLabel("Who works here").fill(person);
  await page.getByLabel("Who works here").press("Enter");
  await page.getByRole("button", { name: "choose a folder" }).click();
  await expect(page.getByRole("status").getByText(/Workshop folder “share”: /)).toBeVisible();
}

/** What a service that carries files about does: all of one machine's files to the other's. */
async function carry(from: Page, to: Page): Promise<void> {
  const files = await from.evaluate(async () => {
    const share = await (await navigator.storage.getDirectory()).getDirectoryHandle("share");
    const found: [string, string, number[]][] = [];
    for await (const shelf of share.values())
      if (shelf.kind === "directory")
        for await (const file of (shelf as FileSystemDirectoryHandle).values())
          if (file.kind === "file")
            found.push([
              shelf.name,
              file.name,
              [...new Uint8Array(await (await (file as FileSystemFileHandle).getFile()).arrayBuffer())],
            ]);
    return found;
  });
  await to.evaluate(async (all) => {
    const share = await (await navigator.storage.getDirectory()).getDirectoryHandle("share", { create: true });
    for (const [shelf, name, bytes] of all) {
      const folder = await share.getDirectoryHandle(shelf, { create: true });
      const stream = await (await folder.getFileHandle(name, { create: true })).createWritable();
      await stream.write(new Uint8Array(bytes));
      await stream.close();
    }
  }, files);
}

/** The folder looked into until a job has so many entries here, and all of them were written there. */
async function inStep(page: Page, job: string, entries: number): Promise<void> {
  await page.goto("/settings");
  await expect(page.getByRole("status").getByText(/Workshop folder “share”: /)).toBeVisible();
  await expect(async () => {
    await page.getByRole("button", { name: "look now" }).click();
    expect(((await storedJob(page, job)) as Job | undefined)?.entries.length).toBe(entries);
    await expect(page.getByRole("status").getByText(/nothing new/)).toBeVisible({ timeout: 2_000 });
    expect(await written(page, job)).toBe(entries);
  }).toPass({ timeout: 120_000 });
}

/** How many entries this machine's own file of a job has. */
function written(page: Page, job: string): Promise<number> {
  return page.evaluate(async (id) => {
    const share = await (await navigator.storage.getDirectory()).getDirectoryHandle("share");
    let most = 0;
    for await (const file of (await share.getDirectoryHandle("jobs")).values())
      if (file.kind === "file" && file.name.startsWith(id)) {
        const text = await (await (file as FileSystemFileHandle).getFile()).text();
        // A file that is being written is empty for a moment.
        if (text !== "") most = Math.max(most, (JSON.parse(text) as { entries: unknown[] }).entries.length);
      }
    return most;
  }, job);
}

async function log(page: Page, job: string, typed: string): Promise<void> {
  await page.goto(`/bench?job=${job}`);
  // A note waits for no plan.
  await page.getByRole("textbox", { name: /^Note/ }).fill(typed);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("region", { name: "Log" }).getByText(typed)).toBeVisible();
}

test("two machines on one folder: a job goes over, both write in it, both have all of it and who wrote it", async ({
  browser,
}) => {
  const machines = await Promise.all([1, 2].map(() => browser.newContext()));
  const [anna, ben] = await Promise.all(machines.map((machine) => machine.newPage()));
  await aMachine(anna!, "Anna");
  await aMachine(ben!, "Ben");
  await anna!.goto("/");
  // Keys are heard once the page's own script has drawn its rows.
  await expect(anna!.getByText("Osmund Drover 09").last()).toBeVisible();
  await anna!.keyboard.press("n");
  await expect(anna!.getByRole("heading", { name: "What is known" })).toBeVisible();
  await anna!.keyboard.press("4");
  const job = new URL(anna!.url()).searchParams.get("job")!;
  await log(anna!, job, "scale under the foot");
  await inStep(anna!, job, 1);
  await carry(anna!, ben!);
  await inStep(ben!, job, 1);
  await log(ben!, job, "plug was wet");
  await log(anna!, job, "drove it again");
  await inStep(anna!, job, 2);
  await inStep(ben!, job, 2);
  // With his files her own older one comes back over the newer: it is written once more.
  await carry(ben!, anna!);
  await inStep(anna!, job, 3);
  await carry(anna!, ben!);
  await inStep(ben!, job, 3);
  const [hers, his] = [(await storedJob(anna!, job)) as Job, (await storedJob(ben!, job)) as Job];
  expect(hers.entries).toEqual(his.entries);
  expect(hers.entries.map((entry) => [entry.kind === "note" && entry.text, entry.by])).toEqual([
    ["scale under the foot", "Anna"],
    ["plug was wet", "Ben"],
    ["drove it again", "Anna"],
  ]);
  await ben!.goto("/");
  await expect(ben!.getByText(/^Anna · /)).toBeVisible();
  for (const machine of machines) await machine.close();
});
