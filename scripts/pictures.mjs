/** Takes the pictures of docs/screenshots from the built app with the demo workshop. usage: node scripts/pictures.mjs [name …] */
import { chromium } from "@playwright/test";
import { answers, root, serve } from "./run.mjs";

const PORT = Number(process.env.PORT ?? 4390);
const DESK = { width: 1280, height: 800 };
const shots = [
  ["jobs", "/", DESK, async (page) => page.waitForTimeout(9000)],
  ["complaint", "/complaint?job=demo-drover", DESK],
  ["look", "/look?job=demo-drover", DESK],
  ["bench", "/bench?job=demo-pelican", DESK],
  ["bench-tablet", "/bench?job=demo-drover", { width: 768, height: 1024 }],
  ["bench-phone", "/bench?job=demo-teal", { width: 390, height: 844 }],
  [
    "waves",
    "/waves?job=demo-pelican",
    DESK,
    async (page) => {
      await page.keyboard.press("r");
      await page.getByText("Pulses missing, same place each turn").first().waitFor();
      await page.waitForTimeout(800);
    },
  ],
  [
    "corners",
    "/bench?job=demo-fulmar",
    DESK,
    async (page) => {
      await page.keyboard.press("Shift+Digit4");
      await page.getByRole("region", { name: "The whole car" }).waitFor();
      await page.waitForTimeout(800);
    },
  ],
  ["loom", "/loom?job=demo-skua", DESK],
  [
    "close-out",
    "/close-out?job=demo-skua",
    DESK,
    async (page) =>
      page
        .getByText(/^✓ Proven:/)
        .first()
        .waitFor(),
  ],
  ["practice", "/practice", DESK],
  [
    "debrief",
    "/practice",
    DESK,
    async (page) => {
      const exercise = '{"tastatura":"exercise/1","seed":77,"family":"passive","skill":"sensor and ring"}';
      await page
        .getByLabel("Exercise file")
        .setInputFiles({ name: "e.json", mimeType: "application/json", buffer: Buffer.from(exercise) });
      for (let reading = 0; reading < 5; reading++) {
        await page.locator("main[aria-busy=false] [data-hookup]").waitFor();
        await page.keyboard.press("i");
        await page.waitForTimeout(1200);
        await page.keyboard.press("Enter");
        await page.waitForTimeout(1200);
        await page.keyboard.press("Escape");
      }
      const lead = await page.locator("[data-suspect]").first().getAttribute("data-suspect");
      await page.getByLabel("Part and place at fault").selectOption(lead);
      await page.getByRole("button", { name: "name it" }).click();
      await page.getByText("A colleague would have noticed").or(page.getByText("Score")).first().waitFor();
      await page.waitForTimeout(1000);
    },
  ],
  ["explain", "/explain", DESK],
  ["library", "/library", DESK],
  ["history", "/history", DESK],
  ["settings", "/settings", DESK],
  ["reckoner", "/reckoner", DESK],
];

const server = serve(PORT);
try {
  if (!(await answers(`http://localhost:${PORT}/`))) throw new Error("the app did not start; build it first");
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
  const page = await browser.newPage();
  await page.goto(`http://localhost:${PORT}/`);
  await page.getByText("Osmund Drover 09").last().waitFor();
  const wanted = process.argv.slice(2);
  for (const [name, path, viewport, act] of shots.filter(([name]) => wanted.length === 0 || wanted.includes(name))) {
    await page.setViewportSize(viewport);
    await page.goto(`http://localhost:${PORT}${path}`);
    await page.waitForTimeout(4000);
    await act?.(page);
    await page.screenshot({ path: `${root}docs/screenshots/${name}.png` });
    console.log(name);
  }
  await browser.close();
} finally {
  server.kill();
}
