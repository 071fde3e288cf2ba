"use client";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { ScanCar } from "@/core/scanlog/analyse-scan";
import { identifierWords, type BusSummary } from "@/core/scanlog/bus/bus-summary";
import {
  bitsField,
  firstBitField,
  mapOf,
  offsetField,
  stepField,
  swapped,
  withStep,
  type WheelMap,
} from "@/core/scanlog/bus/wheel-map";
import { highestSpeedKmh } from "@/core/scanlog/highest-speed";
import { LEAST_ROWS } from "@/core/scanlog/scan-log";
import { corners, cornerWords, type Corner } from "@/core/units/corner";
import { fromLocal, toLocal } from "@/core/units/local-units";
import { positiveField, type NumberField } from "@/core/units/number-field";
import { t } from "@/core/words/words";
import { keepBusMap, keptBusMap } from "@/store/bus-map";
import type { ReadScan } from "@/workers/capture.worker";
import { Cap } from "../keys/cap";
import { NumberInput } from "../keys/number-input";
import { toast } from "../keys/toast";
import { captureWorker } from "../query/workers";
import { useSettings } from "../settings/use-settings";

const SpeedChart = dynamic(() => import("./speed-chart").then((module) => module.SpeedChart), {
  ssr: false,
  loading: () => <div className="h-64" />,
});

const FIELD = "min-h-12 w-full rounded-lg border border-rule bg-paper px-2 font-mono text-lg text-ink";
const topSpeedField = positiveField(400);

/** Where the wheels stand in a bus's frames: as the signal list says or as they were found, seen at once in the speeds. */
export function BusPanel({
  summary,
  model,
  corner,
  car,
  onUse,
  onClose,
}: {
  summary: BusSummary;
  /** The car's model: its map is remembered. */
  model: string;
  corner: Corner;
  car: ScanCar;
  onUse: (result: ReadScan) => void;
  onClose: () => void;
}) {
  const { units } = useSettings().settings;
  // Where it was on this model last time, if those messages are here too.
  const [fits] = useState(() => {
    const known = keptBusMap(model);
    const isHere = (id?: number) => summary.messages.some((message) => message.id === id);
    return known && Object.values(known.wheels).every((one) => isHere(one?.id)) ? known : null;
  });
  const [map, setMap] = useState<WheelMap>(() => fits ?? mapOf(summary.likely[0] ?? []));
  const take = (next: WheelMap) => {
    setMap(next);
    if (!keepBusMap(model, next) && model.trim() !== "")
      toast.error(
        t`The browser keeps nothing: this list is gone once the page closes. Keep it with the car model, as a file.`,
      );
  };
  const { data: read } = useQuery({
    queryKey: ["bus speeds", summary.name, map, car],
    queryFn: () => captureWorker.ask((remote) => remote.busSpeeds(summary.name, map, car)),
    placeholderData: keepPreviousData,
  });
  const highest = read?.ok ? highestSpeedKmh(read.log) : NaN;
  const change = (part: Partial<WheelMap>) => take({ ...map, ...part });
  const number = (field: string, label: string, of: NumberField, value: number, onTake: (value: number) => void) => (
    <label className="text-sm text-muted">
      {label}
      <NumberInput
        of={of}
        field={`bus/${summary.name}/${field}`}
        value={value}
        onTake={onTake}
        className={`${FIELD} text-right`}
      />
    </label>
  );
  return (
    <section aria-label={t`Bus log`} className="border-t border-rule pt-3">
      <h3 className="font-semibold">{t`${summary.name}: frames of the car's bus`}</h3>
      <p className="text-sm text-muted">
        {t`${summary.frames} frames in ${Math.round(summary.lengthS)} s, ${summary.messages.length} messages.`}{" "}
        {fits
          ? t`The wheels are read where they were on this model last time.`
          : summary.likely.length > 0
            ? t`These places move alike, as wheel speeds do. Which is which wheel and what a step is worth, the maker's signal list says.`
            : t`No places were found that move as wheel speeds do: set them by the maker's signal list.`}
      </p>
      <div className="mt-2 grid gap-x-3 gap-y-2 sm:grid-cols-2">
        {corners.map((one, i) => (
          <fieldset key={one} className="grid grid-cols-2 gap-2 rounded-xl border border-rule p-2">
            <legend className={one === corner ? "font-semibold text-brick" : "font-semibold"}>
              {cornerWords[one]}
            </legend>
            <label className="text-sm text-muted">
              {t`message`}
              <select
                className={FIELD}
                value={map.wheels[one]?.id ?? ""}
                onChange={(event) =>
                  change({
                    wheels: {
                      ...map.wheels,
                      [one]:
                        event.target.value === ""
                          ? undefined
                          : { id: Number(event.target.value), firstBit: map.wheels[one]?.firstBit ?? 0 },
                    },
                  })
                }
              >
                <option value="">{t`none`}</option>
                {summary.messages.map(({ id }) => (
                  <option key={id} value={id}>
                    {identifierWords(id)}
                  </option>
                ))}
              </select>
            </label>
            {number(`first-bit/${one}`, t`first bit`, firstBitField, map.wheels[one]?.firstBit ?? 0, (firstBit) =>
              change({
                wheels: { ...map.wheels, [one]: { id: map.wheels[one]?.id ?? summary.messages[0]!.id, firstBit } },
              }),
            )}
            {i < corners.length - 1 && (
              <button
                type="button"
                className="col-span-2 min-h-9 text-left text-sm underline"
                onClick={() => take(swapped(map, one, corners[i + 1]!))}
              >{t`swap with ${corners[i + 1]!}`}</button>
            )}
          </fieldset>
        ))}
      </div>
      <div className="mt-2 grid gap-x-3 gap-y-2 sm:grid-cols-2">
        {number("bits", t`bits`, bitsField, map.bits, (bits) => change({ bits }))}
        <label className="text-sm text-muted">
          {t`order of its bytes`}
          <select
            className={FIELD}
            value={map.order}
            onChange={(event) => change({ order: event.target.value === "low-first" ? "low-first" : "high-first" })}
          >
            <option value="high-first">{t`high byte first`}</option>
            <option value="low-first">{t`low byte first`}</option>
          </select>
        </label>
        {number("step", t`km/h a step`, stepField, map.scale, (scale) => change({ scale }))}
        {number("offset", t`offset, km/h`, offsetField, map.offsetKmh, (offsetKmh) => change({ offsetKmh }))}
      </div>
      <p className="mt-1 text-sm text-muted">{t`Bits are counted from 0 through all bytes, the lowest of each first. The first bit is the lowest of a number with its low byte first, the highest of one with its high byte first.`}</p>
      {read && !read.ok && (
        <p role="alert" className="mt-2 rounded-lg border border-brick bg-brick-wash px-3 py-2">
          {read.say}
        </p>
      )}
      {read?.ok && read.log.timeS.length >= LEAST_ROWS && (
        <>
          <SpeedChart log={read.log} corner={corner} shown={null} units={units} />
          <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
            <p>{t`Highest: ${toLocal(highest, "km/h", units).toFixed(1)} ${units.speed}.`}</p>
            <label className="grid gap-1 text-sm text-muted">
              {t`The speedometer's highest was, ${units.speed}`}
              <NumberInput
                of={topSpeedField}
                field={`bus/${summary.name}/top`}
                optional
                value={undefined}
                onTake={(said) => said !== undefined && take(withStep(map, highest, fromLocal(said, "km/h", units)))}
                className={`${FIELD} max-w-40 text-right`}
              />
            </label>
          </div>
          <p className="mt-1 text-sm text-muted">{t`Which wheel is which: turn one by hand and log it, or look at a tight bend: the wheels outside it run faster.`}</p>
        </>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        <Cap
          lead
          disabled={!read?.ok || read.log.timeS.length < LEAST_ROWS}
          onClick={() => {
            keepBusMap(model, map);
            onUse(read!);
          }}
        >{t`judge these speeds`}</Cap>
        <Cap onClick={onClose}>{t`close`}</Cap>
      </div>
    </section>
  );
}
