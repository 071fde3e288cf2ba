import * as z from "zod/mini";
import { ratioField } from "../complaint/ratio";
import { cornerSetupSchema } from "../circuit/setup";
import { parts } from "../faults/parts/parts";
import { readingSchema } from "../observation/reading";
import { complaintSchema } from "../complaint/complaint";
import { policySchema } from "../complaint/policy";
import { kilometresField } from "../units/mileage";
import { typedText } from "../units/typed-text";
import { corners } from "../units/corner";
import { diagramSchema } from "./diagram";
import { skipReasons } from "./skip-reasons";

/** A moment as ISO 8601 writes it: anything a clock can make of it, nothing else. */
const momentSchema = z.string().check(
  z.maxLength(40),
  z.refine((text) => !Number.isNaN(Date.parse(text)), "a date and time, as 2026-01-31T12:00:00Z"),
);

const stamp = {
  id: z.string().check(z.minLength(1), z.maxLength(60)),
  at: momentSchema,
  /** The corner it was written at, where more than one is in work; the car's first corner where it is not said. */
  of: z.optional(z.enum(corners)),
  /** Who wrote it, where the shop's people say who they are. */
  by: z.optional(typedText("person")),
};
export const entrySchema = z.discriminatedUnion("kind", [
  z.object({ ...stamp, kind: z.literal("reading"), reading: readingSchema }),
  z.object({
    ...stamp,
    kind: z.literal("capture"),
    captureId: z.string().check(z.maxLength(60)),
    name: typedText("fileName"),
    reading: readingSchema,
  }),
  z.object({
    ...stamp,
    kind: z.literal("scan"),
    scanId: z.string().check(z.maxLength(60)),
    name: typedText("fileName"),
    reading: readingSchema,
  }),
  z.object({
    ...stamp,
    kind: z.literal("photo"),
    photoId: z.string().check(z.maxLength(60)),
    name: typedText("fileName"),
    look: z.optional(z.string().check(z.maxLength(40))),
  }),
  /** The repair was made: what is measured from here on is measured on another car. */
  z.object({
    ...stamp,
    kind: z.literal("repair"),
    fault: z.string().check(z.maxLength(60)),
    words: z.string().check(z.maxLength(200)),
    part: z.enum(parts),
    /** Where it was, as suspects have it; all places of the part where it is not said. */
    place: z.optional(z.string().check(z.maxLength(60))),
    share: z.number().check(z.gte(0), z.lte(1)),
    guess: z.boolean(),
  }),
  z.object({
    ...stamp,
    kind: z.literal("tick"),
    item: z.string().check(z.maxLength(200)),
    text: z.optional(typedText("tick")),
  }),
  z.object({ ...stamp, kind: z.literal("retract"), entry: z.string().check(z.maxLength(60)) }),
  z.object({
    ...stamp,
    kind: z.literal("skip"),
    check: z.string().check(z.maxLength(300)),
    reason: z.enum(skipReasons),
    label: z.string().check(z.maxLength(300)),
  }),
  z.object({ ...stamp, kind: z.literal("note"), text: typedText("note") }),
]);
export type Entry = z.infer<typeof entrySchema>;

/** A demo or practice car hidden behind the job, whose instruments may be read. */
export const simulatedSchema = z.object({
  fault: z.string(),
  /** A second fault at the same corner. */
  second: z.optional(z.string()),
  seed: z.int(),
  intermittent: z._default(z.boolean(), false),
  /** Set on a practice car: the exercise it came from. */
  practice: z.optional(z.looseObject({ two: z._default(z.boolean(), false), alone: z._default(z.boolean(), false) })),
});

export const priorsSchema = z.record(z.enum(parts), z.number().check(z.gte(0), z.lte(1)));

/** Ratios of the complaint that the shop has set itself, by the name of their row (see complaint/ratio-table.ts). */
export const ratiosSchema = z.record(z.string().check(z.maxLength(60)), ratioField.schema);

/** Another corner in work on the same car: a path, a log and a line-up of its own (see corner-in-work.ts). */
export const cornerInWorkSchema = z.object({
  setup: cornerSetupSchema,
  simulated: z.optional(simulatedSchema),
  /** Taken out of work; its log stays, to be taken up again. */
  out: z.optional(z.boolean()),
});
export type CornerInWork = z.infer<typeof cornerInWorkSchema>;

/** Every earlier version is read too, see earlier-jobs.ts. */
export const JOB_VERSION = "job/4";

export const jobSchema = z.object({
  tastatura: z.literal(JOB_VERSION),
  id: z.string().check(z.minLength(1), z.maxLength(60)),
  createdAt: momentSchema,
  car: z.object({
    name: typedText("carName"),
    plate: z._default(typedText("plate"), ""),
    kilometres: z.optional(kilometresField.schema),
    vin: z.optional(typedText("vin")),
    /** The shop's order number, and the customer's own reference. */
    order: z.optional(typedText("order")),
    customer: z.optional(typedText("customer")),
    /** What has to come before it goes on: a part, a word from the customer. */
    waitingFor: z.optional(typedText("waitingFor")),
  }),
  /** The corner the car came in for. */
  setup: cornerSetupSchema,
  /** Others in work beside it, by the corner. */
  others: z.optional(z.partialRecord(z.enum(corners), cornerInWorkSchema)),
  complaint: complaintSchema,
  policy: policySchema,
  /** How likely each part is by part before anything is known, where the shop uses other than the usual ones. */
  priors: z.optional(priorsSchema),
  /** Ratios of the complaint, where the shop uses other than the usual ones. */
  ratios: z.optional(ratiosSchema),
  entries: z.array(entrySchema).check(z.maxLength(10_000)),
  /** The wiring diagram of this car's model. */
  diagram: z.optional(diagramSchema),
  /** Put away from the board. */
  archived: z.optional(z.boolean()),
  /** When each part was changed last, by its name (see merge.ts). */
  stamps: z.optional(z.record(z.string().check(z.maxLength(40)), momentSchema)),
  simulated: z.optional(simulatedSchema),
});
export type Job = z.infer<typeof jobSchema>;
