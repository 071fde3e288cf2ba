import type { BeliefOptions } from "../belief/belief";
import { cornersNamed } from "../codes/code";
import { corners } from "../units/corner";
import { soundUncoded, toldElsewhere, type CornerParts } from "../verdict/car-parts";
import { commonShares } from "../verdict/common-shares";
import { rankParts } from "../verdict/suspects";
import type { CornerJob } from "../job/corner-in-work";
import { setupOf } from "./known-beside";
import type { Job } from "../job/schema";
import { weighLog } from "./weigh-log";

/** What the car's other corners say, by their own readings, of the causes they share with this one; empty where it is alone. */
export function elsewhereOf(job: CornerJob): NonNullable<BeliefOptions["elsewhere"]> {
  if (!job.beside?.length) return {};
  const all = [job, ...job.beside];
  const others = job.beside.map((one) => aloneParts({ ...one, beside: all.filter((other) => other !== one) }));
  const told = toldElsewhere(others, job.setup.corner);
  // To two digits: the least shift elsewhere need not weigh this log anew.
  const rounded = Object.fromEntries(Object.entries(told).map(([part, ratio]) => [part, Number(ratio.toPrecision(2))]));
  return { ...rounded, ...soundHere(job) };
}

/** What is believed of a corner by its own log, by part; of its other side only the levels are known. */
export function aloneParts(job: CornerJob): CornerParts {
  const setup = setupOf(job);
  const { id, complaint, priors, ratios, entries } = job;
  const key = JSON.stringify([id, setup, complaint, priors, ratios, entries]);
  const parts = workedOut.get(key) ?? partsOf({ ...job, setup });
  workedOut.delete(key);
  workedOut.set(key, parts);
  for (const oldest of workedOut.keys()) if (workedOut.size > MOST_KEPT) workedOut.delete(oldest);
  return parts;
}

/** Kept by all that they are worked out of: every question to one corner asks what the others say. */
const workedOut = new Map<string, CornerParts>();
const MOST_KEPT = 2 * corners.length;

function partsOf(job: Job): CornerParts {
  const belief = weighLog(job, { elsewhere: soundHere(job) });
  return { corner: job.setup.corner, parts: rankParts(belief), common: commonShares(belief) };
}

function soundHere({ setup, complaint }: Job): NonNullable<BeliefOptions["elsewhere"]> {
  return soundUncoded(setup.corner, cornersNamed(complaint.codes));
}
