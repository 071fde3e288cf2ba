import { expect, test, type Page } from "@playwright/test";
import { readFileSync } from "node:fs";

async function board(page: Page): Promise<void> {
  await page.goto("/");
  await expect(page.getByText("Osmund Drover 09").last()).toBeVisible();
}

/** Opens a practice car from its file. */
async function openExercise(page: Page, more: { two?: boolean }): Promise<void> {
  const exercise = { tastatura: "exercise/1", seed: 77, family: "passive", skill: "sensor and ring", ...more };
  await page.goto("/practice");
  await page.getByLabel("Exercise file").setInputFiles({
    name: "e.json",
    mimeType: "application/json",
    buffer: Buffer.from(JSON.stringify(exercise)),
  });
}

/** Presses “read it” and Enter until something is proven. */
/** Takes what is proposed until a part is proven; the other checks are turned to while the first is no such instrument. */
async function measureOn(page: Page, most: number, only?: string): Promise<number> {
  for (let readings = 0; readings < most; readings++) {
    await expect(page.locator("main[aria-busy=false] [data-hookup]")).toBeVisible();
    if (await page.getByText(/^✓ Proven:/).isVisible()) return readings;
    const count = await page.getByRole("region", { name: "Log" }).locator("li").count();
    for (let turned = 0; only && turned < 6 && (await proposedInstrument(page)) !== only; turned++)
      await page.keyboard.press("]");
    if (only) expect(await proposedInstrument(page)).toBe(only);
    await page.keyboard.press("i");
    await expect(page.getByRole("textbox", { name: /^Reading/ })).not.toHaveValue("");
    await page.keyboard.press("Enter");
    await expect(page.getByRole("region", { name: "Log" }).locator("li")).toHaveCount(count + 1);
    await page.keyboard.press("Escape");
  }
  await expect(page.getByText(/^✓ Proven:/)).toBeVisible();
  return most;
}

async function proposedInstrument(page: Page): Promise<string> {
  const hookup = JSON.parse((await page.locator("[data-hookup]").getAttribute("data-hookup"))!) as {
    instrument: string;
  };
  return hookup.instrument;
}

/** A job on a simulated car with a wire corroded through on the frame rail. */
function frameRailJob(): Buffer {
  return Buffer.from(
    JSON.stringify({
      tastatura: "job/4",
      id: "rail",
      createdAt: "2026-11-25T08:00:00.000Z",
      car: { name: "Rail whole" },
      setup: {
        corner: "RL",
        family: "active-2wire",
        sense: "low",
        supplyV: 12,
        path: [
          { station: "module", accessMin: 35 },
          { spanM: 1.4, mm2: 0.5 },
          { station: "c1", accessMin: 4 },
          { spanM: 3.2, mm2: 0.5, landmark: "frame rail top", exposure: 3 },
          { station: "plug", accessMin: 7 },
        ],
      },
      complaint: { codes: ["C0037-13"] },
      policy: { approach: "information", pierce: false },
      entries: [],
      simulated: { fault: "wire-open@span2.return", seed: 77 },
    }),
  );
}

test("loom: a wire corroded through on the frame rail is found from voltages alone, without piercing", async ({
  page,
}) => {
  await board(page);
  await page
    .getByLabel("Job file")
    .setInputFiles({ name: "rail.json", mimeType: "application/json", buffer: frameRailJob() });
  await expect(page.getByText("Rail whole").first()).toBeVisible();
  await page.goto("/bench?job=rail");
  expect(await measureOn(page, 10, "volts-dc")).toBeLessThanOrEqual(10);
  await expect(page.getByText(/^✓ Proven:/)).toContainText(/return wire open/);
  await page.goto("/loom?job=rail");
  await expect(page.getByText("Return wire open in span 2, frame rail top", { exact: true })).toBeVisible();
  const logged = await page.evaluate(() => document.body.innerText);
  expect(logged).not.toContain("Holes to seal");
  await page.getByRole("textbox", { name: "supply end to end" }).fill("0.3");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "✓ 0.3" })).toBeVisible();
  const map = page.getByRole("region", { name: "Loom map" });
  await map.getByRole("button", { name: "add a connector" }).click();
  await expect(map.getByText("connector C2")).toBeVisible();
  await expect(page.getByRole("region", { name: "Wire table" })).toBeVisible();
});

test("look: one key an item, a log weighed in, a bad one refused", async ({ page }) => {
  await board(page);
  await page.goto("/look?job=demo-teal");
  await expect(page.getByText("13 to see").or(page.getByText("14 to see"))).toBeVisible();
  // The keys are listened to a moment after the sheet is drawn.
  await page.waitForTimeout(500);
  await page.keyboard.press("1");
  await expect(page.getByText(/^1 of 1\d seen/)).toBeVisible();
  await page.keyboard.press("0");
  await expect(page.getByText("could not see", { exact: true }).last()).toBeVisible();
  const rows = ["time;FL km/h;FR km/h;RL km/h;RR km/h"];
  for (let i = 0; i < 90; i++) rows.push(`${i};${20 + (i % 7)};0;${20 + (i % 7)};${20 + (i % 7)}`);
  const log = page.getByLabel("Speed log file");
  await log.setInputFiles({ name: "bad.csv", mimeType: "text/csv", buffer: Buffer.from("a,b\n1,2") });
  await expect(page.getByRole("alert").filter({ hasText: "no row names the wheels" })).toBeVisible();
  await log.setInputFiles({ name: "drive.csv", mimeType: "text/csv", buffer: Buffer.from(rows.join("\n")) });
  await page.getByRole("button", { name: /Use this result: front right stays at zero/ }).click();
  await expect(page.getByText("✓ Result used.")).toBeVisible();
});

test("waves: a spin of the simulated wheel is folded, shown turn by turn and weighed in", async ({ page }) => {
  await board(page);
  await page.goto("/waves?job=demo-pelican");
  await expect(page.getByText("No capture in this job yet")).toBeVisible();
  await page.keyboard.press("r");
  await expect(
    page
      .getByRole("region", { name: "Findings" })
      .getByText(/Pulses missing/)
      .first(),
  ).toBeVisible();
  await expect(page.getByRole("img", { name: /Ring raster: \d+ turns of 48 teeth, marked at tooth/ })).toBeVisible();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("f");
  await page.keyboard.press("Enter");
  await expect(page.getByText("✓ Result used.")).toBeVisible();
});

test("practice: a car is diagnosed and the debrief says how it went", async ({ page }) => {
  await openExercise(page, {});
  await measureOn(page, 12);
  const lead = await page.locator("[data-suspect]").first().getAttribute("data-suspect");
  await page.getByLabel("Part and place at fault").selectOption(lead!);
  await page.getByRole("button", { name: "name it" }).click();
  await expect(page.getByRole("heading", { name: /✓ Right: it was/ })).toBeVisible();
  await page.goto("/practice");
  await expect(page.getByRole("region", { name: "Scores so far" }).locator("li")).toHaveCount(1);
});

test("practice: a car that may have two faults goes on after the first is named, until it is called right", async ({
  page,
}) => {
  await openExercise(page, { two: true });
  await measureOn(page, 12);
  const panel = page.getByRole("region", { name: "Practice" });
  await panel.getByLabel("Part and place at fault").selectOption({ index: 1 });
  await panel.getByRole("button", { name: "name it" }).click();
  await expect(panel.getByText(/It is repaired\. Measure on/)).toBeVisible();
  await expect(panel.getByLabel("Part and place at fault")).toBeVisible();
  await panel.getByRole("button", { name: /the car is right/ }).click();
  await expect(page.getByRole("heading", { name: /it was/ })).toBeVisible();
});

test("practice badly done: a part named on no reading at all is told so, with what guessing costs", async ({
  page,
}) => {
  await openExercise(page, {});
  await expect(page.locator("main[aria-busy=false] [data-hookup]")).toBeVisible();
  await page.getByLabel("Part and place at fault").selectOption("channel-deaf@module-input");
  await page.getByRole("button", { name: "name it" }).click();
  await expect(page.getByRole("heading", { name: /✕ Not that: it was/ })).toBeVisible();
  await expect(page.getByText(/named on few readings/)).toBeVisible();
});

test("what the simulated car shows is drawn, its drive is judged, and the library is searched", async ({ page }) => {
  await board(page);
  await page.goto("/look?job=demo-pelican");
  await page.getByRole("button", { name: "drive the simulated car" }).click();
  await expect(
    page
      .getByRole("region", { name: "Live data" })
      .getByText(/Rear right/)
      .first(),
  ).toBeVisible();
  await page.getByRole("button", { name: "watch it live" }).click();
  await expect(page.getByRole("region", { name: "Live from the simulated bus" }).getByText("rear right")).toBeVisible();
  await page.getByRole("button", { name: "throw away" }).click();
  await page.getByRole("button", { name: "log its bus" }).click();
  const bus = page.getByRole("region", { name: "Bus log" });
  await expect(bus.getByText(/These places move alike/)).toBeVisible();
  await bus.getByLabel("The speedometer's highest was, km/h").fill("52");
  await page.keyboard.press("Enter");
  await expect(bus.getByText(/Highest: 5[12]\.\d km\/h/)).toBeVisible();
  await bus.getByRole("button", { name: "judge these speeds" }).click();
  await expect(bus).toHaveCount(0);
  await expect(page.getByRole("button", { name: /Use this result: rear right/i })).toBeVisible();
  // Where the wheels stand in its frames goes with the car's model, in its file too.
  await page.goto("/complaint?job=demo-pelican");
  const saved = page.waitForEvent("download");
  await page.getByRole("region", { name: "Car profiles" }).getByRole("button", { name: "as a file" }).click();
  const { busMap } = JSON.parse(readFileSync(await (await saved).path(), "utf8")) as { busMap?: { wheels: object } };
  expect(Object.keys(busMap?.wheels ?? {})).toHaveLength(4);
  await page.goto("/library");
  await page.getByLabel("Search the library").fill("bad crack");
  await expect(page.getByText("Ring cracked")).toBeVisible();
  await expect(page.getByText("Gap too wide")).toHaveCount(0);
  await page.goto("/bench?job=demo-pelican");
  await expect(page.locator("main[aria-busy=false] [data-hookup]")).toBeVisible();
  await page.locator('[data-point="c1.out.supply"]').click();
  await page.locator('[data-point="c1.out.return"]').click();
  await page.getByLabel("Instrument").selectOption("lamp");
  await page.getByRole("button", { name: /read here/ }).click();
  await page.keyboard.type("1");
  await page.keyboard.press("Enter");
  await expect(page.locator("#meaning").getByText(/No lamp or jumper into a connected module/)).toBeVisible();
});

test("the analysis answers over HTTP as on the command line, and refuses what it cannot use", async ({ request }) => {
  const csv = readFileSync("public/demo/tarnwick-pelican-14-rr.csv");
  const good = await request.post("/api/analyze?pulses=48&family=active-2wire", { data: csv });
  expect(good.status()).toBe(200);
  expect(JSON.stringify(await good.json())).toContain("missing-pulses");
  const bad = await request.post("/api/analyze", { data: Buffer.from("dear diary") });
  expect(bad.status()).toBe(400);
  expect(((await bad.json()) as { say: string }).say).toMatch(/no rows of numbers/);
  expect((await request.post("/api/analyze?pulses=3", { data: csv })).status()).toBe(400);
});

test("waves: markers read time and speed, and the rolling recorder is stopped and kept", async ({ page }) => {
  await board(page);
  await page.goto("/waves?job=demo-pelican");
  await expect(page.getByRole("button", { name: /roll live/ })).toBeVisible();
  await page.keyboard.press("g");
  const rolling = page.getByRole("region", { name: "Rolling recorder" });
  await expect(rolling.getByText(/missing at the same place/)).toBeVisible();
  await page.keyboard.press("g");
  await expect(rolling).toBeHidden();
  await expect(page.getByRole("region", { name: "Ring raster" })).toBeVisible();
  await page.keyboard.press("m");
  const read = page.getByLabel("Between the markers");
  await expect(read).toContainText(/pulses at [\d.]+ Hz/);
  await expect(read).toContainText(/[78]\.\d km\/h/);
  const before = await read.innerText();
  await page.keyboard.press("Control+Shift+ArrowLeft");
  await expect(read).not.toHaveText(before);
  await page.keyboard.press("m");
  await expect(read).toBeHidden();
});

test("a long recording tells how far it is read, can be given up, and leaves what was open", async ({ page }) => {
  await board(page);
  await page.goto("/waves?job=demo-pelican");
  await expect(page.getByRole("button", { name: /roll live/ })).toBeVisible();
  await page.keyboard.press("r");
  await expect(page.getByRole("region", { name: "Ring raster" })).toBeVisible();
  const recording = (rows: number) => ({
    name: "long.csv",
    mimeType: "text/csv",
    buffer: Buffer.from(
      `time (s),signal (V)\n${Array.from({ length: rows }, (_, i) => `${(i / 50_000).toFixed(5)},${i % 900 < 450 ? "0.8412" : "1.6603"}`).join("\n")}`,
    ),
  });
  await page.getByLabel("Capture file").setInputFiles(recording(700_000));
  await page.getByRole("button", { name: "stop reading" }).click();
  await expect(page.getByRole("button", { name: "stop reading" })).toBeHidden();
  await expect(page.getByText("Pulses missing, same place each turn").first()).toBeVisible();
  await page.keyboard.press("f");
  await page.getByLabel("Capture file").setInputFiles(recording(100_000));
  await expect(page.getByText(/Pulses\s*11\d/)).toBeVisible();
});

test("loom: the diagram's page is kept, a terminal tapped on it is found again, and the model's next car has it too", async ({
  page,
}) => {
  await board(page);
  await page.goto("/loom?job=demo-pelican");
  await page.getByText("pin order not known").click();
  await page.getByLabel("volts at terminal 1").fill("0.84 / 1.68");
  await page.getByLabel("volts at terminal 2").fill("11.2");
  await page.getByRole("button", { name: "name the wires" }).click();
  await expect(page.getByText("2 is supply: holds 11.2 V.")).toBeVisible();
  await expect(page.getByLabel("supply terminal at plug")).toHaveValue("2");
  await page.getByLabel("Diagram file").setInputFiles("docs/screenshots/loom.png");
  const picture = page.getByRole("img", { name: /^Wiring diagram/ });
  await expect(picture).toBeVisible();
  await page.getByRole("button", { name: /C1 supply/ }).click();
  await picture.click({ position: { x: 40, y: 30 }, force: true });
  await page.reload();
  await page
    .getByRole("region", { name: "Wiring diagram" })
    .getByRole("button", { name: "C1 supply, on the picture" })
    .click();
  await expect(page.getByText(/Tap on the picture where C1, supply is drawn/)).toBeVisible();
  await page.goto("/complaint?job=demo-pelican");
  await page.getByRole("button", { name: "keep this set-up" }).click();
  await expect(page.getByText("Kept for the next car of this model.")).toBeVisible();
  await page.goto("/complaint?job=demo-teal");
  await page.getByLabel("Use a car profile").selectOption({ label: "Tarnwick Pelican" });
  await page.goto("/loom?job=demo-teal");
  await expect(page.getByRole("img", { name: "Wiring diagram, loom.png" })).toBeVisible();
});
