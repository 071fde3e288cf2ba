import { t } from "@/core/words/words";
import type { BoardRow } from "@/core/board/board";
import { formatShare } from "@/core/units/format";

/** What leads at a corner: its share, what it is, and whether it is proven. */
export function LeadWords({ lead }: { lead: NonNullable<BoardRow["lead"]> }) {
  return (
    <>
      <b className="mr-2 tabular-nums">{formatShare(lead.share)}</b>
      {lead.words} {lead.proven && <b className="text-verdigris">{t`✓ proven`}</b>}
    </>
  );
}
