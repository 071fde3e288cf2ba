import type { ModuleView } from "../../car/signal";
import type { CarCondition } from "../../faults/fault";
import type { Answer, Trace } from "../looks/look";

/** One car as a perfect eye sees it on the screen of a scope. */
export interface OnScreen {
  car: CarCondition;
  volts: Trace;
  view: ModuleView;
}

/** One thing a recording may show: all there is to know of it but how it is found among samples (see core/waveform). */
export interface FindingKind<Facts = never> {
  code: string;
  title: () => string;
  say: (facts: Facts) => string;
  /** It comes round with the ring. */
  ringLocked: boolean;
  /** Explains an oddity and is no fault. */
  innocent?: true;
  /** Its place among what the whole capture is called: the first that was found wins; without one it names no capture. */
  rank?: number;
  /** The word it is logged under. */
  answer?: Omit<Answer, "word">;
  /** Logged as another finding, or as clean. */
  as?: string;
  /** What the raster looks like with it, and what that means. */
  raster?: () => string;
  /** Whether a perfect eye has it before it in a capture of this car. */
  shows?: (seen: OnScreen) => boolean;
}
