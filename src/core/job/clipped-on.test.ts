/** Where a recording was made decides what it says: at the module or at the sensor, one channel or two at one time. */
import { describe, expect, it } from "vitest";
import { openDiagnosis } from "../bench/diagnose-file";
import { cornerSetupSchema } from "../circuit/setup";
import { observe } from "../observation/read-observation";
import type { Reading } from "../observation/reading";
import { analyseCapture } from "../waveform/analyse";
import { probePlaces, recordedState, recordingReadings, usedChannels, placesOf, wordsOfUse } from "./clipped-on";
import { entrySchema, type Entry } from "./schema";

const corner = {
  corner: "FL",
  family: "active-2wire",
  path: [{ station: "module" }, { spanM: 2, mm2: 0.5 }, { station: "plug" }],
};
const setup = cornerSetupSchema.parse(corner);
const rate = 4000;

/** A wheel at a steady number of pulses a second; twice, for some tenths of a second, a wire that is off. */
function wheel(hertz: number, awayV?: number): Float32Array {
  return Float32Array.from({ length: 6 * rate }, (_, i) => {
    const s = i / rate;
    if (awayV !== undefined && ((s >= 2 && s < 2.6) || (s >= 4 && s < 4.3))) return awayV;
    return ((i * hertz) / rate) % 1 < 0.5 ? 1.4 : 0.7;
  });
}

function recorded(...channels: [string, Float32Array][]) {
  return analyseCapture(
    {
      name: "caught",
      sampleS: 1 / rate,
      startS: 0,
      channels: channels.map(([name, samples]) => ({ name, unit: "V" as const, samples })),
    },
    { pulses: 48, family: "active-2wire" },
  );
}

function partsAfter(readings: readonly Reading[]): Record<string, number> {
  const file = {
    tastatura: "diagnose/1",
    ...corner,
    complaint: { presence: "intermittent", symptoms: ["lamp"] },
    readings,
  };
  const { diagnosing, readings: written } = openDiagnosis(JSON.stringify(file), "caught.json");
  for (const reading of written) expect(diagnosing.read(reading)).toBeNull();
  return Object.fromEntries(diagnosing.ranking().parts.map(({ part, share }) => [part, share]));
}

const noEntries = { setup, entries: [] };

it("one channel is at the sensor plug until told, then where this job's last recording was", () => {
  const channels = recorded(["A", wheel(60)]);
  expect(placesOf(noEntries, channels, 0)).toEqual(["plug.out.return"]);
  const [reading] = recordingReadings(setup, channels, ["module.out.return"], { id: "one" });
  expect(reading).toMatchObject({ instrument: "scope", point: "module.out.return", finding: "clean" });
  expect(reading!.state.recording).toBeUndefined();
  const entry: Entry = entrySchema.parse({
    id: "e1",
    at: "2026-12-01T08:00:00.000Z",
    kind: "capture",
    captureId: "one",
    name: "caught",
    reading,
  });
  expect(placesOf({ setup, entries: [entry] }, channels, 0)).toEqual(["module.out.return"]);
});

it("a channel called after a place was there; one nobody names is not used, nor another wheel's", () => {
  const words = probePlaces(setup).find(({ point }) => point === "module.out.return")!.say;
  const channels = recorded(["A", wheel(60)], [words, wheel(60)], ["plug.in.return", wheel(60)], ["RR", wheel(60)]);
  const places = placesOf(noEntries, channels, 0);
  expect(places).toEqual(["plug.out.return", "module.out.return", "plug.in.return", null]);
  // Told, it is as told; where one is told to have been, another is not taken to be.
  expect(placesOf(noEntries, channels, 1, new Map([[0, null]]))[0]).toBeNull();
  const [one, other] = recorded(["A", wheel(60)], ["B", wheel(60)]);
  expect(placesOf(noEntries, [one!, other!], 1)).toEqual([null, "plug.out.return"]);
  expect(placesOf(noEntries, [one!, other!], 1, new Map([[0, "plug.out.return"]]))).toEqual(["plug.out.return", null]);
  expect(usedChannels("FL", channels, ["plug.out.return", null, null, "module.out.return"])).toHaveLength(1);
});

// A loop of current: cut anywhere it stops everywhere, and what is left of the voltage tells on which side of the cut.
describe("the return wire away at the module and at the supply's volts at the sensor, at the same moments", () => {
  const channels = recorded(["sensor", wheel(60, 11.6)], ["module", wheel(60, 0.02)]);
  const places = ["plug.out.return", "module.out.return"];
  const between = ({ harness = 0, connector = 0, "sensor-plug": plug = 0 }: Record<string, number>) =>
    harness + connector + plug;

  it("is one recording of two channels, and blames what lies between", () => {
    const readings = recordingReadings(setup, channels, places, { id: "both", watched: true });
    expect(readings.map(({ finding }) => finding)).toEqual(["signal-risen", "signal-fallen"]);
    for (const { state } of readings) expect(state).toMatchObject({ recording: "both", watched: true, wheel: "hand" });
    for (const reading of readings) expect(observe(reading, setup).ok).toBe(true);
    expect(wordsOfUse(channels)).toContain("module");
    console.log(
      partsAfter(readings),
      partsAfter(recordingReadings(setup, channels.slice(1), ["module.out.return"], { id: "one" })),
      partsAfter(recordingReadings(setup, channels.slice(1), ["plug.out.return"], { id: "one" })),
    );
    expect(between(partsAfter(readings))).toBeGreaterThan(0.8);
  });
});

it("faster than any hand turns it, the wheel was driven; as fast as it says", () => {
  const [slow, fast] = [recorded(["A", wheel(60)]), recorded(["A", wheel(300)])];
  expect(recordedState(slow)).toMatchObject({ wheel: "hand", speedKmh: 7 });
  expect(recordedState(fast)).toMatchObject({ wheel: "driven", speedKmh: Math.round(fast[0]!.speedKmh!.median) });
});

// domain.md: no pulse tells of a fault only if the wheel was turned, and a recording does not say so by itself.
it("a recording without a pulse is used by whoever says that the wheel was turned", () => {
  const still = recorded(["A", new Float32Array(6 * rate).fill(0.8)]);
  expect(wordsOfUse(still)).toMatch(/wheel was turned/);
  expect(wordsOfUse(recorded(["A", wheel(60)]))).toMatch(/^Use this result: clean/);
});

it("a supply that dips tells of the signal where it stands alone", () => {
  const supply = {
    name: "feed",
    leading: "supply-dip",
    inVolts: true,
    undecided: false,
    isSupply: true,
    speedKmh: null,
  };
  const [reading] = recordingReadings(setup, [supply], [null], { id: "dip" });
  expect(reading).toMatchObject({ point: "plug.out.return", finding: "supply-dip" });
  expect(recordingReadings(setup, [{ ...supply, leading: "clean" }], [null], { id: "dip" })).toEqual([]);
});
