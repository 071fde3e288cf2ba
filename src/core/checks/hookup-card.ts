import { t } from "../words/words";
import type { Point } from "../circuit/point";
import { stationsOf, type CornerSetup } from "../circuit/setup";
import { type Hookup } from "./hookup";
import { instrumentWords } from "./instruments";
import { countTerminal } from "./count-terminal";
import { pointWords, ridesOnSupply } from "./instruction";
import { pointLabel } from "./words";

/** How an instrument is set and where each lead goes, one line each. */
export interface HookupCard {
  /** What is drawn: a meter with its selector, a scope, a clamp on loops, a lamp fed through the wire. */
  picture: "meter" | "scope" | "clamp" | "lamp";
  dial: string;
  sockets: string;
  leads: Lead[];
}

/** Where one lead goes: in words, by its place, and by pin, colour and count where the pin map knows them. */
export interface Lead {
  colour: "red" | "black";
  where: string;
  short: string;
  terminal: string | null;
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

/**
 * Coupling and range by what stands at the point: a ripple on the supply, two levels of a volt or so, a pull-up's whole
 * swing, or the volts of a coil. Three turns of a hand spin take 3 s; the shape of a pulse 20 ms a division.
 */
function scopeSetting(setup: CornerSetup, probe: Point): string {
  const { family, pullUpV } = setup;
  const range =
    family === "passive"
      ? t`AC or DC coupling, 0.5 V a division`
      : family === "active-3wire"
        ? t`DC coupling, ${(pullUpV ?? 12) > 6 ? 2 : 1} V a division`
        : ridesOnSupply(setup, probe)
          ? t`AC coupling, 0.2 V a division`
          : t`DC coupling, 0.5 V a division`;
  return t`${range}; 0.3 s a division for three turns, 20 ms for the shape; low-pass 10 kHz for a hand spin`;
}

/** The set-up of a measured hook-up; null for looks. */
export function hookupCard(hookup: Hookup, setup: CornerSetup): HookupCard | null {
  const set = DIALS[hookup.instrument];
  if (!set || !("red" in hookup)) return null;
  const leads = [leadOf("red", hookup.red, setup)];
  if ("black" in hookup) leads.push(leadOf("black", hookup.black, setup));
  const { instrument } = hookup;
  const picture =
    instrument === "scope" ? "scope" : instrument === "amps-dc" ? "clamp" : instrument === "lamp" ? "lamp" : "meter";
  const usual = hookup.instrument === "scope" ? scopeSetting(setup, hookup.red) : set[0];
  const held = hookup.state.watched && instrument !== "scope";
  const dial = held ? t`${usual}, MIN/MAX hold on` : usual;
  return { picture, dial: `${instrumentWords[hookup.instrument]}: ${dial}`, sockets: set[1], leads };
}

function leadOf(colour: Lead["colour"], point: Point, setup: CornerSetup): Lead {
  return {
    colour,
    where: pointWords(point, setup),
    short: pointLabel(point),
    terminal: terminalOf(point, setup),
    face: faceOf(point, setup),
  };
}

function faceOf(point: Point, setup: CornerSetup): Lead["face"] {
  if (point.at !== "face") return null;
  const station = stationsOf(setup).find(({ station }) => station === point.station);
  const place = station?.face && countTerminal(station.face, station.pins?.[point.conductor]?.pin ?? "");
  return station?.face && place ? { ...station.face, ...place } : null;
}

/** Pin and colour of a point where the pin map knows them. */
function terminalOf(point: Point, setup: CornerSetup): string | null {
  if (point.at !== "face") return null;
  const own = stationsOf(setup).find(({ station }) => station === point.station)?.pins?.[point.conductor];
  if (!own || (!own.pin && !own.colour)) return null;
  return [own.pin && t`pin ${own.pin}`, own.colour].filter(Boolean).join(", ");
}
