/** What was recorded for hours says where the fault is not only if it was there: domain rule, "record long" on an intermittent. */
import { describe, expect, it } from "vitest";
import { openDiagnosis } from "../bench/diagnose-file";
import { readingSchema } from "../observation/reading";

const file = {
  tastatura: "diagnose/1",
  corner: "FL",
  family: "active-2wire",
  sense: "low",
  path: [{ station: "module" }, { spanM: 2, mm2: 0.5 }, { station: "c1" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
  complaint: { presence: "intermittent", symptoms: ["lamp"] },
  readings: [],
};

type Said = "came" | "stayed-away" | undefined;

/** Shares by part once the signal was recorded clean at a point for hours. */
function recordedClean(point: string, meanwhile: Said, times = 1): Record<string, number> {
  const state = { key: "on", wheel: "driven", watched: true, recorded: true, ...(meanwhile ? { meanwhile } : {}) };
  const { diagnosing } = openDiagnosis(JSON.stringify(file), "intermittent.json");
  for (let i = 0; i < times; i++)
    diagnosing.read(readingSchema.parse({ instrument: "scope", point, state, finding: "clean" }));
  return Object.fromEntries(diagnosing.diagnosis().parts.map(({ part, share }) => [part, share]));
}

const wires = ({ harness = 0, connector = 0 }: Record<string, number>) => harness + connector;

describe("the signal recorded clean at the module's own pin", () => {
  const [came, unsaid, away] = (["came", undefined, "stayed-away"] as const).map((said) =>
    recordedClean("module.in.return", said),
  ) as [Record<string, number>, Record<string, number>, Record<string, number>];

  const wiresToModule = (shares: Record<string, number>) => wires(shares) / shares.module!;

  it("while the warning came clears the wires most, while it stayed away least", () => {
    expect(wiresToModule(came)).toBeLessThan(0.85 * wiresToModule(unsaid));
    expect(wiresToModule(away)).toBeGreaterThan(2 * wiresToModule(unsaid));
  });

  it("while the warning came there is something wrong", () => {
    expect(came.none!).toBeLessThan(0.2 * unsaid.none!);
    expect(away.none!).toBeGreaterThan(unsaid.none!);
  });
});

it("days on which it stayed away name no part", () => {
  const shares = recordedClean("module.in.return", "stayed-away", 3);
  for (const part of ["module", "sensor", "harness", "connector"]) expect(shares[part] ?? 0, part).toBeLessThan(0.5);
});

it("asked of anything that was not recorded it is refused, with what to do", () => {
  const { diagnosing } = openDiagnosis(JSON.stringify(file), "intermittent.json");
  const point = { red: "c1.out.supply", black: "battery.negative" };
  const said = diagnosing.read(
    readingSchema.parse({ instrument: "volts-dc", ...point, state: { meanwhile: "came" }, value: "11.9 V" }),
  );
  expect(JSON.stringify(said)).toMatch(/recorded for hours/);
});
