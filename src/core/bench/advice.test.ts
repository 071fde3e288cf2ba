/** Sound advice within a minute: from answers alone, and after what was read (domain.md 6 and 8, common practice). */
import { describe, expect, it } from "vitest";
import { openDiagnosis } from "./diagnose-file";
import { adviceOf } from "./advice";
import { readingSchema } from "../observation/reading";

const corner = {
  tastatura: "diagnose/1",
  corner: "RR",
  family: "active-2wire",
  sense: "low",
  supplyV: 12,
  complaint: { symptoms: ["lamp"], codes: ["C003A"] },
  path: [{ station: "module" }, { spanM: 3, mm2: 0.5 }, { station: "plug", accessMin: 7 }],
};

function adviceAfter(...readings: unknown[]) {
  const { diagnosing } = openDiagnosis(JSON.stringify(corner), "corner.json");
  for (const reading of readings) diagnosing.read(readingSchema.parse(reading));
  const diagnosis = diagnosing.diagnosis();
  const [likely, first, notYet, customer] = adviceOf(diagnosis).map(({ say }) => say) as [
    string,
    string,
    string,
    string,
  ];
  return { diagnosis, likely, first, notYet, customer };
}

describe("advice from the answers alone", () => {
  const { diagnosis, likely, first, notYet, customer } = adviceAfter();

  it("names several parts while none leads, the likeliest first", () => {
    const [one, two] = diagnosis.parts;
    expect(one!.share).toBeLessThan(0.5);
    expect(likely.split(",").length).toBeGreaterThan(1);
    expect(likely.indexOf("%")).toBeGreaterThan(0);
    expect(one!.share).toBeGreaterThanOrEqual(two!.share);
  });

  it("begins with one of the proposed checks and its minutes", () => {
    expect(diagnosis.next.some(({ check }) => first.startsWith(check))).toBe(true);
    expect(first).toMatch(/About \d+ min/);
  });

  it("keeps a part on the shelf, with what guessing would cost beside measuring", () => {
    expect(notYet).toContain(String(diagnosis.guess.fitSensorNow.expectedCost));
    expect(diagnosis.guess.plan.expectedCost).toBeLessThan(diagnosis.guess.fitSensorNow.expectedCost);
    expect(notYet).toMatch(/^No /);
  });

  it("promises the customer no brakes", () => {
    expect(customer).not.toMatch(/brakes work/i);
    expect(customer).toMatch(/ABS/);
  });
});

it("with play at the wheel the customer is told not to drive", () => {
  const { customer, diagnosis } = adviceAfter({
    instrument: "hands",
    look: "bearing",
    state: { key: "off" },
    value: "play",
  });
  expect(diagnosis.danger).toBe("play");
  expect(customer).toMatch(/do not drive|not to be driven/i);
});

it("once a part is proven nothing else is to be bought", () => {
  const live = (red: string, black: string, value: string, unplugged: string[] = []) => ({
    instrument: "volts-dc",
    red,
    black,
    state: { key: "on", wheel: "still", unplugged },
    value,
  });
  const { diagnosis, likely, notYet } = adviceAfter(
    live("plug.out.supply", "battery.negative", "11.6 V"),
    live("plug.out.return", "battery.negative", "9 mV"),
    live("plug.in.return", "battery.negative", "9 mV", ["plug"]),
    { instrument: "amps-dc", red: "plug.in.supply", black: "plug.out.supply", state: { key: "on" }, value: "0 mA" },
    live("plug.out.supply", "plug.out.return", "11.6 V"),
  );
  expect(diagnosis.parts[0]).toMatchObject({ part: "sensor", verdict: "proven" });
  expect(likely).toMatch(/Sensor: proven/);
  expect(notYet).toBe("Nothing but the sensor.");
});
