/** The sound input: a WAV made by a general package, played by the browser's own stand-in device, becomes a capture. */
import { expect, test } from "@playwright/test";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Papa from "papaparse";
import { chunk, median, rootMeanSquare } from "simple-statistics";
import wavefile from "wavefile";

const HERTZ = 120;
const LEVEL = 0.4;
const folder = mkdtempSync(join(tmpdir(), "sound-"));
const file = join(folder, "wheel.wav");
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));
const wav = new wavefile.WaveFile();
const RATE = 48_000;
wav.fromScratch(
  1,
  RATE,
  "16",
  Float64Array.from({ length: 60 * RATE }, (_, i) => 32767 * LEVEL * Math.sin((2 * Math.PI * HERTZ * i) / RATE)),
);
writeFileSync(file, wav.toBuffer());

// The stand-in device plays in real time: on a machine too busy for that, a hole in its sound is a true finding.
test.describe.configure({ retries: 2 });
test.use({
  permissions: ["microphone"],
  launchOptions: {
    executablePath: "/usr/bin/chromium",
    args: [
      "--no-sandbox",
      "--disable-gpu",
      "--use-fake-ui-for-media-stream",
      "--use-fake-device-for-media-stream",
      `--use-file-for-fake-audio-capture=${file}`,
    ],
  },
});

test("is heard, calibrated by a meter's reading, kept as a capture, and reads true in frequency and level", async ({
  page,
}) => {
  await page.goto("/");
  await expect(page.getByText("Osmund Drover 09").last()).toBeVisible();
  await page.goto("/waves?job=demo-drover");
  await page.getByRole("button", { name: "record live" }).waitFor();
  await page.keyboard.press("s");
  const panel = page.getByRole("region", { name: "Sound input" });
  await expect(panel.getByRole("button", { name: "listen", exact: true })).toBeDisabled();
  await expect(panel.getByText(/Never straight to a sensor/)).toBeVisible();
  await panel.getByRole("checkbox").check();
  await panel.getByRole("button", { name: "listen", exact: true }).click();
  const rolling = page.getByRole("region", { name: "Rolling recorder" });
  await expect(rolling).toBeVisible();
  await expect(rolling.getByText(/Not calibrated/).first()).toBeVisible();
  // The meter shows 2 V: the sine's RMS of 0.4/√2 units then stands for them.
  await page.waitForTimeout(5000);
  await rolling.getByRole("textbox").fill("2.00 V");
  await rolling.getByRole("button", { name: "calibrate by it" }).click();
  const said = await rolling.getByText(/one unit of the input is/).textContent();
  const perUnit = Number(/is ([\d.]+) V/.exec(said ?? "")?.[1]);
  expect(Math.abs(perUnit / (2 / (LEVEL / Math.SQRT2)) - 1)).toBeLessThan(0.005);
  await page.waitForTimeout(4000);
  await page.keyboard.press("g");
  await expect(rolling).toBeHidden();
  await expect(page.getByRole("region", { name: "Findings" })).toContainText("Nothing wrong found");
  const [kept] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "CSV" }).click()]);
  const rows = Papa.parse<string[]>(
    readFileSync(await kept.path(), "utf8")
      .split("\n")
      .slice(2)
      .join("\n"),
    {
      skipEmptyLines: true,
    },
  ).data;
  const volts = rows.map((row) => Number(row[1]));
  // A busy machine's stand-in device leaves holes in what it plays: the level is that of the tenths of a second without one.
  const levels = chunk(volts, RATE / 10).map(rootMeanSquare);
  expect(Math.abs(median(levels) / 2 - 1)).toBeLessThan(0.01);
  const rising = volts.flatMap((value, i) => (i > 0 && volts[i - 1]! < 0 && value >= 0 ? [Number(rows[i]![0])] : []));
  const hertz = 1 / median(rising.slice(1).map((at, i) => at - rising[i]!));
  expect(Math.abs(hertz / HERTZ - 1)).toBeLessThan(0.005);
});
