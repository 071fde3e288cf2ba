import type { Report } from "@/core/report/report";
import type { Sheet } from "@/core/report/hand-over";
import { t } from "@/core/words/words";
import { toast } from "../keys/toast";
import { download } from "./download";

/** Has a report or a sheet set by the server and saves it; a notice where that fails. */
export async function downloadPdf(what: Report | Sheet, fileName: string): Promise<void> {
  try {
    const answer = await fetch("/api/report", { method: "POST", body: JSON.stringify(what) });
    if (!answer.ok) throw new Error(((await answer.json()) as { say: string }).say);
    download(fileName, new Uint8Array(await answer.arrayBuffer()), "application/pdf");
  } catch (error) {
    toast.error(
      t`No PDF: ${error instanceof Error ? error.message : t`the server did not answer`}. Printing this page works without a server.`,
    );
  }
}
