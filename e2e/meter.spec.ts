/** A meter that sends its readings: the simulated one, one on a serial port that is stood in for, and one that only sends lines. */
import { expect, test, type Page } from "@playwright/test";
import type { Job } from "../src/core/job/schema";
import { storedJob } from "./stored-job";

const JOB = "demo-skua";

async function atDcVolts(page: Page): Promise<void> {
  await page.goto("/");
  await expect(page.getByText("Elverby Skua 03").last()).toBeVisible();
  await page.goto(`/bench?job=${JOB}`);
  await expect(page.locator("main[aria-busy=false] [data-hookup]")).toBeVisible();
  for (let other = 0; other < 6; other++) {
    if ((await page.locator("[data-hookup]").getAttribute("data-hookup"))!.includes('"volts-dc"')) return;
    await page.keyboard.press("]");
  }
}

const readings = async (page: Page) =>
  ((await storedJob(page, JOB)) as Job).entries.filter(({ kind }) => kind === "reading");

test("the simulated meter shows its reading at the needle, and one key logs it", async ({ page }) => {
  await atDcVolts(page);
  const before = await readings(page);
  await expect(page.getByRole("button", { name: "connect a meter" })).toBeEnabled();
  await page.keyboard.press("m");
  await page.getByRole("button", { name: "simulated bench meter on the simulated car" }).click();
  const bar = page.getByRole("region", { name: "Meter" });
  await expect(bar).toContainText("Simulated bench meter");
  await expect(page.locator("#reading")).toHaveValue(/\d m?V$/);
  const shown = await page.locator("#reading").inputValue();
  await page.getByRole("heading", { name: "Next check" }).click();
  await page.keyboard.press("Enter");
  await expect.poll(async () => (await readings(page)).length).toBe(before.length + 1);
  expect((await readings(page)).at(-1)).toMatchObject({ reading: { instrument: "volts-dc", value: shown } });
  // What is typed by hand stays, whatever the meter shows.
  await expect(page.locator("main[aria-busy=false]")).toBeVisible();
  await expect(async () => {
    await page.locator("#reading").fill("7.77 V");
    expect(await page.locator("#reading").inputValue()).toBe("7.77 V");
  }).toPass();
  await page.waitForTimeout(1500);
  await expect(page.locator("#reading")).toHaveValue("7.77 V");
});

test("a serial meter is asked who it is and set to the check; pulled out, that is said", async ({ page }) => {
  await page.addInitScript(() => {
    const told: string[] = [];
    let sender: ReadableStreamDefaultController<Uint8Array>;
    const say = (text: string) => sender.enqueue(new TextEncoder().encode(`${text}\n`));
    const port = {
      open: ({ baudRate }: { baudRate: number }) => Promise.resolve(void told.push(`open ${baudRate}`)),
      close: () => Promise.resolve(),
      readable: new ReadableStream<Uint8Array>({ start: (own) => void (sender = own) }),
      writable: new WritableStream<Uint8Array>({
        write(bytes) {
          const message = new TextDecoder().decode(bytes).trim();
          told.push(message);
          if (message === "*IDN?") say("Invented,BM 7,0012,1.0");
          if (message === "READ?") say("+1.13500000E+01");
        },
      }),
    };
    Object.defineProperty(navigator, "serial", { value: { requestPort: () => Promise.resolve(port) } });
    Object.assign(window, { told, pull: () => sender.error(new Error("device lost")) });
  });
  await atDcVolts(page);
  await page.getByRole("button", { name: "connect a meter" }).click();
  await page.getByRole("button", { name: "choose the port" }).click();
  await expect(page.getByRole("region", { name: "Meter" })).toContainText("Invented BM 7");
  await expect(page.locator("#reading")).toHaveValue("11.35 V");
  const told = () => page.evaluate(() => (window as unknown as { told: string[] }).told);
  expect(await told()).toEqual(expect.arrayContaining(["open 9600", "*IDN?", "CONF:VOLT:DC", "READ?"]));
  await page.evaluate(() => (window as unknown as { pull: () => void }).pull());
  await expect(page.getByRole("region", { name: "Meter" }).getByRole("alert")).toContainText("no longer answers");
  await page.getByRole("button", { name: "disconnect the meter" }).click();
  await expect(page.getByRole("region", { name: "Meter" })).toHaveCount(0);
});
