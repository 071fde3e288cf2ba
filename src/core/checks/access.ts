import { t } from "../words/words";
import { accessMinutes, nearestPlug, stationsOf, type CornerSetup } from "../circuit/setup";
import { stationWords } from "../faults/places";
import { pointsOf, type Hookup } from "./hookup";
import type { Look } from "./looks/look";
import { lookOf } from "./looks/looks";

/** A preparation that several checks share. */
export interface AccessStep {
  id: string;
  say: string;
  minutes: number;
}

export interface Access {
  access: AccessStep[];
  ownMinutes: number;
  damageMinutes: number;
  unplugs: boolean;
  pierces: boolean;
}

/** Minutes by the domain's table of times (engineering judgement); a set-up is paid once. */
const MINUTES = {
  lift: 4,
  wheelOff: 4,
  batteryOff: 2,
  sensorOut: 15,
  measure: 1,
  probe: 2,
  watch: 6,
  // Leads laid and taken up again, and the recording gone through; the hours between are the car's own.
  record: 15,
  capture: 3,
  pierce: 5,
  clamp: 4,
  charge: 2,
  lampLoad: 3,
} as const;
/** What a hole in the insulation and a sensor that may break on its way out are worth, in minutes. */
export const HOLE_MINUTES = 10;
const SENSOR_OUT_MINUTES = 45;
/** The step that takes the sensor out of its seat. */
export const SENSOR_OUT = "sensor-out";

/** What has to be done before a hook-up can be read, and what it costs. */
export function accessSteps(hookup: Hookup, setup: CornerSetup): Access {
  const steps = new Map<string, AccessStep>();
  const add = (id: string, say: string, minutes: number) => steps.has(id) || steps.set(id, { id, say, minutes });
  const reach = (station: string) => {
    const found = stationsOf(setup).find((one) => one.station === station);
    if (found) add(`reach:${station}`, t`get at the ${stationWords(station)}`, accessMinutes(found));
  };
  if (hookup.state.wheel === "hand" || hookup.state.wheel === "creep")
    add("lift", t`raise the wheel on a stand`, MINUTES.lift);
  if (hookup.state.batteryOff) add("battery-off", t`key off, battery negative off`, MINUTES.batteryOff);
  for (const station of hookup.state.unplugged) {
    reach(station);
    add(`open:${station}`, t`open the ${stationWords(station)}`, 1);
  }
  for (const point of pointsOf(hookup)) if (point.at === "face") reach(point.station);
  for (const point of pointsOf(hookup)) if (point.at === "module") reach("module");
  const pierces = pointsOf(hookup).some((point) => point.at === "span");
  const look = "look" in hookup ? lookOf(hookup.look) : null;
  if (look) prepare(look, setup, add, reach);
  return {
    access: [...steps.values()],
    ownMinutes: look?.minutes ?? ownMinutes(hookup, pierces),
    damageMinutes: (pierces ? HOLE_MINUTES : 0) + (look?.needs?.includes("sensor-out") ? SENSOR_OUT_MINUTES : 0),
    unplugs: hookup.state.unplugged.length > 0 || hookup.instrument === "amps-dc" || look?.unplugs === true,
    pierces,
  };
}

/** Minutes from here: set-ups not yet made, and the measuring. */
export function minutesFrom(
  { access, ownMinutes }: Pick<Access, "access" | "ownMinutes">,
  done: ReadonlySet<string>,
): number {
  return access.reduce((sum, { id, minutes }) => sum + (done.has(id) ? 0 : minutes), ownMinutes);
}

function prepare(
  { id, needs = [] }: Look,
  setup: CornerSetup,
  add: (id: string, say: string, minutes: number) => unknown,
  reach: (station: string) => void,
): void {
  for (const need of needs) {
    if (need === "lift") add("lift", t`raise the wheel on a stand`, MINUTES.lift);
    if (need === "wheel-off") add("wheel-off", t`wheel off`, MINUTES.wheelOff);
    if (need === "sensor-out") add(SENSOR_OUT, t`remove the sensor`, MINUTES.sensorOut);
    if (need === "nearest-plug") reach(nearestPlug(setup));
    if (need === "reach") reach(id.replace(/^(?:wiggle|reseat)-/, ""));
  }
}

function ownMinutes(hookup: Hookup, pierces: boolean): number {
  if (hookup.state.recorded) return MINUTES.record;
  if (hookup.state.watched) return MINUTES.watch;
  if (pierces) return MINUTES.pierce;
  if (hookup.instrument === "scope") return MINUTES.capture;
  if (hookup.instrument === "amps-dc") return MINUTES.clamp;
  if (hookup.instrument === "capacitance") return MINUTES.charge;
  if (hookup.instrument === "lamp") return MINUTES.lampLoad;
  return hookup.state.wheel === "still" ? MINUTES.measure : MINUTES.probe;
}
