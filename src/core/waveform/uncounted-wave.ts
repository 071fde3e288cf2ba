import type { TurnWave } from "./between-pushes";
import { found, type Found } from "./finding";
import { isDrivenThrough, onceATurn, type Turning } from "./once-a-turn";

/** Counts a ring mostly has: 43 to 52 (common practice), and those beside them, which show that a wave has its best among them. */
const [FEWEST, MOST] = [38, 58];
/** A wheel that keeps its speed for so many turns is not pushed by a hand, which has waves of its own; nor any for so many more. */
const FEWEST_TURNS = 5;
const TURNS_PUSHED = 12;
const FEWEST_TURNS_OF_HEIGHT = 2;
/** Tried for so many counts, a wave must stand out further than one that is looked for at a known one. */
const OVER_ERROR = 6;
/** A little less than where the count is known. */
const STRENGTH = 0.8;
const LEAST_PERIOD = 0.013;
const LEAST_HEIGHT = 0.15;

/**
 * The once-a-turn wave of a driven wheel whose ring nobody counted: under the usual count that it stands out most at. What
 * waves faster or slower than any usual ring turns has its best at either end of them, and is no ring's.
 */
export function uncountedWave(
  ranOut: Turning,
  through: Turning,
  isPassive: boolean,
  sampleS: number,
  startS: number,
): Found[] {
  const { pulses, rhythm } = through;
  const turns = (rhythm.teeth.at(-1) ?? 0) / MOST;
  const isLeftAlone = turns >= FEWEST_TURNS && (turns >= TURNS_PUSHED || isDrivenThrough(through, MOST, sampleS));
  // A coil's height for its speed holds the gap alone: no push of a hand makes a wave of it.
  const tellsHeight = isPassive && turns >= FEWEST_TURNS_OF_HEIGHT;
  if (!isLeftAlone && !tellsHeight) return [];
  const tried = Array.from({ length: MOST - FEWEST + 1 }, (_, k) => onceATurn(ranOut, through, FEWEST + k, sampleS));
  const swing = isLeftAlone
    ? bestAmong(
        tried.map(({ period }) => period),
        LEAST_PERIOD,
      )
    : null;
  const heights = tellsHeight
    ? bestAmong(
        tried.map(({ height }) => height),
        LEAST_HEIGHT,
      )
    : null;
  const size = swing ?? heights;
  if (size === null) return [];
  return [
    found(
      "eccentric",
      { wave: swing === null ? "height" : "period", swing: size },
      {
        strength: STRENGTH,
        size,
        startS: startS + pulses[0]!.at * sampleS,
        endS: startS + pulses.at(-1)!.at * sampleS,
      },
    ),
  ];
}

/** The size of the wave that stands out most over its error, if one does, and not at either end of the counts tried. */
function bestAmong(waves: readonly (TurnWave | null)[], least: number): number | null {
  const over = waves.map((wave) => (wave && wave.size > least ? wave.size / wave.error : 0));
  const best = over.indexOf(Math.max(...over));
  return best > 0 && best < over.length - 1 && over[best]! > OVER_ERROR ? waves[best]!.size : null;
}
