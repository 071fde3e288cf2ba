"use client";
import { t } from "@/core/words/words";
import { useState } from "react";
import { moduleEye } from "@/core/ring/module-eye";
import { nominalPulses } from "@/core/circuit/setup";
import { nominalRing, PASSIVE_REFERENCE, pitchMm } from "@/core/ring/ring";
import type { Job } from "@/core/job/schema";
import { Slider } from "../keys/slider";
import { useUnits } from "../settings/use-units";

const WIDTH = 420;
const HEIGHT = 130;

/** For passive corners: why too large a gap makes the ABS act on a dry stop. */
export function ModuleEyeView({ job }: { job: Job }) {
  const say = useUnits();
  const [gapMm, setGap] = useState(0.4);
  const [volts, setVolts] = useState<number>(PASSIVE_REFERENCE.volts);
  const [thresholdMv, setThreshold] = useState(150);
  const eye = moduleEye({
    rmsV: volts,
    speedKmh: PASSIVE_REFERENCE.speedKmh,
    nominalGapMm: 0.4,
    gapMm,
    pitchMm: pitchMm(nominalRing(nominalPulses(job.setup))),
    thresholdV: thresholdMv / 1000,
  });
  const end = eye.stop.at(-1)!.timeS;
  const line = (of: "trueKmh" | "seenKmh") =>
    eye.stop
      .map((at, i) => `${i ? "L" : "M"}${(at.timeS / end) * WIDTH} ${HEIGHT - 8 - (at[of] / 25) * (HEIGHT - 20)}`)
      .join(" ");
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`The module's eye`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">
        {say(t`The module's eye: an ordinary stop from 25 km/h`)}
      </h2>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="my-2 w-full"
        role="img"
        aria-label={say(t`The wheel slows evenly; the module loses it at ${eye.dropOutKmh.toFixed(1)} km/h`)}
      >
        <path d={line("trueKmh")} fill="none" stroke="var(--muted)" strokeDasharray="5 4" />
        <path d={line("seenKmh")} fill="none" stroke="var(--brick)" strokeWidth="2.4" />
      </svg>
      <p className="mb-2 text-sm text-muted">{t`dashed: the wheel · solid: what the module sees`}</p>
      <div className="grid gap-2 sm:grid-cols-3">
        <Slider
          label={t`air gap`}
          shown={say(t`${gapMm} mm`)}
          value={gapMm}
          min={0.2}
          max={2.4}
          step={0.05}
          onChange={setGap}
        />
        <Slider
          label={say(t`AC at 8 km/h, gap 0.4 mm`)}
          shown={t`${volts} V`}
          value={volts}
          min={0.1}
          max={1.2}
          step={0.05}
          onChange={setVolts}
        />
        <Slider
          label={t`module threshold`}
          shown={t`${thresholdMv} mV`}
          value={thresholdMv}
          min={60}
          max={300}
          step={10}
          onChange={setThreshold}
        />
      </div>
      <p className="mt-2">
        <b>{say(t`Lost at ${eye.dropOutKmh.toFixed(1)} km/h.`)}</b>{" "}
        {eye.falseRelease
          ? t`To the module the wheel stops dead: it releases this brake, the pedal buzzes, and the car pulls to the other side.`
          : t`Too slow for the module to act on: no false activation from this.`}
      </p>
    </section>
  );
}
