import PDFDocument from "pdfkit";
import { join } from "node:path";
import type { Report } from "@/core/report/report";

const INK = "#22201c";
const MUTED = "#645f56";
const RULE = "#d9d2c3";
const GOOD = "#22695a";
const MARGIN = 52;

/** Sets a report as PDF: one page for the customer, the rest for the file. Fonts are embedded, the trace is drawn as lines. */
export async function reportPdf(report: Report): Promise<Uint8Array> {
  const page = new PDFDocument({
    size: "A4",
    margin: MARGIN,
    info: { Title: report.car, Producer: "Tastatura" },
  });
  const done = collect(page);
  const fonts = join(process.cwd(), "node_modules/@fontsource/atkinson-hyperlegible-next/files");
  page.registerFont("text", join(fonts, "atkinson-hyperlegible-next-latin-400-normal.woff"));
  page.registerFont("bold", join(fonts, "atkinson-hyperlegible-next-latin-700-normal.woff"));
  customerPage(page, report);
  filePages(page, report);
  page.end();
  return done;
}

function customerPage(page: PDFKit.PDFDocument, report: Report): void {
  const { heads } = report;
  page.font("bold").fontSize(11).fillColor(MUTED).text("tastatura");
  page
    .moveDown(0.4)
    .fontSize(22)
    .fillColor(INK)
    .text(plain(`${report.car}${report.plate ? `, ${report.plate}` : ""}`));
  page.font("text").fontSize(12).fillColor(MUTED).text(plain(report.title));
  section(page, heads.came);
  report.came.forEach((text) => paragraph(page, text));
  section(page, heads.found);
  page
    .font("bold")
    .fontSize(15)
    .fillColor(report.proof.length ? GOOD : INK)
    .text(plain(report.found));
  page.moveDown(0.3);
  paragraph(page, report.meaning);
  if (report.proof.length) {
    section(page, heads.proof);
    report.proof.forEach((text) => bullet(page, text));
  }
  if (report.trace && report.trace.points.length > 1) trace(page, report.trace);
  if (report.cleared.length) {
    section(page, heads.cleared);
    paragraph(page, report.cleared.join(", "));
  }
  if (report.done.length) {
    section(page, heads.done);
    report.done.forEach((text) => bullet(page, text));
  }
  if (report.verified.length) {
    section(page, report.fixed ? heads.good : heads.checked);
    report.verified.forEach((text) => bullet(page, text));
  }
  page.moveDown(0.8).font("text").fontSize(9).fillColor(MUTED).text(plain(report.advice));
}

function filePages(page: PDFKit.PDFDocument, report: Report): void {
  page.addPage();
  page.font("bold").fontSize(15).fillColor(INK).text(plain(report.heads.file));
  report.setup.forEach((text) => paragraph(page, text));
  section(page, report.heads.readings);
  for (const { at, what, state, value, phase } of report.readings) {
    if (page.y > page.page.height - MARGIN - 40) page.addPage();
    const y = page.y;
    page.font("text").fontSize(9).fillColor(MUTED).text(at, MARGIN, y, { width: 84 });
    page
      .font("bold")
      .fillColor(INK)
      .text(plain(value), MARGIN + 88, y, { width: 92 });
    page.font("text").text(plain(what), MARGIN + 184, y, { width: 170 });
    const bottom = page.y;
    page
      .fillColor(MUTED)
      .text(plain(`${state}${phase === "after" ? ` (${report.heads.after})` : ""}`), MARGIN + 358, y, { width: 134 });
    page.y = Math.max(bottom, page.y) + 3;
    page.x = MARGIN;
  }
}

function section(page: PDFKit.PDFDocument, title: string): void {
  page.moveDown(0.7);
  page
    .moveTo(MARGIN, page.y)
    .lineTo(page.page.width - MARGIN, page.y)
    .lineWidth(0.6)
    .strokeColor(RULE)
    .stroke();
  page.moveDown(0.3).font("bold").fontSize(11).fillColor(MUTED).text(plain(title), MARGIN);
  page.moveDown(0.15);
}

function paragraph(page: PDFKit.PDFDocument, text: string): void {
  page.font("text").fontSize(11).fillColor(INK).text(plain(text), MARGIN);
}

function bullet(page: PDFKit.PDFDocument, text: string): void {
  page
    .font("text")
    .fontSize(11)
    .fillColor(INK)
    .text(`- ${plain(text)}`, MARGIN, page.y, { indent: 0 });
}

function trace(page: PDFKit.PDFDocument, { name, unit, points }: NonNullable<Report["trace"]>): void {
  const width = page.page.width - 2 * MARGIN;
  const height = 110;
  page.moveDown(0.6);
  const top = page.y;
  const [times, values] = [points.map(([time]) => time), points.map(([, value]) => value)];
  const [from, to] = [times[0]!, times.at(-1)!];
  const least = values.reduce((a, b) => Math.min(a, b));
  const most = values.reduce((a, b) => Math.max(a, b));
  const x = (time: number) => MARGIN + ((time - from) / (to - from || 1)) * width;
  const y = (value: number) => top + height - ((value - least) / (most - least || 1)) * height;
  page.lineWidth(0.5).strokeColor(INK);
  points.forEach(([time, value], i) => (i ? page.lineTo(x(time), y(value)) : page.moveTo(x(time), y(value))));
  page.stroke();
  page
    .font("text")
    .fontSize(8)
    .fillColor(MUTED)
    .text(
      plain(`${name}: ${least.toFixed(2)}–${most.toFixed(2)} ${unit}, ${(to - from).toFixed(2)} s`),
      MARGIN,
      top + height + 4,
    );
}

/** The embedded subset has Latin letters; the few other signs are said in words. */
function plain(text: string): string {
  return (
    text
      .replaceAll("Ω", "ohm")
      .replaceAll("−", "-")
      .replaceAll("→", "to")
      .replaceAll("▸", ">")
      .replaceAll("◂", "<")
      .replaceAll("µ", "u")
      // Anything else outside Latin would print as an empty box.
      .replace(/[^\u0020-\u017f\u2013\u2014\u2018-\u201d\u2026·×°²]/g, "?")
  );
}

function collect(page: PDFKit.PDFDocument): Promise<Uint8Array> {
  const pieces: Uint8Array[] = [];
  return new Promise((resolve, reject) => {
    page.on("data", (piece: Uint8Array) => pieces.push(piece));
    page.on("end", () => resolve(new Uint8Array(Buffer.concat(pieces))));
    page.on("error", reject);
  });
}
