import { t } from "../words/words";
import * as z from "zod/mini";
import { UnusableInput } from "../capture/capture";
import { cornerSetupSchema, type CornerSetup } from "../circuit/setup";
import { wheelMapSchema } from "../scanlog/bus/wheel-map";
import { typedText } from "../units/typed-text";
import { diagramSchema, type Diagram } from "../job/diagram";
import { checkVersion, firstIssue, parseJson } from "./version";

export const PROFILE_VERSION = "profile/1";

/** What is known of a car model, set up once and used for every car like it. */
export const profileSchema = z.object({
  tastatura: z.literal(PROFILE_VERSION),
  id: z.string().check(z.minLength(1), z.maxLength(60)),
  name: typedText("model").check(z.minLength(1)),
  setup: cornerSetupSchema,
  /** Its wiring diagram, among the photos of the machine that has it. */
  diagram: z.optional(diagramSchema),
  /** Where its bus carries the wheel speeds. */
  busMap: z.optional(wheelMapSchema),
});
export type Profile = z.infer<typeof profileSchema>;

/** Reads a profile file. @throws UnusableInput saying what is wrong and where */
export function importProfile(text: string, name: string): Profile {
  const document = parseJson(text, name);
  checkVersion(document, PROFILE_VERSION, name, t`car profile`);
  const parsed = profileSchema.safeParse(document);
  if (!parsed.success)
    throw new UnusableInput(t`${name} is no car profile: ${firstIssue(parsed.error)}. Nothing was changed.`);
  return parsed.data;
}

/** A job after taking a profile: everything of the model, the corner of the job. */
export function withProfile<J extends { setup: CornerSetup; diagram?: Diagram | undefined }>(
  job: J,
  { setup, diagram }: Profile,
): J {
  return { ...job, setup: { ...setup, corner: job.setup.corner }, ...(diagram ? { diagram } : {}) };
}
