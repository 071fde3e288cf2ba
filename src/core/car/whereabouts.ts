import type { Place } from "../faults/fault";

/** Where the fault of a car sits and whether it comes and goes, as far as a look or a long watch can tell. */
export interface Whereabouts {
  place: Place;
  sensorAtFault: boolean;
  comesAndGoes: boolean;
}
