import { describe, expect, it } from "vitest";
import { decodeCode, decodeCodes } from "../codes/code";
import { settling } from "../units/settling";
import { jobSchema, type Job } from "../job/schema";
import { simulatedCodes } from "./simulated-codes";
import { recordSimulated } from "./simulated-reading";
import { parsePoint } from "../circuit/point";

const job = (fault: string, parts: object = {}): Job =>
  jobSchema.parse({
    tastatura: "job/4",
    id: "c",
    createdAt: "2026-01-01T00:00:00Z",
    car: { name: "Skua" },
    setup: {
      corner: "RL",
      family: "active-2wire",
      path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
    },
    complaint: {},
    policy: {},
    entries: [],
    simulated: { fault, seed: 5, ...parts },
  });

describe("a simulated scan tool", () => {
  it("names the corner and what the module noticed, with its status", () => {
    const [code] = simulatedCodes(job("wire-open@span1.return"))!;
    expect(decodeCode(code!)).toMatchObject({ corner: "RL", status: "present" });
    expect(["open", "no-signal"]).toContain(decodeCode(code!)!.failure!.kind);
    const [old] = simulatedCodes(job("terminal-open@plug.return", { intermittent: true }))!;
    expect(decodeCode(old!)!.status).toBe("history");
    expect(simulatedCodes(job("nothing@none"))).toEqual([]);
    expect(simulatedCodes({ ...job("nothing@none"), simulated: undefined })).toBeNull();
  });

  it("a supply shared by several corners is stored for all of them", () => {
    const codes = decodeCodes(simulatedCodes(job("shared-supply@shared-supply"))!).map((code) => code!);
    expect(new Set(codes.map(({ corner }) => corner)).size).toBe(4);
    expect(codes.every(({ subject }) => subject === "wheel speed sensor supply")).toBe(true);
  });
});

it("a simulated recorder takes any points at once, one channel each", () => {
  const one = job("nothing@none");
  const points = ["plug.out.return", "plug.out.supply"].map((text) => {
    const parsed = parsePoint(text, one.setup);
    if (!parsed.ok) throw new Error(parsed.say);
    return parsed.point;
  });
  const { channels } = recordSimulated(one, points)!;
  expect(channels.map(({ name }) => name)).toEqual(["plug ▸ return", "plug ▸ supply"]);
  const mean = (samples: Float32Array) => samples.reduce((sum, value) => sum + value, 0) / samples.length;
  expect(mean(channels[0]!.samples)).toBeLessThan(2);
  expect(mean(channels[1]!.samples)).toBeGreaterThan(9);
});

it("a display settles toward its reading, digit for digit, and shows words and OL at once", () => {
  expect(settling("11.24 V")).toEqual(["15.74 V", "12.25 V", "10.96 V", "11.31 V"]);
  expect(settling("-0.5 mV").at(-1)).toBe("-0.5 mV");
  expect(settling("OL")).toEqual([]);
});
