import type { BoardRow } from "../job/board";
import type { Diagnosis } from "./diagnosis";

/** What of a diagnosis the board shows, and what the whole car is judged by. */
export function boardRowOf({
  suspects,
  parts,
  next,
  common,
}: Pick<Diagnosis, "suspects" | "parts" | "next" | "common">): BoardRow {
  const [lead] = suspects;
  return {
    lead: lead
      ? {
          ...{ words: lead.words, share: lead.share, proven: lead.verdict === "proven" },
          ...{ fault: lead.fault, place: lead.place, part: lead.part },
        }
      : null,
    next: next[0]?.label ?? null,
    parts: parts.map(({ part, share, verdict }) => ({ part, share, verdict })),
    common,
  };
}
