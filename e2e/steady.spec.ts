import { expect, test, type Page } from "@playwright/test";

/** Sum of what moved on the page since it was last asked, as the browser itself reckons it. */
async function moved(page: Page): Promise<number> {
  return page.evaluate(() => {
    const shifts = (globalThis as unknown as { shifts: number[] }).shifts;
    return shifts.splice(0).reduce((sum, one) => sum + one, 0);
  });
}

const ready = (page: Page) => page.locator("main[aria-busy=false] [data-hookup]").waitFor({ timeout: 60_000 });

for (const [name, viewport] of [
  ["a laptop", { width: 1280, height: 800 }],
  ["a tablet", { width: 768, height: 1024 }],
] as const)
  test(`nothing moves under the hand when the next check comes, on ${name}`, async ({ page }) => {
    await page.setViewportSize(viewport);
    await page.addInitScript(() => {
      const shifts: number[] = [];
      Object.assign(globalThis, { shifts });
      new PerformanceObserver((list) => {
        // Those right after a key count too: it is the card's own change that must move nothing.
        for (const entry of list.getEntries() as (PerformanceEntry & { value: number })[]) shifts.push(entry.value);
      }).observe({ type: "layout-shift", buffered: false });
    });
    await page.goto("/");
    await expect(page.getByText("Tarnwick Pelican 14").last()).toBeVisible({ timeout: 60_000 });
    await page.keyboard.press("n");
    await page.getByRole("heading", { name: "What is known" }).waitFor();
    await page.keyboard.press("b");
    await ready(page);
    await page.waitForTimeout(1500);
    const instruction = page.getByTestId("instruction");
    for (let step = 0; step < 5; step++) {
      const before = await instruction.textContent();
      const worded = (await page.getByRole("group", { name: "Answers" }).count()) > 0;
      await page.locator("#reading").fill(worded ? "1" : "11.4");
      await page.waitForTimeout(400);
      await moved(page);
      await page.keyboard.press("Enter");
      await expect(instruction).not.toHaveText(before!, { timeout: 60_000 });
      await ready(page);
      await page.waitForTimeout(500);
      // The needle and figures set to the right move by themselves, and many answers push what lies under the card;
      // the card moved by one line would be three times this.
      expect(await moved(page), `after “${before}”`).toBeLessThan(0.02);
    }
  });

test("the hook-up is drawn on a key", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByText("Tarnwick Pelican 14").last()).toBeVisible({ timeout: 60_000 });
  await page.goto("/bench?job=demo-teal");
  await ready(page);
  await page.keyboard.press("h");
  await expect(page.getByRole("img", { name: /red on|Meter|scope/ }).first()).toBeVisible();
  await expect(page.getByRole("button", { name: /how to hook up/ })).toHaveAttribute("aria-expanded", "true");
  await page.keyboard.press("h");
  await expect(page.getByRole("button", { name: /how to hook up/ })).toHaveAttribute("aria-expanded", "false");
});
