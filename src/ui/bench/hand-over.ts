import { errorWords } from "@/core/words/error-words";
import type { Diagnosis } from "@/core/bench/diagnosis";
import type { Job } from "@/core/job/schema";
import { t } from "@/core/words/words";
import { toast } from "../keys/toast";

/** One page for the next shift, saved as PDF; what makes it is loaded when it is asked for. */
export async function handOver(job: Job, diagnosis: Diagnosis): Promise<void> {
  try {
    const [{ handOverOf }, { downloadPdf }] = await Promise.all([
      import("@/core/report/hand-over"),
      import("../jobs/download-pdf"),
    ]);
    await downloadPdf(handOverOf(job, diagnosis, new Date()), `${job.car.name || "job"}-hand-over.pdf`);
  } catch (error) {
    toast.error(t`No hand-over sheet: ${errorWords(error)}`);
  }
}
