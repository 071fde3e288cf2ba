import { describe, expect, it } from "vitest";
import { decodeCode, namesCorner } from "../codes/code";
import { JOB_VERSION, jobSchema, type Job } from "../job/schema";
import { readSimulated, recordSimulated } from "../simulated/simulated-reading";
import { readingFrom } from "../observation/read-observation";
import { asChannel } from "../checks/beside";
import { checkCatalogue } from "../checks/catalogue";
import { suspectables, suspectId } from "../faults/catalogue";
import { policySchema } from "../complaint/policy";
import { analyseCapture } from "../waveform/analyse";
import { debrief } from "./debrief";
import { exerciseSchema, skills, type PracticeComplaint } from "./exercise";
import { practiceCar } from "./practice-car";
import { scoresBySkill, weakestSkill } from "./history";
import { skillOf } from "./skill-of";

const exercise = exerciseSchema.parse({ tastatura: "exercise/1", seed: 4711, family: "active-2wire", skill: "wiring" });

function jobOf(): Job {
  const car = practiceCar(exercise);
  return jobSchema.parse({
    tastatura: JOB_VERSION,
    id: "p1",
    createdAt: "2026-01-01T00:00:00Z",
    car: { name: car.name },
    setup: car.setup,
    complaint: { ...car.complaint, presence: "hard" },
    policy: policySchema.parse({}),
    entries: [],
    simulated: { fault: car.fault, seed: exercise.seed, intermittent: false, practice: exercise },
  });
}

function with_(job: Job, ids: string[], repair: string): Job {
  let now = job;
  for (const [i, id] of ids.entries()) {
    const { hookup } = checkCatalogue(job.setup).find((check) => check.id.startsWith(id))!;
    const reading = readingFrom(hookup, readSimulated(now, hookup)!.shown);
    now = {
      ...now,
      entries: [...now.entries, { id: `r${i}`, at: `2026-01-01T00:0${i}:00Z`, kind: "reading", reading }],
    };
  }
  const truth = suspectables(job.setup).find(({ fault, place }) => suspectId(fault, place) === repair)!;
  return {
    ...now,
    entries: [
      ...now.entries,
      {
        id: "x",
        at: "2026-01-01T01:00:00Z",
        kind: "repair",
        fault: truth.fault.code,
        part: truth.fault.part,
        words: "named",
        share: 0.5,
        guess: true,
      },
    ],
  };
}

describe("practice", () => {
  it("the same exercise is the same car for two people, and each skill draws its own faults", () => {
    expect(practiceCar(exercise)).toEqual(practiceCar(exercise));
    for (const skill of skills) {
      const { setup, fault } = practiceCar({ ...exercise, skill, seed: 99 });
      expect(suspectables(setup).some((one) => suspectId(one.fault, one.place) === fault)).toBe(true);
    }
  });

  it.each([
    ["wiring", ["harness", "connector"], [false, true]],
    ["sensor and ring", ["sensor", "ring", "mounting", "bearing"], [false, true]],
    ["supply and module", ["module", "module-feed"], [false, true]],
    ["intermittent", ["sensor", "ring", "mounting", "bearing", "harness", "connector"], [true]],
  ] as const)("%s draws of its own parts alone, whatever the seed", (skill, own, comesAndGoes) => {
    const parts = Array.from({ length: 60 }, (_, seed) => {
      const car = practiceCar({ ...exercise, skill, seed: seed + 1 });
      expect(comesAndGoes).toContain(car.intermittent);
      return suspectables(car.setup).find(({ fault, place }) => suspectId(fault, place) === car.fault)!.fault.part;
    });
    for (const part of parts) expect(own).toContain(part);
    expect(new Set(parts).size).toBeGreaterThan(own.length / 2);
  });

  it("what the driver says leaves only cars that make it, whatever the seed; the kind of fault wins where both cannot be", () => {
    for (let seed = 1; seed < 40; seed++) {
      const car = (complaint: PracticeComplaint, skill?: (typeof skills)[number]) =>
        practiceCar({
          tastatura: "exercise/1",
          seed,
          two: false,
          alone: false,
          complaint,
          ...(skill ? { skill } : {}),
        });
      expect(car("comes-and-goes").complaint.presence).toBe("intermittent");
      expect(car("buzz").complaint).toMatchObject({ presence: "hard", symptoms: ["lamp", "false-abs-low-speed"] });
      expect(car("lamp").complaint).toMatchObject({ presence: "hard", symptoms: ["lamp"] });
      const both = car("buzz", "wiring");
      expect(skillOf({ setup: both.setup, simulated: { fault: both.fault, seed, intermittent: false } } as Job)).toBe(
        "wiring",
      );
    }
  });

  it("a good round and a bad one are told apart, wasted readings and all", () => {
    const job = jobOf();
    const truth = job.simulated!.fault;
    const good = debrief(
      with_(job, ["volts-dc:c1.out.return>battery", "volts-dc:plug.out.supply>plug.out.return"], truth),
    );
    expect(good).toMatchObject({ right: true });
    expect(good.score).toBeGreaterThan(40);
    expect(good.best.steps.length).toBeGreaterThan(0);
    expect(good.steps.reduce((sum, { bits }) => sum + bits, 0)).toBeGreaterThan(0);
    const bad = debrief(with_(job, ["eyes:tyres", "volts-dc:battery.positive"], "ring-missing@ring"));
    expect(bad).toMatchObject({ right: false, score: 0 });
    expect(bad.steps.some(({ wasted }) => wasted)).toBe(true);
    expect(bad.noticed.join(" ")).toMatch(/told nothing/);
    expect(bad.bill.yours).toBeGreaterThan(bad.bill.best);
  });

  it("the customer's story is one for two people, mostly with a code of this corner, now and then one that misleads", () => {
    const cars = Array.from({ length: 120 }, (_, i) => practiceCar({ ...exercise, skill: undefined, seed: i + 1 }));
    expect(practiceCar({ ...exercise, seed: 12 }).complaint).toEqual(practiceCar({ ...exercise, seed: 12 }).complaint);
    for (const { complaint } of cars) expect(complaint.note).toMatch(/^The lamp .*\.$/);
    const withCode = cars.filter(({ complaint }) => complaint.codes.length > 0);
    expect(withCode.length).toBeGreaterThan(60);
    expect(withCode.every(({ complaint, setup }) => namesCorner(decodeCode(complaint.codes[0]!)!, setup.corner))).toBe(
      true,
    );
    // Failure types by SAE J2012-DA, from memory: a dead sensor is an open circuit or no signal, seldom anything else.
    const dead = Array.from({ length: 400 }, (_, seed) =>
      practiceCar({ ...exercise, skill: undefined, seed: seed + 1 }),
    )
      .filter(({ fault, complaint }) => fault === "sensor-open@sensor" && complaint.codes.length > 0)
      .map(({ complaint }) => /-(1[34]|31)/.test(complaint.codes[0]!));
    expect(dead.length).toBeGreaterThan(8);
    expect(dead.filter(Boolean).length / dead.length).toBeGreaterThan(0.7);
    const sensors = cars.filter(({ fault }) => fault.startsWith("sensor-"));
    expect(sensors.some(({ complaint }) => /new sensor already/.test(complaint.note!))).toBe(false);
    expect(cars.some(({ complaint }) => /new sensor already/.test(complaint.note!))).toBe(true);
  });

  it("of cars that may have two faults one in two has; the second stays when the first is repaired, and both must be named", () => {
    const allowed = exerciseSchema.parse({ tastatura: "exercise/1", seed: 1, family: "active-2wire", two: true });
    const cars = Array.from({ length: 8 }, (_, i) => practiceCar({ ...allowed, seed: i + 1 }));
    const both = cars.filter(({ second }) => second !== undefined);
    expect(both.length).toBeGreaterThan(1);
    expect(both.length).toBeLessThan(7);
    for (const i of [0, 1]) expect(practiceCar({ ...allowed, seed: i + 1, two: false }).fault).toBe(cars[i]!.fault);
    const job: Job = {
      ...jobOf(),
      simulated: { fault: "sensor-open@sensor", second: "channel-supply@module-supply", seed: 3, intermittent: false },
    };
    const { hookup } = checkCatalogue(job.setup).find(({ id }) => id.startsWith("volts-dc:plug.out.supply>battery"))!;
    const volts = (one: Job) => {
      const { shown } = readSimulated(one, hookup)!;
      return Number.parseFloat(shown) * (shown.includes("mV") ? 1e-3 : 1);
    };
    const [sensorDone, supplyDone] = ["sensor-open@sensor", "channel-supply@module-supply"].map((id) =>
      with_(job, [], id),
    );
    expect(volts(sensorDone!)).toBeLessThan(7.5);
    expect(volts(supplyDone!)).toBeGreaterThan(8);
    expect(debrief(sensorDone!)).toMatchObject({ right: false, score: 0 });
    const done = { ...supplyDone!, entries: [...supplyDone!.entries, ...sensorDone!.entries] };
    expect(debrief(done)).toMatchObject({ right: true, bill: { guessing: expect.any(Number) as number } });
    expect(debrief(done).truth).toMatch(/, and /);
    expect(volts(done)).toBeGreaterThan(8);
  });

  it("what is recorded for hours says whether the fault came meanwhile, and of a mended car that it stayed away", () => {
    const came = (simulated: Job["simulated"], seeds: number[]) =>
      seeds.filter((seed) => {
        const job: Job = { ...jobOf(), simulated: { ...simulated!, seed } };
        const { hookup } = checkCatalogue(job.setup, true).find(({ hookup }) => hookup.state.recorded)!;
        return readSimulated(job, hookup)!.meanwhile === "came";
      }).length;
    const seeds = Array.from({ length: 20 }, (_, i) => i + 1);
    expect(came({ fault: "sensor-open@sensor", seed: 0, intermittent: true }, seeds)).toBeGreaterThan(12);
    expect(came({ fault: "nothing@none", seed: 0, intermittent: true }, seeds)).toBeLessThan(4);
    const { hookup } = checkCatalogue(jobOf().setup).find(({ id }) => id.startsWith("volts-dc"))!;
    expect(
      readSimulated({ ...jobOf(), simulated: { fault: "sensor-open@sensor", seed: 3, intermittent: true } }, hookup)!
        .meanwhile,
    ).toBeNull();
  });

  it("a fault that comes and goes is there for both channels of one recording or for neither, and for the same log again", () => {
    const at = (station: string) =>
      asChannel(
        checkCatalogue(jobOf().setup, true).find(
          ({ id }) => id.startsWith(`volts-dc:${station}.out.return>battery`) && id.includes("watched"),
        )!.hookup,
        "both",
      );
    const isGone = (shown: string) => shown.endsWith("mV") && Number.parseFloat(shown) < 100;
    const gone = Array.from({ length: 30 }, (_, i) => {
      const job: Job = { ...jobOf(), simulated: { fault: "sensor-open@sensor", seed: i + 1, intermittent: true } };
      const { shown } = readSimulated(job, at("c1"))!;
      expect(readSimulated(job, at("c1"))!.shown).toBe(shown);
      const entry = {
        id: "first",
        at: "2026-01-01T10:00:00Z",
        kind: "reading" as const,
        reading: readingFrom(at("c1"), shown),
      };
      expect(isGone(readSimulated({ ...job, entries: [entry] }, at("plug"))!.shown), shown).toBe(isGone(shown));
      return isGone(shown);
    });
    expect(new Set(gone).size).toBe(2);
  });

  it("instruments read the simulated car, and a mended one reads healthy", () => {
    const job = { ...jobOf(), simulated: { fault: "sensor-open@sensor", seed: 3, intermittent: false } };
    const { hookup } = checkCatalogue(job.setup).find(({ id }) => id.startsWith("volts-dc:c1.out.return>battery"))!;
    expect(Number.parseFloat(readSimulated(job, hookup)!.shown)).toBeLessThan(100);
    const mended = with_(job, [], "sensor-open@sensor");
    expect(readSimulated(mended, hookup)!.shown).toMatch(/^(0\.[3-9]|[1-4]\.).* V|^[3-9]\d\d.* mV/);
    const [channel] = analyseCapture(recordSimulated(mended)!, { pulses: job.setup.pulsesPerRevolution });
    expect(channel!.leading).toBe("clean");
    expect(readSimulated({ ...job, simulated: undefined }, hookup)).toBeNull();
  });

  it("the weakest skill is the one with the lowest mean, once there are cars enough", () => {
    const score = (skill: (typeof skills)[number], points: number) => ({
      job: "",
      at: "",
      right: true,
      score: points,
      truth: "",
      skill,
    });
    expect(weakestSkill([score("wiring", 10)])).toBeNull();
    expect(
      weakestSkill([score("wiring", 40), score("sensor and ring", 90), score("wiring", 60), score("intermittent", 70)]),
    ).toBe("wiring");
    expect(scoresBySkill([score("wiring", 40), score("sensor and ring", 90), score("wiring", 60)])).toEqual([
      { skill: "sensor and ring", cars: 1, mean: 90 },
      { skill: "wiring", cars: 2, mean: 50 },
    ]);
  });
});
