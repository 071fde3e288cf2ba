"use client";
import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { useId, useState } from "react";
import { differences, joinedAs, type Difference } from "@/core/job/differences";
import type { Job } from "@/core/job/schema";
import { t } from "@/core/words/words";
import { Cap } from "../keys/cap";

/** A job that is here, and the copy of it that comes in. */
export interface Pair {
  here: Job;
  coming: Job;
}

/** What is told differently here and in a file, part by part, before the two are joined; readings of both are always kept. */
export function JoinDialog({
  pairs,
  onJoin,
  onLeave,
}: {
  pairs: readonly Pair[];
  onJoin: (jobs: Job[]) => void;
  onLeave: () => void;
}) {
  const [chosen, setChosen] = useState<ReadonlyMap<string, "here" | "coming">>(new Map());
  const choose = (id: string, key: string, which: "here" | "coming") =>
    setChosen((before) => new Map(before).set(`${id} ${key}`, which));
  const join = () =>
    onJoin(
      pairs.map(({ here, coming }) => {
        const own = differences(here, coming).map(
          ({ key, taken }) => [key, chosen.get(`${here.id} ${key}`) ?? taken] as const,
        );
        return joinedAs(here, coming, new Map(own), new Date().toISOString());
      }),
    );
  return (
    <Dialog open onClose={onLeave} className="relative z-20">
      <div className="fixed inset-0 bg-veil" aria-hidden="true" />
      <div className="fixed inset-0 flex items-start justify-center overflow-y-auto p-4">
        <DialogPanel className="w-full max-w-3xl rounded-2xl bg-card p-5 max-sm:p-3">
          <DialogTitle className="text-xl font-bold">{t`Told differently here and in the file`}</DialogTitle>
          <p className="mt-1 text-muted">{t`Readings of both are kept. Of each part below choose which stands; what was changed last is marked.`}</p>
          {pairs.map(({ here, coming }) => (
            <section key={here.id} className="mt-4" aria-label={here.car.name || t`unnamed car`}>
              {pairs.length > 1 && <h3 className="font-semibold">{here.car.name || t`unnamed car`}</h3>}
              <ul className="grid gap-2">
                {differences(here, coming).map((one) => (
                  <Row
                    key={one.key}
                    difference={one}
                    stands={chosen.get(`${here.id} ${one.key}`) ?? one.taken}
                    onChoose={(which) => choose(here.id, one.key, which)}
                  />
                ))}
              </ul>
            </section>
          ))}
          <div className="mt-5 flex flex-wrap gap-3">
            <Cap lead onClick={join}>{t`join them so`}</Cap>
            <Cap legend="Esc" onClick={onLeave}>{t`leave the file out`}</Cap>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Row({
  difference: { name, here, coming, taken },
  stands,
  onChoose,
}: {
  difference: Difference;
  stands: "here" | "coming";
  onChoose: (which: "here" | "coming") => void;
}) {
  // Two jobs may differ in the same part: each part's two choices are a group of their own.
  const group = useId();
  const sides = [
    { which: "here", where: t`here`, text: here },
    { which: "coming", where: t`in the file`, text: coming },
  ] as const;
  return (
    <li className="rounded-xl border border-rule p-3">
      <fieldset>
        <legend className="float-left mb-1 w-full text-sm text-muted">{name}</legend>
        <div className="clear-both grid gap-2 sm:grid-cols-2">
          {sides.map(({ which, where, text }) => (
            <label
              key={which}
              className="flex min-h-11 cursor-pointer items-start gap-3 rounded-lg border border-rule p-2 has-checked:border-marigold has-checked:bg-marigold-wash"
            >
              <input
                type="radio"
                name={group}
                className="mt-1 size-5 shrink-0"
                checked={stands === which}
                onChange={() => onChoose(which)}
              />
              <span className="min-w-0 break-words">
                <span className="block text-sm text-muted">
                  {where}
                  {taken === which && <b className="ml-2 text-ink">{t`changed last`}</b>}
                </span>
                {text}
              </span>
            </label>
          ))}
        </div>
      </fieldset>
    </li>
  );
}
