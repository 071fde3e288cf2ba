import PDFDocument from "pdfkit";
import type { Report } from "@/core/report/report";
import { registerFaces, write } from "./faces";

const INK = "#22201c";
const MUTED = "#645f56";
const RULE = "#d9d2c3";
const GOOD = "#22695a";
export const MARGIN = 52;

/** Sets a report as PDF: one page for the customer, the rest for the file. Fonts are embedded, the trace is drawn as lines. */
export async function reportPdf(report: Report): Promise<Uint8Array> {
  const page = new PDFDocument({
    size: "A4",
    margin: MARGIN,
    info: { Title: report.car, Producer: "Tastatura" },
  });
  const done = collect(page);
  registerFaces(page);
  customerPage(page, report);
  filePages(page, report);
  page.end();
  return done;
}

function customerPage(page: PDFKit.PDFDocument, report: Report): void {
  const { heads } = report;
  pageHead(page, report);
  section(page, heads.came);
  report.came.forEach((text) => paragraph(page, text));
  section(page, heads.found);
  write(page.fontSize(15).fillColor(report.proof.length ? GOOD : INK), "bold", report.found);
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
  if (report.others) {
    section(page, heads.others);
    report.others.forEach((text) => bullet(page, text));
  }
  write(page.moveDown(0.8).fontSize(9).fillColor(MUTED), "text", report.advice);
}

function filePages(page: PDFKit.PDFDocument, report: Report): void {
  page.addPage();
  write(page.fontSize(15).fillColor(INK), "bold", report.heads.file);
  report.setup.forEach((text) => paragraph(page, text));
  section(page, report.heads.readings);
  for (const { at, what, state, value, phase } of report.readings) {
    if (page.y > page.page.height - MARGIN - 40) page.addPage();
    const y = page.y;
    write(page.fontSize(9).fillColor(MUTED), "text", at, { x: MARGIN, y, width: 84 });
    write(page.fillColor(INK), "bold", value, { x: MARGIN + 88, y, width: 92 });
    write(page, "text", what, { x: MARGIN + 184, y, width: 170 });
    const bottom = page.y;
    const then = `${state}${phase === "after" ? ` (${report.heads.after})` : ""}`;
    write(page.fillColor(MUTED), "text", then, { x: MARGIN + 358, y, width: 134 });
    page.y = Math.max(bottom, page.y) + 3;
    page.x = MARGIN;
  }
}

/** Whose paper it is, the car, and what the page is. */
export function pageHead(
  page: PDFKit.PDFDocument,
  { car, plate, title }: Pick<Report, "car" | "plate" | "title">,
): void {
  write(page.fontSize(11).fillColor(MUTED), "bold", "tastatura");
  page.moveDown(0.4).fontSize(22).fillColor(INK);
  write(page, "bold", `${car}${plate ? `, ${plate}` : ""}`);
  write(page.fontSize(12).fillColor(MUTED), "text", title);
}

export function section(page: PDFKit.PDFDocument, title: string): void {
  page.moveDown(0.7);
  page
    .moveTo(MARGIN, page.y)
    .lineTo(page.page.width - MARGIN, page.y)
    .lineWidth(0.6)
    .strokeColor(RULE)
    .stroke();
  write(page.moveDown(0.3).fontSize(11).fillColor(MUTED), "bold", title, { x: MARGIN });
  page.moveDown(0.15);
}

function paragraph(page: PDFKit.PDFDocument, text: string): void {
  write(page.fontSize(11).fillColor(INK), "text", text, { x: MARGIN });
}

export function bullet(page: PDFKit.PDFDocument, text: string): void {
  write(page.fontSize(11).fillColor(INK), "text", `- ${text}`, { x: MARGIN });
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
  const x = (time: number) => MARGIN + along(time, from, to) * width;
  const y = (value: number) => top + height - along(value, least, most) * height;
  page.lineWidth(0.5).strokeColor(INK);
  points.forEach(([time, value], i) => (i ? page.lineTo(x(time), y(value)) : page.moveTo(x(time), y(value))));
  page.stroke();
  const said = `${name}: ${figure(least)}–${figure(most)} ${unit}, ${figure(to - from)} s`;
  write(page.fontSize(8).fillColor(MUTED), "text", said, { x: MARGIN, y: top + height + 4 });
}

/** How far a number lies from one to another, 0 to 1: in halves, so that no difference is larger than a number can be. */
function along(value: number, from: number, to: number): number {
  return (value / 2 - from / 2) / (to / 2 - from / 2 || 1);
}

function figure(value: number): string {
  return Math.abs(value) < 1e6 ? value.toFixed(2) : value.toPrecision(3);
}

export function collect(page: PDFKit.PDFDocument): Promise<Uint8Array> {
  const pieces: Uint8Array[] = [];
  return new Promise((resolve, reject) => {
    page.on("data", (piece: Uint8Array) => pieces.push(piece));
    page.on("end", () => resolve(new Uint8Array(Buffer.concat(pieces))));
    page.on("error", reject);
  });
}
