import { t } from "../words/words";
import * as z from "zod/mini";
import { UnusableInput } from "../capture/capture";
import { cornerSetupSchema } from "../circuit/setup";
import { seedFrom } from "../random/random";
import { parseTyre } from "../tyre/tyre";
import { complaintSchema } from "../lineup/complaint";
import { LineUp } from "../lineup/line-up";
import { policySchema } from "../lineup/policy";
import { accessSteps } from "../checks/access";
import { diagnosisOf, type Diagnosis } from "./diagnosis";
import { checkVersion, firstIssue, parseJson } from "./file";
import { evidenceOf } from "./reading";
import { readingSchema } from "./schema";

const diagnoseSchema = z.object({
  tastatura: z.literal("diagnose/1"),
  complaint: z._default(complaintSchema, () => complaintSchema.parse({})),
  policy: z._default(policySchema, () => policySchema.parse({})),
  readings: z._default(z.array(readingSchema).check(z.maxLength(500)), []),
});

/**
 * Diagnoses a corner from a file of the `diagnose/1` contract.
 * @throws UnusableInput naming the field or reading that cannot be used
 */
export function diagnoseFile(text: string, name: string): Diagnosis {
  const parsed = parseJson(text, name);
  checkVersion(parsed, "diagnose/1", name, t`corner to diagnose`);
  const head = diagnoseSchema.safeParse(parsed);
  if (!head.success) throw new UnusableInput(`${name}: ${firstIssue(head.error)}`);
  const corner = cornerSetupSchema.safeParse(parsed);
  if (!corner.success) throw new UnusableInput(`${name}: ${firstIssue(corner.error)}`);
  if (!parseTyre(corner.data.tyre))
    throw new UnusableInput(t`${name}: tyre “${corner.data.tyre}” is no size; write it as 205/55R16`);
  const { complaint, policy, readings } = head.data;
  const lineUp = new LineUp(corner.data, complaint, { seed: seedFrom(JSON.stringify(corner.data)) });
  const done = new Set<string>();
  readings.forEach((reading, at) => {
    const evidence = evidenceOf(reading, corner.data);
    if (!evidence.ok) throw new UnusableInput(t`${name}: readings.${at}: ${evidence.say}`);
    lineUp.add(evidence.value);
    for (const step of accessSteps(evidence.value.hookup, corner.data).access) done.add(step.id);
  });
  return diagnosisOf(lineUp, policy, { done, skipped: new Set() });
}
