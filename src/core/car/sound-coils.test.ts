/** Domain facts: one maker's coil gives 0.65 V at 5 mph (common practice); others accept 0.1 V at one turn a second (from memory). */
import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { coilRmsV, nominalRing } from "../ring/ring";
import { chanceTooSmall } from "../waveform/coil-size";
import { dimensionsOf, fromScores } from "./dimensions";
import { drawHealthy } from "./draw";

const setup = cornerSetupSchema.parse({
  corner: "FL",
  family: "passive",
  pulsesPerRevolution: 48,
  path: [{ station: "module" }, { spanM: 3, mm2: 0.5 }, { station: "plug" }],
});
/** The output of a sound car so many standard deviations from the middle of all makes, against that one maker's. */
const outputAt = (score: number) =>
  drawHealthy(
    setup,
    fromScores(
      "passive",
      dimensionsOf("passive").map((dimension) => (dimension === "outputFactor" ? score : 0.1)),
    ),
  ).outputFactor;
/** One turn a second of a common tyre. */
const KMH_AT_ONE_TURN = 6.94;

describe("sound coils of all makes", () => {
  it("hold 0.1 V at one turn a second for the least that is met, one in forty", () => {
    const volts = coilRmsV(nominalRing(48), KMH_AT_ONE_TURN, outputAt(-1.96));
    expect(volts).toBeGreaterThan(0.08);
    expect(volts).toBeLessThan(0.12);
  });

  it("hold one maker's 0.65 V at 5 mph for nothing unusual", () => {
    expect(outputAt(-1)).toBeLessThan(1);
    expect(outputAt(1)).toBeGreaterThan(1);
    expect(coilRmsV(nominalRing(48), 8.04672, 1)).toBeCloseTo(0.65, 6);
  });

  it("are the same to a recording: of its least sound coil it says that it may as well be one", () => {
    expect(chanceTooSmall(outputAt(-1.96))).toBeLessThan(0.85);
    expect(chanceTooSmall(outputAt(0))).toBeLessThan(0.15);
    expect(chanceTooSmall(outputAt(-1.96) / 5)).toBeGreaterThan(0.97);
  });
});
