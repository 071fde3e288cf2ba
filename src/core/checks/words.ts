import { t } from "../words/words";
import type { Point } from "../circuit/point";
import type { CircuitState } from "../circuit/state";
import { stationWords } from "../faults/places";
import { conductorWord } from "../faults/wire-faults";
import type { Hookup } from "./hookup";

/** A short label for tables and pins: `C1 supply`, `plug → return`. */
export function pointLabel(point: Point): string {
  if (point.at === "battery") return point.pole === "negative" ? t`bat −` : t`bat +`;
  if (point.at === "body") return "body";
  if (point.at === "module") return t`module ${MODULE_PINS[point.pin]}`;
  if (point.at === "span") return t`span ${point.span} ${point.percent} % ${conductorWord(point.conductor)}`;
  return `${stationLabel(point.station)} ${point.face === "in" ? "◂" : "▸"} ${conductorWord(point.conductor)}`;
}

/** A station in one word: `module`, `C1`, `plug`. */
export function stationLabel(station: string): string {
  return station === "module" ? t`module` : station === "plug" ? t`plug` : station.toUpperCase();
}

const MODULE_PINS: Record<"power" | "earth", string> = { power: t`power`, earth: t`earth` };

/** What is bent and tugged: `plug`, `C1`, `span 2`. */
export function wiggledLabel(place: string): string {
  return place.startsWith("span") ? t`span ${place.slice("span".length)}` : stationLabel(place);
}

/** A reading's place in the log. */
export function hookupLabel(hookup: Hookup): string {
  if ("look" in hookup)
    return (
      LOOK_LABELS[hookup.look] ??
      (hookup.look === "speed"
        ? t`live speed`
        : hookup.look.startsWith("wiggle-")
          ? t`wiggle, ${wiggledLabel(hookup.look.slice("wiggle-".length))}`
          : stationWords(hookup.look))
    );
  if (hookup.instrument === "amps-dc") return t`clamp at ${pointLabel(hookup.red)}`;
  if (hookup.instrument === "scope") return t`capture at ${pointLabel(hookup.red)}`;
  return t`${pointLabel(hookup.red)} to ${pointLabel(hookup.black)}${hookup.state.watched ? t`, watched` : ""}`;
}

/** The state of the car for a hook-up as a short phrase: `key on, plug open`. */
export function stateWords(state: CircuitState): string {
  const words = [state.key === "on" ? t`key on` : t`key off`];
  if (state.batteryOff) words.push(t`battery off`);
  for (const station of state.unplugged) words.push(t`${stationWords(station)} open`);
  if (state.wheel !== "still") words.push(MOTION[state.wheel]);
  if (state.watched) words.push(t`watched while moved`);
  if (state.load) words.push(t`${state.load.kind} ${state.load.red} to ${state.load.black}`);
  return words.join(", ");
}

/** How the wheel moves, in a word or two. */
export const MOTION: Record<CircuitState["wheel"], string> = {
  still: "",
  creep: t`wheel creeping`,
  hand: t`hand spin`,
  driven: t`driving`,
};
const LOOK_LABELS: Record<string, string> = {
  wiring: t`wiring along its clips`,
  ring: t`tone ring, seen`,
  encoder: t`encoder under film`,
  foot: t`sensor foot and seat`,
  face: t`sensor face`,
  bearing: t`bearing, rocked`,
  tyres: t`tyre sizes`,
  swap: t`sensors changed over`,
  sensor: t`sensor, tugged`,
  magnet: t`magnet past the sensor`,
  count: t`teeth counted`,
  gap: t`air gap`,
  runout: t`ring runout`,
  others: t`the other corners`,
  which: t`which corner answers`,
  steering: t`stop from low speed`,
  "fuse-out": t`stop, ABS fuse out`,
  "other-side": t`beside the other side`,
  "wake-bump": t`bounced`,
  "wake-turn": t`steered lock to lock`,
  "wake-wet": t`wetted`,
  "wake-heat": t`warmed`,
};
