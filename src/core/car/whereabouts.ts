import type { Suspectable } from "../faults/catalogue";
import type { Place } from "../faults/fault";
import type { Part } from "../faults/parts/parts";
import { type Wake } from "../faults/wake";
import { wakeChances } from "../faults/wakes";

/** Where the fault of a car sits, whether it comes and goes and what brings it on, as far as a look or a long watch can tell. */
export interface Whereabouts {
  place: Place;
  part: Part;
  comesAndGoes: boolean;
  /** It makes and breaks as it is moved, however steadily it seems to be there. */
  flickers: boolean;
  wakes: Record<Wake, number>;
  /** How often it shows while the sensor's own lead is bent. */
  byLead: number;
  /** The second fault of two. */
  and?: Whereabouts;
}

/** The whereabouts of one fault at one place. */
export function whereaboutsOf(
  { fault, place, of }: Pick<Suspectable, "fault" | "place" | "of">,
  comesAndGoes: boolean,
): Whereabouts {
  if (of) return { ...whereaboutsOf(of[0], comesAndGoes), and: whereaboutsOf(of[1], comesAndGoes) };
  return {
    place,
    part: fault.part,
    comesAndGoes,
    flickers: fault.flickers ?? false,
    wakes: wakeChances(fault),
    byLead: fault.byLead ?? 0,
  };
}

/** A hard fault that sits nowhere in particular. */
export const UNKNOWN_PLACE: Whereabouts = {
  place: { id: "none", share: 1 },
  part: "none",
  comesAndGoes: false,
  flickers: false,
  wakes: { bump: 0, turn: 0, wet: 0, heat: 0 },
  byLead: 0,
};
