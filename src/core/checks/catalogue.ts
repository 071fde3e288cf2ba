import {
  conductorsOf,
  signalConductors,
  spansOf,
  stationsOf,
  type Conductor,
  type CornerSetup,
  type StationId,
} from "../circuit/setup";
import type { Point } from "../circuit/point";
import { circuitStateSchema, type CircuitState } from "../circuit/state";
import { accessSteps, type AccessStep } from "./access";
import { hookupKey, type Hookup } from "./hookup";
import type { Look } from "./looks/look";
import { looksOf, type LookId } from "./looks/looks";

/** Something a technician can do next: a hook-up with what it takes to get there. */
export interface Check {
  id: string;
  hookup: Hookup;
  /** Preparations, in order; shared between checks and paid for once. */
  access: AccessStep[];
  /** Minutes for the measurement itself, once everything is accessible. */
  ownMinutes: number;
  /** Cost of the harm it does or risks, in minutes of equal worth (pierced insulation, a seized sensor). */
  damageMinutes: number;
  /** Unplugs something, which may cure an intermittent and hide it. */
  unplugs: boolean;
  pierces: boolean;
}

const BATTERY_NEGATIVE: Point = { at: "battery", pole: "negative" };
const BODY: Point = { at: "body" };
const HAND_SPIN_KMH = 7;

/**
 * Every check worth proposing on this corner, allowed now or not.
 * @param comesAndGoes the fault is intermittent: live volts are also offered watched while the loom is moved, and recorded for hours
 */
export function checkCatalogue(setup: CornerSetup, comesAndGoes = false): Check[] {
  const stations = stationsOf(setup).map(({ station }) => station);
  const checks: Hookup[] = [];
  for (const station of stations) checks.push(...atStation(setup, station));
  checks.push(
    ...alongHarness(setup, stations),
    ...moduleSupply(),
    ...looksOf(setup).map(hookupOfLook),
    ...pierced(setup),
  );
  if (comesAndGoes) {
    const waitedFor = [...checks.filter(isWatchable), ...voltageDrops(setup, stations)].map(watched);
    checks.push(
      ...waitedFor,
      ...waitedFor.filter((one) => isRecordable(one, setup)).map(recorded),
      ...signalRecorded(setup, stations),
    );
  }
  const unique = new Map(checks.map((hookup) => [hookupKey(hookup), hookup]));
  return [...unique].map(([id, hookup]) => ({ id, hookup, ...accessSteps(hookup, setup) }));
}

/** Live volts at a plug, joined or open, ohms along a wire or coil: what comes and goes is seen only by waiting for it. */
function isWatchable(hookup: Hookup): boolean {
  if (!("red" in hookup) || hookup.red.at !== "face") return false;
  return hookup.instrument === "ohms" || (hookup.instrument === "volts-dc" && hookup.state.wheel === "still");
}

function watched(hookup: Hookup): Hookup {
  return { ...hookup, state: { ...hookup.state, watched: true } };
}

/** A car is driven for hours only with everything joined; on a wire that toggles all the while the scope is the recorder. */
function isRecordable(hookup: Hookup, setup: CornerSetup): boolean {
  if (hookup.state.key === "off" || hookup.state.unplugged.length > 0 || hookup.state.wheel !== "still") return false;
  const toggles = (point: Point) =>
    setup.family !== "passive" && point.at === "face" && signalConductors(setup).includes(point.conductor);
  const points = "red" in hookup ? [hookup.red, ...("black" in hookup ? [hookup.black] : [])] : [];
  return points.filter(toggles).length !== 1;
}

function recorded(hookup: Hookup): Hookup {
  return { ...hookup, state: { ...hookup.state, recorded: true } };
}

/** The signal itself at either face of each plug, while the car is driven: a contact that loses it lies between the two. */
function signalRecorded(setup: CornerSetup, stations: StationId[]): Hookup[] {
  const driven = state({ wheel: "driven", watched: true, recorded: true });
  return stations.flatMap((station) =>
    (["in", "out"] as const).flatMap((side) =>
      signalConductors(setup).map((signal): Hookup => ({
        instrument: "scope",
        red: face(station, side, signal),
        state: driven,
      })),
    ),
  );
}

function state(parts: Partial<CircuitState> = {}): CircuitState {
  return circuitStateSchema.parse(parts);
}

const dead = (...unplugged: StationId[]) => state({ key: "off", batteryOff: true, unplugged });

function face(station: StationId, side: "in" | "out", conductor: Conductor): Point {
  return { at: "face", station, face: side, conductor };
}

/** Readings at one connector: back-probed live, opened live, opened dead. */
function atStation(setup: CornerSetup, station: StationId): Hookup[] {
  const conductors = conductorsOf[setup.family];
  const [first, second] = conductors as [Conductor, Conductor];
  const passive = setup.family === "passive";
  const spin = state({ wheel: "hand", speedKmh: HAND_SPIN_KMH });
  const list: Hookup[] = [];
  for (const side of ["in", "out"] as const)
    for (const conductor of conductors)
      list.push({
        instrument: "volts-dc",
        red: face(station, side, conductor),
        black: BATTERY_NEGATIVE,
        state: state(),
      });
  list.push({
    instrument: "volts-dc",
    red: face(station, "out", first),
    black: face(station, "out", second),
    state: state(),
  });
  const beside = passive ? face(station, "out", second) : BATTERY_NEGATIVE;
  for (const signal of signalConductors(setup)) {
    list.push({ instrument: "hertz", red: face(station, "out", signal), black: beside, state: spin });
    list.push({ instrument: "volts-ac", red: face(station, "out", signal), black: beside, state: spin });
    list.push({ instrument: "scope", red: face(station, "out", signal), state: spin });
    if (!passive)
      list.push({
        instrument: "volts-dc",
        red: face(station, "out", signal),
        black: setup.family === "active-3wire" ? face(station, "out", "ground") : BATTERY_NEGATIVE,
        state: state({ wheel: "creep" }),
      });
  }
  if (station === "module") return list;
  if (!passive) {
    const amps = {
      instrument: "amps-dc" as const,
      red: face(station, "in", "supply"),
      black: face(station, "out", "supply"),
    };
    list.push({ ...amps, state: state({ jumpered: station }) });
    // No wire beside it can hide a current that changes, or fail to change, as the wheel is spun: the mean of both levels.
    if (station === "plug" && setup.family === "active-2wire")
      list.push({ ...amps, state: { ...spin, jumpered: station } });
  }
  const opened = state({ unplugged: [station] });
  for (const conductor of conductors)
    list.push({ instrument: "volts-dc", red: face(station, "in", conductor), black: BATTERY_NEGATIVE, state: opened });
  list.push({
    instrument: "volts-dc",
    red: face(station, "in", first),
    black: face(station, "in", second),
    state: opened,
  });
  // Across an active sensor ohms mean nothing (common practice); some makers forbid it.
  if (passive)
    list.push({
      instrument: "ohms",
      red: face(station, "out", first),
      black: face(station, "out", second),
      state: dead(station),
    });
  for (const conductor of conductors)
    list.push({ instrument: "ohms", red: face(station, "out", conductor), black: BODY, state: dead(station) });
  if (station !== "plug") list.push(...shortsBeyond(setup, station));
  if (passive) {
    const openedSpin = state({ key: "off", unplugged: [station], wheel: "hand", speedKmh: HAND_SPIN_KMH });
    list.push({
      instrument: "volts-ac",
      red: face(station, "out", first),
      black: face(station, "out", second),
      state: openedSpin,
    });
  }
  return list;
}

/** A voltmeter to each wire loose at this end finds a short beyond it, to ground from battery +, to power from battery −, with the battery left on. */
function shortsBeyond({ family }: CornerSetup, station: StationId): Hookup[] {
  const openedOff = state({ key: "off", unplugged: [station] });
  return conductorsOf[family].flatMap((conductor): Hookup[] => {
    const wire = face(station, "out", conductor);
    return [
      { instrument: "volts-dc", red: { at: "battery", pole: "positive" }, black: wire, state: openedOff },
      { instrument: "volts-dc", red: wire, black: BATTERY_NEGATIVE, state: openedOff },
    ];
  });
}

/** Each conductor between every opened connector and the module's plug, dead: end to end, to body, to its neighbour. */
function alongHarness(setup: CornerSetup, stations: StationId[]): Hookup[] {
  const conductors = conductorsOf[setup.family];
  const list: Hookup[] = [];
  for (let near = 0; near < stations.length - 1; near++)
    for (let far = near + 1; far < stations.length; far++) {
      const open = dead(stations[near]!, stations[far]!);
      for (const conductor of conductors) {
        list.push({
          instrument: "ohms",
          red: face(stations[near]!, "out", conductor),
          black: face(stations[far]!, "in", conductor),
          state: open,
        });
        list.push({ instrument: "ohms", red: face(stations[far]!, "in", conductor), black: BODY, state: open });
        // Volts on a wire that is joined to nothing come from elsewhere; with the module off, the battery is off too.
        if (near > 0)
          list.push({
            instrument: "volts-dc",
            red: face(stations[far]!, "in", conductor),
            black: BATTERY_NEGATIVE,
            state: state({ unplugged: [stations[near]!, stations[far]!] }),
          });
        list.push({
          instrument: "lamp",
          red: face(stations[near]!, "out", conductor),
          black: face(stations[far]!, "in", conductor),
          state: open,
        });
      }
      for (const [one, other] of pairsOf(conductors))
        list.push({
          instrument: "ohms",
          red: face(stations[far]!, "in", one),
          black: face(stations[far]!, "in", other),
          state: open,
        });
    }
  return list;
}

function pairsOf<T>(items: readonly T[]): [T, T][] {
  return items.flatMap((one, at) => items.slice(at + 1).map((other): [T, T] => [one, other]));
}

/**
 * Voltage drop under the sensor's own current (common practice): across each joined contact, and along each wire between
 * two plugs. What is caught across one of them lies nowhere else, however shortly it shows. A passive coil draws nothing
 * that could drop. A fault that stays is told by the volts at both ends.
 */
function voltageDrops(setup: CornerSetup, stations: StationId[]): Hookup[] {
  if (setup.family === "passive") return [];
  const across = (red: Point, black: Point): Hookup => ({ instrument: "volts-dc", red, black, state: state() });
  return conductorsOf[setup.family].flatMap((conductor) => [
    ...stations.map((station) => across(face(station, "in", conductor), face(station, "out", conductor))),
    ...stations.slice(1).map((far, at) => across(face(stations[at]!, "out", conductor), face(far, "in", conductor))),
  ]);
}

function moduleSupply(): Hookup[] {
  return [
    { instrument: "volts-dc", red: { at: "battery", pole: "positive" }, black: BATTERY_NEGATIVE, state: state() },
    { instrument: "volts-dc", red: { at: "module", pin: "power" }, black: BATTERY_NEGATIVE, state: state() },
    { instrument: "volts-dc", red: { at: "module", pin: "earth" }, black: BATTERY_NEGATIVE, state: state() },
  ];
}

/** The hook-up of a look. */
export function hookupOfLook({ id, instrument, state: own }: Look): Hookup {
  return { instrument, look: id as LookId, state: state(own) };
}

/** Points half and quarter way along each span, through the insulation. */
function pierced(setup: CornerSetup): Hookup[] {
  return spansOf(setup).flatMap(({ pierceable = true }, span) =>
    (pierceable ? [25, 50, 75] : []).flatMap((percent) =>
      conductorsOf[setup.family].map((conductor): Hookup => ({
        instrument: "volts-dc",
        red: { at: "span", span: span + 1, percent, conductor },
        black: BATTERY_NEGATIVE,
        state: state(),
      })),
    ),
  );
}
