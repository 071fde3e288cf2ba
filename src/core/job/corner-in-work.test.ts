/** Corners of one car, each worked on as a job of its own, against what the whole document must then hold. */
import { describe, expect, it } from "vitest";
import { addressOf, ofAddress } from "./corner-address";
import { cornerJob, cornersInWork, withCorner, withCornerJob, withoutCorner } from "./corner-in-work";
import { setupOf } from "../replay/known-beside";
import { differences, joinedAs } from "./differences";
import { parseJob } from "../job-file/earlier-jobs";
import { mergeJobs, stamped } from "./merge";
import { jobSchema, type Entry, type Job } from "./schema";

const car = jobSchema.parse({
  ...{ tastatura: "job/4", id: "car", createdAt: "2026-01-01T00:00:00Z", car: { name: "Tarnwick" }, policy: {} },
  complaint: { codes: ["C0035"] },
  setup: {
    corner: "FL",
    family: "passive",
    tyre: "195/65R15",
    otherAxleTyre: "205/55R16",
    path: [{ station: "module" }, { spanM: 1, mm2: 0.5, landmark: "left sill" }, { station: "plug" }],
  },
  entries: [],
});
const at = (second: number) => new Date(Date.UTC(2026, 0, 2, 0, 0, second)).toISOString();
const reading = (id: string, red: string, black: string, value: string, second: number): Entry => ({
  ...{ id, at: at(second), kind: "reading" },
  reading: {
    instrument: "volts-dc",
    red,
    black,
    value,
    state: { key: "on", unplugged: [], batteryOff: false, wheel: "still" },
  },
});
const logged = (job: Job, corner: "FL" | "FR" | "RL" | "RR", entry: Entry): Job => {
  const view = cornerJob(job, corner)!;
  return withCornerJob(job, corner, { ...view, entries: [...view.entries, entry] });
};
const ids = (job: Job | null) => job!.entries.map(({ id }) => id);

describe("corners of one car", () => {
  const two = withCorner(car, "FR");
  const own = reading("own", "plug.out.a", "plug.out.b", "0.2 V", 1);
  const battery = reading("battery", "battery.positive", "battery.negative", "12.4 V", 2);
  const ground = reading("ground", "module.in.earth", "battery.negative", "1.3 V", 3);
  const measured = [own, battery, ground].reduce((job, entry) => logged(job, "FR", entry), two);

  it("each has a log of its own, and what belongs to the car stands in all of them", () => {
    expect(cornersInWork(measured)).toEqual(["FL", "FR"]);
    expect(ids(cornerJob(measured, "FR"))).toEqual(["own", "battery", "ground"]);
    expect(ids(cornerJob(measured, "FL"))).toEqual(["battery", "ground"]);
    const retracted = logged(measured, "FL", { id: "no", at: at(4), kind: "retract", entry: "ground" });
    expect(ids(cornerJob(retracted, "FR"))).toContain("no");
  });

  it("a repair of the module's feed is one of the whole car, a new sensor is not", () => {
    const repair = (id: string, part: "sensor" | "module-feed", second: number): Entry => ({
      ...{ id, at: at(second), kind: "repair", fault: "x", words: "x", part, share: 1, guess: false },
    });
    const repaired = logged(logged(measured, "FR", repair("s", "sensor", 5)), "FR", repair("f", "module-feed", 6));
    expect(ids(cornerJob(repaired, "FL"))).toEqual(["battery", "ground", "f"]);
  });

  it("what is changed of the car in one corner is changed in the other, a set-up is not", () => {
    const view = cornerJob(two, "FR")!;
    const changed = withCornerJob(two, "FR", {
      ...view,
      car: { ...view.car, plate: "NW 1" },
      setup: { ...view.setup, family: "active-2wire" },
    });
    expect(cornerJob(changed, "FL")).toMatchObject({ car: { plate: "NW 1" }, setup: { family: "passive" } });
    expect(cornerJob(changed, "FR")!.setup).toMatchObject({ family: "active-2wire", corner: "FR" });
  });

  it("another axle has its own tyre, and no corner another's landmarks", () => {
    const rear = cornerJob(withCorner(car, "RL"), "RL")!.setup;
    expect(rear).toMatchObject({ tyre: "205/55R16", otherAxleTyre: "195/65R15", corner: "RL" });
    expect(JSON.stringify(cornerJob(two, "FR")!.setup)).not.toContain("left sill");
  });

  it("levels that one side toggled between are the other's reference, and stored in neither", () => {
    const active = withCorner({ ...car, setup: { ...car.setup, family: "active-2wire" } }, "FR");
    const toggled = logged(active, "FR", reading("t", "plug.out.return", "battery.negative", "0.42 / 0.84 V", 1));
    const view = cornerJob(toggled, "FL")!;
    expect(setupOf(view).known).toMatchObject({ side: "FR", lowV: 0.42, highV: 0.84 });
    expect(setupOf(cornerJob(toggled, "FR")!).known).toBeUndefined();
    const changed = withCornerJob(toggled, "FL", { ...view, setup: { ...view.setup, tyre: "205/55R16" } });
    expect(changed.setup).toMatchObject({ tyre: "205/55R16" });
    expect(changed.setup.known).toBeUndefined();
    const back = logged(toggled, "FR", { id: "u", at: at(9), kind: "retract", entry: "t" });
    expect(setupOf(cornerJob(back, "FL")!).known).toBeUndefined();
  });

  it("taken out of work it keeps its log, and has it again when it is taken in", () => {
    const out = withoutCorner(measured, "FR");
    expect(cornersInWork(out)).toEqual(["FL"]);
    expect(cornerJob(out, "FR")).toBeNull();
    expect(ids(cornerJob(withCorner(out, "FR"), "FR"))).toContain("own");
  });

  it("two machines that measure two corners of one car have both after they meet, in either order", () => {
    const here = stamped(two, logged(two, "FR", own), at(9));
    const there = stamped(two, logged(withCorner(two, "RR"), "RR", { ...own, id: "rear", at: at(8) }), at(9));
    const joined = mergeJobs(here, there);
    expect(mergeJobs(there, here)).toEqual(joined);
    expect(cornersInWork(joined)).toEqual(["FL", "FR", "RR"]);
    expect(ids(cornerJob(joined, "RR"))).toEqual(["rear"]);
    expect(parseJob(JSON.parse(JSON.stringify(joined)))).toMatchObject({ success: true });
  });

  it("a corner's address leads back to it, and a plain job's is its own name", () => {
    expect(ofAddress(addressOf(two, "FR"))).toEqual({ id: "car", corner: "FR" });
    expect(ofAddress(addressOf(two, "FL"))).toEqual({ id: "car", corner: null });
  });
});

describe("a copy that comes in", () => {
  const here = stamped(car, { ...car, car: { ...car.car, plate: "NW 1" } }, at(1));
  const there = stamped(car, { ...car, car: { ...car.car, plate: "NW 2", name: "Pelican" } }, at(2));

  it("is held against what is here part by part, with which is the later", () => {
    expect(differences(here, there)).toMatchObject([
      { key: "name", here: "Tarnwick", coming: "Pelican", taken: "coming" },
      { key: "plate", here: "NW 1", coming: "NW 2", taken: "coming" },
    ]);
    expect(differences(here, here)).toEqual([]);
  });

  it("is joined as was chosen, and the choice stands against both", () => {
    const chosen = joinedAs(here, there, new Map([["plate", "here"]]), at(3));
    expect(chosen.car).toMatchObject({ plate: "NW 1", name: "Pelican" });
    expect(mergeJobs(mergeJobs(chosen, there), here).car).toEqual(chosen.car);
  });
});
