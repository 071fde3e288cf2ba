import { expect, test } from "@playwright/test";

test.describe("laid in", () => {
  test.use({ serviceWorkers: "allow" });

  test("with the server gone every screen opens again, and the job is there", async ({ page, context }) => {
    await page.goto("/");
    await expect(page.getByText("Osmund Drover 09").last()).toBeVisible();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.reload();
    await context.setOffline(true);
    for (const [address, said] of [
      ["/", "Osmund Drover 09"],
      ["/bench?job=demo-drover", "Next check"],
      ["/waves?job=demo-drover", "Ring clock"],
      ["/look?job=demo-drover", "Eyes and hands"],
      ["/loom?job=demo-drover", "Wire table"],
      ["/close-out?job=demo-drover", "Verdict"],
      ["/reckoner", "Coil at temperature"],
    ] as const) {
      await page.goto(address);
      await expect(page.getByText(said).last()).toBeVisible();
    }
  });
});

test("pages carry a strict policy and the browser finds no breach of it", async ({ page }) => {
  const breaches: string[] = [];
  page.on("console", (message) => /Content Security Policy/i.test(message.text()) && breaches.push(message.text()));
  const answer = await page.goto("/bench?job=demo-pelican");
  const policy = answer!.headers()["content-security-policy"]!;
  expect(policy).toMatch(/script-src 'self' 'nonce-/);
  expect(policy).not.toMatch(/script-src[^;]*unsafe/);
  await expect(page.locator("[data-hookup]").or(page.getByText("not in this browser"))).toBeVisible();
  expect(breaches).toEqual([]);
});

test("in a browser without its large store jobs are still kept, readings and all, or it is told", async ({ page }) => {
  await page.addInitScript(() => Object.defineProperty(window, "indexedDB", { value: undefined }));
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Jobs" }).or(page.getByText("New job")).first()).toBeVisible();
  await page.keyboard.press("n");
  await expect(page.getByRole("heading", { name: "What is known" })).toBeVisible();
  await page.keyboard.press("b");
  await expect(page.locator("main[aria-busy=false] [data-hookup]")).toBeVisible();
  await page.getByLabel("Note").fill("kept without a large store");
  await page.getByRole("button", { name: "note", exact: true }).click();
  const log = page.getByRole("region", { name: "Log" });
  await expect(log).toContainText("kept without a large store");
  await page.waitForTimeout(500);
  await page.reload();
  await expect(log.or(page.getByText(/not in this browser's store/))).toBeVisible();
  await expect(log).toContainText("kept without a large store");
});

test("a browser that forbids every store says so, and works while its page is open", async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, "indexedDB", { value: undefined });
    const denied = () => {
      throw new DOMException("denied", "SecurityError");
    };
    Object.defineProperty(window, "localStorage", { get: denied });
  });
  await page.goto("/");
  await expect(page.getByText(/This browser keeps nothing: allow site data/)).toBeVisible();
  await page.keyboard.press("n");
  await expect(page.getByRole("heading", { name: "What is known" })).toBeVisible();
  await page.getByLabel("Car", { exact: true }).fill("Halmer Teal 40");
  await page.keyboard.press("Tab");
  await page.getByRole("link", { name: /Bench/ }).first().click();
  await expect(page.locator("main[aria-busy=false] [data-hookup]")).toBeVisible();
  await page.getByLabel("Note").fill("held while the page is open");
  await page.getByRole("button", { name: "note", exact: true }).click();
  await page.getByRole("link", { name: /Jobs/ }).first().click();
  await expect(page.getByText("Halmer Teal 40").first()).toBeVisible();
});
