import { t } from "../words/words";
import { effectWords, type Fault } from "../faults/fault";
import { partLabel, parts } from "../faults/parts/parts";
import { usualCodeRatios, type CodeRatio } from "./codes-ratio";
import { presenceRatios } from "./complaint-weight";
import { ratioEntries, type RatioEntry } from "./ratio";
import { recentWorks } from "./recent-works";
import { symptoms } from "./symptoms/symptoms";

/** The numbers behind one answer of the complaint, all of them engineering judgement. */
export interface RatioGroup {
  answer: string;
  entries: RatioEntry[];
}

/** Every number by which a complaint weighs faults, answer by answer. */
export function ratioTable(): RatioGroup[] {
  return [
    {
      answer: t`codes`,
      entries: Object.entries(usualCodeRatios).map(([name, usual]) => ({
        name,
        meant: [CODE_WORDS[name as CodeRatio]()],
        usual,
      })),
    },
    { answer: t`comes and goes`, entries: ratioEntries("intermittent", presenceRatios) },
    ...symptoms.map(({ id, say, ratios }) => ({ answer: say(), entries: ratioEntries(id, ratios) })),
    ...recentWorks.map(({ id, say, ratios }) => ({ answer: say(), entries: ratioEntries(`work-${id}`, ratios) })),
  ].filter(({ entries }) => entries.length > 0);
}

/** What a row is meant for, in words: a part, what the module would complain of, a fault, or what wakes it. */
export function meantWords(meant: string): string {
  const own: Record<string, () => string> = {
    "encoder-reversed": () => t`encoder on the wrong side`,
    "mounting-unseated": () => t`sensor not pushed home`,
    "mounting-loose": () => t`sensor loose in its seat`,
    "ring-count": () => t`wrong ring count`,
    "terminal-open": () => t`terminal open`,
    "terminals-crossed": () => t`wires crossed`,
    "corners-swapped": () => t`plugs of two corners changed over`,
    "tyre-size": () => t`wrong tyre size`,
    "battery-low": () => t`battery low`,
    bump: () => t`woken by bumps`,
    turn: () => t`woken by steering`,
    wet: () => t`woken by water`,
    heat: () => t`woken by heat`,
  };
  const part = parts.find((one) => one === meant);
  if (part) return partLabel(part);
  return effectWords[meant as Fault["effect"]] ?? own[meant]?.() ?? meant;
}

const CODE_WORDS: Record<CodeRatio, () => string> = {
  "code/match": () => t`the code names it`,
  "code/near": () => t`the code is near it`,
  "code/far": () => t`the code is far from it`,
  "code/history": () => t`power of a stored code`,
  "codes/shared": () => t`several corners, shared cause`,
  "codes/swapped": () => t`several corners, plugs changed over`,
  "codes/own": () => t`several corners, own cause`,
};
