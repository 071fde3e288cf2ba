"use client";
import { t } from "@/core/words/words";
import { Cap } from "../keys/cap";

/** Says that something could not be worked out, and offers to try again. */
export function WorkerFailure({ error, onRetry }: { error: Error; onRetry: () => void }) {
  return (
    <div role="alert" className="rounded-xl border border-brick bg-brick-wash p-4">
      <p>{t`Not worked out: ${error.message}. The log is safe.`}</p>
      <Cap className="mt-2" onClick={onRetry}>{t`try again`}</Cap>
    </div>
  );
}
