import { t } from "../words/words";
import { spansOf, type CornerSetup } from "../circuit/setup";
import { conductorWord } from "../faults/wire-faults";
import { linkLeadPlan } from "../repair/link-lead";
import type { SpanSuspicion } from "./break-place";

/** Joints of one pair are set apart by at least this, so that two never lie side by side (common practice, no source). */
const STAGGER_MM = 40;

/** How to mend the wire where the damage most likely is. */
export function splicePlan(
  setup: CornerSetup,
  { span, fromM, toM }: SpanSuspicion,
  conductors: readonly string[],
): string[] {
  const { landmark, mm2, linkLead } = spansOf(setup)[span]!;
  if (linkLead) return [...linkLeadPlan.steps];
  const where = t`span ${span + 1}${landmark ? ` (${landmark})` : ""}, ${fromM.toFixed(1)}–${toM.toFixed(1)} m from its module end`;
  return [
    t`Battery negative off. Open the loom at ${where}.`,
    t`Cut ${conductors.map(conductorWord).join(t` and `)} back to bright copper both ways; black strands go too.`,
    t`Splice in new wire of ${mm2} mm² with sealed heat-shrink joints; set the joints of neighbouring wires ${STAGGER_MM} mm apart.`,
    t`Keep the pair's twist, re-sleeve, and clip it clear of exhaust, springs and edges with slack for full travel.`,
    t`Seal every hole made on the way. Then repeat end to end, to ground and the lamp.`,
  ];
}
