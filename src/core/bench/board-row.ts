import type { BoardRow } from "../job/board";
import type { Diagnosis } from "./diagnosis";

/** What of a diagnosis the board shows. */
export function boardRowOf({ suspects, next }: Pick<Diagnosis, "suspects" | "next">): BoardRow {
  const [lead] = suspects;
  return {
    lead: lead ? { words: lead.words, share: lead.share, proven: lead.verdict === "proven" } : null,
    next: next[0]?.label ?? null,
  };
}
