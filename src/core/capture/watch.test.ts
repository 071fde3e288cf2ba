/** A watch of hours: every moment caught once, none made of a window's own ends, and all of it kept as an envelope. */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { analyseCapture } from "../waveform/analyse";
import type { Capture } from "./capture";
import { lastSeconds } from "./last-seconds";
import { Watch } from "./watch";

const CODES = ["random-dropout"];
const window = (startS: number, lengthS: number, sampleS = 0.1, value = 0): Capture => ({
  name: "w",
  sampleS,
  startS,
  channels: [{ name: "signal", unit: "V", samples: new Float32Array(Math.round(lengthS / sampleS)).fill(value) }],
});

describe("a watch", () => {
  it("catches each moment once, however the windows lie over it", () => {
    const apart = fc.array(fc.integer({ min: 8, max: 400 }), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(apart, fc.integer({ min: 5, max: 15 }), (gaps, everyTenthS) => {
        const watch = new Watch(CODES);
        const moments: number[] = [];
        gaps.reduce((at, gap) => (moments.push(at + gap), at + gap), 0);
        const told: number[] = [];
        for (let endS = 4; endS < moments.at(-1)! + 10; endS += everyTenthS / 10) {
          const here = moments
            .filter((at) => at > endS - 4 && at + 0.2 < endS)
            .map((at) => ({ code: "random-dropout", confidence: 0.9, startS: at, endS: at + 0.2 }));
          told.push(...watch.look(window(endS - 4, 4), here).map(({ startS }) => startS));
        }
        expect(told).toEqual(moments);
      }),
      { numRuns: 60 },
    );
  });

  it("counts what two channels show at one time as one moment", () => {
    const watch = new Watch(CODES);
    const both = [0.8, 0.95].map((confidence, i) => ({
      ...{ code: "random-dropout", confidence },
      startS: 2 + 0.01 * i,
      endS: 2.3,
    }));
    const told = [4, 4.5, 5].flatMap((endS) => watch.look(window(endS - 4, 4), both));
    expect(told).toEqual([both[1]]);
    expect(watch.count).toBe(1);
  });

  it("takes no end of a window, nothing unsure and no finding it was not asked for as a moment", () => {
    const watch = new Watch(CODES);
    for (let endS = 4; endS < 40; endS += 0.5)
      watch.look(window(endS - 4, 4), [
        { code: "random-dropout", confidence: 0.9, startS: endS - 0.1, endS },
        { code: "random-dropout", confidence: 0.9, startS: endS - 4, endS: endS - 3.9 },
        { code: "random-dropout", confidence: 0.3, startS: 10, endS: 10.2 },
        { code: "eccentric", confidence: 0.99, startS: endS - 3, endS: endS - 1 },
      ]);
    expect(watch.caught).toEqual([]);
  });

  it("is gone on with by another page: what went by in between was missed", () => {
    const first = new Watch(CODES);
    first.look(window(3, 4, 0.1, 1), [{ code: "random-dropout", confidence: 0.9, startS: 5, endS: 5.2 }]);
    first.look(window(3, 4, 0.1, 1), [{ code: "random-dropout", confidence: 0.9, startS: 5, endS: 5.2 }]);
    const second = new Watch(CODES, { kept: structuredClone(first.keep()), gapS: 10 });
    expect([second.watchedS, second.count]).toEqual([expect.closeTo(4, 6) as number, 1]);
    // A new page's source counts from nought again.
    second.look(window(0, 2, 0.1, 7), []);
    expect(second.watchedS).toBeCloseTo(16, 6);
    expect(second.missedS).toBeCloseTo(10, 6);
    expect(second.least[0]!.slice(0, 16)).toEqual([1, 1, 1, 1, ...Array<number>(10).fill(NaN), 7, 7]);
    expect(second.keep().caught).toBe(1);
  });

  it("keeps least and greatest of every second, and says what it missed", () => {
    const watch = new Watch(CODES);
    watch.look(window(0, 3, 0.1, 1), []);
    watch.look(window(2, 3, 0.1, 2), []);
    watch.look(window(65, 2, 0.1, 5), []);
    expect(watch.least[0]!.slice(0, 5)).toEqual([1, 1, 1, 2, 2]);
    expect(watch.greatest[0]!.slice(0, 5)).toEqual([1, 1, 1, 2, 2]);
    expect(watch.least[0]![30]).toBeNaN();
    expect(watch.least[0]![66]).toBe(5);
    expect(watch.missedS).toBeCloseTo(60, 5);
    expect(watch.watchedS).toBeCloseTo(67, 5);
  });

  it("keeps every channel's envelope and what was marked, and another page goes on with both", () => {
    const both = (startS: number, values: readonly number[][]): Capture => ({
      name: "w",
      sampleS: 0.25,
      startS,
      channels: values.map((samples, i) => ({ name: `${i}`, unit: "V", samples: Float32Array.from(samples) })),
    });
    const first = new Watch(CODES);
    first.look(
      both(0, [
        [1, 2, 3, 4, 5, 6, 7, 8],
        [0, 0, 0, -9, 0, 0, 9, 0],
      ]),
      [],
    );
    first.mark("moved the loom at the arch");
    const second = new Watch(CODES, { kept: structuredClone(first.keep()), gapS: 0 });
    expect([second.least, second.greatest]).toEqual([
      [
        [1, 5],
        [-9, 0],
      ],
      [
        [4, 8],
        [0, 9],
      ],
    ]);
    expect(second.marks).toEqual([{ atS: 2, text: "moved the loom at the arch" }]);
  });

  it("of screens that stand apart counts what one look finds, for there is no second", () => {
    const found = [{ code: "random-dropout", confidence: 0.9, startS: 1, endS: 1.2 }];
    const [screens, rolls] = [new Watch(CODES, undefined, true), new Watch(CODES)];
    expect(screens.look(window(0, 4), found)).toHaveLength(1);
    expect(rolls.look(window(0, 4), found)).toHaveLength(0);
  });

  // The tightest bend lets two wheels of an axle differ by a third (from memory); nobody's wheel stands while the other rolls.
  it.each([
    [[20, 0], true],
    [[null, 20], true],
    [[20, 14], true],
    [[20, 16], false],
    [[3, null], false],
    [[null, null], false],
    [[20], false],
  ] as [(number | null)[], boolean][])("speeds of %j km/h on one axle are caught as apart: %s", (speeds, caught) => {
    const watch = new Watch(CODES);
    for (let startS = 0; startS < 3; startS++) watch.look(window(startS, 5), [], speeds);
    expect(watch.caught.map(({ code }) => code)).toEqual(caught ? ["apart"] : []);
  });

  it("finds the breaks of a loose wire in two minutes of a turning wheel by the analysis itself, and none on a good one", () => {
    const sampleS = 1 / 2000;
    const breaks = [15, 50.4, 51.1, 80.2, 100.7];
    const recorded = (withBreaks: boolean): Capture => {
      const samples = new Float32Array(120 / sampleS);
      for (let i = 0; i < samples.length; i++) {
        const at = i * sampleS;
        const lost = withBreaks && breaks.some((one) => at > one && at < one + 0.12);
        const phase = 48 * 1.1 * (at + 0.05 * Math.sin(at / 3));
        samples[i] = (lost ? 0.02 : phase % 1 < 0.5 ? 0.84 : 1.68) + 0.004 * Math.sin(977 * at);
      }
      return { name: "wheel", sampleS, startS: 0, channels: [{ name: "signal", unit: "V", samples }] };
    };
    const watched = (capture: Capture) => {
      const watch = new Watch(CODES);
      for (let endS = 4; endS < 120; endS += 1.5) {
        const last = lastSeconds(capture, endS, 4);
        const [channel] = analyseCapture(last, { pulses: 48, tyre: "205/55R16", family: "active-2wire" });
        watch.look(last, channel!.findings);
      }
      return watch.caught.map(({ startS }) => startS);
    };
    expect(watched(recorded(false))).toEqual([]);
    const caught = watched(recorded(true));
    // The two breaks 0.7 s apart are one moment.
    for (const one of [15, 50.4, 80.2, 100.7])
      expect(
        caught.some((at) => Math.abs(at - one) < 0.5),
        String(one),
      ).toBe(true);
    expect(caught).toHaveLength(4);
  });
});
