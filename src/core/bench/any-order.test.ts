/**
 * Readings say the same in whatever order they are taken: nothing in the circuit knows it. What is read near the module
 * first and at the sensor next must not leave another part than the other way about.
 */
import { describe, expect, it } from "vitest";
import { corner, ohms, volts } from "../../../bench/stories/story";
import type { Part } from "../faults/parts/parts";
import { openDiagnosis } from "./diagnose-file";

const MOST_APART = 0.1;

function sharesOf(file: object): (part: Part) => number {
  const { diagnosing, readings } = openDiagnosis(JSON.stringify(file), "order.json");
  readings.forEach((reading) => diagnosing.read(reading));
  const { parts } = diagnosing.ranking();
  return (part) => parts.find((one) => one.part === part)?.share ?? 0;
}

describe("the same readings, first to last and last to first", () => {
  it.each<[string, "passive" | "active-2wire", object[], Part[]]>([
    [
      "passive: a coil read from afar and at its own plug, a corroded wire between",
      "passive",
      [ohms("module.out.a", "module.out.b", "1.9 kΩ", "module"), ohms("plug.out.a", "plug.out.b", "1.15 kΩ", "plug")],
      ["connector", "harness"],
    ],
    [
      "most of the supply lost on its way",
      "active-2wire",
      [volts("plug.out.supply", "3.3 V"), volts("module.out.supply", "11.8 V"), volts("battery.positive", "12.4 V")],
      ["connector", "harness"],
    ],
  ])("%s", (_, family, readings, suspected) => {
    const all = [readings, readings.toReversed()].map((order) => sharesOf(corner(family, order)));
    for (const part of ["sensor", "connector", "harness", "ring", "module-feed"] as const) {
      const shares = all.map((shareOf) => shareOf(part));
      expect(Math.max(...shares) - Math.min(...shares), part).toBeLessThan(MOST_APART);
    }
    for (const shareOf of all) expect(suspected.reduce((sum, part) => sum + shareOf(part), 0)).toBeGreaterThan(0.8);
  });
});
