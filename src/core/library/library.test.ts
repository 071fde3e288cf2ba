/** The shop's library: packed, joined with another shop's, searched, and a known-good narrowing what a good car reads. */
import { zipSync, strToU8 } from "fflate";
import { standardDeviation } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { UnusableInput } from "../capture/capture";
import { knownWords, tolerancesOf } from "../car/tolerances";
import { readCar, simulateCar } from "../simulated/simulated-car";
import { cornerSetupSchema, usualCorner, type CornerSetup } from "../circuit/setup";
import { shippedLibrary } from "../../demo/shipped-library";
import { knownFrom, libraryItemSchema, searchLibrary, mergeLibraries } from "./library";
import { packLibrary, unpackLibrary } from "./library-zip";
import { hookupOf } from "../observation/read-observation";
import { readingSchema } from "../observation/reading";

const path = [{ station: "module" }, { spanM: 2, mm2: 0.5 }, { station: "plug" }];
const setupOf = (parts: object): CornerSetup =>
  cornerSetupSchema.parse({ ...usualCorner, corner: "FL", family: "active-2wire", path, ...parts });
const shelf = shippedLibrary();

describe("the shipped library", () => {
  it("says it is simulated, and each recording shows the defect it is kept for", () => {
    const shows = Object.fromEntries(shelf.map(({ item }) => [item.model, item.finding]));
    expect(shelf.every(({ item }) => item.simulated)).toBe(true);
    expect(shows).toMatchObject({
      "Two-wire active, good": "clean",
      "Three-wire active, good": "clean",
      "Passive, good": "clean",
      "Encoder chunk gone": "missing-pulses",
      "Ring cracked": "cracked-ring",
      "Debris on a tooth": "odd-tooth",
      "Excessive ring runout": "eccentric",
      "Gap too wide": "low-amplitude",
    });
    expect(shows["Sensor switches by itself"]).not.toBe("clean");
    expect(shows["Plug terminal loose"]).not.toBe("clean");
  });
});

describe("a library as a file", () => {
  const items = shelf.slice(0, 3).map(({ item }) => item);
  const captures = shelf.slice(0, 3).map(({ item, capture }) => ({ id: item.captureId, capture }));

  it("comes back whole, and joins another without doubling or loss", () => {
    const back = unpackLibrary(packLibrary(items, captures), "shop.zip");
    expect(back.items).toEqual(items);
    expect(back.captures.map(({ id }) => id)).toEqual(captures.map(({ id }) => id));
    const other = [items[0]!, { ...items[1]!, model: "changed there" }, { ...items[2]!, id: "new" }];
    const merged = mergeLibraries(items, other, () => "fresh");
    expect(merged).toMatchObject({ known: 1, clashing: 1 });
    expect(merged.added.map(({ id }) => id)).toEqual(["fresh", "new"]);
  });

  it.each([
    ["a damaged ZIP", new Uint8Array([80, 75, 3, 4, 9, 9])],
    ["a ZIP of something else", zipSync({ "a.txt": strToU8("a") })],
    ["a list of the wrong shape", zipSync({ "library.json": strToU8('{"tastatura":"library/9"}') })],
    [
      "a ZIP of thousands of files",
      zipSync(Object.fromEntries(Array.from({ length: 2100 }, (_, i) => [`${i}`, strToU8("x")]))),
    ],
  ])("%s is told, with the file's name", (_, bytes) => {
    expect(() => unpackLibrary(bytes, "their.zip")).toThrow(UnusableInput);
    expect(() => unpackLibrary(bytes, "their.zip")).toThrow(/their\.zip/);
  });

  it("five hundred items are searched by any words", () => {
    const many = Array.from({ length: 500 }, (_, i) =>
      libraryItemSchema.parse({ ...items[i % 3]!, id: `${i}`, model: `Skua ${i}` }),
    );
    expect(searchLibrary(many, "skua 499 good").map(({ id }) => id)).toEqual(["499"]);
  });
});

describe("a known-good narrows what a good car reads", () => {
  const good = setupOf({});
  const reading = hookupOf(
    readingSchema.parse({ instrument: "volts-dc", red: "plug.out.return", black: "battery.negative" }),
    good,
  );
  /** Spread of the low level over many good cars: a wheel may stand at the high one, about twice it. */
  const spreadOf = (setup: CornerSetup, lowV: number) => {
    if (!reading.ok) throw new Error(reading.say);
    const volts = Array.from({ length: 40 }, (_, seed) =>
      parseFloat(readCar(simulateCar(setup, "nothing@none", { seed }), reading.value)),
    );
    return standardDeviation(volts.map((value) => (value > 1.45 * lowV ? value / 2.04 : value)));
  };

  it("levels of two-wire sensors, from the recording's own", () => {
    const item = { ...shelf[0]!.item, simulated: false };
    const known = knownFrom(item, good)!;
    const own = setupOf({ known });
    expect(spreadOf(own, known.lowV!)).toBeLessThan(0.5 * spreadOf(good, known.lowV!));
    const { senseOhms, lowA } = tolerancesOf(own);
    expect(senseOhms[0] * lowA[0]).toBeLessThan(known.lowV!);
    expect(senseOhms[1] * lowA[1]).toBeGreaterThan(known.lowV!);
    expect(knownWords(own)).toMatch(/Low level taken from “Two-wire active, good/);
  });

  it("size for speed of passive sensors; nothing across families, and nothing from a bad one", () => {
    const passive = shelf[2]!.item;
    const setup = setupOf({ family: "passive", known: knownFrom(passive, setupOf({ family: "passive" })) });
    const [from, to] = tolerancesOf(setup).outputFactor;
    expect(to / from).toBeLessThan(1.3);
    expect(knownWords(setup)).toMatch(/Output for speed/);
    expect(knownFrom(passive, good)).toBeNull();
    expect(knownFrom({ ...passive, kind: "known-bad" }, setup)).toBeNull();
    // A high-side level stands on the supply, and a three-wire output is the pull-up's: neither tells of a current.
    expect(knownFrom(shelf[0]!.item, setupOf({ sense: "high" }))).toBeNull();
    expect(knownFrom(shelf[1]!.item, setupOf({ family: "active-3wire" }))).toBeNull();
    expect(knownWords(good)).toBeNull();
  });
});
