"use client";
import dynamic from "next/dynamic";
import { languages } from "@/core/settings/language";
import { languageTag, t } from "@/core/words/words";
import { approaches, approachWords } from "@/core/complaint/policy";
import { usualMeter } from "@/core/circuit/setup";
import { LONGEST } from "@/core/units/typed-text";
import { MeterFields } from "../complaint/meter-fields";
import { estimateFields } from "@/core/repair/usual-estimate";
import { Cap } from "../keys/cap";
import { DraftInput } from "../keys/draft-input";
import { PlainHeader } from "../keys/plain-header";
import { Figure } from "./field";
import { useSettings } from "./use-settings";

/** The long table of ratios, with all answers of the complaint, when it is wanted. */
const RatiosPanel = dynamic(() => import("./ratios-panel").then((module) => module.RatiosPanel), { ssr: false });
/** What needs the list of faults, or the store with all it can hold. */
const PriorsPanel = dynamic(() => import("./priors-panel").then((module) => module.PriorsPanel), { ssr: false });
const FolderPanel = dynamic(() => import("../shop-folder/folder-panel").then((module) => module.FolderPanel), {
  ssr: false,
});
const StorePanels = dynamic(() => import("./store-panels").then((module) => module.StorePanels), { ssr: false });

/** Units, money, and the store. */
export function SettingsScreen() {
  const { settings, change } = useSettings();
  const { estimate } = settings;
  return (
    <>
      <PlainHeader title={t`Settings`} />
      <main className="mx-auto grid max-w-4xl gap-4 p-4 md:grid-cols-2">
        <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Estimate`}>
          <h2 className="border-b border-rule pb-1 font-semibold">{t`Estimates`}</h2>
          <div className="grid grid-cols-2 gap-3 pt-3">
            <label className="text-sm text-muted">
              {t`currency`}
              <DraftInput
                field="settings/currency"
                value={estimate.currency}
                maxLength={LONGEST.currency}
                check={(text) => (text === "" ? t`A sign or letters for the money.` : null)}
                className="min-h-12 w-full rounded-lg border border-rule bg-paper px-2 text-right font-mono text-lg text-ink"
                onTake={(currency) => change({ estimate: { ...estimate, currency } })}
              />
            </label>
            {FIGURES().map(([key, label]) => (
              <Figure
                key={key}
                label={label}
                of={estimateFields[key]}
                value={estimate[key]}
                onTake={(value) => change({ estimate: { ...estimate, [key]: value } })}
              />
            ))}
          </div>
        </section>
        <WayPanel />
        <UnitsPanel />
        <LookPanel />
        <PriorsPanel />
        <RatiosPanel />
        <FolderPanel />
        <StorePanels />
      </main>
    </>
  );
}

const FIGURES = () =>
  [
    ["labourRate", t`labour, an hour`],
    ["taxPct", t`tax, %`],
    ["seizedPct", t`seized sensors, in 100`],
    ["seizedMin", t`minutes a seized one adds`],
  ] as const;

/** How new jobs go about it: approach, pierce rule, and the meter in the shop. */
function WayPanel() {
  const { settings, change } = useSettings();
  const { policy } = settings;
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`How we go about it`}>
      <h2 className="border-b border-rule pb-1 font-semibold">{t`How new jobs go about it`}</h2>
      <label className="flex items-center gap-3 pt-3 text-sm text-muted">
        {t`Who works here`}
        <DraftInput
          field="settings/person"
          value={settings.person ?? ""}
          maxLength={LONGEST.person}
          className="min-h-11 flex-1 rounded-lg border border-rule bg-paper px-2 text-base text-ink"
          onTake={(person) => change({ person })}
        />
      </label>
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
        <MeterFields field="settings" meter={settings.meter ?? usualMeter} onChange={(meter) => change({ meter })} />
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
