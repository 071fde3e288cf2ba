import { boardState, type BoardRow } from "../board/board";
import type { Job } from "../job/schema";
import { cornerWords } from "../units/corner";
import { formatShare } from "../units/format";
import { t } from "../words/words";

/** One line on another corner of the car for the report of this one. @param job that corner's own */
export function otherCornerLine(job: Job, row: BoardRow): string {
  const corner = cornerWords[job.setup.corner];
  if (!row.lead) return t`${corner}: nothing measured yet`;
  const { words, share, proven } = row.lead;
  if (boardState(job, row) === "repaired") return t`${corner}: repaired (${words})`;
  return proven ? t`${corner}: proven: ${words}` : t`${corner}: most likely ${words} (${formatShare(share)})`;
}
