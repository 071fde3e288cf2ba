"use client";
import { languageTag, t } from "@/core/words/words";
import { useState } from "react";
import { logText, readStateWords } from "@/core/bench/log-text";
import { hookupLabel } from "@/core/checks/words";
import { hookupOf } from "@/core/observation/read-observation";
import { shownValue } from "@/core/bench/shown-value";
import { skipWords } from "@/core/job/skip-reasons";
import { filterLog, logKinds, logKindWords, type LogKind } from "@/core/bench/log-filter";
import type { ReadingEntry } from "@/core/job/derive";
import type { Entry, Job } from "@/core/job/schema";
import type { Unread } from "@/core/observation/observation";
import { LONGEST } from "@/core/units/typed-text";
import { toast } from "../keys/toast";

/** Hours and minutes as the place writes them. */
const clockWords = (date: Date) =>
  new Intl.DateTimeFormat(languageTag(), { hour: "2-digit", minute: "2-digit" }).format(date);

/** Everything logged, newest first; a retracted entry stays readable, struck through. */
export function LogPanel({
  job,
  contradicted,
  unread,
  onRetract,
  onEdit,
  onNote,
  onHandOver,
}: {
  job: Job;
  contradicted: ReadonlySet<string>;
  /** Entries that say nothing for the set-up as it is now. */
  unread: ReadonlyMap<string, Unread>;
  onRetract: (id: string) => void;
  /** Retracts a reading and logs it anew as now typed. @returns what was not understood, or null */
  onEdit: (entry: ReadingEntry, typed: string) => string | null;
  onNote: (text: string) => void;
  /** One page for the next shift. */
  onHandOver: () => void;
}) {
  const [kind, setKind] = useState<LogKind>("all");
  const [text, setText] = useState("");
  const [editing, setEditing] = useState<string | null>(null);
  const retracted = new Set(job.entries.flatMap((entry) => (entry.kind === "retract" ? [entry.entry] : [])));
  const shown = filterLog(job, kind, text);
  return (
    <section aria-label={t`Log`} className="rounded-2xl border border-rule bg-card p-4">
      <h2 className="flex items-baseline justify-between border-b border-rule pb-1 text-sm">
        <span className="font-semibold text-muted">{t`Log`}</span>
        <span className="flex">
          <button
            type="button"
            className="min-h-8 px-2 text-muted underline"
            onClick={onHandOver}
          >{t`hand over`}</button>
          <button
            type="button"
            className="min-h-8 px-2 text-muted underline"
            onClick={() =>
              navigator.clipboard.writeText(logText(job)).then(
                () => toast(t`The log is on the clipboard.`),
                () => toast.error(t`The browser does not allow copying here.`),
              )
            }
          >{t`copy`}</button>
        </span>
      </h2>
      <form
        className="flex gap-2 py-2"
        onSubmit={(event) => {
          event.preventDefault();
          const form = event.currentTarget;
          const text = String(new FormData(form).get("note")).trim();
          if (text) onNote(text);
          form.reset();
        }}
      >
        <input
          name="note"
          maxLength={LONGEST.note}
          aria-label={t`Note`}
          placeholder={t`a note, for example: jumped when the arch loom was moved`}
          className="min-h-11 min-w-0 flex-1 rounded-lg border border-rule bg-paper px-3"
        />
        <button type="submit" className="min-h-11 rounded-lg border border-rule px-3">{t`note`}</button>
      </form>
      {job.entries.length > 4 && (
        <div className="flex flex-wrap gap-1 pb-2" role="group" aria-label={t`Show of the log`}>
          {logKinds.map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={kind === one}
              className="min-h-9 rounded-full border border-rule px-3 text-sm aria-pressed:border-marigold aria-pressed:bg-marigold-wash"
              onClick={() => setKind(one)}
            >
              {logKindWords[one]}
            </button>
          ))}
          <input
            value={text}
            aria-label={t`Find in the log`}
            placeholder={t`find`}
            className="min-h-9 w-24 flex-1 rounded-full border border-rule bg-paper px-3 text-sm"
            onChange={(event) => setText(event.target.value)}
          />
        </div>
      )}
      {shown.length === 0 && (
        <p className="py-3 text-muted">
          {job.entries.length === 0 ? t`Nothing measured yet. Type the first reading.` : t`Nothing of that in the log.`}
        </p>
      )}
      <ol className="max-h-72 overflow-y-auto">
        {shown.map((entry) => (
          <li key={entry.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-rule py-1.5">
            <time className="font-mono text-sm text-muted">{clockWords(new Date(entry.at))}</time>
            {entry.by && <span className="text-sm text-muted">{entry.by}</span>}
            {editing === entry.id && "reading" in entry ? (
              <EditReading
                entry={entry}
                onDone={(typed) => {
                  const refusal = typed === null ? null : onEdit(entry, typed);
                  if (refusal) toast.error(refusal);
                  else setEditing(null);
                }}
              />
            ) : (
              <span className={retracted.has(entry.id) ? "text-muted line-through" : ""}>
                <EntryText entry={entry} job={job} />
              </span>
            )}
            {unread.has(entry.id) && (
              <span className="basis-full pl-14 text-sm text-plum">
                <b>{t`not read:`}</b> {unread.get(entry.id)!.say} {unread.get(entry.id)!.mend}
              </span>
            )}
            {contradicted.has(entry.id) && <b className="text-plum">{t`? take again`}</b>}
            {!retracted.has(entry.id) && (
              <span className="ml-auto">
                {entry.kind === "reading" && editing !== entry.id && (
                  <button
                    type="button"
                    className="min-h-8 px-2 text-sm text-muted underline"
                    onClick={() => setEditing(entry.id)}
                  >{t`change`}</button>
                )}
                <button
                  type="button"
                  className="min-h-8 px-2 text-sm text-muted underline"
                  onClick={() => onRetract(entry.id)}
                >{t`retract`}</button>
              </span>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** A logged value being put right: Enter replaces it, Esc leaves it. */
function EditReading({ entry, onDone }: { entry: ReadingEntry; onDone: (typed: string | null) => void }) {
  return (
    <form
      className="flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onDone(String(new FormData(event.currentTarget).get("value")));
      }}
    >
      <input
        name="value"
        autoFocus
        aria-label={t`The right value`}
        maxLength={LONGEST.reading}
        defaultValue={String(entry.reading.finding ?? entry.reading.value ?? "")}
        className="min-h-10 w-32 rounded-lg border border-marigold bg-paper px-2 font-mono"
        onKeyDown={(event) => event.key === "Escape" && onDone(null)}
      />
      <button type="submit" className="min-h-10 rounded-lg border border-rule px-3 text-sm">{t`replace`}</button>
    </form>
  );
}

function EntryText({ entry, job }: { entry: Entry; job: Job }) {
  if (entry.kind === "skip") return <>{t`skipped a check: ${skipWords[entry.reason]}, ${entry.label}`}</>;
  if (entry.kind === "repair")
    return <b className="text-verdigris">{t`repaired${entry.guess ? t` on a guess` : ""}: ${entry.words}`}</b>;
  if (entry.kind === "tick")
    return (
      <>
        ✓ {entry.item}
        {entry.text ? `: ${entry.text}` : ""}
      </>
    );
  if (entry.kind === "photo") return <>{t`photo: ${entry.name}`}</>;
  if (entry.kind === "note") return <>{entry.text}</>;
  if (entry.kind === "retract") return null;
  const hookup = hookupOf(entry.reading, job.setup);
  return (
    <>
      <b className="mr-2 font-mono">{shownValue(entry.reading)}</b>
      {hookup.ok ? hookupLabel(hookup.value) : hookup.say}
      <span className="ml-2 text-sm text-muted">
        {entry.kind === "capture" || entry.kind === "scan" ? entry.name : hookup.ok ? readStateWords(job, entry) : ""}
      </span>
    </>
  );
}
