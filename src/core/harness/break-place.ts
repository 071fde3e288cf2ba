import { faultsOf } from "../faults/pair";
import { spansOf } from "../circuit/setup";
import type { Posterior } from "../belief/posterior";

export const SPAN_CELLS = 24;

/** Where along one span damage lies, as the surviving candidates have it. */
export interface SpanSuspicion {
  span: number;
  share: number;
  /** Share of all suspicion in each of `SPAN_CELLS` equal stretches, module end first. */
  cells: number[];
  /** Stretch that holds nine tenths of what rests on this span, in metres from its module end. */
  fromM: number;
  toM: number;
  /** The stretch is shorter than the span by enough, and likely enough, to be worth saying. */
  narrowed: boolean;
  /** Likely enough to plan the splice. */
  sure: boolean;
}

const HELD = 0.9;
const WORTH_SAYING = 0.75;
const LEAST_SHARE = 0.02;
const SURE_SHARE = 0.6;

/** Damage to wires, span by span, from every candidate's own place of damage and its weight. */
export function breakPlaces(posterior: Posterior): SpanSuspicion[] {
  const spans = spansOf(posterior.setup);
  const cells = spans.map(() => new Array<number>(SPAN_CELLS).fill(0));
  posterior.hypotheses.forEach((hypothesis, h) => {
    const torn = faultsOf(hypothesis).some(({ place, fault }) => place.span !== undefined && fault.part === "harness");
    if (!torn) return;
    for (const { span, fraction, weight } of posterior.spanDamage(h))
      cells[span]![Math.min(SPAN_CELLS - 1, Math.floor(fraction * SPAN_CELLS))]! += weight;
  });
  return spans.map(({ spanM }, span) => {
    const own = smoothed(cells[span]!);
    const share = own.reduce((sum, value) => sum + value, 0);
    const [from, to] = shortest(own, HELD * share);
    return {
      span,
      share,
      cells: own,
      narrowed: (to - from) / SPAN_CELLS < WORTH_SAYING && share > LEAST_SHARE,
      sure: share > SURE_SHARE,
      fromM: (from / SPAN_CELLS) * spanM,
      toM: (to / SPAN_CELLS) * spanM,
    };
  });
}

/** Candidates are few: each stands for its neighbours too. */
function smoothed(cells: readonly number[]): number[] {
  return cells.map((value, i) => 0.5 * value + 0.25 * ((cells[i - 1] ?? value) + (cells[i + 1] ?? value)));
}

/** The shortest run of cells that holds at least so much. */
function shortest(cells: readonly number[], wanted: number): [from: number, to: number] {
  let best: [number, number] = [0, cells.length];
  if (wanted <= 0) return best;
  for (let from = 0; from < cells.length; from++) {
    let held = 0;
    for (let to = from; to < cells.length; to++) {
      held += cells[to]!;
      if (held >= wanted) {
        if (to + 1 - from < best[1] - best[0]) best = [from, to + 1];
        break;
      }
    }
  }
  return best;
}
