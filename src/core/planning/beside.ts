import { LEVELS, type ForecastTable } from "../belief/forecasts";
import type { PlanningTable } from "../belief/posterior";
import { waitsAlike } from "../checks/beside";
import { READING_MINUTES, type Scored } from "./check-cost";
import { informationTable, type InformationTable } from "./information";
import { NEGLIGIBLE_SHARE, type Planning } from "./planning";

/**
 * The best second channel for each of the leading checks that wait for a fault to come: what comes while both run is read
 * at two points at once, where a second wait by itself may meet nothing. What both tell is taken as what the first tells,
 * and, so far as the fault comes, what the other then tells after it, outcomes independent given the fault.
 * @param single checks, each with the table of the same place in `tables`; a second channel is written beside its first
 * @param few only so many leading ones are given a second channel
 */
export function chooseBeside(
  single: readonly Scored[],
  tables: readonly PlanningTable[],
  planning: Planning,
  done: ReadonlySet<string>,
  few: number,
): void {
  if (planning.posterior.complaint.presence !== "intermittent") return;
  const together = new Map<string, Scored[]>();
  for (const one of single) {
    const how = waitsAlike(one.check.hookup);
    if (how !== null) together.set(how, [...(together.get(how) ?? []), one]);
  }
  const known = new Map<Scored, WhenItComes>();
  const whenItComes = (one: Scored): WhenItComes => {
    const found = known.get(one) ?? given(tables[single.indexOf(one)]!, planning);
    known.set(one, found);
    return found;
  };
  const waiting = [...together.values()].flat().sort((a, b) => b.worth - a.worth);
  for (const first of waiting.slice(0, few)) {
    const { information, chance } = whenItComes(first);
    const alone = first.bits / first.cost;
    for (const other of together.get(waitsAlike(first.check.hookup)!)!) {
      if (other === first) continue;
      const cost = first.cost + moreCost(first, other, done);
      if ((first.bits + other.bits) / cost < alone) continue;
      const bits = chance * information.expectedNext(whenItComes(other).information, planning.shares);
      const worth = (first.bits + bits) / cost;
      if (worth <= (first.beside ? first.worth : alone)) continue;
      first.beside = { other, bits };
      first.worth = worth;
    }
  }
}

/** The places it must be got at besides, and one reading more to take and to type. */
function moreCost(first: Scored, other: Scored, done: ReadonlySet<string>): number {
  const reached = new Set([...done, ...first.check.access.map(({ id }) => id)]);
  return other.check.access.reduce((sum, { id, minutes }) => sum + (reached.has(id) ? 0 : minutes), READING_MINUTES);
}

/** What a check tells when the fault comes while it waits, and the chance that it does. */
interface WhenItComes {
  information: InformationTable;
  chance: number;
}

function given({ table, speakers, sameNumbers }: PlanningTable, planning: Planning): WhenItComes {
  const { posterior, shares, within, stride } = planning;
  const come = comingShares(table);
  let [sum, all] = [0, 0];
  posterior.hypotheses.forEach(({ first, size }, g) => {
    if (!(shares[g]! > NEGLIGIBLE_SHARE) || speakers[g] !== g) return;
    all += shares[g]!;
    for (let row = first; row < first + size; row += stride) sum += shares[g]! * within[row]! * come[row / stride]!;
  });
  const information = informationTable(whileThere(table, come), planning, speakers, [], sameNumbers);
  return { information, chance: all > 0 ? sum / all : 0 };
}

/** For each candidate that is forecast, the chance that its fault comes: of one that stays, 1. */
function comingShares(table: ForecastTable): Float64Array {
  const [cells, counted, values] =
    table.kind === "words"
      ? [table.words.length, table.words.length, table.there]
      : [table.slots, LEVELS, table.chances];
  return Float64Array.from({ length: values.length / cells }, (_, state) => {
    let sum = 0;
    for (let i = 0; i < counted; i++) sum += values[state * cells + i]!;
    return sum;
  });
}

/** The forecasts of a table given that the fault comes. */
function whileThere(table: ForecastTable, come: Float64Array): ForecastTable {
  const from = table.kind === "words" ? table.there : table.chances;
  const cells = from.length / come.length;
  const counted = table.kind === "words" ? cells : LEVELS;
  const chances = from.map((chance, at) =>
    at % cells < counted && chance > 0 ? chance / come[Math.floor(at / cells)]! : 0,
  );
  return table.kind === "words" ? { ...table, chances, there: chances } : { ...table, chances };
}
