import PDFDocument from "pdfkit";
import type { Sheet } from "@/core/report/hand-over";
import { registerFaces, write } from "./faces";
import { bullet, collect, MARGIN, pageHead, section } from "./report-pdf";

const WARNING = "#a53a25";

/** Sets a hand-over sheet as PDF: heads and lines, a warning first. */
export async function sheetPdf(sheet: Sheet): Promise<Uint8Array> {
  const { warning, parts } = sheet;
  const page = new PDFDocument({ size: "A4", margin: MARGIN, info: { Title: sheet.car, Producer: "Tastatura" } });
  const done = collect(page);
  registerFaces(page);
  pageHead(page, sheet);
  if (warning) write(page.moveDown(0.5).fontSize(13).fillColor(WARNING), "bold", warning, { x: MARGIN });
  for (const { head, lines } of parts) {
    if (lines.length === 0) continue;
    section(page, head);
    lines.forEach((text) => bullet(page, text));
  }
  page.end();
  return done;
}
