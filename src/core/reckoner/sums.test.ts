import { describe, expect, it } from "vitest";
import { usualSettings } from "../settings/settings";
import { localSum } from "./local-sum";
import { sums } from "./sums";

/** What a sum says for these fields, the rest left as they stand on the card. */
function worked(id: string, fields: Record<string, string> = {}, units = usualSettings.units): string[] {
  const sum = localSum(
    sums.find((one) => one.id === id)!,
    units,
  );
  const texts = { ...Object.fromEntries(sum.fields.map(({ key, usual }) => [key, usual])), ...fields };
  return sum.work(
    (key) => Number(texts[key]) || 0,
    (key) => texts[key] ?? "",
  );
}

describe("the small sums, against examples worked outside", () => {
  it("205/55R16: 631.9 mm high (UNECE R30), rolls 1.927 m (ETRTO 3.05·D, from memory); 48 teeth at 5 mph make 55.7 Hz", () => {
    const [size, hertz] = worked("speed", { kmh: "8.04672" });
    expect(size).toBe("631.9 mm high, rolls 1.927 m a turn");
    expect(hertz).toBe("8.05 km/h is 55.7 Hz");
    expect(worked("speed", { kmh: "", hz: "55.7" })).toContain("55.7 Hz is 8.05 km/h");
    expect(worked("speed").at(-1)).toBe("one turn a second is 6.94 km/h");
    expect(worked("speed", { tyre: "big" })).toEqual(["Write the tyre as 205/55R16."]);
  });

  it("0.65 V at 5 mph and 9 V at 112 km/h lie on one line (common practice, no source)", () => {
    expect(worked("passive", { kmh: "8.04672" })[0]).toMatch(/^0\.65 V AC \(RMS\), 1\.84 V peak to peak/);
    expect(Number.parseFloat(worked("passive", { kmh: "112" })[0]!)).toBeCloseTo(9.05, 1);
  });

  it("a gap one pitch wider loses 54.6 dB: a factor of e^(2π) = 535 (Wallace 1951)", () => {
    const usual = Number.parseFloat(worked("passive", { kmh: "80" })[0]!);
    const wide = Number.parseFloat(worked("passive", { kmh: "80", gap: "6.9" })[0]!);
    expect(usual / wide).toBeCloseTo(535.5, -1);
    expect(20 * Math.log10(usual / wide)).toBeCloseTo(54.6, 0);
  });

  it("falls out where the line meets the threshold: 150 mV peak of 0.92 V peak at 8.05 km/h is 1.31 km/h", () => {
    expect(worked("passive", { kmh: "8.04672" })[1]).toBe("falls under the threshold at 1.31 km/h");
  });

  it("1100 Ω at 20 °C reads 1446 Ω at 100 °C (IEC 60028, α = 0.00393 per kelvin)", () => {
    expect(worked("coil")).toEqual(["1446 Ω at 100 °C"]);
    expect(worked("coil", { celsius: "20" })).toEqual(["1100 Ω at 20 °C"]);
  });

  it("3 m of 0.5 mm² is 0.111 Ω and loses 27.8 mV at a lamp's 250 mA (ISO 6722-1: 37.1 mΩ/m, from memory)", () => {
    expect(worked("wire")).toEqual(["0.111 Ω", "27.8 mV lost at 250 mA"]);
  });

  it("0.84 V over 120 Ω is 7 mA, six loops show 42; 1.68 V is 14, six loops 84 (common practice)", () => {
    expect(worked("sense")).toEqual(["7 mA", "a clamp with 6 loops shows 42 mA"]);
    expect(worked("sense", { volts: "1.68" })).toEqual(["14 mA", "a clamp with 6 loops shows 84 mA"]);
  });

  it("a wire of 4 m that shows 240 pF from one end and 80 pF from the other is broken at three quarters: 3 m (textbook ratio)", () => {
    expect(worked("break")).toEqual(["broken 3 m from this end", "80 pF a metre; a pair usually has 45–104"]);
    expect(worked("break", { near: "100", far: "300", metres: "8" })[0]).toBe("broken 2 m from this end");
    expect(worked("break", { far: "" })).toEqual(["Both ends are needed: their ratio tells the place."]);
  });

  it("0.010–0.020 in is 0.25–0.51 mm; 119 N·m is 88 lb·ft (NIST SP 811)", () => {
    expect(worked("length", { mm: "0.254" })[0]).toBe("0.254 mm = 0.01 in");
    expect(worked("length", { mm: "0.508" })[0]).toBe("0.508 mm = 0.02 in");
    expect(worked("length")[1]).toBe("119 N·m = 87.8 lb·ft");
  });

  it("asks and answers in the units of the shop: 5 mph is 55.7 Hz, 212 °F is 1446 Ω, 0.02 in is 0.508 mm", () => {
    const units = { speed: "mph", length: "in", torque: "lb·ft", temperature: "°F" } as const;
    expect(worked("speed", { kmh: "5" }, units)).toEqual([
      "24.88 in high, rolls 1.927 m a turn",
      "5 mph is 55.7 Hz",
      "one turn a second is 4.31 mph",
    ]);
    expect(worked("coil", { celsius: "212" }, units)).toEqual(["1446 Ω at 212 °F"]);
    expect(worked("passive", { kmh: "5" }, units)[0]).toMatch(/^0\.65 V AC/);
    expect(worked("length", { mm: "0.02", nm: "88" }, units).slice(0, 2)).toEqual([
      "0.508 mm = 0.02 in",
      "119 N·m = 88 lb·ft",
    ]);
    const { fields } = localSum(
      sums.find(({ id }) => id === "coil")!,
      units,
    );
    expect(fields.map(({ unit, usual }) => `${usual} ${unit}`)).toEqual(["1100 Ω", "212 °F"]);
  });

  it("every card names its source and begins with values that give an answer", () => {
    for (const { id, source, fields } of sums) {
      expect(source.length, id).toBeGreaterThan(3);
      expect(new Set(fields.map(({ key }) => key)).size, id).toBe(fields.length);
      for (const line of worked(id)) expect(line, id).not.toMatch(/NaN|Infinity|undefined/);
    }
  });
});
