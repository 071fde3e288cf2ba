import { t } from "../words/words";
import type { Synced } from "./sync-folder";

/** What became of it, in a sentence. */
export function syncedWords({ taken, written, notRead }: Pick<Synced, "taken" | "written" | "notRead">): string {
  const parts = [
    ...(taken > 0 ? [t`${taken} taken in`] : []),
    ...(written > 0 ? [t`${written} written`] : []),
    ...(notRead.length > 0 ? [t`${notRead.length} not read`] : []),
  ];
  return parts.length > 0 ? parts.join(", ") : t`nothing new`;
}
