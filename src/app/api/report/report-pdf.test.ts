import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { expect, it } from "vitest";
import { reportHeads } from "@/core/report/report";
import { reportPdf } from "./report-pdf";

const report = {
  title: "Diagnose Raddrehzahl, vorn links, 2026-11-25",
  heads: { ...reportHeads, readings: "Alle Messwerte, für die Prüfer" },
  car: "Osmund Drover 09 Łódź ő ğ ž č Š ż",
  plate: "Ωμέγα Ναύπλιο · Ялта Їжак",
  date: "2026-11-25",
  corner: "front left",
  came: ["C0031: front left wheel speed sensor, amplitude below minimum"],
  found: "Sensor stands too far off",
  meaning: "ABS switched itself off.",
  proof: ["gap: 1.4 mm, 1.3 kΩ"],
  cleared: ["module", "wiring"],
  done: ["Repaired: seat cleaned"],
  verified: ["gap: 1.4 mm before, 0.4 mm after, good"],
  fixed: true,
  others: ["front right: proven: Module's own ground bad"],
  advice: "A qualified person decided.",
  readings: Array.from({ length: 60 }, (_, i) => ({
    at: "2026-11-25 10:00",
    what: `reading ${i}`,
    state: "key on",
    value: `${i} V`,
    phase: "before",
  })),
  setup: ["Sensor: passive"],
  trace: {
    name: "spin",
    unit: "V",
    points: Array.from({ length: 900 }, (_, i) => [i / 100, Math.sin(i / 5)] as [number, number]),
  },
};

it("a PDF package reads back every word of the report", async () => {
  const pdf = await reportPdf(report);
  const document = await getDocument({ data: pdf, verbosity: 0 }).promise;
  let text = "";
  for (let page = 1; page <= document.numPages; page++) {
    const { items } = await (await document.getPage(page)).getTextContent();
    text += ` ${items.map((item) => ("str" in item ? item.str + (item.hasEOL ? " " : "") : "")).join("")}`;
  }
  for (const word of [
    "Osmund Drover 09 Łódź ő ğ ž č Š ż",
    "Ωμέγα Ναύπλιο · Ялта Їжак",
    "Sensor stands too far off",
    "1.3 kΩ",
    "after, good",
    "front right: proven",
    "reading 59",
    "How it was proven",
    "Alle Messwerte, für die Prüfer",
    "vorn links",
    "qualified",
  ])
    expect(text.replace(/\s+/g, " ")).toContain(word);
  expect(document.numPages).toBeGreaterThan(1);
});

it.each<[string, [number, number][]]>([
  [
    "the largest numbers there are",
    [
      [-1e308, -1e308],
      [0, 1e308],
      [1e308, 0],
    ],
  ],
  [
    "one and the same point",
    [
      [1, 5],
      [1, 5],
      [1, 5],
    ],
  ],
  [
    "two points",
    [
      [0, 1],
      [1, 2],
    ],
  ],
  ["none", []],
])("a trace of %s makes a PDF all the same", async (_, points) => {
  const pdf = await reportPdf({ ...report, trace: { name: "odd", unit: "V", points } });
  expect((await getDocument({ data: pdf, verbosity: 0 }).promise).numPages).toBeGreaterThan(0);
});
