/** What is likely to prove a leading part, against what each answer of a check would do if it were given. */
import { describe, expect, it } from "vitest";
import { Belief } from "../belief/belief";
import { PLANNING_STRIDE } from "../belief/forecasts";
import { sharesByPart } from "../belief/posterior";
import { answersFor } from "../checks/answers";
import { checkCatalogue } from "../checks/catalogue";
import { cornerSetupSchema } from "../circuit/setup";
import { complaintSchema } from "../complaint/complaint";
import { policySchema } from "../complaint/policy";
import { observe } from "../observation/read-observation";
import { readingSchema } from "../observation/reading";
import { PROOF_SHARE } from "../verdict/suspects";
import { informationTable } from "./information";
import { proposeChecks } from "./next-check";
import { subsetWeights } from "./planning";
import { CLEARLY, toProof } from "./to-proof";

const setup = cornerSetupSchema.parse({
  ...{ corner: "RR", family: "active-3wire", supplyV: 5, pullUpV: 12 },
  path: [
    { station: "module" },
    { spanM: 1.2, mm2: 0.5 },
    { station: "c1", accessMin: 4 },
    { spanM: 3.4, mm2: 0.5 },
    { station: "plug", accessMin: 7 },
  ],
});
const comesAndGoes = complaintSchema.parse({ presence: "intermittent" });

function beliefAfter(...readings: object[]): Belief {
  const belief = new Belief(setup, comesAndGoes, { seed: 3, perGroup: 48 });
  readings.forEach((reading, i) => {
    const read = observe(readingSchema.parse(reading), setup, String(i));
    if (!read.ok) throw new Error(read.say);
    belief.learn(read.value);
  });
  return belief;
}
const watched = (red: string, value: string, black = "plug.out.ground") => ({
  ...{ instrument: "volts-dc", red, black, value, state: { key: "on", watched: true } },
});
const sensorLeads = [
  watched("plug.out.supply", "4.98 V"),
  watched("plug.out.signal", "12.0 V"),
  { instrument: "volts-ac", red: "plug.out.signal", black: "plug.out.ground", state: { wheel: "hand" }, value: "1 mV" },
  { instrument: "scope", point: "plug.out.signal", state: { wheel: "hand" }, finding: "signal-parked" },
];

describe("the chance that a check proves what leads", () => {
  const belief = beliefAfter(...sensorLeads);
  const shares = belief.shares();
  const lead = sharesByPart(belief, shares).get("sensor")!;

  it("is that of the answers which would lift it to its proof", () => {
    expect(lead).toBeGreaterThan(0.85);
    const proof = toProof(belief, "sensor", shares)!;
    const looks = checkCatalogue(setup, true).filter(({ hookup }) => "look" in hookup && answersFor(hookup) !== null);
    const within = subsetWeights(belief, PLANNING_STRIDE);
    const tables = belief.planningForecasts(
      looks.map(({ hookup }) => hookup),
      shares,
    );
    let proving = 0;
    looks.forEach(({ hookup, id }, i) => {
      const { table, speakers } = tables[i]!;
      const planning = { posterior: belief, shares, stride: PLANNING_STRIDE, within };
      const foreseen = proof.chance(informationTable(table, planning, speakers));
      const byAnswer = answersFor(hookup)!.words.map((word) => {
        const ratios = belief.predict({ hookup, value: { kind: "word", word } });
        const after = shares.map((share, h) => share * ratios[h]!);
        const overall = after.reduce((sum, one) => sum + one, 0);
        const sensor = belief.hypotheses.reduce(
          (sum, { fault }, h) => sum + (fault.part === "sensor" ? after[h]! : 0),
          0,
        );
        const odds = sensor / (overall - sensor);
        return { overall, over: Math.log((odds * (1 - PROOF_SHARE)) / (CLEARLY * PROOF_SHARE)) };
      });
      // So near to the bound either is right.
      if (byAnswer.some(({ over }) => Math.abs(over) < 0.3)) return;
      const told = byAnswer.reduce((sum, { overall, over }) => sum + (over > 0 ? overall : 0), 0);
      expect(Math.abs(foreseen - told), id).toBeLessThan(0.06);
      if (told > 0.2) proving++;
    });
    expect(proving).toBeGreaterThan(0);
  });

  it("puts such a check before those that tell a little and cost little", () => {
    const surer = beliefAfter(
      ...sensorLeads,
      watched("plug.out.supply", "5.02 V", "battery.negative"),
      sensorLeads[1]!,
    );
    const now = surer.shares();
    expect(sharesByPart(surer, now).get("sensor")).toBeGreaterThan(0.9);
    const proof = toProof(surer, "sensor", now)!;
    const proposals = proposeChecks(surer, policySchema.parse({}), {
      done: new Set(["reach:plug"]),
      skipped: new Set(),
    });
    const within = subsetWeights(surer, PLANNING_STRIDE);
    const chances = proposals.map(({ check }) => {
      const [planned] = surer.planningForecasts([check.hookup], now);
      const planning = { posterior: surer, shares: now, stride: PLANNING_STRIDE, within };
      return proof.chance(informationTable(planned!.table, planning, planned!.speakers, [], planned!.sameNumbers));
    });
    expect(chances[0]).toBeGreaterThan(0.15);
    const perMinute = proposals.map(({ minutes, bits }) => bits / minutes);
    const comesFirst = (i: number) => chances[i]! > 0.3 && perMinute.slice(i + 1).some((one) => one > perMinute[i]!);
    expect(proposals.some((_, i) => comesFirst(i))).toBe(true);
  });

  it("is none that is asked for where the part is proven by its share already", () => {
    expect(
      toProof(
        belief,
        "sensor",
        Float64Array.from(shares, (_, h) => (h === belief.indexOf("sensor-open@sensor") ? 1 : 0)),
      ),
    ).toBeNull();
  });
});
