/** What a watch keeps of its last minute: written in pieces, some of them cut short, and read as one recording. */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { endOf, type Capture } from "./capture";
import { after, joinedSegments, segmentBytes, segmentOf } from "./segment";

const recorded = (count: number, startS = 0, sampleS = 1 / 1000): Capture => ({
  name: "watch — links",
  sampleS,
  startS,
  channels: [
    { name: "FL", unit: "V", samples: Float32Array.from({ length: count }, (_, i) => Math.sin(i + startS)) },
    { name: "FR", unit: "V", scale: "unknown", samples: Float32Array.from({ length: count }, (_, i) => i % 7) },
  ],
});

describe("pieces of a recording", () => {
  it("are read as they were written, and nothing is read of one cut anywhere or of other bytes", () => {
    const piece = recorded(50, 12.5);
    const bytes = segmentBytes(piece);
    expect(segmentOf(bytes)).toEqual(piece);
    fc.assert(fc.property(fc.nat(bytes.length - 1), (cut) => segmentOf(bytes.slice(0, cut)) === null));
    fc.assert(fc.property(fc.uint8Array({ maxLength: 200 }), (other) => segmentOf(other) === null));
  });

  it("cut from one recording in any way are that recording again, from the last hole on", () => {
    const all = recorded(400, 3);
    const cuts = fc.uniqueArray(fc.integer({ min: 1, max: 399 }), { minLength: 2, maxLength: 9 });
    fc.assert(
      fc.property(cuts, fc.nat(7), (at, lost) => {
        const from = [0, ...at.toSorted((a, b) => a - b)];
        const pieces = from.map((begin, i) => {
          const end = from[i + 1] ?? 400;
          const part = after(all, 3 + begin / 1000)!;
          return {
            ...part,
            channels: part.channels.map((one) => ({ ...one, samples: one.samples.slice(0, end - begin) })),
          };
        });
        const missing = lost % (pieces.length - 1);
        const kept = pieces.filter((_, i) => i !== missing).toReversed();
        const joined = joinedSegments(kept)!;
        expect(joined.startS).toBeCloseTo(3 + from[missing + 1]! / 1000, 9);
        expect(endOf(joined)).toBeCloseTo(3.4, 9);
        expect(joined.channels[0]!.samples).toEqual(all.channels[0]!.samples.subarray(from[missing + 1]));
      }),
    );
    expect(joinedSegments([])).toBeNull();
  });

  it("of another watch, at another pace or with other channels, are not joined", () => {
    const [one, slower] = [recorded(100), recorded(100, 0.1, 1 / 500)];
    expect(joinedSegments([one, slower])!.channels[0]!.samples).toHaveLength(100);
    const single = { ...recorded(100, 0.1), channels: recorded(100).channels.slice(0, 1) };
    expect(joinedSegments([one, single])!.channels).toHaveLength(1);
  });
});
