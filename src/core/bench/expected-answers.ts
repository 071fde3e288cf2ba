import type { ForecastStrip } from "./forecast-strip";

/** One answer that a suspect's cars would give, and how often. */
export interface ExpectedAnswer {
  answer: string;
  chance: number;
}

type Row = ForecastStrip["rows"][number];

/** Less often than this an answer is not shown. */
const LEAST_CHANCE = 0.02;
/** A table with more columns than this is cut off on a small screen: each row then tells its likeliest answers. */
const MOST_COLUMNS = 5;
const MOST_ANSWERS = 3;

/** The answers any row of a strip would give, in their order; null where they are too many for a table. */
export function answerColumns(strip: Pick<ForecastStrip, "rows">, answers: readonly string[]): number[] | null {
  const columns = answers
    .map((_, i) => i)
    .filter((i) => strip.rows.some(({ words01 }) => isWorthShowing(words01?.[i] ?? 0)));
  return columns.length > MOST_COLUMNS ? null : columns;
}

/** What the cars of one row would answer, likeliest first, the seldom ones left out. */
export function likelyAnswers({ words01 }: Pick<Row, "words01">, answers: readonly string[]): ExpectedAnswer[] {
  return answers
    .map((answer, i) => ({ answer, chance: words01?.[i] ?? 0 }))
    .filter(({ chance }) => isWorthShowing(chance))
    .sort((a, b) => b.chance - a.chance)
    .slice(0, MOST_ANSWERS);
}

/** Whether an answer is given often enough to stand as a figure. */
export function isWorthShowing(chance: number): boolean {
  return chance > LEAST_CHANCE;
}

/** Whether it is the answer one would expect. */
export function isExpected(chance: number): boolean {
  return chance > 0.5;
}
