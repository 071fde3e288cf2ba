import { strToU8, zipSync } from "fflate";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { UnusableInput, type Capture } from "../capture/capture";
import { jobSchema } from "../job/schema";
import { packJob, unpackJob } from "./zip";

const job = jobSchema.parse({
  tastatura: "job/4",
  id: "z",
  createdAt: "2026-01-01T00:00:00Z",
  car: { name: "=HYPERLINK()" },
  setup: {
    corner: "FL",
    family: "passive",
    path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
  },
  complaint: {},
  policy: {},
  entries: [{ id: "a", at: "2026-01-01T10:00:00Z", kind: "note", text: "hello" }],
});
const capture: Capture = {
  name: "spin, before",
  sampleS: 1e-3,
  startS: -0.25,
  channels: [
    { name: "leg A", unit: "V", samples: Float32Array.from({ length: 400 }, (_, i) => Math.sin(i / 7)) },
    { name: "supply", unit: "V", samples: new Float32Array(400).fill(4.5) },
  ],
};

/** A ZIP whose one file is said to be so large (its central directory, by the published application note on ZIP). */
function unpackingTo(bytes: number): Uint8Array {
  const zip = zipSync({ "job.json": strToU8("{}") });
  const directory = zip.findLastIndex((_, i) => [0x50, 0x4b, 1, 2].every((byte, j) => zip[i + j] === byte));
  new DataView(zip.buffer).setUint32(directory + 24, bytes, true);
  return zip;
}

describe("a job as one ZIP", () => {
  it("comes back whole, captures and all", () => {
    const told: string[] = [];
    const packed = packJob(job, [{ id: "cap-1", capture }], (done, of) => told.push(`${done} of ${of}`));
    expect(told).toEqual(["1 of 1"]);
    const again = unpackJob(packed, "z.zip");
    expect(again.job).toEqual(job);
    expect(again.captures[0]).toMatchObject({
      id: "cap-1",
      capture: { name: "spin, before", startS: -0.25, sampleS: 1e-3 },
    });
    const [one, two] = again.captures[0]!.capture.channels;
    expect([one!.name, two!.name]).toEqual(["leg A", "supply"]);
    expect(one!.samples[100]).toBeCloseTo(capture.channels[0]!.samples[100]!, 5);
  });

  it("any capture comes back value for value: units, sampling, names, channels (property)", () => {
    const captures = fc.record({
      name: fc.string({ maxLength: 300, unit: "grapheme" }),
      sampleS: fc.double({ min: 1e-9, max: 10, noNaN: true }),
      startS: fc.double({ min: -1e6, max: 1e6, noNaN: true }).map((startS) => startS + 0),
      channels: fc.array(
        fc.record({
          name: fc.string({ maxLength: 200, unit: "grapheme" }),
          unit: fc.constantFrom("V" as const, "A" as const),
          samples: fc.float32Array({ maxLength: 40 }),
        }),
        { maxLength: 30 },
      ),
    });
    fc.assert(
      fc.property(captures, (one) => {
        const again = unpackJob(packJob(job, [{ id: "any", capture: one }]), "z.zip").captures[0]!.capture;
        expect(again).toEqual(one);
      }),
      { numRuns: 100 },
    );
  });

  it.each<[string, Uint8Array, RegExp]>([
    ["half of it", packJob(job, []).slice(0, 200), /damaged ZIP/],
    ["no job in it", zipSync({ "a.txt": strToU8("x") }), /without a job\.json/],
    [
      "a path trick",
      zipSync({ "../job.json": strToU8("{}"), "captures/../../x.wav": strToU8("x") }),
      /without a job\.json/,
    ],
    ["a bomb", unpackingTo(620 * 1024 * 1024), /more than a job can be/],
    [
      "a thousand files",
      zipSync(Object.fromEntries(Array.from({ length: 1000 }, (_, i) => [`${i}`, strToU8("x")]))),
      /more than a job can be/,
    ],
    ["a newer job", zipSync({ "job.json": strToU8('{"tastatura":"job/7"}') }), /version “job\/7”/],
  ])("%s is told and nothing is unpacked", (_, bytes, why) => {
    expect(() => unpackJob(bytes, "z.zip")).toThrow(UnusableInput);
    expect(() => unpackJob(bytes, "z.zip")).toThrow(why);
  });
});
