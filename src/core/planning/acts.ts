import type { CornerSetup } from "../circuit/setup";
import { partOf, type ActId, type Part } from "../faults/parts/parts";
import { cheapestFirst } from "./act-or-measure";
import { LABOUR_RATE } from "../repair/usual-estimate";
import { spanAt } from "../repair/link-lead";
import { repairPlan } from "../repair/repair-plan";
import { LIKELY_SHARE, type PartShare, type Suspect } from "../verdict/suspects";
import { minutesToProof } from "./minutes-to-proof";
import { GATE_SHARE, type Proposal } from "./next-check";

/** Something that is done instead of measured: a repair, tried as a check. */
export interface Act {
  /** What kind of act it is, as files name it. */
  act: ActId;
  /** Its repair's title. */
  words: string;
  part: Part;
  /** The likeliest suspect it would mend. */
  suspect: Suspect;
  /** Part and labour, in local money (an estimate). */
  cost: number;
  minutes: number;
  /** Chance, in a hundred, that what it mends is at fault. */
  chancePct: number;
  /** Doing it now costs less on average than measuring on first. */
  now: boolean;
}

/** Parts dearer than this are not bought on a likelihood: they are fitted when proven. */
const TRIED_UP_TO = 40;
/** What takes nothing apart for good: done on a likelihood, where all else waits for its own readings. */
const HARMLESS: ReadonlySet<ActId> = new Set(["clean-reseat"]);
/** Under this share an act is not worth a line. */
const LEAST_SHARE = 0.05;

/**
 * Repairs as checks, the best chance for its cost first. One is worth doing now where it is likely as such and what it
 * wastes if it is the wrong one, (1 − p)·cost, is less than the measuring it spares if it is the right one, p·minutes.
 */
export function proposeActs(
  suspects: readonly Suspect[],
  parts: readonly PartShare[],
  proposals: readonly Proposal[],
  setup: Pick<CornerSetup, "path">,
  rate = LABOUR_RATE,
): Act[] {
  const byRepair = new Map<string, Act>();
  for (const suspect of suspects) {
    const { part, fault, place, share } = suspect;
    const { act } = partOf(part);
    if (!act) continue;
    const plan = repairPlan(fault, part, spanAt(setup, place));
    // A splice or a terminal mends one place; a new part mends all that was wrong with the old one.
    const where = part === "harness" || part === "connector" ? place.split(".")[0] : part;
    const key = `${act} ${where}`;
    const known = byRepair.get(key);
    // Two faults of one act, such as rust under a foot and a loose seat, are mended by the likelier one's plan.
    // Of a pair of them each has the pair's share: together no more than all there is.
    if (known) known.chancePct = Math.min(100, known.chancePct + 100 * share);
    else
      byRepair.set(key, {
        act,
        words: plan.title,
        part,
        suspect,
        cost: Math.round(plan.partsCost + (plan.labourMin / 60) * rate),
        minutes: plan.labourMin,
        chancePct: 100 * share,
        now: false,
      });
  }
  // What still lacks holds up no cheap repair where it was asked for, from the gate's share on, and no check is left to supply it.
  const isUnreadable = !proposals.some(({ needed }) => needed !== null);
  const toProof = (minutesToProof(parts, proposals) / 60) * rate;
  const worthALine = [...byRepair.values()].filter(({ chancePct }) => chancePct >= 100 * LEAST_SHARE);
  return cheapestFirst(
    worthALine,
    ({ chancePct }) => chancePct,
    ({ cost }) => cost,
  ).map((act) => {
    const chance = act.chancePct / 100;
    const isCheaper = (1 - chance) * act.cost < chance * toProof;
    const { fault, place } = act.suspect;
    const cheap = repairPlan(fault, act.part, spanAt(setup, place)).partsCost <= TRIED_UP_TO;
    const told = act.suspect.lacks.length === 0 || HARMLESS.has(act.act) || (isUnreadable && chance >= GATE_SHARE);
    // Less likely than that a repair is a guess, however cheap: guessing is what measuring is there to end.
    const likely = cheap && act.part !== "module" && chance >= LIKELY_SHARE && told;
    const now = act.suspect.verdict === "proven" || (likely && isCheaper);
    return { ...act, chancePct: Math.round(act.chancePct), now };
  });
}
