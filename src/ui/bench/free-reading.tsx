"use client";
import { t } from "@/core/words/words";
import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { useState } from "react";
import { conductorsOf, spansOf, stationsOf, type CornerSetup } from "@/core/circuit/setup";
import { facePoints } from "@/core/circuit/point";
import { circuitStateSchema, type WheelMotion } from "@/core/circuit/state";
import { looksFor } from "@/core/checks/answers";
import { instruments, instrumentWords, isLookInstrument, type Instrument } from "@/core/checks/instruments";
import { hookupLabel } from "@/core/checks/words";
import { describeHookup, type NextCheck } from "@/core/bench/describe-hookup";
import { hookupOf } from "@/core/observation/read-observation";
import { stationWords } from "@/core/faults/places";
import { Cap } from "../keys/cap";

/** Any measurement between any two points in any state, not only the proposed ones. */
export function FreeReading({
  setup,
  points: touched,
  onClose,
  onChoose,
}: {
  setup: CornerSetup;
  /** Points already touched on the drawing. */
  points: { red?: string; black?: string };
  onClose: () => void;
  onChoose: (check: NextCheck) => void;
}) {
  const points = pointList(setup);
  const [instrument, setInstrument] = useState<Instrument>("volts-dc");
  const [red, setRed] = useState(touched.red ?? points[0]!);
  const [black, setBlack] = useState(touched.black ?? "battery.negative");
  const [look, setLook] = useState("wiring");
  const [key, setKey] = useState<"on" | "off">("on");
  const [wheel, setWheel] = useState<WheelMotion>("still");
  const [unplugged, setUnplugged] = useState<string[]>([]);
  const [batteryOff, setBatteryOff] = useState(false);
  const [watched, setWatched] = useState(false);
  const [recorded, setRecorded] = useState(false);
  const state = circuitStateSchema.parse({
    key,
    wheel,
    unplugged,
    batteryOff,
    ...(watched || recorded ? { watched: true } : {}),
    ...(recorded ? { recorded } : {}),
    ...(wheel === "hand" ? { speedKmh: 7 } : {}),
  });
  const possible = isLookInstrument(instrument) ? looksFor(instrument, setup) : [];
  const lookHere = possible.find((one) => one === look) ?? possible[0];
  const chosen = hookupOf(
    isLookInstrument(instrument)
      ? { instrument, look: lookHere, state }
      : { instrument, red, black, point: red, state },
    setup,
  );
  return (
    <Dialog open onClose={onClose} className="relative z-20">
      <div className="fixed inset-0 bg-veil" aria-hidden="true" />
      <div className="fixed inset-0 flex items-center justify-center overflow-y-auto p-4">
        <DialogPanel className="grid w-full max-w-xl gap-3 rounded-2xl bg-card p-5">
          <DialogTitle className="text-xl font-bold">{t`Pick two points`}</DialogTitle>
          <Choice
            label={t`Instrument`}
            value={instrument}
            onChange={(value) => setInstrument(value as Instrument)}
            options={instruments.map((one) => [one, instrumentWords[one]])}
          />
          {isLookInstrument(instrument) ? (
            <Choice
              label={t`At what`}
              value={lookHere}
              onChange={setLook}
              options={possible.map((one) => [one, hookupLabel({ instrument: "eyes", look: one, state })])}
            />
          ) : (
            <>
              <Choice label={t`Red probe`} value={red} onChange={setRed} options={points.map((one) => [one, one])} />
              {instrument !== "scope" && (
                <Choice
                  label={t`Black probe`}
                  value={black}
                  onChange={setBlack}
                  options={points.map((one) => [one, one])}
                />
              )}
            </>
          )}
          <Choice
            label={t`Key`}
            value={key}
            onChange={(value) => setKey(value as "on" | "off")}
            options={[
              ["on", t`on, engine off`],
              ["off", t`off`],
            ]}
          />
          <Choice
            label={t`Wheel`}
            value={wheel}
            onChange={(value) => setWheel(value as WheelMotion)}
            options={[
              ["still", t`still`],
              ["creep", t`creeping`],
              ["hand", t`spun by hand`],
              ["in-gear", t`in gear, raised`],
              ["driven", t`driving`],
            ]}
          />
          <fieldset className="flex flex-wrap gap-x-4 gap-y-2">
            <legend className="text-sm text-muted">{t`Disconnected`}</legend>
            {stationsOf(setup).map(({ station }) => (
              <Tick
                key={station}
                label={stationWords(station)}
                on={unplugged.includes(station)}
                onChange={(on) =>
                  setUnplugged(on ? [...unplugged, station] : unplugged.filter((one) => one !== station))
                }
              />
            ))}
            <Tick label={t`battery negative`} on={batteryOff} onChange={setBatteryOff} />
          </fieldset>
          <Tick label={t`watched for minutes, MIN/MAX held, loom moved`} on={watched} onChange={setWatched} />
          <Tick label={t`recorded for hours, driven as when it fails`} on={recorded} onChange={setRecorded} />
          {!chosen.ok && <p className="text-brick">{chosen.say}</p>}
          <div className="flex justify-end gap-2">
            <Cap legend="Esc" onClick={onClose}>{t`cancel`}</Cap>
            <Cap
              legend="Enter"
              lead
              disabled={!chosen.ok}
              onClick={() => chosen.ok && onChoose(describeHookup(chosen.value, setup))}
            >{t`read here`}</Cap>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: [string, string][];
  onChange: (value: string) => void;
}) {
  return (
    <label className="grid grid-cols-[8rem_1fr] items-center gap-2">
      <span className="text-sm text-muted">{label}</span>
      <select
        className="min-h-11 rounded-lg border border-rule bg-paper px-3"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      >
        {options.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

function Tick({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label className="inline-flex min-h-11 items-center gap-2">
      <input type="checkbox" className="size-5" checked={on} onChange={(event) => onChange(event.target.checked)} />
      {label}
    </label>
  );
}

function pointList(setup: CornerSetup): string[] {
  const faces = facePoints(setup);
  const middles = spansOf(setup).flatMap((_, span) =>
    conductorsOf[setup.family].map((conductor) => `span${span + 1}.50.${conductor}`),
  );
  return [
    ...faces.filter((one) => !one.startsWith("module")),
    ...faces.filter((one) => one.startsWith("module")),
    ...middles,
    "module.in.power",
    "module.in.earth",
    "battery.negative",
    "battery.positive",
    "body",
  ];
}
