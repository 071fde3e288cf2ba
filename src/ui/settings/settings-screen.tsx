"use client";
import dynamic from "next/dynamic";
import { languages } from "@/core/settings/language";
import { languageTag, t } from "@/core/words/words";
import { approaches, approachWords } from "@/core/complaint/policy";
import { firstIssue } from "@/core/job/document";
import { meterSchema, usualMeter, type Meter } from "@/core/circuit/setup";
import { decimal } from "@/core/units/decimal";
import { LONGEST } from "@/core/units/typed-text";
import { MeterFields } from "../complaint/meter-fields";
import { Cap } from "../keys/cap";
import { PlainHeader } from "../keys/plain-header";
import { Field } from "./field";
import { useSettings } from "./use-settings";
import { toast } from "../keys/toast";

/** The long table of ratios, with all answers of the complaint, when it is wanted. */
const RatiosPanel = dynamic(() => import("./ratios-panel").then((module) => module.RatiosPanel), { ssr: false });
/** What needs the list of faults, or the store with all it can hold. */
const PriorsPanel = dynamic(() => import("./priors-panel").then((module) => module.PriorsPanel), { ssr: false });
const StorePanels = dynamic(() => import("./store-panels").then((module) => module.StorePanels), { ssr: false });

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
              onSet={(currency) =>
                currency && change({ estimate: { ...estimate, currency: currency.slice(0, LONGEST.currency) } })
              }
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
        <StorePanels />
      </main>
    </>
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
