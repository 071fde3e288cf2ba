import { describe, expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { hookupOf } from "../observation/read-observation";
import { readingSchema } from "../observation/reading";
import { checkCatalogue } from "./catalogue";
import { interlock } from "./interlocks";

const setup = cornerSetupSchema.parse({
  corner: "FL",
  family: "active-2wire",
  path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "c1" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
});
const lockOf = (reading: object) => {
  const hookup = hookupOf(readingSchema.parse(reading), setup);
  if (!hookup.ok) throw new Error(hookup.say);
  return interlock(hookup.value);
};

// Common practice, no source: lamp only with both ends open, ohms only on a dead circuit.
describe("interlocks", () => {
  it("stop a lamp that would feed a module or a sensor, and let one pass through a wire alone", () => {
    const lamp = { instrument: "lamp", red: "c1.out.supply", black: "plug.in.supply" };
    const open = { key: "off", batteryOff: true, unplugged: ["c1", "plug"] };
    expect(lockOf({ ...lamp, state: open })).toBeNull();
    expect(lockOf({ ...lamp, state: { ...open, unplugged: ["c1"] } })).toMatchObject({ stops: true });
    expect(lockOf({ ...lamp, black: "battery.negative", state: open })!.say).toMatch(/both ends/);
  });

  it("refuse ohms on a live circuit with the way out, and let a wire pass that is cut off from the module", () => {
    const live = { key: "on", unplugged: [] };
    const say = hookupOf(
      readingSchema.parse({ instrument: "ohms", red: "c1.out.supply", black: "body", state: live }),
      setup,
    );
    expect(say).toMatchObject({ ok: false, say: expect.stringMatching(/Key off, battery negative off/) as string });
    expect(
      lockOf({ instrument: "ohms", red: "c1.out.supply", black: "body", state: { key: "on", unplugged: ["c1"] } }),
    ).toMatchObject({ stops: false });
    expect(
      lockOf({ instrument: "ohms", red: "c1.out.supply", black: "body", state: { key: "off", batteryOff: true } }),
    ).toBeNull();
  });

  it("tell of capacitance on a live circuit without refusing it", () => {
    const charge = { instrument: "capacitance", red: "c1.in.supply", black: "c1.in.return" };
    expect(lockOf({ ...charge, state: { key: "off" } })).toMatchObject({ stops: false });
    expect(lockOf({ ...charge, state: { key: "off", batteryOff: true } })).toBeNull();
  });

  it("nothing that is proposed runs into one", () => {
    for (const { hookup, id } of checkCatalogue(setup)) expect(interlock(hookup), id).toBeNull();
  });
});
