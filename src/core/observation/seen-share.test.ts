/** How much of an intermittent each check sees: a chance, never less for longer watching. */
import { describe, expect, it } from "vitest";
import { checkCatalogue, type Check } from "../checks/catalogue";
import { withMeanwhile } from "../checks/hookup";
import { lookOf } from "../checks/looks/looks";
import { cornerSetupSchema, families } from "../circuit/setup";
import { meanwhileChance, seenShare } from "./seen-share";

const DUTIES = [0, 0.05, 0.3, 0.8, 1];
const path = [
  { station: "module" },
  { spanM: 2, mm2: 0.5 },
  { station: "c1" },
  { spanM: 1, mm2: 0.5 },
  { station: "plug" },
];

const isOfTheMoment = ({ hookup }: Pick<Check, "hookup">) => !("look" in hookup) || lookOf(hookup.look).ofTheMoment;

describe.each(families)("of a %s corner", (family) => {
  const checks = checkCatalogue(cornerSetupSchema.parse({ corner: "FL", family, path }), true);

  it("every check's share is a chance that grows with the duty", () => {
    for (const { hookup, id } of checks.filter(isOfTheMoment)) {
      const shares = DUTIES.map((duty) => seenShare(hookup, duty));
      expect(shares[0], id).toBe(0);
      expect(shares.at(-1), id).toBe(1);
      for (let i = 1; i < shares.length; i++) expect(shares[i], id).toBeGreaterThan(shares[i - 1]!);
    }
  });

  it("what is seen, felt or kept in a memory is there however seldom the fault shows", () => {
    const lasting = checks.filter((check) => !isOfTheMoment(check));
    expect(lasting.map(({ id }) => id)).toEqual(
      expect.arrayContaining([expect.stringMatching(/^eyes:plug/), expect.stringMatching(/^scan:others/)]),
    );
    for (const { hookup, id } of lasting) expect(seenShare(hookup, 0.1), id).toBe(1);
  });

  it("hours recorded see more than a watch, a watch more than a glance at the same pins, a capture no less than a glance", () => {
    const without = (flag: "watched" | "recorded", hookup: (typeof checks)[number]["hookup"]) =>
      ({ ...hookup, state: { ...hookup.state, [flag]: undefined } }) as typeof hookup;
    for (const flag of ["watched", "recorded"] as const) {
      const long = checks.filter(({ hookup }) => hookup.state[flag] && (flag === "recorded" || !hookup.state.recorded));
      expect(long.length).toBeGreaterThan(4);
      for (const { hookup, id } of long)
        expect(seenShare(hookup, 0.3), id).toBeGreaterThan(seenShare(without(flag, hookup), 0.3));
    }
    for (const { hookup, id } of checks) expect(seenShare(hookup, 0.3), id).toBeGreaterThanOrEqual(0.3 - 1e-12);
  });

  it("what the fault did meanwhile, unsaid, is both of what may be said, each by its chance", () => {
    for (const { hookup, id } of checks.filter(({ hookup }) => hookup.state.recorded))
      for (const duty of [0.05, 0.3, 0.8]) {
        const share = (meanwhile: "came" | "stayed-away") =>
          meanwhileChance(meanwhile, duty) * seenShare(withMeanwhile(hookup, meanwhile), duty);
        expect(share("came") + share("stayed-away"), id).toBeCloseTo(seenShare(hookup, duty), 10);
        expect(seenShare(withMeanwhile(hookup, "came"), duty), id).toBeGreaterThan(seenShare(hookup, duty));
      }
  });

  it("drops are watched across joined contacts and along wires, one conductor at a time, where a sensor draws current", () => {
    const drops = checks.filter(
      ({ hookup }) =>
        hookup.instrument === "volts-dc" &&
        hookup.red.at === "face" &&
        hookup.black.at === "face" &&
        hookup.red.conductor === hookup.black.conductor &&
        !hookup.state.recorded,
    );
    if (family === "passive") return expect(drops).toEqual([]);
    // Three plugs and two wires between them, for each conductor.
    expect(drops).toHaveLength((3 + 2) * (family === "active-3wire" ? 3 : 2));
    for (const { hookup } of drops) expect(hookup.state).toMatchObject({ key: "on", unplugged: [], watched: true });
  });
});
