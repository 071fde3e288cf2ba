import { dice, type Dice } from "../dice";
import { recording, type Defect, type Goes, type Recording } from "../recordings";
import { ampsThrough, coilShare, levelsV, ohmsBetween, shown, type Corner } from "./meter";
import type { State } from "./netlist";
import type { Trouble } from "./trouble";

/** A check as the command proposes it. */
export interface Proposed {
  instrument: string;
  red?: string;
  black?: string;
  look?: string;
  state: State;
}

/** Names the finding of a recording: whoever drives this world brings the analysis. */
export type Analyse = (made: Recording) => string;

/** What a mechanic of middling care writes down for a check on this corner. */
export async function answer(
  corner: Corner,
  asked: Proposed,
  d: Dice,
  analyse: Analyse,
): Promise<Record<string, string>> {
  const there = d.chance(shownDuty(corner, asked));
  const said = asked.state.recorded ? whatCame(there, corner, d) : {};
  return { ...said, ...(await shownBy(corner, asked, there, d, analyse)) };
}

/** The same of two channels that were left on at one time: the fault came while both ran, or while neither did. */
export async function answerBoth(
  corner: Corner,
  asked: Proposed,
  other: Proposed,
  d: Dice,
  analyse: Analyse,
): Promise<Record<string, string>[]> {
  const there = d.chance(shownDuty(corner, asked));
  const said = asked.state.recorded ? whatCame(there, corner, d) : {};
  return [
    { ...said, ...(await shownBy(corner, asked, there, d, analyse)) },
    await shownBy(corner, other, there, d, analyse),
  ];
}

/** @param there whether the fault came, where it comes and goes */
async function shownBy(
  corner: Corner,
  asked: Proposed,
  there: boolean,
  d: Dice,
  analyse: Analyse,
): Promise<Record<string, string>> {
  const check = d.chance(WRONG_PIN) ? beside(corner, asked) : asked;
  const now: Corner = there ? corner : { make: corner.make, trouble: { ...HEALTHY, part: corner.trouble.part } };
  if (check.look !== undefined) return { value: await looked(now, corner, check.look, check.state, d) };
  if (check.instrument === "scope") return { finding: await captured(now, corner, check, d, analyse) };
  return { value: await measured(now, check, d) };
}

/** Two of three say whether the lamp came on while they drove; some lamps are overlooked, and some are another fault's. */
function whatCame(there: boolean, { trouble }: Corner, d: Dice): Record<string, string> {
  if (!d.chance(0.66)) return {};
  return { meanwhile: d.chance(there && trouble.part !== "none" ? 0.93 : 0.03) ? "came" : "stayed-away" };
}

const WRONG_PIN = 0.015;
const HEALTHY: Trouble = { part: "none", says: "", signs: {}, duty: 1 };

/** What comes and goes is there for its share of the time; longer waiting catches it more often, hours of driving oftenest. */
function shownDuty({ trouble }: Corner, { state, instrument }: Proposed): number {
  if (trouble.duty === 1) return 1;
  if (state.recorded) return 1 - (1 - trouble.duty) ** 14;
  return state.watched || instrument === "scope" ? 1 - (1 - trouble.duty) ** 4 : trouble.duty;
}

/** The probe one terminal over. */
function beside({ make }: Corner, check: Proposed): Proposed {
  const wire = make.wires.find((one) => check.red?.endsWith(`.${one}`));
  if (!wire) return check;
  const other = make.wires[(make.wires.indexOf(wire) + 1) % make.wires.length]!;
  const red = check.red!.slice(0, -wire.length) + other;
  return red === check.black ? check : { ...check, red };
}

async function measured(
  corner: Corner,
  { instrument, red = "", black = "", state }: Proposed,
  d: Dice,
): Promise<string> {
  const { make } = corner;
  if (instrument === "ohms") return shown(await ohmsBetween(corner, red, black, state), "Ω", d);
  if (instrument === "continuity")
    return (await ohmsBetween(corner, red, black, state)) < d.between(20, 50) ? "beep" : "no-beep";
  if (instrument === "lamp") {
    const amps = 12 / (46 + (await ohmsBetween(corner, red, black, state)));
    return amps > 0.17 ? "bright" : amps > 0.06 ? "dim" : "off";
  }
  if (instrument === "amps-dc") {
    const [station, , wire] = red.split(".") as [string, string, string];
    return pair(await ampsThrough(corner, station, wire, state), "A", corner, state, d);
  }
  const turns = state.wheel === "hand" ? d.between(0.75, 1.25) : state.wheel === "driven" ? 4.3 : 0;
  if (instrument === "volts-ac") return shown(await alternatingV(corner, red, black, state, turns), "V", d);
  if (instrument === "hertz" || instrument === "duty") return rhythm(corner, instrument, red, black, state, turns, d);
  return pair(await levelsV(corner, red, black, state), "V", corner, state, d);

  function rhythm(
    at: Corner,
    kind: string,
    a: string,
    b: string,
    how: State,
    perSecond: number,
    dd: Dice,
  ): Promise<string> {
    return alternatingV(at, a, b, how, perSecond).then(async (volts) => {
      // A counter counts the mains on a wire that floats.
      if (volts > 0.06 && (await strayV(at, a, b, how)) > 0.7 * volts) return kind === "duty" ? "50 %" : "50.0 Hz";
      const kept = 1 - (at.trouble.lost ?? 0) - (at.trouble.ring === "missing" ? 2 / make.poles : 0);
      if (volts < 0.06 || kept < 0.1 || at.trouble.sensor === "chattering")
        return "0 " + (kind === "duty" ? "%" : "Hz");
      if (kind === "duty") return make.widthCoded ? "3 %" : `${dd.between(46, 54).toFixed(0)} %`;
      return shown(perSecond * make.poles * kept * (make.widthCoded ? 2 : 1), "Hz", dd);
    });
  }
}

/** AC volts of a turning wheel. A hand turns it at about a turn a second. */
async function alternatingV(corner: Corner, red: string, black: string, state: State, turns: number): Promise<number> {
  const { make, trouble } = corner;
  const turned = trouble.ring === "absent" ? 0 : turns;
  if (make.family === "passive") {
    const made = (await coilShare(corner, red, black, state)) * make.voltsPerTurn * turned * (trouble.amplitude ?? 1);
    return Math.hypot(made, await strayV(corner, red, black, state));
  }
  if (turned === 0 || trouble.sensor === "stuck" || (trouble.lost ?? 0) >= 1 || state.key === "off") return 0;
  const [low, high] = await levelsV(corner, red, black, state);
  return (Math.abs(high - low) / 2) * (make.widthCoded ? 0.25 : Math.sqrt(1 - (trouble.lost ?? 0)));
}

/** AC volts of the mains on what floats: a current through the air, into the ohms there and the meter's ten megohms. */
async function strayV(corner: Corner, red: string, black: string, state: State): Promise<number> {
  if (corner.make.family !== "passive") return 0;
  return corner.make.strayA / (1e-7 + 1 / Math.max(1, await ohmsBetween(corner, red, black, state)));
}

/** A level, or both as the wheel is turned by hand: "0.84 / 1.68 V", as people write a toggle. */
function pair(
  [low, high]: [number, number],
  unit: string,
  { make, trouble }: Corner,
  { wheel, key }: State,
  d: Dice,
): string {
  const dead = make.family === "passive" || key === "off" || trouble.ring === "absent" || (trouble.lost ?? 0) >= 1;
  const apart = Math.abs(high - low) > 0.015 * (unit === "A" ? 0.1 : 1);
  if (!apart || trouble.sensor === "stuck" || dead) {
    const stuckHigh =
      trouble.sensor === "stuck" ? trouble.stuckHigh : dead && make.family !== "passive" && d.chance(0.3);
    return shown(apart && stuckHigh ? high : low, unit, d);
  }
  if (trouble.sensor === "chattering") return shown(d.pick([low, high, (low + high) / 2]), unit, d);
  if (make.widthCoded) return shown(low + 0.03 * (high - low), unit, d);
  if (wheel === "still") return shown(d.chance(0.5) ? low : high, unit, d);
  if (wheel === "creep") {
    if (d.chance(0.75)) return `${shown(low, unit, d)} / ${shown(high, unit, d)}`;
    return shown(d.chance(0.5) ? low : high, unit, d);
  }
  return shown((low + high) / 2, unit, d);
}

/** What the module makes of this corner: its own pins decide. */
export async function moduleSees(
  corner: Corner,
): Promise<"follows" | "zero" | "drops-out" | "cuts-low" | "ratio-off" | "erratic"> {
  const { make, trouble } = corner;
  const state: State = { key: "on", unplugged: [], batteryOff: false, wheel: "hand" };
  if (trouble.inputDead || trouble.driverDead || trouble.ring === "absent" || (trouble.lost ?? 0) >= 1) return "zero";
  if ((trouble.feedOhms ?? 0) > 25 || (trouble.groundOhms ?? 0) > 25) return "zero";
  if (trouble.sensor === "chattering" || trouble.sensor === "leaking") return "erratic";
  if (trouble.sensor === "stuck") return "zero";
  const pin = `module.in.${make.wires[make.family === "active-3wire" ? 2 : make.family === "passive" ? 0 : make.sense === "low" ? 1 : 0]}`;
  if (make.family === "passive") {
    const peakPerTurn =
      Math.SQRT2 * make.voltsPerTurn * (trouble.amplitude ?? 1) * (await coilShare(corner, pin, "module.in.b", state));
    const dropOutKmh = (7 * make.thresholdV) / Math.max(peakPerTurn, 1e-9);
    if (dropOutKmh > 30) return "zero";
    if (dropOutKmh > 5.5) return "cuts-low";
  } else {
    const [low, high] = await levelsV(corner, pin, "module.in.earth", state);
    if (make.family === "active-3wire") {
      if (Math.min(low, high) > 0.33 * make.pullUpV || Math.max(low, high) < 0.6 * make.pullUpV) return "zero";
    } else {
      const amps = (volts: number) =>
        make.sense === "low" ? volts / make.senseOhms : (make.feedV - volts) / (make.senseOhms + make.feedOhms);
      if (!(amps(high) > 0.0105 && amps(high) < 0.022 && amps(low) < 0.0095 && amps(low) > 0.003)) return "zero";
    }
  }
  if (trouble.loose || (trouble.lost ?? 0) > 0.02) return "drops-out";
  if (trouble.ratio) return "ratio-off";
  return trouble.ring ? "erratic" : "follows";
}

/** Looks by what is there to be seen; each eye misses its share, and now and then sees what is not there. */
async function looked(now: Corner, real: Corner, look: string, state: State, d: Dice): Promise<string> {
  const { signs } = real.trouble;
  const seen = (sign: string, falsely: number) => d.chance(signs[sign] ?? falsely);
  const intermittent = real.trouble.duty < 1;
  switch (look) {
    case "speed": {
      const word = await moduleSees(now);
      return intermittent && word === "zero" ? "drops-out" : word;
    }
    case "others":
      return seen("others:several", 0.04) ? "several" : "only-this";
    case "other-supply":
      return seen("others:several", 0.02) ? d.pick(["low", "low", "none"]) : "good";
    case "wiring":
      return seen("wiring:damaged", 0.06) ? "damaged" : "sound";
    case "bearing":
      return seen("bearing:play", 0.03) ? "play" : "tight";
    case "foot":
      return seen("foot:lifted", 0.06) ? "lifted" : seen("foot:loose", 0.01) ? "loose" : "seated";
    case "sensor":
      return seen("sensor:rocks", 0.03) ? "rocks" : "firm";
    case "ring":
      return seen("ring:missing", 0.01)
        ? "missing"
        : seen("ring:cracked", 0.01)
          ? "cracked"
          : seen("ring:debris", 0.04)
            ? "debris"
            : "intact";
    case "encoder":
      return seen("encoder:no-stripes", 0.01) ? "no-stripes" : seen("encoder:gap", 0.01) ? "gap" : "whole";
    case "face":
      return seen("face:debris", 0.06) ? "debris" : "clean";
    case "tyres":
      return seen("tyres:different", 0.02) ? "different" : "alike";
    case "count":
      return "as-listed";
    case "drag-test":
      return seen("drag-test:loose", 0.04) ? "loose" : "grips";
    case "gap":
      return `${gapMm(real, d).toFixed(2)} mm`;
    case "runout":
      return `${(real.trouble.ring === "eccentric" ? d.between(0.3, 0.9) : d.between(0.02, 0.12)).toFixed(2)} mm`;
    case "magnet":
      return (await moduleSees({ ...now, trouble: { ...now.trouble, ring: undefined, lost: undefined } })) === "zero"
        ? "no-change"
        : "switches";
    case "which":
      return (await moduleSees(now)) === "zero" ? "none" : "this";
    case "swap":
      return real.trouble.part === "sensor"
        ? d.chance(0.95)
          ? "follows"
          : "stays"
        : ["connector", "mounting"].includes(real.trouble.part) && d.chance(0.4)
          ? "vanished"
          : "stays";
    case "other-side":
      return beside2(now, state, d);
    case "steering":
    case "fuse-out": {
      const word = await moduleSees(now);
      const acts = word === "cuts-low" || word === "drops-out";
      return look === "steering"
        ? acts && d.chance(0.7)
          ? "pulls"
          : "straight"
        : acts
          ? "gone"
          : d.pick(["gone", "stays"]);
    }
    default:
      return watchedLook(real, look, d) ?? (seen(`${look}:bad`, 0.06) ? "bad" : "clean");
  }
}

/** Feeler blades find the gap as it stands; one that loses every pole is wider than one that loses some. */
function gapMm({ make, trouble }: Corner, d: Dice): number {
  if (make.family === "passive")
    return trouble.signs["gap:wide"]
      ? 0.5 + 0.9 * Math.log10(1 / trouble.amplitude!) + d.between(0, 0.3)
      : d.between(0.25, 0.55);
  if (!trouble.signs["gap:wide"]) return d.between(0.6, 1.6);
  return 1.5 + 1.3 * trouble.lost! + d.between(0, 0.6);
}

/** A place moved by hand, or the corner bounced, steered, wetted, warmed, while a reading is watched. */
function watchedLook({ make, trouble }: Corner, look: string, d: Dice): string | null {
  const reseated = /^reseat-(.+)$/.exec(look)?.[1];
  if (reseated) return reseats(trouble, make.stations, reseated, d);
  const moved = /^(?:wiggle|wake)-(.+)$/.exec(look)?.[1];
  if (!moved) return null;
  // A sensor's wire breaks where it leaves the body or is clipped; a tug at it reaches its plug now and then.
  if (moved === "lead") {
    const inLead = trouble.part === "sensor" && ["open", "short"].includes(trouble.sensor ?? "");
    const atPlug = trouble.series?.station === make.stations.length - 1;
    const shows = inLead ? 0.6 : atPlug ? 0.2 : 0;
    return d.chance(Math.max(0.03, trouble.duty < 1 ? shows : shows / 4)) ? "jumps" : "steady";
  }
  if (look.startsWith("wake-"))
    return d.chance(trouble.duty < 1 ? 0.3 : trouble.loose ? 0.3 : 0.03) ? "jumps" : "steady";
  const station = trouble.series?.station ?? trouble.leak?.station;
  const span = trouble.series?.span ?? trouble.leak?.span;
  const here =
    (station !== undefined && make.stations[station]!.station === moved) ||
    (span !== undefined && `span${span + 1}` === moved);
  return d.chance(here && trouble.duty < 1 ? 0.8 : here ? 0.15 : 0.03) ? "jumps" : "steady";
}

/** A plug cleaned, dried and pushed home: water and green terminals are cured, spread ones now and then. */
function reseats(trouble: Trouble, stations: readonly { station: string }[], at: string, d: Dice): "gone" | "still" {
  if (trouble.duty < 1) return d.chance(1 - trouble.duty) ? "gone" : "still";
  const station = trouble.series?.station ?? trouble.leak?.station;
  if (station === undefined || stations[station]!.station !== at) return d.chance(0.015) ? "gone" : "still";
  const cured = trouble.leak ? 0.85 : trouble.series!.ohms > 1e6 ? 0.3 : 0.75;
  return d.chance(cured) ? "gone" : "still";
}

async function beside2(corner: Corner, state: State, d: Dice): Promise<string> {
  const finding = await expected(corner, "plug.out", state);
  if (finding === "flat") return "none";
  const { make, trouble } = corner;
  const share =
    make.family === "passive"
      ? (await coilShare(corner, "plug.out.a", "plug.out.b", state)) * (trouble.amplitude ?? 1)
      : 1;
  if (share < 0.62) return "weaker";
  if (finding === "low-amplitude") return "alike";
  return finding === "clean" || finding === "eccentric" ? "alike" : d.chance(0.9) ? "different" : "alike";
}

/** What a perfect eye would see on a scope at a place. */
async function expected(corner: Corner, place: string, state: State, asked?: string): Promise<string> {
  const { make, trouble } = corner;
  const own =
    make.wires[make.family === "active-3wire" ? 2 : make.family === "passive" ? 0 : make.sense === "low" ? 1 : 0]!;
  // Two wires are recorded where the probe stands, whichever of them the module senses.
  const wire = make.family === "active-2wire" && asked ? asked : own;
  if (wire !== own) {
    const [low, high] = await levelsV(corner, `${place}.${wire}`, "battery.negative", state);
    if (Math.abs(high - low) < 0.05) return "flat";
  }
  if (trouble.sensor === "chattering" || trouble.sensor === "leaking") return "noise-at-rest";
  if (trouble.sensor === "stuck" || trouble.ring === "absent" || (trouble.lost ?? 0) >= 1) return "flat";
  if (make.family === "passive") {
    const left = (await coilShare(corner, `${place}.a`, `${place}.b`, state)) * (trouble.amplitude ?? 1);
    if (left * make.voltsPerTurn < 0.012) return "flat";
    if (left * make.voltsPerTurn < 0.2 && !(trouble.ring && trouble.ring !== "eccentric")) return "low-amplitude";
  } else {
    const [low, high] = await levelsV(corner, `${place}.${wire}`, "battery.negative", state);
    if (Math.abs(high - low) < 0.05) return "flat";
  }
  if (trouble.ring === "missing") return "missing-pulses";
  if (trouble.ring === "cracked") return "cracked-ring";
  if (trouble.ring === "odd") return make.family === "passive" ? "odd-tooth" : "clean";
  if (trouble.loose || (trouble.lost ?? 0) > 0.02) return "random-dropout";
  return trouble.ring === "eccentric" ? "eccentric" : "clean";
}

/** A spin recorded at the point and analysed by the program; what it cannot draw is judged by eye. */
async function captured(
  now: Corner,
  real: Corner,
  { red = "", state }: Proposed,
  d: Dice,
  analyse: Analyse,
): Promise<string> {
  const place = red.split(".").slice(0, 2).join(".");
  const wire = red.split(".")[2];
  // A wire without a signal has none to lose: the return of a module that senses the current it feeds.
  if ((await expected({ make: real.make, trouble: HEALTHY }, place, state, wire)) === "flat") return "flat";
  const seen = await expected(now, place, state, wire);
  const came = await expected(real, place, state, wire);
  const finding = real.trouble.duty < 1 && now.trouble.says !== "" && came !== "clean" ? "random-dropout" : seen;
  if (finding === "flat" || (finding === "eccentric" && d.chance(0.6))) return finding;
  const { make } = real;
  const defect = (finding === "eccentric" ? "clean" : finding) as Defect;
  if (make.family !== "passive" && finding === "noise-at-rest") return finding;
  const onFeed = make.family === "active-2wire" && wire === "supply";
  const goes = make.family === "passive" ? "down" : await levelGoes(real, red, state);
  return analyse(
    recording(d.whole(0, 1e8), { defect, sensor: make.family, goes, ...(onFeed ? { overV: make.feedV } : {}) }),
  );
}

/** Where a wire's level is while the fault is there, by the network: at one of a good sensor's two, under both, or over both. */
async function levelGoes(corner: Corner, red: string, state: State): Promise<Goes> {
  const [one, other] = await levelsV({ make: corner.make, trouble: HEALTHY }, red, "battery.negative", state);
  const [low, high] = await levelsV(corner, red, "battery.negative", state);
  const [least, most] = [Math.min(one, other), Math.max(one, other)];
  // Still switching, it is lost for its poles.
  if (Math.abs(high - low) > 0.3 * (most - least)) return "nowhere";
  const clear = 0.5 * (most - least);
  const up = low > most + clear;
  const down = low < least - clear;
  const onFeed = corner.make.family === "active-2wire" && red.endsWith(".supply");
  // Drawn upside down there: more current is less volts.
  return up ? (onFeed ? "down" : "up") : down ? (onFeed ? "up" : "down") : "nowhere";
}

/** Dice of one car. */
export function carDice(seed: number): Dice {
  return dice(seed * 104_729 + 7);
}
