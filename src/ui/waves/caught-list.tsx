"use client";
import { findingKind, findingCodes } from "@/core/checks/findings/findings";
import { APART, LAST_MINUTE } from "@/core/capture/watch";
import { languageTag, t } from "@/core/words/words";
import type { CaughtMoment } from "@/store/caught-moments";
import { Cap } from "../keys/cap";

/** Moments a watch has caught on this job, to be opened, used or thrown away. */
export function CaughtList({
  moments,
  isHeld,
  onSave,
  onOpen,
  onDrop,
}: {
  moments: readonly CaughtMoment[];
  /** Whether a moment is held by this page alone. */
  isHeld: (captureId: string) => boolean;
  onSave: (moment: CaughtMoment) => void;
  onOpen: (moment: CaughtMoment) => void;
  onDrop: (moment: CaughtMoment) => void;
}) {
  const time = new Intl.DateTimeFormat(languageTag(), { dateStyle: "short", timeStyle: "medium" });
  return (
    <section aria-label={t`Caught while watching`} className="m-4 rounded-2xl border border-brick bg-card p-4">
      <h2 className="border-b border-rule pb-1 font-semibold">{t`Caught while watching`}</h2>
      <ul>
        {moments.map((moment) => (
          <li
            key={moment.captureId}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-1.5"
          >
            <span className="font-mono text-sm">{time.format(new Date(moment.at))}</span>
            <span className="font-semibold">{titleOf(moment.code)}</span>
            {moment.mark && <span className="text-muted">{moment.mark}</span>}
            {isHeld(moment.captureId) && (
              <span className="text-brick">▲ {t`no room in this browser: gone when the page closes`}</span>
            )}
            <span className="ml-auto flex gap-2">
              {isHeld(moment.captureId) && <Cap onClick={() => onSave(moment)}>{t`save as file`}</Cap>}
              <Cap onClick={() => onOpen(moment)}>{t`open`}</Cap>
              <Cap onClick={() => onDrop(moment)}>{t`throw away`}</Cap>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function titleOf(code: string): string {
  if (code === APART) return t`Speeds of the two wheels apart`;
  if (code === LAST_MINUTE) return t`The last minute before the page ended`;
  const known = findingCodes.find((one) => one === code);
  return known ? findingKind(known).title() : code;
}
