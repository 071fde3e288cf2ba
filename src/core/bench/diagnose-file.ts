import { t } from "../words/words";
import * as z from "zod/mini";
import { UnusableInput } from "../capture/capture";
import { cornerSetupSchema } from "../circuit/setup";
import { seedFrom } from "../random/random";
import { parseTyre } from "../tyre/tyre";
import { complaintSchema } from "../complaint/complaint";
import { Belief } from "../belief/belief";
import { policySchema } from "../complaint/policy";
import { accessSteps } from "../checks/access";
import { observationsIn } from "../job/observations";
import type { Unread } from "../observation/observation";
import { diagnosisOf, type Diagnosis } from "./diagnosis";
import { checkVersion, firstIssue, parseJson } from "../job/file";
import { readingSchema } from "../observation/reading";

const diagnoseSchema = z.object({
  tastatura: z.literal("diagnose/1"),
  complaint: z._default(complaintSchema, () => complaintSchema.parse({})),
  policy: z._default(policySchema, () => policySchema.parse({})),
  readings: z._default(z.array(readingSchema).check(z.maxLength(500)), []),
});

/**
 * Diagnoses a corner from a file of the `diagnose/1` contract. Readings are named by their number in it, from 0; those
 * that say nothing for this corner come back as unread.
 * @throws UnusableInput naming the field that cannot be used
 */
export function diagnoseFile(text: string, name: string): Diagnosis & { unread: Unread[] } {
  const parsed = parseJson(text, name);
  checkVersion(parsed, "diagnose/1", name, t`corner to diagnose`);
  const head = diagnoseSchema.safeParse(parsed);
  if (!head.success) throw new UnusableInput(`${name}: ${firstIssue(head.error)}`);
  const corner = cornerSetupSchema.safeParse(parsed);
  if (!corner.success) throw new UnusableInput(`${name}: ${firstIssue(corner.error)}`);
  if (!parseTyre(corner.data.tyre))
    throw new UnusableInput(t`${name}: tyre “${corner.data.tyre}” is no size; write it as 205/55R16`);
  const { complaint, policy, readings } = head.data;
  const belief = new Belief(corner.data, complaint, { seed: seedFrom(JSON.stringify(corner.data)) });
  const done = new Set<string>();
  const { read, unread } = observationsIn(
    readings.map((reading, at) => ({ entryId: String(at), reading })),
    corner.data,
  );
  for (const observation of read) {
    belief.add(observation);
    for (const step of accessSteps(observation.hookup, corner.data).access) done.add(step.id);
  }
  return { ...diagnosisOf(belief, policy, { done, skipped: new Set() }), unread };
}
