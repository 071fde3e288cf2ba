import { t } from "../words/words";
import type { z } from "zod";

type Issue = z.core.$ZodIssue;

/** What is wrong with a value that does not fit, as a person would say it; without its place. */
export function issueWords(issue: Issue): string {
  switch (issue.code) {
    case "too_big":
      return mostWords(issue.origin, Number(issue.maximum));
    case "too_small":
      return leastWords(issue.origin, Number(issue.minimum), issue.inclusive === false);
    case "invalid_type":
      return kindWanted(issue.expected);
    case "invalid_value":
      return t`one of ${issue.values.map(String).join(", ")} is wanted`;
    case "invalid_union":
      return unionWords(issue);
    case "unrecognized_keys":
      return t`${issue.keys.join(", ")} is not known here`;
    case "invalid_format":
      return t`does not read`;
    default:
      // Ours, written beside the schema.
      return issue.message;
  }
}

function mostWords(origin: string, most: number): string {
  if (origin === "string") return t`at most ${most} signs`;
  if (origin === "array") return t`at most ${most} of them`;
  return t`at most ${most}`;
}

function leastWords(origin: string, least: number, more: boolean): string {
  if ((origin === "string" || origin === "array") && least <= 1) return t`is empty`;
  if (origin === "array") return t`at least ${least} of them`;
  return more ? t`more than ${least}` : t`at least ${least}`;
}

function kindWanted(expected: string): string {
  if (expected === "string") return t`a text is wanted`;
  if (expected === "int") return t`a whole number is wanted`;
  if (expected === "number") return t`a number is wanted`;
  if (expected === "array") return t`a list is wanted`;
  return t`${expected} is wanted`;
}

/** Of a union whose kinds are named, the names; of any other, what each way of writing it wants. */
function unionWords(issue: Issue & { code: "invalid_union" }): string {
  if ("options" in issue && Array.isArray(issue.options))
    return t`one of ${issue.options.map(String).join(", ")} is wanted`;
  const ways = issue.errors.flatMap(([first]) => (first ? [issueWords(first)] : []));
  return [...new Set(ways)].join(t` or `) || issue.message;
}
