import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { hookupOf } from "./read-observation";
import { readingSchema } from "./reading";
import { typedValue } from "./typed-value";

const setup = cornerSetupSchema.parse({
  corner: "RR",
  family: "active-2wire",
  path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
});
const typed = (instrument: string, red: string, black: string, text: string) => {
  const hookup = hookupOf(readingSchema.parse({ instrument, red, black, state: { key: "on", wheel: "creep" } }), setup);
  if (!hookup.ok) throw new Error(hookup.say);
  return typedValue(hookup.value, text, setup);
};

/** A meter on its milliampere range shows “7”; common practice, no source. */
describe("a number without the m that the meter's range had", () => {
  it.each([
    ["amps-dc", "plug.in.supply", "plug.out.supply", "7", "7 mA"],
    ["amps-dc", "plug.in.supply", "plug.out.supply", "7.1 / 14.2", "mA"],
    ["volts-dc", "plug.out.return", "battery.negative", "840", "840 mV"],
    ["amps-dc", "plug.in.supply", "plug.out.supply", "about 7", "mA"],
    ["volts-ac", "plug.out.return", "battery.negative", "410", "410 mV"],
  ])("%s %s to %s: “%s” is asked about, never taken as it stands", (instrument, red, black, text, way) => {
    const read = typed(instrument, red, black, text);
    expect(read.ok).toBe(false);
    expect(read.ok ? "" : read.say).toContain(way);
  });

  it.each([
    ["amps-dc", "plug.in.supply", "plug.out.supply", "7 mA"],
    ["amps-dc", "plug.in.supply", "plug.out.supply", "0.0142"],
    ["volts-dc", "plug.out.return", "battery.negative", "840 mV"],
    ["volts-dc", "plug.out.return", "battery.negative", "27.9"],
    // Typed with its unit it is meant so, and kept; the log names what contradicts it.
    ["volts-dc", "plug.out.return", "battery.negative", "88 V"],
  ])("%s %s to %s: “%s” is read", (instrument, red, black, text) => {
    expect(typed(instrument, red, black, text).ok).toBe(true);
  });
});

/** What a scope shows of a coil is told in a meter's volts: Vpp = 2.828 × Vrms of a sine. */
describe("peak to peak", () => {
  const passive = cornerSetupSchema.parse({ ...setup, family: "passive" });
  const reading = { instrument: "volts-ac", red: "plug.out.a", black: "plug.out.b", state: { wheel: "hand" } };
  it("of a coil is its volts times 2.828; two levels are asked for as levels", () => {
    const coil = hookupOf(readingSchema.parse(reading), passive);
    const read = coil.ok && typedValue(coil.value, "2.83 Vpp", passive);
    expect(read && read.ok && read.observed.value).toMatchObject({ kind: "number", value: expect.closeTo(1, 2) });
    const active = typed("volts-ac", "plug.out.return", "battery.negative", "0.84 Vpp");
    expect(active.ok ? "" : active.say).toMatch(/both levels on DC/);
    expect(typed("volts-dc", "plug.out.supply", "battery.negative", "12.1 V=").ok).toBe(true);
  });
});

describe("a look", () => {
  const stateOf = (instrument: string, look: string, state: object) => {
    const hookup = hookupOf(readingSchema.parse({ instrument, look, state }), setup);
    return hookup.ok ? hookup.value.state : null;
  };

  it.each([
    ["hands", "magnet"],
    ["scan", "which"],
    ["scan", "speed"],
    ["hands", "wiggle-plug"],
    ["compare", "other-supply"],
  ])("%s %s needs an answer of the car, and is taken with the key on whatever was written", (instrument, look) => {
    for (const state of [{ key: "off" }, { key: "off", batteryOff: true }])
      expect(stateOf(instrument, look, state)).toMatchObject({ key: "on", batteryOff: false });
  });

  it("at what stands still keeps the key as it was", () => {
    expect(stateOf("eyes", "foot", { key: "off", batteryOff: true })).toMatchObject({ key: "off", batteryOff: true });
  });
});
