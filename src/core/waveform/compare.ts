import { t } from "../words/words";
import { isCurrentRatio } from "../circuit/current-ratio";
import type { ChannelAnalysis } from "./analyse";
import type { RingRaster } from "./raster";
import { matchRings, turnsOf, type RingMatch } from "./ring-match";

/** One line of a comparison: what, both values as numbers, and whether they agree within what is usual. */
export interface Compared {
  what: string;
  unit: string;
  before: number;
  after: number;
  /** Digits behind the point that tell something. */
  digits: 0 | 1 | 2;
  /** Null where these two recordings cannot tell. */
  agrees: boolean | null;
  say: string;
}

export interface Judged {
  channel: ChannelAnalysis;
  raster: RingRaster | null;
}

/** Whose the other recording is: sizes are a make's own, and only a car's own ring can be known again. */
export type Whose = "this-car" | "this-model" | "another-car";

/** Levels of one car differ by no more from one day to the next, as a share of them; small ones in volts (judgement). */
const LEVEL_SHARE = 0.08;
const LEAST_LEVEL_V = 0.5;
const DUTY_PCT = 6;
/** Two coils of one axle, as a ratio (common practice, no source). */
const COIL_RATIO = 1.3;
/** Missing pulses are whole ones. */
const HALF_A_PULSE = 0.5;
/** Under that neither “missing” nor “none missing” was seen twice. */
const FEWEST_TURNS = 2;

/** Two recordings held together: levels, duty, a coil's volts per hertz, and the ring's own pattern at its best alignment. */
export function compareCaptures(before: Judged, after: Judged, whose: Whose = "this-car"): Compared[] {
  const list: Compared[] = [];
  const [a, b] = [before.channel, after.channel];
  const add = (what: string, unit: string, one: number, other: number, digits: Compared["digits"], agrees: boolean) =>
    list.push({ what, unit, before: one, after: other, digits, agrees, say: agrees ? t`alike` : t`differs` });
  // What makers choose as they like is no measure from one make to the next.
  const addOwn: typeof add = (what, unit, before, after, digits, agrees) =>
    whose === "another-car"
      ? list.push({ what, unit, before, after, digits, agrees: null, say: t`each make's own` })
      : add(what, unit, before, after, digits, agrees);
  const near = (one: number, other: number, within: number) => Math.abs(other - one) <= within;
  if (a.signal === "two-level" && b.signal === "two-level") {
    const level = (what: string, one: number, other: number) =>
      addOwn(what, "V", one, other, 2, near(one, other, LEVEL_SHARE * Math.max(LEAST_LEVEL_V, Math.abs(one))));
    level(t`low level`, a.levels.lowV, b.levels.lowV);
    level(t`high level`, a.levels.highV, b.levels.highV);
    const [one, other] = [a.levels.highV / a.levels.lowV, b.levels.highV / b.levels.lowV];
    // A pulled-up output goes nearly to zero, and its ratio tells nothing.
    if (whose === "another-car" && (isCurrentRatio(one) || isCurrentRatio(other)))
      add(t`high over low`, "", one, other, 2, isCurrentRatio(one) && isCurrentRatio(other));
    if (a.dutyPct !== null && b.dutyPct !== null)
      add(t`high share of a pulse`, "%", a.dutyPct, b.dutyPct, 0, near(a.dutyPct, b.dutyPct, DUTY_PCT));
  } else if (a.size && b.size) {
    const [one, other] = [a.size.voltsPerHertz, b.size.voltsPerHertz];
    const isNear = Math.abs(Math.log(other / one)) <= Math.log(COIL_RATIO);
    addOwn(t`size for speed`, t`mV per Hz`, 1000 * one, 1000 * other, 1, isNear);
  }
  if (!before.raster || !after.raster) return list;
  const isCounted = a.countFrom === "given" && b.countFrom === "given";
  list.push(...ringLines(before.raster, after.raster, whose, isCounted));
  return list;
}

/** Both values as they are shown. */
export function formatCompared({ unit, before, after, digits }: Compared): { before: string; after: string } {
  const text = (value: number) => `${value.toFixed(digits)}${unit ? ` ${unit}` : ""}`;
  return { before: text(before), after: text(after) };
}

/** @param isCounted the counts are no guess out of the signal, which may be a tooth off */
function ringLines(one: RingRaster, other: RingRaster, whose: Whose, isCounted: boolean): Compared[] {
  const turns = [turnsOf(one), turnsOf(other)] as const;
  const lost = (raster: RingRaster) => raster.missingShare.reduce((sum, share) => sum + (share || 0), 0);
  const [before, after] = [lost(one), lost(other)];
  const isAlike = Math.abs(after - before) <= HALF_A_PULSE;
  const lines: Compared[] = [];
  if (Math.min(...turns) >= FEWEST_TURNS)
    lines.push({
      ...{ what: t`pulses missing a turn`, unit: "", before, after, digits: 1, agrees: isAlike },
      say: isAlike ? t`alike` : t`differs`,
    });
  if (one.columns !== other.columns && whose !== "another-car")
    lines.push({
      ...{ what: t`pulses per turn`, unit: "", before: one.columns, after: other.columns, digits: 0 },
      ...(isCounted
        ? { agrees: false, say: matchWords.another }
        : { agrees: null, say: t`cannot tell: set the pulses per turn` }),
    });
  // Another car has another ring: nothing to be told.
  else if (whose === "this-car") {
    const match = matchRings(one, other);
    lines.push({
      ...{ what: t`ring, over turns`, unit: "", before: turns[0], after: turns[1], digits: 1 },
      ...{ agrees: isSame(match), say: matchWords[match] },
    });
  }
  return lines;
}

function isSame(match: RingMatch): boolean | null {
  if (match === "another") return false;
  return match === "same" || match === "same-reversed" ? true : null;
}

const matchWords: Readonly<Record<RingMatch, string>> = {
  get same() {
    return t`the same ring`;
  },
  get "same-reversed"() {
    return t`the same ring, turned the other way`;
  },
  get another() {
    return t`another ring`;
  },
  get "too-few-turns"() {
    return t`cannot tell: turn both twice or more`;
  },
  get "too-even"() {
    return t`cannot tell: too even`;
  },
};
