"use client";
import { t } from "@/core/words/words";
import { useState } from "react";
import { families, familyWords } from "@/core/circuit/setup";
import { contactAt, contactPlace, leakAt, leakPlace } from "@/core/explain/decades";
import { explainCorner, traceSeconds, usualExplain, type ExplainSettings } from "@/core/explain/explain";
import { lessonSettings, lessons } from "@/core/explain/lessons";
import { formatQuantity } from "@/core/units/format";
import { Cap } from "../keys/cap";
import { Slider } from "../keys/slider";
import { useUnits } from "../settings/use-units";
import { RingRasterView } from "../waves/ring-raster-view";
import { Glossary } from "./glossary";

/** Lessons, sliders, and what the corner answers to them. */
export function Lessons() {
  const say = useUnits();
  const [at, setAt] = useState(0);
  const [settings, setSettings] = useState<ExplainSettings>(lessonSettings(lessons[0]!));
  const lesson = lessons[at];
  const explained = explainCorner(settings);
  const set = (parts: Partial<ExplainSettings>) => setSettings({ ...settings, ...parts });
  return (
    <main className="grid gap-4 p-4 lg:grid-cols-[20rem_minmax(0,1fr)]">
      <nav className="rounded-2xl border border-rule bg-card p-3" aria-label={t`Lessons`}>
        <ol className="grid">
          {lessons.map(({ title }, i) => (
            <li key={title}>
              <button
                type="button"
                aria-current={i === at ? "step" : undefined}
                className={`min-h-11 w-full rounded-lg px-3 text-left ${i === at ? "bg-marigold-wash font-semibold" : ""}`}
                onClick={() => {
                  setAt(i);
                  setSettings(lessonSettings(lessons[i]!));
                }}
              >
                {i + 1}. {title}
              </button>
            </li>
          ))}
        </ol>
        <button
          type="button"
          aria-current={at === lessons.length ? "step" : undefined}
          className={`mt-2 min-h-11 w-full rounded-lg border-t border-rule px-3 text-left ${at === lessons.length ? "bg-marigold-wash font-semibold" : ""}`}
          onClick={() => setAt(lessons.length)}
        >
          {t`Words and signs`}
        </button>
      </nav>
      {!lesson ? (
        <Glossary />
      ) : (
        <div className="grid content-start gap-4">
          <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Lesson`}>
            <h2 className="text-xl font-bold">{lesson.title}</h2>
            <p className="mt-1 max-w-3xl">{say(lesson.text)}</p>
            <p className="mt-2 font-semibold">{say(lesson.move)}</p>
            <div className="mt-3 flex gap-2">
              <Cap
                disabled={at === 0}
                onClick={() => (setAt(at - 1), setSettings(lessonSettings(lessons[at - 1]!)))}
              >{t`before`}</Cap>
              <Cap
                lead
                disabled={at === lessons.length - 1}
                onClick={() => (setAt(at + 1), setSettings(lessonSettings(lessons[at + 1]!)))}
              >{t`next lesson`}</Cap>
              <Cap onClick={() => setSettings({ ...usualExplain, family: settings.family })}>{t`a good corner`}</Cap>
            </div>
          </section>
          <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`The module's pin`}>
            <h2 className="text-sm font-semibold text-muted">{t`At the module's pin, over ${traceSeconds(settings)} s`}</h2>
            <Trace points={explained.trace} />
            <p className="mt-1 text-lg font-bold" aria-live="polite">
              {say(explained.module)}
            </p>
          </section>
          <div className="grid gap-4 md:grid-cols-2">
            <section className="grid gap-2 rounded-2xl border border-rule bg-card p-4" aria-label={t`Sliders`}>
              <div className="flex flex-wrap gap-2">
                {families.map((family) => (
                  <Cap key={family} aria-pressed={settings.family === family} onClick={() => set({ family })}>
                    {familyWords[family]}
                  </Cap>
                ))}
              </div>
              <Slider
                label={t`speed`}
                shown={say(t`${settings.speedKmh} km/h`)}
                value={settings.speedKmh}
                min={1}
                max={40}
                step={0.5}
                onChange={(speedKmh) => set({ speedKmh })}
              />
              <div className="flex flex-wrap items-center gap-2" role="group" aria-label={t`the wheel`}>
                <Cap
                  aria-pressed={settings.spin === "steady"}
                  onClick={() => set({ spin: "steady" })}
                >{t`keeps its speed`}</Cap>
                <Cap
                  aria-pressed={settings.spin === "runs-out"}
                  onClick={() => set({ spin: "runs-out" })}
                >{t`is let go and runs out`}</Cap>
              </div>
              <Slider
                label={t`air gap`}
                shown={say(t`${settings.gapMm} mm`)}
                value={settings.gapMm}
                min={0.2}
                max={4}
                step={0.1}
                onChange={(gapMm) => set({ gapMm })}
              />
              <Slider
                label={t`missing teeth or poles`}
                shown={String(settings.missing)}
                value={settings.missing}
                min={0}
                max={6}
                step={1}
                onChange={(missing) => set({ missing })}
              />
              <Slider
                label={t`runout`}
                shown={say(t`${settings.runoutMm} mm`)}
                value={settings.runoutMm}
                min={0.01}
                max={1.2}
                step={0.01}
                onChange={(runoutMm) => set({ runoutMm })}
              />
              <Slider
                label={t`corroded contact at C1`}
                shown={formatQuantity(settings.contactOhms, "ohms")}
                value={contactPlace(settings.contactOhms)}
                min={0}
                max={5}
                step={0.05}
                onChange={(place) => set({ contactOhms: contactAt(place) })}
              />
              <Slider
                label={t`chafe to ground`}
                shown={settings.chafeOhms ? formatQuantity(settings.chafeOhms, "ohms") : t`none`}
                value={leakPlace(settings.chafeOhms)}
                min={0}
                max={6}
                step={0.1}
                onChange={(place) => set({ chafeOhms: leakAt(place) })}
              />
              {settings.family === "active-2wire" && (
                <Slider
                  label={t`sense resistor in the module`}
                  shown={formatQuantity(settings.senseOhms, "ohms")}
                  value={settings.senseOhms}
                  min={30}
                  max={300}
                  step={2}
                  onChange={(senseOhms) => set({ senseOhms })}
                />
              )}
            </section>
            <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Meter`}>
              <h2 className="text-sm font-semibold text-muted">{t`The meter`}</h2>
              <dl>
                {explained.readings.map(({ label, shown }) => (
                  <div key={label} className="flex items-baseline justify-between gap-3 border-b border-rule py-2">
                    <dt className="text-sm">{label}</dt>
                    <dd className="font-mono text-xl font-semibold whitespace-nowrap">{shown}</dd>
                  </div>
                ))}
              </dl>
              <h2 className="mt-4 mb-2 text-sm font-semibold text-muted">{t`Folded over the ring, a row a turn`}</h2>
              {explained.raster && <RingRasterView raster={explained.raster} marked={NONE_MARKED} />}
              <p className="text-sm text-muted">{explained.rasterSay}</p>
            </section>
          </div>
        </div>
      )}
    </main>
  );
}

const NONE_MARKED: number[] = [];

const WIDTH = 800;
const HEIGHT = 150;

function Trace({ points }: { points: readonly (readonly [number, number])[] }) {
  const values = points.map(([, value]) => value);
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const room = Math.max(0.2, most - least);
  const end = points.at(-1)![0];
  const path = points
    .map(
      ([time, value], i) =>
        `${i ? "L" : "M"}${((time / end) * WIDTH).toFixed(1)} ${(HEIGHT - 14 - ((value - least) / room) * (HEIGHT - 28)).toFixed(1)}`,
    )
    .join(" ");
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="my-2 w-full"
      role="img"
      aria-label={t`Trace between ${least.toFixed(2)} and ${most.toFixed(2)} volts`}
    >
      <path d={path} fill="none" stroke="var(--ink)" strokeWidth="1.4" />
      <text x="4" y="12" fontSize="12" fill="var(--muted)">
        {most.toFixed(2)} V
      </text>
      <text x="4" y={HEIGHT - 2} fontSize="12" fill="var(--muted)">
        {least.toFixed(2)} V
      </text>
    </svg>
  );
}
