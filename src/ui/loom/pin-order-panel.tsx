"use client";
import { useState } from "react";
import { cautions } from "@/core/checks/instruction";
import { stationLabel } from "@/core/checks/station-label";
import { circuitStateSchema } from "@/core/circuit/state";
import { conductorsOf, stationsOf } from "@/core/circuit/setup";
import { withStation } from "@/core/harness/edit-path";
import { namedWords, pinOrder, type PinOrder } from "@/core/harness/pin-order";
import { LONGEST } from "@/core/units/typed-text";
import { t } from "@/core/words/words";
import type { Job } from "@/core/job/schema";
import { changeSetup } from "../jobs/change-setup";
import type { ChangeJob } from "../jobs/use-job";

/** A plug whose wires nobody knows: volts at each terminal tell which is which, and go into the pin map. */
export function PinOrderPanel({ job, change }: { job: Job; change: ChangeJob }) {
  const stations = stationsOf(job.setup);
  const wires = conductorsOf[job.setup.family];
  const [at, setAt] = useState(stations.length - 1);
  const [order, setOrder] = useState<PinOrder | null>(null);
  const { station } = stations[Math.min(at, stations.length - 1)]!;
  return (
    <details className="pt-2 text-sm">
      <summary className="min-h-8 cursor-pointer text-muted">{t`pin order not known: tell the wires by volts`}</summary>
      <form
        className="grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const typed = new FormData(event.currentTarget);
          const terminals = wires.map((_, i) => ({
            pin: String(typed.get(`pin${i}`)).trim() || String(i + 1),
            typed: String(typed.get(`volts${i}`)),
          }));
          const told = pinOrder(job.setup.family, terminals);
          setOrder(told);
          if (!told.ok) return;
          changeSetup(change, (setup) => {
            const own = stationsOf(setup)[at]?.pins ?? {};
            const pins = Object.fromEntries(
              told.named.map(({ conductor, pin }) => [conductor, { colour: own[conductor]?.colour ?? "", pin }]),
            );
            return { path: withStation(setup, at, { pins: { ...own, ...pins } }) };
          });
        }}
      >
        <p>{t`Everything plugged in, key on. Back-probe each wire to battery − and turn the wheel a little, ten times. Type the voltage, or both if it toggles.`}</p>
        {cautions({
          instrument: "volts-dc",
          red: { at: "face", station, face: "out", conductor: wires[0]! },
          black: { at: "battery", pole: "negative" },
          state: circuitStateSchema.parse({ key: "on", wheel: "creep" }),
        }).map((caution) => (
          <p key={caution}>▲ {caution}</p>
        ))}
        <label className="flex items-center gap-2">
          {t`at`}
          <select
            className="min-h-11 rounded-lg border border-rule bg-paper px-2"
            value={at}
            onChange={({ target }) => {
              setAt(Number(target.value));
              setOrder(null);
            }}
          >
            {stations.map((one, i) => (
              <option key={one.station} value={i}>
                {stationLabel(one.station)}
              </option>
            ))}
          </select>
        </label>
        {wires.map((wire, i) => (
          <div key={wire} className="flex items-center gap-2">
            <input
              name={`pin${i}`}
              aria-label={t`terminal ${i + 1}`}
              placeholder={t`pin`}
              defaultValue={i + 1}
              maxLength={LONGEST.pin}
              className="min-h-11 w-14 rounded-lg border border-rule bg-paper text-center font-mono"
            />
            <input
              name={`volts${i}`}
              autoComplete="off"
              aria-label={t`volts at terminal ${i + 1}`}
              placeholder="0.84 / 1.68"
              maxLength={LONGEST.reading}
              className="min-h-11 w-40 rounded-lg border border-rule bg-paper px-2 text-right font-mono"
            />
            <span className="text-muted">V</span>
          </div>
        ))}
        <button type="submit" className="min-h-11 w-fit rounded-lg border border-rule px-3">{t`name the wires`}</button>
        {order && (
          <div role="status">
            {order.ok ? (
              <>
                {order.named.map((one) => (
                  <p key={one.conductor} className="font-semibold">
                    {namedWords(one)}
                  </p>
                ))}
                {order.open && <p className="text-plum">{order.open}</p>}
              </>
            ) : (
              <p className="text-brick">{order.say}</p>
            )}
          </div>
        )}
      </form>
    </details>
  );
}
