import { t } from "../words/words";
import * as z from "zod/mini";
import { UnusableInput } from "../capture/capture";
import { cornerSetupSchema } from "../circuit/setup";
import { seedFrom } from "../random/random";
import { parseTyre } from "../tyre/tyre";
import { complaintSchema } from "../complaint/complaint";
import { beliefAfter } from "../verdict/belief-after";
import { Belief, type BeliefOptions } from "../belief/belief";
import type { ToldByPart } from "../belief/told";
import { parts } from "../faults/parts/parts";
import { policySchema } from "../complaint/policy";
import { tools } from "../checks/tools";
import { accessSteps } from "../checks/access";
import { observationsIn } from "../replay/observations";
import type { Unread } from "../observation/observation";
import { diagnosisOf, rankingOf, type Diagnosis, type Ranking } from "./diagnosis";
import { checkVersion, firstIssue, parseJson } from "../job-file/version";
import { readingSchema, type Reading } from "../observation/reading";

/** In the place of a reading: from here on the car is another, this part repaired (at a place, where it has several). */
const repairSchema = z.object({ repair: z.enum(parts), place: z.optional(z.string().check(z.maxLength(60))) });
type Repair = z.infer<typeof repairSchema>;

const diagnoseSchema = z.object({
  tastatura: z.literal("diagnose/1"),
  complaint: z._default(complaintSchema, () => complaintSchema.parse({})),
  policy: z._default(policySchema, () => policySchema.parse({})),
  /** What the shop has, as `policy.tools`; here for short. */
  tools: z.optional(z.array(z.enum(tools))),
  /** Points that can be read at one time, as `policy.channels`. */
  channels: z.optional(z.union([z.literal(1), z.literal(2)])),
  readings: z._default(z.array(z.union([repairSchema, readingSchema])).check(z.maxLength(500)), []),
});

/** A corner under diagnosis: readings are told one by one, and the diagnosis is asked for at any time. */
export interface Diagnosing {
  /** Takes one reading, or a repair, in the words of the contract. @returns why it says nothing for this corner, or null */
  read(reading: Reading | Repair): Unread | null;
  diagnosis(): Diagnosis;
  /** What is suspect so far, without what to measure next. */
  ranking(): Ranking;
  /** Takes in what the car's other corners say of parts. */
  tell(told: ToldByPart): void;
}

/**
 * Diagnoses a corner from a file of the `diagnose/1` contract. Readings are named by their number in it, from 0; those
 * that say nothing for this corner come back as unread.
 * @throws UnusableInput naming the field that cannot be used
 */
export function diagnoseFile(text: string, name: string): Diagnosis & { unread: Unread[] } {
  const { diagnosing, readings } = openDiagnosis(text, name);
  const unread = readings.flatMap((reading) => diagnosing.read(reading) ?? []);
  return { ...diagnosing.diagnosis(), unread };
}

/** The corner a file describes, before its readings are weighed. @throws UnusableInput as `diagnoseFile` */
export function openDiagnosis(
  text: string,
  name: string,
  more: Partial<Pick<BeliefOptions, "seed" | "without" | "elsewhere">> = {},
): { diagnosing: Diagnosing; readings: (Reading | Repair)[] } {
  const parsed = parseJson(text, name);
  checkVersion(parsed, "diagnose/1", name, t`corner to diagnose`);
  const head = diagnoseSchema.safeParse(withUsualStates(parsed));
  if (!head.success) throw new UnusableInput(`${name}: ${firstIssue(head.error)}`);
  const corner = cornerSetupSchema.safeParse(withLegBias(parsed));
  if (!corner.success) throw new UnusableInput(`${name}: ${firstIssue(corner.error)}`);
  if (corner.data.tyre !== undefined && !parseTyre(corner.data.tyre))
    throw new UnusableInput(t`${name}: tyre “${corner.data.tyre}” is no size; write it as 205/55R16`);
  const { complaint, readings } = head.data;
  const channels = head.data.channels ?? head.data.policy.channels;
  const policy = { ...head.data.policy, tools: head.data.tools ?? head.data.policy.tools, channels };
  const setup = corner.data;
  let belief = new Belief(setup, complaint, { seed: seedFrom(JSON.stringify(setup)), ...more });
  const done = new Set<string>();
  let told = 0;
  const read = (reading: Reading | Repair): Unread | null => {
    const entryId = String(told++);
    if ("repair" in reading) {
      const repaired = { part: reading.repair, place: reading.place };
      belief = beliefAfter(belief, repaired, seedFrom(`${JSON.stringify(setup)} ${entryId}`));
      return null;
    }
    const { read, unread } = observationsIn([{ entryId, reading }], setup);
    for (const observation of read) {
      belief.learn(observation);
      for (const step of accessSteps(observation.hookup, setup).access) done.add(step.id);
    }
    return unread[0] ?? null;
  };
  return {
    diagnosing: {
      read,
      diagnosis: () => diagnosisOf(belief, policy, { done, skipped: new Set() }),
      ranking: () => rankingOf(belief),
      tell: (told) => belief.tell(told),
    },
    readings,
  };
}

/** Earlier files say yes or no to a bias on the legs, and nothing where nobody knows. */
function withLegBias(parsed: unknown): unknown {
  const file = biasFile.safeParse(parsed);
  return file.success ? { ...file.data, legBias: file.data.bias ? "yes" : "no" } : parsed;
}

const biasFile = z.looseObject({ bias: z.boolean() });

/** Ohms are taken on a dead circuit: a reading that does not say how the car stood is taken to mean that. */
function withUsualStates(parsed: unknown): unknown {
  const file = looseFile.safeParse(parsed);
  if (!file.success) return parsed;
  const readings = file.data.readings.map((reading) =>
    reading.state === undefined && DEAD.has(reading.instrument)
      ? { ...reading, state: { key: "off", batteryOff: true } }
      : reading,
  );
  return { ...file.data, readings };
}

const looseFile = z.looseObject({
  readings: z.array(z.looseObject({ instrument: z.string(), state: z.optional(z.unknown()) })),
});
const DEAD: ReadonlySet<string> = new Set(["ohms", "continuity"]);
