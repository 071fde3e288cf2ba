import { t } from "@/core/words/words";
import { boundedBody } from "../bounded-body";
import { reportSchema } from "@/core/report/report";
import { firstIssue, parseJson } from "@/core/job-file/version";
import { UnusableInput } from "@/core/capture/capture";
import { sheetSchema } from "@/core/report/hand-over";
import * as z from "zod/mini";
import { reportPdf } from "./report-pdf";
import { sheetPdf } from "./sheet-pdf";

const LARGEST_BYTES = 2 * 1024 * 1024;

/** A report or a hand-over sheet in, a PDF out; nothing is kept. */
export async function POST(request: Request): Promise<Response> {
  const body = await boundedBody(request, LARGEST_BYTES);
  if (!body.ok) return Response.json({ say: body.say }, { status: body.status });
  try {
    const parsed = z
      .union([sheetSchema, reportSchema])
      .safeParse(parseJson(new TextDecoder().decode(body.bytes), t`the report`));
    if (!parsed.success) return Response.json({ say: firstIssue(parsed.error) }, { status: 400 });
    const pdf = await ("kind" in parsed.data ? sheetPdf(parsed.data) : reportPdf(parsed.data));
    return new Response(pdf as Uint8Array<ArrayBuffer>, {
      headers: { "content-type": "application/pdf", "content-disposition": "attachment; filename=report.pdf" },
    });
  } catch (error) {
    if (error instanceof UnusableInput) return Response.json({ say: error.message }, { status: 400 });
    throw error;
  }
}
