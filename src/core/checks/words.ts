import { t } from "../words/words";
import type { Point } from "../circuit/point";
import type { CircuitState, Meanwhile } from "../circuit/state";
import { stationWords } from "../faults/places";
import { conductorWord } from "../faults/wire-faults";
import type { Hookup } from "./hookup";
import { lookOf } from "./looks/looks";
import { stationLabel } from "./station-label";

/** A short label for tables and pins: `C1 supply`, `plug → return`. */
export function pointLabel(point: Point): string {
  if (point.at === "battery") return point.pole === "negative" ? t`bat −` : t`bat +`;
  if (point.at === "body") return "body";
  if (point.at === "module") return t`module ${modulePinWords(point.pin)}`;
  if (point.at === "span") return t`span ${point.span} ${point.percent} % ${conductorWord(point.conductor)}`;
  return `${stationLabel(point.station)} ${point.face === "in" ? "◂" : "▸"} ${conductorWord(point.conductor)}`;
}

function modulePinWords(pin: "power" | "earth"): string {
  return pin === "power" ? t`power` : t`earth`;
}

/** A reading's place in the log. */
export function hookupLabel(hookup: Hookup): string {
  if ("look" in hookup) return lookOf(hookup.look).label();
  if (hookup.instrument === "amps-dc") return t`clamp at ${pointLabel(hookup.red)}`;
  const long = hookup.state.recorded ? t`, recorded for hours` : hookup.state.watched ? t`, watched` : "";
  if (hookup.instrument === "scope") return t`capture at ${pointLabel(hookup.red)}${long}`;
  return t`${pointLabel(hookup.red)} to ${pointLabel(hookup.black)}${long}`;
}

/** The state of the car for a hook-up as a short phrase: `key on, plug open`. */
export function stateWords(state: CircuitState): string {
  const words = [state.key === "on" ? t`key on` : t`key off`];
  if (state.batteryOff) words.push(t`battery off`);
  for (const station of state.unplugged) words.push(t`${stationWords(station)} open`);
  if (state.wheel !== "still") words.push(motionWords(state.wheel));
  if (state.recorded) words.push(t`recorded for hours`);
  if (state.meanwhile) words.push(meanwhileWords(state.meanwhile));
  if (state.watched && !state.recorded) words.push(t`watched while moved`);
  if (state.load) words.push(t`${state.load.kind} ${state.load.red} to ${state.load.black}`);
  return words.join(", ");
}

/** What the fault did while something was recorded. */
export function meanwhileWords(meanwhile: Meanwhile): string {
  return meanwhile === "came" ? t`the fault came` : t`the fault stayed away`;
}

/** How the wheel moves, in a word or two. */
export function motionWords(wheel: CircuitState["wheel"]): string {
  const words: Record<CircuitState["wheel"], string> = {
    still: "",
    creep: t`wheel turned a little at a time`,
    hand: t`hand spin`,
    "in-gear": t`axle running in gear, raised`,
    driven: t`driving`,
  };
  return words[wheel];
}
