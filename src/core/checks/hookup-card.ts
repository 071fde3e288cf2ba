import { t } from "../words/words";
import type { Point } from "../circuit/point";
import { stationsOf, type CornerSetup } from "../circuit/setup";
import { type Hookup } from "./hookup";
import { instrumentWords } from "./instruments";
import { countTerminal } from "./count-terminal";
import { pointWords } from "./instruction";
import { SECONDS_PER_DIVISION, scopeGround, scopeSetUp, type ScopeGround } from "./scope-set-up";
import { leadEndAt, type LeadEnd } from "./lead-end";
import { pointLabel } from "./words";

/** How an instrument is set and where each lead goes, one line each. */
export interface HookupCard {
  /** What is drawn: a meter with its selector, a scope, a clamp on loops, a lamp fed through the wire. */
  picture: "meter" | "scope" | "clamp" | "lamp";
  dial: string;
  sockets: string;
  leads: Lead[];
  /** A scope's range and time base, as its screen has them. */
  screen: string | null;
  /** Where a scope's ground goes. */
  ground: ScopeGround | null;
}

/** Where one lead goes: in words, by its place, and by pin, colour and count where the pin map knows them. */
export interface Lead {
  colour: "red" | "black";
  where: string;
  short: string;
  terminal: string | null;
  /** What the lead ends in; null for a clamp's loops. */
  end: LeadEnd | null;
  /** The connector's face with the wanted terminal counted. */
  face: { rows: number; columns: number; row: number; column: number; say: string } | null;
}

type Setting = [dial: string, sockets: string];

const DIALS: Partial<Record<Hookup["instrument"], Setting>> = {
  get "volts-dc"(): Setting {
    return [t`V DC, autorange or 20 V`, t`red in V·Ω, black in COM`];
  },
  get "volts-ac"(): Setting {
    return [t`V AC, true RMS, 2 V range`, t`red in V·Ω, black in COM`];
  },
  get ohms(): Setting {
    return [t`Ω, leads held together first: note or null them`, t`red in V·Ω, black in COM`];
  },
  get continuity(): Setting {
    return [t`beeper; it sounds under some 30 Ω, which is not 0`, t`red in V·Ω, black in COM`];
  },
  get capacitance(): Setting {
    return [t`nF, leads apart first: null what they show`, t`as the meter's book has it for capacitance`];
  },
  get hertz(): Setting {
    return [t`Hz, on the V socket`, t`red in V·Ω, black in COM`];
  },
  get duty(): Setting {
    return [t`duty %, on the V socket`, t`red in V·Ω, black in COM`];
  },
  get "amps-dc"(): Setting {
    return [t`A DC on the clamp, zeroed beside the loop`, t`arrow of the clamp toward the sensor`];
  },
  get lamp(): Setting {
    return [t`filament lamp, about 250 mA; an LED is no load`, t`its own leads`];
  },
  get scope(): Setting {
    return ["", t`probe ×1 or ×10, its ground as the sentence above says`];
  },
};

/** The shape of a pulse wants 20 ms a division. */
function scopeDial(setup: CornerSetup, probe: Point): string {
  const { coupling, voltsPerDivision } = scopeSetUp(setup, probe);
  return t`${coupling}, ${voltsPerDivision} V a division; ${SECONDS_PER_DIVISION} s a division for three turns, 20 ms for the shape; low-pass 10 kHz for a hand spin`;
}

/** The set-up of a measured hook-up; null for looks. */
export function hookupCard(hookup: Hookup, setup: CornerSetup): HookupCard | null {
  const set = DIALS[hookup.instrument];
  if (!set || !("red" in hookup)) return null;
  const { instrument } = hookup;
  const leads = [leadOf("red", hookup.red, setup, hookup)];
  if ("black" in hookup) leads.push(leadOf("black", hookup.black, setup, hookup));
  const picture =
    instrument === "scope" ? "scope" : instrument === "amps-dc" ? "clamp" : instrument === "lamp" ? "lamp" : "meter";
  const usual = hookup.instrument === "scope" ? scopeDial(setup, hookup.red) : set[0];
  const held = hookup.state.watched && instrument !== "scope";
  const dial = held ? t`${usual}, MIN/MAX hold on` : usual;
  return {
    picture,
    dial: `${instrumentWords[hookup.instrument]}: ${dial}`,
    sockets: set[1],
    leads,
    screen: hookup.instrument === "scope" ? screenWords(setup, hookup.red) : null,
    ground: hookup.instrument === "scope" ? scopeGround(setup) : null,
  };
}

function leadOf(colour: Lead["colour"], point: Point, setup: CornerSetup, hookup: Hookup): Lead {
  return {
    colour,
    where: pointWords(point, setup),
    short: pointLabel(point),
    terminal: terminalOf(point, setup),
    end: hookup.instrument === "amps-dc" ? null : leadEndAt(point, hookup.state),
    face: faceOf(point, setup),
  };
}

function faceOf(point: Point, setup: CornerSetup): Lead["face"] {
  if (point.at !== "face") return null;
  const station = stationsOf(setup).find(({ station }) => station === point.station);
  const place = station?.face && countTerminal(station.face, station.pins?.[point.conductor]?.pin ?? "");
  return station?.face && place ? { ...station.face, ...place } : null;
}

function screenWords(setup: CornerSetup, probe: Point): string {
  return t`${scopeSetUp(setup, probe).voltsPerDivision} V · ${SECONDS_PER_DIVISION} s`;
}

/** Pin and colour of a point where the pin map knows them. */
function terminalOf(point: Point, setup: CornerSetup): string | null {
  if (point.at !== "face") return null;
  const own = stationsOf(setup).find(({ station }) => station === point.station)?.pins?.[point.conductor];
  if (!own || (!own.pin && !own.colour)) return null;
  return [own.pin && t`pin ${own.pin}`, own.colour].filter(Boolean).join(", ");
}
