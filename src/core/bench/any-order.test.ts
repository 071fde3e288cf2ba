/**
 * Readings say the same in whatever order they are taken: nothing in the circuit knows it. What is read near the module
 * first and at the sensor next must not leave another part than the other way about.
 */
import { describe, expect, it } from "vitest";
import { corner, ohms, volts } from "../../../bench/stories/story";
import type { Part } from "../faults/parts/parts";
import { openDiagnosis } from "./diagnose-file";

const MOST_APART = 0.1;

function inEveryOrder<T>(all: readonly T[]): T[][] {
  if (all.length < 2) return [[...all]];
  return all.flatMap((one, i) => inEveryOrder(all.filter((_, at) => at !== i)).map((rest) => [one, ...rest]));
}

function sharesOf(file: object): (part: Part) => number {
  const { diagnosing, readings } = openDiagnosis(JSON.stringify(file), "order.json");
  readings.forEach((reading) => diagnosing.read(reading));
  const { parts } = diagnosing.ranking();
  return (part) => parts.find((one) => one.part === part)?.share ?? 0;
}

describe("the same readings in every order", () => {
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
    [
      "a battery worn down",
      "active-2wire",
      [volts("plug.out.supply", "8.4 V"), volts("module.out.supply", "8.5 V"), volts("battery.positive", "9.7 V")],
      ["module-feed"],
    ],
  ])("%s", (_, family, readings, suspected) => {
    const all = inEveryOrder(readings).map((order) => sharesOf(corner(family, order)));
    for (const part of ["sensor", "connector", "harness", "ring", "module-feed"] as const) {
      const shares = all.map((shareOf) => shareOf(part));
      expect(Math.max(...shares) - Math.min(...shares), part).toBeLessThan(MOST_APART);
    }
    for (const shareOf of all) expect(suspected.reduce((sum, part) => sum + shareOf(part), 0)).toBeGreaterThan(0.85);
  });
});
