/** Numbers after SAE J2012, failure types after SAE J2012-DA: both from memory. */
import { describe, expect, it } from "vitest";
import { corners, type Corner } from "../units/corner";
import { codesRefused, decodeCode, decodeCodes, onlyHistory, sayCode, splitCodes } from "./code";

describe("a standard code", () => {
  it.each<[string, Corner, string]>([
    ["C0031", "FL", "wheel speed sensor"],
    ["C0032", "FL", "wheel speed sensor supply"],
    ["C0033", "FL", "tone wheel"],
    ["C0034", "FR", "wheel speed sensor"],
    ["C0036", "FR", "tone wheel"],
    ["C0037", "RL", "wheel speed sensor"],
    ["C0039", "RL", "tone wheel"],
    ["C003A", "RR", "wheel speed sensor"],
    ["C003B", "RR", "wheel speed sensor supply"],
    ["C003C", "RR", "tone wheel"],
  ])("%s is the %s %s", (text, corner, subject) => {
    expect(decodeCode(text)).toMatchObject({ code: text, corner, subject, maker: false, failure: null, status: null });
  });

  it("twelve numbers, four corners, three subjects, and none beside them", () => {
    const known = Array.from({ length: 0x60 }, (_, n) => decodeCode(`C00${n.toString(16).padStart(2, "0")}`)).flatMap(
      (one) => one ?? [],
    );
    const standard = known.filter(({ maker }) => !maker);
    // C0035 is a standard number too: eleven are left that mean one thing alone.
    expect(standard).toHaveLength(11);
    expect(known).toHaveLength(15);
    for (const corner of corners)
      expect(standard.filter((one) => one.corner === corner)).toHaveLength(corner === "FR" ? 2 : 3);
    for (const other of ["C0030", "C003D", "P0500", "U0121", "B1000", "C0", "C00GG", ""])
      expect(decodeCode(other)).toBeNull();
  });

  it.each([
    ["c0034-13", "C0034", "open circuit", "open"],
    ["C0034 13", "C0034", "open circuit", "open"],
    ["C0034:13", "C0034", "open circuit", "open"],
    ["C003413", "C0034", "open circuit", "open"],
    [" c003a-2f ", "C003A", "signal erratic", "erratic"],
    ["C0031-11", "C0031", "short to ground", "ground"],
    ["C0031-12", "C0031", "short to battery", "power"],
    ["C0037-31", "C0037", "no signal", "no-signal"],
    ["C0037-21", "C0037", "amplitude below minimum", "weak"],
    ["C0032-16", "C0032", "voltage below threshold", "feed"],
    ["C003A-39", "C003A", "too few pulses", "count"],
    ["C003A-1B", "C003A", "resistance above threshold", "open"],
  ])("%s: typed in any style, its failure type read", (text, code, say, kind) => {
    expect(decodeCode(text)).toMatchObject({ code, failure: { say, kind } });
  });

  it("an unknown failure type is named by its number and weighs nothing in particular", () => {
    expect(decodeCode("C0034-7E")!.failure).toEqual({ type: "7E", say: "failure type 7E", kind: "any" });
  });

  it.each([
    ["C0034-13 present", "present"],
    ["C0034-13 (active)", "present"],
    ["C0034-13 history", "history"],
    ["C0034 stored", "history"],
    ["C0034-13", null],
  ])("%s: status %s", (text, status) => expect(decodeCode(text)!.status).toBe(status));
});

describe("a maker's own code", () => {
  it.each<[string, Corner | null, string | null]>([
    ["C1145 FL open", "FL", "open circuit"],
    ["C1145 right rear sensor short to ground", "RR", "short to ground"],
    ["C1095 rear-left, signal missing", "RL", "no signal"],
    ["C2103 LF air gap", "FL", "signal too weak"],
    ["C1200", null, null],
  ])("%s takes corner and meaning from the text beside it", (text, corner, say) => {
    const decoded = decodeCode(text)!;
    expect([decoded.maker, decoded.corner, decoded.failure?.say ?? null]).toEqual([true, corner, say]);
  });

  it("without a corner asks for it; a code of another matter is set aside; what is no code is said to be none", () => {
    expect(sayCode("C1200")).toMatch(/Which corner/);
    expect(sayCode("P0301")).toMatch(/no wheel speed matter/);
    expect(sayCode("brakes are bad")).toMatch(/not a code I can read.*C0034-13/);
    expect(sayCode("C0034-13 history")).toBe("front right wheel speed sensor: open circuit, stored and not here now.");
  });
});

describe("several codes pasted at once", () => {
  it("come apart at commas, semicolons, lines, and where the next code begins", () => {
    expect(splitCodes("C0034-13 present, C003A 31; C1145 FL open\nP0500")).toEqual([
      "C0034-13 present",
      "C003A 31",
      "C1145 FL open",
      "P0500",
    ]);
    expect(splitCodes("C0034 13 C0037 31")).toEqual(["C0034 13", "C0037 31"]);
    expect(splitCodes(" ,;\n ")).toEqual([]);
  });

  it("are taken as tools print them: text in front, two with a stroke between, a status byte, a $", () => {
    const [front] = splitCodes("RR wheel speed sensor C1234");
    expect(decodeCode(front!)).toMatchObject({ code: "C1234", corner: "RR" });
    expect(splitCodes("DTC C003A-13 (stored)")).toEqual(["C003A-13 (stored)"]);
    expect(splitCodes("C0034/C0031")).toEqual(["C0034", "C0031"]);
    expect(decodeCode("$C003A1328")).toMatchObject({ code: "C003A", failure: { type: "13" } });
  });

  it("are history only if every one that says so says so", () => {
    expect(onlyHistory(["C0034-13 history", "C0037 stored"])).toBe(true);
    expect(onlyHistory(["C0034-13 history", "C0037 present"])).toBe(false);
    expect(onlyHistory(["C0034-13 history", "C0037"])).toBe(true);
    expect(onlyHistory(["C0034-13"])).toBe(false);
  });
});

it("codes too long or too many are refused in words, and nothing else is", () => {
  expect(codesRefused(["C0034-13 present"])).toBeNull();
  expect(codesRefused(["C0034", "C".repeat(59)])).toMatch(/59 signs: no code is over 40\. Put a comma/);
  expect(codesRefused(Array.from({ length: 41 }, () => "C0034"))).toMatch(/41 codes: at most 40/);
});

describe("numbers that makers use their own way (from memory)", () => {
  it.each<[string, readonly Corner[]]>([
    ["C0035", ["FR", "FL"]],
    ["C0035 left front wheel speed circuit", ["FL"]],
    ["C0035 right front sensor supply", ["FR"]],
    ["C0040", ["FR"]],
    ["C0045 LR", ["RL"]],
    ["C0050", ["RR"]],
    ["C0200", ["FR"]],
    ["C0215", ["RL"]],
    ["C0034 rear right", ["RR"]],
    ["C0034-13", ["FR"]],
  ])("%s may mean %s: the text beside it wins over the number", (text, mayMean) => {
    expect(decodeCode(text)!.mayMean).toEqual(mayMean);
  });

  it("the other codes of the car show which way it numbers", () => {
    expect(decodeCodes(["C0032-16", "C0035-16"])[1]).toMatchObject({
      corner: "FR",
      subject: "wheel speed sensor supply",
    });
    expect(decodeCodes(["C0035", "C0045"])[0]).toMatchObject({ corner: "FL", subject: "wheel speed sensor" });
    expect(decodeCodes(["C0035", "P0500"])).toMatchObject([{ corner: null }, null]);
  });

  it("a number with two readings says both", () => {
    expect(sayCode("C0035")).toMatch(/standard front right, with some makers front left/);
  });
});
