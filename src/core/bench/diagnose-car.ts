import { t } from "../words/words";
import * as z from "zod/mini";
import { UnusableInput } from "../capture/capture";
import { isOfTheCar } from "../checks/of-the-car";
import { cornersNamed } from "../codes/code";
import type { ToldByPart } from "../belief/told";
import { checkVersion, firstIssue, parseJson } from "../job-file/version";
import { knownFromSide } from "../observation/known-from-side";
import { corners, otherSide, type Corner } from "../units/corner";
import { carParts, soundUncoded, toldElsewhere, type CarPart, type CornerParts } from "../verdict/car-parts";
import type { NextCheck } from "./describe-hookup";
import type { Diagnosis } from "./diagnosis";
import { openDiagnosis, type Diagnosing } from "./diagnose-file";
import { readingsOf, type EntryName } from "./shared-readings";
import { readingSchema, type Reading } from "../observation/reading";
import type { Unread } from "../observation/observation";

export const CAR_VERSION = "diagnose/2";

const complaintPart = z.looseObject({ codes: z.optional(z.array(z.unknown())) });
const cornerSchema = z.looseObject({
  complaint: z.optional(complaintPart),
  readings: z._default(z.array(z.unknown()), []),
});
const carSchema = z.object({
  tastatura: z.literal(CAR_VERSION),
  /** What holds for every corner that does not say otherwise: family, supply, tyre, path, policy, complaint … */
  car: z.optional(z.looseObject({ complaint: z.optional(complaintPart) })),
  corners: z.object(
    Object.fromEntries(corners.map((corner) => [corner, z.optional(cornerSchema)])) as Record<
      Corner,
      z.ZodMiniOptional<typeof cornerSchema>
    >,
  ),
  /** Measured once for the whole car: battery, module pins, the four speeds. */
  shared: z.optional(z.looseObject({ readings: z._default(z.array(z.unknown()).check(z.maxLength(500)), []) })),
});

type CarFile = z.infer<typeof carSchema>;

export type CornerDiagnosis = Diagnosis & { unread: Unread[]; names: EntryName[] };
export interface CarDiagnosis {
  corners: Partial<Record<Corner, CornerDiagnosis>>;
  parts: CarPart[];
  next: (NextCheck & { corner: Corner })[];
}

const MOST_NEXT = 8;

/** The corners of a car, every reading taken: each by its own log, and each told what the others' say of what they share. */
export interface OpenCar {
  alone: CornerParts[];
  together: OpenCorner[];
}
interface OpenCorner {
  corner: Corner;
  diagnosing: Diagnosing;
  unread: Unread[];
  names: EntryName[];
}

/**
 * Diagnoses the corners of one car from a file of the `diagnose/2` contract: each by itself with the shared readings and
 * the codes of all, then each once more with what the others' own readings say of the causes they share.
 * @throws UnusableInput naming the field that cannot be used
 */
export function diagnoseCar(text: string, name: string): CarDiagnosis {
  const { alone, together } = openCar(text, name);
  const made = together.map(({ diagnosing, ...one }) => ({ ...one, ...diagnosing.diagnosis() }));
  return {
    corners: Object.fromEntries(made.map(({ corner, ...one }) => [corner, one])),
    parts: carParts(alone, made),
    next: carNext(made),
  };
}

/** The car a file describes, its readings weighed and nothing planned yet. @throws UnusableInput as `diagnoseCar` */
export function openCar(text: string, name: string): OpenCar {
  const file = parseCar(text, name);
  const inWork = corners.filter((corner) => file.corners[corner]);
  if (inWork.length === 0) throw new UnusableInput(t`${name}: no corner in it; name at least one of FL, FR, RL, RR`);
  const opened = (corner: Corner, elsewhere: ToldByPart): OpenCorner & { repaired: boolean } => {
    const { fields, names } = cornerOf(file, corner);
    const made = openDiagnosis(JSON.stringify(fields), `${name}, ${corner}`, { elsewhere });
    const unread = made.readings.flatMap((reading) => made.diagnosing.read(reading) ?? []);
    const repaired = made.readings.some((reading) => "repair" in reading);
    return { corner, diagnosing: made.diagnosing, unread, names, repaired };
  };
  const coded = codedCorners(file);
  const sound = (corner: Corner): ToldByPart => (inWork.length > 1 ? soundUncoded(corner, coded) : {});
  const byThemselves = inWork.map((corner) => opened(corner, sound(corner)));
  const alone = byThemselves.map(({ corner, diagnosing }) => ({ corner, ...diagnosing.ranking() }));
  const together = byThemselves.map((one) => {
    const { corner, diagnosing, repaired } = one;
    const told = toldElsewhere(alone, corner);
    // What a repair left in question was judged with what the others say, and is not told it twice.
    if (repaired && inWork.length > 1) return opened(corner, { ...told, ...sound(corner) });
    diagnosing.tell(told);
    return one;
  });
  return { alone, together };
}

function parseCar(text: string, name: string): CarFile {
  const parsed = parseJson(text, name);
  checkVersion(parsed, CAR_VERSION, name, t`car to diagnose`);
  const file = carSchema.safeParse(parsed);
  if (!file.success) throw new UnusableInput(`${name}: ${firstIssue(file.error)}`);
  return file.data;
}

/** One corner as a file of its own, and by what name the car's file has each of its readings. */
function cornerOf(file: CarFile, corner: Corner): { fields: object; names: EntryName[] } {
  const { car, shared, corners: described } = file;
  const own = described[corner]!;
  const known = knownFromSide(readable(described[otherSide[corner]]?.readings ?? []), otherSide[corner]);
  const { readings, names } = readingsOf(corner, shared?.readings ?? [], own.readings);
  const complaint = { ...car?.complaint, ...own.complaint, codes: codesOf(file) };
  return {
    fields: { ...(known ? { known } : {}), ...car, ...own, tastatura: "diagnose/1", corner, complaint, readings },
    names,
  };
}

/** Those readings of a corner that are some; what is wrong with the others is told where it is opened. */
function readable(readings: readonly unknown[]): Reading[] {
  return readings.flatMap((reading) => readingSchema.safeParse(reading).data ?? []);
}

/** The codes of the whole car, each once. */
function codesOf({ car, corners: described }: CarFile): unknown[] {
  return [...new Set([car, ...Object.values(described)].flatMap((one) => one?.complaint?.codes ?? []))];
}

/** The corners a code was stored of: it stands with one in the file, or names it. */
function codedCorners(file: CarFile): Corner[] {
  const named = cornersNamed(codesOf(file).filter((code) => typeof code === "string"));
  return corners.filter(
    (corner) => (file.corners[corner]?.complaint?.codes ?? []).length > 0 || named.includes(corner),
  );
}

/** The next checks of all corners, most told per minute first; what is the same for all stands once. */
function carNext(made: (Diagnosis & { corner: Corner })[]): CarDiagnosis["next"] {
  const seen = new Set<string>();
  return made
    .flatMap(({ corner, next }) => next.map((one) => ({ ...one, corner })))
    .sort((one, other) => other.bits / Math.max(1, other.minutes) - one.bits / Math.max(1, one.minutes))
    .filter(({ id, corner, hookup }) => {
      const key = isOfTheCar(hookup) ? id : `${corner} ${id}`;
      return !seen.has(key) && seen.add(key);
    })
    .slice(0, MOST_NEXT);
}
