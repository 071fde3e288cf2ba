import { whyNothingKept } from "@/store/shelf";
import { t } from "@/core/words/words";
import { toast } from "../keys/toast";

/** Says, once and until it is closed, that this browser keeps nothing, and the way out; nothing where it does keep. */
export function tellIfNothingKept(): void {
  if (whyNothingKept() === null) return;
  toast.error(
    t`This browser keeps nothing: allow site data for this page, or export each job before it is closed or loaded anew.`,
    { id: "keeps-nothing", duration: Infinity },
  );
}
