import { readFileSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";

test.use({ locale: "de-DE" });

async function opened(page: Page): Promise<void> {
  await page.goto("/");
  await expect(page.getByText("Osmund Drover 09").last()).toBeVisible();
}

test("the line-up answers in German, and a reading with a decimal comma is weighed", async ({ page }) => {
  await opened(page);
  await page.goto("/bench?job=demo-teal");
  await page.locator("main[aria-busy=false] [data-hookup]").waitFor();
  await expect(page.getByTestId("instruction")).toContainText("Zündung");
  await expect(page.getByText(/^Entlastet durch:/).first()).toBeVisible();
  await page.keyboard.type("11,4");
  await expect(page.getByText(/spricht für:/)).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("region", { name: "Protokoll" })).toContainText("11,4");
});

test("the report is set in German, umlauts and all", async ({ page }) => {
  await opened(page);
  await page.goto("/close-out?job=demo-skua");
  await expect(page.getByText(/^✓ Bewiesen:/).first()).toBeVisible();
  const saved = page.waitForEvent("download");
  await page.getByRole("button", { name: "Bericht als PDF" }).click();
  const file = await (await saved).path();
  const document = await getDocument({ data: new Uint8Array(readFileSync(file)), verbosity: 0 }).promise;
  const { items } = await (await document.getPage(1)).getTextContent();
  const text = items.map((item) => ("str" in item ? item.str + (item.hasEOL ? " " : "") : "")).join("");
  for (const word of ["Warum der Wagen kam", "Wie es bewiesen wurde", "Stabilitätsregelung"])
    expect(text).toContain(word);
});

test("English is a key away in the settings and stays", async ({ page }) => {
  await opened(page);
  await page.goto("/settings");
  await page.getByRole("button", { name: "English" }).click();
  await expect(page.getByText("Look of the screen")).toBeVisible();
  await page.goto("/reckoner");
  await expect(page.getByText("Coil at temperature")).toBeVisible();
  await expect(page.locator("html")).toHaveAttribute("lang", "en");
});

test("before any script the server's shell stands in the visitor's language: chosen, else the browser's", async ({
  browser,
}) => {
  const shell = async (locale: string, chosen?: string) => {
    const context = await browser.newContext({ locale, javaScriptEnabled: false });
    if (chosen) await context.addCookies([{ name: "language", value: chosen, domain: "localhost", path: "/" }]);
    const page = await context.newPage();
    await page.goto("/bench?job=demo-teal");
    const said = await page.getByRole("navigation").getByRole("link").allInnerTexts();
    const lang = await page.locator("html").getAttribute("lang");
    const waves = await page.getByRole("link", { name: /Waves|Signale/ }).getAttribute("href");
    await context.close();
    return { lang, said: said.join(" "), waves };
  };
  expect(await shell("de-AT")).toMatchObject({ lang: "de", waves: "/waves?job=demo-teal" });
  expect((await shell("de-AT")).said).toContain("Kabelbaum");
  expect((await shell("fr-FR")).said).toContain("Close-out");
  expect((await shell("de-AT", "en")).lang).toBe("en");
  expect((await shell("en-GB", "de")).said).toContain("Kabelbaum");
});
