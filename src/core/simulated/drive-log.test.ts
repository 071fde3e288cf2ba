/** A simulated drive is judged as the line-up expects that car to be: synthesis and analysis hold each other. */
import { describe, expect, it } from "vitest";
import { simulateCar, type SimulatedCar } from "./simulated-car";
import { cornerSetupSchema, type Family } from "../circuit/setup";
import { corners } from "../units/corner";
import { analyseScan, liveSpeedWord } from "../scanlog/analyse-scan";
import { driveLog } from "./drive-log";
import { parseScanCsv } from "../scanlog/scan-csv";
import { scanToCsv } from "../scanlog/scan-to-csv";

const setupOf = (family: Family) =>
  cornerSetupSchema.parse({
    corner: "RL",
    family,
    path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
  });

describe("a simulated drive", () => {
  it.each<[Family, string, boolean, string]>([
    ["active-2wire", "nothing@none", false, "follows"],
    ["active-2wire", "wire-open@span1.return", false, "zero"],
    ["active-3wire", "sensor-dead@sensor", false, "zero"],
    ["passive", "mounting-gap@mounting", false, "cuts-low"],
    ["active-2wire", "terminal-open@plug.supply", true, "drops-out"],
    ["passive", "tyre-size@tyre", false, "ratio-off"],
    ["active-2wire", "ring-missing@ring", false, "erratic"],
  ])("%s %s (comes and goes: %s): %s, the other corners good", (family, fault, intermittent, word) => {
    const setup = setupOf(family);
    // A sensor that still switches a little, and a hub without its ring, show another word.
    const isUsual = ({ condition: { circuit, ring } }: SimulatedCar) =>
      !ring.absent && (!fault.startsWith("sensor-dead") || circuit.sensor.mode === "stuck");
    const cars = [1, 3, 4, 5, 6, 7].map((seed) => ({ seed, car: simulateCar(setup, fault, { seed, intermittent }) }));
    for (const { seed, car } of cars.filter(({ car }) => isUsual(car)).slice(0, 3)) {
      const findings = analyseScan(driveLog(car, "drive", seed), setup);
      expect(liveSpeedWord(findings, "RL"), `seed ${seed}: ${findings.map(({ say }) => say).join(" ")}`).toBe(word);
      for (const other of corners) if (other !== "RL") expect(liveSpeedWord(findings, other)).toBe("follows");
    }
  });

  it.each<[Family, string, string]>([
    ["active-2wire", "nothing@none", "follows"],
    ["active-2wire", "wire-open@span1.return", "zero"],
    ["passive", "mounting-gap@mounting", "cuts-low"],
  ])(
    "on a car that publishes nothing under 3 km/h: %s %s still says %s, and that silence is no fault",
    (family, fault, word) => {
      const setup = setupOf(family);
      for (const seed of [1, 2, 3]) {
        const log = driveLog(simulateCar(setup, fault, { seed }), "drive", seed, 3);
        expect([...log.speedKmh.FL].some(Number.isNaN)).toBe(true);
        const findings = analyseScan(log, setup);
        expect(findings.map(({ code }) => code)).toContain("published-above");
        expect(liveSpeedWord(findings, "RL"), `seed ${seed}`).toBe(word);
        for (const other of corners) if (other !== "RL") expect(liveSpeedWord(findings, other)).toBe("follows");
      }
    },
  );

  it("written as CSV and read back is the same log, gaps and all", () => {
    const log = driveLog(simulateCar(setupOf("passive"), "mounting-gap@mounting", { seed: 2 }), "drive", 2, 3);
    const read = parseScanCsv(scanToCsv(log), "drive.csv");
    expect([...read.timeS]).toEqual([...log.timeS]);
    for (const corner of corners) expect([...read.speedKmh[corner]]).toEqual([...log.speedKmh[corner]]);
  });
});
