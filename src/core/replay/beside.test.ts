/** What the car's other corners say is weighed in every room as it is in a file of the whole car. */
import { describe, expect, it } from "vitest";
import { openCar } from "../bench/diagnose-car";
import { usualCorner } from "../circuit/setup";
import { rankParts } from "../verdict/suspects";
import { carParts } from "../verdict/car-parts";
import type { Part } from "../faults/parts/parts";
import type { Corner } from "../units/corner";
import { boardRowOf } from "../bench/board-row";
import { diagnosisOf } from "../bench/diagnosis";
import { progressOf } from "../bench/progress";
import type { Belief } from "../belief/belief";
import { observationsOf } from "./observations";
import { aloneParts, partsAlone, soundHere, toldBeside } from "./beside";
import { carPartsOf } from "../board/car-by-rows";
import { drawnFrom } from "./checkpoint";
import { cornerJob, withCorner, type CornerJob } from "../job/corner-in-work";
import { replay, replayAlone } from "./replay";
import { jobSchema, type Job } from "../job/schema";

const volts = (red: string, value: string, unplugged: string[] = []) => ({
  ...{ instrument: "volts-dc", red, black: "battery.negative", value },
  state: { key: "on", unplugged },
});

const path = [
  { station: "module" },
  { spanM: 1.2, mm2: 0.5 },
  { station: "c1" },
  { spanM: 3.4, mm2: 0.5 },
  { station: "plug" },
];

function carWith(codes: string[], logs: Partial<Record<Corner, object[]>>): Job {
  const [first, ...others] = Object.keys(logs) as Corner[];
  const entries = Object.entries(logs).flatMap(([corner, readings]) =>
    readings.map((reading, i) => ({
      ...{ id: `${corner}-${i}`, at: `2026-01-01T09:0${i}:00Z`, kind: "reading", reading },
      ...(corner === first ? {} : { of: corner }),
    })),
  );
  const job = jobSchema.parse({
    ...{ tastatura: "job/4", id: "car", createdAt: "2026-01-01T09:00:00Z", car: { name: "Sallow Plover 11" } },
    ...{ setup: { ...usualCorner, corner: first, family: "active-2wire", path }, complaint: { codes }, policy: {} },
    entries: [],
  });
  return jobSchema.parse({ ...others.reduce(withCorner, job), entries });
}

const shareOf = (job: CornerJob, part: Part) => rankParts(replay(job)).find((one) => one.part === part)!.share;
const rowOf = (job: CornerJob) =>
  boardRowOf(diagnosisOf(replay(job), job.policy, progressOf(job)), job.beside && aloneParts(job));

describe("the other corners of a car in work", () => {
  const dead = [volts("plug.in.supply", "0.9 V", ["plug"]), volts("plug.in.supply", "0.9 V", ["plug"])];
  const both = carWith(["C0031-16", "C0034-16"], { FL: dead, FR: dead });

  it("speak at each corner of what all share, and the car is judged by both, as in a file of it", () => {
    const [fl, fr] = [cornerJob(both, "FL")!, cornerJob(both, "FR")!];
    const { beside, ...alone } = fl;
    expect(beside!.map(({ setup }) => setup.corner)).toEqual(["FR"]);
    expect(shareOf(fl, "module-feed")).toBeGreaterThan(shareOf(alone, "module-feed"));
    const car = carPartsOf([fl, fr].map((job) => ({ corner: job.setup.corner, row: rowOf(job) })));
    const corners = Object.fromEntries(
      [fl, fr].map(({ setup }) => {
        const { corner, family, path, supplyV } = setup;
        return [
          corner,
          { family, path, supplyV, readings: dead, complaint: { codes: [`C00${corner === "FL" ? 31 : 34}-16`] } },
        ];
      }),
    );
    const file = openCar(JSON.stringify({ tastatura: "diagnose/2", corners }), "car.json");
    const told = carParts(
      file.alone,
      file.together.map(({ corner, diagnosing }) => ({ corner, ...diagnosing.ranking() })),
    );
    const feed = (list: typeof car) => list.find(({ part }) => part === "module-feed")!.share;
    expect(Math.abs(feed(car) - feed(told))).toBeLessThan(0.15);
  });

  it("that a code names leave one that none names a reference; without codes nobody is one", () => {
    const named = (codes: string[]) => soundHere(cornerJob(carWith(codes, { FL: dead, FR: [] }), "FR")!).none;
    expect(named(["C0031-16"])).toBeGreaterThan(10);
    expect(named(["C0031-16", "C0034-16"])).toBeUndefined();
    expect(named([])).toBeUndefined();
  });

  it("are told beside the corner's own log, which is not weighed anew for it: before or after a reading, again, or no more", () => {
    const fl = cornerJob(both, "FL")!;
    expect(drawnFrom(fl)).toBe(drawnFrom(cornerJob(carWith(both.complaint.codes, { FL: dead, FR: [] }), "FL")!));
    const feed = (belief: Belief) => rankParts(belief).find(({ part }) => part === "module-feed")!.share;
    const last = observationsOf(fl).read.at(-1)!;
    const [toldFirst, toldLast] = [replayAlone(fl), replayAlone(fl)];
    const byItself = feed(toldFirst);
    toldFirst.tell({ "module-feed": 3 });
    toldFirst.tell(toldBeside(fl));
    for (const belief of [toldFirst, toldLast]) belief.learn({ ...last, entryId: "again" });
    toldLast.tell(toldBeside(fl));
    expect(feed(toldFirst)).toBeGreaterThan(byItself);
    toldFirst.shares().forEach((share, h) => expect(share).toBeCloseTo(toldLast.shares()[h]!, 9));
    toldFirst.alone(() => expect(feed(toldFirst)).toBeLessThan(feed(toldLast)));
    toldFirst.tell({});
    expect(feed(toldFirst)).toBeCloseTo(
      partsAlone(toldLast).parts.find(({ part }) => part === "module-feed")!.share,
      9,
    );
  });

  it("say nothing to a car with one corner", () => {
    const single = cornerJob(carWith(["C0031"], { FL: dead }), "FL")!;
    expect(toldBeside(single)).toEqual({});
    expect(rowOf(single).alone).toBeUndefined();
    expect(aloneParts(single).parts.find(({ part }) => part === "module-feed")!.share).toBeCloseTo(
      shareOf(single, "module-feed"),
    );
  });
});
