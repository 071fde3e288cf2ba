import { t } from "../words/words";
import type { Point } from "../circuit/point";
import type { Hookup } from "./hookup";

/** A hook-up that would do harm (stopped), or whose reading would not be what it seems (said, and let pass). */
export interface Interlock {
  stops: boolean;
  say: string;
}

/** Why a car is not to be driven: a wheel has play, or ABS acts by itself. */
export type Danger = "play" | "abs-acts";

/** What is said of it, on the card and in the report. */
export function dangerWords(danger: Danger): string {
  const words: Record<Danger, string> = {
    play: t`A wheel has play: do not drive this car until it is repaired.`,
    "abs-acts": t`ABS acts by itself: do not drive this car on a public road until it is repaired.`,
  };
  return words[danger];
}

/** What the rules of the trade say against a hook-up as it stands; null when nothing. @param danger of driving this car */
export function interlock(hookup: Hookup, danger: Danger | null = null): Interlock | null {
  const { instrument, state } = hookup;
  if (danger && isDriven(hookup)) return { stops: true, say: dangerWords(danger) };
  if (instrument === "lamp") {
    const ends = [hookup.red, hookup.black].flatMap((point) => (point.at === "face" ? [point.station] : []));
    const throughWire = ends.length === 2 && ends[0] !== ends[1] && ends.every((one) => state.unplugged.includes(one));
    if (!throughWire)
      return {
        stops: true,
        say: t`No lamp or jumper into a connected module or sensor: it can destroy them. Undo the plugs at both ends of the wire, then feed it through the wire alone.`,
      };
  }
  const dead = state.key === "off" && state.batteryOff;
  if ((instrument === "ohms" || instrument === "continuity") && !dead)
    return {
      stops: isLive(hookup),
      say: t`Ohms on a circuit that is not dead: what the meter shows is not the resistance. Key off, battery negative off, then read again.`,
    };
  if (instrument === "capacitance" && !dead)
    return {
      stops: false,
      say: t`Capacitance on a circuit that is not dead: the meter measures the circuit's own voltage, not the wire. Key off and battery negative off first.`,
    };
  return null;
}

/** Checks that take the car on the road. */
export function isDriven({ state }: Hookup): boolean {
  return state.wheel === "driven" || state.recorded === true;
}

/** Whether the module's own volts reach the probes: key on, and nothing unplugged between the two. */
function isLive(hookup: Extract<Hookup, { black: Point }>): boolean {
  const { state, red } = hookup;
  if (state.key === "off" || state.batteryOff) return false;
  const beyond = red.at === "face" && red.face === "out" && state.unplugged.includes(red.station);
  return !beyond && state.unplugged.length < 2;
}
