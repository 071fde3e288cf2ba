import { t } from "../words/words";
import * as z from "zod/mini";
import { UnusableInput } from "../capture/capture";
import { checkVersion, firstIssue, parseJson } from "../job/document";
import { knownFromSide } from "../observation/known-from-side";
import { corners, otherSide, type Corner } from "../units/corner";
import { carParts, initialOfShared, type CarPart } from "../verdict/car-parts";
import type { NextCheck } from "./describe-hookup";
import type { Diagnosis } from "./diagnosis";
import { diagnoseFile } from "./diagnose-file";

export const CAR_VERSION = "diagnose/2";

const cornerSchema = z.looseObject({
  complaint: z.optional(z.looseObject({ codes: z.optional(z.array(z.unknown())) })),
  readings: z._default(z.array(z.unknown()), []),
});
const carSchema = z.object({
  tastatura: z.literal(CAR_VERSION),
  car: z.optional(z.looseObject({})),
  corners: z.object(
    Object.fromEntries(corners.map((corner) => [corner, z.optional(cornerSchema)])) as Record<
      Corner,
      z.ZodMiniOptional<typeof cornerSchema>
    >,
  ),
  /** Measured once for the whole car: battery, module pins, the other corners. */
  shared: z.optional(z.looseObject({ readings: z._default(z.array(z.unknown()).check(z.maxLength(500)), []) })),
});

export interface CarDiagnosis {
  corners: Partial<Record<Corner, Diagnosis & { unread: { entryId: string; say: string; mend: string }[] }>>;
  /** How many shared readings stand before a corner's own in the numbers of its entries. */
  sharedReadings: number;
  parts: CarPart[];
  next: (NextCheck & { corner: Corner })[];
}

const MOST_NEXT = 8;

/**
 * Diagnoses the corners of one car from a file of the `diagnose/2` contract: each by itself with the shared readings and
 * the codes of all, then what they share judged from all of them together.
 * @throws UnusableInput naming the field that cannot be used
 */
export function diagnoseCar(text: string, name: string): CarDiagnosis {
  const parsed = parseJson(text, name);
  checkVersion(parsed, CAR_VERSION, name, t`car to diagnose`);
  const file = carSchema.safeParse(parsed);
  if (!file.success) throw new UnusableInput(`${name}: ${firstIssue(file.error)}`);
  const { shared, corners: described } = file.data;
  const inWork = corners.filter((corner) => described[corner]);
  if (inWork.length === 0) throw new UnusableInput(t`${name}: no corner in it; name at least one of FL, FR, RL, RR`);
  const codes = [...new Set(inWork.flatMap((corner) => described[corner]!.complaint?.codes ?? []))];
  const common = shared?.readings ?? [];
  const made = Object.fromEntries(
    inWork.map((corner) => {
      const own = described[corner]!;
      const known = knownFromSide(described[otherSide[corner]]?.readings ?? [], otherSide[corner]);
      const alone = {
        ...(known ? { known } : {}),
        ...own,
        tastatura: "diagnose/1",
        corner,
        complaint: { ...own.complaint, codes },
        readings: [...common, ...own.readings],
      };
      return [corner, diagnoseFile(JSON.stringify(alone), `${name}, ${corner}`)];
    }),
  ) as CarDiagnosis["corners"];
  const each = (Object.entries(made) as [Corner, Diagnosis][]).map(([corner, { parts, suspects }]) => ({
    corner,
    parts,
    initial: initialOfShared(suspects),
  }));
  return { corners: made, sharedReadings: common.length, parts: carParts(each), next: carNext(made) };
}

/** The next checks of all corners, most told per minute first; what is the same for all stands once. */
function carNext(made: CarDiagnosis["corners"]): CarDiagnosis["next"] {
  const seen = new Set<string>();
  return (Object.entries(made) as [Corner, Diagnosis][])
    .flatMap(([corner, { next }]) => next.map((one) => ({ ...one, corner })))
    .sort((one, other) => other.bits / Math.max(1, other.minutes) - one.bits / Math.max(1, one.minutes))
    .filter(({ id, corner, hookup }) => {
      const key = isShared(hookup) ? id : `${corner} ${id}`;
      return !seen.has(key) && seen.add(key);
    })
    .slice(0, MOST_NEXT);
}

function isShared(hookup: NextCheck["hookup"]): boolean {
  if ("look" in hookup) return hookup.look === "others" || hookup.look === "tyres";
  return hookup.red.at === "battery" || hookup.red.at === "module";
}
