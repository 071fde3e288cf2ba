import { describe, expect, it } from "vitest";
import { provenWords } from "./proven-words";
import type { PartShare, Suspect } from "./suspects";

const suspect = (share: number): Suspect => ({
  ...{ id: "sensor-open@sensor", fault: "sensor-open", place: "sensor", part: "sensor", words: "Sensor open inside" },
  ...{ clearedBy: "", initialShare: 0.1, share, verdict: "proven", provenBy: ["1"], hangsOn: null, lacks: [] },
});
const parts: PartShare[] = [
  { part: "sensor", share: 0.995, verdict: "proven" },
  { part: "harness", share: 0.005, verdict: "suspect" },
];

describe("what is proven, in words", () => {
  it("a fault that holds nearly all of its part's share is called by its name", () => {
    expect(provenWords(suspect(0.98), parts)).toMatchObject({ what: "sensor open inside", share: 0.995 });
  });

  it("one of several of a part's faults is not said to be proven by itself, and the share is the part's", () => {
    const { what, heading, withShare, partWithShare, share } = provenWords(suspect(0.59), parts);
    expect(heading).toBe(what.replace(/^./, (first) => first.toUpperCase()));
    expect(partWithShare).toMatch(/^sensor >?99.*%$/);
    expect(share).toBe(0.995);
    expect(what).toMatch(/^.*sensor.*, most likely sensor open inside$/i);
    expect(withShare).toMatch(/sensor \(>?99.*%\), most likely sensor open inside/i);
  });
});
