import type { Belief } from "../belief/belief";
import type { ToldByPart } from "../belief/told";
import { cornersNamed } from "../codes/code";
import { corners } from "../units/corner";
import { soundUncoded, toldElsewhere, type CornerParts } from "../verdict/car-parts";
import { commonShares } from "../verdict/common-shares";
import { rankParts } from "../verdict/suspects";
import type { CornerJob } from "../job/corner-in-work";
import { setupOf } from "./known-beside";
import { weighLog } from "./weigh-log";

/**
 * What the car's other corners say, by their own readings, of the causes they share with this one; empty where it is alone.
 * @param alone what is believed of a corner by its own log
 */
export function toldBeside(job: CornerJob, alone: (job: CornerJob) => CornerParts = aloneParts): ToldByPart {
  if (!job.beside?.length) return {};
  const all = [job, ...job.beside];
  const others = job.beside.map((one) => alone({ ...one, beside: all.filter((other) => other !== one) }));
  return toldElsewhere(others, job.setup.corner);
}

/** What a corner's line-up begins with for the codes of the whole car. */
export function soundHere({ setup, complaint, beside }: CornerJob): ToldByPart {
  return beside?.length ? soundUncoded(setup.corner, cornersNamed(complaint.codes)) : {};
}

/** What a belief holds by its own log, by part. */
export function partsAlone(belief: Belief): CornerParts {
  const { corner } = belief.setup;
  return belief.alone(() => ({ corner, parts: rankParts(belief), common: commonShares(belief) }));
}

/** What is believed of a corner by its own log, by part; of its other side only the levels are known. */
export function aloneParts(job: CornerJob): CornerParts {
  const setup = setupOf(job);
  const { id, complaint, priors, ratios, entries } = job;
  const key = JSON.stringify([id, setup, complaint, priors, ratios, entries]);
  const parts = workedOut.get(key) ?? partsAlone(weighLog({ ...job, setup }, { elsewhere: soundHere(job) }));
  workedOut.delete(key);
  workedOut.set(key, parts);
  for (const oldest of workedOut.keys()) if (workedOut.size > MOST_KEPT) workedOut.delete(oldest);
  return parts;
}

/** Kept by all that they are worked out of: every question to one corner asks what the others say. */
const workedOut = new Map<string, CornerParts>();
const MOST_KEPT = 2 * corners.length;
