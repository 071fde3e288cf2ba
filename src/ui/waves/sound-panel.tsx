"use client";
import { errorWords } from "@/core/words/error-words";
import { useState } from "react";
import { useQuery } from "@tanstack/react-query";
import { dividerFor, highestPeakV, LINE_INPUT_PEAK_V } from "@/core/capture/sound-scale";
import type { Family } from "@/core/circuit/setup";
import { t } from "@/core/words/words";
import { keptSoundSetup, keepSoundSetup, type KeptSoundSetup } from "@/store/sound-setup";
import { soundInputs } from "@/instruments/sound-source";
import { Cap } from "../keys/cap";
import { DividerDrawing } from "./divider-drawing";

/** Before a sound input is listened to: what must stand between it and the sensor, and which input. */
export function SoundPanel({
  family,
  onStart,
  onClose,
}: {
  family: Family;
  /** Opens the input. Rejects with a sentence to show. */
  onStart: (setup: KeptSoundSetup) => Promise<void>;
  onClose: () => void;
}) {
  const [setup, setSetup] = useState(keptSoundSetup);
  const [wired, setWired] = useState(setup.calibratedAt !== "");
  const [state, setState] = useState<{ opening: boolean; refused: string | null }>({ opening: false, refused: null });
  const { data: inputs = [] } = useQuery({ queryKey: ["sound-inputs"], queryFn: soundInputs, staleTime: 0 });
  const peakV = highestPeakV(family);
  const choose = (deviceId: string) => {
    const next = { ...setup, deviceId };
    setSetup(next);
    keepSoundSetup(next);
  };
  const start = () => {
    setState({ opening: true, refused: null });
    onStart(setup).catch((error: unknown) => setState({ opening: false, refused: errorWords(error) }));
  };
  return (
    <section
      aria-label={t`Sound input`}
      className="m-4 grid gap-4 rounded-2xl border border-rule bg-card p-4 lg:grid-cols-2"
    >
      <div>
        <h2 className="text-lg font-semibold">{t`Record through the sound input`}</h2>
        <ul className="mt-2 space-y-1">
          <li className="text-brick">
            ▲{" "}
            {t`Never straight to a sensor: it makes 9 V and more at speed, a sound input takes ${LINE_INPUT_PEAK_V} V.`}
          </li>
          <li className="text-brick">
            ▲ {t`Run the computer on its battery: a mains supply joins the sensor's wire to earth.`}
          </li>
          <li>{t`Put these two resistors between, at the sensor's plug with the wheel off the ground.`}</li>
          <li>{t`A sound input shows only what changes: for a creeping wheel and for the two levels take the meter or the oscilloscope.`}</li>
        </ul>
        <label className="mt-3 flex min-h-12 items-center gap-3">
          <input
            type="checkbox"
            className="size-6"
            checked={wired}
            onChange={(event) => setWired(event.target.checked)}
          />
          {t`The divider is fitted and the computer runs on its battery`}
        </label>
        {inputs.length > 1 && (
          <select
            aria-label={t`Sound input`}
            className="mt-2 min-h-12 w-full rounded-lg border border-rule bg-paper px-3"
            value={setup.deviceId}
            onChange={(event) => choose(event.target.value)}
          >
            <option value="">{t`the usual input of this machine`}</option>
            {inputs.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        )}
        {state.refused && (
          <p role="alert" className="mt-3 rounded-xl border border-brick bg-brick-wash p-3">
            {state.refused}
          </p>
        )}
        <div className="mt-4 flex gap-2">
          <Cap lead disabled={!wired || state.opening} onClick={start}>
            {state.opening ? t`opening…` : t`listen`}
          </Cap>
          <Cap onClick={onClose}>{t`close`}</Cap>
        </div>
      </div>
      <figure>
        <DividerDrawing divider={dividerFor(peakV)} peakV={peakV} />
        <figcaption className="mt-2 text-sm text-muted">
          {family !== "passive"
            ? t`Times of an active sensor's pulses are judged; its two levels do not come through a sound input.`
            : setup.voltsPerUnit
              ? t`Calibrated ${setup.calibratedAt.slice(0, 10)}: one unit is ${setup.voltsPerUnit.toPrecision(3)} V at the sensor.`
              : t`Not calibrated yet: what is recorded counts in the input's own units until a meter's reading is given.`}
        </figcaption>
      </figure>
    </section>
  );
}
