"use client";
import { msgid, ngettext, t } from "@/core/words/words";
import clsx from "clsx";
import { answerColumns, isExpected, isWorthShowing, likelyAnswers } from "@/core/bench/expected-answers";
import type { ForecastStrip } from "@/core/bench/forecast-strip";
import { formatShare } from "@/core/units/format";
import { useUnits } from "../settings/use-units";

/** One number line: a band for each leading suspect and for a healthy corner, and the needle of what is being typed. */
export function ForecastStripView({ strip, needle }: { strip: ForecastStrip; needle: number | null }) {
  const say = useUnits();
  if (strip.wordLabels) return <WordForecast strip={strip} words={strip.wordLabels} />;
  const hasOverLimit = strip.rows.some(({ overLimit }) => overLimit > 0.02);
  return (
    <div
      className="relative"
      role="img"
      aria-label={strip.rows
        .map(
          (row) =>
            `${row.words}: ${ngettext(msgid`${row.bands.length} band`, `${row.bands.length} bands`, row.bands.length)}${row.overLimit > 0.5 ? t`, over limit` : ""}`,
        )
        .join("; ")}
    >
      <ul className="grid gap-1">
        {strip.rows.map((row) => (
          <li
            key={row.id}
            className="grid grid-cols-[1fr_3.2rem] items-center gap-x-2 sm:grid-cols-[minmax(7rem,12rem)_1fr_3.2rem]"
          >
            <RowName row={row} className="col-span-2 text-sm sm:col-span-1" />
            <span className="relative h-6 border-b border-rule">
              {row.bands.map((band) => (
                <span
                  key={band.from}
                  className={clsx("absolute top-0.5 h-5 rounded", row.healthy ? "bg-verdigris" : "hatch bg-brick")}
                  style={{
                    left: `${band.from * 100}%`,
                    width: `${Math.max(0.9, (band.to - band.from) * 100)}%`,
                    opacity: 0.35 + 0.65 * Math.min(1, band.chance),
                  }}
                />
              ))}
              {needle !== null && (
                <span
                  data-needle=""
                  className="absolute -top-1 -bottom-1 w-[3px] bg-marigold"
                  style={{ left: `calc(${needle * 100}% - 1px)` }}
                />
              )}
            </span>
            <span className="text-right font-mono text-xs whitespace-nowrap text-muted">
              {hasOverLimit && row.overLimit > 0.02 ? `OL ${Math.round(row.overLimit * 100)}` : ""}
            </span>
          </li>
        ))}
      </ul>
      <div
        className="mt-0.5 grid grid-cols-[1fr_3.2rem] gap-x-2 sm:grid-cols-[minmax(7rem,12rem)_1fr_3.2rem]"
        aria-hidden="true"
      >
        <span className="hidden sm:block" />
        <span className="relative h-5">
          {strip.ticks.map(({ at, label }) => (
            <span
              key={label}
              className="absolute -translate-x-1/2 font-mono text-xs whitespace-nowrap text-muted"
              style={{ left: `${at * 100}%` }}
            >
              {say(label)}
            </span>
          ))}
        </span>
        <span className="text-right font-mono text-xs whitespace-nowrap text-muted">{hasOverLimit ? "OL %" : ""}</span>
      </div>
    </div>
  );
}

function WordForecast({ strip, words }: { strip: ForecastStrip; words: string[] }) {
  const columns = answerColumns(strip, words);
  if (!columns) return <LikelyAnswers strip={strip} words={words} />;
  return (
    <div className="overflow-x-auto" role="region" aria-label={t`expected reading`} tabIndex={0}>
      <table className="w-full text-sm">
        <thead>
          <tr className="text-left text-muted">
            <th className="pr-3 font-normal">{t`expected reading`}</th>
            {columns.map((i) => (
              <th key={words[i]} className="px-1 font-normal">
                {words[i]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {strip.rows.map((row) => (
            <tr key={row.id} className="border-t border-rule">
              <td className="max-w-48 pr-3">
                <RowName row={row} />
              </td>
              {columns.map((i) => (
                <td key={words[i]} className="px-1 whitespace-nowrap tabular-nums">
                  <Chance chance={row.words01?.[i] ?? 0} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Each suspect with what its cars would answer, where a column for each answer would not fit. */
function LikelyAnswers({ strip, words }: { strip: ForecastStrip; words: string[] }) {
  return (
    <div role="region" aria-label={t`expected reading`} className="text-sm">
      <p className="text-muted">{t`expected reading`}</p>
      <ul>
        {strip.rows.map((row) => (
          <li
            key={row.id}
            className="grid gap-x-3 border-t border-rule py-0.5 sm:grid-cols-[minmax(7rem,12rem)_minmax(0,1fr)]"
          >
            <RowName row={row} />
            <span className="flex flex-wrap gap-x-3 tabular-nums">
              {likelyAnswers(row, words).map(({ answer, chance }) => (
                <span key={answer} className="whitespace-nowrap">
                  {answer} <Chance chance={chance} />
                </span>
              ))}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Chance({ chance }: { chance: number }) {
  if (!isWorthShowing(chance)) return <span className="text-muted">·</span>;
  return <span className={isExpected(chance) ? "font-bold" : ""}>{formatShare(chance)}</span>;
}

function RowName({ row, className }: { row: ForecastStrip["rows"][number]; className?: string }) {
  return (
    <span
      className={clsx("block truncate", row.healthy && "font-semibold text-verdigris", className)}
      title={row.words}
    >
      {row.healthy ? t`✓ healthy` : row.words}
    </span>
  );
}
