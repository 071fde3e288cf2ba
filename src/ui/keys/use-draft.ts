import { useState } from "react";
import { draftOf, dropDraft, keepDraft } from "@/store/drafts";

/** What is typed in a field and not yet taken; null when it shows what is stored. It outlives the tab. */
export function useDraft(field: string): { draft: string | null; type: (text: string) => void; drop: () => void } {
  const [draft, setDraft] = useState(() => draftOf(field));
  return {
    draft,
    type: (text) => {
      keepDraft(field, text);
      setDraft(text);
    },
    drop: () => {
      dropDraft(field);
      setDraft(null);
    },
  };
}
