import { describe, expect, it } from "vitest";
import { pinOrder, type UnknownTerminal } from "./pin-order";
import type { Family } from "../circuit/setup";

const at = (...typed: string[]): UnknownTerminal[] => typed.map((one, i) => ({ pin: String(i + 1), typed: one }));
const named = (family: Family, ...typed: string[]) => {
  const order = pinOrder(family, at(...typed));
  if (!order.ok) throw new Error(order.say);
  return Object.fromEntries(order.named.map(({ conductor, pin }) => [conductor, pin]));
};

describe("which wire is which, by a meter (domain.md section 3: common practice, no source)", () => {
  it("three wires: highest steady is supply, nearest zero ground, what toggles the signal, in any order", () => {
    expect(named("active-3wire", "5.030", "0.12 / 4.98", "4 mV")).toEqual({ supply: "1", signal: "2", ground: "3" });
    expect(named("active-3wire", "11 mV", "12.1", "0.2…11.9")).toEqual({ ground: "1", supply: "2", signal: "3" });
    expect(named("active-3wire", "0.3 / 11.8", "0.02", "5.0")).toEqual({ signal: "1", ground: "2", supply: "3" });
  });

  it("two wires: what holds the supply, and the other, whether it toggles or was read once", () => {
    expect(named("active-2wire", "0.84 / 1.68", "11.2")).toEqual({ return: "1", supply: "2" });
    expect(named("active-2wire", "11,2", "0,84")).toEqual({ supply: "1", return: "2" });
  });

  it("what cannot be told is left open, never named on a guess", () => {
    // A signal that rests high beside its supply; one that rests low beside its ground; a return that is open; no supply.
    expect(named("active-3wire", "5.0", "4.98", "0.01")).toEqual({ ground: "3" });
    expect(named("active-3wire", "12.0", "0.15", "0.01")).toEqual({ supply: "1" });
    expect(named("active-2wire", "11.9", "11.8")).toEqual({});
    expect(named("active-3wire", "0.1", "0.0", "0.0")).toEqual({});
    expect(pinOrder("passive", at("1.4", "1.4"))).toMatchObject({
      ok: true,
      named: [],
      open: expect.stringMatching(/either leg/) as string,
    });
    expect(pinOrder("active-3wire", at("5.0", "4.98", "0.01"))).toMatchObject({
      open: expect.stringMatching(/1 and 2/) as string,
    });
  });

  it("a field that is no voltage is named, with what is wrong with it", () => {
    expect(pinOrder("active-2wire", at("11.2", "OL"))).toMatchObject({
      ok: false,
      say: expect.stringMatching(/Terminal 2/) as string,
    });
    expect(pinOrder("active-2wire", at("11.2", "12 kΩ"))).toMatchObject({ ok: false });
    expect(pinOrder("active-3wire", at("5", "0"))).toMatchObject({
      ok: false,
      say: expect.stringMatching(/all 3/) as string,
    });
  });
});
