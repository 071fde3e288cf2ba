import { t } from "../words/words";
import { parseTyre, rollingCircumferenceM } from "../tyre/tyre";
import { axleOf, axles, type Corner } from "../units/corner";
import type { CornerSetup } from "../circuit/setup";
import { halfSampleMode, type RoadRows, USUAL_RATIO_SPREAD } from "./ratio-and-jitter";
import type { ScanFinding, ScanLog } from "./scan-log";

/** What is known of a car's tyres, and of which axle its corner is. */
export type Tyres = Partial<Pick<CornerSetup, "corner" | "tyre" | "otherAxleTyre">>;

/**
 * Both wheels of an axle off alike are two sizes of tyre, no fault of a corner: told once, as the axle's. Both wheels of one
 * side off alike are a bend, and nothing is said of any.
 */
export function byAxle(findings: ScanFinding[], log: ScanLog, { held }: RoadRows, tyres: Tyres): ScanFinding[] {
  const others = findings.filter(({ code }) => code !== "ratio-off");
  const off = (corner: Corner) => findings.find(({ code, corner: at }) => code === "ratio-off" && at === corner);
  if (isAlike(off("FL"), off("RL")) || isAlike(off("FR"), off("RR"))) return others;
  const isPair = isAlike(off("FL"), off("FR")) || isAlike(off("RL"), off("RR"));
  if (others.length < findings.length && !isPair) return findings;
  const ratio = ratioOfAxles(log, held);
  if (ratio === null || Math.abs(ratio - 1) < USUAL_RATIO_SPREAD) return findings;
  const listed = listedRatio(tyres);
  const explained = listed !== null && Math.abs(listed - ratio) < USUAL_RATIO_SPREAD;
  return [
    ...others,
    {
      code: "axle-ratio",
      corner: null,
      startS: log.timeS[held[0]!]!,
      endS: log.timeS[held.at(-1)!]!,
      size: ratio,
      say: t`Both front wheels read ${(Math.abs(ratio - 1) * 100).toFixed(1)} % ${ratio > 1 ? t`fast` : t`slow`} against the rear, alike: two sizes of tyre, no fault of a corner.${explained ? t` The sizes set up for the two axles differ by just that much.` : t` Read the sizes of all four.`}`,
    },
  ];
}

function isAlike(one: ScanFinding | undefined, other: ScanFinding | undefined): boolean {
  return one !== undefined && other !== undefined && one.size > 1 === other.size > 1;
}

/** Front against rear where it lies closest together: in a bend the front wheels go the longer way. */
function ratioOfAxles({ speedKmh }: ScanLog, rows: readonly number[]): number | null {
  const level = (axle: keyof typeof axles, i: number) => {
    const [left, right] = [speedKmh[axles[axle][0]][i]!, speedKmh[axles[axle][1]][i]!];
    return Math.abs(left - right) < SAME_AXLE * (left + right) ? left + right : NaN;
  };
  const ratios = rows.map((i) => level("front", i) / level("rear", i)).filter((ratio) => ratio > 0.7 && ratio < 1.4);
  return ratios.length < FEWEST_ROWS ? null : halfSampleMode(ratios);
}

const FEWEST_ROWS = 6;
/** Two wheels of one axle agree this well where the car goes straight (half of their difference, as a ratio). */
const SAME_AXLE = 0.006;

/** How fast the front should read against the rear by the tyres set up; null when only one size is known. */
function listedRatio({ corner, tyre, otherAxleTyre }: Tyres): number | null {
  const [own, other] = [parseTyre(tyre ?? ""), parseTyre(otherAxleTyre ?? "")];
  if (!corner || !own || !other) return null;
  const ratio = rollingCircumferenceM(other) / rollingCircumferenceM(own);
  return axleOf(corner) === "front" ? ratio : 1 / ratio;
}
