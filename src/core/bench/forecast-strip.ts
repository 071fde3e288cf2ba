import { midSentence, t } from "../words/words";
import { answerList } from "../checks/answers";
import { hookupLabel } from "../checks/words";
import type { Hookup } from "../checks/hookup";
import { HEALTHY } from "../faults/fault";
import type { Posterior } from "../belief/posterior";
import { subsetRange, bandsOf, type Band } from "./forecast-bands";
import { toScale } from "../observation/scale";
import { quantityOf } from "../checks/instruments";
import { formatQuantity } from "../units/format";
import type { Quantity } from "../units/quantity";
import { rankSuspects } from "../verdict/suspects";
import type { Observed } from "../observation/typed-value";

/** What the leading suspects and a healthy corner would read, laid on one axis from 0 to 1. */
export interface ForecastStrip {
  label: string;
  rows: {
    id: string;
    words: string;
    share: number;
    healthy: boolean;
    bands: Band[];
    overLimit: number;
    words01: number[] | null;
  }[];
  ticks: { at: number; label: string }[];
  /** Ends of the axis on the scale readings are compared on; null for words. */
  axis: { low: number; high: number } | null;
  /** The answers in short, for the heads of a table; null where a number is read. */
  wordLabels: string[] | null;
}

/** What logging a value would do. */
export interface Preview {
  /** The suspects that would gain most and lose most. */
  say: string;
  leader: string;
  leaderShare: number;
}

const ROWS = 4;

/** Bands of the leading suspects and “healthy” for one hook-up. */
export function forecastStrip(posterior: Posterior, hookup: Hookup): ForecastStrip {
  const [table] = posterior.forecasts([hookup]);
  const ranked = rankSuspects(posterior);
  const leaders = ranked.slice(0, ROWS).filter(({ id }) => id !== HEALTHY);
  const healthy = ranked.find(({ id }) => id === HEALTHY)!;
  const chosen = [...leaders, { ...healthy, words: t`healthy` }];
  if (table!.kind === "words") {
    const words = table!.words;
    const rows = chosen.map((one) => ({
      id: one.id,
      words: one.words,
      share: one.share,
      healthy: one.id === HEALTHY,
      bands: [],
      overLimit: 0,
      words01: wordChances(
        posterior,
        one.id,
        table!.kind === "words" ? table!.chances : new Float64Array(0),
        words.length,
      ),
    }));
    return {
      label: hookupLabel(hookup),
      rows,
      ticks: [],
      axis: null,
      wordLabels: answerList(hookup)!.map(({ short }) => short()),
    };
  }
  const range = subsetRange(
    table!,
    posterior,
    chosen.map(({ id }) => id),
  );
  const rows = chosen.map((one) => ({
    id: one.id,
    words: one.words,
    share: one.share,
    healthy: one.id === HEALTHY,
    ...bandsOf(table!, posterior, one.id, range),
    words01: null,
  }));
  return { label: hookupLabel(hookup), rows, ticks: ticksOf(hookup, range), axis: range, wordLabels: null };
}

/** What the value now typed would mean, before it is logged. */
export function previewReading(posterior: Posterior, observed: Observed): Preview {
  const shares = posterior.foresee(observed);
  let lead = 0;
  shares.forEach((share, h) => {
    if (share > shares[lead]!) lead = h;
  });
  const { fault, place } = posterior.hypotheses[lead]!;
  const leader = fault.words(place, posterior.setup);
  return { leader, leaderShare: shares[lead]!, say: t`points to: ${midSentence(leader)}` };
}

function wordChances(posterior: Posterior, id: string, chances: Float64Array, count: number): number[] {
  const group = posterior.hypotheses[posterior.indexOf(id)]!;
  const sums = new Array<number>(count).fill(0);
  let total = 0;
  for (let row = group.first; row < group.first + group.size; row++) {
    const weight = posterior.particles.weight[row]!;
    total += weight;
    for (let w = 0; w < count; w++) sums[w]! += weight * chances[row * count + w]!;
  }
  return sums.map((sum) => (total > 0 ? sum / total : 0));
}

const TICKS: Record<Quantity, number[]> = {
  volts: [-5, -1, 0, 0.05, 0.2, 0.5, 1, 2, 5, 10, 14],
  ohms: [0, 1, 10, 100, 1e3, 1e4, 1e5, 1e6, 1e7, 1e8, 1e9],
  farads: [0, 2e-11, 5e-11, 1e-10, 2e-10, 5e-10, 1e-9],
  amps: [0, 0.001, 0.003, 0.007, 0.014, 0.03, 0.1],
  length: [0, 0.2, 0.5, 1, 2, 4],
  hertz: [0, 2, 10, 50, 200, 1000],
  percent: [0, 25, 50, 75, 100],
  speed: [],
};

/**
 * Round numbers within the range, far enough apart to be read. From a list, not from d3-scale (10.8 kB of script): the
 * axes are asinh and log with a linear foot, and that package's ticks for such a scale (symlog) are those of a linear one.
 */
function ticksOf(hookup: Hookup, { low, high }: { low: number; high: number }): { at: number; label: string }[] {
  const quantity = quantityOf[hookup.instrument]!;
  const all = TICKS[quantity].map((value) => ({
    at: (toScale(hookup.instrument, value) - low) / (high - low),
    label: value === 0 ? "0" : withoutZeros(formatQuantity(value, quantity, 3)),
  }));
  const shown: { at: number; label: string }[] = [];
  for (const tick of all)
    if (tick.at >= 0 && tick.at <= 1 && (shown.length === 0 || tick.at - shown.at(-1)!.at > APART)) shown.push(tick);
  return shown;
}

/** Labels closer than this part of the axis would run into each other on a tablet. */
const APART = 0.25;

/** “0.30 mm” as “0.3 mm”, “50.0 mV” as “50 mV”; “100 kΩ” stays. */
function withoutZeros(text: string): string {
  const [number, unit] = text.split(" ") as [string, string];
  return `${number.includes(".") ? number.replace(/\.?0+$/, "") : number} ${unit}`;
}
