import type { BoardRow } from "../board/board";
import { provenWords } from "../verdict/proven-words";
import type { CornerParts } from "../verdict/car-parts";
import type { Diagnosis } from "./diagnosis";

/**
 * What of a job's diagnosis the board shows, and what the whole car is judged by.
 * @param alone what is believed of it by its own log, where other corners are in work too
 */
export function boardRowOf(
  { suspects, parts, next, common }: Pick<Diagnosis, "suspects" | "parts" | "next" | "common">,
  alone?: CornerParts,
): BoardRow {
  const [lead] = suspects;
  const proven = lead?.verdict === "proven" ? provenWords(lead, parts) : null;
  return {
    lead: lead
      ? {
          ...{ words: proven?.heading ?? lead.words, share: proven?.share ?? lead.share, proven: proven !== null },
          ...{ fault: lead.fault, place: lead.place, part: lead.part },
        }
      : null,
    next: next[0]?.label ?? null,
    parts: sharesOf(parts),
    common,
    ...(alone ? { alone: { parts: sharesOf(alone.parts), common: alone.common } } : {}),
  };
}

function sharesOf(parts: CornerParts["parts"]): BoardRow["parts"] {
  return parts.map(({ part, share, verdict }) => ({ part, share, verdict }));
}
