import { describe, expect, it } from "vitest";
import { formatQuantity, formatShare } from "./format";
import type { Quantity } from "./quantity";
import { parseRange, parseReading } from "./reading";

const number = (text: string, quantity: Quantity) => {
  const parsed = parseReading(text, quantity);
  if (!parsed.ok || parsed.value.kind !== "number") throw new Error(`not a number: ${text}`);
  return parsed.value;
};

describe("what a hand types on a bench", () => {
  it.each<[string, Quantity, number, number]>([
    ["11.2", "volts", 11.2, 0.1],
    ["11,2 V", "volts", 11.2, 0.1],
    ["953mV", "volts", 0.953, 0.001],
    ["953 mv", "volts", 0.953, 0.001],
    ["1.1k", "ohms", 1100, 100],
    ["1k1", "ohms", 1100, 100],
    ["4M7", "ohms", 4.7e6, 1e5],
    ["12k5", "ohms", 12_500, 100],
    ["12V1", "volts", 12.1, 0.1],
    ["1,150 Ω", "ohms", 1150, 1],
    ["1,150 kΩ", "ohms", 1150, 1],
    ["1,150 V", "volts", 1.15, 0.001],
    ["11 200 mV", "volts", 11.2, 0.001],
    ["~12 V", "volts", 12, 1],
    ["mV 840", "volts", 0.84, 0.001],
    ["DC 12.1 V", "volts", 12.1, 0.1],
    ["<0.5 Ω", "ohms", 0.25, 0.5],
    ["2 Meg", "ohms", 2e6, 1e6],
    ["2m", "ohms", 2e6, 1e6],
    ["0R5", "ohms", 0.5, 0.1],
    ["1.2 kΩ", "ohms", 1200, 100],
    ["0.65vac", "volts", 0.65, 0.01],
    ["-0.2 V dc", "volts", -0.2, 0.1],
    ["55.7 Hz", "hertz", 55.7, 0.1],
    ["22 km/h", "speed", 22, 1],
    ["5 mph", "speed", 8.04672, 1.609344],
    ["14mA", "amps", 0.014, 0.001],
    ["420p", "farads", 4.2e-10, 1e-12],
    ["0.42 nF", "farads", 4.2e-10, 1e-11],
    ["0,42", "farads", 4.2e-10, 1e-11],
    [".5", "volts", 0.5, 0.1],
    ["1.5e3", "ohms", 1500, 100],
    ["0.015 in", "length", 0.381, 0.0254],
  ])("%s as %s", (text, quantity, value, resolution) => {
    expect(number(text, quantity).value).toBeCloseTo(value, 9);
    expect(number(text, quantity).resolution).toBeCloseTo(resolution, 9);
  });

  it("keeps AC apart from DC when it is said", () => {
    for (const ac of ["0.65vac", "0.65 V~", "650 mV rms"])
      expect(number(ac, "volts")).toMatchObject({ coupling: "ac", value: 0.65 });
    expect(number("12.1 V=", "volts")).toMatchObject({ coupling: "dc", value: 12.1 });
    for (const pp of ["1.8Vpp", "1.8 Vp-p", "1800 mV pk-pk"])
      expect(number(pp, "volts")).toMatchObject({ coupling: "peak-to-peak", value: 1.8 });
    expect(number("0.65 V", "volts").coupling).toBeUndefined();
  });

  it.each(["OL", "o.l.", "0.L", "OVLD", "open", "open circuit", "OL kΩ", "∞", "> 20 MΩ"])(
    "%s is over limit",
    (text) => {
      expect(parseReading(text, "ohms")).toEqual({ ok: true, value: { kind: "over-limit" } });
    },
  );

  it("takes an editor's dash for a minus and a remark for what it is", () => {
    const read = (text: string) => parseReading(text, "volts");
    expect(read("–0.02 V")).toEqual(read("-0.02 V"));
    for (const typed of ["12.1V (steady)", "12.1 V steady", "12.1, stable", "12.1?", "12.1 ok"])
      expect(read(typed), typed).toEqual(read("12.1 V"));
    expect(read("12.1 V (was 11.4)").ok).toBe(false);
  });

  it("hears a beep and its absence", () => {
    expect(parseReading("beep", "ohms")).toEqual({ ok: true, value: { kind: "beep", heard: true } });
    expect(parseReading("no beep", "ohms")).toEqual({ ok: true, value: { kind: "beep", heard: false } });
  });

  it.each<[string, Quantity, RegExp]>([
    ["", "volts", /Nothing typed/],
    ["twelve", "volts", /“twelve” is not a number/],
    ["11.2.3", "volts", /“.3” is not a unit/],
    ["12 bananas", "volts", /“bananas” is not a unit/],
    ["12 V", "ohms", /is in V, but this check reads Ω/],
    ["1e999", "ohms", /not a number/],
    ["--5", "volts", /not a number/],
    ["> 1 V", "volts", /no reading: type the number/],
  ])("nonsense is named, never guessed: %s", (text, quantity, say) => {
    const parsed = parseReading(text, quantity);
    expect(parsed.ok).toBe(false);
    if (!parsed.ok) expect(parsed.say).toMatch(say);
  });

  it.each([
    "0.84…1.68 V",
    "0.84 / 1.68",
    "0,84-1,68 V",
    "840/1680 mV",
    "0.84 V then 1.68 V",
    "0.84, 1.68",
    "0.84 → 1.68 V",
    "toggles between 0.84 and 1.68 V",
    "toggles 0.84 1.68 V",
    "MIN 0.84 V MAX 1.68 V",
    "0.84 & 1.68 V",
    "fluctuates 0.84 to 1.68 V (by hand)",
    "low 0.84 V, high 1.68 V",
    "low 0.84 high 1.68",
    "high: 1.68 V low: 0.84 V",
  ])("two levels in one: %s", (text) => {
    expect(parseRange(text, "volts")).toMatchObject({ ok: true, value: { low: 0.84, high: 1.68 } });
  });

  it.each(["0.84", "0.84 V steady", "22 km/h", "11,2 V", "1.2e-3", "-0.2 V"])("one number: %s", (text) => {
    expect(parseRange(text, "volts")).toBeNull();
  });

  it("quotes a paste of thousands of characters short", () => {
    const parsed = parseReading("x".repeat(5000), "volts");
    expect(parsed.ok ? "" : parsed.say).toMatch(/“x{37}…”/);
  });

  it("writes values as a display would", () => {
    expect(formatQuantity(0.0002, "volts")).toBe("0.20 mV");
    expect(formatQuantity(11.2, "volts")).toBe("11.2 V");
    expect(formatQuantity(1446, "ohms")).toBe("1.45 kΩ");
    expect(formatQuantity(0.014, "amps")).toBe("14.0 mA");
    expect(formatQuantity(4.2e-10, "farads")).toBe("420 pF");
    expect(formatQuantity(1.2e-9, "farads")).toBe("1.20 nF");
    expect(formatShare(0.9999)).toBe(">99 %");
    expect(formatShare(0.002)).toBe("<1 %");
  });
});
