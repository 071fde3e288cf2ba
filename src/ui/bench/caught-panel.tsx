"use client";
import { t } from "@/core/words/words";
import { useState } from "react";
import { placesToWiggle } from "@/core/checks/wiggle-list";
import type { Entry, Job } from "@/core/job/schema";
import { readingFrom } from "@/core/observation/read-observation";
import { stamp } from "../jobs/entries";
import { Cap } from "../keys/cap";

/** For faults that come and go: what was moved, and “caught it” at the moment it shows. */
export function CaughtPanel({ job, onAppend }: { job: Job; onAppend: (entry: Entry) => void }) {
  const places = placesToWiggle(job.setup);
  const [at, setAt] = useState(0);
  const place = places[at]!;
  const answer = (word: "jumps" | "steady") => {
    onAppend({
      ...stamp(),
      kind: "reading",
      reading: readingFrom(place.hookup, word),
    });
    if (word === "steady") setAt((at + 1) % places.length);
  };
  return (
    <section className="rounded-2xl border border-plum bg-card p-4" aria-label={t`Catch it`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-plum">{t`Comes and goes: catch it`}</h2>
      <p className="py-1 text-sm">{t`Back-probe, do not unplug. Watch the reading while each place is bent, tugged, warmed or wetted.`}</p>
      <div className="flex flex-wrap gap-2">
        {places.map(({ say }, i) => (
          <Cap key={say} aria-pressed={i === at} onClick={() => setAt(i)}>
            {say}
          </Cap>
        ))}
      </div>
      <div className="mt-3 flex flex-wrap gap-2">
        <Cap lead onClick={() => answer("jumps")}>{t`caught it here`}</Cap>
        <Cap onClick={() => answer("steady")}>{t`steady, next place`}</Cap>
      </div>
    </section>
  );
}
