import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { Catalogue } from "@/words/tongue";

const read = new Map<string, Catalogue | null>();

/** The catalogue of one of our languages as the build laid it beside the pages; null for English. */
export function catalogueOf(language: string): Catalogue | null {
  if (language === "en") return null;
  if (!read.has(language)) {
    const file = join(process.cwd(), "public/words", `${language}.json`);
    read.set(language, existsSync(file) ? (JSON.parse(readFileSync(file, "utf8")) as Catalogue) : null);
  }
  return read.get(language) ?? null;
}
