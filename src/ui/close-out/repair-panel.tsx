"use client";
import { midSentence, t } from "@/core/words/words";
import { useState } from "react";
import type { RepairEntry } from "@/core/job/derive";
import type { Suspect } from "@/core/verdict/suspects";
import type { RepairPlan } from "@/core/faults/repair-words";
import { otherTorque } from "@/core/repair/repair-plan";
import { decimal } from "@/core/units/decimal";
import { formatShare } from "@/core/units/format";
import { Cap } from "../keys/cap";
import { useDraft } from "../keys/use-draft";
import { useSettings } from "../settings/use-settings";

interface RepairProps {
  plan: RepairPlan;
  ticked: ReadonlySet<string>;
  onTick: (item: string, text?: string) => void;
  /** What was written to a ticked item; null where nothing was. */
  saidOf: (item: string) => string | null;
  jobId: string;
  repaired: RepairEntry | null;
  guess: boolean;
  lead: Suspect;
  onRepaired: () => void;
}

/** The repair in working order, ticked off; a repair without proof is possible and recorded as the guess it is. */
export function RepairPanel({ plan, ticked, onTick, saidOf, jobId, repaired, guess, lead, onRepaired }: RepairProps) {
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Repair`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Repair`}</h2>
      <p className="mt-2 text-lg font-bold">{plan.title}</p>
      {plan.cautions.map((caution) => (
        <p key={caution} className="text-sm">
          ▲ {caution}
        </p>
      ))}
      {plan.newPart.length > 0 && (
        <>
          <h3 className="mt-3 text-sm font-semibold text-muted">{t`New part, before it goes in`}</h3>
          <Ticks items={plan.newPart} ticked={ticked} onTick={onTick} />
        </>
      )}
      <h3 className="mt-3 text-sm font-semibold text-muted">{t`Steps`}</h3>
      <Ticks items={plan.steps} ticked={ticked} onTick={onTick} numbered />
      {plan.torques.length > 0 && (
        <>
          <h3 className="mt-3 text-sm font-semibold text-muted">{t`Torques, from the maker`}</h3>
          <div className="flex flex-wrap gap-3">
            {plan.torques.map((name) => (
              <Torque
                key={name}
                field={`${jobId}/torque/${name}`}
                name={name}
                stored={saidOf(t`torque ${name}`)}
                onSet={(text) => onTick(t`torque ${name}`, text)}
              />
            ))}
          </div>
        </>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-3">
        <Cap lead onClick={onRepaired}>
          {repaired ? t`not repaired after all` : guess ? t`fit it anyway, as a guess` : t`repaired`}
        </Cap>
        <p className="text-sm text-muted">
          {repaired
            ? t`Marked as repaired${repaired.guess ? t`, on a guess of ${formatShare(repaired.share)}` : ""}. Readings from here on are “after”.`
            : guess
              ? t`Not proven. It will be recorded as a guess: ${formatShare(lead.share)} for ${midSentence(lead.words)}.`
              : t`Readings taken after this are compared with those before it.`}
        </p>
      </div>
    </section>
  );
}

function Ticks({
  items,
  ticked,
  onTick,
  numbered = false,
}: {
  items: readonly string[];
  ticked: ReadonlySet<string>;
  onTick: (item: string) => void;
  numbered?: boolean;
}) {
  return (
    <ul>
      {items.map((item, i) => (
        <li key={item} className="border-t border-rule">
          <button
            type="button"
            role="checkbox"
            aria-checked={ticked.has(item)}
            className="flex min-h-11 w-full items-start gap-3 py-2 text-left"
            onClick={() => onTick(item)}
          >
            <span
              aria-hidden="true"
              className={`mt-0.5 grid size-6 shrink-0 place-items-center rounded border font-mono text-sm ${ticked.has(item) ? "border-verdigris bg-verdigris text-card" : "border-muted"}`}
            >
              {ticked.has(item) ? "✓" : numbered ? i + 1 : ""}
            </span>
            <span className={ticked.has(item) ? "text-muted" : ""}>{item}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

interface TorqueProps {
  field: string;
  name: string;
  /** As it was written down: “119 N·m”. */
  stored: string | null;
  onSet: (text: string) => void;
}

function Torque({ field, name, stored, onSet }: TorqueProps) {
  const preferred = useSettings().settings.units.torque;
  const [number = "", known] = stored?.split(" ") ?? [];
  const { draft, type, drop } = useDraft(field);
  const [chosen, setUnit] = useState<typeof preferred | null>(null);
  const unit = chosen ?? (known === "N·m" || known === "lb·ft" ? known : preferred);
  const text = draft ?? number;
  const other = otherTorque(decimal(text), unit);
  const take = (inUnit: typeof unit) => {
    if (other === null) return;
    drop();
    if (stored !== `${text} ${inUnit}`) onSet(`${text} ${inUnit}`);
  };
  return (
    <label className="text-sm text-muted">
      {name}
      <span className="flex items-baseline gap-1">
        <input
          inputMode="decimal"
          value={text}
          className="min-h-11 w-20 rounded-lg border border-rule bg-paper px-2 text-right font-mono text-lg text-ink"
          onChange={(event) => type(event.target.value)}
          onBlur={() => take(unit)}
        />
        <button
          type="button"
          className="min-h-11 rounded-lg border border-rule px-2 text-ink"
          aria-label={t`unit of ${name}: ${unit}, change`}
          onClick={() => {
            const next = unit === "N·m" ? "lb·ft" : "N·m";
            setUnit(next);
            take(next);
          }}
        >
          {unit}
        </button>
        {other !== null && (
          <span className="font-mono">{`= ${other.toFixed(0)} ${unit === "N·m" ? "lb·ft" : "N·m"}`}</span>
        )}
      </span>
    </label>
  );
}
