/** The board of a shop: rows kept from one visit to the next, states, archive, the demo taken away in one go. */
import { expect, test } from "@playwright/test";

test("rows are there again without being worked out; jobs are put away and found; the demo goes in one go", async ({
  page,
}) => {
  const undo = (said: string) =>
    page.getByRole("listitem").filter({ hasText: said }).getByRole("button", { name: "undo" }).click();
  await page.goto("/");
  const rows = page.getByRole("listitem").filter({ has: page.getByRole("link", { name: /^Open/ }) });
  await expect(page.getByText("Osmund Drover 09").last()).toBeVisible();
  const count = await rows.count();
  await expect(page.getByText("Working out the suspects…")).toHaveCount(0);
  const said = await rows.allInnerTexts();

  // Nothing is worked out the second time: no worker can even start.
  await page.addInitScript(() => {
    Object.defineProperty(window, "Worker", { value: undefined });
  });
  await page.reload();
  await expect(rows).toHaveCount(count);
  await expect(page.getByText("Working out the suspects…")).toHaveCount(0);
  const again = await rows.allInnerTexts();
  const withoutTime = (texts: string[]) => texts.map((text) => text.split("\n").slice(0, 5).join("|"));
  expect(withoutTime(again)).toEqual(withoutTime(said));

  await page.getByRole("button", { name: "Archive Osmund Drover 09" }).click();
  await expect(rows).toHaveCount(count - 1);
  await page.getByRole("button", { name: /^archived/ }).click();
  const back = page.getByRole("button", { name: "Back on the board: Osmund Drover 09" });
  // One of that name was put away last spring.
  await expect(back).toHaveCount(2);
  await back.first().click();
  await expect(back).toHaveCount(1);
  await undo("is back on the board");
  await expect(back).toHaveCount(2);
  await back.first().click();
  await page.getByRole("button", { name: /^on the board/ }).click();
  await expect(rows).toHaveCount(count);

  await page.getByLabel("Order").selectOption("car");
  const names = (await rows.allInnerTexts()).map((text) => text.split("\n").find((line) => /\w+ \w+ \d+/.test(line))!);
  expect(names).toEqual(names.toSorted((a, b) => a.localeCompare(b, "en", { numeric: true })));

  await page.getByRole("button", { name: "delete the demo's jobs" }).click();
  await expect(page.getByText("No car on the board.")).toBeVisible();
  await undo("jobs deleted");
  await expect(rows).toHaveCount(count);
});
