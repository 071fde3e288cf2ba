import type { Corner } from "../units/corner";
import { found, type Found } from "./finding";
import type { SizeForSpeed } from "./coil-size";

/** A coil under this part of the one on the other side is too small (common practice, no source). */
const OTHER_SIDE = 0.6;

interface Coil {
  name: string;
  inVolts: boolean;
  /** Null where the channel is no coil's, or was too short to tell. */
  size: SizeForSpeed | null;
}

/**
 * Coils recorded together, each against the other side of its axle at its own speed: where nobody knows what a make's coil
 * should give, the other side does. Which is whose is told by the names; two alone belong together.
 * @returns for each the finding that it is too small, "alike" where it is as large as the other, or null where none is beside it
 */
export function besideOtherSide(
  coils: readonly Coil[],
  whole: { startS: number; endS: number },
): (Found | "alike" | null)[] {
  const sized = coils.filter(({ size }) => size !== null).length;
  return coils.map((coil) => {
    const { size, inVolts } = coil;
    const other = coils.find((one) => one !== coil && one.size !== null && areSides(coil.name, one.name, sized === 2));
    if (!size || !other?.size) return null;
    const ofOther = size.share / other.size.share;
    if (!(ofOther < OTHER_SIDE)) return "alike";
    const { rmsV, share, speedKmh: kmh } = size;
    return found(
      "low-amplitude",
      { ...(inVolts ? { rmsV } : {}), kmh, share, ofOther },
      { strength: 0.9, ...whole, size: ofOther },
    );
  });
}

/** A coil's findings where the other side was recorded along: that is the better measure of its size, whichever way it tells. */
export function bySides(own: readonly Found[], beside: Found | "alike" | null): readonly Found[] {
  if (beside === null) return own;
  if (beside === "alike") return own.filter(({ most }) => most === undefined || most > FOR_ANY_MAKE);
  return [...own.filter(({ code }) => code !== beside.code), beside];
}

/** Both sides as small as this are too small for any make. */
const FOR_ANY_MAKE = 0.95;

/** The channel to look at first: this corner's own, as far as names tell, and no supply. */
export function ownChannel(channels: readonly { name: string; isSupply: boolean }[], corner: Corner): number {
  return Math.max(
    0,
    channels.findIndex(({ name, isSupply }) => !isSupply && isOfCorner(name, corner)),
  );
}

/** Whether a channel may be this corner's: its name says no other side or axle. */
export function isOfCorner(name: string, corner: Corner): boolean {
  const [told, own] = [sideOf(name), sideOf(corner)];
  return (told.side ?? own.side) === own.side && (told.axle ?? own.axle) === own.axle;
}

function areSides(one: string, other: string, alone: boolean): boolean {
  const [a, b] = [sideOf(one), sideOf(other)];
  if (!a.side || !b.side) return alone;
  return a.side !== b.side && a.axle === b.axle;
}

function sideOf(name: string): { side: "left" | "right" | null; axle: "front" | "rear" | null } {
  const words = name.toLowerCase().split(/[^\p{L}]+/u);
  const has = (...any: string[]) => any.some((word) => words.includes(word));
  return {
    side: has("left", "l", "fl", "lf", "rl", "lr", "links", "vl", "hl")
      ? "left"
      : has("right", "r", "fr", "rf", "rr", "rechts", "vr", "hr")
        ? "right"
        : null,
    axle: has("front", "f", "fl", "lf", "fr", "rf", "vorn", "vl", "vr")
      ? "front"
      : has("rear", "rl", "lr", "rr", "hinten", "hl", "hr")
        ? "rear"
        : null,
  };
}
