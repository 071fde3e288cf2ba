import { t } from "@/core/words/words";
import { cornerSetupSchema, type CornerSetup } from "@/core/circuit/setup";
import { firstIssue } from "@/core/job-file/version";
import type { ChangeJob } from "./use-job";
import { toast } from "../keys/toast";

/** Changes the corner's set-up; what does not fit is told and left as it was. */
export function changeSetup(change: ChangeJob, parts: (setup: CornerSetup) => Partial<CornerSetup>): void {
  change((newest) => {
    const parsed = cornerSetupSchema.safeParse({ ...newest.setup, ...parts(newest.setup) });
    if (parsed.success) return { ...newest, setup: parsed.data };
    toast.error(t`Not taken: ${firstIssue(parsed.error)}. The old value stands.`);
    return newest;
  });
}
