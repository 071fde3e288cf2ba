import type { CornerSetup } from "../circuit/setup";
import { partOf } from "../faults/parts/parts";
import type { Reading } from "../observation/reading";
import { corners, type Corner } from "../units/corner";
import { addressOf } from "./corner-address";
import type { Entry, Job } from "./schema";

/** A corner in work as a job of its own, and the car's other ones, whose logs speak of what all share. */
export interface CornerJob extends Job {
  beside?: readonly Job[];
}

/**
 * One corner of a car in work as a job of its own, which is what every room works on: its set-up, its log, and what of
 * the log is the whole car's. The first corner's goes by the job's own name.
 * @returns null where that corner is not in work
 */
export function cornerJob(document: Job, corner: Corner): CornerJob | null {
  const job = cornerAlone(document, corner);
  const beside = cornersInWork(document).flatMap((one) => (one === corner ? [] : (cornerAlone(document, one) ?? [])));
  return job && beside.length > 0 ? { ...job, beside } : job;
}

function cornerAlone(document: Job, corner: Corner): Job | null {
  const { others, ...shared } = document;
  const own = corner === document.setup.corner ? document : others?.[corner];
  if (!own || ("out" in own && own.out)) return null;
  return {
    ...shared,
    id: addressOf(document, corner),
    setup: own.setup,
    simulated: own.simulated,
    entries: others ? entriesAt(document, corner) : document.entries,
  };
}

/** What was written at a corner, and what is the whole car's, retractions of it included. */
function entriesAt({ entries, setup }: Job, corner: Corner): Entry[] {
  const ofCar = new Set(entries.flatMap((entry) => (isOfCar(entry) ? [entry.id] : [])));
  return entries.filter(
    (entry) =>
      (entry.of ?? setup.corner) === corner ||
      ofCar.has(entry.id) ||
      (entry.kind === "retract" && ofCar.has(entry.entry)),
  );
}

/** The document with what was changed of one of its corners: what the rooms show and change is a corner. */
export function withCornerJob(document: Job, corner: Corner, view: Job): Job {
  const known = new Set(document.entries.map(({ id }) => id));
  const first = corner === document.setup.corner;
  const fresh = view.entries
    .filter(({ id }) => !known.has(id))
    .map((entry): Entry => (first ? entry : { ...entry, of: corner }));
  const { setup, car, complaint, policy, priors, ratios, archived, diagram } = view;
  return {
    ...document,
    ...{ car, complaint, policy, priors, ratios, archived, diagram },
    ...(first
      ? { setup }
      : {
          others: {
            ...document.others,
            [corner]: {
              ...document.others![corner]!,
              setup: view.setup.corner === corner ? view.setup : { ...view.setup, corner },
            },
          },
        }),
    entries: fresh.length > 0 ? [...document.entries, ...fresh] : document.entries,
  };
}

/** The corners in work, the car's first one in front. */
export function cornersInWork({ setup, others }: Job): Corner[] {
  return [
    setup.corner,
    ...corners.filter((corner) => corner !== setup.corner && others?.[corner] && !others[corner].out),
  ];
}

/** Every corner in work as a job of its own, the car's first one in front. */
export function cornerJobs(document: Job): CornerJob[] {
  return cornersInWork(document).flatMap((corner) => cornerJob(document, corner) ?? []);
}

/**
 * Takes another corner into work: built like the first as far as sides and axles are alike, or as it was left when it was
 * taken out before.
 */
export function withCorner(document: Job, corner: Corner): Job {
  const before = document.others?.[corner];
  const taken = before ? { ...before, out: false } : { setup: setupAt(document.setup, corner) };
  return { ...document, others: { ...document.others, [corner]: taken } };
}

/** Takes a corner out of work; its log stays with the job. */
export function withoutCorner(document: Job, corner: Corner): Job {
  const before = document.others?.[corner];
  return before ? { ...document, others: { ...document.others, [corner]: { ...before, out: true } } } : document;
}

/** What another corner of the same car is like before anything is known of it. */
function setupAt(first: CornerSetup, corner: Corner): CornerSetup {
  // Where its wires run and which terminal is which is its own.
  const path = first.path.map((part) => ({
    ...part,
    landmark: undefined,
    ...("station" in part ? { pins: undefined } : {}),
  }));
  const alike = { ...first, corner, path };
  const { tyre, otherAxleTyre } = first;
  return corner[0] === first.corner[0] || !otherAxleTyre
    ? alike
    : { ...alike, tyre: otherAxleTyre, otherAxleTyre: tyre };
}

/** What was measured, or repaired, for the whole car: the battery, the module's own feed and ground. */
function isOfCar(entry: Entry): boolean {
  if (entry.kind === "repair") return partOf(entry.part).shared === true;
  return "reading" in entry && isReadingOfCar(entry.reading);
}

const CAR_POINTS = /^(?:battery\.(?:negative|positive)|body|module\.in\.(?:power|earth))$/;

function isReadingOfCar({ red, black, look, point, state }: Reading): boolean {
  const points = [red, black].filter((one) => one !== undefined);
  return (
    look === undefined &&
    point === undefined &&
    points.length > 0 &&
    points.every((one) => CAR_POINTS.test(one)) &&
    state.unplugged.every((station) => station === "module")
  );
}
