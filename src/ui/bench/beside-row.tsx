"use client";
import { t } from "@/core/words/words";
import type { NextCheck } from "@/core/bench/describe-hookup";
import { Cap } from "../keys/cap";
import { useUnits } from "../settings/use-units";

export interface BesideProps {
  /** Number of the reading that this one could have been recorded with; null where there is none. */
  of: number | null;
  /** It is: a channel of that recording. */
  isOf: boolean;
  onOf: (same: boolean) => void;
  /** There is no second channel or meter. */
  oneChannel: boolean;
  onOneChannel: (one: boolean) => void;
}

/** What to read at the same time by a second channel, or whether this is one. */
export function BesideRow({ check, of, isOf, onOf, oneChannel, onOneChannel }: BesideProps & { check: NextCheck }) {
  const say = useUnits();
  if (of !== null)
    return (
      <div className="mt-3 flex flex-wrap items-center gap-2" role="group" aria-label={t`Recorded with`}>
        <span className="text-sm text-muted">{t`Read at the same time as reading ${of}:`}</span>
        <Cap onClick={() => onOf(true)} aria-pressed={isOf}>{t`yes, another channel`}</Cap>
        <Cap onClick={() => onOf(false)} aria-pressed={!isOf}>{t`no, by itself`}</Cap>
      </div>
    );
  if (!check.beside) return null;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2" role="group" aria-label={t`Second channel`}>
      <span
        className={`min-w-64 flex-1 text-sm ${oneChannel ? "text-muted line-through" : ""}`}
        data-testid="alongside"
      >
        {say(check.beside.alongside)}
      </span>
      <Cap onClick={() => onOneChannel(!oneChannel)} aria-pressed={oneChannel}>{t`one channel only`}</Cap>
    </div>
  );
}
