/** Recordings that are not three even turns: wires moved at a standstill, poles passed one by one, ends in full turn, loggers. */
import { describe, expect, it } from "vitest";
import { UnusableInput } from "../capture/capture";
import { parseCaptureCsv } from "../capture/csv";
import { normal, seeded } from "../random/random";
import { analyseCapture, type AnalyseOptions } from "./analyse";
import { endsAway } from "./ends-abruptly";
import { isUsable } from "./usable";

const two: AnalyseOptions = { family: "active-2wire", pulses: 48 };
const three: AnalyseOptions = { family: "active-3wire", pulses: 48 };

/** A level over time as an eight-bit converter shows it. */
function recorded(rate: number, seconds: number, volts: (s: number) => number, options: AnalyseOptions, name = "A") {
  const random = seeded(7);
  const samples = Float32Array.from({ length: Math.round(rate * seconds) }, (_, i) => {
    const value = volts(i / rate) + 0.012 * (random() - 0.5);
    return Math.round(value / 0.02) * 0.02;
  });
  const capture = { name: "x", sampleS: 1 / rate, startS: 0, channels: [{ name, unit: "V" as const, samples }] };
  return analyseCapture(capture, options)[0]!;
}

const within = (s: number, ...spans: [number, number][]) => spans.some(([from, to]) => s >= from && s < to);
const codes = ({ findings }: ReturnType<typeof recorded>) => findings.map(({ code }) => code);
/** A wheel at one turn a second, 48 poles. */
const square = (s: number, low: number, high: number) => ((48 * s) % 1 < 0.5 ? high : low);

describe("a wheel that stands while the loom is moved", () => {
  it("a level that goes where no sensor puts it, and comes back, is a wire; to 0 V, to the supply, mostly gone", () => {
    const jumps: [number, number][] = [
      [2, 2.006],
      [4.5, 4.7],
      [6.1, 6.13],
    ];
    for (const [home, away, word] of [
      [0.84, 0, "signal-fallen"],
      [0.84, 12, "signal-risen"],
      [1.7, 0, "signal-fallen"],
    ] as const) {
      const one = recorded(5000, 10, (s) => (within(s, ...jumps) ? away : home), two);
      expect(codes(one)).toEqual(["random-dropout"]);
      expect(one.leading).toBe(word);
      expect(one.findings[0]).toMatchObject({ facts: { times: 3, standing: true } });
    }
    const mostlyGone = recorded(5000, 10, (s) => (within(s, [3, 5], [7, 7.4]) ? 0.84 : 0), two);
    expect(mostlyGone.leading).toBe("signal-fallen");
  });

  it("a supply that sinks by itself is a dip of the supply", () => {
    const one = recorded(2000, 10, (s) => (within(s, [3, 3.05], [8, 8.3]) ? 4 : 11.4), two, "C1 supply");
    expect(codes(one)).toEqual(["supply-dip"]);
  });

  it("nothing that happens is nothing found, whichever of its levels it stands at", () => {
    for (const volts of [0.84, 1.68]) {
      const one = recorded(2000, 10, () => volts, two);
      expect(one).toMatchObject({ findings: [], leading: "flat" });
      expect(one.warnings.join()).toMatch(/only if the wheel was turned/);
    }
  });
});

describe("poles passed one by one", () => {
  it("a sensor that steps between its own levels is neither flat nor faulty, and the ring is not cleared", () => {
    for (const [options, low, high] of [
      [two, 0.84, 1.68],
      [three, 0.2, 5],
    ] as const)
      for (const every of [4, 2.1, 1.5]) {
        const one = recorded(1000, 24, (s) => (Math.floor(s / every) % 2 ? high : low), options);
        expect(one.leading).not.toBe("flat");
        expect(one.findings).toEqual([]);
        expect(isUsable(one)).toBe(false);
        expect(one.warnings.join()).toMatch(/steps between its own two levels/);
      }
  });

  it("a signal that rides on its supply, and an input that knows no volts, step as well", () => {
    const rides = recorded(1000, 24, (s) => (Math.floor(s / 4) % 2 ? 11.4 : 10.6), two, "supply");
    expect(rides.findings).toEqual([]);
    const rows = ["Time [s],Channel 0", ...Array.from({ length: 20 }, (_, i) => `${3 * i + (i % 3) / 10},${i % 2}`)];
    const [logic] = analyseCapture(parseCaptureCsv(rows.join("\n"), "x.csv"), two);
    for (const one of [rides, logic!]) {
      expect(one.findings).toEqual([]);
      expect(isUsable(one)).toBe(false);
    }
  });

  it("a jump too brief for a pole is none", () => {
    const one = recorded(5000, 12, (s) => (within(s, [3, 3.004], [7, 7.01]) ? 5 : 0.2), three);
    expect(one.leading).toBe("signal-parked");
  });
});

describe("a recording that ends with the wheel still turning", () => {
  it("clears nothing and says when, whatever the level rests at and however long", () => {
    for (const [options, low, high, rest] of [
      [two, 0.84, 1.68, 0],
      [two, 0.42, 0.84, 0],
      [three, 0.2, 5, 5],
    ] as const)
      for (const end of [2.5, 4, 5]) {
        const one = recorded(10_000, 6, (s) => (s < end ? square(s, low, high) : rest), options);
        expect(isUsable(one), `${rest} V from ${end} s`).toBe(false);
        expect(one.warnings.join()).toMatch(new RegExp(`ends ${end.toFixed(1)} s in`));
      }
  });

  it("a level that goes where no sensor puts it is lost, though the wheel had all but run out", () => {
    const turned = (s: number) => s - (s * s) / 8;
    const one = recorded(10_000, 6, (s) => (s < 3.6 ? square(turned(s), 0.84, 1.68) : 0), two);
    expect(isUsable(one)).toBe(false);
  });

  it("a wheel that runs out, is caught by hand, or turns to the end is no such thing", () => {
    const turns = (s: number, stop: number) => (s < stop ? s - (s * s) / (2 * stop) : stop / 2);
    const runsOut = recorded(10_000, 6, (s) => square(turns(s, 5), 0.84, 1.68), two);
    const caught = recorded(10_000, 6, (s) => square(s < 3 ? s : 3 + turns(s - 3, 0.4), 0.84, 1.68), two);
    const toTheEnd = recorded(10_000, 6, (s) => square(s, 0.84, 1.68), two);
    for (const one of [runsOut, caught, toTheEnd]) {
      expect(one.findings).toEqual([]);
      expect(isUsable(one)).toBe(true);
    }
  });
});

describe("what is no recording of a signal", () => {
  it("a logger's few samples of a turning wheel are said to be too few, not noise and not flat", () => {
    for (const rate of [20, 50, 100])
      for (const [options, wave] of [
        [two, (s: number) => square(s + 0.004 * s * s, 0.84, 1.68)],
        [{ family: "passive", pulses: 48 }, (s: number) => 4 * Math.sin(2 * Math.PI * (48.7 * s + 0.2 * s * s))],
      ] as const) {
        const one = recorded(rate, 12, wave, options);
        expect(one.findings, `${options.family} ${rate}/s`).toEqual([]);
        expect(isUsable(one), `${options.family} ${rate}/s`).toBe(false);
      }
  });

  it("a list of changes is held between them: a whole ring, and one with a gap, at 0 and 1", () => {
    const list = (gone: number) => {
      const rows = ["Time [s],Channel 0", "0,0"];
      for (let k = 0; k < 48 * 5; k++) {
        const start = (k + 0.3) / 60 + 0.00012 * ((k * 7) % 5);
        if (k % 48 !== gone) rows.push(`${start.toFixed(7)},1`, `${(start + 0.5 / 60).toFixed(7)},0`);
      }
      return analyseCapture(parseCaptureCsv(rows.join("\n"), "x.csv"), two)[0]!;
    };
    expect(codes(list(-1))).toEqual([]);
    expect(list(-1)).toMatchObject({ pulses: 240, inVolts: false });
    expect(codes(list(17))).toEqual(["missing-pulses"]);
  });

  it("a few changes far apart fill no memory", () => {
    const columns = 12;
    const rows = Array.from(
      { length: 40 },
      (_, i) =>
        `${i < 20 ? i * 1e-9 : i * 1e3},${Array(columns)
          .fill(i % 2)
          .join()}`,
    );
    const { channels } = parseCaptureCsv(`time (s),${Array(columns).fill("a").join()}\n${rows.join("\n")}`, "x.csv");
    expect(channels.reduce((sum, { samples }) => sum + samples.length, 0)).toBeLessThan(2_100_000);
  });

  it("a column of hertz or of speeds is refused with what to export, and left out beside a signal", () => {
    const file = (head: string, row: (i: number) => string) =>
      [head, ...Array.from({ length: 60 }, (_, i) => row(i))].join("\n");
    for (const head of ["time (s),frequency (Hz)", "Time,Wheel speed\ns,km/h", "time (s),Frequency"])
      expect(() =>
        parseCaptureCsv(
          file(head, (i) => `${i / 10},${40 + (i % 7)}`),
          "x.csv",
        ),
      ).toThrow(UnusableInput);
    // A speed sensor's volts are no speed.
    const sensor = parseCaptureCsv(
      file("time (s),Speed sensor FL", (i) => `${i / 10},${(i % 9) / 9}`),
      "x.csv",
    );
    expect(sensor.channels).toHaveLength(1);
    const both = parseCaptureCsv(
      file("time (s),signal (V),frequency (Hz)", (i) => `${i / 10},${i % 2},48`),
      "x.csv",
    );
    expect(both.channels.map(({ name }) => name)).toEqual(["signal"]);
  });
});

describe("hash over a coil's wave", () => {
  /** A wheel turned evenly at one turn a second, its coil's wave 1.2 V high, with so much of white noise on it. */
  const coil = (noiseV: number) => {
    const random = seeded(11);
    const samples = Float32Array.from({ length: 20_000 }, (_, i) => {
      const wave = 0.6 * Math.sin(2 * Math.PI * 48 * (i / 5000));
      return Math.round((wave + noiseV * normal(random)) / 0.005) * 0.005;
    });
    const capture = { name: "x", sampleS: 1 / 5000, startS: 0, channels: [{ name: "A", unit: "V" as const, samples }] };
    return analyseCapture(capture, { family: "passive", pulses: 48 })[0]!;
  };

  it("is told, and how large it is; the wave's own bend and the converter's steps are none", () => {
    expect(codes(coil(0))).toEqual([]);
    expect(codes(coil(0.004))).toEqual([]);
    const [found, ...more] = coil(0.12).findings;
    expect([found?.code, more]).toEqual(["interference", []]);
    expect(found!.size).toBeCloseTo(0.12, 1);
  });
});

describe("where a level went and stayed", () => {
  it("is where what was recorded and what was held part for good, and for four tenths of a second at least", () => {
    const held = new Float32Array(1000).fill(0.84);
    const recorded = held.slice();
    recorded.fill(0, 200, 300);
    recorded.fill(12, 550);
    expect(endsAway(recorded, held, 0.001)).toBeCloseTo(0.55, 9);
    expect(endsAway(recorded, held, 0.0005)).toBeNull();
    expect(endsAway(held, held, 0.001)).toBeNull();
    expect(endsAway(new Float32Array(1000), held, 0.001)).toBe(0);
  });
});
