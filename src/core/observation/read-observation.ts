import { t } from "../words/words";
import { findLook, lookOf, looksOf, parseLook } from "../checks/looks/looks";
import { isWaiting } from "../checks/beside";
import { type Hookup } from "../checks/hookup";
import { interlock } from "../checks/interlocks";
import { isLookInstrument, type LookInstrument } from "../checks/instruments";
import { circuitStateSchema } from "../circuit/state";
import { parsePoint, pointText, type Point } from "../circuit/point";
import { stationsOf, type CornerSetup } from "../circuit/setup";
import type { Observation } from "./observation";
import { typedValue } from "./typed-value";
import type { Reading } from "./reading";

export type Read<T> = { ok: true; value: T } | { ok: false; say: string };

/** The hook-up a written reading describes, or what this corner does not have. */
export function hookupOf(reading: Reading, setup: CornerSetup): Read<Hookup> {
  const { instrument, state } = reading;
  if (state.meanwhile && !state.recorded)
    return {
      ok: false,
      say: t`meanwhile “${state.meanwhile}”: only of what is recorded for hours is it asked whether the fault came; add "recorded": true or leave it out`,
    };
  if (state.recording !== undefined && !isWaiting({ instrument, state }))
    return {
      ok: false,
      say: t`recording “${state.recording}”: only what waits for the fault has channels; add "watched": true or "recorded": true, or leave it out`,
    };
  const unknown = state.unplugged.find((one) => !stationsOf(setup).some(({ station }) => station === one));
  if (unknown)
    return {
      ok: false,
      say: t`unplugged “${unknown}”: this path has ${stationsOf(setup)
        .map(({ station }) => station)
        .join(", ")}`,
    };
  if (state.load)
    for (const text of [state.load.red, state.load.black]) {
      const loaded = parsePoint(text, setup);
      if (!loaded.ok) return loaded;
    }
  if (isLookInstrument(instrument)) {
    const look = reading.look ?? ONLY_LOOK[instrument];
    if (!look) return { ok: false, say: t`${instrument}: “look” must say at what` };
    return lookHookup({ ...reading, look }, instrument, setup);
  }
  // “scope, the other side”: what was looked at is plain, whatever it was looked at with.
  const look = reading.look === undefined ? undefined : findLook(reading.look);
  if (look && !reading.red && !reading.point) return lookHookup(reading, look.instrument, setup);
  const red = pointOf(reading.red ?? reading.point, "red", setup);
  if (!red.ok) return red;
  if (instrument === "scope")
    return {
      ok: true,
      value: {
        instrument,
        red: red.value,
        state: state.wheel === "still" ? { ...state, wheel: "hand", speedKmh: 7 } : state,
      },
    };
  if (instrument === "amps-dc") return clampOf(red.value, state);
  const black = pointOf(reading.black ?? "battery.negative", "black", setup);
  if (!black.ok) return black;
  const hookup: Hookup = { instrument, red: red.value, black: black.value, state };
  const lock = instrument === "ohms" || instrument === "continuity" ? interlock(hookup) : null;
  return lock?.stops ? { ok: false, say: lock.say } : { ok: true, value: hookup };
}

/** What is meant where an instrument's look is left out. */
const ONLY_LOOK: Partial<Record<LookInstrument, string>> = {
  scan: "speed",
  film: "encoder",
  gauge: "gap",
  compare: "other-side",
};

/** A clamp sits where a plug's two faces meet: on the jumper leads that join them in place of its contacts. */
function clampOf(red: Point, state: Hookup["state"]): Read<Hookup> {
  if (red.at !== "face")
    return { ok: false, say: t`amps-dc: clamp a looped jumper at a connector, for example red “c1.in.supply”` };
  const black: Point = { ...red, face: red.face === "in" ? "out" : "in" };
  // Its halves are apart for it, and joined all the same: that it was called unplugged changes nothing.
  const unplugged = state.unplugged.filter((station) => station !== red.station);
  return {
    ok: true,
    value: { instrument: "amps-dc", red, black, state: { ...state, unplugged, jumpered: red.station } },
  };
}

/** What a written reading observed, or a sentence saying what was not understood. @param entryId the entry of the log it stands in */
export function observe(reading: Reading, setup: CornerSetup, entryId = ""): Read<Observation> {
  const hookup = hookupOf(reading, setup);
  if (!hookup.ok) return hookup;
  const typed = reading.finding ?? (reading.value === undefined ? undefined : String(reading.value));
  if (typed === undefined) return { ok: false, say: t`no value: write what the instrument showed` };
  const parsed = typedValue(hookup.value, typed, setup);
  return parsed.ok ? { ok: true, value: { entryId, ...parsed.observed } } : parsed;
}

/** The written form of a hook-up with what was typed, the inverse of `hookupOf`. */
export function readingFrom(hookup: Hookup, typed: string): Reading {
  const base = { instrument: hookup.instrument, state: hookup.state };
  if ("look" in hookup) return { ...base, look: hookup.look, value: typed };
  if (hookup.instrument === "scope") return { ...base, point: pointText(hookup.red), finding: typed };
  return { ...base, red: pointText(hookup.red), black: pointText(hookup.black), value: typed };
}

/** What was typed for a hook-up as the reading the log keeps: a word as the answer it means, a number as it was typed. */
export function readingTyped(hookup: Hookup, typed: string, setup: CornerSetup): Read<Reading> {
  const parsed = typedValue(hookup, typed, setup);
  if (!parsed.ok) return parsed;
  const { hookup: meant, value } = parsed.observed;
  return { ok: true, value: readingFrom(meant, value.kind === "word" ? value.word : typed.trim()) };
}

/** A drive with the scan tool on this corner's live speed, as the reading it weighs in with. */
export function speedReading(word: string): Reading {
  const state = circuitStateSchema.parse({ wheel: "driven", speedKmh: 30 });
  return readingFrom({ instrument: "scan", look: "speed", state }, word);
}

function lookHookup({ look = "speed", state }: Reading, instrument: LookInstrument, setup: CornerSetup): Read<Hookup> {
  const id = parseLook(look, setup);
  if (!id) {
    const known = looksOf(setup).map((one) => one.id);
    return { ok: false, say: t`nothing called “${look}” to look at on this corner; known: ${known.join(", ")}` };
  }
  const awake = lookOf(id).state.key === "off" ? state : { ...state, ...AWAKE };
  const driven = id === "speed" ? { ...awake, wheel: "driven" as const, speedKmh: state.speedKmh ?? 30 } : awake;
  return { ok: true, value: { instrument, look: id, state: driven } };
}

/** A look that is not taken with the key off is taken with it on, whatever was written. */
const AWAKE = { key: "on", batteryOff: false } as const;

function pointOf(text: string | undefined, probe: string, setup: CornerSetup): Read<Point> {
  if (!text) return { ok: false, say: t`the ${probe} probe's point is missing` };
  const parsed = parsePoint(text, setup);
  return parsed.ok ? { ok: true, value: parsed.point } : parsed;
}
