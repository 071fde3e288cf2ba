/** Whose wave it is where nobody said, and whether an input cuts its tops: Faraday's law makes a coil's volts go with its speed. */
import { describe, expect, it } from "vitest";
import { isPassive, stopsGrowing } from "./coil-size";
import type { Pulse } from "./pulses";
import type { SignalShape } from "./signal";

const sine = { kind: "sine" } as SignalShape;
/** So many pulses of a wheel that gains speed threefold, each as high as its speed makes it. */
const gaining = (count: number, heightV: (hertz: number) => number): Pulse[] => {
  let at = 0;
  return Array.from({ length: count }, (_, i) => {
    const hertz = 20 + (40 * i) / count;
    at += 1 / hertz;
    return { at, duty: 0.5, heightV: heightV(hertz) };
  });
};
const coil = (hertz: number) => 0.02 * hertz;

describe("a wave of unknown kind", () => {
  it("is a coil's where it grows with speed, and an active sensor's where it keeps its height at twice the speed", () => {
    expect(isPassive(sine, gaining(60, coil))).toBe(true);
    expect(
      isPassive(
        sine,
        gaining(60, () => 0.8),
      ),
    ).toBe(false);
    expect(isPassive({ kind: "two-level" } as SignalShape, gaining(60, coil))).toBe(false);
  });

  it("is a coil's while too few pulses or too little speed tell, and whatever was said of it", () => {
    expect(
      isPassive(
        sine,
        gaining(20, () => 0.8),
      ),
    ).toBe(true);
    expect(
      isPassive(
        sine,
        gaining(60, () => 0.8).map((pulse, i) => ({ ...pulse, at: i / 50 })),
      ),
    ).toBe(true);
    expect(
      isPassive(
        sine,
        gaining(60, () => 0.8),
        "passive",
      ),
    ).toBe(true);
    expect(isPassive(sine, gaining(60, coil), "active-3wire")).toBe(false);
  });
});

it("tops that stop growing are an input's end, told by enough of the fastest pulses alone", () => {
  expect(stopsGrowing(gaining(60, coil))).toBe(false);
  expect(stopsGrowing(gaining(60, (hertz) => Math.min(0.7, coil(hertz))))).toBe(true);
  expect(stopsGrowing(gaining(20, () => 0.7))).toBe(false);
});
