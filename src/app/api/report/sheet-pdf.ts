import PDFDocument from "pdfkit";
import type { Sheet } from "@/core/report/hand-over";
import { registerFaces, write } from "./faces";
import { bullet, collect, INK, MARGIN, MUTED, section } from "./report-pdf";

const WARNING = "#a53a25";

/** Sets a hand-over sheet as PDF: heads and lines, a warning first. */
export async function sheetPdf({ title, car, plate, warning, parts }: Sheet): Promise<Uint8Array> {
  const page = new PDFDocument({ size: "A4", margin: MARGIN, info: { Title: car, Producer: "Tastatura" } });
  const done = collect(page);
  registerFaces(page);
  write(page.fontSize(11).fillColor(MUTED), "bold", "tastatura");
  page.moveDown(0.4).fontSize(22).fillColor(INK);
  write(page, "bold", `${car}${plate ? `, ${plate}` : ""}`);
  write(page.fontSize(12).fillColor(MUTED), "text", title);
  if (warning) write(page.moveDown(0.5).fontSize(13).fillColor(WARNING), "bold", warning, { x: MARGIN });
  for (const { head, lines } of parts) {
    if (lines.length === 0) continue;
    section(page, head);
    lines.forEach((text) => bullet(page, text));
  }
  page.end();
  return done;
}
