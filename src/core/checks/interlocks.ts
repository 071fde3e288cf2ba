import { t } from "../words/words";
import type { Hookup } from "./hookup";

/** A hook-up that would do harm (stopped), or whose reading would not be what it seems (said, and let pass). */
export interface Interlock {
  stops: boolean;
  say: string;
}

/** What the rules of the trade say against a hook-up as it stands; null when nothing. */
export function interlock(hookup: Hookup): Interlock | null {
  const { instrument, state } = hookup;
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
      stops: false,
      say: t`Ohms on a circuit that is not dead: what the meter shows is not the resistance. Key off and battery negative off first.`,
    };
  if (instrument === "capacitance" && !dead)
    return {
      stops: false,
      say: t`Capacitance on a circuit that is not dead: the meter measures the circuit's own voltage, not the wire. Key off and battery negative off first.`,
    };
  return null;
}
