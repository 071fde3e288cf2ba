"use client";
import { format } from "date-fns";
import { toast } from "sonner";
import { logText } from "@/core/job/log-text";
import { hookupLabel, stateWords } from "@/core/checks/words";
import { hookupOf } from "@/core/job/reading";
import type { Entry, Job } from "@/core/job/schema";

/** Everything logged, newest first; a retracted entry stays readable, struck through. */
export function LogPanel({
  job,
  contradicted,
  onRetract,
  onNote,
}: {
  job: Job;
  contradicted: ReadonlySet<string>;
  onRetract: (id: string) => void;
  onNote: (text: string) => void;
}) {
  const retracted = new Set(job.entries.flatMap((entry) => (entry.kind === "retract" ? [entry.entry] : [])));
  const shown = job.entries.filter(({ kind }) => kind !== "retract").toReversed();
  return (
    <section aria-label="Log" className="rounded-2xl border border-rule bg-card p-4">
      <h2 className="flex items-baseline justify-between border-b border-rule pb-1 text-sm">
        <span className="font-semibold text-muted">Log</span>
        <button
          type="button"
          className="min-h-8 px-2 text-muted underline"
          onClick={() =>
            navigator.clipboard.writeText(logText(job)).then(
              () => toast("The log is on the clipboard."),
              () => toast.error("The browser does not allow copying here."),
            )
          }
        >
          copy
        </button>
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
          maxLength={4000}
          aria-label="Note"
          placeholder="a note, for example: jumped when the arch loom was moved"
          className="min-h-11 min-w-0 flex-1 rounded-lg border border-rule bg-paper px-3"
        />
        <button type="submit" className="min-h-11 rounded-lg border border-rule px-3">
          note
        </button>
      </form>
      {shown.length === 0 && <p className="py-3 text-muted">Nothing measured yet. Type the first reading.</p>}
      <ol className="max-h-72 overflow-y-auto">
        {shown.map((entry) => (
          <li key={entry.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-rule py-1.5">
            <time className="font-mono text-sm text-muted">{format(new Date(entry.at), "HH:mm")}</time>
            <span className={retracted.has(entry.id) ? "text-muted line-through" : ""}>
              <EntryText entry={entry} job={job} />
            </span>
            {contradicted.has(entry.id) && <b className="text-plum">? take again</b>}
            {!retracted.has(entry.id) && (
              <button
                type="button"
                className="ml-auto min-h-8 px-2 text-sm text-muted underline"
                onClick={() => onRetract(entry.id)}
              >
                retract
              </button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

function EntryText({ entry, job }: { entry: Entry; job: Job }) {
  if (entry.kind === "skip") return <>skipped a check: {entry.reason}</>;
  if (entry.kind === "repair")
    return (
      <b className="text-verdigris">
        repaired{entry.guess ? " on a guess" : ""}: {entry.words}
      </b>
    );
  if (entry.kind === "tick")
    return (
      <>
        ✓ {entry.item}
        {entry.text ? `: ${entry.text}` : ""}
      </>
    );
  if (entry.kind === "photo") return <>photo: {entry.name}</>;
  if (entry.kind === "note") return <>{entry.text}</>;
  if (entry.kind === "retract") return null;
  const hookup = hookupOf(entry.reading, job.setup);
  return (
    <>
      <b className="mr-2 font-mono">{entry.reading.finding ?? entry.reading.value}</b>
      {hookup.ok ? hookupLabel(hookup.value) : hookup.say}
      <span className="ml-2 text-sm text-muted">
        {entry.kind === "capture" || entry.kind === "scan"
          ? entry.name
          : hookup.ok
            ? stateWords(hookup.value.state)
            : ""}
      </span>
    </>
  );
}
