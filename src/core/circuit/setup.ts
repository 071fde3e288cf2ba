import * as z from "zod";
import { corners } from "../units/corner";

// Zod would otherwise compile its parsers with eval, which the page policy forbids.
z.config({ jitless: true });

export const families = ["active-2wire", "active-3wire", "passive"] as const;
export type Family = (typeof families)[number];
export type Conductor = "supply" | "return" | "signal" | "ground" | "a" | "b";

export const conductorsOf: Record<Family, readonly Conductor[]> = {
  "active-2wire": ["supply", "return"],
  "active-3wire": ["supply", "ground", "signal"],
  passive: ["a", "b"],
};

export const familyWords: Record<Family, string> = {
  "active-2wire": "active, two wires",
  "active-3wire": "active, three wires",
  passive: "passive, two wires",
};

const stationSchema = z.object({
  station: z.string().regex(/^(module|plug|c[1-9])$/, "a station is module, c1 … c9 or plug"),
  accessMin: z.number().min(0).max(600).optional(),
  landmark: z.string().max(80).optional(),
  /** Terminal and colour of each conductor here, as the diagram or a look has them. */
  pins: z.record(z.string().max(10), z.object({ pin: z.string().max(12), colour: z.string().max(24) })).optional(),
  /** The connector's face, to find a terminal by counting. */
  face: z
    .object({
      rows: z.number().int().min(1).max(4),
      columns: z.number().int().min(1).max(60),
      /** The side it is looked at from; the mating side shows each row the other way round. */
      seen: z.enum(["wire", "mating"]).optional(),
    })
    .optional(),
});
const spanSchema = z.object({
  spanM: z.number().positive().max(30),
  mm2: z.number().min(0.1).max(10),
  landmark: z.string().max(80).optional(),
  /** How rough this stretch is on a wire, 1 = ordinary; multiplies its share of the prior. */
  exposure: z.number().min(0.1).max(20).optional(),
  /** The insulation may be pierced here at all. */
  pierceable: z.boolean().optional(),
});
const pathSchema = z
  .array(z.union([stationSchema, spanSchema]))
  .min(3)
  .superRefine((path, context) => {
    path.forEach((part, at) => {
      if ("station" in part === (at % 2 === 1))
        context.addIssue({ code: "custom", path: [at], message: "stations and spans must take turns, module first" });
    });
    const stations = path.flatMap((part) => ("station" in part ? [part.station] : []));
    const expected = [
      "module",
      ...Array.from({ length: Math.max(0, stations.length - 2) }, (_, i) => `c${i + 1}`),
      "plug",
    ];
    if (stations.join() !== expected.join())
      context.addIssue({ code: "custom", path: [], message: `stations must read ${expected.join(", ")}` });
  });

export const meterSchema = z.object({
  inputMegohm: z.number().min(0.01).max(1000),
  leadOhms: z.number().min(0).max(5),
  averageResponding: z.boolean(),
});

export type Meter = z.infer<typeof meterSchema>;

/** What is known of a corner before anything is measured. */
export const cornerSetupSchema = z.object({
  corner: z.enum(corners),
  family: z.enum(families),
  sense: z.enum(["low", "high"]).default("low"),
  supplyV: z.number().min(3).max(30).default(12),
  pullUpV: z.number().min(3).max(30).default(5),
  /** Passive only: whether the module puts a small bias on both legs to detect opens. */
  bias: z.boolean().default(true),
  pulsesPerRevolution: z.number().int().min(8).max(400).default(48),
  tyre: z.string().max(40).default("205/55R16"),
  /** The other axle's tyre, where it is another size. */
  otherAxleTyre: z.string().max(40).optional(),
  /** Which wheels are driven: a differential shares their speed. */
  drivetrain: z.enum(["front", "rear", "all"]).optional(),
  path: pathSchema,
  /** What a known-good recording of this model showed: it narrows the usual tolerances. */
  known: z
    .object({
      from: z.string().max(200),
      lowV: z.number().optional(),
      highV: z.number().optional(),
      /** Passive: peak-to-peak millivolts for each km/h. */
      millivoltsPerKmh: z.number().positive().optional(),
    })
    .optional(),
  /** The hand meter in use: what it loads the circuit with, and what its leads add to ohms. */
  meter: meterSchema.optional(),
});

export type CornerSetup = z.infer<typeof cornerSetupSchema>;
export type Station = z.infer<typeof stationSchema>;
export type Span = z.infer<typeof spanSchema>;

/** A usual hand meter: 10 MΩ, true RMS, 0.15 Ω of leads. */
export const usualMeter: Meter = {
  inputMegohm: 10,
  leadOhms: 0.15,
  averageResponding: false,
};

/** The meter in use, or a usual one. */
export function meterOf({ meter }: CornerSetup): Meter {
  return meter ?? usualMeter;
}

/** The wire whose level carries the speed: the one the module senses. */
export function signalConductor({ family, sense }: CornerSetup): Conductor {
  if (family === "passive") return "a";
  if (family === "active-3wire") return "signal";
  return sense === "high" ? "supply" : "return";
}

/** The stations of a path, module first. */
export function stationsOf(setup: CornerSetup): Station[] {
  return setup.path.filter((part): part is Station => "station" in part);
}

/** The spans of a path, module first; span `i` runs from station `i` to station `i + 1`. */
export function spansOf(setup: CornerSetup): Span[] {
  return setup.path.filter((part): part is Span => "spanM" in part);
}

/** The plug that is reached soonest, the module apart. */
export function nearestPlug(setup: CornerSetup): string {
  return stationsOf(setup)
    .slice(1)
    .reduce((best, one) => (accessMinutes(one) < accessMinutes(best) ? one : best)).station;
}

const DEFAULT_ACCESS_MIN = { module: 40, plug: 7, inline: 4 };

/** Minutes to get at a station, asked-for or typical (domain table of times, engineering judgement). */
export function accessMinutes(station: Station): number {
  if (station.accessMin !== undefined) return station.accessMin;
  if (station.station === "module") return DEFAULT_ACCESS_MIN.module;
  return station.station === "plug" ? DEFAULT_ACCESS_MIN.plug : DEFAULT_ACCESS_MIN.inline;
}
