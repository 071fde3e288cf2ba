import { t } from "../words/words";
import { stands } from "./repair-words";
import type { CodeKind } from "../codes/code";
import { setContact, type WaterBridge } from "../circuit/condition";
import { stationsOf } from "../circuit/setup";
import {
  FIVE_IN_EIGHT,
  ONE_IN_FOUR,
  ONE_IN_SIX,
  ONE_IN_THREE,
  TWO_IN_THREE,
  activeFamilies,
  everyFamily,
  folded,
  logBetween,
  type Fault,
  type Place,
} from "./fault";
import { capital } from "../units/format";
import { everyConnector, everySpan, everySpanOnce, everyTerminal, placeWords } from "./places";

const wireWord = (place: Place) => t`${conductorWord(place.conductor!)} wire`;

/** A wire's name as said aloud; passive legs are lettered. */
export function conductorWord(conductor: string): string {
  return CONDUCTORS[conductor] ?? conductor;
}

const CONDUCTORS: Record<string, string> = {
  get a() {
    return t`leg A`;
  },
  get b() {
    return t`leg B`;
  },
  get supply() {
    return t`supply`;
  },
  get return() {
    return t`return`;
  },
  get ground() {
    return t`ground`;
  },
  get signal() {
    return t`signal`;
  },
};

/**
 * What is left across a break: nothing; or insulation that a voltmeter's ten megohms show a tenth of a volt through; or, in
 * one of four, a green, damp path that it sees most of the voltage through (engineering judgement).
 */
function openOhms(kind: number, size: number): number {
  if (kind > ONE_IN_FOUR) return logBetween(size, 2e5, 3e7);
  return kind > FIVE_IN_EIGHT ? logBetween(size, 3e7, 1e10) : Infinity;
}

/** Undone, every other wet plug is shaken dry; else the water stays in one half or in both (engineering judgement). */
function staysIn(kind: number): WaterBridge["staysIn"] {
  if (kind <= 0.5) return "neither";
  if (kind > ONE_IN_SIX) return "both";
  return kind > TWO_IN_THREE ? "out" : "in";
}

/** The first of the two wires that are rubbed through, each of three as often; a pair has only one such place. */
function rubbedWire(kind: number, wires: number): number {
  if (wires === 2 || kind < ONE_IN_THREE) return 0;
  return kind < TWO_IN_THREE ? 1 : 2;
}

function wireFault(
  code: string,
  weight: number,
  effect: CodeKind,
  say: (wire: string, where: string) => string,
  damage: { kind: "series" | "to-ground" | "to-power" | "to-neighbour"; from: number; to: number },
  clearedBy: (where: string) => string,
): Fault {
  return {
    code,
    part: "harness",
    weight,
    families: everyFamily,
    intermittent: true,
    ...(damage.to === Infinity ? {} : { varies: true as const }),
    ...(damage.kind === "series" ? { flickers: true as const } : {}),
    effect,
    places: damage.kind === "to-neighbour" ? everySpanOnce : everySpan,
    apply: (car, place, draw) => {
      const ohms =
        damage.to === Infinity ? openOhms(draw("kind"), draw(0)) : logBetween(draw(0), damage.from, damage.to);
      car.circuit.spanDefects.push({
        span: place.span!,
        fraction: folded(draw(1), 0.03, 0.97),
        conductor:
          damage.kind === "to-neighbour" ? rubbedWire(draw("kind"), car.circuit.contactOhms[0]!.length) : place.wire!,
        kind: damage.kind,
        ohms,
      });
      car.signs["wiring-damaged"] = 0.5;
    },
    words: (place, setup) => say(place.conductor ? capital(wireWord(place)) : "", placeWords(place, setup)),
    clearedBy: (place, setup) => clearedBy(placeWords(place, setup)),
  };
}

/** Faults of the loom and its connectors. */
export const wireFaults: Fault[] = [
  wireFault(
    "wire-open",
    0.4,
    "open",
    (wire, where) => t`${wire} open in ${where}`,
    { kind: "series", from: Infinity, to: Infinity },
    (where) => t`The same voltage at both ends of ${where}.`,
  ),
  wireFault(
    "wire-resistance",
    0.2,
    "open",
    (wire, where) => t`${wire} corroded, high resistance, in ${where}`,
    { kind: "series", from: 5, to: 100_000 },
    (where) => t`No drop along ${where} while current flows.`,
  ),
  {
    code: "wire-strands",
    part: "harness",
    weight: 0.08,
    families: activeFamilies,
    intermittent: true,
    flickers: true,
    effect: "open",
    places: everySpan,
    apply: (car, place, draw) => {
      car.circuit.spanDefects.push({
        span: place.span!,
        fraction: folded(draw(1), 0.03, 0.97),
        conductor: place.wire!,
        kind: "series",
        ohms: logBetween(draw(0), 0.1, 2),
        loadedOhms: logBetween(draw(2), 25, 4e3),
      });
      car.signs["wiring-damaged"] = 0.35;
    },
    words: (place, setup) =>
      t`${capital(wireWord(place))} nearly broken, fails under load, in ${placeWords(place, setup)}`,
    clearedBy: (place, setup) => t`A lamp fed through ${placeWords(place, setup)} burns bright, both ends open.`,
  },
  wireFault(
    "wire-to-ground",
    0.18,
    "ground",
    (wire, where) => t`${wire} chafed to ground in ${where}`,
    { kind: "to-ground", from: 0.2, to: 3000 },
    (where) => t`OL to body along ${where}, both ends unplugged.`,
  ),
  wireFault(
    "wire-to-power",
    0.07,
    "power",
    (wire, where) => t`${wire} chafed to power in ${where}`,
    { kind: "to-power", from: 0.5, to: 3000 },
    (where) => t`0 V along ${where}, both ends unplugged.`,
  ),
  wireFault(
    "wire-to-neighbour",
    0.15,
    "ground",
    (_, where) => t`Wires shorted together in ${where}`,
    { kind: "to-neighbour", from: 0.2, to: 300 },
    (where) => t`OL between the wires of ${where}, both ends unplugged.`,
  ),
  {
    code: "terminal-open",
    part: "connector",
    weight: 0.42,
    families: everyFamily,
    intermittent: true,
    flickers: true,
    effect: "open",
    places: everyTerminal,
    apply: (car, place, draw) => {
      setContact(car.circuit, place.station!, place.wire!, openOhms(draw("kind"), draw(0)));
      car.signs["connector-bad"] = 0.6;
    },
    words: (place, setup) =>
      t`${capital(conductorWord(place.conductor!))} terminal spread or backed out at the ${placeWords(place, setup)}`,
    clearedBy: (place, setup) => t`The same voltage on both faces of the ${placeWords(place, setup)}.`,
  },
  {
    code: "terminal-resistance",
    part: "connector",
    weight: 0.38,
    families: everyFamily,
    intermittent: true,
    flickers: true,
    varies: true,
    effect: "open",
    places: everyTerminal,
    apply: (car, place, draw) => {
      setContact(car.circuit, place.station!, place.wire!, logBetween(draw(0), 5, 100_000));
      car.signs["connector-bad"] = 0.85;
    },
    words: (place, setup) =>
      t`${capital(conductorWord(place.conductor!))} terminal corroded at the ${placeWords(place, setup)}`,
    clearedBy: (place, setup) => t`No drop across the ${placeWords(place, setup)} while current flows.`,
  },
  {
    code: "water-bridge",
    part: "connector",
    weight: 0.13,
    families: everyFamily,
    intermittent: true,
    varies: true,
    effect: "erratic",
    places: everyConnector,
    apply: (car, place, draw) => {
      car.circuit.bridge = {
        station: place.station!,
        ohms: logBetween(draw(0), 40, 20_000),
        thirdOhms: logBetween(draw(1), 40, 20_000),
        outerOhms: logBetween(draw(2), 40, 20_000),
        staysIn: staysIn(draw("kind")),
      };
      car.signs["connector-bad"] = 0.85;
    },
    words: (place, setup) => t`Water bridge inside the ${placeWords(place, setup)}`,
    clearedBy: (place, setup) => t`A dry, clean ${placeWords(place, setup)}, seen.`,
    wakes: { wet: 0.95, bump: 0.15 },
  },
  {
    code: "corners-swapped",
    part: "connector",
    weight: 0.03,
    families: everyFamily,
    intermittent: false,
    effect: "erratic",
    places: (setup) => [{ id: stationsOf(setup).at(-2)!.station, share: 1 }],
    apply: (car) => {
      car.elsewhere = true;
    },
    words: () => t`Plugs of two corners changed over`,
    clearedBy: () => t`This corner's live speed answers when this wheel alone is turned.`,
    repair: {
      get title() {
        return t`Change the plugs back`;
      },
      get steps() {
        return [
          t`Trace both wires to their corners.`,
          t`Change the plugs over and mark them.`,
          t`Turn each wheel alone and see the right corner answer.`,
        ];
      },
      newPart: [],
      cautions: [stands()],
      torques: [],
      partsCost: 0,
      labourMin: 20,
    },
  },
  {
    code: "terminals-crossed",
    part: "connector",
    weight: 0.04,
    families: everyFamily.filter((family) => family !== "passive"),
    intermittent: false,
    effect: "no-signal",
    places: (setup) =>
      everyConnector(setup)
        .filter(({ id }) => id !== "module")
        .map((place, _, all) => ({ ...place, share: 1 / all.length })),
    apply: (car, place) => {
      car.circuit.crossedStation = place.station!;
    },
    words: (place, setup) => t`Wires crossed at the ${placeWords(place, setup)}`,
    clearedBy: () => t`The supply voltage on the right pin of the sensor plug.`,
  },
];
