"use client";
import dynamic from "next/dynamic";
import { languages } from "@/core/settings/language";
import { languageTag, t } from "@/core/words/words";
import { approaches, approachWords } from "@/core/complaint/policy";
import { useEffect, useState } from "react";
import { exportJob } from "@/core/job/file";
import { firstIssue } from "@/core/job/document";
import { meterSchema, usualMeter, type Meter } from "@/core/circuit/setup";
import { withShare } from "@/core/faults/catalogue";
import { defaultPriors, parts, partLabel } from "@/core/faults/parts/parts";
import { decimal } from "@/core/units/decimal";
import { listJobs } from "@/store/jobs";
import { listSnapshots, restoreSnapshot, type Snapshot } from "@/store/snapshots";
import { MeterFields } from "../complaint/meter-fields";
import { download } from "../jobs/download";
import { Cap } from "../keys/cap";
import { DraftInput } from "../keys/draft-input";
import { PlainHeader } from "../keys/plain-header";
import { useSettings } from "./use-settings";
import { toast } from "../keys/toast";

/** The long table of ratios, with all answers of the complaint, when it is wanted. */
const RatiosPanel = dynamic(() => import("./ratios-panel").then((module) => module.RatiosPanel), { ssr: false });

/** Units, money, and the store. */
export function SettingsScreen() {
  const { settings, change } = useSettings();
  const { estimate } = settings;
  const number = (key: "labourRate" | "taxPct" | "seizedPct" | "seizedMin", most: number) => (text: string) => {
    const value = decimal(text);
    if (!Number.isFinite(value) || value < 0 || value > most) return toast.error(t`A number from 0 to ${most}.`);
    change({ estimate: { ...estimate, [key]: value } });
  };
  return (
    <>
      <PlainHeader title={t`Settings`} />
      <main className="mx-auto grid max-w-4xl gap-4 p-4 md:grid-cols-2">
        <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Estimate`}>
          <h2 className="border-b border-rule pb-1 font-semibold">{t`Estimates`}</h2>
          <div className="grid grid-cols-2 gap-3 pt-3">
            <Field
              label={t`currency`}
              value={estimate.currency}
              onSet={(currency) => currency && change({ estimate: { ...estimate, currency: currency.slice(0, 4) } })}
            />
            <Field label={t`labour, an hour`} value={String(estimate.labourRate)} onSet={number("labourRate", 1000)} />
            <Field label={t`tax, %`} value={String(estimate.taxPct)} onSet={number("taxPct", 100)} />
            <Field
              label={t`seized sensors, in 100`}
              value={String(estimate.seizedPct)}
              onSet={number("seizedPct", 100)}
            />
            <Field
              label={t`minutes a seized one adds`}
              value={String(estimate.seizedMin)}
              onSet={number("seizedMin", 600)}
            />
          </div>
        </section>
        <WayPanel />
        <UnitsPanel />
        <LookPanel />
        <PriorsPanel />
        <RatiosPanel />
        <StorePanel />
        <SnapshotsPanel />
      </main>
    </>
  );
}

function Field({ label, value, onSet }: { label: string; value: string; onSet: (text: string) => void }) {
  return (
    <label className="text-sm text-muted">
      {label}
      <DraftInput
        field={`settings/${label}`}
        value={value}
        className="min-h-12 w-full rounded-lg border border-rule bg-paper px-2 text-right font-mono text-lg text-ink"
        onTake={onSet}
      />
    </label>
  );
}

/** How new jobs go about it: approach, pierce rule, and the meter in the shop. */
function WayPanel() {
  const { settings, change } = useSettings();
  const { policy } = settings;
  const setMeter = (typed: Meter) => {
    const parsed = meterSchema.safeParse(typed);
    if (parsed.success) change({ meter: parsed.data });
    else toast.error(t`Not taken: ${firstIssue(parsed.error)}. The old value stands.`);
  };
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`How we go about it`}>
      <h2 className="border-b border-rule pb-1 font-semibold">{t`How new jobs go about it`}</h2>
      <div className="flex flex-wrap gap-2 pt-3" role="group" aria-label={t`Approach`}>
        {approaches.map((approach) => (
          <Cap
            key={approach}
            aria-pressed={policy.approach === approach}
            onClick={() => change({ policy: { ...policy, approach } })}
          >
            {approachWords[approach]}
          </Cap>
        ))}
      </div>
      <div className="flex flex-wrap gap-2 pt-2" role="group" aria-label={t`Piercing`}>
        {([false, true] as const).map((pierce) => (
          <Cap
            key={String(pierce)}
            aria-pressed={policy.pierce === pierce}
            onClick={() => change({ policy: { ...policy, pierce } })}
          >
            {pierce ? t`pierce sparingly, sealed` : t`never pierce`}
          </Cap>
        ))}
      </div>
      <div className="pt-3">
        <MeterFields field="settings" meter={settings.meter ?? usualMeter} onChange={setMeter} />
      </div>
    </section>
  );
}

const UNITS = () =>
  [
    ["speed", t`speed`, ["km/h", "mph"]],
    ["length", t`gaps`, ["mm", "in"]],
    ["torque", t`torque`, ["N·m", "lb·ft"]],
    ["temperature", t`temperature`, ["°C", "°F"]],
  ] as const;

function UnitsPanel() {
  const { settings, change } = useSettings();
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Units`}>
      <h2 className="border-b border-rule pb-1 font-semibold">{t`Units`}</h2>
      <p className="pt-2 text-sm text-muted">{t`For what is shown. Either unit is understood wherever one is typed.`}</p>
      {UNITS().map(([key, label, choices]) => (
        <fieldset key={key} className="flex flex-wrap items-center gap-2 pt-2">
          <legend className="sr-only">{label}</legend>
          <span className="w-28 text-muted">{label}</span>
          {choices.map((choice) => (
            <Cap
              key={choice}
              aria-pressed={settings.units[key] === choice}
              onClick={() => change({ units: { ...settings.units, [key]: choice } })}
            >
              {choice}
            </Cap>
          ))}
        </fieldset>
      ))}
    </section>
  );
}

const THEMES = {
  get light() {
    return t`light, for glare`;
  },
  get dark() {
    return t`dark, for night work`;
  },
  get machine() {
    return t`as this machine`;
  },
} as const;
const CONTRASTS = {
  get usual() {
    return t`usual contrast`;
  },
  get high() {
    return t`high contrast`;
  },
} as const;

/** Each in its own tongue, so that it can be found from any other. */
const LANGUAGES: Record<(typeof languages)[number], string> = { en: "English", de: "Deutsch" };

function LookPanel() {
  const { settings, change } = useSettings();
  const { look } = settings;
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Look of the screen`}>
      <h2 className="border-b border-rule pb-1 font-semibold">{t`Look of the screen`}</h2>
      <div className="flex flex-wrap gap-2 pt-3" role="group" aria-label={t`Light or dark`}>
        {(["light", "dark", "machine"] as const).map((theme) => (
          <Cap key={theme} aria-pressed={look.theme === theme} onClick={() => change({ look: { ...look, theme } })}>
            {THEMES[theme]}
          </Cap>
        ))}
      </div>
      <div className="flex flex-wrap gap-2 pt-2" role="group" aria-label={t`Language`}>
        {languages.map((language) => (
          <Cap
            key={language}
            lang={language}
            aria-pressed={languageTag() === language}
            onClick={() => change({ language })}
          >
            {LANGUAGES[language]}
          </Cap>
        ))}
      </div>
      <div className="flex flex-wrap gap-2 pt-2" role="group" aria-label={t`Contrast`}>
        {(["usual", "high"] as const).map((contrast) => (
          <Cap
            key={contrast}
            aria-pressed={look.contrast === contrast}
            onClick={() => change({ look: { ...look, contrast } })}
          >
            {CONTRASTS[contrast]}
          </Cap>
        ))}
      </div>
    </section>
  );
}

/** Where new jobs begin: the usual shares, the shop's own, or as typed here. */
function PriorsPanel() {
  const { settings, change } = useSettings();
  const shares = settings.priors ?? defaultPriors;
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`How likely each part is`}>
      <h2 className="border-b border-rule pb-1 font-semibold">{t`Before anything is known`}</h2>
      <p className="pt-2 text-sm text-muted">{t`How likely each part is on a new job, in per cent; they are brought to 100 together. Jobs already begun keep theirs. ${settings.priors ? t`These are the shop's own.` : t`These are the usual ones: salt road, no recent work.`}`}</p>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2 pt-2">
        {parts.map((part) => (
          <Field
            key={part}
            label={partLabel(part)}
            value={String(Math.round(1000 * shares[part]) / 10)}
            onSet={(text) => {
              const next = withShare(shares, part, decimal(text));
              if (next) change({ priors: next });
              else toast.error(t`A number from 0 to 100.`);
            }}
          />
        ))}
      </div>
      <Cap
        className="mt-3"
        disabled={!settings.priors}
        onClick={() => change({ priors: undefined })}
      >{t`back to the usual`}</Cap>
    </section>
  );
}

/** Copies the browser keeps by itself, and the way back. */
function SnapshotsPanel() {
  const [list, setList] = useState<Snapshot[]>([]);
  useEffect(() => {
    listSnapshots().then(setList, (error: unknown) => toast.error(t`The copies cannot be read: ${String(error)}`));
  }, []);
  const restore = async (snapshot: Snapshot) => {
    try {
      const { returned, joined } = await restoreSnapshot(snapshot);
      toast(t`${returned} jobs brought back, ${joined} joined with what is here. Nothing was taken away.`);
    } catch (error) {
      toast.error(t`Not restored: ${String(error)}. What is here was not changed.`);
    }
  };
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Copies`}>
      <h2 className="border-b border-rule pb-1 font-semibold">{t`Copies kept by themselves`}</h2>
      <p className="pt-2 text-sm text-muted">{t`Twice a day, the last eight. Restoring brings back what is missing and takes nothing away.`}</p>
      {list.length === 0 && (
        <p className="pt-2 text-muted">{t`None yet: the first is made when the jobs board opens.`}</p>
      )}
      <ul>
        {list.map((snapshot) => (
          <li key={snapshot.at} className="flex items-center justify-between gap-3 border-t border-rule py-1.5">
            <span>{t`${whenWords(new Date(snapshot.at))} · ${snapshot.jobs.length} jobs`}</span>
            <Cap onClick={() => void restore(snapshot)}>{t`restore`}</Cap>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Day and time as the place writes them. */
const whenWords = (date: Date) =>
  new Intl.DateTimeFormat(languageTag(), { dateStyle: "medium", timeStyle: "short" }).format(date);

function StorePanel() {
  const [used, setUsed] = useState<{ mb: number; persistent: boolean } | null>(null);
  useEffect(() => {
    let live = true;
    const look = async () => {
      if (!navigator.storage) return;
      const [{ usage }, persistent] = await Promise.all([navigator.storage.estimate(), navigator.storage.persisted()]);
      if (live) setUsed({ mb: (usage ?? 0) / 1e6, persistent });
    };
    look().catch((error: unknown) => toast.error(t`The store cannot be asked: ${String(error)}`));
    return () => {
      live = false;
    };
  }, []);
  const keep = async () => {
    const persistent = await navigator.storage.persist();
    setUsed((now) => now && { ...now, persistent });
    toast(
      persistent
        ? t`The browser will not clear this store by itself.`
        : t`The browser did not agree. Export now and then.`,
    );
  };
  const all = async () => {
    const { jobs } = await listJobs();
    download("tastatura-all-jobs.json", `[${jobs.map(exportJob).join(",\n")}]`);
  };
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Store`}>
      <h2 className="border-b border-rule pb-1 font-semibold">{t`What is kept, and where`}</h2>
      <p className="pt-3">{t`Everything stays in this browser${used ? t`: ${used.mb.toFixed(1)} MB` : ""}. Nothing leaves this machine and its own server; a PDF is set there and not kept.`}</p>
      <p className="text-muted">
        {used?.persistent
          ? t`✓ The browser promised to keep it.`
          : t`A browser may clear it when the disk is full. Ask it to keep the store, and export jobs that matter.`}
      </p>
      <div className="flex flex-wrap gap-2 pt-3">
        <Cap onClick={() => void keep()} disabled={used?.persistent === true}>{t`keep the store`}</Cap>
        <Cap onClick={() => void all()}>{t`all jobs as a file`}</Cap>
      </div>
    </section>
  );
}
