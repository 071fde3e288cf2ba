import type { Point } from "../circuit/point";
import { spansOf, type CornerSetup } from "../circuit/setup";
import type { CircuitState } from "../circuit/state";
import { stationWords } from "../faults/places";
import { conductorWord } from "../faults/wire-faults";
import { t } from "../words/words";
import { instrumentWords, type Hookup } from "./hookup";
import { MOTION, wiggledLabel } from "./words";

/** What to do, in one sentence a person can follow without looking anything up. */
export function instruction(hookup: Hookup, setup: CornerSetup): string {
  if ("look" in hookup) return lookSentence(hookup.look);
  const before = stateSentence(hookup.state);
  const red = pointWords(hookup.red, setup);
  if (hookup.instrument === "amps-dc")
    return t`${before} Fit a jumper looped ${CLAMP_LOOPS} times through the clamp between the two faces, ${red}. Divide what it shows by ${CLAMP_LOOPS}.`;
  if (hookup.instrument === "lamp" && hookup.red.at === "face" && hookup.black.at === "face")
    return t`${before} Feed fused 12 V into ${red} and hang the test lamp from ${pointWords(hookup.black, setup)} to battery −.`;
  if (hookup.instrument === "scope")
    return t`${before} Scope, DC-coupled: probe on ${red}, its ground at the same connector. Record at least three turns.`;
  const meter = t`Meter on ${instrumentWords[hookup.instrument]}: red on ${red}, black on ${pointWords(hookup.black, setup)}.`;
  if (hookup.instrument === "capacitance") return `${before} ${meter} ${NULLED}`;
  return `${before} ${meter}${hookup.state.watched ? ` ${WATCH}` : ""}`;
}

const NULLED = t`Null it first, leads apart, hands off: it counts the metres both wires are whole.`;
const WATCH = t`MIN/MAX hold on, five minutes: move the loom and bounce the corner. Type the value it jumped to, or the steady one if it never did.`;

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
  if ("look" in hookup && hookup.look === "fuse-out")
    list.push(t`Private ground only, no traffic; never leave the fuse out.`);
  else if (state.wheel === "driven")
    list.push(t`Drive where it is safe, a helper reading the screen. Not in traffic with ABS out of action.`);
  if (state.wheel === "hand" || state.wheel === "creep" || ("look" in hookup && RAISED.has(hookup.look)))
    list.push(t`Rated stands on firm level ground, other wheels chocked. Never under a jack alone.`);
  if (state.wheel === "hand") list.push(t`Hands, sleeves and leads clear of the spinning hub.`);
  if (state.batteryOff)
    list.push(
      t`Memory and radio codes first. Battery negative off before a module plug or ohms. Airbag and orange cables are not for this job.`,
    );
  if (state.unplugged.includes("module") && !state.batteryOff)
    list.push(t`Battery negative off while the module plug is undone or joined; on again only for this reading.`);
  if ("red" in hookup && [hookup.red, "black" in hookup ? hookup.black : hookup.red].some(({ at }) => at === "span"))
    list.push(t`Pierce once, away from bends; seal the hole. Eye protection.`);
  if ("red" in hookup && state.unplugged.length === 0 && state.key === "on")
    list.push(
      t`Back-probe beside the wire seal; do not spread the terminal. No lamp or jumper into a connected module.`,
    );
  if ("look" in hookup && (hookup.look === "swap" || hookup.look === "face" || hookup.look === "magnet"))
    list.push(
      t`A seized sensor can break on its way out. Pry gently at the metal, never at the plastic. No dry blowing of brake dust.`,
    );
  if ("look" in hookup && hookup.look === "bearing")
    list.push(t`A bearing with play can let the wheel go: do not drive.`);
  return list;
}

/** A clamp is too coarse for 7 and 14 mA; six loops make 42 and 84 of them (common practice, no source). */
const CLAMP_LOOPS = 6;
const RAISED = new Set([
  "bearing",
  "ring",
  "encoder",
  "foot",
  "face",
  "swap",
  "sensor",
  "magnet",
  "count",
  "which",
  "gap",
  "runout",
  "other-side",
]);
function lookSentence(look: string): string {
  const sentences: Record<string, string> = {
    wiring: t`Follow the wire by eye and hand along its clips, sensor to frame rail: chafe, stretch, melt, old repairs.`,
    ring: t`Wheel off, turn the hub slowly and look at the whole ring: teeth gone, cracks, packed rust.`,
    encoder: t`Wheel off, lay the viewing film on the encoder and turn the hub once: even stripes, a gap, or none.`,
    foot: t`Wheel off, look under the sensor foot: flat in its seat, lifted by rust, or loose to the finger.`,
    face: t`Draw the sensor and look at its face: rubbed, slanted, iron dust.`,
    bearing: t`Wheel raised: rock it at 12–6 and 3–9, then again with a helper on the brake.`,
    tyres: t`Read all four tyre sizes and wear.`,
    swap: t`Change the sensor over with the other side's, clear, drive, and see where the fault is now.`,
    sensor: t`Wheel off: try to rock and turn the sensor in its seat by hand.`,
    magnet: t`Sensor drawn, still plugged in, key on: pass a small magnet (encoder) or a steel blade (toothed ring) across its tip and watch the output.`,
    count: t`Wheel off: mark one tooth and count once round, or count the poles under film.`,
    gap: t`Wheel off: feeler gauge, non-magnetic, between sensor tip and ring; the widest leaf that slides, in mm.`,
    runout: t`Dial gauge on the ring, turn the hub once: highest less lowest, in mm.`,
    others: t`Scan tool: do the other corners show good speeds and no codes?`,
    which: t`Wheel raised, spin this wheel alone by hand and see which corner's live speed answers.`,
    steering: t`On dry, private ground stop gently from 20 km/h: does the pedal buzz and the car pull to the other side?`,
    "fuse-out": t`On private ground only: pull the ABS fuse, stop gently from 20 km/h, put the fuse back. Is the pull or buzz gone?`,
    "other-side": t`Both wheels raised, key on, spun alike one turn a second: the same capture here and at the other side's plug. Lay one over the other.`,
    "wake-bump": t`Back-probed and watched, key on: push the corner down hard and let it bounce, then tap the loom. Does the reading jump?`,
    "wake-turn": t`Back-probed and watched, key on: steer slowly from lock to lock. Does the reading jump?`,
    "wake-wet": t`Back-probed and watched, key on: mist the plugs and the loom with salt water, module apart. Does the reading jump?`,
    "wake-heat": t`Back-probed and watched, key on: warm the sensor and its lead with hot air, as warm as a hand bears. Does the reading jump?`,
    speed: t`Drive to 30 km/h and coast to a stop while watching this corner's live speed beside the others.`,
  };
  const wiggled = /^wiggle-(.+)$/.exec(look)?.[1];
  if (wiggled)
    return t`Back-probed and watched, key on: bend and tug ${wiggled.startsWith("span") ? t`the loom along ${wiggledLabel(wiggled)}` : t`the ${stationWords(wiggled)}`}. Does the reading jump?`;
  return (
    sentences[look] ??
    t`Open your eyes before the plug: look at the ${stationWords(look)} for bloom, water, a broken latch, backed-out terminals.`
  );
}

function stateSentence(state: CircuitState): string {
  const parts = [state.key === "on" ? t`Key on, engine off` : t`Key off`];
  if (state.batteryOff) parts.push(t`battery negative off`);
  parts.push(
    state.unplugged.length
      ? t`${state.unplugged.map(stationWords).join(t` and `)} unplugged`
      : t`everything plugged in`,
  );
  if (state.wheel !== "still")
    parts.push(state.wheel === "hand" ? t`wheel raised and spun by hand, one turn a second` : MOTION[state.wheel]);
  return `${parts.join(", ")}.`;
}
