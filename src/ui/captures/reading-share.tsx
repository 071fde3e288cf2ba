import { t } from "@/core/words/words";
import { formatShare } from "@/core/units/format";
import { Cap } from "../keys/cap";

/** How much of a long file is read, with a way out; nothing while none is being read. */
export function ReadingShare({ share, onStop }: { share: number | null; onStop: () => void }) {
  if (share === null) return null;
  return (
    <span className="flex items-center gap-2" role="status">
      <progress value={share} aria-label={t`Read so far`} />
      <span className="font-mono">{formatShare(share)}</span>
      <Cap onClick={onStop}>{t`stop reading`}</Cap>
    </span>
  );
}
