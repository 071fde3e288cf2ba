import { readCar, simulateCar } from "../src/core/simulated/simulated-car";
import type { Check } from "../src/core/checks/catalogue";
import { cornerSetupSchema, usualCorner, families, type CornerSetup, type Family } from "../src/core/circuit/setup";
import { suspectables, suspectId, type Suspectable } from "../src/core/faults/catalogue";
import type { Part } from "../src/core/faults/parts/parts";
import { complaintSchema } from "../src/core/complaint/complaint";
import { Belief } from "../src/core/belief/belief";
import { checksOf, proposeChecks } from "../src/core/planning/next-check";
import { rankParts, rankSuspects, type PartShare } from "../src/core/verdict/suspects";
import { typedValue } from "../src/core/observation/typed-value";
import { seeded } from "../src/core/random/random";

export const methods = ["ours", "textbook"] as const;
export type Method = (typeof methods)[number];

/** Looks first, then supply and levels at the plug, ohms, harness, capture, module last: a common written order. */
const TEXTBOOK = [
  "scan:speed",
  "scan:others",
  "eyes:wiring",
  "eyes:plug",
  "hands:bearing",
  "eyes:foot",
  "eyes:ring",
  "film:",
  "volts-dc:plug.in",
  "volts-dc:plug.out",
  "ohms:plug.out",
  "volts-ac:plug",
  "scope:plug",
  "volts-dc:c1",
  "ohms:c1.out",
  "eyes:c1",
  "ohms:module.out",
  "eyes:tyres",
  "volts-dc:battery.positive>battery",
  "volts-dc:module",
];
const MOST = 14;
/** One reading in fifty is taken in the wrong place. */
export const SLIPS = 0.02;
const SPREAD = 1.5;

export interface Truth {
  car: number;
  setup: CornerSetup;
  truth: Suspectable;
  intermittent: boolean;
}

/**
 * The cars of a run: faults drawn by their priors, families in turn.
 * @param intermittent only faults that come and go, on cars whose owner says so
 */
export function truths(cars: number, seed = 2026, intermittent = false): Truth[] {
  const random = seeded(seed);
  return Array.from({ length: cars }, (_, car) => {
    const setup = cornerSetupSchema.parse({
      ...usualCorner,
      corner: "RR",
      ...kinds[car % kinds.length],
      path: [
        { station: "module" },
        { spanM: 1.2, mm2: 0.5 },
        { station: "c1", accessMin: 4 },
        { spanM: 3.4, mm2: 0.5 },
        { station: "plug", accessMin: 7 },
      ],
    });
    const all = suspectables(setup).filter(({ fault }) => fault.intermittent || !intermittent);
    let pick = random() * all.reduce((sum, { prior }) => sum + prior, 0);
    return { car, setup, truth: all.find((one) => (pick -= one.prior) <= 0) ?? all.at(-1)!, intermittent };
  });
}

/** Sensor kinds by turns: every family, and both ways a module may sense a two-wire sensor. */
const kinds: { family: Family; sense?: CornerSetup["sense"] }[] = [
  ...families.map((family) => ({ family })),
  { family: "active-2wire", sense: "high" },
];

export interface RunResult {
  proven: Part | null;
  top: Part;
  readings: number;
  minutes: number;
  parts: PartShare[];
}

/** Diagnoses one car. @param say is told each step, for tracing */
export function runCar(method: Method, one: Truth, say?: (line: string) => void): RunResult {
  const { car: seed, setup, truth, intermittent } = one;
  const fault = suspectId(truth.fault, truth.place);
  const car = simulateCar(setup, fault, { seed: 9000 + seed, spread: SPREAD, intermittent });
  const complaint = complaintSchema.parse(intermittent ? { presence: "intermittent" } : {});
  const belief = new Belief(setup, complaint, { seed });
  const slips = seeded(seed * 7 + 1);
  const done = new Set<string>();
  const queue = textbookOrder(checksOf(belief));
  let [minutes, readings] = [0, 0];
  let suspects = rankSuspects(belief);
  let parts = rankParts(belief, suspects);
  while (readings < (method === "ours" ? MOST : 40)) {
    const check =
      method === "ours"
        ? proposeChecks(belief, { approach: "information", pierce: false }, { done, skipped: new Set() })[0]?.check
        : queue.shift();
    if (!check) break;
    const wrongPlace = slips() < SLIPS ? otherPlace(checksOf(belief), check) : undefined;
    const text = readCar(car, (wrongPlace ?? check).hookup);
    const typed = typedValue(check.hookup, text, setup);
    if (!typed.ok) throw new Error(typed.say);
    belief.learn({ entryId: "", ...typed.observed });
    readings++;
    minutes += check.ownMinutes;
    for (const step of check.access) {
      if (!done.has(step.id)) minutes += step.minutes;
      done.add(step.id);
    }
    suspects = rankSuspects(belief);
    parts = rankParts(belief, suspects);
    say?.(
      `${String(readings).padStart(2)} ${check.id} = ${text}${wrongPlace ? " (slip)" : ""}  → ${suspects
        .slice(0, 4)
        .map(({ id, share }) => `${id} ${(100 * share).toFixed(1)}`)
        .join("  ")}`,
    );
    if (parts[0]!.verdict === "proven")
      return { proven: parts[0]!.part, top: parts[0]!.part, readings, minutes, parts };
  }
  return { proven: null, top: parts[0]!.part, readings, minutes, parts };
}

/** Where a slipped probe stands: another check of the same instrument. Words do not slip this way. */
export function otherPlace(checks: readonly Check[], { id, hookup }: Check): Check | undefined {
  if (!("red" in hookup)) return undefined;
  return checks.find((other) => other.hookup.instrument === hookup.instrument && other.id !== id);
}

function textbookOrder(checks: readonly Check[]): Check[] {
  const usual = checks.filter(
    ({ pierces, hookup: { instrument, state } }) => !pierces && !(instrument === "volts-dc" && state.key === "off"),
  );
  return TEXTBOOK.flatMap((start) => usual.filter(({ id }) => id.startsWith(start)));
}
