/**
 * Hostile and broken files through every reader: each must answer with a value or with a sentence, never with a crash.
 * `npm run fuzz` runs 200,000 of them.
 */
import fc from "fast-check";
import { gzipSync, strToU8 } from "fflate";
import { describe, expect, it } from "vitest";
import { UnusableInput } from "./capture/capture";
import { parseCaptureCsv } from "./capture/csv";
import { readCaptureFile } from "./capture/read-file";
import { captureToWav } from "./capture/wav";
import { decodeCode } from "./codes/code";
import { importJob } from "./job-file/file";
import { packJob, unpackJob } from "./job-file/zip";
import { packLibrary, unpackLibrary } from "./library/library-zip";
import { parseSettings, settingsSchema, usualSettings } from "./settings/settings";
import { observe } from "./observation/read-observation";
import { readingSchema } from "./observation/reading";
import { cornerSetupSchema } from "./circuit/setup";
import { parseScanCsv } from "./scanlog/scan-csv";
import { parseTyre } from "./tyre/tyre";
import { parseReading } from "./units/reading";

const RUNS = Number(process.env.FUZZ_RUNS ?? 1500);

const goodCsv = `# rig\ntime (s);signal (V)\n${Array.from({ length: 40 }, (_, i) => `0,${String(i + 10)};${i % 4 < 2 ? "0,8" : "1,7"}`).join("\n")}`;
const goodScan = `time,FL,FR,RL,RR\n${Array.from({ length: 12 }, (_, i) => `${i},${i},${i},${i},${i}`).join("\n")}`;
const path = [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }];
const goodJob = JSON.stringify({
  tastatura: "job/4",
  id: "a",
  createdAt: "2026-01-01T00:00:00Z",
  car: { name: "x" },
  setup: { corner: "RR", family: "active-2wire", path },
  complaint: {},
  policy: {},
  entries: [],
});

/** A good text with pieces cut, doubled, swapped or spoilt. */
const spoilt = (good: string) =>
  fc
    .tuple(
      fc.nat(good.length),
      fc.nat(good.length),
      fc.oneof(
        fc.constantFrom(
          "",
          "\u0000",
          '"',
          "}{",
          "__proto__",
          "NaN",
          "1e999",
          ";;;;",
          "\r\r",
          "=cmd|' /C calc'!A0",
          "９",
          "-".repeat(400),
        ),
        fc.string({ maxLength: 30, unit: "binary" }),
      ),
    )
    .map(([a, b, piece]) => good.slice(0, Math.min(a, b)) + piece + good.slice(Math.max(a, b)));

/** Some bytes of it turned into others. */
const turned = (good: Uint8Array) =>
  fc.array(fc.tuple(fc.nat(good.length - 1), fc.nat(255)), { maxLength: 6 }).map((changes) => {
    const bytes = good.slice();
    for (const [at, value] of changes) bytes[at] = value;
    return bytes;
  });

function answers(read: () => unknown): void {
  try {
    read();
  } catch (error) {
    expect(error, String(error)).toBeInstanceOf(UnusableInput);
    expect((error as Error).message.length).toBeGreaterThan(10);
  }
}

describe("every reader answers", () => {
  it.each<[string, string, (text: string) => unknown]>([
    ["capture text", goodCsv, (text) => parseCaptureCsv(text, "f")],
    ["speed logs", goodScan, (text) => parseScanCsv(text, "f")],
    ["jobs", goodJob, (text) => importJob(text, "f")],
  ])("%s, cut and spoilt", (_, good, read) => {
    fc.assert(
      fc.property(spoilt(good), (text) => answers(() => read(text))),
      { numRuns: RUNS },
    );
  });

  it("captures of any bytes, and gzip or WAV with bytes turned", () => {
    const wav = captureToWav({
      name: "",
      sampleS: 1e-4,
      startS: 0,
      channels: [{ name: "", unit: "V", samples: new Float32Array(64).fill(0.5) }],
    });
    const packed = gzipSync(strToU8(goodCsv));
    fc.assert(
      fc.property(fc.oneof(fc.uint8Array({ maxLength: 300 }), turned(wav), turned(packed)), (bytes) =>
        answers(() => readCaptureFile(bytes, "f")),
      ),
      { numRuns: RUNS },
    );
  });

  it("job and library ZIPs with bytes turned or cut off", () => {
    const capture = parseCaptureCsv(goodCsv, "f");
    const jobZip = packJob(importJob(goodJob, "f"), [{ id: "c", capture }]);
    const libraryZip = packLibrary([], [{ id: "c", capture }]);
    fc.assert(
      fc.property(turned(jobZip), turned(libraryZip), fc.nat(200), (one, other, cut) => {
        answers(() => unpackJob(one, "f"));
        answers(() => unpackJob(one.slice(0, -cut - 1), "f"));
        answers(() => unpackLibrary(other, "f"));
      }),
      { numRuns: Math.ceil(RUNS / 4) },
    );
  });

  it("settings of any kind are settings again", () => {
    const good = JSON.stringify(usualSettings);
    fc.assert(
      fc.property(fc.oneof(spoilt(good), fc.json()), (text) => {
        expect(settingsSchema.safeParse(parseSettings(text)).success).toBe(true);
      }),
      { numRuns: RUNS },
    );
  });

  it("whatever is typed is read or refused in words", () => {
    const setup = cornerSetupSchema.parse({ corner: "FL", family: "passive", path });
    fc.assert(
      fc.property(fc.string({ maxLength: 40, unit: "binary" }), (text) => {
        for (const quantity of ["volts", "ohms", "farads", "amps", "hertz", "length"] as const) {
          const parsed = parseReading(text, quantity);
          if (!parsed.ok) expect(parsed.say.length).toBeGreaterThan(10);
          else if (parsed.value.kind === "number") expect(Number.isFinite(parsed.value.value)).toBe(true);
        }
        decodeCode(text);
        parseTyre(text);
        const reading = readingSchema.safeParse({ instrument: "volts-dc", red: text, value: text });
        if (reading.success) {
          const evidence = observe(reading.data, setup);
          if (!evidence.ok) expect(evidence.say.length).toBeGreaterThan(5);
        }
      }),
      { numRuns: RUNS },
    );
  });

  it("prototype keys in a job file do not reach the prototype", () => {
    answers(() => importJob(goodJob.replace('"name":"x"', '"name":"x","__proto__":{"polluted":true}'), "f"));
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
    answers(() => importJob(`${'{"a":'.repeat(20_000)}1${"}".repeat(20_000)}`, "deep.json"));
  });
});
