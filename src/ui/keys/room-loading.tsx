import { t } from "@/core/words/words";

/** What stands where a room is about to be, while its script comes. */
export function roomLoading() {
  return <p className="p-16 text-center text-muted" role="status">{t`One moment…`}</p>;
}
