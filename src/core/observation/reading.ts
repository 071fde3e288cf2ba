import * as z from "zod/mini";
import { typedText } from "../units/typed-text";
import { circuitStateSchema } from "../circuit/state";
import { instruments } from "../checks/instruments";

/** A reading as files write it: instrument, where the probes stood, the state of the car, what was shown. */
export const readingSchema = z.object({
  instrument: z.enum(instruments),
  red: z.optional(z.string().check(z.maxLength(60))),
  black: z.optional(z.string().check(z.maxLength(60))),
  point: z.optional(z.string().check(z.maxLength(60))),
  look: z.optional(z.string().check(z.maxLength(40))),
  finding: z.optional(z.string().check(z.maxLength(40))),
  state: z._default(circuitStateSchema, () => circuitStateSchema.parse({})),
  value: z.optional(z.union([typedText("reading"), z.number()])),
});
export type Reading = z.infer<typeof readingSchema>;
