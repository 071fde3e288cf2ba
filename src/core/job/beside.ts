import type { BeliefOptions } from "../belief/belief";
import { decodeCodes, namesCorner } from "../codes/code";
import { corners } from "../units/corner";
import { soundUncoded, toldElsewhere, type CornerParts } from "../verdict/car-parts";
import { commonShares } from "../verdict/common-shares";
import { rankParts } from "../verdict/suspects";
import type { CornerJob } from "./corner-in-work";
import type { Job } from "./schema";
import { weighLog } from "./weigh-log";

/** What the car's other corners say, by their own readings, of the causes they share with this one; empty where it is alone. */
export function elsewhereOf(job: CornerJob): NonNullable<BeliefOptions["elsewhere"]> {
  if (!job.beside?.length) return {};
  const told = toldElsewhere(job.beside.map(aloneParts), job.setup.corner);
  // To two digits: the least shift elsewhere need not weigh this log anew.
  const rounded = Object.fromEntries(Object.entries(told).map(([part, ratio]) => [part, Number(ratio.toPrecision(2))]));
  return { ...rounded, ...soundHere(job) };
}

/** What is believed of a corner by its own log alone, by part. */
export function aloneParts(job: Job): CornerParts {
  const { id, setup, complaint, priors, ratios, entries } = job;
  const key = JSON.stringify([id, setup, complaint, priors, ratios, entries]);
  const parts = workedOut.get(key) ?? partsOf(job);
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
  const named = corners.filter((corner) =>
    decodeCodes(complaint.codes).some((code) => code !== null && namesCorner(code, corner)),
  );
  return soundUncoded(setup.corner, named);
}
