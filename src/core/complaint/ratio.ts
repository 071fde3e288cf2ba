import { numberField } from "../units/number-field";
import type { Fault } from "../faults/fault";
import type { Part } from "../faults/parts/parts";
import { type Wake } from "../faults/wake";
import { wakeChances } from "../faults/wakes";

/** Which faults a ratio is meant for: by what the module would complain of, by part, by fault, or all that are left. */
export interface RatioRow {
  effects?: readonly Fault["effect"][];
  parts?: readonly Part[];
  faults?: readonly string[];
  /** So many times likelier, on such a fault, is this answer than on an average one (engineering judgement, all of them). */
  times: number;
}

/** What brings a fault on: likelier by how well it wakes the fault, from `least` to `least + most`. */
export interface WakeRatio {
  wake: Wake;
  least: number;
  most: number;
}

/** How an answer of the complaint weighs each fault: the first row that fits, or how the fault is woken. */
export type Ratios = { rows: readonly RatioRow[]; otherwise?: number } | WakeRatio;

/** A ratio the shop has set in place of the usual one, by the name of its row. */
export type OwnRatios = Readonly<Record<string, number>>;

/** How much likelier an answer is if this fault is the one. @param answer the name its rows are known by */
export function ratioOf(answer: string, ratios: Ratios, fault: Fault, own: OwnRatios = {}): number {
  if ("wake" in ratios) {
    const [least, most] = [own[`${answer}/least`] ?? ratios.least, own[`${answer}/most`] ?? ratios.most];
    return least + most * wakeChances(fault)[ratios.wake];
  }
  const at = ratios.rows.findIndex((row) => fits(row, fault));
  if (at >= 0) return own[`${answer}/${at + 1}`] ?? ratios.rows[at]!.times;
  return own[`${answer}/otherwise`] ?? ratios.otherwise ?? 1;
}

/** One number of the table of ratios, as it is shown and edited. */
export interface RatioEntry {
  name: string;
  /** Codes of what it is meant for; empty for all that are left. */
  meant: readonly string[];
  usual: number;
}

/** Every number behind an answer. */
export function ratioEntries(answer: string, ratios: Ratios): RatioEntry[] {
  if ("wake" in ratios)
    return [
      { name: `${answer}/least`, meant: [ratios.wake], usual: ratios.least },
      { name: `${answer}/most`, meant: [ratios.wake], usual: ratios.most },
    ];
  const rows = ratios.rows.map(({ effects = [], parts = [], faults = [], times }, i) => ({
    name: `${answer}/${i + 1}`,
    meant: [...effects, ...parts, ...faults],
    usual: times,
  }));
  return ratios.otherwise === undefined
    ? rows
    : [...rows, { name: `${answer}/otherwise`, meant: [], usual: ratios.otherwise }];
}

function fits({ effects, parts, faults }: RatioRow, { effect, part, code }: Fault): boolean {
  return effects?.includes(effect) === true || parts?.includes(part) === true || faults?.includes(code) === true;
}

/** How far a shop may move a ratio from 1: a hundredfold either way (engineering judgement). */
export const ratioField = numberField(0.01, 100);
