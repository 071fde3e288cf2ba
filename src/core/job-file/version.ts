import { t } from "../words/words";
import type { z } from "zod";
import { issueWords } from "../units/issue-words";
import { UnusableInput } from "../capture/capture";

/** Refuses a document of another kind or version by name. @throws UnusableInput saying which it is and which is read */
export function checkVersion(parsed: unknown, wanted: string, name: string, what: string): void {
  const version = versionOf(parsed);
  if (version === null)
    throw new UnusableInput(
      t`${name} is JSON, but no ${what}: it has no “tastatura” field. Choose a file exported from here.`,
    );
  if (version !== wanted)
    throw new UnusableInput(
      t`${name} is of version “${version.slice(0, 30)}”; this program reads “${wanted}”. Update the program, or export again from the older one.`,
    );
}

/** What a document says it is; null where it says nothing. */
export function versionOf(parsed: unknown): string | null {
  return typeof parsed === "object" && parsed !== null && "tastatura" in parsed ? String(parsed.tastatura) : null;
}

/** Parses JSON with a sentence instead of a parser's message. @throws UnusableInput */
export function parseJson(text: string, name: string): unknown {
  if (text.trim() === "") throw new UnusableInput(t`${name} is empty. Export it again.`);
  try {
    return JSON.parse(text);
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    const cut = /[{[]/.test(text.trim()[0] ?? "") && !/[}\]]\s*$/.test(text);
    throw new UnusableInput(
      cut
        ? t`${name} is cut short: it ends in the middle. Copy or export the whole file again.`
        : t`${name} is not JSON text. Choose a file exported from here.`,
      { cause: error },
    );
  }
}

/** The first thing wrong, with its place in the file. */
export function firstIssue(error: z.core.$ZodError): string {
  const issue = error.issues[0]!;
  const where = issue.path.map(String).join(".");
  return `${where || t`the file`}: ${issueWords(issue)}`;
}
