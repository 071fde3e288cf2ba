"use client";
import { useState } from "react";
import { signs, terms, type Entry } from "@/core/explain/glossary";
import { t } from "@/core/words/words";
import { useUnits } from "../settings/use-units";

/** Every word and sign the screens use, found as it is typed. */
export function Glossary() {
  const say = useUnits();
  const [sought, setSought] = useState("");
  const wanted = sought.trim().toLocaleLowerCase();
  const found = (entries: readonly Entry[]) =>
    entries.filter(({ term, says }) => `${term} ${says}`.toLocaleLowerCase().includes(wanted));
  const groups = [
    { head: t`Words`, entries: found(terms()) },
    { head: t`Signs and verdicts`, entries: found(signs()) },
  ].filter(({ entries }) => entries.length > 0);
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Words and signs`}>
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2 className="text-xl font-bold">{t`Words and signs`}</h2>
        <input
          type="search"
          aria-label={t`Find a word`}
          placeholder={t`Find a word`}
          className="min-h-11 w-full rounded-lg border border-rule bg-paper px-3 sm:w-64"
          value={sought}
          onChange={({ target }) => setSought(target.value)}
        />
      </div>
      {groups.length === 0 && <p className="py-8 text-center text-muted">{t`No such word here.`}</p>}
      {groups.map(({ head, entries }) => (
        <div key={head}>
          <h3 className="mt-4 text-sm font-semibold text-muted">{head}</h3>
          <dl className="gap-x-8 lg:columns-2">
            {entries.map(({ term, says }) => (
              <div key={term} className="break-inside-avoid border-b border-rule py-2">
                <dt className="font-semibold">{term}</dt>
                <dd className="text-sm">{say(says)}</dd>
              </div>
            ))}
          </dl>
        </div>
      ))}
    </section>
  );
}
