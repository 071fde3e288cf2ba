/**
 * The Bench as a hand feels it, in Chromium on the built app: key to needle, Enter to new ranking and to next check,
 * blocked main thread, layout shift. Baseline in the same run: a key to the next drawn frame on an empty page.
 * usage: npm run bench:screen   (build first)
 */
import { chromium, type Page } from "@playwright/test";
import { answers, serve } from "../scripts/run.mjs";

const PORT = 4177;
const server = serve(PORT);
const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium",
  args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
});
try {
  if (!(await answers(`http://localhost:${PORT}/`))) throw new Error("the built app does not answer; build it first");
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const empty = await keyToFrame(page);
  // What esbuild leaves in functions it names.
  await page.addInitScript("globalThis.__name = (named) => named");
  await page.addInitScript(watch);
  await page.goto(`http://localhost:${PORT}/`);
  await page.getByText("Tarnwick Pelican 14").last().waitFor();
  await page.keyboard.press("n");
  await page.getByRole("heading", { name: "What is known" }).waitFor();
  await page.keyboard.press("b");
  await settled(page);
  const times: Record<string, number[]> = {};
  const note = (name: string, ms: number | null) => ms !== null && (times[name] ??= []).push(ms);
  for (let step = 0; step < 8; step++) {
    const worded = await page.getByRole("group", { name: "Answers" }).count();
    if (worded) await page.keyboard.press("0");
    else
      for (const digit of ["1", "1", ".", "4"]) {
        await page.keyboard.press(digit);
        await page.waitForTimeout(120);
        note("key to needle", await page.evaluate(() => window.watched.needleMs()));
      }
    if (worded) {
      await page.keyboard.press("Control+A");
      await page.keyboard.press("1");
    }
    await page.evaluate(() => window.watched.reset());
    await page.keyboard.press("Enter");
    await page.waitForTimeout(50);
    await settled(page);
    note("Enter to new ranking", await page.evaluate(() => window.watched.rankingMs()));
    note("Enter to next check", await page.evaluate(() => window.watched.checkMs()));
  }
  const { shift, longest } = await page.evaluate(() => window.watched.page());
  console.log("median ms (least – most)");
  for (const [name, all] of [["baseline: key to frame, empty page", empty] as const, ...Object.entries(times)]) {
    const sorted = all.toSorted((a, b) => a - b);
    console.log(
      `${name.padEnd(40)} ${sorted[sorted.length >> 1]!.toFixed(1).padStart(7)}  (${sorted[0]!.toFixed(1)} – ${sorted.at(-1)!.toFixed(1)}, ${all.length})`,
    );
  }
  console.log(`largest layout shift of a card's change ${shift.toFixed(3)}; longest task ${longest.toFixed(0)} ms`);
} finally {
  await browser.close();
  server.kill();
}

async function settled(page: Page): Promise<void> {
  await page.locator("main[aria-busy=false] [data-hookup]").waitFor({ timeout: 60_000 });
}

async function keyToFrame(page: Page): Promise<number[]> {
  await page.setContent("<p>empty</p>");
  await page.evaluate(() => {
    const all: number[] = [];
    Object.assign(window, { all });
    addEventListener("keydown", ({ timeStamp }) =>
      requestAnimationFrame(() => all.push(performance.now() - timeStamp)),
    );
  });
  for (let i = 0; i < 20; i++) {
    await page.keyboard.press("1");
    await page.waitForTimeout(30);
  }
  return page.evaluate(() => (window as unknown as { all: number[] }).all);
}

declare global {
  interface Window {
    watched: {
      needleMs(): number | null;
      rankingMs(): number | null;
      checkMs(): number | null;
      reset(): void;
      page(): { shift: number; longest: number };
    };
  }
}

/** Runs in the page: when the needle, the suspects and the card last changed, counted from the key. */
function watch(): void {
  let [key, needle, ranking, check, shift, longest] = [0, 0, 0, 0, 0, 0];
  const shifts: number[] = [];
  addEventListener("keydown", ({ timeStamp }) => (key = timeStamp), true);
  new MutationObserver((changes) => {
    const now = performance.now();
    for (const { target, addedNodes } of changes) {
      const element = target instanceof Element ? target : target.parentElement;
      if (
        element?.matches("[data-needle]") ||
        [...addedNodes].some((node) => (node as Element).matches?.("[data-needle]"))
      )
        needle = now;
      if (ranking < key && element?.closest("[aria-label=Suspects]")) ranking = now;
      if (check < key && element?.matches("[data-hookup]")) check = now;
    }
  }).observe(document, { subtree: true, childList: true, characterData: true, attributes: true });
  new PerformanceObserver((list) => {
    // Those right after a key count too: it is the card's own change that must move nothing.
    for (const entry of list.getEntries() as (PerformanceEntry & { value: number })[]) shift += entry.value;
  }).observe({ type: "layout-shift", buffered: false });
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) longest = Math.max(longest, duration);
  }).observe({ type: "longtask", buffered: false });
  const since = (at: number) => (at >= key ? at - key : null);
  window.watched = {
    needleMs: () => since(needle),
    rankingMs: () => since(ranking),
    checkMs: () => since(check),
    reset: () => void (shifts.push(shift), (shift = 0)),
    page: () => ({ shift: Math.max(shift, ...shifts.slice(1)), longest }),
  };
}
