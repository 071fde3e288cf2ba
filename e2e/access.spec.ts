import { expect, test, type Page } from "@playwright/test";

async function seeded(page: Page): Promise<void> {
  await page.goto("/");
  await expect(page.getByText("Osmund Drover 09").last()).toBeVisible();
}

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
  await page.goto("/bench?job=demo-drover");
  await expect(page.locator("main[aria-busy=false] [data-hookup]")).toBeVisible();
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
