"use client";
import { t } from "@/core/words/words";
import Link from "next/link";
import { Cap } from "./cap";

/** A room that fell over: what happened, and the ways on. Nothing stored is touched by it. */
export function RoomFailed({ say, onRetry }: { say: string; onRetry: () => void }) {
  return (
    <main className="m-6 rounded-2xl border border-brick bg-card p-6" role="alert">
      <h1 className="text-xl font-bold">{t`This room could not be shown.`}</h1>
      <p className="py-2">{t`What went wrong: ${say}. What is stored was not touched.`}</p>
      <div className="flex flex-wrap gap-2">
        <Cap lead onClick={onRetry}>{t`try again`}</Cap>
        <Link className="cap" href="/">
          <span className="legend" aria-hidden="true" />
          <span>{t`jobs board`}</span>
        </Link>
      </div>
    </main>
  );
}
