/** Whatever a schema allows to be kept comes back value for value from the file it is written to. */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { safeParse } from "zod/mini";
import type * as z from "zod/mini";
import { captureToCsv, parseCaptureCsv } from "./capture/csv";
import { exportJob, exportJobs, importJob, importJobs } from "./job-file/file";
import { parseJson } from "./job-file/version";
import { importProfile, profileSchema } from "./job-file/profile";
import { jobSchema, type Job } from "./job/schema";
import { packJob, unpackJob } from "./job-file/zip";
import { libraryItemSchema } from "./library/library";
import { packLibrary, unpackLibrary } from "./library/library-zip";
import { exerciseSchema } from "./practice/exercise";
import { parseScanCsv } from "./scanlog/scan-csv";
import { scanToCsv } from "./scanlog/scan-to-csv";
import { parseSettings, settingsSchema } from "./settings/settings";

const path = [
  { station: "module" },
  { spanM: 1.25, mm2: 0.5 },
  { station: "c1" },
  { spanM: 2, mm2: 0.35 },
  { station: "plug" },
];
/** Paths have rules of their own across their parts; all else is as its schema has it. */
const jobs = valuesOf(jobSchema, { path: fc.constant(path) }) as fc.Arbitrary<Job>;
const runs = { numRuns: 150 };

describe("what is kept comes back from its file", () => {
  it("a job, and all jobs as one file (property)", () => {
    fc.assert(
      fc.property(fc.uniqueArray(jobs, { maxLength: 3, minLength: 1, selector: ({ id }) => id }), (all) => {
        for (const job of all) expect(importJob(exportJob(job), "f")).toEqual(job);
        const back = importJobs(exportJobs(all), "f");
        expect(back).toEqual({ jobs: all, refused: [] });
        expect(unpackJob(packJob(all[0]!, []), "f").job).toEqual(all[0]);
      }),
      runs,
    );
  });

  it("a car profile, settings and an exercise (property)", () => {
    fc.assert(
      fc.property(
        valuesOf(profileSchema, { path: fc.constant(path) }),
        valuesOf(settingsSchema),
        valuesOf(exerciseSchema),
        (profile, settings, exercise) => {
          expect(importProfile(JSON.stringify(profile), "f")).toEqual(profile);
          expect(parseSettings(JSON.stringify(settings))).toEqual(settings);
          expect(exerciseSchema.parse(parseJson(JSON.stringify(exercise), "f"))).toEqual(exercise);
        },
      ),
      runs,
    );
  });

  it("a library with its recordings (property)", () => {
    const samples = fc.float32Array({ minLength: 16, maxLength: 40, noNaN: true, noDefaultInfinity: true });
    fc.assert(
      fc.property(
        fc.uniqueArray(valuesOf(libraryItemSchema), { maxLength: 4, selector: ({ captureId }) => captureId }),
        samples,
        (items, own) => {
          const captures = items.map(({ captureId: id }) => ({
            id,
            capture: {
              name: "c",
              sampleS: 1 / 7,
              startS: 0,
              channels: [{ name: "x", unit: "A" as const, samples: own }],
            },
          }));
          expect(unpackLibrary(packLibrary(items, captures), "f")).toEqual({ items, captures });
        },
      ),
      runs,
    );
  });

  it("a speed log and a recording as CSV (property)", () => {
    const speed = fc.double({ min: 0, max: 250, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(speed, speed, speed, speed), { minLength: 12, maxLength: 40 }), (rows) => {
        const column = (at: 0 | 1 | 2 | 3) => Float64Array.from(rows, (row) => row[at]);
        const log = {
          name: "f",
          timeS: Float64Array.from(rows, (_, i) => i / 4),
          speedKmh: { FL: column(0), FR: column(1), RL: column(2), RR: column(3) },
        };
        const back = parseScanCsv(scanToCsv(log), "f");
        for (const corner of ["FL", "FR", "RL", "RR"] as const)
          back.speedKmh[corner]!.forEach((one, i) => expect(one).toBe(log.speedKmh[corner][i]! + 0));
      }),
      runs,
    );
    fc.assert(
      fc.property(
        fc.float32Array({ min: -20, max: 20, minLength: 20, maxLength: 60, noNaN: true }),
        fc.constantFrom(1e-6, 1e-4, 0.002, 1 / 3),
        (samples, sampleS) => {
          const capture = {
            name: "f",
            sampleS,
            startS: 0,
            channels: [{ name: "signal", unit: "V" as const, samples }],
          };
          const back = parseCaptureCsv(captureToCsv(capture), "f");
          expect(back.sampleS / sampleS).toBeCloseTo(1, 6);
          expect([...back.channels[0]!.samples]).toEqual([...samples].map((one) => one + 0));
        },
      ),
      runs,
    );
  });
});

type Schema = z.core.$ZodType;
interface Def {
  type: string;
  shape: Record<string, Schema>;
  options: Schema[];
  innerType: Schema;
  element: Schema;
  keyType: Schema;
  valueType: Schema;
  entries: Record<string, string>;
  values: unknown[];
}

/** Any value a schema allows, as a file can hold it. @param named what fields of a name are made of instead */
function valuesOf<T>(schema: z.ZodMiniType<T>, named: Record<string, fc.Arbitrary<unknown>> = {}): fc.Arbitrary<T> {
  // What is kept is what the schema makes of it: a key that would reach a prototype is not.
  return made(schema)
    .map((value) => schema.safeParse(value))
    .filter((parsed) => parsed.success)
    .map((parsed) => parsed.data as T);

  function made(one: Schema): fc.Arbitrary<unknown> {
    const def = one._zod.def as unknown as Def;
    const { minimum, maximum, minLength, maxLength } = limits(one);
    switch (def.type) {
      case "string":
        return fc
          .oneof(
            { weight: 1, arbitrary: fc.string({ unit: "binary", minLength, maxLength: Math.min(maxLength, 30) }) },
            { weight: 1, arbitrary: fc.constantFrom("2026-03-01T08:00:00.000Z", "V+", "ąЖß", "=1+1", "x") },
          )
          .filter((value) => safeParse(one, value).success);
      case "number":
        return fc
          .oneof(
            fc.integer({ min: Math.ceil(minimum), max: Math.floor(maximum) }),
            fc.double({ min: minimum, max: maximum, noNaN: true }).map((value) => value + 0),
          )
          .filter((value) => safeParse(one, value).success);
      case "boolean":
        return fc.boolean();
      case "enum":
        return fc.constantFrom(...Object.values(def.entries));
      case "literal":
        return fc.constantFrom(...def.values);
      case "null":
        return fc.constant(null);
      case "array":
        return fc.array(made(def.element), { minLength, maxLength: Math.min(maxLength, 5) });
      case "union":
        return fc.oneof(...def.options.map(made));
      case "tuple":
        return fc.tuple(...(def as unknown as { items: Schema[] }).items.map(made));
      case "record":
        if (def.keyType._zod.def.type === "enum")
          return fc.record(
            Object.fromEntries(
              Object.values((def.keyType._zod.def as unknown as Def).entries).map((key) => [key, made(def.valueType)]),
            ),
          );
        return fc.dictionary(made(def.keyType) as fc.Arbitrary<string>, made(def.valueType), { maxKeys: 3 });
      case "optional":
        return fc.option(made(def.innerType), { nil: undefined });
      case "nullable":
        return fc.option(made(def.innerType), { nil: null });
      case "default":
        return made(def.innerType);
      case "object":
        return fc
          .record(Object.fromEntries(Object.entries(def.shape).map(([key, field]) => [key, named[key] ?? made(field)])))
          .map((value) => JSON.parse(JSON.stringify(value)) as unknown);
      default:
        throw new Error(`no values of ${def.type} yet`);
    }
  }
}

interface CheckDef {
  check: string;
  value?: number;
  minimum?: number;
  maximum?: number;
}

function limits(schema: Schema): { minimum: number; maximum: number; minLength: number; maxLength: number } {
  const checks = ((schema._zod.def as { checks?: { _zod: { def: CheckDef } }[] }).checks ?? []).map(
    (one) => one._zod.def,
  );
  const of = (kind: string) => checks.find(({ check }) => check === kind);
  return {
    minimum: of("greater_than")?.value ?? -1000,
    maximum: of("less_than")?.value ?? 1000,
    minLength: of("min_length")?.minimum ?? 0,
    maxLength: of("max_length")?.maximum ?? 60,
  };
}
