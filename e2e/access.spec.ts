import { expect, test, type Page } from "@playwright/test";
import seriousFindings from "./axe";

const rooms: [address: string, shown: string | RegExp][] = [
  ["/", "Osmund Drover 09"],
  ["/complaint?job=demo-drover", "What is known"],
  ["/look?job=demo-drover", "Eyes and hands"],
  ["/bench?job=demo-drover", "Next check"],
  ["/waves?job=demo-drover", "Ring clock"],
  ["/loom?job=demo-drover", "Wire table"],
  ["/close-out?job=demo-drover", "Verdict"],
  ["/practice", /exercise/i],
  ["/explain", "The meter"],
  ["/library", "Ring cracked"],
  ["/history", "What this shop finds"],
  ["/reckoner", "Coil at temperature"],
  ["/settings", "Look of the screen"],
];

async function enter(page: Page, [address, shown]: (typeof rooms)[number]): Promise<void> {
  await page.goto(address);
  await expect(page.getByText(shown).first()).toBeVisible({ timeout: 60_000 });
}

async function seeded(page: Page): Promise<void> {
  await page.goto("/");
  await expect(page.getByText("Osmund Drover 09").last()).toBeVisible();
}

/** The two looks furthest apart: the two between are made of their colours. */
const looks = [
  { theme: "light", contrast: "usual" },
  { theme: "dark", contrast: "high" },
];
/** 1280 × 800 at 200 % leaves 640 × 400 of the page's own pixels; and a phone. */
const sizes = [
  { width: 640, height: 400 },
  { width: 390, height: 844 },
];

test("every room: nothing serious for a screen reader or weak eyes in either look, nothing to scroll sideways at twice the size and on a phone", async ({
  page,
}) => {
  await seeded(page);
  for (const room of rooms) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await enter(page, room);
    for (const look of looks) {
      await page.evaluate((chosen) => Object.assign(document.documentElement.dataset, chosen), look);
      expect(await seriousFindings(page), `${room[0]} ${look.theme}`).toEqual([]);
    }
    for (const size of sizes) {
      await page.setViewportSize(size);
      // A browser may report a page wider than its window only once it was laid out anew.
      await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
      const content = await page.evaluate(() => document.documentElement.scrollWidth);
      expect(content, `${room[0]} is ${content} wide of ${size.width}`).toBeLessThanOrEqual(size.width + 1);
    }
  }
});

test("the look is chosen in the settings, stands before the first paint, and follows the machine where asked", async ({
  page,
}) => {
  const html = page.locator("html");
  await page.goto("/settings");
  await page.getByRole("button", { name: "dark, for night work" }).click();
  await expect(html).toHaveAttribute("data-theme", "dark");
  await page.getByRole("button", { name: "high contrast" }).click();
  await expect(html).toHaveAttribute("data-contrast", "high");
  await page.goto("/reckoner", { waitUntil: "commit" });
  await expect(html).toHaveAttribute("data-theme", "dark");
  await page.goto("/settings");
  await page.getByRole("button", { name: "as this machine" }).click();
  await expect(html).toHaveAttribute("data-theme", "light");
  await page.emulateMedia({ colorScheme: "dark" });
  await expect(html).toHaveAttribute("data-theme", "dark");
});

test("no key trap: the tab key goes through the Bench and comes round, each stop named and seen", async ({ page }) => {
  await seeded(page);
  await enter(page, ["/bench?job=demo-drover", "Next check"]);
  await expect(page.locator("main[aria-busy=false] [data-hookup]")).toBeVisible({ timeout: 60_000 });
  const names = new Set<string>();
  for (let i = 0; i < 160; i++) {
    await page.keyboard.press("Tab");
    const stop = await page.evaluate(() => {
      const at = document.activeElement as HTMLElement | null;
      if (!at || at === document.body) return "page";
      const label = at.getAttribute("aria-label") ?? at.textContent ?? "";
      return `${at.tagName} ${label.trim() || (at.id && document.querySelector(`label[for=${at.id}]`)?.textContent) || at.getAttribute("title") || ""}`;
    });
    names.add(stop);
    expect(stop.replace(/^\S+ ?/, "") || stop, "a stop without a name").not.toBe("");
    if (i > 20 && stop === "page") break;
  }
  expect(names.size).toBeGreaterThan(25);
  expect(names).toContain("page");
});
