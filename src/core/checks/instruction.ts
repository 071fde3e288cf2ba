import type { Point } from "../circuit/point";
import { spansOf, type CornerSetup } from "../circuit/setup";
import type { CircuitState } from "../circuit/state";
import { stationWords } from "../faults/places";
import { conductorWord } from "../faults/wire-faults";
import { t } from "../words/words";
import { isToggleTest, type Hookup } from "./hookup";
import { instrumentWords } from "./instruments";
import type { LookCaution } from "./looks/look";
import { lookOf } from "./looks/looks";
import { scopeReference } from "./scope-set-up";
import { motionWords } from "./words";

/** What to do, in one sentence a person can follow without looking anything up. */
export function instruction(hookup: Hookup, setup: CornerSetup): string {
  if ("look" in hookup) return lookOf(hookup.look).sentence();
  const before = stateSentence(hookup.state);
  const red = pointWords(hookup.red, setup);
  if (hookup.instrument === "amps-dc" && hookup.red.at === "face")
    return t`Key off, unplug the ${stationWords(hookup.red.station)}. Bridge every wire with fused 1 A jumpers, the ${conductorWord(hookup.red.conductor)} one ${CLAMP_LOOPS} times through the clamp; key on, divide by ${CLAMP_LOOPS}. Or a meter in series.`;
  if (hookup.instrument === "lamp" && hookup.red.at === "face" && hookup.black.at === "face")
    return t`${before} Feed fused 12 V into ${red} and hang the test lamp from ${pointWords(hookup.black, setup)} to battery −.`;
  if (hookup.state.recorded) return recordingSentence(hookup, setup);
  if (hookup.instrument === "scope")
    return t`${before} Scope: probe on ${red}, ${scopeReference(setup, hookup.red)}. Record at least three turns.`;
  const meter = t`Meter on ${instrumentWords[hookup.instrument]}: red on ${red}, black on ${pointWords(hookup.black, setup)}.`;
  if (hookup.instrument === "capacitance") return `${before} ${meter} ${NULLED()}`;
  if (isToggleTest(hookup)) return `${before} ${meter} ${TOGGLE()}`;
  if (hookup.instrument === "volts-ac" && setup.family === "passive") return `${before} ${meter} ${GHOST()}`;
  return `${before} ${meter}${hookup.state.watched ? ` ${WATCH()}` : ""}`;
}

const TOGGLE = () => t`Ten small steps: type both levels (0.84 / 1.68), or one level twice if it never changes.`;

const GHOST = () => t`Volts that stay once the wheel stands are the shop's mains on an open wire.`;
const NULLED = () => t`Null it first, leads apart, hands off: it counts the metres both wires are whole.`;
const WATCH = () =>
  t`MIN/MAX hold on, five minutes: move the loom and bounce the corner. Type the value it jumped to, or the steady one if it never did.`;

/** The same, for what is left on for hours. */
function recordingSentence(hookup: Exclude<Hookup, { look: unknown }>, setup: CornerSetup): string {
  const driven = t`Everything plugged in; the car driven for hours as when it fails, leads tied clear of wheel and exhaust.`;
  const red = pointWords(hookup.red, setup);
  if (hookup.instrument === "scope")
    return t`${driven} Scope or logger on ${red}, ${scopeReference(setup, hookup.red)}. Choose what the signal did at its worst. ${CAME()}`;
  return t`${driven} Recorder, or meter on ${instrumentWords[hookup.instrument]} with MIN/MAX hold: red on ${red}, black on ${pointWords(hookup.black, setup)}. Type the value it jumped to, or the steady one. ${CAME()}`;
}

/** What to read at the same time, by a second channel. */
export function besideInstruction(hookup: Hookup, setup: CornerSetup): string {
  if ("look" in hookup) return "";
  const red = pointWords(hookup.red, setup);
  return "black" in hookup
    ? t`At the same time, a second meter or channel: red on ${red}, black on ${pointWords(hookup.black, setup)}.`
    : t`At the same time, on a second channel: ${red}.`;
}

const CAME = () => t`Say whether the warning came meanwhile.`;

/** A point as said aloud: “the supply wire of connector C1, module side”. */
export function pointWords(point: Point, setup: CornerSetup): string {
  if (point.at === "body") return t`clean body metal`;
  if (point.at === "battery") return t`battery ${point.pole === "negative" ? "−" : "+"}`;
  if (point.at === "module")
    return t`the module's ${point.pin === "power" ? t`battery feed` : conductorWord("ground")} pin`;
  const wire = `${conductorWord(point.conductor)}`;
  if (point.at === "span") {
    const landmark = spansOf(setup)[point.span - 1]?.landmark;
    return t`${wire}, through the insulation ${point.percent} % along span ${point.span}${landmark ? ` (${landmark})` : ""}`;
  }
  const side =
    point.station === "module"
      ? point.face === "in"
        ? t`module pin`
        : t`wire side`
      : point.face === "in"
        ? t`module side`
        : t`sensor side`;
  return t`${wire} at the ${stationWords(point.station)}, ${side}`;
}

/** The cautions that apply to this hook-up and no others. */
export function cautions(hookup: Hookup): string[] {
  const list: string[] = [];
  const { state } = hookup;
  const own: ReadonlySet<LookCaution> = new Set("look" in hookup ? lookOf(hookup.look).cautions : []);
  if (own.has("private-ground"))
    list.push(
      t`Private ground only, no traffic; never leave the fuse out. Not at all where rear brake balance or the servo hang on it.`,
    );
  else if (state.recorded)
    list.push(
      t`Whoever drives does not look at the instrument. Nothing loose in the footwell; not in traffic with ABS out of action.`,
    );
  else if (state.wheel === "driven")
    list.push(t`Drive where it is safe, a helper reading the screen. Not in traffic with ABS out of action.`);
  if (state.wheel === "in-gear")
    list.push(
      t`Wheels turn by the engine: nobody near them, stands under a live axle, other wheels chocked, both driven wheels up. Stability control may brake the other wheel.`,
    );
  if (state.wheel === "hand" || state.wheel === "creep" || own.has("raised"))
    list.push(t`Rated stands on firm level ground, other wheels chocked. Never under a jack alone.`);
  if (state.wheel === "hand") list.push(t`Hands, sleeves and leads clear of the spinning hub.`);
  if (state.batteryOff)
    list.push(
      t`Memory and radio codes first. Battery negative off before a module plug or ohms. Airbag and orange cables are not for this job.`,
    );
  if (state.unplugged.includes("module") && !state.batteryOff)
    list.push(t`Battery negative off while the module plug is disconnected or joined; on again only for this reading.`);
  if ("red" in hookup && [hookup.red, "black" in hookup ? hookup.black : hookup.red].some(({ at }) => at === "span"))
    list.push(t`Pierce once, away from bends; seal the hole. Eye protection.`);
  if ("red" in hookup && hookup.instrument !== "amps-dc" && state.unplugged.length === 0 && state.key === "on")
    list.push(
      t`Back-probe beside the wire seal; do not spread the terminal. No lamp or jumper into a connected module.`,
    );
  if (own.has("sensor-out"))
    list.push(
      t`A seized sensor can break on its way out. Pry gently at the metal, never at the plastic. No dry blowing of brake dust.`,
    );
  if (own.has("salt-water"))
    list.push(t`Salted spray only, nothing at the module; rinse it off afterwards and let it dry.`);
  if (own.has("hot-air")) list.push(t`Hot-air gun away from fuel, brake hoses and the canister. No flame.`);
  if (own.has("moving-parts")) list.push(t`Hands, sleeves and leads clear of fans, belts and the turning wheel.`);
  if (own.has("play")) list.push(t`A bearing with play can let the wheel go: do not drive.`);
  return list;
}

/** A clamp is too coarse for 7 and 14 mA; six loops make 42 and 84 of them (common practice, no source). */
const CLAMP_LOOPS = 6;
function stateSentence(state: CircuitState): string {
  const parts = [state.key === "on" ? t`Key on, engine off` : t`Key off`];
  if (state.batteryOff) parts.push(t`battery negative off`);
  parts.push(
    state.unplugged.length
      ? t`${state.unplugged.map(stationWords).join(t` and `)} unplugged`
      : t`everything plugged in`,
  );
  if (state.wheel !== "still")
    parts.push(state.wheel === "hand" ? t`wheel raised and spun by hand, one turn a second` : motionWords(state.wheel));
  return `${parts.join(", ")}.`;
}
