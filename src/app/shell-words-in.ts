import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { shellWords, type ShellWords } from "@/ui/keys/shell";
import { spokenIn, type Catalogue } from "@/words/tongue";

const said = new Map<string, ShellWords>();

/** The words of the shell in one of our languages, from the catalogue the build laid beside the pages; made once. */
export function shellWordsIn(language: string): ShellWords {
  const known = said.get(language);
  if (known) return known;
  const file = join(process.cwd(), "public/words", `${language}.json`);
  const catalogue = existsSync(file) ? (JSON.parse(readFileSync(file, "utf8")) as Catalogue) : null;
  const words = spokenIn(catalogue, shellWords);
  said.set(language, words);
  return words;
}
