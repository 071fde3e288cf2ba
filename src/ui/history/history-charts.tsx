"use client";
import { useMemo, useSyncExternalStore, type ReactNode } from "react";
import { partLabel } from "@/core/faults/parts/parts";
import {
  billsOf,
  carsComeBack,
  minutesByPart,
  repairsByMonth,
  repairsByPart,
  type HistoryRow,
} from "@/core/report/history";
import { languageTag, t } from "@/core/words/words";
import { readHistory, subscribeHistory } from "../practice/history-store";
import { BarChart, type BarSeries } from "./bar-chart";

/** What the shop's repairs come to, as pictures with their tables behind. */
export function HistoryCharts({ rows, currency }: { rows: readonly HistoryRow[]; currency: string }) {
  const byPart = useMemo(() => repairsByPart(rows), [rows]);
  const byMonth = useMemo(() => repairsByMonth(rows), [rows]);
  const minutes = useMemo(() => minutesByPart(rows), [rows]);
  const back = useMemo(() => carsComeBack(rows), [rows]);
  const scores = useSyncExternalStore(subscribeHistory, readHistory, () => NO_SCORES);
  if (byPart.length === 0)
    return (
      <p className="rounded-2xl border border-rule bg-card p-6 text-muted">{t`Nothing repaired yet. Once repairs are recorded in the close-out, this shows what failed, how long it took to prove, and what guessing would have cost.`}</p>
    );
  const { bill: spent, guessingBill: guessed } = billsOf(rows);
  return (
    <div className="grid items-start gap-4 md:grid-cols-2">
      <Figure
        title={t`What failed`}
        says={t`${byPart.reduce((sum, { proven }) => sum + proven, 0)} proven, ${byPart.reduce((sum, one) => sum + one.guessed, 0)} fitted on a guess.`}
        heads={[t`part`, t`proven`, t`on a guess`]}
        rows={byPart.map(({ part, proven, guessed }) => [partLabel(part), proven, guessed])}
      >
        <PartBars rows={byPart} />
      </Figure>
      <Figure
        title={t`Bills against guessing`}
        says={t`${spent} ${currency} measured and repaired; fitting parts in the usual order would have come to ${guessed} ${currency} (estimates, before tax).`}
        heads={[t`month`, t`repairs`, t`measured`, t`guessing`]}
        rows={byMonth.map(({ month, repairs, bill, guessingBill }) => [monthWords(month), repairs, bill, guessingBill])}
      >
        <MonthBars rows={byMonth} />
      </Figure>
      <Figure
        title={t`Minutes of measuring`}
        says={t`From the quickest to the longest car, by the table of times.`}
        heads={[t`part`, t`cars`, t`least`, t`middle`, t`most`]}
        rows={minutes.map(({ part, cars, least, middle, most }) => [
          partLabel(part),
          cars,
          least,
          Math.round(middle),
          most,
        ])}
      >
        <MinuteBars rows={minutes} />
      </Figure>
      {scores.length > 0 ? (
        <Figure
          title={t`Practice`}
          says={t`Scores of the last ${Math.min(scores.length, MOST_SCORES)} practice cars, oldest first.`}
          heads={[t`date`, t`score`, t`right part`]}
          rows={scores.map(({ at, score, right }) => [at.slice(0, 10), Math.round(score), right ? t`yes` : t`no`])}
        >
          <ScoreBars scores={scores} />
        </Figure>
      ) : null}
      {back.length > 0 && (
        <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Cars that came back`}>
          <h2 className="border-b border-rule pb-1 font-semibold">{t`Cars that came back`}</h2>
          <ul>
            {back.map(({ car, repairs, parts }) => (
              <li key={car} className="flex justify-between gap-3 border-b border-rule py-1.5">
                <span>{car}</span>
                <span className="text-muted">{t`${repairs} repairs: ${parts.map(partLabel).join(", ")}`}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

const NO_SCORES: ReturnType<typeof readHistory> = [];
const MOST_SCORES = 20;

function PartBars({ rows }: { rows: ReturnType<typeof repairsByPart> }) {
  const [names, series] = useMemo(
    () => [
      rows.map(({ part }) => partLabel(part)),
      [
        { name: t`proven`, values: rows.map(({ proven }) => proven), colour: "--verdigris", stacked: true },
        {
          name: t`on a guess`,
          values: rows.map(({ guessed }) => guessed),
          colour: "--brick",
          stacked: true,
          hatched: true,
        },
      ] satisfies BarSeries[],
    ],
    [rows],
  );
  return <BarChart across label={t`Repairs by part`} categories={names} series={series} />;
}

function MonthBars({ rows }: { rows: ReturnType<typeof repairsByMonth> }) {
  const [names, series] = useMemo(
    () => [
      rows.map(({ month }) => monthWords(month)),
      [
        { name: t`measured`, values: rows.map(({ bill }) => bill), colour: "--verdigris" },
        { name: t`guessing`, values: rows.map(({ guessingBill }) => guessingBill), colour: "--brick", hatched: true },
      ] satisfies BarSeries[],
    ],
    [rows],
  );
  return <BarChart label={t`Bills by month, measured and by guessing`} categories={names} series={series} />;
}

function MinuteBars({ rows }: { rows: ReturnType<typeof minutesByPart> }) {
  const [names, series] = useMemo(
    () => [
      rows.map(({ part }) => partLabel(part)),
      [
        { name: "", values: rows.map(({ least }) => least), colour: "--muted", stacked: true, hidden: true },
        // One car alone would be a bar of no length.
        {
          name: t`minutes`,
          values: rows.map(({ least, most }) => Math.max(1, most - least)),
          colour: "--marigold",
          stacked: true,
        },
      ] satisfies BarSeries[],
    ],
    [rows],
  );
  return <BarChart across label={t`Minutes of measuring by part`} categories={names} series={series} />;
}

function ScoreBars({ scores }: { scores: ReturnType<typeof readHistory> }) {
  const [names, series] = useMemo(() => {
    const last = scores.slice(0, MOST_SCORES).toReversed();
    return [
      last.map(({ at }) => at.slice(5, 10)),
      [{ name: t`score`, values: last.map(({ score }) => Math.round(score)), colour: "--ink" }] satisfies BarSeries[],
    ];
  }, [scores]);
  return <BarChart label={t`Practice scores, oldest first`} categories={names} series={series} />;
}

/** A picture with what it says in words, and its numbers as a table on demand. */
function Figure({
  title,
  says,
  heads,
  rows,
  children,
}: {
  title: string;
  says: string;
  heads: readonly string[];
  rows: readonly (readonly (string | number)[])[];
  children: ReactNode;
}) {
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={title}>
      <h2 className="border-b border-rule pb-1 font-semibold">{title}</h2>
      <p className="py-2 text-sm text-muted">{says}</p>
      {children}
      <details className="mt-1">
        <summary className="min-h-11 cursor-pointer content-center text-sm underline">{t`as a table`}</summary>
        <table className="w-full text-sm">
          <thead>
            <tr className="text-left text-muted">
              {heads.map((head, i) => (
                <th key={head} className={`font-normal ${i > 0 ? "text-right" : ""}`}>
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, r) => (
              <tr key={r} className="border-t border-rule">
                {row.map((cell, i) => (
                  <td key={i} className={`py-1 ${i > 0 ? "text-right font-mono" : ""}`}>
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}

/** `2026-03` as the language writes a month. */
function monthWords(month: string): string {
  return new Intl.DateTimeFormat(languageTag(), { month: "short", year: "2-digit" }).format(
    new Date(`${month}-15T12:00:00Z`),
  );
}
