import fc from "fast-check";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { parseCaptureCsv } from "./csv";
import { readRows } from "./csv-rows";

const never = (row: number, line: string) => {
  throw new Error(`row ${row}: ${line}`);
};
const lineEnd = fc.constantFrom("\n", "\r\n", "\r");
const number = fc.oneof(
  fc.double({ noNaN: true, noDefaultInfinity: true }).map(String),
  fc.integer({ min: -1_000_000, max: 1_000_000 }).map((value) => (value / 1000).toFixed(3)),
  fc.constantFrom(
    "0",
    "-0.0",
    "+.5",
    "5.",
    "1e3",
    "-2.5E-4",
    "12345678901234567890",
    "0.1234567890123456789",
    " 7.25 ",
  ),
);

describe("rows of numbers read straight from the text", () => {
  it("are what the language's own reader makes of each cell, bit for bit, in any of the forms instruments write", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(",", ";", "\t"),
        lineEnd,
        fc.array(fc.tuple(number, number, number), { minLength: 1, maxLength: 40 }),
        (separator, end, rows) => {
          const text = rows.map((row) => row.join(separator)).join(end);
          const { columns, count } = readRows(text, 0, { separator, decimalComma: false, columns: 3 }, never);
          expect(count).toBe(rows.length);
          rows.forEach((row, r) => row.forEach((cell, c) => expect(columns[c]![r]).toBe(Number(cell))));
        },
      ),
      { numRuns: 300 },
    );
  });

  it("decimal commas and white space between cells", () => {
    const comma = readRows("0,5;-1,25e2\n1,5;,75\n", 0, { separator: ";", decimalComma: true, columns: 2 }, never);
    expect([...comma.columns[0]!]).toEqual([0.5, 1.5]);
    expect([...comma.columns[1]!]).toEqual([-125, 0.75]);
    const white = readRows(
      "  0.0   1.5\n 0.1\t2.5  \n",
      0,
      { separator: null, decimalComma: false, columns: 2 },
      never,
    );
    expect([...white.columns[0]!]).toEqual([0, 0.1]);
    expect([...white.columns[1]!]).toEqual([1.5, 2.5]);
  });

  it("agrees with a general CSV package on a plain file, blank lines and comments left out", () => {
    const rows = Array.from({ length: 500 }, (_, i) => `${(i / 1000).toFixed(4)},${Math.sin(i).toFixed(5)},${-i}`);
    const text = rows.join("\n");
    const general = Papa.parse<number[]>(text, { dynamicTyping: true }).data;
    const own = readRows(`${text}\n\n# end\n`, 0, { separator: ",", decimalComma: false, columns: 3 }, never);
    expect(own.count).toBe(500);
    general.forEach((row, r) => row.forEach((value, c) => expect(own.columns[c]![r]).toBe(value)));
  });

  it("tells of each row without a number in every column, and goes on after it", () => {
    const bad: [number, string][] = [];
    const text = "1,2\n3\n4,x\n5,\n6,7,8\n";
    const { columns, count } = readRows(text, 0, { separator: ",", decimalComma: false, columns: 2 }, (row, line) =>
      bad.push([row, line]),
    );
    expect(count).toBe(2);
    expect([...columns[0]!]).toEqual([1, 6]);
    expect(bad).toEqual([
      [1, "3"],
      [2, "4,x"],
      [3, "5,"],
    ]);
  });

  it("tells how far it is, rising, while a long file is read", () => {
    const text = Array.from({ length: 200_000 }, (_, i) => `${i},${i % 7}`).join("\n");
    const shares: number[] = [];
    readRows(text, 0, { separator: ",", decimalComma: false, columns: 2 }, never, (share) => shares.push(share));
    expect(shares.length).toBeGreaterThan(2);
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect(shares.at(-1)!).toBeLessThanOrEqual(1);
  });
});

describe("a capture file", () => {
  it("with right-aligned columns and spaces in front reads like any other", () => {
    const text = Array.from(
      { length: 40 },
      (_, i) => `   ${(i / 1000).toFixed(3)}    ${(i % 2 ? 1.66 : 0.83).toFixed(2)}`,
    );
    const capture = parseCaptureCsv(["time  signal", ...text].join("\n"), "aligned.txt");
    expect(capture.sampleS).toBeCloseTo(0.001, 9);
    expect(capture.channels).toHaveLength(1);
    expect(capture.channels[0]!.samples[1]).toBeCloseTo(1.66, 5);
  });

  // Common practice of loggers and scripts, no source: the time need not come first, nor be in seconds.
  it.each([
    ["sample,time_us,sig_V", (i: number) => `${i},${i * 250},1.5`, ["sig"]],
    ["Index;t/ms;U/mV", (i: number) => `${i};${i / 4};1500`, ["U"]],
    ["n\ttime (\u03bcs)\tsignal (V)", (i: number) => `${i}\t${i * 250}\t1.5`, ["signal"]],
    ["ms,volts", (i: number) => `${i / 4},1.5`, ["channel 1"]],
    ["# sample rate: 4 kHz\nsample,sig,sup", (i: number) => `${i},1.5,12`, ["sig", "sup"]],
    ["# interval 0.25 ms\nsig,sup", (i: number) => `${1.5},${12 + i / 1000}`, ["sig", "sup"]],
  ])("%j finds its time and its signals", (head, row, names) => {
    const text = `${head}\n${Array.from({ length: 400 }, (_, i) => row(i)).join("\n")}\n`;
    const capture = parseCaptureCsv(text, "a.csv");
    expect(capture.sampleS).toBeCloseTo(0.00025, 9);
    expect(capture.channels.map(({ name }) => name.replace(/[_/].*/, ""))).toEqual(names);
    expect(capture.channels[0]!.samples[7]).toBeCloseTo(1.5, 6);
  });

  // Forms instruments and spreadsheets write (common practice, no source): what stands around the numbers is not theirs.
  it.each([
    ["quoted cells", '"Time (s)","signal (V)"', (i: number) => `"${i / 4000}","${i === 9 ? 2 : 1.5}"`],
    [
      "quoted decimal commas",
      '"Time (s)","signal (V)"',
      (i: number) => `"${comma(i / 4000)}","${i === 9 ? 2 : "1,5"}"`,
    ],
    ["a separator after the last cell", "Time (s),signal (V),", (i: number) => `${i / 4000},${i === 9 ? 2 : 1.5},`],
    ["the time of day", "Time;signal (V)", (i: number) => `10:59:0${(9 + i / 4000).toFixed(6)};${i === 9 ? 2 : 1.5}`],
    [
      "date and time",
      "Time,signal (V)",
      (i: number) => `2026-03-01 10:15:0${(3 + i / 4000).toFixed(6)},${i === 9 ? 2 : 1.5}`,
    ],
    [
      "a sign for what is over the range",
      "Time (s);signal (V)",
      (i: number) => `${i / 4000};${i === 9 ? "∞" : i === 8 ? 2 : 1.5}`,
    ],
  ])("with %s reads like any other", (_, head, row) => {
    const text = `${head}\r\n${Array.from({ length: 400 }, (_, i) => row(i)).join("\r\n")}\r\n`;
    const capture = parseCaptureCsv(text, "a.csv");
    expect(capture.sampleS).toBeCloseTo(0.00025, 9);
    expect(capture.channels.map(({ name, samples }) => [name, samples.length, samples[7], samples[9]])).toEqual([
      ["signal", 400, 1.5, 2],
    ]);
  });

  it("that counts its samples and says nowhere how far apart they are is asked for it, not taken for seconds", () => {
    const text = `sample,signal\n${Array.from({ length: 40 }, (_, i) => `${i},1.5`).join("\n")}\n`;
    expect(() => parseCaptureCsv(text, "a.csv")).toThrow(/no sample interval/);
  });

  it("names the line of the row that was one too many without numbers", () => {
    const good = Array.from({ length: 100 }, (_, i) => `${i / 100},${i % 2}`);
    const text = ["time,signal", ...good, ...Array.from({ length: 60 }, () => "off,off")].join("\r\n");
    expect(() => parseCaptureCsv(text, "broken.csv")).toThrow(/broken\.csv, line 152: “off,off” has no number/);
  });
});

const comma = (value: number) => String(value).replace(".", ",");
