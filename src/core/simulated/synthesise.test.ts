/** Synthesised recordings obey the laws they are made from, as a general FFT and statistics package see them. */
import FFT from "fft.js";
import { mean, standardDeviation } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { signalPoint } from "../circuit/point";
import { cornerSetupSchema, usualCorner, type CornerSetup, type Family } from "../circuit/setup";
import { parseTyre, rollingCircumferenceM } from "../tyre/tyre";
import { simulateCar } from "./simulated-car";
import { recordCar } from "./synthesise";

const SIZE = 16_384;
const sampleS = 1 / 4096;

function corner(family: Family, more: Partial<CornerSetup> = {}): CornerSetup {
  return cornerSetupSchema.parse({
    ...usualCorner,
    corner: "RR",
    family,
    path: [{ station: "module" }, { spanM: 2, mm2: 0.5 }, { station: "plug" }],
    ...more,
  });
}

function record(setup: CornerSetup, fault: string, kmh: number, seed = 4, noiseV = 0.002): Float32Array {
  const car = simulateCar(setup, fault, { seed });
  const point = signalPoint(setup, "plug");
  return recordCar(car, { point, durationS: SIZE * sampleS, sampleS, fromKmh: kmh, toKmh: kmh, noiseV, seed });
}

/** Amplitude of each frequency line, volts, the mean left out; lines are 0.25 Hz apart. */
function spectrum(samples: Float32Array): { lineHz: number; volts: Float64Array } {
  const fft = new FFT(SIZE);
  const out = fft.createComplexArray();
  const middle = mean([...samples]);
  const windowed = Array.from(
    samples.subarray(0, SIZE),
    (value, i) => (value - middle) * (1 - Math.cos((2 * Math.PI * i) / SIZE)),
  );
  fft.realTransform(out, windowed);
  return {
    lineHz: 1 / (SIZE * sampleS),
    volts: Float64Array.from({ length: SIZE / 2 }, (_, i) => (2 / SIZE) * Math.hypot(out[2 * i]!, out[2 * i + 1]!)),
  };
}

function strongestHz(samples: Float32Array): number {
  const { lineHz, volts } = spectrum(samples);
  return volts.indexOf(Math.max(...volts)) * lineHz;
}

/** Strength about a frequency, over the nearest lines. */
function strengthAt(samples: Float32Array, hertz: number): number {
  const { lineHz, volts } = spectrum(samples);
  const at = Math.round(hertz / lineHz);
  return Math.max(...volts.subarray(Math.max(1, at - 3), at + 4));
}

describe("frequency", () => {
  it.each<[Family, number, number, string]>([
    ["active-2wire", 8, 48, "205/55R16"],
    ["active-2wire", 30, 44, "175/65R14"],
    ["active-3wire", 15, 52, "225/45R17"],
    ["passive", 20, 48, "205/55R16"],
  ])(
    "%s at %s km/h, %s pulses, %s: the strongest line is v·N/C (UNECE R30 diameter, ETRTO factor)",
    (family, kmh, pulses, tyre) => {
      const setup = corner(family, { pulsesPerRevolution: pulses, tyre });
      const expected = ((kmh / 3.6) * pulses) / rollingCircumferenceM(parseTyre(tyre)!);
      expect(Math.abs(strongestHz(record(setup, "nothing@none", kmh)) - expected)).toBeLessThan(0.6);
    },
  );

  it("a ring with the wrong count is off by just its ratio", () => {
    const setup = corner("active-2wire");
    const car = simulateCar(setup, "ring-count@ring-count", { seed: 4 });
    const ratio =
      strongestHz(record(setup, "ring-count@ring-count", 30)) / strongestHz(record(setup, "nothing@none", 30));
    expect(ratio).toBeCloseTo(car.condition.ring.countRatio, 2);
  });
});

describe("size", () => {
  it("passive: volts go with speed in one straight line (Faraday), active: they do not move", () => {
    const passive = corner("passive");
    const sizes = [10, 20, 40].map((kmh) => standardDeviation([...record(passive, "nothing@none", kmh)]));
    expect(sizes[1]! / sizes[0]!).toBeCloseTo(2, 1);
    expect(sizes[2]! / sizes[0]!).toBeCloseTo(4, 1);
    const active = corner("active-2wire");
    const steady = [10, 40].map((kmh) => standardDeviation([...record(active, "nothing@none", kmh)]));
    expect(steady[1]! / steady[0]!).toBeCloseTo(1, 1);
  });

  it("passive at 5 mph is some 0.65 V RMS at the plug (common practice, no source; a car's own tolerance is a third)", () => {
    const rms = [1, 2, 3, 4, 5, 6].map((seed) =>
      standardDeviation([...record(corner("passive"), "nothing@none", 8.04672, seed)]),
    );
    expect(mean(rms)).toBeGreaterThan(0.4);
    expect(mean(rms)).toBeLessThan(0.9);
  });

  it("two-wire levels on the return lie anywhere from 0.2/0.4 to 2/4 V by make, one about twice the other (data sheets, from memory)", () => {
    for (const seed of [1, 2, 3, 4]) {
      const sorted = [...record(corner("active-2wire"), "nothing@none", 12, seed)].sort((a, b) => a - b);
      const [low, high] = [0.1, 0.9].map((share) => sorted[Math.floor(share * sorted.length)]!);
      expect(low).toBeGreaterThan(0.2);
      expect(low).toBeLessThan(2.2);
      expect(high! / low!).toBeGreaterThan(1.8);
      expect(high! / low!).toBeLessThan(2.3);
    }
  });

  it("a gap that rust has opened takes the spacing loss, e^(−2πΔg/λ) (Wallace 1951)", () => {
    const setup = corner("passive");
    const [near, far] = ["nothing@none", "mounting-gap@mounting"].map(
      (fault) => simulateCar(setup, fault, { seed: 9 }).condition,
    );
    const pitch = (Math.PI * near!.ring.diameterMm) / near!.ring.pulses;
    const law =
      Math.exp((-2 * Math.PI * (far!.ring.gapMm - near!.ring.gapMm)) / pitch) *
      (far!.outputFactor / near!.outputFactor);
    const measured =
      standardDeviation([...record(setup, "mounting-gap@mounting", 20, 9, 0)]) /
      standardDeviation([...record(setup, "nothing@none", 20, 9, 0)]);
    expect(measured / law).toBeGreaterThan(0.85);
    expect(measured / law).toBeLessThan(1.15);
  });
});

describe("once a turn", () => {
  const kmh = 24;
  const turnHz = kmh / 3.6 / rollingCircumferenceM(parseTyre("205/55R16")!);

  it.each([
    ["ring-missing@ring", "active-2wire"],
    ["ring-missing@ring", "active-3wire"],
  ] as const)("%s (%s): lost pulses put lines at the turn's own rate beside a clean ring's none", (fault, family) => {
    const setup = corner(family);
    const [clean, broken] = ["nothing@none", fault].map((one) => record(setup, one, kmh));
    for (const multiple of [1, 2, 3])
      expect(strengthAt(broken!, multiple * turnHz)).toBeGreaterThan(4 * strengthAt(clean!, multiple * turnHz));
  });

  it("an eccentric ring puts side lines one turn's rate beside the tooth's own line", () => {
    const setup = corner("passive");
    const toothHz = 48 * turnHz;
    const [clean, runout] = ["nothing@none", "ring-eccentric@ring-eccentric"].map((one) => record(setup, one, kmh));
    const beside = (samples: Float32Array) =>
      (strengthAt(samples, toothHz - turnHz) + strengthAt(samples, toothHz + turnHz)) / strengthAt(samples, toothHz);
    expect(beside(runout!)).toBeGreaterThan(2 * beside(clean!));
  });
});

it("the same car, point and seed give the same recording to the last bit; another seed does not", () => {
  const setup = corner("active-3wire");
  expect(record(setup, "ring-debris@ring-debris", 14, 3)).toEqual(record(setup, "ring-debris@ring-debris", 14, 3));
  expect(record(setup, "ring-debris@ring-debris", 14, 3)).not.toEqual(record(setup, "ring-debris@ring-debris", 14, 5));
});
