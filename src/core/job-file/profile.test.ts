import { describe, expect, it } from "vitest";
import { UnusableInput } from "../capture/capture";
import { placesToWiggle } from "../checks/wiggle-list";
import { hookupCard } from "../checks/hookup-card";
import { looksFor } from "../checks/answers";
import { lookInstruments } from "../checks/instruments";
import { cornerSetupSchema } from "../circuit/setup";
import { holesMade } from "../bench/holes";
import { modelName, searchLibrary } from "../library/library";
import { logText } from "../bench/log-text";
import { gateStatus } from "../bench/module-gate";
import { importProfile, PROFILE_VERSION, withProfile } from "./profile";
import { hookupOf } from "../observation/read-observation";
import { jobSchema } from "../job/schema";

const setup = cornerSetupSchema.parse({
  corner: "RR",
  family: "active-2wire",
  path: [
    { station: "module" },
    { spanM: 1, mm2: 0.5 },
    { station: "c1", pins: { supply: { pin: "3", colour: "red" } } },
    { spanM: 2, mm2: 0.5, landmark: "arch" },
    { station: "plug" },
  ],
});
const job = jobSchema.parse({
  tastatura: "job/4",
  id: "j",
  createdAt: "2026-01-01T00:00:00Z",
  car: { name: "x" },
  setup,
  complaint: {},
  policy: {},
  entries: [
    {
      id: "a",
      at: "2026-01-01T10:00:00Z",
      kind: "reading",
      reading: { instrument: "volts-dc", red: "span2.50.supply", value: "11 V" },
    },
    {
      id: "b",
      at: "2026-01-01T10:01:00Z",
      kind: "reading",
      reading: { instrument: "volts-dc", red: "module.in.power", value: "12.2" },
    },
    { id: "c", at: "2026-01-01T10:02:00Z", kind: "note", text: "arch loom moved" },
    {
      id: "d",
      at: "2026-01-01T10:03:00Z",
      kind: "reading",
      reading: { instrument: "volts-dc", red: "span2.50.supply", value: "11 V" },
    },
    { id: "e", at: "2026-01-01T10:04:00Z", kind: "retract", entry: "d" },
  ],
});

describe("a car model kept once", () => {
  it("is read back whole and gives a job everything but its corner", () => {
    const profile = importProfile(
      JSON.stringify({ tastatura: PROFILE_VERSION, id: "p", name: "Drover", setup }),
      "p.json",
    );
    const other = { ...setup, corner: "FL" as const, pulsesPerRevolution: 52 };
    expect(withProfile({ setup: other }, profile)).toEqual({ setup: { ...setup, corner: "FL" } });
  });

  it.each([
    ["", /empty/],
    ["{", /cut short/],
    ['{"tastatura":"profile/9"}', /version “profile\/9”/],
  ])("%j is refused in words", (text, why) => {
    expect(() => importProfile(text, "p.json")).toThrow(UnusableInput);
    expect(() => importProfile(text, "p.json")).toThrow(why);
  });
});

describe("what a job says of itself", () => {
  it("each hole once, the module's gate, and the log as text without what was taken back", () => {
    expect(holesMade(job)).toHaveLength(1);
    expect(gateStatus(job).map(({ done }) => done)).toEqual([true, false, false, false]);
    const lines = logText(job).split("\n");
    expect(lines).toHaveLength(3);
    expect(lines[2]).toMatch(/arch loom moved/);
  });

  it("every place of the loom is wiggled once, sensor end first, then the corner is provoked", () => {
    const places = placesToWiggle(setup);
    const said = places.map(({ say }) => say);
    expect(said.slice(0, 5)).toEqual(["the sensor's lead", "sensor plug", "span 2, arch", "connector C1", "span 1"]);
    expect(said.slice(5).join()).toMatch(/Bounced.*lock to lock.*Wetted.*Warmed/);
  });

  it("every look of every instrument is a hook-up of this corner", () => {
    for (const instrument of lookInstruments) {
      const looks = looksFor(instrument, setup);
      expect(looks.length).toBeGreaterThan(0);
      for (const look of looks)
        expect(
          hookupOf(
            { instrument, look, state: job.entries[0]!.kind === "reading" ? job.entries[0]!.reading.state : never() },
            setup,
          ).ok,
          look,
        ).toBe(true);
    }
  });

  it("the hook-up card names dial, sockets, pin and colour", () => {
    const hookup = hookupOf(
      {
        instrument: "volts-dc",
        red: "c1.out.supply",
        black: "battery.negative",
        state: { key: "on", unplugged: [], batteryOff: false, wheel: "still" },
      },
      setup,
    );
    const card = hookup.ok ? hookupCard(hookup.value, setup) : null;
    expect(card!.dial).toMatch(/V DC/);
    expect(card!.leads[0]).toMatchObject({ colour: "red", terminal: "pin 3, red" });
    expect(card!.leads[1]!.where).toMatch(/battery/);
  });
});

function never(): never {
  throw new Error("the first entry is a reading");
}

describe("the library", () => {
  it("strips fleet numbers and plates, and finds by any words", () => {
    expect(["Osmund Drover 09", "Pelican #14", "Teal AB123", "Heron"].map(modelName)).toEqual([
      "Osmund Drover",
      "Pelican",
      "Teal",
      "Heron",
    ]);
    const item = (model: string, kind: "known-good" | "known-bad", finding: string) => ({
      id: model,
      captureId: model,
      kind,
      model,
      family: "passive" as const,
      pulses: 48,
      finding,
      at: "",
      simulated: false,
    });
    const items = [item("Drover", "known-good", "clean"), item("Teal", "known-bad", "cracked-ring")];
    expect(searchLibrary(items, "bad crack").map(({ model }) => model)).toEqual(["Teal"]);
    expect(searchLibrary(items, "")).toHaveLength(2);
  });
});
