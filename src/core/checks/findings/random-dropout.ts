import { msgid, ngettext, t } from "../../words/words";
import type { FindingKind } from "./finding-kind";

/** Play under this shows as a wave once a turn; over it poles are lost as well (engineering judgement). */
const LOSES_PULSES = 0.1;
/** Lost pulses over this share are seen in any recording of a few turns. */
const SEEN_SHARE = 0.02;

/** Losses that do not come round with the ring: a contact or wire. */
export const randomDropout = {
  code: "random-dropout",
  title: () => t`Lost at random places`,
  say: ({ times, pulses, levelV, standing, within }) => {
    const often = times === 1 ? t`once` : ngettext(msgid`${times} time`, `${times} times`, times);
    if (standing && levelV !== undefined)
      return t`The wheel stands, yet the level jumps to ${levelV.toFixed(1)} V ${often} and comes back. No sensor does that: a wire or contact opens or touches.`;
    if (standing)
      return t`The wheel stands, yet the level jumps to its other value ${often}, too briefly for a pole to pass. A contact, or the sensor itself.`;
    if (within)
      return t`The wave is cut off ${often}, for less than a tooth each time, and is back at once. No ring does that and no hand: look for a loose contact or wire.`;
    const lost = t`The signal is lost ${often} (${ngettext(msgid`${pulses} pulse`, `${pulses} pulses`, pulses)}) at no fixed place of the ring. Look for a loose contact or wire, not for a bad ring.`;
    if (levelV === undefined) return lost;
    return t`${lost} The level goes to ${levelV.toFixed(1)} V meanwhile, which no sensor makes: a wire or contact opens or touches.`;
  },
  ringLocked: false,
  rank: 3,
  answer: {
    say: () => t`losses at random places`,
    short: () => t`random dropout`,
    also: ["dropout", "dropouts", "drop-outs", "drop-out", "drops-out", "loses-pulses", "lost-pulses", "intermittent"],
  },
  raster: () => t`Scatter: the loss does not turn with the wheel. A connection, not the ring.`,
  // Play or a loose seat opens the gap beyond use at any tooth, as weak poles lose pulses.
  shows: ({ car, view }) => view.lostShare > SEEN_SHARE || car.ring.wobble > LOSES_PULSES,
} as const satisfies FindingKind<{
  times: number;
  pulses: number;
  levelV?: number;
  /** The level goes over both of the signal's own, or under both. */
  isOver?: boolean;
  standing?: boolean;
  within?: boolean;
}>;
