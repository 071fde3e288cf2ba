import { hookupKey, type Hookup } from "../checks/hookup";
import { checkCatalogue, type Check } from "../checks/catalogue";
import { PLANNING_STRIDE } from "../belief/forecasts";
import { HEALTHY } from "../faults/fault";
import { languageTag } from "../words/words";
import type { Cloud } from "../belief/kernel";
import { sharesByPart, type PlanningTable, type Posterior } from "../belief/posterior";
import { readsTheSame } from "../checks/turns-wheel";
import { canBeMadeWith } from "../checks/made-with";
import type { Policy } from "../complaint/policy";
import { chooseBeside } from "./beside";
import { costOf, OUT_FOR, type CostOf, type Scored } from "./check-cost";
import { isPlaceSought, minutesToPlace, rankForPlace } from "./place-search";
import { isDriven } from "../checks/interlocks";
import { dangerOfDriving } from "../verdict/do-not-drive";
import { unmetNeeds } from "../verdict/needs";
import { hangsOn, leastKept, sharesWithout } from "../verdict/leave-one-out";
import { informationTable, outcomesByCandidate, type Outcomes } from "./information";
import { NEGLIGIBLE_SHARE, subsetWeights, type Planning } from "./planning";
import { againstLeader } from "./against-leader";
import { toProof, type ToProof } from "./to-proof";

export interface Proposal {
  check: Check;
  /** Expected information about which fault it is, in bits. */
  bits: number;
  /** Minutes from here, preparations already done left out. */
  minutes: number;
  /** Bits per minute, looking two checks ahead where it is the part that is sought. */
  worth: number;
  /** It is likely enough to prove the part that leads by far. */
  mayProve: boolean;
  /** What the leading part is not named without and this would do; null for a check that is proposed for what it tells. */
  needed: string | null;
  todo: Check["access"];
  /** Minutes expected from here until the place of damage is found; null where not asked for or the part is sought. */
  toPlaceMinutes: number | null;
  /** What is best recorded at the same time by a second channel; null for a check that does not wait for a fault to come. */
  beside: Check | null;
}

/** What has been prepared already, and what the technician said cannot be done. */
export interface Progress {
  done: ReadonlySet<string>;
  skipped: ReadonlySet<string>;
}

/** A third look or reading of the same thing is no longer proposed. */
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
  posterior: Posterior,
  policy: Policy,
  progress: Progress,
  { most = 6, foresee = false }: { most?: number; foresee?: boolean } = {},
): Proposal[] {
  // Watched again is a new chance to see an intermittent, and a second look may see what the first missed; a number
  // taken twice tells whether the first was a slip, but not where the wheel was turned for it.
  // Two that do not agree want a third.
  const taken = new Set(
    posterior.log.flatMap(({ observation: { hookup, value } }) => {
      const again = value.kind === "word" || hookup.state.watched || readsTheSame(hookup);
      const times = posterior.times(hookup);
      const wanted = times < MOST_LOOKS || (times === MOST_LOOKS && disagree(posterior, hookup));
      return again && wanted ? [] : [hookupKey(hookup)];
    }),
  );
  const allowed = checksOf(posterior).filter(
    (check) => isAllowed(check, posterior, policy) && !taken.has(check.id) && !progress.skipped.has(check.id),
  );
  if (allowed.length === 0) return [];
  const shares = posterior.shares();
  const sought = isPlaceSought(posterior, shares);
  const { planned, scale, proof } = sought ? { planned: shares, scale: 1, proof: null } : plan(posterior, shares);
  const hookups = allowed.map(({ hookup }) => hookup);
  const tables = posterior.planningForecasts(hookups, planned, true);
  const planning: Planning = {
    posterior,
    shares: planned,
    stride: PLANNING_STRIDE,
    within: subsetWeights(posterior, PLANNING_STRIDE),
  };
  const byPart = sharesByPart(posterior, shares);
  const outAnyway = [...OUT_FOR].reduce((sum, part) => sum + (byPart.get(part) ?? 0), 0);
  const costFrom = costOf(policy, Math.min(1, outAnyway));
  const score = (i: number, clouds: readonly Cloud[]): Scored => {
    const check = allowed[i]!;
    const { table, speakers, sameNumbers } = tables[i]!;
    const information = informationTable(table, planning, speakers, clouds, sameNumbers);
    const cost = costFrom(check, progress.done);
    return { check, information, cost, bits: information.bits, worth: information.bits / cost };
  };
  const cloudsFor = (i: number) => (spreadsWidely(hookups[i]!) ? posterior.clouds : []);
  const single = allowed.map((_, i) => score(i, cloudsFor(i)));
  const few = planned.filter((share) => share > NEGLIGIBLE_SHARE).length <= FEW;
  lookAgain(single, (leading) => {
    const anew = posterior.planningForecasts(
      leading.map((i) => hookups[i]!),
      planned,
    );
    leading.forEach((i, at) => {
      tables[i] = anew[at]!;
      single[i] = score(i, few ? posterior.clouds : cloudsFor(i));
    });
  });
  if (policy.channels === 2) chooseBeside(single, tables, planning, progress.done, LEADING);
  const proofs = proof ? likelyProofs(proof, single) : [];
  const shortlist = sought
    ? rankForPlace(single, planning, progress.done, policy)
    : [...proofs, ...rankByWorth(single, planned, progress.done, costFrom)];
  const needed = neededChecks(posterior, shares, single);
  const gate = [...needed.keys()];
  const rest = [...new Set(shortlist)].filter((one) => !gate.includes(one));
  const useful = rest.filter(({ bits }) => bits > LEAST_BITS);
  const telling = [...gate, ...(useful.length + gate.length > 0 ? useful : rest.slice(0, 1))];
  const toPlace =
    foresee && sought
      ? minutesToPlace(shortlist, planning, outcomesOf(allowed, tables, planning, posterior.clouds), progress.done)
      : new Map<Check, number>();
  return telling.slice(0, most).map(({ check, bits, worth, beside }) => {
    const second = beside?.other.check ?? null;
    const todo = [
      ...check.access,
      ...(second?.access ?? []).filter(({ id }) => !check.access.some((own) => own.id === id)),
    ].filter(({ id }) => !progress.done.has(id));
    const toPlaceMinutes = toPlace.get(check) ?? null;
    const need = needed.get(single.find((one) => one.check === check)!) ?? null;
    return {
      check,
      bits: scale * (bits + (beside?.bits ?? 0)),
      worth: scale * worth,
      mayProve: proofs.some((one) => one.check === check),
      needed: need,
      todo,
      minutes: todo.reduce((sum, { minutes }) => sum + minutes, check.ownMinutes),
      toPlaceMinutes,
      beside: second,
    };
  });
}

/** Whether what one hook-up showed tells for the leading suspect once and against it once. */
function disagree(posterior: Posterior, hookup: Hookup): boolean {
  const key = hookupKey(hookup);
  const own = posterior.log.filter(({ observation }) => hookupKey(observation.hookup) === key);
  if (own.length < 2) return false;
  const shares = posterior.shares();
  const lead = shares.indexOf(Math.max(...shares));
  const told = own.map(({ byHypothesis, overall }) => Math.log(byHypothesis[lead]! / overall));
  return Math.max(...told) > TELLS && Math.min(...told) < -TELLS;
}

/** A reading makes the suspect half as likely again, or less likely by as much. */
const TELLS = Math.log(1.5);

function outcomesOf(
  checks: readonly Check[],
  tables: readonly PlanningTable[],
  planning: Planning,
  clouds: readonly Cloud[],
): (check: Check) => Outcomes {
  const tableOf = new Map(checks.map((check, i) => [check, tables[i]!]));
  return (check) => {
    const { table, speakers } = tableOf.get(check)!;
    return outcomesByCandidate(table, planning, speakers, clouds);
  };
}

/** Readings that spread over decades by place or by damp alone: a capacitance, and volts that come through insulation. */
function spreadsWidely({ instrument, state }: Hookup): boolean {
  return instrument === "capacitance" || (instrument === "volts-dc" && state.key === "off");
}

/** With so few suspects left, the leading checks are looked at more sharply. */
const FEW = 10;
const LEADING = 12;
const MOST_ROUNDS = 6;

/**
 * Looks again at the leading checks, whose forecasts are made anew where readings have moved them, and at those that lead
 * once the first have been put right.
 */
function lookAgain(single: readonly Scored[], again: (leading: readonly number[]) => void): void {
  const seen = new Set<number>();
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const leading = [...single.keys()].sort((a, b) => single[b]!.worth - single[a]!.worth).slice(0, LEADING);
    const dull = leading.filter((i) => !seen.has(i));
    if (dull.length === 0) return;
    again(dull);
    for (const i of dull) seen.add(i);
  }
}

/** The best first steps of these, by bits per minute of each with its best second step. */
export function rankByWorth(single: Scored[], shares: Float64Array, done: ReadonlySet<string>, cost: CostOf): Scored[] {
  single.sort(byUse);
  const shortlist = single.slice(0, SHORTLIST);
  for (const first of shortlist) first.worth = Math.max(first.worth, pairWorth(first, single, shares, done, cost));
  return shortlist.sort(byUse);
}

/** By worth; what tells next to nothing, however quickly, after all that tells something. */
function byUse(a: Scored, b: Scored): number {
  return Number(b.bits > LEAST_BITS) - Number(a.bits > LEAST_BITS) || b.worth - a.worth;
}

/** What is planned by. */
interface Plan {
  planned: Float64Array;
  /** So much of what a check is said to tell is told in truth. */
  scale: number;
  /** What the leading part still lacks; null where none leads by far, or it is proven. */
  proof: ToProof | null;
}

/**
 * Where a verdict, or what is near one, hangs on one reading, it is planned as if that reading had not been taken: the best
 * check is then the one that would confirm it independently. What leads by far and is not proven is planned against.
 */
function plan(posterior: Posterior, shares: Float64Array): Plan {
  const part = [...sharesByPart(posterior, shares)].find(([, share]) => share >= GATE_SHARE)?.[0];
  const pivot = part && hangsOn(leastKept(posterior, part));
  const confirming = pivot ? sharesWithout(posterior, pivot) : shares;
  const isOpen = part && part !== "none" && toProof(posterior, part, confirming) !== null;
  const against = isOpen ? againstLeader(posterior, part, confirming) : null;
  const planned = against?.shares ?? confirming;
  return { planned, scale: against?.scale ?? 1, proof: isOpen ? toProof(posterior, part, confirming, planned) : null };
}

/** Checks that are likely to prove the part that leads by far, by that chance per minute. */
function likelyProofs(proof: ToProof, single: readonly Scored[]): Scored[] {
  return single
    .map((one) => ({ one, chance: proof.chance(one.information) }))
    .filter(({ chance }) => chance >= LIKELY_PROOF)
    .sort((a, b) => b.chance / b.one.cost - a.chance / a.one.cost)
    .slice(0, SHORTLIST)
    .map(({ one }) => one);
}

/** A check that proves what leads so often is worth its minutes whatever else it tells (engineering judgement). */
const LIKELY_PROOF = 0.2;

/** What the leading part is not named without and has not been read: for each need the check that tells most for its minutes. */
function neededChecks(posterior: Posterior, shares: Float64Array, single: readonly Scored[]): Map<Scored, string> {
  const chosen = new Map<Scored, string>();
  const part = [...sharesByPart(posterior, shares)].find(([, share]) => share >= GATE_SHARE)?.[0];
  if (!part) return chosen;
  let lead = -1;
  posterior.hypotheses.forEach(({ fault, of }, h) => {
    if (!of && fault.part === part && (lead < 0 || shares[h]! > shares[lead]!)) lead = h;
  });
  if (lead < 0) return chosen;
  const { needs, taken } = unmetNeeds(posterior, lead);
  const value = ({ bits, cost }: Scored) => (bits + LEAST_BITS) / cost;
  for (const need of needs) {
    const there = single.filter(({ check }) => need.helps(check.hookup, taken));
    if (there.length === 0) continue;
    const best = there.reduce((most, one) => (value(one) > value(most) ? one : most));
    if (!chosen.has(best)) chosen.set(best, need.say());
  }
  return chosen;
}

/** From this share on what a part still lacks before it may be named comes first. */
export const GATE_SHARE = 0.9;

/** Every check worth proposing on this corner, made once; anew where another language is spoken, for the words of its access. */
export function checksOf(posterior: Posterior): readonly Check[] {
  const made = catalogues.get(posterior);
  if (made?.tag === languageTag()) return made.checks;
  const checks = checkCatalogue(posterior.setup, posterior.complaint.presence === "intermittent");
  catalogues.set(posterior, { tag: languageTag(), checks });
  return checks;
}

const catalogues = new WeakMap<Posterior, { tag: string; checks: readonly Check[] }>();

/** Whether the rules of the trade and of the user let this check be done now. */
export function isAllowed(check: Check, posterior: Posterior, policy: Policy): boolean {
  if (check.pierces && !policy.pierce) return false;
  if (!canBeMadeWith(check.hookup, policy.tools)) return false;
  if (isDriven(check.hookup) && dangerOfDriving(posterior)) return false;
  if (check.unplugs && posterior.complaint.presence === "intermittent" && !caught(posterior)) return false;
  return true;
}

/** An intermittent counts as caught once a reading was had that a healthy corner would hardly give. */
function caught(posterior: Posterior): boolean {
  const healthy = posterior.indexOf(HEALTHY);
  return posterior.log.some(({ byHypothesis, overall }) => overall > 5 * byHypothesis[healthy]!);
}

/** Bits per minute of a check followed by the best second one, given each outcome of the first. */
function pairWorth(
  first: Scored,
  all: readonly Scored[],
  shares: Float64Array,
  done: ReadonlySet<string>,
  costFrom: CostOf,
): number {
  const after = new Set([...done, ...first.check.access.map(({ id }) => id)]);
  let best = 0;
  for (const second of all.slice(0, 3 * SHORTLIST)) {
    if (second.check.id === first.check.id) continue;
    const cost = first.cost + costFrom(second.check, after);
    const bound = (first.information.bits + second.information.bits) / cost;
    if (bound <= best) continue;
    best = Math.max(best, (first.information.bits + first.information.expectedNext(second.information, shares)) / cost);
  }
  return best;
}
