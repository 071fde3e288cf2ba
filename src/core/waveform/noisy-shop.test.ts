/**
 * Recordings of a noisy shop from a third hand, through the door files come in by: a small fixed set, so that what holds
 * now goes on holding (`bench:outside-waves -- --shop` tries fresh ones). Hum and bursts against what was laid over.
 */
import fc from "fast-check";
import { expect, describe, it } from "vitest";
import { faultOf, shopKinds, shopRecording, type ShopKind } from "../../../bench/outside/noisy-shop";
import { readCaptureFile } from "../capture/read-file";
import { analyseCapture } from "./analyse";
import { withoutHum } from "./hum";
import { impulses } from "./impulses";
import { supplies } from "./supply";
import { isUsable } from "./usable";

const SMALL = ["low-amplitude", "drop-out-speed"];

function faultsIn(seed: number, kind: ShopKind): string[] {
  const { text, file, family, teeth } = shopRecording(seed, kind);
  const capture = readCaptureFile(new TextEncoder().encode(text), file);
  const analysed = analyseCapture(capture, { family, pulses: teeth });
  const found = analysed.flatMap(({ findings }) => findings);
  // A tooth is one of those the raster and the clock show, though a coded sensor tells both edges of a pole.
  for (const { findings, foldedBy } of analysed)
    for (const { tooth } of findings) if (tooth) expect(tooth).toBeLessThanOrEqual(foldedBy!);
  return found.map(({ code }) => code).filter((code) => code !== "key-on-transient" && code !== "probe-spike");
}

const isFault = (kind: ShopKind) => faultOf(kind) !== null && kind !== "key-on-transient" && kind !== "probe-spike";

describe("a noisy shop's recordings", () => {
  it.each(shopKinds.filter((kind) => !isFault(kind)))("%s: no fault is named", (kind) => {
    expect(faultsIn(901, kind)).toEqual([]);
  });

  it.each(shopKinds.filter(isFault))(
    "%s: named at the first try or at both others, and nothing else beside",
    (kind) => {
      const isRight = (codes: string[]) =>
        codes.length > 0 && codes.every((code) => code === kind || (SMALL.includes(kind) && SMALL.includes(code)));
      const first = faultsIn(911, kind);
      const others = isRight(first) ? [] : [912, 913].map((seed) => faultsIn(seed, kind));
      expect(
        others.filter((codes) => !isRight(codes)),
        JSON.stringify([first, ...others]),
      ).toEqual([]);
    },
  );
});

it("three levels at full speed are a signal, not a loose wire", () => {
  const { text, file, family } = shopRecording(98012020);
  const [read] = analyseCapture(readCaptureFile(new TextEncoder().encode(text), file), { family });
  expect(read!.signal).toBe("three-level");
  expect(read!.findings).toEqual([]);
});

it("hash that no coil at rest picks up hides the wheel: it names no leaking coil, and counts for nothing", () => {
  const { text, file, family } = shopRecording(3012310062);
  const [drowned] = analyseCapture(readCaptureFile(new TextEncoder().encode(text), file), { family });
  expect(drowned!.findings.map(({ code }) => code)).toEqual(["interference"]);
  expect(isUsable(drowned!)).toBe(false);
  const quiet = shopRecording(901, "noise-at-rest");
  const [leaking] = analyseCapture(readCaptureFile(new TextEncoder().encode(quiet.text), quiet.file), { family });
  expect(leaking!.findings.map(({ code }) => code)).toEqual(["noise-at-rest"]);
  expect(isUsable(leaking!)).toBe(true);
});

/** Pulses of a wheel that runs down to a stop, in two levels or as a coil's wave. */
function spin(sampleS: number, count: number, coil: boolean): Float32Array {
  const out = new Float32Array(count);
  let phase = 0;
  for (let i = 0; i < count; i++) {
    const hertz = Math.max(0, 90 * (1 - i / (0.8 * count)));
    phase += hertz * sampleS;
    out[i] = coil ? 0.02 * hertz * Math.sin(2 * Math.PI * phase) : phase % 1 < 0.5 ? 1.7 : 0.84;
  }
  return out;
}

describe("what mains lay over a recording", () => {
  it("is taken out to a tenth of it or half a hundredth of the signal, whatever its phase and size; where there is none nothing is (property)", () => {
    const sampleS = 1 / 8000;
    fc.assert(
      fc.property(
        fc.constantFrom(50, 60),
        fc.double({ min: -0.15, max: 0.15, noNaN: true }),
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: 0.04, max: 0.25, noNaN: true }),
        fc.boolean(),
        (mains, off, phase, peakV, coil) => {
          const clean = spin(sampleS, 40_000, coil);
          const hum = clean.map((_, i) => peakV * Math.sin(2 * Math.PI * (mains + off) * i * sampleS + phase));
          const found = withoutHum(
            clean.map((value, i) => value + hum[i]!),
            sampleS,
          );
          expect(found?.hum.hz).toBeCloseTo(mains + off, 1);
          const left = found!.samples.map((value, i) => value - clean[i]!);
          const rms = (values: Float32Array) =>
            Math.sqrt(values.reduce((sum, one) => sum + one * one, 0) / values.length);
          expect(rms(left)).toBeLessThan(0.12 * rms(hum) + 0.004 * (coil ? 3.6 : 0.86));
          expect(withoutHum(clean, sampleS)).toBeNull();
        },
      ),
      { numRuns: 25 },
    );
  });

  // A bench that turns a sensor at just the mains' frequency is a signal, and stays one.
  it("is not an even signal of the same frequency", () => {
    const even = Float32Array.from({ length: 40_000 }, (_, i) => 0.7 * Math.sin((2 * Math.PI * 50 * i) / 8000));
    expect(withoutHum(even, 1 / 8000)).toBeNull();
    expect(
      analyseCapture(
        { name: "", sampleS: 1 / 8000, startS: 0, channels: [{ name: "a", unit: "V", samples: even }] },
        { family: "passive", pulses: 48 },
      )[0]!.frequencyHz!.median,
    ).toBeCloseTo(50, 1);
  });
});

it("bursts of ignition are bridged and counted; a wire that chatters, single spikes and noise are none", () => {
  const sampleS = 1 / 20_000;
  const clean = spin(sampleS, 100_000, false);
  const with_ = (of: (t: number, i: number) => number) => clean.map((value, i) => value + of(i * sampleS, i));
  const sparks = with_((t) => 1.2 * Math.exp(-((t * 40) % 1) / 40 / 0.0005) * Math.sin(2 * Math.PI * 3000 * t));
  const found = impulses(sparks, sampleS, 0.005)!;
  // 40 a second over five seconds, by hand.
  expect(found.count).toBeGreaterThan(170);
  expect(found.count).toBeLessThan(205);
  const worst = found.samples.map((value, i) => Math.abs(value - clean[i]!)).toSorted();
  expect(worst[Math.floor(0.98 * worst.length)]).toBeLessThan(0.3);
  let noise = 1;
  const hiss = with_(() => ((noise = (noise * 1103515245 + 12345) & 0x7fffffff) / 0x7fffffff - 0.5) * 0.4);
  expect(impulses(hiss, sampleS, 0.115)).toBeNull();
  expect(
    impulses(
      with_((_, i) => (i > 30_000 && i < 34_000 && i % 40 < 20 ? -0.84 : 0)),
      sampleS,
      0.005,
    ),
  ).toBeNull();
  expect(
    impulses(
      with_((_, i) => (i % 25_000 < 10 ? 6 : 0)),
      sampleS,
      0.005,
    ),
  ).toBeNull();
});

it("a supply is told from a sensor that stands: long dips leave it one only where it stands above the signals", () => {
  const stand = (usual: number, low: number, from: number, to: number) => ({
    samples: Float32Array.from({ length: 4000 }, (_, i) => (i > from && i < to ? low : usual)),
  });
  const pulses = { samples: Float32Array.from({ length: 4000 }, (_, i) => (i % 40 < 20 ? 0.84 : 1.7)) };
  expect(supplies([pulses, stand(11.6, 3, 1000, 2200)]).map((one) => one?.dips.length ?? null)).toEqual([null, 1]);
  // Two three-wire sensors turned by hand: either stands at its pull-up for most of the time.
  expect(supplies([stand(12, 0.2, 500, 1700), stand(12, 0.2, 2000, 3000)])).toEqual([null, null]);
  expect(supplies([stand(11.6, 3, 1000, 1200)])).toEqual([null]);
  // 8 V beside an output pulled up to 12 V: what sinks twice beside what never rests is what feeds it.
  const pulledUp = { samples: pulses.samples.map((value, i) => (value > 1 && !(i > 1000 && i < 2200) ? 12 : 0.2)) };
  expect(supplies([pulledUp, stand(8, 2, 1000, 2200)]).map((one) => one?.dips.length ?? null)).toEqual([null, 1]);
  // One wheel spun, the other turned by two teeth meanwhile: neither feeds the other.
  const spun = { samples: pulses.samples.map((value) => (value > 1 ? 12 : 0.2)) };
  expect(supplies([spun, stand(12, 0.2, 1000, 2200)])).toEqual([null, null]);
});
