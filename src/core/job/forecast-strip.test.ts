/** The number line of a check: what it must show whatever the instrument. */
import { describe, expect, it } from "vitest";
import { cornerSetupSchema, families } from "../circuit/setup";
import { complaintSchema } from "../lineup/complaint";
import { LineUp } from "../lineup/line-up";
import { toScale } from "../lineup/scale";
import { forecastStrip } from "./forecast-strip";

describe.each(families)("the number line of every check that reads a number, %s", (family) => {
  const setup = cornerSetupSchema.parse({
    corner: "FL",
    family,
    path: [
      { station: "module" },
      { spanM: 2, mm2: 0.5 },
      { station: "c1" },
      { spanM: 2, mm2: 0.5 },
      { station: "plug" },
    ],
  });
  const lineUp = new LineUp(setup, complaintSchema.parse({}), { seed: 8, perGroup: 18 });
  const strips = lineUp.checks.map(({ id, hookup }) => ({ id, hookup, strip: forecastStrip(lineUp, hookup) }));
  const numbers = strips.filter(({ strip }) => strip.axis !== null);

  it("has round numbers in order along it, each once, and its ends hold what suspects would read", () => {
    expect(numbers.length).toBeGreaterThan(30);
    for (const { id, strip } of numbers) {
      const held = strip.rows.flatMap(({ bands }) => bands);
      if (held.length > 0 && strip.axis!.high - strip.axis!.low > 3) expect(strip.ticks.length, id).toBeGreaterThan(0);
      expect(new Set(strip.ticks.map(({ label }) => label)).size, id).toBe(strip.ticks.length);
      strip.ticks.slice(1).forEach(({ at }, i) => expect(at, id).toBeGreaterThan(strip.ticks[i]!.at));
      for (const { from, to, chance } of held) {
        expect(from, id).toBeGreaterThanOrEqual(0);
        expect(to, id).toBeLessThanOrEqual(1 + 1e-9);
        expect(chance, id).toBeGreaterThan(0);
      }
    }
  });

  it("says picofarads on a capacitance, and a healthy wire is over limit there", () => {
    const charge = numbers.find(({ id }) => id.startsWith("capacitance:plug.in"))!;
    const { high, low } = charge.strip.axis!;
    expect(toScale("capacitance", 1e-9)).toBeGreaterThan(low);
    expect(high).toBeGreaterThan(low);
    if (charge.strip.ticks.length > 1) expect(charge.strip.ticks.at(-1)!.label).toMatch(/[pn]F$/);
    expect(charge.strip.rows.find(({ healthy }) => healthy)!.overLimit).toBeGreaterThan(0.9);
  });
});
