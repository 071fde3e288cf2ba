import type { Point } from "../circuit/point";
import type { CircuitState } from "../circuit/state";
import { t } from "../words/words";

/** A meter's own tip spreads terminals: a fine probe goes in beside the seal, a fine pin into an open plug. */
export type LeadEnd = "back-probe" | "fine-pin" | "piercing-probe" | "clip";

/** As said beside the drawing. */
export const leadEndWords: Readonly<Record<LeadEnd, string>> = {
  get "back-probe"() {
    return t`fine probe, slid in from the back`;
  },
  get "fine-pin"() {
    return t`fine pin, never a meter's own tip`;
  },
  get "piercing-probe"() {
    return t`piercing probe; seal the place after`;
  },
  get clip() {
    return t`clip`;
  },
};

/** What a lead ends in at a point (common practice): a plug that is joined is probed from behind, an open one from the front. */
export function leadEndAt(point: Point, { unplugged }: CircuitState): LeadEnd {
  if (point.at === "face") return unplugged.includes(point.station) ? "fine-pin" : "back-probe";
  if (point.at === "module") return "back-probe";
  return point.at === "span" ? "piercing-probe" : "clip";
}
