import { aloneParts } from "../replay/beside";
import type { BoardRow } from "../board/board";
import type { CornerJob } from "../job/corner-in-work";
import type { CornerParts } from "../verdict/car-parts";
import type { Diagnosis } from "./diagnosis";

/** What of a job's diagnosis the board shows, and what the whole car is judged by. */
export function boardRowOf(
  job: CornerJob,
  { suspects, parts, next, common }: Pick<Diagnosis, "suspects" | "parts" | "next" | "common">,
): BoardRow {
  const alone = job.beside && aloneParts(job);
  const [lead] = suspects;
  return {
    lead: lead
      ? {
          ...{ words: lead.words, share: lead.share, proven: lead.verdict === "proven" },
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
