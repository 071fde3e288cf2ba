import { t } from "../words/words";
import { answersFor, matchAnswer } from "../checks/answers";
import { type Hookup } from "../checks/hookup";
import { quantityOf } from "../checks/instruments";
import { isCurrentRatio } from "../circuit/current-ratio";
import type { Point } from "../circuit/point";
import { stationsOf, type CornerSetup } from "../circuit/setup";
import { parseRange, parseReading, type TypedRange } from "../units/reading";
import type { Observation } from "./observation";

/** What was seen, before it has a place in a log. */
export type Observed = Pick<Observation, "hookup" | "value">;
export type TypedValue = { ok: true; observed: Observed } | { ok: false; say: string };

/** Turns what was typed for a hook-up into what was observed, or says what was not understood. */
export function typedValue(hookup: Hookup, typed: string, setup: CornerSetup): TypedValue {
  if (hookup.instrument === "capacitance" && !bothEndsOpen(hookup, setup))
    return {
      ok: false,
      say: t`Capacitance with the module or the sensor joined is that of their own capacitors, a thousand times the wire's: it says nothing of the wire. Undo both ends and read again.`,
    };
  const answers = answersFor(hookup);
  if (answers) {
    const word = matchAnswer(answers, typed);
    return word
      ? { ok: true, observed: { hookup, value: { kind: "word", word } } }
      : {
          ok: false,
          say: t`“${typed.slice(0, 40)}” is no answer here. Answer ${answers.words.map((one, i) => `${i + 1} ${one}`).join(", ")}.`,
        };
  }
  const range = parseRange(typed, quantityOf[hookup.instrument]!);
  if (range) {
    if (!range.ok) return range;
    const tooMuch = beyondCar(hookup, range.value.high, typed) ?? loopsThroughClamp(hookup, range.value, setup);
    return tooMuch ?? { ok: true, observed: seenBetween(hookup, range.value, setup) };
  }
  const parsed = parseReading(typed, quantityOf[hookup.instrument]!);
  if (!parsed.ok) return parsed;
  if (parsed.value.kind === "beep") return heardBeep(hookup, parsed.value.heard);
  if (parsed.value.kind === "over-limit") {
    if (SHOWS_OVER_LIMIT.has(hookup.instrument))
      return { ok: true, observed: { hookup, value: { kind: "over-limit" } } };
    return { ok: false, say: t`OL is a reading in ohms. On volts, choose a higher range and read again.` };
  }
  const { coupling } = parsed.value;
  const shrunk = coupling === "peak-to-peak" ? PEAK_TO_PEAK_PER_RMS : 1;
  const [value, resolution] = [parsed.value.value / shrunk, parsed.value.resolution / shrunk];
  if (coupling === "peak-to-peak" && setup.family !== "passive")
    return {
      ok: false,
      say: t`Peak to peak of two levels is only their distance. Type both levels on DC, as 0.84 / 1.68 V.`,
    };
  if ((coupling === "ac" || coupling === "peak-to-peak") && hookup.instrument === "volts-dc")
    return {
      ok: false,
      say: t`That is AC volts; this check is on DC. Turn the meter to DC, or log it as a free reading on AC.`,
    };
  const tooMuch = beyondCar(hookup, value, typed);
  if (tooMuch) return tooMuch;
  return { ok: true, observed: { hookup, value: { kind: "number", value, resolution: lastDigit(resolution, value) } } };
}

/** Of a coil's wave, a sine (domain: Vpp = 2.828 × Vrms). */
const PEAK_TO_PEAK_PER_RMS = 2 * Math.SQRT2;

/** More than a car's wiring carries: no sensor circuit passes an ampere, no car here has over 60 V (common practice, no source). */
const MOST: Partial<Record<Hookup["instrument"], number>> = { "amps-dc": 1, "volts-dc": 60, "volts-ac": 150 };

/** What was typed with its unit is meant so, and kept however odd: the log names what contradicts it. */
const HAS_UNIT = /\d\s*[mkµμu]?(?:amps?|volts?|[av])(?:ac|dc)?(?![a-z])/i;

/** A meter on milliamperes or millivolts shows a number without its m; taken as it stands it would condemn anything. */
function beyondCar({ instrument }: Hookup, value: number, typed: string): TypedValue | null {
  const most = MOST[instrument];
  if (most === undefined || Math.abs(value) < most || HAS_UNIT.test(typed)) return null;
  const unit = instrument === "amps-dc" ? "A" : "V";
  const number = typed.trim().slice(0, 20);
  return {
    ok: false,
    say: t`“${typed.slice(0, 40)}” would be ${String(Number(value.toPrecision(4)))} ${unit}, more than this circuit can have. If the meter shows m${unit}, type ${number} m${unit}.`,
  };
}

/**
 * A clamp reads what all the loops through its jaw carry together (domain: six loops show 42 and 84 mA). No short toggles in
 * the ratio of the sensor's own two currents.
 */
function loopsThroughClamp(
  { instrument }: Hookup,
  { low, high }: TypedRange,
  { family }: CornerSetup,
): TypedValue | null {
  if (instrument !== "amps-dc" || family !== "active-2wire") return null;
  const loops = Math.round(low / LOW_A);
  if (loops < FEWEST_LOOPS || !isCurrentRatio(high / low)) return null;
  const own = [low, high].map((amps) => ((1000 * amps) / loops).toFixed(1)).join(" / ");
  return {
    ok: false,
    say: t`Two currents in the ratio of a good sensor's, but ${String(loops)} times as large: that many loops through the clamp? Divide by their number and type ${own} mA.`,
  };
}

const LOW_A = 0.007;
/** Two loops of 7 and 14 mA cannot be told from one of 14 and 28, which three-level sensors draw (domain, section 4). */
const FEWEST_LOOPS = 3;

/** Whether a hook-up can show two levels: live DC on an active sensor's wires, or a meter holding least and greatest. */
export function canToggle({ instrument, state }: Hookup, setup: CornerSetup): boolean {
  if (instrument !== "volts-dc" && instrument !== "amps-dc") return state.watched === true && instrument === "ohms";
  return state.watched === true || (setup.family !== "passive" && state.key === "on" && !state.batteryOff);
}

/**
 * Two ends of what was seen. Where levels can toggle, someone turned the wheel between them, whatever the state says;
 * elsewhere (AC volts and hertz of a hand spin) they are one value, as wide as they are apart.
 */
function seenBetween(hookup: Hookup, { low, high, resolution }: TypedRange, setup: CornerSetup): Observed {
  if (!canToggle(hookup, setup))
    return {
      hookup,
      value: { kind: "number", value: (low + high) / 2, resolution: Math.max(resolution, high - low) },
    };
  const turned =
    hookup.state.wheel === "still" && hookup.state.watched !== true
      ? { ...hookup, state: { ...hookup.state, wheel: "creep" as const } }
      : hookup;
  return { hookup: turned, value: { kind: "range", low, high, resolution: lastDigit(resolution, high) } };
}

/** Whether neither module nor sensor hangs on the wires between these points and what is unplugged. */
function bothEndsOpen({ red, state }: Extract<Hookup, { black: Point }>, setup: CornerSetup): boolean {
  const ids = stationsOf(setup).map(({ station }) => station);
  if (red.at !== "face") return ["module", "plug"].every((end) => state.unplugged.includes(end));
  const here = ids.indexOf(red.station);
  const beyond = red.face === "in" ? ids.slice(0, here) : ids.slice(here + 1);
  return state.unplugged.includes(red.station) && beyond.some((station) => state.unplugged.includes(station));
}

/** A number typed bare (“12”) is not good to one volt either way: at most a fifth of it. */
function lastDigit(resolution: number, value: number): number {
  return Math.min(resolution, Math.max(Math.abs(value) * 0.2, 0.05));
}

/** Where OL tells something of the circuit and not of the range chosen. */
const SHOWS_OVER_LIMIT: ReadonlySet<Hookup["instrument"]> = new Set(["ohms", "capacitance"]);

/** A beep heard while asked for ohms is a continuity reading between the same points. */
function heardBeep(hookup: Hookup, heard: boolean): TypedValue {
  if (hookup.instrument !== "ohms") return { ok: false, say: t`A beep belongs to ohms or continuity.` };
  return {
    ok: true,
    observed: {
      hookup: { ...hookup, instrument: "continuity" },
      value: { kind: "word", word: heard ? "beep" : "no-beep" },
    },
  };
}
