import { t } from "../words/words";
import { corners } from "../units/corner";
import { median } from "../units/median";
import type { ScanFinding, ScanLog } from "./scan-log";

/** Every wheel silent at low speed and talking above, or the other way about: the car sends no value there. */
export function publishedRange({ timeS, speedKmh }: ScanLog): ScanFinding | null {
  const fastest = (i: number) =>
    corners.reduce((most, corner) => (speedKmh[corner][i]! > most ? speedKmh[corner][i]! : most), NO_SPEED);
  const silent = [...timeS.keys()].filter((i) => corners.every((corner) => Number.isNaN(speedKmh[corner][i]!)));
  const talking = [...timeS.keys()].filter((i) => fastest(i) > 0);
  if (silent.length < FEWEST_ROWS || talking.length < FEWEST_ROWS) return null;
  const [startS, endS] = [timeS[silent[0]!]!, timeS[silent.at(-1)!]!];
  const speeds = talking.map(fastest);
  const [lowest, highest] = [speeds, speeds.map((kmh) => -kmh)].map((all) => Math.abs(least(all))) as [number, number];
  const borders = silent.flatMap((i) => [i - 1, i + 1].map(fastest)).filter((kmh) => kmh > 0);
  const border = borders.length === 0 ? lowest : median(borders);
  if (border - lowest < highest - border)
    return lowest < 2
      ? null
      : {
          code: "published-above",
          corner: null,
          startS,
          endS,
          size: lowest,
          say: t`This car sends no speed under about ${lowest.toFixed(0)} km/h. No value there is not a fault.`,
        };
  return {
    code: "published-below",
    corner: null,
    startS,
    endS,
    size: highest,
    say: t`This car sends no speed over about ${highest.toFixed(0)} km/h. No value there is not a fault.`,
  };
}

const FEWEST_ROWS = 3;
const NO_SPEED = -1;

/** Spreading a million into Math.min overflows the stack. */
function least(values: readonly number[]): number {
  return values.reduce((one, other) => Math.min(one, other), Infinity);
}
