"use client";
import { benchWorker } from "../query/workers";
import { t } from "@/core/words/words";
import { useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { answersFor } from "@/core/checks/answers";
import { hookupKey, type Hookup } from "@/core/checks/hookup";
import { walkRound } from "@/core/checks/walk-round";
import { cautions, instruction } from "@/core/checks/instruction";
import { hookupLabel } from "@/core/checks/words";
import { standingReadings } from "@/core/job/derive";
import { hookupOf, readingTyped } from "@/core/observation/read-observation";
import type { Entry, Job } from "@/core/job/schema";
import { capital } from "@/core/units/format";
import { stamp, withEntry } from "../jobs/entries";
import type { ChangeJob } from "../jobs/use-job";

import { Cap } from "../keys/cap";
import { PhotoStrip } from "./photo-strip";
import { toast } from "../keys/toast";
import { meantIn } from "@/core/units/local-units";
import { useSettings } from "../settings/use-settings";

/** The walk-round of the corner: one item after the other, one key each. */
export function EyesSheet({ job, change }: { job: Job; change: ChangeJob }) {
  const items = walkRound(job.setup);
  const answered = answersIn(job);
  const unseen = new Set(job.entries.flatMap((entry) => (entry.kind === "skip" ? [entry.check] : [])));
  const firstOpen = items.findIndex((item) => !answered.has(hookupKey(item)) && !unseen.has(hookupKey(item)));
  const [chosen, setChosen] = useState<number | null>(null);
  const at = chosen ?? (firstOpen < 0 ? items.length - 1 : firstOpen);
  const item = items[at]!;
  const append = (entry: Entry) => change((newest) => withEntry(newest, entry));
  const answer = (hookup: Hookup, typed: string) => {
    const read = readingTyped(hookup, typed, job.setup);
    if (!read.ok) return toast.error(read.say);
    const old = answered.get(hookupKey(hookup));
    if (old) append({ ...stamp(), kind: "retract", entry: old.id });
    append({ ...stamp(), kind: "reading", reading: read.value });
    setChosen(null);
  };
  const couldNotSee = () => {
    append({ ...stamp(), kind: "skip", check: hookupKey(item), reason: "could not see", label: hookupLabel(item) });
    setChosen(null);
  };
  useHotkeys("1,2,3,4,5,6", (_, { keys }) => {
    const word = answersFor(item)?.words[Number(keys?.[0]) - 1];
    if (word) answer(item, word);
  });
  const readIt = async () => {
    const read = await benchWorker.ask((remote) => remote.readSimulated(job, item));
    if (read) answer(item, read.shown);
  };
  useHotkeys("i", () => void readIt());
  useHotkeys("0", couldNotSee);
  useHotkeys("down", () => setChosen(Math.min(items.length - 1, at + 1)), { preventDefault: true });
  useHotkeys("up", () => setChosen(Math.max(0, at - 1)), { preventDefault: true });
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Eyes and hands`}>
      <h2 className="flex flex-wrap justify-between gap-2 border-b border-rule pb-1 text-sm">
        <span className="font-semibold text-muted">{t`Eyes and hands, in working order`}</span>
        <span className="font-mono text-muted">
          {answered.size
            ? t`${items.filter((one) => answered.has(hookupKey(one))).length} of ${items.length} seen`
            : t`${items.length} to see`}
        </span>
      </h2>
      <ol>
        {items.map((one, i) => (
          <li key={hookupKey(one)} className="border-b border-rule" aria-current={i === at ? "step" : undefined}>
            {i === at ? (
              <OpenItem
                hookup={one}
                job={job}
                answered={answered.get(hookupKey(one))?.value}
                onAnswer={(word) => answer(one, word)}
                onUnseen={couldNotSee}
                onReadIt={job.simulated ? () => void readIt() : null}
              />
            ) : (
              <button
                type="button"
                className="flex min-h-11 w-full items-center gap-3 px-1 py-1 text-left"
                onClick={() => setChosen(i)}
              >
                <span className="w-5 text-center font-mono text-muted" aria-hidden="true">
                  {answered.has(hookupKey(one)) ? "✓" : unseen.has(hookupKey(one)) ? "–" : ""}
                </span>
                <span>{capital(hookupLabel(one))}</span>
                <span className="ml-auto text-sm text-muted">
                  {saidOf(one, answered.get(hookupKey(one))?.value) ??
                    (unseen.has(hookupKey(one)) ? t`could not see` : "")}
                </span>
              </button>
            )}
          </li>
        ))}
      </ol>
      <PhotoStrip job={job} look={"look" in item ? item.look : undefined} onAdd={append} />
    </section>
  );
}

function OpenItem({
  hookup,
  job,
  answered,
  onAnswer,
  onUnseen,
  onReadIt,
}: {
  hookup: Hookup;
  job: Job;
  answered: string | undefined;
  onAnswer: (typed: string) => void;
  onUnseen: () => void;
  onReadIt: (() => void) | null;
}) {
  const { units } = useSettings().settings;
  const answers = answersFor(hookup);
  return (
    <div className="my-2 rounded-xl bg-paper p-3">
      <p className="font-bold">{instruction(hookup, job.setup)}</p>
      {cautions(hookup).map((caution) => (
        <p key={caution} className="text-sm">
          ▲ {caution}
        </p>
      ))}
      <div className="mt-2 flex flex-wrap gap-2">
        {answers ? (
          answers.words.map((word, i) => (
            <Cap key={word} legend={String(i + 1)} aria-pressed={answered === word} onClick={() => onAnswer(word)}>
              {answers.say[word]}
            </Cap>
          ))
        ) : (
          <form
            className="flex items-center gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              onAnswer(meantIn(String(new FormData(event.currentTarget).get("value")), "mm", units));
            }}
          >
            <input
              name="value"
              inputMode="decimal"
              aria-label={t`${hookupLabel(hookup)} in ${units.length === "in" ? t`inches` : t`millimetres`}`}
              defaultValue={answered}
              placeholder="0.4"
              className="min-h-12 w-28 rounded-lg border border-rule bg-card px-3 text-right font-mono text-2xl"
            />
            <span className="font-mono">{units.length}</span>
            <button type="submit" className="cap">
              <span className="legend">{t`Enter`}</span>
              <span>{t`log`}</span>
            </button>
          </form>
        )}
        <Cap legend="0" onClick={onUnseen}>{t`could not see`}</Cap>
        {onReadIt && <Cap legend="I" className="border-plum!" onClick={onReadIt}>{t`look at the simulated car`}</Cap>}
      </div>
    </div>
  );
}

function answersIn(job: Job): Map<string, { id: string; value: string }> {
  const found = new Map<string, { id: string; value: string }>();
  for (const { id, reading } of standingReadings(job)) {
    const hookup = hookupOf(reading, job.setup);
    if (hookup.ok && "look" in hookup.value) found.set(hookupKey(hookup.value), { id, value: String(reading.value) });
  }
  return found;
}

function saidOf(hookup: Hookup, value: string | undefined): string | null {
  if (value === undefined) return null;
  return answersFor(hookup)?.say[value] ?? value;
}
