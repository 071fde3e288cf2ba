"use client";
import { WithTerms } from "../keys/with-terms";
import { midSentence, t } from "@/core/words/words";
import { jt } from "../keys/words";
import clsx from "clsx";
import type { Diagnosis } from "@/core/bench/diagnosis";
import { isUnlistedShown, likelyPair } from "@/core/verdict/hypotheses";
import { partLabel } from "@/core/faults/parts/parts";
import { provenWords } from "@/core/verdict/proven-words";
import { formatShare } from "@/core/units/format";

const SHOWN = 5;

/** Ranked suspects with their trend, what would clear them, and what guessing would cost. */
export function SuspectsPanel({
  diagnosis,
  before,
  numberOf,
}: {
  diagnosis: Diagnosis;
  before: Record<string, number>;
  /** The number of an entry as the log is counted, from 1. */
  numberOf: (entryId: string) => number;
}) {
  const { suspects, guess, parts } = diagnosis;
  const unlisted = isUnlistedShown(diagnosis.unlisted) ? diagnosis.unlisted : null;
  const act = diagnosis.acts.find(({ now }) => now);
  const pair = likelyPair(diagnosis.hypotheses);
  const cleared = parts.filter(({ verdict }) => verdict === "cleared");
  return (
    <section aria-label={t`Suspects`} className="rounded-2xl border border-rule bg-card p-4">
      <h2 className="flex items-baseline justify-between gap-2 border-b border-rule pb-1 text-sm">
        <span className="font-semibold text-muted">{t`Suspects`}</span>
      </h2>
      {pair && (
        <p className="border-b border-rule py-2" data-pair>
          <b className="font-semibold">{t`Two things wrong at once:`}</b> {pair.words}{" "}
          <span className="font-bold tabular-nums">{formatShare(pair.share)}</span>
        </p>
      )}
      <ol>
        {/* By rank, not by suspect: a new order changes words in place and moves nothing. */}
        {suspects.slice(0, SHOWN).map((suspect, rank) => {
          const { id, words, share, verdict, clearedBy, provenBy, hangsOn, lacks } = suspect;
          const ofPart = verdict === "proven" ? provenWords(suspect, parts).partWithShare : null;
          return (
            <li key={rank} className="border-b border-rule py-2" data-suspect={id}>
              <p className="flex min-h-[2lh] items-end leading-snug font-semibold">
                <span>
                  {words}{" "}
                  {verdict === "proven" && (
                    <span className="rounded bg-verdigris px-1.5 py-0.5 text-sm whitespace-nowrap text-card">
                      <WithTerms>{ofPart ? t`✓ proven: ${ofPart}` : t`✓ proven`}</WithTerms>
                    </span>
                  )}
                </span>
              </p>
              <div className="mt-1 flex items-center gap-3">
                <span className="h-2.5 flex-1 rounded border border-rule bg-paper">
                  <span className="hatch block h-full rounded bg-brick" style={{ width: `${share * 100}%` }} />
                </span>
                <Trend now={share} then={before[id]} />
                <span className="min-w-14 text-right text-lg leading-tight font-bold whitespace-nowrap tabular-nums">
                  {formatShare(share)}
                </span>
              </div>
              <p className="mt-0.5 min-h-[2lh] text-sm leading-tight text-muted">
                {verdict === "proven"
                  ? t`Proven by reading ${provenBy.map(numberOf).join(", ")}.`
                  : hangsOn
                    ? t`All of it hangs on reading ${numberOf(hangsOn)}: confirm it another way before anything is fitted.`
                    : lacks.length > 0
                      ? t`Before condemning it: ${lacks.join("; ")}.`
                      : t`Cleared by: ${clearedBy}`}
              </p>
            </li>
          );
        })}
        {unlisted !== null && (
          <li className="border-b border-rule py-2" data-suspect="unlisted">
            <p className="flex items-baseline justify-between gap-3 font-semibold">
              <span>
                <WithTerms>{t`Something not listed here`}</WithTerms>
              </span>
              <span className="text-lg tabular-nums">{formatShare(unlisted)}</span>
            </p>
            <p className="text-sm leading-tight text-muted">{t`A fault this list does not know, or a reading that is not what it seems.`}</p>
          </li>
        )}
      </ol>
      <p className="min-h-[2lh] pt-2 text-sm text-verdigris">
        {cleared.length > 0 && (
          <WithTerms>{t`✓ Cleared: ${cleared.map(({ part }) => partLabel(part)).join(", ")}`}</WithTerms>
        )}
      </p>
      <div className="mt-2 rounded-xl border border-rule bg-paper p-3 text-sm">
        <p>{jt`${(<b>{t`Fit a sensor now?`}</b>)} ${guess.fitSensorNow.chancePct} in 100 would be fixed.`}</p>
        <p className="text-muted">{t`Average bill by guessing ${guess.fitSensorNow.expectedCost} · measuring on ${guess.plan.expectedCost} (estimates)`}</p>
        <p className="mt-1 font-medium">
          {act ? t`Cheaper now: ${midSentence(act.words)}.` : t`Cheaper now: measure on.`}
        </p>
      </div>
    </section>
  );
}

function Trend({ now, then }: { now: number; then: number | undefined }) {
  const change = then === undefined ? 0 : Math.round((now - then) * 100);
  return (
    <span
      className={clsx(
        "w-12 text-right font-mono text-sm tabular-nums",
        change > 0 ? "text-brick" : change < 0 ? "text-verdigris" : "text-muted",
      )}
    >
      {change > 0 ? `▲ ${change}` : change < 0 ? `▼ ${-change}` : "="}
    </span>
  );
}
