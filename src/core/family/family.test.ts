import { describe, expect, it } from "vitest";
import { coilOhms, terminalVolts, threeWireRoles } from "./clue-text";
import { findFamily, nameThreeWires } from "./finder";

// Common practice, no source: supply on one open terminal is active, a like bias on both passive, three wires are three.
describe("telling the family", () => {
  it.each([
    [{ wires: 2, openVolts: [11.4, 0.02] }, "active-2wire"],
    [{ wires: 2, openVolts: [1.8, 1.9] }, "passive"],
    [{ wires: 2, ring: "toothed", ohms: 1150 }, "passive"],
    [{ wires: 3, openVolts: [8.1, 5, 0] }, "active-3wire"],
    [{ wires: 2, ring: "smooth-pulls-pin", tip: "no-pull" }, "active-2wire"],
  ] as const)("%j is %s", (clues, family) => {
    const verdict = findFamily(clues);
    expect(verdict.ranked[0]).toMatchObject({ family });
    expect(verdict.ranked[0]!.share).toBeGreaterThan(0.95);
    expect(verdict.reasons.length).toBeGreaterThan(1);
  });

  it("asks for the next clue while it does not know", () => {
    expect(findFamily({}).next).toMatch(/Count the wires/);
    expect(findFamily({ wires: 2 }).next).toMatch(/battery negative/);
    expect(findFamily({ wires: 2, openVolts: [11, 0] }).next).toBeNull();
    // Ohms across an active sensor mean nothing and are never asked for.
    const all = { openVolts: [0.1, 0], ring: "smooth", tip: "pulls-pin" } as const;
    expect(findFamily({ wires: 2, ...all }).next).toMatch(/model year/);
  });

  it("two unlike voltages that are no supply either are neither a bias nor a feed", () => {
    const odd = findFamily({ openVolts: [2.2, 1.1] });
    expect(odd.reasons.join()).toMatch(/Odd voltages/);
    expect(Math.max(...odd.ranked.map(({ share }) => share))).toBeLessThan(0.61);
    expect(findFamily({ openVolts: [3.4, 3.3] }).reasons.join()).toMatch(/Odd voltages/);
  });

  it("clues are typed as readings are", () => {
    expect(terminalVolts("11,4 953mV 0.02V nonsense")).toEqual([11.4, 0.953, 0.02]);
    expect([coilOhms("1.1k"), coilOhms("OL"), coilOhms("soon")]).toEqual([1100, Infinity, null]);
  });

  it("three wires as typed: what is still wanted, then who is who", () => {
    const typed = (volts: string[], moving: number) =>
      volts.map((text, i) => ({ name: ["red", "brown", "white"][i]!, volts: text, switches: i === moving }));
    expect(threeWireRoles(typed(["5.03", "", ""], 2), "")).toMatch(/all three/);
    expect(threeWireRoles(typed(["5.03", "10mV", "2,4"], 9), "")).toMatch(/Creep/);
    expect(threeWireRoles(typed(["5.03", "10mV", "2,4"], 2), "4.03 V")).toMatch(/red is the supply.*loses 1\.00 V/);
  });

  it("names three wires and the drop of the ground; 5.030 V both ways is a good ground", () => {
    const wires = [
      { name: "brown", volts: 0.01, switches: false },
      { name: "red", volts: 5.03, switches: false },
      { name: "white", volts: 2.4, switches: true },
    ];
    expect(nameThreeWires(wires, 5.03)).toMatchObject({ supply: "red", ground: "brown", signal: "white" });
    expect(nameThreeWires(wires, 5.03)!.say).toMatch(/ground is good/);
    expect(nameThreeWires(wires, 4.03)!.groundDropV).toBeCloseTo(1, 9);
    const lifted = wires.map((wire) => (wire.name === "brown" ? { ...wire, volts: 3.9 } : wire));
    expect(nameThreeWires(lifted)!.say).toMatch(/brown the ground.*loses 3\.90 V/);
    expect(nameThreeWires(wires.map((wire) => ({ ...wire, switches: false })))).toBeNull();
  });
});
