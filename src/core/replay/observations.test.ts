import { describe, expect, it } from "vitest";
import { logText } from "../bench/log-text";
import { rankingOf } from "../bench/diagnosis";
import { withConnectors } from "../harness/edit-path";
import { parseJob } from "../job-file/earlier-jobs";
import { observationsOf } from "./observations";
import { replay } from "./replay";
import type { Job } from "../job/schema";

const reading = (id: string, red: string, value: string) => ({
  id,
  at: `2026-11-26T08:0${id.length}:00Z`,
  kind: "reading",
  reading: { instrument: "volts-dc", red, black: "battery.negative", state: { key: "on", unplugged: [] }, value },
});
const job = parseJob({
  tastatura: "job/4",
  id: "u",
  createdAt: "2026-11-26T08:00:00Z",
  car: { name: "Halmer Teal 3" },
  setup: {
    corner: "RR",
    family: "active-2wire",
    path: [
      { station: "module" },
      { spanM: 1, mm2: 0.5 },
      { station: "c1" },
      { spanM: 2, mm2: 0.5 },
      { station: "plug" },
    ],
  },
  complaint: {},
  policy: {},
  entries: [
    reading("a", "c1.out.supply", "11.3 V"),
    reading("bb", "plug.in.supply", "3 mV"),
    reading("ccc", "plug.out.supply", "2 mV"),
  ],
}).data as Job;

describe("readings that no longer fit the set-up", () => {
  const without = { ...job, setup: { ...job.setup, path: withConnectors(job.setup, 0) } };

  it("are unread with the reason and what would make them count, and the rest still counts under its own name", () => {
    const { read, unread } = observationsOf(without);
    expect(read.map(({ entryId }) => entryId)).toEqual(["bb", "ccc"]);
    expect(unread).toEqual([
      { entryId: "a", say: expect.stringMatching(/no station “c1”/), mend: expect.stringMatching(/counts again/) },
    ]);
    expect(logText(without)).toMatch(/no station “c1”/);
  });

  it("are never cited as proof: what proves is the entry that did", () => {
    for (const one of [job, without]) {
      const { suspects } = rankingOf(replay(one));
      const known = new Set(observationsOf(one).read.map(({ entryId }) => entryId));
      for (const { provenBy, hangsOn } of suspects)
        for (const entry of [...provenBy, ...(hangsOn ? [hangsOn] : [])]) expect(known).toContain(entry);
    }
  });

  it("all of them unread, the job is as one with nothing measured, and counts again when the family is put back", () => {
    const passive = { ...job, setup: { ...job.setup, family: "passive" as const } };
    const { read, unread } = observationsOf(passive);
    expect([read.length, unread.length]).toEqual([0, 3]);
    expect(rankingOf(replay(passive)).suspects).toEqual(rankingOf(replay({ ...passive, entries: [] })).suspects);
    expect(observationsOf({ ...passive, setup: job.setup }).unread).toEqual([]);
  });
});
