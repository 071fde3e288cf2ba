import { t } from "../words/words";
import { stationsOf, type CornerSetup } from "../circuit/setup";
import type { Point } from "../circuit/point";
import type { Place } from "../faults/fault";
import type { Part } from "../faults/parts/parts";
import { stationWords } from "../faults/places";
import type { Hookup } from "./hookup";
import { gatePinOf, gatePins, isFeedReading, type GatePin } from "./module-gate";
import { isAtSensorPlug } from "./sensor-gate";

/** A hook-up that was read, and whether what it showed speaks for the fault in question. */
export interface Taken {
  hookup: Hookup;
  speaks: boolean;
  /** The word it was answered by; null for numbers. */
  word: string | null;
}

/** Something a fault is not named without. */
export interface Need {
  /** What it is, as a thing done. */
  say: () => string;
  isMet(taken: readonly Taken[]): boolean;
  /** Whether this hook-up would help to meet it, where it is not met yet. */
  helps(hookup: Hookup, taken: readonly Taken[]): boolean;
}

/**
 * What a part is not named without, however likely it is by what all else shows: nobody condemns a bearing that was not
 * rocked, a ring that was not looked at or recorded, a wire not read at both its ends, a sensor not read at its own plug
 * (common practice, no source). A verdict by elimination is only as good as the list it is made from.
 */
export function ownReadings(part: Part, fault: string, place: Place, setup: CornerSetup): Need[] {
  switch (part) {
    case "sensor":
      return [
        anyOf(
          () =>
            setup.family === "active-3wire"
              ? t`its supply read at the sensor's own plug`
              : t`something read at the sensor's own plug`,
          (hookup) => isAtSensorPlug(hookup, setup.family),
        ),
      ];
    case "module":
      return gatePins.map(pin);
    case "module-feed":
      return [anyOf(() => t`the module's supply, its ground or the battery read`, isFeedReading)];
    case "connector":
      return fault === SWAPPED
        ? [speaking(() => t`this wheel turned alone, and another corner's live speed answers`, isLook("which"))]
        : connectorNeeds(place.station!, setup);
    case "harness":
      return harnessNeeds(fault, place.span!, setup);
    case "ring":
      return [
        speaking(
          () => t`the ring looked at or recorded, and a fault of its own seen`,
          (hookup) => hookup.instrument === "scope" || isLook("ring", "encoder", "count", "runout")(hookup),
        ),
      ];
    case "bearing":
      return [speaking(() => t`the wheel rocked, and play felt`, isLook("bearing"))];
    case "mounting":
      return [
        speaking(
          () => t`the sensor's seat, face or gap looked at, and found wrong`,
          isLook("foot", "gap", "sensor", "face"),
        ),
      ];
    case "tyre":
      return [speaking(() => t`the tyre sizes compared`, isLook("tyres"))];
    case "none":
      return [];
  }
}

const SWAPPED = "corners-swapped";
/** Damp between two terminals reads like two wires rubbed through. */
const LEAKS: ReadonlySet<string> = new Set(["wire-to-ground", "wire-to-power", "wire-to-neighbour"]);

/** A terminal: told from the wires beside it on both its faces, or by what is seen or moved there. */
function connectorNeeds(station: number, setup: CornerSetup): Need[] {
  const id = stationsOf(setup)[station]!.station;
  // Its own plug is told from the module's channel only at the module's own pin.
  if (station === 0) return [pin("corner")];
  return [
    bothEnds(
      () => t`both sides of the ${stationWords(id)} read, or the damage seen there`,
      { station: id, face: "in" },
      { station: id, face: "out" },
      isLook(id, `wiggle-${id}`, "drag-test"),
    ),
  ];
}

/** A wire: read at both its ends, or seen; a leak with the plugs at its ends looked into. */
function harnessNeeds(fault: string, span: number, setup: CornerSetup): Need[] {
  const ids = stationsOf(setup).map(({ station }) => station);
  const [near, far] = [ids[span]!, ids[span + 1]!];
  const alongIt = isLook("wiring", `wiggle-span${span + 1}`);
  const plugs = LEAKS.has(fault) ? ids.slice(Math.max(1, span), span + 2) : [];
  return [
    bothEnds(
      () => t`the wire read at both its ends, or the damage seen`,
      { station: near, face: "out" },
      { station: far, face: "in" },
      (hookup) => alongIt(hookup) || isOn(hookup, span),
    ),
    ...plugs.map((plug) => foundSound(() => t`the ${stationWords(plug)} looked into and found clean`, isLook(plug))),
  ];
}

function pin(wanted: GatePin): Need {
  return anyOf(
    () => PINS[wanted],
    (hookup) => gatePinOf(hookup) === wanted,
  );
}

const PINS: Record<GatePin, string> = {
  get power() {
    return t`the module's supply read at its pin`;
  },
  get earth() {
    return t`the module's ground read at its pin`;
  },
  get corner() {
    return t`this corner's wire read at the module's own pin`;
  },
  get loom() {
    return t`the wires read in ohms by themselves, module plug off`;
  },
};

type Says = () => string;

function anyOf(say: Says, helps: (hookup: Hookup) => boolean): Need {
  return { say, helps, isMet: (taken) => taken.some(({ hookup }) => helps(hookup)) };
}

/** A plug that was looked into, and the last look found nothing. */
function foundSound(say: Says, helps: (hookup: Hookup) => boolean): Need {
  return { say, helps, isMet: (taken) => taken.findLast(({ hookup }) => helps(hookup))?.word === SOUND };
}

const SOUND = "clean";

/** A look that must have found something; one that found nothing is not asked for again. */
function speaking(say: Says, helps: (hookup: Hookup) => boolean): Need {
  return {
    say,
    helps: (hookup, taken) => helps(hookup) && !taken.some((one) => sameCheck(one.hookup, hookup)),
    isMet: (taken) => taken.some(({ hookup, speaks }) => speaks && helps(hookup)),
  };
}

interface Face {
  station: string;
  face: "in" | "out";
}

function bothEnds(say: Says, one: Face, other: Face, instead: (hookup: Hookup) => boolean): Need {
  const reads =
    ({ station, face }: Face) =>
    (hookup: Hookup) =>
      pointsOf(hookup).some((point) => point.at === "face" && point.station === station && point.face === face);
  const [atOne, atOther] = [reads(one), reads(other)];
  const has = (taken: readonly Taken[], fits: (hookup: Hookup) => boolean) => taken.some(({ hookup }) => fits(hookup));
  return {
    say,
    helps: (hookup, taken) =>
      instead(hookup) || (atOne(hookup) && !has(taken, atOne)) || (atOther(hookup) && !has(taken, atOther)),
    isMet: (taken) =>
      taken.some(({ hookup, speaks }) => speaks && instead(hookup)) || (has(taken, atOne) && has(taken, atOther)),
  };
}

function isLook(...ids: string[]): (hookup: Hookup) => boolean {
  return (hookup) => "look" in hookup && ids.includes(hookup.look);
}

/** Whether a point along a span was read. */
function isOn(hookup: Hookup, span: number): boolean {
  return pointsOf(hookup).some((point) => point.at === "span" && point.span === span + 1);
}

function pointsOf(hookup: Hookup): Point[] {
  if (!("red" in hookup)) return [];
  return "black" in hookup ? [hookup.red, hookup.black] : [hookup.red];
}

function sameCheck(one: Hookup, other: Hookup): boolean {
  if ("look" in one || "look" in other) return "look" in one && "look" in other && one.look === other.look;
  return one.instrument === other.instrument;
}
