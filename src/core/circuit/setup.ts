import { t } from "../words/words";
import * as z from "zod/mini";
import { numberField, positiveField, wholeField } from "../units/number-field";
import { typedText } from "../units/typed-text";
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
  get "active-2wire"() {
    return t`active, two wires`;
  },
  get "active-3wire"() {
    return t`active, three wires`;
  },
  get passive() {
    return t`passive, two wires`;
  },
};

/** Where a two-wire sensor's module reads its current: below it, above it, or nobody said. */
export const senses = ["low", "high", "unknown"] as const;
export const legBiases = ["yes", "no", "unknown"] as const;

export const protocols = ["half-duty", "width", "three-level", "unknown"] as const;
export type Protocol = (typeof protocols)[number];

/** How a two-wire sensor says a pole has passed, as a technician would tell them apart. */
export function protocolWords(protocol: Protocol): string {
  const words: Record<Protocol, string> = {
    "half-duty": t`toggles between two levels`,
    width: t`short pulses, width-coded`,
    "three-level": t`three levels, with data`,
    unknown: t`kind of signal not known`,
  };
  return words[protocol];
}

export function senseWord(sense: (typeof senses)[number]): string {
  const words = { low: t`senses low side`, high: t`senses high side`, unknown: t`side not known` };
  return words[sense];
}

export function legBiasWord(bias: (typeof legBiases)[number]): string {
  const words = { yes: t`small voltage on the legs`, no: t`no voltage on the legs`, unknown: t`not known` };
  return words[bias];
}

/** The numbers of a set-up that are typed. */
export const setupFields = {
  supplyV: numberField(3, 30),
  pullUpV: numberField(3, 30),
  pulsesPerRevolution: wholeField(8, 400),
  accessMin: numberField(0, 600),
  spanM: positiveField(30),
  mm2: numberField(0.1, 10),
  faceRows: wholeField(1, 4),
  faceColumns: wholeField(1, 60),
  inputMegohm: numberField(0.01, 1000),
  leadOhms: numberField(0, 5),
};

/** A connector on the path. Its name is its own: it stays when others are put before it, taken out or changed about. */
export type StationId = "module" | "plug" | `c${number}`;
const STATION = /^(?:module|plug|c[1-9]\d?)$/;

const stationSchema = z.object({
  station: z.custom<StationId>(
    (value) => typeof value === "string" && STATION.test(value),
    "a station is module, c1 … c99 or plug",
  ),
  accessMin: z.optional(setupFields.accessMin.schema),
  landmark: z.optional(typedText("landmark")),
  /** Terminal and colour of each conductor here, as the diagram or a look has them. */
  pins: z.optional(
    z.record(z.string().check(z.maxLength(10)), z.object({ pin: typedText("pin"), colour: typedText("colour") })),
  ),
  /** The connector's face, to find a terminal by counting. */
  face: z.optional(
    z.object({
      rows: setupFields.faceRows.schema,
      columns: setupFields.faceColumns.schema,
      /** The side it is looked at from; the mating side shows each row the other way round. */
      seen: z.optional(z.enum(["wire", "mating"])),
    }),
  ),
});
const spanSchema = z.object({
  spanM: setupFields.spanM.schema,
  mm2: setupFields.mm2.schema,
  landmark: z.optional(typedText("landmark")),
  /** How rough this stretch is on a wire, 1 = ordinary; multiplies its share of the prior. */
  exposure: z.optional(z.number().check(z.gte(0.1), z.lte(20))),
  /** The insulation may be pierced here at all. */
  pierceable: z.optional(z.boolean()),
  /** A lead with a plug at each end, renewed as a whole and never spliced. */
  linkLead: z.optional(z.boolean()),
});
const pathSchema = z.array(z.union([stationSchema, spanSchema])).check(
  z.minLength(3),
  z.superRefine((path, context) => {
    path.forEach((part, at) => {
      if ("station" in part === (at % 2 === 1))
        context.addIssue({ code: "custom", path: [at], message: t`stations and spans must take turns, module first` });
    });
    const stations = path.flatMap((part) => ("station" in part ? [part.station] : []));
    const inline = stations.slice(1, -1);
    const ends = stations[0] === "module" && stations.at(-1) === "plug";
    if (!ends || inline.some((one) => one === "module" || one === "plug") || new Set(inline).size < inline.length)
      context.addIssue({
        code: "custom",
        path: [],
        message: t`stations must run from module to plug, with connectors c1, c2 … between them, each once`,
      });
  }),
);

export const meterSchema = z.object({
  inputMegohm: setupFields.inputMegohm.schema,
  leadOhms: setupFields.leadOhms.schema,
  averageResponding: z.boolean(),
});

export type Meter = z.infer<typeof meterSchema>;

/** What is known of a corner before anything is measured. */
export const cornerSetupSchema = z.object({
  corner: z.enum(corners),
  family: z.enum(families),
  sense: z._default(z.enum(senses), "unknown"),
  /** Left out where nobody said: 12 V for two wires, 5, 8 or 12 for three. */
  supplyV: z.optional(setupFields.supplyV.schema),
  /** Three wires: what the module pulls the signal up to; left out where nobody said. */
  pullUpV: z.optional(setupFields.pullUpV.schema),
  /** How a two-wire active sensor says a pole has passed: half of the time at each level, or in short pulses. */
  protocol: z._default(z.enum(protocols), "unknown"),
  /** Passive only: whether the module puts a small voltage on the legs to find opens. */
  legBias: z._default(z.enum(legBiases), "unknown"),
  /** Left out where nobody counted, or a recording told. */
  pulsesPerRevolution: z.optional(setupFields.pulsesPerRevolution.schema),
  /** Left out where nobody read it. */
  tyre: z.optional(typedText("tyre")),
  /** The other axle's tyre, where it is another size. */
  otherAxleTyre: z.optional(typedText("tyre")),
  /** Which wheels are driven: a differential shares their speed. */
  drivetrain: z.optional(z.enum(["front", "rear", "all"])),
  path: pathSchema,
  /** What a known-good recording of this model showed: it narrows the usual tolerances. */
  known: z.optional(
    z.object({
      from: z.string().check(z.maxLength(200)),
      /** The other side of the axle, where it is in work too and was seen to toggle: derived, never stored. */
      side: z.optional(z.enum(corners)),
      lowV: z.optional(z.number()),
      highV: z.optional(z.number()),
      /** Passive: peak-to-peak millivolts for each km/h. */
      millivoltsPerKmh: z.optional(z.number().check(z.positive())),
    }),
  ),
  /** The hand meter in use: what it loads the circuit with, and what its leads add to ohms. */
  meter: z.optional(meterSchema),
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

/** Nominal supply of the sensor, V: what was said, or the usual. */
export function nominalSupplyV({ supplyV }: CornerSetup): number {
  return supplyV ?? 12;
}

/** The corner met most, nothing of it left unsaid: what simulated cars are made with. */
export const usualCorner = {
  pulsesPerRevolution: 48,
  tyre: "205/55R16",
  sense: "low",
  supplyV: 12,
  pullUpV: 5,
  legBias: "yes",
} as const satisfies Partial<CornerSetup>;

/** Pulses of a turn that are met most: 43 to 52, and encoders of 40 poles (common practice). */
export const usualCounts = [20, 43, 44, 46, 48, 50, 52] as const;

/** Pulses of a turn: what was said, or what is met most. */
export function nominalPulses({ pulsesPerRevolution }: Pick<CornerSetup, "pulsesPerRevolution">): number {
  return pulsesPerRevolution ?? usualCorner.pulsesPerRevolution;
}

/** What three-wire sensors are fed with and pulled up to, V (domain: 5, 8 or 12; 5 or 12). */
export const threeWireSuppliesV = [5, 8, 12] as const;
export const pullUpsV = [5, 12] as const;

/** Which side the module senses: what was said, or what a good return wire that toggles has shown. */
export function sensedSide({ sense, known }: CornerSetup): CornerSetup["sense"] {
  return sense === "unknown" && known?.lowV && known.highV ? "low" : sense;
}

/** The wires whose level may carry the speed: both of a two-wire sensor where nobody said which one the module senses. */
export function signalConductors(setup: CornerSetup): Conductor[] {
  const likely = signalConductor(setup);
  return setup.family === "active-2wire" && sensedSide(setup) === "unknown" ? [likely, "supply"] : [likely];
}

/** The wire whose level carries the speed: the one the module senses, or most likely does. */
export function signalConductor({ family, sense }: CornerSetup): Conductor {
  if (family === "passive") return "a";
  if (family === "active-3wire") return "signal";
  return sense === "high" ? "supply" : "return";
}

/** The stations of a path, module first. */
export function stationsOf(setup: Pick<CornerSetup, "path">): Station[] {
  return setup.path.filter((part): part is Station => "station" in part);
}

/** The spans of a path, module first; span `i` runs from station `i` to station `i + 1`. */
export function spansOf(setup: Pick<CornerSetup, "path">): Span[] {
  return setup.path.filter((part): part is Span => "spanM" in part);
}

/** The plug that is reached soonest, the module apart. */
export function nearestPlug(setup: CornerSetup): StationId {
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
