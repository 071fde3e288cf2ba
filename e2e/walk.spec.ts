import { readFileSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import { po } from "gettext-parser";
import seriousFindings from "./axe";

test.use({ locale: "de-DE" });

const { translations } = po.parse(readFileSync("src/words/de.po"));
const entries = Object.values(translations[""]!).filter(({ msgid }) => msgid);
const german = new Set(entries.flatMap(({ msgstr }) => msgstr));
const inGerman = new Map(entries.map(({ msgid, msgstr }) => [msgid, msgstr[0]!]));
/** English sentences that are no German ones too (“Meter” is both). */
const english = new Set(entries.flatMap(({ msgid }) => (german.has(msgid) ? [] : [msgid])));

/** Every room, and what stands there, in English, once it is whole. */
const rooms: [address: string, whole: string][] = [
  ["/", "Osmund Drover 09"],
  ["/complaint?job=demo-drover", "What is known before measuring"],
  ["/look?job=demo-drover", "Eyes and hands"],
  ["/bench?job=demo-teal", "Next check"],
  ["/bench?job=demo-pelican", "Next check"],
  ["/waves?job=demo-drover", "Ring clock"],
  ["/loom?job=demo-skua", "Wire table"],
  ["/close-out?job=demo-skua", "Verdict"],
  ["/practice", "open an exercise"],
  ["/explain", "The meter"],
  ["/library", "Ring cracked"],
  ["/history", "What this shop finds"],
  ["/reckoner", "Coil at temperature"],
  ["/settings", "Look of the screen"],
];
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

// In German, whose words are the longer ones.
test("every room: in German throughout, nothing serious for a screen reader or weak eyes in either look, nothing to scroll sideways at twice the size and on a phone, no script breaks, nothing leaves the machine", async ({
  page,
}) => {
  const broken: string[] = [];
  page.on("pageerror", ({ message }) => broken.push(message));
  page.on("console", (message) => message.type() === "error" && broken.push(message.text()));
  const hosts = new Set<string>();
  page.on("request", (request) => /^https?:/.test(request.url()) && hosts.add(new URL(request.url()).hostname));
  for (const [address, whole] of rooms) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(address);
    await expect(page.getByText(inGerman.get(whole) ?? whole).last()).toBeVisible();
    if (address.startsWith("/bench")) await page.locator("main[aria-busy=false] [data-hookup]").waitFor();
    await expect(page.locator("html")).toHaveAttribute("lang", "de");
    const left = (await textsOf(page)).filter((text) => english.has(text));
    expect(left, address).toEqual([]);
    for (const [at, look] of looks.entries()) {
      await page.evaluate((chosen) => Object.assign(document.documentElement.dataset, chosen), look);
      // A look changes colours alone.
      const findings = await seriousFindings(page, at === 0 ? undefined : ["color-contrast"]);
      expect(findings, `${address} ${look.theme}`).toEqual([]);
    }
    for (const size of sizes) {
      await page.setViewportSize(size);
      // A browser may report a page wider than its window only once it was laid out anew.
      await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
      const content = await page.evaluate(() => document.documentElement.scrollWidth);
      expect(content, `${address} is ${content} wide of ${size.width}`).toBeLessThanOrEqual(size.width + 1);
    }
  }
  expect(broken).toEqual([]);
  expect([...hosts]).toEqual(["localhost"]);
});

/** Every text and every name for a screen reader on the page. */
function textsOf(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const texts = new Set<string>();
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (walker.nextNode())
      if (!walker.currentNode.parentElement?.closest("script, style"))
        texts.add(walker.currentNode.textContent!.trim());
    for (const element of document.querySelectorAll("[aria-label], [placeholder], [title]"))
      for (const name of ["aria-label", "placeholder", "title"]) texts.add(element.getAttribute(name) ?? "");
    return [...texts];
  });
}
