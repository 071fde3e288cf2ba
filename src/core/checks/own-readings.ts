import { t } from "../words/words";
import { stationsOf, type Conductor, type CornerSetup, type StationId } from "../circuit/setup";
import type { Place } from "../faults/fault";
import type { Part } from "../faults/parts/parts";
import { stationWords } from "../faults/places";
import { findingCodes, findingKind } from "./findings/findings";
import { hookupKey, pointsOf, type Hookup } from "./hookup";
import { gatePinOf, gatePins, isFeedReading, type GatePin } from "./module-gate";
import { isAtSensorPlug } from "./sensor-gate";
import { helpsBeside, isSoundBeside } from "./sound-beside";
import { facesOf, helpsStep, isAcross, stepAcross, type Stretch, type Taken } from "./step-across";

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
      return sensorNeeds(fault, setup);
    case "module":
      return [...gatePins.map(pin), ...(fault === FEEDS_NOTHING && setup.family !== "passive" ? [deadUnloaded] : [])];
    case "module-feed":
      // Checks with the key on wear a battery down, so that it is low now says nothing of why the lamp came on.
      if (fault === BATTERY) return [heldBattery];
      return [
        speaking(
          () => t`the module's supply, its ground or the battery read, and found wrong`,
          (hookup) => isFeedReading(hookup, fault) || (fault === SHARED && isLook("others", "other-supply")(hookup)),
        ),
      ];
    case "connector":
      return fault === SWAPPED
        ? [speaking(() => t`this wheel turned alone, and another corner's live speed answers`, isLook("which"))]
        : connectorNeeds(fault, place, setup);
    case "harness":
      return harnessNeeds(fault, place, setup);
    case "ring":
      return [
        speaking(
          () => t`the ring looked at or recorded, and a fault of its own seen`,
          (hookup) => hookup.instrument === "scope" || OWN_LOOKS.ring(hookup),
        ),
      ];
    case "bearing":
      return [speaking(() => t`the wheel rocked, and play felt`, OWN_LOOKS.bearing)];
    case "mounting":
      return [speaking(() => t`the sensor's seat, face or gap looked at, and found wrong`, OWN_LOOKS.mounting)];
    case "tyre":
      return [speaking(() => t`the tyre sizes compared`, OWN_LOOKS.tyre)];
    case "none":
      return [];
  }
}

/** Looks at a part by itself: what they find is a fault of its own, whatever else is wrong. */
const OWN_LOOKS = {
  ring: isLook("ring", "encoder", "count", "runout"),
  bearing: isLook("bearing"),
  mounting: isLook("foot", "gap", "sensor", "face"),
  tyre: isLook("tyres"),
};

/**
 * Whether a part was found wrong by itself, twice: seen, felt or gauged, brought on by moving it alone, or volts lost from
 * one end of it to the other, and not only inferred from a signal.
 */
export function isSeenTwice(part: Part, place: Place, setup: CornerSetup, taken: readonly Taken[]): boolean {
  const stretch = stretchOf(part, place, setup);
  if (stretch && taken.filter(({ hookup, speaks }) => speaks && isAcross(hookup, stretch)).length >= 2) return true;
  if (part === "connector" || part === "harness") return isWrongByHand(taken, looksAtPlace(place, setup), 2);
  // The fault went along with the sensor, which leaves ring, seat and loom behind, or came on as its lead was bent, and was
  // read or recorded besides.
  if (part === "sensor")
    return (
      (taken.some(({ hookup, word }) => isLook("swap")(hookup) && word === WENT_ALONG) ||
        isWrongByHand(taken, ["wiggle-lead"], 1)) &&
      taken.some(
        ({ hookup, speaks }) => speaks && hookup.instrument !== "scan" && !isLook("swap", "wiggle-lead")(hookup),
      )
    );
  if (part !== "ring" && part !== "bearing" && part !== "mounting" && part !== "tyre") return false;
  const own = taken.filter(({ hookup }) => OWN_LOOKS[part](hookup));
  const wrong = own.filter(({ speaks }) => speaks);
  // Seen or gauged wrong, and recorded turning with the ring: two witnesses of one thing.
  if (part === "ring" && wrong.length > 0 && taken.some(turnsWithRing)) return true;
  // The same look answered the same once more tells little by itself, and is a second pair of eyes all the same.
  return own.filter((one) => one.speaks || wrong.some((other) => saysTheSame(one, other))).length >= 2;
}

/** Looks at the plug or the stretch of loom a fault sits in, and what moving or cleaning it alone does. */
function looksAtPlace({ station, span }: Place, setup: CornerSetup): string[] {
  if (span !== undefined) return ["wiring", `wiggle-span${span + 1}`];
  if (station === undefined) return [];
  const id = stationsOf(setup)[station]!.station;
  return [id, `wiggle-${id}`, `reseat-${id}`, ...(id === "plug" ? ["drag-test"] : [])];
}

/** Whether so many different ones of these looks found something wrong. */
function isWrongByHand(taken: readonly Taken[], looks: readonly string[], least: number): boolean {
  const found = looks.filter((look) => taken.some(({ hookup, speaks }) => speaks && isLook(look)(hookup)));
  return found.length >= least;
}

function turnsWithRing({ hookup, speaks, word }: Taken): boolean {
  return (
    hookup.instrument === "scope" &&
    speaks &&
    findingCodes.some((code) => code === word && findingKind(code).ringLocked)
  );
}

function saysTheSame(one: Taken, other: Taken): boolean {
  if (one.word !== null) return one.word === other.word;
  if (one.shown === null || other.shown === null || hookupKey(one.hookup) !== hookupKey(other.hookup)) return false;
  return Math.abs(one.shown[0] - other.shown[0]) < SAME_GAUGED * Math.abs(other.shown[0]);
}

/** A gauge read again shows the same to this part of it. */
const SAME_GAUGED = 0.2;

const WENT_ALONG = "follows";
const SWAPPED = "corners-swapped";
const SHARED = "shared-supply";
const BATTERY = "battery-low";
const FEEDS_NOTHING = "channel-supply";
const WATER = "water-bridge";
/** Damp between two terminals reads like two wires rubbed through. */
const LEAKS: ReadonlySet<string> = new Set(["wire-to-ground", "wire-to-power", "wire-to-neighbour"]);
/** What a sensor's own current tells and a trace does not, where the signal rides on the supply wire. */
const IN_ITS_CURRENT: ReadonlySet<string> = new Set(["sensor-open", "sensor-short", "sensor-dead"]);

/** A sensor: found wrong where the wiring cannot make it look so, or found to carry the fault along or to ignore a magnet. */
function sensorNeeds(fault: string, setup: CornerSetup): Need[] {
  const byHand = isLook("swap", "magnet", "wiggle-lead");
  switch (setup.family) {
    case "passive":
      return [
        speaking(
          () => t`the sensor measured by itself, plug disconnected, and found wrong`,
          (hookup) => byHand(hookup) || (isAtFace(hookup, "plug", "out") && hookup.state.unplugged.includes("plug")),
        ),
      ];
    case "active-2wire": {
      const current = setup.sense === "high" && IN_ITS_CURRENT.has(fault);
      return [
        speaking(
          () =>
            current
              ? t`the sensor's current read at its own plug, and found wrong`
              : t`something read at the sensor's own plug, and found wrong`,
          (hookup) =>
            byHand(hookup) ||
            (isAtSensorPlug(hookup, setup.family) && (!current || hookup.instrument === "amps-dc")) ||
            (!current && hookup.instrument === "scope" && isAtFace(hookup, "plug", "out")),
        ),
      ];
    }
    case "active-3wire":
      return [
        anyOf(
          () => t`its supply read at the sensor's own plug`,
          (hookup) => isAtSensorPlug(hookup, setup.family),
        ),
        speaking(
          () => t`its signal read at the sensor's own plug, and found wrong`,
          (hookup) => byHand(hookup) || isAtFace(hookup, "plug", "out"),
        ),
      ];
  }
}

/** A terminal: told from the wires beside it by a step between its faces, by a cure, or by a reading that jumps as it is moved. */
function connectorNeeds(fault: string, place: Place, setup: CornerSetup): Need[] {
  const station = place.station!;
  const id = stationsOf(setup)[station]!.station;
  // Its own plug is told from the module's channel only at the module's own pin.
  const atModule = station === 0 ? [pin("corner")] : [];
  // A rubbed wire beside it reads the same on either face.
  if (fault === WATER)
    return [
      ...atModule,
      seenOrCured(
        () => t`water or bloom seen in the ${stationWords(id)}, or gone once it is dry`,
        isLook(id, `reseat-${id}`),
      ),
    ];
  // Two terminals in each other's places are one reading on either side of the plug.
  if (!place.conductor)
    return [
      ...atModule,
      speaking(
        () => t`both sides of the ${stationWords(id)} read, or the damage seen there`,
        (hookup) => isLook(id)(hookup) || facesOf(hookup).some((face) => face.station === id),
      ),
    ];
  return [
    ...atModule,
    aStep(
      () => t`the ${stationWords(id)} read on both its sides, and a difference found`,
      stretchOf("connector", place, setup)!,
      setup,
      isLook(`wiggle-${id}`, `reseat-${id}`),
    ),
  ];
}

/** The contact or the wire a fault sits on, from end to end; null where it has no ends. */
function stretchOf(part: Part, place: Place, setup: CornerSetup): Stretch | null {
  const ids = stationsOf(setup).map(({ station }) => station);
  const { conductor, station, span } = place;
  if (!conductor) return null;
  if (part === "connector" && station !== undefined)
    return { from: { station: ids[station]!, face: "in" }, to: { station: ids[station]!, face: "out" }, conductor };
  if (part === "harness" && span !== undefined)
    return { from: { station: ids[span]!, face: "out" }, to: { station: ids[span + 1]!, face: "in" }, conductor };
  return null;
}

/** A wire: a step between its ends; a leak found with both its ends undone, and still there with clean, dry plugs. */
function harnessNeeds(fault: string, place: Place, setup: CornerSetup): Need[] {
  const span = place.span!;
  const ids = stationsOf(setup).map(({ station }) => station);
  const [near, far] = [ids[span]!, ids[span + 1]!];
  const seen = isLook("wiring", `wiggle-span${span + 1}`);
  const alone = (hookup: Hookup) => isAlone(hookup, near, far, place.conductor);
  if (LEAKS.has(fault))
    return [
      speaking(
        () => t`the wire read by itself, disconnected at both ends, and found wrong`,
        (hookup) => alone(hookup) || isLook(`wiggle-span${span + 1}`)(hookup),
      ),
      // With both ends undone no water in the sensor's own plug brings volts; in another it may, from the pin beside.
      ...ids
        .slice(span, span + 2)
        .filter((plug) => fault !== "wire-to-power" || plug !== "plug")
        .map((plug) => stillThere(plug, seen, alone)),
    ];
  return [
    aStep(
      () => t`the wire read at both its ends, and a difference found`,
      stretchOf("harness", place, setup)!,
      setup,
      (hookup) => isLook(`wiggle-span${span + 1}`)(hookup) || isOn(hookup, span),
    ),
  ];
}

/** A reading at either end of a wire that is joined to nothing; of any wire there where none is named. */
function isAlone(hookup: Hookup, near: StationId, far: StationId, conductor?: Conductor): boolean {
  const { unplugged } = hookup.state;
  if (!unplugged.includes(near) || !unplugged.includes(far)) return false;
  return facesOf(hookup).some(
    (point) =>
      (conductor === undefined || point.conductor === conductor) &&
      ((point.station === near && point.face === "out") || (point.station === far && point.face === "in")),
  );
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

/** A short in the sensor or behind its plug pulls a good output down as a dead one is: nothing may hang on it when it is read. */
const deadUnloaded: Need = speaking(
  () => t`its output read with the sensor disconnected, and still wrong`,
  (hookup) =>
    hookup.instrument === "volts-dc" &&
    hookup.state.key === "on" &&
    hookup.state.unplugged.some((station) => station !== "module") &&
    facesOf(hookup).some(({ conductor }) => conductor === "supply"),
);

/** No reading of the log so far shows it: once the battery was charged or held, the readings after that do. */
const heldBattery: Need = {
  say: () => t`the battery charged or held by a supply, and the same checks done again`,
  helps: () => false,
  isMet: () => false,
};

type Says = () => string;

function anyOf(say: Says, helps: (hookup: Hookup) => boolean): Need {
  return { say, helps, isMet: (taken) => taken.some(({ hookup }) => helps(hookup)) };
}

/**
 * A plug cleaned and dried, and the fault as before; not asked for where the damage itself was seen along the wire, nor
 * where the leak is metal on metal.
 */
function stillThere(plug: StationId, alongIt: (hookup: Hookup) => boolean, alone: (hookup: Hookup) => boolean): Need {
  const isReseat = isLook(`reseat-${plug}`);
  return {
    say: () => t`the ${stationWords(plug)} cleaned and dried, and the fault still there`,
    helps: (hookup) => isReseat(hookup) || alongIt(hookup),
    isMet: (taken) =>
      taken.findLast(({ hookup }) => isReseat(hookup))?.word === STILL ||
      taken.some(
        ({ hookup, speaks, shown }) =>
          speaks &&
          (alongIt(hookup) || (hookup.instrument === "ohms" && alone(hookup) && shown![1] < LEAST_OF_WATER_OHMS)),
      ),
  };
}

const [STILL, GONE] = ["still", "gone"];
/** No water between terminals conducts as well as that, salt or not (engineering judgement). */
const LEAST_OF_WATER_OHMS = 25;

/** A look that must have found something; one that found nothing is not asked for again. */
function speaking(say: Says, helps: (hookup: Hookup) => boolean): Need {
  return {
    say,
    helps: (hookup, taken) => helps(hookup) && !taken.some((one) => sameCheck(one.hookup, hookup)),
    isMet: (taken) => taken.some(({ hookup, speaks }) => speaks && helps(hookup)),
  };
}

/** The same, or the fault gone after it: on a healthy car nothing is left to cure, so a cure alone does not tell them apart. */
function seenOrCured(say: Says, helps: (hookup: Hookup) => boolean): Need {
  const seen = speaking(say, helps);
  return {
    ...seen,
    isMet: (taken) => seen.isMet(taken) || taken.some(({ hookup, word }) => helps(hookup) && word === GONE),
  };
}

/** A wire or a contact, told by itself; or what speaks as well. */
function aStep(say: Says, stretch: Stretch, setup: CornerSetup, instead: (hookup: Hookup) => boolean): Need {
  return {
    say,
    helps: (hookup, taken) =>
      (instead(hookup) && !taken.some((one) => sameCheck(one.hookup, hookup))) ||
      helpsStep(hookup, stretch, taken, setup) ||
      helpsBeside(hookup, stretch, taken, setup),
    isMet: (taken) =>
      taken.some(({ hookup, speaks }) => speaks && instead(hookup)) ||
      stepAcross(stretch, taken, setup) ||
      isSoundBeside(stretch, taken, setup),
  };
}

function isLook(...ids: string[]): (hookup: Hookup) => boolean {
  return (hookup) => "look" in hookup && ids.includes(hookup.look);
}

/** Whether this face of a connector was touched. */
function isAtFace(hookup: Hookup, station: StationId, face: "in" | "out"): boolean {
  return facesOf(hookup).some((point) => point.station === station && point.face === face);
}

/** Whether a point along a span was read. */
function isOn(hookup: Hookup, span: number): boolean {
  return pointsOf(hookup).some((point) => point.at === "span" && point.span === span + 1);
}

/** One look, one hook-up; a recording of the same signal, wherever the probe stands. */
function sameCheck(one: Hookup, other: Hookup): boolean {
  if ("look" in one || "look" in other) return "look" in one && "look" in other && one.look === other.look;
  if (one.instrument === "scope" || other.instrument === "scope") return one.instrument === other.instrument;
  return hookupKey(one) === hookupKey(other);
}
