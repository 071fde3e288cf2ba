import * as z from "zod";
import { circuitStateSchema } from "../circuit/state";
import { cornerSetupSchema } from "../circuit/setup";
import { parts } from "../faults/fault";
import { instruments } from "../checks/hookup";
import { complaintSchema } from "../lineup/complaint";
import { policySchema } from "../lineup/next-check";

/** A reading as files write it: instrument, where the probes stood, the state of the car, what was shown. */
export const readingSchema = z.object({
  instrument: z.enum(instruments),
  red: z.string().max(60).optional(),
  black: z.string().max(60).optional(),
  point: z.string().max(60).optional(),
  look: z.string().max(40).optional(),
  finding: z.string().max(40).optional(),
  state: circuitStateSchema.default(() => circuitStateSchema.parse({})),
  value: z.union([z.string().max(200), z.number()]).optional(),
});
export type Reading = z.infer<typeof readingSchema>;

const stamp = { id: z.string().min(1).max(60), at: z.string().max(40) };
export const entrySchema = z.discriminatedUnion("kind", [
  z.object({ ...stamp, kind: z.literal("reading"), reading: readingSchema }),
  z.object({
    ...stamp,
    kind: z.literal("capture"),
    captureId: z.string().max(60),
    name: z.string().max(200),
    reading: readingSchema,
  }),
  z.object({
    ...stamp,
    kind: z.literal("scan"),
    scanId: z.string().max(60),
    name: z.string().max(200),
    reading: readingSchema,
  }),
  z.object({
    ...stamp,
    kind: z.literal("photo"),
    photoId: z.string().max(60),
    name: z.string().max(200),
    look: z.string().max(40).optional(),
  }),
  /** The repair was made: what is measured from here on is measured on another car. */
  z.object({
    ...stamp,
    kind: z.literal("repair"),
    fault: z.string().max(60),
    words: z.string().max(200),
    part: z.enum(parts),
    share: z.number().min(0).max(1),
    guess: z.boolean(),
  }),
  z.object({ ...stamp, kind: z.literal("tick"), item: z.string().max(200), text: z.string().max(200).optional() }),
  z.object({ ...stamp, kind: z.literal("retract"), entry: z.string().max(60) }),
  z.object({ ...stamp, kind: z.literal("skip"), check: z.string().max(300), reason: z.string().max(200) }),
  z.object({ ...stamp, kind: z.literal("note"), text: z.string().max(4000) }),
]);
export type Entry = z.infer<typeof entrySchema>;

/** A demo or practice car hidden behind the job, whose instruments may be read. */
export const simulatedSchema = z.object({
  fault: z.string(),
  seed: z.number().int(),
  intermittent: z.boolean().default(false),
  /** Set on a practice car: the exercise it came from. */
  practice: z.looseObject({ alone: z.boolean().default(false) }).optional(),
});

export const priorsSchema = z.record(z.enum(parts), z.number().min(0).max(1));

export const JOB_VERSION = "job/1";

export const jobSchema = z.object({
  tastatura: z.literal(JOB_VERSION),
  id: z.string().min(1).max(60),
  createdAt: z.string().max(40),
  car: z.object({
    name: z.string().max(120),
    plate: z.string().max(40).default(""),
    kilometres: z.number().min(0).max(5e6).optional(),
  }),
  setup: cornerSetupSchema,
  complaint: complaintSchema,
  policy: policySchema,
  /** Shares of suspicion by part before anything is known, where the shop uses other than the usual ones. */
  priors: priorsSchema.optional(),
  entries: z.array(entrySchema).max(5000),
  simulated: simulatedSchema.optional(),
});
export type Job = z.infer<typeof jobSchema>;
