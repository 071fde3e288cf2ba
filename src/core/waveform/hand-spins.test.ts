/** Wheels pushed by hand again and again, as an outside world records them, and facts of the trade said of such recordings. */
import { describe, expect, it } from "vitest";
import { handSpin, type HandKind } from "../../../bench/outside/hand-spins";
import { analyseCapture, type ChannelAnalysis } from "./analyse";
import { waveBetweenPushes } from "./between-pushes";
import { excursions } from "./excursions";
import { ringRaster } from "./raster";
import { rasterWords } from "./raster-words";
import { ownChannel } from "./other-side";
import { isMeasure, isUsable, isUsableAt } from "./usable";

function judged(kind: HandKind, from: number, runs: number, told = true) {
  return Array.from({ length: runs }, (_, n) => {
    const made = handSpin(from + n, kind);
    const capture = { name: "hand", sampleS: made.sampleS, startS: 0, channels: made.channels };
    const channels = analyseCapture(capture, { family: made.family, ...(told ? { pulses: made.poles } : {}) });
    return { made, channels, codes: channels.flatMap(({ findings }) => findings.map(({ code }) => code as string)) };
  });
}
const share = (runs: { codes: string[] }[], is: (codes: string[]) => boolean) =>
  runs.filter(({ codes }) => is(codes)).length / runs.length;

describe("a wheel pushed by hand again and again", () => {
  it("is not losing pulses where the hand grips, nor where it rocks back at the stop", () => {
    for (const kind of ["clean", "rocked"] as const)
      expect(share(judged(kind, 100, 6), (codes) => codes.length === 0)).toBeGreaterThanOrEqual(0.9);
    // To and fro on its last four poles.
    const { channels, sampleS, family } = handSpin(98023056);
    const [rocked] = analyseCapture({ name: "hand", sampleS, startS: 0, channels }, { family });
    expect(rocked!.pulses).toBeGreaterThan(80);
    expect(rocked!.findings).toEqual([]);
  });

  it("has its missing poles counted on through the pushes: they are the ring's, not a wire's", () => {
    const runs = judged("missing-pulses", 200, 10);
    expect(share(runs, (codes) => codes.includes("missing-pulses"))).toBeGreaterThanOrEqual(0.9);
    expect(share(runs, (codes) => codes.includes("random-dropout"))).toBeLessThanOrEqual(0.1);
  });

  it("shows them in one column of the raster, and a recording with its key turned begins there", () => {
    for (let n = 200; n < 203; n++) {
      const { channels, sampleS, poles } = handSpin(n, "missing-pulses");
      const raster = ringRaster({ name: "hand", sampleS, startS: 0, channels }, 0, poles)!;
      const seen = [...raster.missingShare].filter((share) => share > 0);
      expect(Math.max(...seen)).toBeGreaterThan(0.6);
    }
    const { channels, sampleS, poles } = handSpin(400, "key-on");
    const capture = { name: "hand", sampleS, startS: 0, channels };
    const [read] = analyseCapture(capture, { pulses: poles });
    expect(ringRaster(capture, 0, poles)!.rowStartS[0]).toBeCloseTo(read!.pulseTimesS[0]!, 9);
  });

  // Springs and brake let it rock over some poles as it stops: which one stands at the sensor is told give or take some.
  it("stands where the ring clock says, give or take what it says", () => {
    const away = Array.from({ length: 12 }, (_, n) => n).flatMap((n) => {
      const { channels, sampleS, poles, family, turns } = handSpin(600 + n, "rocked");
      const raster = ringRaster({ name: "hand", sampleS, startS: 0, channels }, 0, poles, { family });
      if (!raster) return [];
      const off = (((Math.round(turns * poles) - raster.lastTooth) % poles) + poles) % poles;
      return [{ teeth: Math.min(off, poles - off), within: raster.lastWithin + 1 }];
    });
    expect(away.length).toBeGreaterThan(9);
    expect(away.filter(({ teeth, within }) => teeth > within)).toEqual([]);
    expect(Math.max(...away.map(({ within }) => within))).toBeLessThan(12);
  });

  it("runs out of true where its ring does, by what all stretches between pushes have in common", () => {
    expect(share(judged("eccentric", 300, 10), (codes) => codes.includes("eccentric"))).toBeGreaterThanOrEqual(0.85);
    // By the law itself: ω² falls in straight lines, each from its own push, over a ring 5 % out of true.
    const N = 40;
    const squares = (wave: number) =>
      Float64Array.from({ length: 5 * 48 }, (_, i) => {
        const angle = (2 * Math.PI * i) / N;
        return (90 - 1.1 * (i % 48)) * (1 + 2 * wave * Math.cos(angle + 0.7));
      });
    const found = waveBetweenPushes(squares(0.05), N, 0.8)!;
    expect(found.size).toBeCloseTo(0.05, 2);
    expect(found.error).toBeLessThan(found.size / 3);
    expect(waveBetweenPushes(squares(0), N, 0.8)!.size).toBeLessThan(0.004);
  });
});

describe("what stands beside the signal", () => {
  it("a feed that rises over some hundredths of a second when the key is turned does not dip", () => {
    for (const { codes, channels } of judged("key-on", 400, 4)) {
      expect(codes).toEqual(["key-on-transient"]);
      // A supply that stands is no signal that is flat: nothing of it goes to the car.
      expect(channels.map((one) => [one.isSupply, one.leading, isUsable(one)])).toEqual([
        [false, "clean", true],
        [true, "flat", false],
      ]);
    }
  });

  it("a feed that sinks is told, above the signal's level or below", () => {
    const runs = judged("supply-dip", 500, 5);
    for (const { codes } of runs) expect(codes).not.toContain("random-dropout");
    expect(share(runs, (codes) => codes.includes("supply-dip"))).toBe(1);
    // Whichever channel is used, the car hears of the supply, and of no loose signal wire.
    for (const { channels } of runs) {
      const [signal, supply] = channels as [ChannelAnalysis, ChannelAnalysis];
      expect([signal.beside?.supply, signal.leading, supply.leading]).toEqual(["supply", "supply-dip", "supply-dip"]);
      expect(rasterWords(signal)).toMatch(signal.beside!.lost ? /supply/ : /^Even/);
      expect(isMeasure(signal)).toBe(false);
    }
  });

  // domain.md: the other side of the axle is the next best reference; under 0.6 of it a coil is too small.
  it("a coil at under half of the other side's is too small, whatever its make gives, and in parts of full scale too", () => {
    for (const { made, codes, channels } of judged("low-amplitude", 600, 3)) {
      // What the left wheel shows is not used at the right one.
      expect([ownChannel(channels, "RL"), ownChannel(channels, "RR")]).toEqual([0, 1]);
      expect((["RL", "RR"] as const).map((corner) => isUsableAt(corner, channels[0]!))).toEqual([true, false]);
      expect(codes.filter((code) => code === "low-amplitude")).toHaveLength(1);
      const [left, right] = made.channels as [(typeof made.channels)[0], (typeof made.channels)[0]];
      const read = (names: [string, string]) =>
        analyseCapture(
          {
            name: "sound",
            sampleS: made.sampleS,
            startS: 0,
            channels: [left, right].map((one, i) => ({ ...one, name: names[i]!, scale: "unknown" as const })),
          },
          { family: "passive" },
        ).map(({ findings }) => findings.some(({ code }) => code === "low-amplitude"));
      expect(read(["FL", "FR"])).toEqual([true, false]);
      // Front and rear have rings of their own.
      expect(read(["FL", "RR"])).toEqual([false, false]);
    }
  });
});

it("a wire gone for most of the recording leaves the signal its own two levels", () => {
  const samples = Float32Array.from({ length: 8000 }, (_, i) =>
    i > 900 && i < 6800 ? 0.004 * Math.sin(i * i) : (i % 40 < 20 ? 0.8 : 1.65) + 0.004 * Math.sin(i * i),
  );
  const gone = excursions(samples)!;
  expect(gone.share).toBeCloseTo(0.74, 1);
  expect(gone.levelV).toBeCloseTo(0, 2);
  const channels = [{ name: "signal", unit: "V" as const, samples }];
  const [read] = analyseCapture({ name: "x", sampleS: 1e-3, startS: 0, channels }, { pulses: 48 });
  expect(read!.findings.map(({ code }) => code)).toEqual(["random-dropout"]);
  expect(read!.levels.lowV).toBeCloseTo(0.8, 1);
});
