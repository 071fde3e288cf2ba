import type { Hookup } from "../checks/hookup";
import { stationsOf } from "../circuit/setup";
import { readSimulatedCar } from "./simulated-reading";
import type { Job } from "../job/schema";

/** What a person would see at the simulated car, as a drawing is made of it. */
export type LookPicture =
  | {
      kind: "ring" | "film";
      pulses: number;
      /** First tooth and number of those gone; a cracked or packed tooth; null where whole. */
      missing: [first: number, count: number] | null;
      crack: number | null;
      debris: number | null;
      stripes: boolean;
    }
  | { kind: "plug"; terminals: number; bad: boolean }
  | { kind: "wire"; damaged: boolean }
  | { kind: "foot"; liftMm: number; loose: boolean }
  | { kind: "bearing"; play: boolean };

/** The tooth at which a packed or bent one is drawn when the car itself does not say. */
const SOME_TOOTH = 5;
const DRAWN_LIFT_MM = 2;

/**
 * The picture that goes with an answer at the simulated car: what the answer says, at the very tooth or terminal of this
 * car. A sign that was overlooked is not drawn.
 *
 * @param word the answer the simulated look gave
 * @returns null on a real job and for looks that have no picture
 */
export function lookPicture(job: Job, hookup: Hookup, word: string): LookPicture | null {
  const car = readSimulatedCar(job);
  if (!car || !("look" in hookup)) return null;
  const { ring } = car.condition;
  const { look } = hookup;
  if (look === "ring" || look === "encoder")
    return {
      kind: look === "ring" ? "ring" : "film",
      pulses: ring.pulses,
      missing: word === "missing" || (word === "gap" && ring.missing) ? goneTeeth(ring) : null,
      crack: word === "cracked" || (word === "gap" && !ring.missing) ? (ring.crack?.tooth ?? SOME_TOOTH) : null,
      debris: word === "debris" ? (ring.odd?.tooth ?? SOME_TOOTH) : null,
      stripes: word !== "no-stripes",
    };
  if (look === "wiring") return { kind: "wire", damaged: word === "damaged" };
  if (look === "foot") return { kind: "foot", liftMm: word === "lifted" ? DRAWN_LIFT_MM : 0, loose: word === "loose" };
  if (look === "bearing") return { kind: "bearing", play: word === "play" };
  if (stationsOf(job.setup).some(({ station }) => station === look))
    return { kind: "plug", terminals: job.setup.family === "active-3wire" ? 3 : 2, bad: word === "bad" };
  return null;
}

function goneTeeth({ missing }: { missing: { start: number; count: number } | null }): [number, number] {
  return missing ? [missing.start, missing.count] : [SOME_TOOTH, 1];
}
