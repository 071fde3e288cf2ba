import type { Page } from "@playwright/test";
import { readFileSync } from "node:fs";
import { createRequire } from "node:module";

const source = readFileSync(createRequire(`${process.cwd()}/`).resolve("axe-core/axe.min.js"), "utf8");

/** Serious and critical findings of axe-core on the page as it stands, one line each. @param rules only these, where not all */
export default async function seriousFindings(page: Page, rules?: string[]): Promise<string[]> {
  await page.evaluate(source);
  return page.evaluate(async (only) => {
    const { axe } = window as unknown as {
      axe: {
        run: (
          options: object,
        ) => Promise<{ violations: { id: string; impact: string; nodes: { target: string[] }[] }[] }>;
      };
    };
    const { violations } = await axe.run(only ? { runOnly: only } : {});
    return violations
      .filter(({ impact }) => impact === "serious" || impact === "critical")
      .map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(" ")).join(", ")}`);
  }, rules);
}
