/** Each shipped recording shows what it is named for, on the screen's own analysis, and no loose wire passes for a ring. */
import { beforeAll, describe, expect, it } from "vitest";
import { searchLibrary } from "../core/library/library";
import { analyseCapture, type ChannelAnalysis } from "../core/waveform/analyse";
import { ringRaster } from "../core/waveform/raster";
import { rasterWords } from "../core/waveform/raster-words";
import { shippedLibrary } from "./shipped-library";

let shelf: ReturnType<typeof shippedLibrary>;
beforeAll(() => {
  shelf = shippedLibrary();
}, 60_000);

const named = (model: string) => shelf.find(({ item }) => item.model === model)!;
const analysed = (model: string): ChannelAnalysis[] => {
  const { item, capture } = named(model);
  return analyseCapture(capture, { pulses: item.pulses, family: item.family });
};
const codes = (model: string) => analysed(model).flatMap(({ findings }) => findings.map(({ code }) => code));

describe("the library that comes along", () => {
  it.each([
    ["Two-wire active, good", []],
    ["Three-wire active, good", []],
    ["Passive, good", []],
    ["Encoder chunk gone", ["missing-pulses"]],
    ["Ring cracked", ["cracked-ring"]],
    ["Debris on a tooth", ["odd-tooth"]],
    ["Excessive ring runout", ["eccentric"]],
    ["Gap too wide", ["low-amplitude", "drop-out-speed"]],
    ["Sensor too far off an encoder", ["duty-shift"]],
    ["Sensor loose in its seat", ["random-dropout"]],
    ["Bearing with play", ["random-dropout"]],
    ["Plug terminal loose", ["random-dropout"]],
    ["Supply terminal opens", ["supply-dip"]],
    ["Coil leaks, wheel at rest", ["noise-at-rest"]],
    ["Return chafed to power", ["level-out-of-window"]],
    ["Probe on body ground", ["interference"]],
    ["Probe moved", ["probe-spike"]],
    ["Key turned on", ["key-on-transient"]],
  ])("“%s” shows %j", (model, wanted) => {
    if (wanted.length === 0) expect(codes(model)).toEqual([]);
    for (const code of wanted) expect(codes(model)).toContain(code);
  });

  it("covers every finding there is a word for", () => {
    const shown = new Set(shelf.flatMap(({ item }) => codes(item.model)));
    for (const code of [
      "missing-pulses",
      "cracked-ring",
      "odd-tooth",
      "eccentric",
      "random-dropout",
      "supply-dip",
      "noise-at-rest",
      "interference",
      "low-amplitude",
      "drop-out-speed",
      "duty-shift",
      "level-out-of-window",
      "key-on-transient",
      "probe-spike",
    ])
      expect(shown, code).toContain(code);
  });

  it("a ring that is told tells the teeth it has, whatever else is wrong", () => {
    for (const { item } of shelf)
      for (const { signaturePulses } of analysed(item.model))
        if (signaturePulses !== null) expect([item.model, signaturePulses]).toEqual([item.model, 48]);
  });

  it("what turns with the wheel stands in a column of the raster, what a wire loses does not", () => {
    const columns = (model: string) => {
      const { capture, item } = named(model);
      const raster = ringRaster(capture, 0, item.pulses)!;
      return [...raster.missingShare].filter((share) => share > 0.7).length;
    };
    const [chunk] = analysed("Encoder chunk gone")[0]!.findings.filter(({ code }) => code === "missing-pulses");
    expect(columns("Encoder chunk gone")).toBe(chunk!.count);
    expect(columns("Sensor loose in its seat")).toBeLessThan(0.1 * 48);
    expect(rasterWords(analysed("Encoder chunk gone")[0]!)).toMatch(/Ring, not wire/);
    expect(rasterWords(analysed("Plug terminal loose")[0]!)).toMatch(/A connection, not the ring/);
    expect(rasterWords(analysed("Excessive ring runout")[0]!)).toMatch(/wave once a turn/);
    expect(rasterWords(analysed("Passive, good")[0]!)).toMatch(/^Even/);
  });

  it("says of itself that it is simulated, names no car, and is found by what is wrong", () => {
    const items = shelf.map(({ item }) => item);
    for (const item of items) expect(item.simulated).toBe(true);
    expect(new Set(items.map(({ id }) => id)).size).toBe(items.length);
    expect(searchLibrary(items, "good passive").map(({ model }) => model)).toEqual(["Passive, good"]);
    expect(searchLibrary(items, "cracked").map(({ model }) => model)).toContain("Ring cracked");
    expect(items.filter(({ kind }) => kind === "known-good").map(({ model }) => model)).toHaveLength(3);
  });
});
