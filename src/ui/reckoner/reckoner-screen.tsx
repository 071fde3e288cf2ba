"use client";
import { t } from "@/core/words/words";
import { useState } from "react";
import { decimal } from "@/core/units/decimal";
import { localSum } from "@/core/reckoner/local-sum";
import { sums, type Sum } from "@/core/reckoner/sums";
import { PlainHeader } from "../keys/plain-header";
import { useSettings } from "../settings/use-settings";

/** The small sums of the job, worked as they are typed. */
export function ReckonerScreen() {
  return (
    <>
      <PlainHeader title={t`Reckoner`} />
      <main className="grid gap-4 p-4 md:grid-cols-2 xl:grid-cols-3">
        {sums.map((sum) => (
          <SumCard key={sum.id} sum={sum} />
        ))}
      </main>
    </>
  );
}

function SumCard({ sum }: { sum: Sum }) {
  const { units } = useSettings().settings;
  const [typed, setTyped] = useState<Record<string, string>>({});
  const { fields, work } = localSum(sum, units);
  const text = (key: string) => typed[key] ?? fields.find((field) => field.key === key)?.usual ?? "";
  const lines = work((key) => decimal(text(key)) || 0, text);
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={sum.title}>
      <h2 className="border-b border-rule pb-1 font-semibold">{sum.title}</h2>
      <div className="grid grid-cols-2 gap-2 py-3">
        {fields.map(({ key, label, unit }) => (
          <label key={key} className="text-sm text-muted">
            {label}
            <span className="flex items-baseline gap-1">
              <input
                value={text(key)}
                inputMode={key === "tyre" ? "text" : "decimal"}
                className="min-h-12 w-full min-w-0 rounded-lg border border-rule bg-paper px-2 text-right font-mono text-lg text-ink"
                onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
              />
              {unit}
            </span>
          </label>
        ))}
      </div>
      <output className="grid gap-0.5" aria-live="polite">
        {lines.map((line) => (
          <span key={line} className="text-lg font-semibold">
            {/NaN|Infinity/.test(line) ? t`fill the fields` : line}
          </span>
        ))}
      </output>
      <p className="pt-2 text-sm text-muted">{sum.source}</p>
    </section>
  );
}
