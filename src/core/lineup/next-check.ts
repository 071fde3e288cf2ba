import { minutesFrom } from "../checks/access";
import { hookupKey, type Hookup } from "../checks/hookup";
import type { Check } from "../checks/catalogue";
import { PLANNING_STRIDE } from "./forecast";
import { HEALTHY } from "../faults/fault";
import type { Cloud } from "./kernel";
import type { LineUp, PlanningTable } from "./line-up";
import type { Policy } from "./policy";
import { costOf, type Scored } from "./check-cost";
import { isPlaceSought, minutesToPlace, rankForPlace } from "./place-search";
import { isGateCheck, moduleGatePassed, sharesByPart } from "./suspects";
import {
  informationTable,
  outcomesByCandidate,
  NEGLIGIBLE_SHARE,
  subsetWeights,
  type Outcomes,
  type Planning,
} from "./information";

export interface Proposal {
  check: Check;
  /** Expected information about which fault it is, in bits. */
  bits: number;
  /** Minutes from here, preparations already done left out. */
  minutes: number;
  /** Bits per minute, looking two checks ahead where it is the part that is sought. */
  worth: number;
  todo: Check["access"];
  /** Minutes expected from here until the place of damage is found; null where not asked for or the part is sought. */
  toPlaceMinutes: number | null;
}

/** What has been prepared already, and what the technician said cannot be done. */
export interface Progress {
  done: ReadonlySet<string>;
  skipped: ReadonlySet<string>;
}

/** A third look at the same thing is no longer proposed. */
const MOST_LOOKS = 2;
const SHORTLIST = 10;
/** A check that tells less is only shown when there is no other. */
export const LEAST_BITS = 0.01;

/**
 * The best next checks: expected information over faults per minute, two checks ahead, so that a set-up which
 * several checks share is charged once; or, where it is the place that is sought, by the minutes expected to it (see
 * place-search.ts). Checks not allowed now are left out.
 * @param foresee the minutes to the place are told too, which takes a second look ahead
 */
export function proposeChecks(
  lineUp: LineUp,
  policy: Policy,
  progress: Progress,
  { most = 6, foresee = false }: { most?: number; foresee?: boolean } = {},
): Proposal[] {
  // Watched again is a new chance to see an intermittent, and a second look may see what the first missed; a number
  // taken twice says little more than once.
  const taken = new Set(
    lineUp.weighed.flatMap(({ evidence: { hookup } }) => {
      const looks = lineUp.looks(hookup);
      return hookup.state.watched || (looks > 0 && looks < MOST_LOOKS) ? [] : [hookupKey(hookup)];
    }),
  );
  const allowed = lineUp.checks.filter(
    (check) => isAllowed(check, lineUp, policy) && !taken.has(check.id) && !progress.skipped.has(check.id),
  );
  if (allowed.length === 0) return [];
  const tables = lineUp.planningTables(allowed.map(({ hookup }) => hookup));
  const shares = lineUp.shares();
  const planning: Planning = {
    candidates: lineUp.candidates,
    shares,
    stride: PLANNING_STRIDE,
    within: subsetWeights(lineUp.candidates, PLANNING_STRIDE),
  };
  const score = (check: Check, { table, voices }: PlanningTable, clouds: readonly Cloud[]): Scored => {
    const information = informationTable(table, planning, voices, clouds);
    const cost = costOf(check, progress.done, policy);
    return { check, information, cost, bits: information.bits, worth: information.bits / cost };
  };
  const single = allowed.map((check, i) => score(check, tables[i]!, spreadsWidely(check.hookup) ? lineUp.clouds : []));
  if (shares.filter((share) => share > NEGLIGIBLE_SHARE).length <= FEW)
    sharpen(single, (i) => score(allowed[i]!, tables[i]!, lineUp.clouds));
  const sought = isPlaceSought(lineUp, shares);
  const shortlist = sought
    ? rankForPlace(single, planning, progress.done, policy)
    : rankByWorth(single, shares, progress.done, policy);
  const gate = gateIsDue(lineUp, shares) ? single.filter(({ check }) => isGateCheck(check.hookup)) : [];
  const rest = shortlist.filter((one) => !gate.includes(one));
  const telling = [...gate, ...rest.filter(({ bits }, i) => bits > LEAST_BITS || (i === 0 && gate.length === 0))];
  const toPlace =
    foresee && sought
      ? minutesToPlace(shortlist, planning, outcomesOf(allowed, tables, planning, lineUp.clouds), progress.done)
      : new Map<Check, number>();
  return telling.slice(0, most).map(({ check, bits, worth }) => {
    const todo = check.access.filter(({ id }) => !progress.done.has(id));
    const toPlaceMinutes = toPlace.get(check) ?? null;
    return { check, bits, worth, todo, minutes: minutesFrom(check, progress.done), toPlaceMinutes };
  });
}

function outcomesOf(
  checks: readonly Check[],
  tables: readonly PlanningTable[],
  planning: Planning,
  clouds: readonly Cloud[],
): (check: Check) => Outcomes {
  const tableOf = new Map(checks.map((check, i) => [check, tables[i]!]));
  return (check) => {
    const { table, voices } = tableOf.get(check)!;
    return outcomesByCandidate(table, planning, voices, clouds);
  };
}

/** Readings that spread over decades by place or by damp alone: a capacitance, and volts that come through insulation. */
function spreadsWidely({ instrument, state }: Hookup): boolean {
  return instrument === "capacitance" || (instrument === "volts-dc" && state.key === "off");
}

/** With so few suspects left, the leading checks are looked at more sharply. */
const FEW = 10;
const SHARPENED = 24;
const MOST_ROUNDS = 6;

/** Looks again at the leading checks, and at those that lead once the first have been put right. */
function sharpen(single: Scored[], again: (i: number) => Scored): void {
  const seen = new Set<number>();
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const leading = [...single.keys()].sort((a, b) => single[b]!.worth - single[a]!.worth).slice(0, SHARPENED);
    const dull = leading.filter((i) => !seen.has(i));
    if (dull.length === 0) return;
    for (const i of dull) {
      single[i] = again(i);
      seen.add(i);
    }
  }
}

/** The best first steps of these, by bits per minute of each with its best second step. */
export function rankByWorth(
  single: Scored[],
  shares: Float64Array,
  done: ReadonlySet<string>,
  policy: Policy,
): Scored[] {
  single.sort((a, b) => b.worth - a.worth);
  const shortlist = single.slice(0, SHORTLIST);
  for (const first of shortlist) first.worth = Math.max(first.worth, pairWorth(first, single, shares, done, policy));
  return shortlist.sort((a, b) => b.worth - a.worth);
}

/** The module leads and lacks nothing but the reading of its own supply and ground. */
function gateIsDue(lineUp: LineUp, shares: Float64Array): boolean {
  return !moduleGatePassed(lineUp) && (sharesByPart(lineUp, shares).get("module") ?? 0) > GATE_SHARE;
}

const GATE_SHARE = 0.9;

/** Whether the rules of the trade and of the user let this check be done now. */
export function isAllowed(check: Check, lineUp: LineUp, policy: Policy): boolean {
  if (check.pierces && !policy.pierce) return false;
  if (check.unplugs && lineUp.complaint.presence === "intermittent" && !caught(lineUp)) return false;
  return true;
}

/** An intermittent counts as caught once a reading was had that a healthy corner would hardly give. */
function caught(lineUp: LineUp): boolean {
  const healthy = lineUp.groupIndex(HEALTHY);
  return lineUp.weighed.some(({ byGroup, overall }) => overall > 5 * byGroup[healthy]!);
}

/** Bits per minute of a check followed by the best second one, given each outcome of the first. */
function pairWorth(
  first: Scored,
  all: readonly Scored[],
  shares: Float64Array,
  done: ReadonlySet<string>,
  policy: Policy,
): number {
  const after = new Set([...done, ...first.check.access.map(({ id }) => id)]);
  let best = 0;
  for (const second of all.slice(0, 3 * SHORTLIST)) {
    if (second.check.id === first.check.id) continue;
    const cost = first.cost + costOf(second.check, after, policy);
    const bound = (first.information.bits + second.information.bits) / cost;
    if (bound <= best) continue;
    best = Math.max(best, (first.information.bits + first.information.expectedNext(second.information, shares)) / cost);
  }
  return best;
}
