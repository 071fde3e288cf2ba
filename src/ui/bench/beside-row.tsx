"use client";
import { t } from "@/core/words/words";
import { Cap } from "../keys/cap";
import { useUnits } from "../settings/use-units";

export interface BesideProps {
  /** Number of the reading that this one could have been recorded with; null where there is none. */
  of: number | null;
  /** It is: a channel of that recording. */
  isOf: boolean;
  onOf: (same: boolean) => void;
  /** There is no second channel or meter: on this job no check is proposed with one. */
  onOneChannel: () => void;
}

/** What to read at the same time by a second channel: told before the leads are laid. */
export function Alongside({ say, onOneChannel }: { say: string } & Pick<BesideProps, "onOneChannel">) {
  const inUnits = useUnits();
  return (
    <p className="mt-1" data-testid="alongside">
      <span className="font-semibold">{inUnits(say)}</span>{" "}
      <button
        type="button"
        className="min-h-8 rounded-lg border border-rule px-2 text-muted"
        onClick={onOneChannel}
      >{t`only one at hand`}</button>
    </p>
  );
}

/** Whether a reading is another channel of what was read before it. */
export function SameRecording({ of, isOf, onOf }: Pick<BesideProps, "isOf" | "onOf"> & { of: number }) {
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2" role="group" aria-label={t`Recorded with`}>
      <span className="text-sm text-muted">{t`Read at the same time as reading ${of}:`}</span>
      <Cap onClick={() => onOf(true)} aria-pressed={isOf}>{t`yes, another channel`}</Cap>
      <Cap onClick={() => onOf(false)} aria-pressed={!isOf}>{t`no, by itself`}</Cap>
    </div>
  );
}
