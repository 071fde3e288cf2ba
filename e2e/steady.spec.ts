import { expect, test, type Page } from "@playwright/test";

/** Where the eye and the hand are: the sentence, the field, and the caps under a reading in numbers, from the page's top. */
async function places(page: Page, worded: boolean): Promise<number[]> {
  const caps = page.getByRole("button", { name: "other checks" });
  const all = [page.getByTestId("instruction"), page.locator("form:has(#reading)"), ...(worded ? [] : [caps])];
  return Promise.all(
    all.map((one) => one.evaluate((element) => Math.round(element.getBoundingClientRect().top + window.scrollY))),
  );
}

/** How much taller the sentence stands than the three lines that are kept for it: a scope's on the supply has its cautions in a fourth. */
const fourthLine = (page: Page) =>
  page.getByTestId("instruction").evaluate((element) => {
    const line = Number.parseFloat(getComputedStyle(element).lineHeight);
    return Math.max(0, Math.round(element.getBoundingClientRect().height - 3 * line));
  });

const isWorded = async (page: Page) => (await page.getByRole("group", { name: "Answers" }).count()) > 0;

const ready = (page: Page) => page.locator("main[aria-busy=false] [data-hookup]").waitFor();

test("nothing moves under the hand when the next check comes, on a tablet", async ({ page }) => {
  await page.setViewportSize({ width: 768, height: 1024 });
  await page.goto("/");
  await expect(page.getByText("Tarnwick Pelican 14").last()).toBeVisible();
  await page.keyboard.press("n");
  await page.getByRole("heading", { name: "What is known" }).waitFor();
  await page.keyboard.press("b");
  await ready(page);
  await page.waitForTimeout(1500);
  const instruction = page.getByTestId("instruction");
  for (let step = 0; step < 5; step++) {
    const before = await instruction.textContent();
    const worded = await isWorded(page);
    const inSeries = /"amps-dc"/.test((await page.locator("[data-hookup]").getAttribute("data-hookup")) ?? "");
    await page.locator("#reading").fill(worded ? "1" : inSeries ? "7.2 mA" : "11.4");
    await page.waitForTimeout(400);
    const [stood, stoodOver] = [await places(page, worded), await fourthLine(page)];
    await page.keyboard.press("Enter");
    await expect(instruction).not.toHaveText(before!);
    await ready(page);
    await page.waitForTimeout(500);
    // Many answers push the caps under them: those are compared from one number to the next. Half a line is ten points.
    const stands = await places(page, await isWorded(page));
    const grown = (await fourthLine(page)) - stoodOver;
    for (const [i, top] of stands.entries()) {
      const moved = top - stood[i]! - (i > 0 ? grown : 0);
      if (stood[i] !== undefined) expect(Math.abs(moved), `part ${i} after “${before}”`).toBeLessThan(10);
    }
  }
});

test("the hook-up is drawn on a key", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByText("Tarnwick Pelican 14").last()).toBeVisible();
  await page.goto("/bench?job=demo-teal");
  await ready(page);
  await page.keyboard.press("h");
  await expect(page.getByRole("img", { name: /red on|Meter|scope/ }).first()).toBeVisible();
  await expect(page.getByRole("button", { name: /how to hook up/ })).toHaveAttribute("aria-expanded", "true");
  await page.keyboard.press("h");
  await expect(page.getByRole("button", { name: /how to hook up/ })).toHaveAttribute("aria-expanded", "false");
});
