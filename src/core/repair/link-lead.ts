import { t } from "../words/words";
import { spansOf, type CornerSetup, type Span } from "../circuit/setup";
import { battery, stands, type RepairPlan } from "../faults/repair-words";

/** The span a fault sits in, by its place as suspects have it (`span2.return`); null where it is in none. */
export function spanAt(setup: Pick<CornerSetup, "path">, place: string | undefined): Span | null {
  const number = /^span(\d+)(?:\.|$)/.exec(place ?? "")?.[1];
  return (number && spansOf(setup)[Number(number) - 1]) || null;
}

/** A lead with a plug at each end comes as a part: nothing is spliced in it (common practice, no source). Prices are judgement. */
export const linkLeadPlan: RepairPlan = {
  get title() {
    return t`Renew the link lead`;
  },
  get steps() {
    return [
      battery(),
      t`Unplug both its ends and note how it runs and where it is clipped.`,
      t`Look into both plugs it leaves: water or green there outlives the new lead.`,
      t`Lay the new one the same way, every clip used, slack for full lock and travel.`,
      t`Plug both ends until they click, tug each wire.`,
      t`Measure end to end and under a lamp again.`,
    ];
  },
  get newPart() {
    return [t`Same length, same plugs, seals there.`, t`Measured end to end on the bench before it goes in.`];
  },
  get cautions() {
    return [stands(), t`No splice in a lead that flexes with the wheel.`];
  },
  torques: [],
  partsCost: 45,
  labourMin: 40,
};
