/** The number line of a check: what it must show whatever the instrument. */
import { checkCatalogue } from "../checks/catalogue";
import { describe, expect, it } from "vitest";
import { cornerSetupSchema, families } from "../circuit/setup";
import { complaintSchema } from "../complaint/complaint";
import { Belief } from "../belief/belief";

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
  const belief = new Belief(setup, complaintSchema.parse({}), { seed: 8, perGroup: 18 });
  const strips = checkCatalogue(belief.setup).map(({ id, hookup }) => ({
    id,
    hookup,
    strip: forecastStrip(belief, hookup),
  }));
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
});
