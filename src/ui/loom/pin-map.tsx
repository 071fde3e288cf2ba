"use client";
import { t } from "@/core/words/words";
import { useState, type ComponentProps } from "react";
import { parsePinTable } from "@/core/harness/pin-table";
import { conductorsOf, setupFields, stationsOf } from "@/core/circuit/setup";
import { countTerminal } from "@/core/checks/count-terminal";
import { stationLabel } from "@/core/checks/station-label";
import { withStation } from "@/core/harness/edit-path";
import { conductorWord } from "@/core/faults/wire-faults";
import type { Job } from "@/core/job/schema";
import { changeSetup } from "../jobs/change-setup";
import type { ChangeJob } from "../jobs/use-job";
import { LONGEST } from "@/core/units/typed-text";
import { DraftInput } from "../keys/draft-input";
import { NumberInput } from "../keys/number-input";
import { toast } from "../keys/toast";
import { PinOrderPanel } from "./pin-order-panel";

/** Which terminal and colour each conductor has at each connector, and where that terminal sits on the face. */
export function PinMap({ job, change }: { job: Job; change: ChangeJob }) {
  const stations = stationsOf(job.setup);
  const conductors = conductorsOf[job.setup.family];
  const field = `${job.id}/pins`;
  const set = (at: number, parts: Parameters<typeof withStation>[2]) =>
    changeSetup(change, (setup) => ({ path: withStation(setup, at, parts) }));
  return (
    <section className="overflow-x-auto rounded-2xl border border-rule bg-card p-4" aria-label={t`Pin map`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Pin map: terminal and colour`}</h2>
      <table className="w-full text-sm">
        <thead>
          <tr className="text-left text-muted">
            <th />
            {stations.map(({ station }) => (
              <th key={station} className="px-1 py-1 font-normal">
                {stationLabel(station)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {conductors.map((conductor) => (
            <tr key={conductor} className="border-t border-rule">
              <th className="pr-2 text-left font-semibold">{conductorWord(conductor)}</th>
              {stations.map(({ station, pins }, at) => {
                const own = pins?.[conductor] ?? { pin: "", colour: "" };
                const write = (parts: Partial<typeof own>) =>
                  set(at, { pins: { ...pins, [conductor]: { ...own, ...parts } } });
                return (
                  <td key={station} className="px-1 py-1">
                    <span className="flex gap-1">
                      <DraftInput
                        field={`${field}/${station}/${conductor}/pin`}
                        aria-label={t`${conductorWord(conductor)} terminal at ${stationLabel(station)}`}
                        placeholder={t`pin`}
                        value={own.pin}
                        maxLength={LONGEST.pin}
                        className="min-h-11 w-12 rounded-lg border border-rule bg-paper px-1 text-center font-mono"
                        onTake={(pin) => write({ pin })}
                      />
                      <DraftInput
                        field={`${field}/${station}/${conductor}/colour`}
                        aria-label={t`${conductorWord(conductor)} colour at ${stationLabel(station)}`}
                        placeholder={t`colour`}
                        value={own.colour}
                        maxLength={LONGEST.colour}
                        className="min-h-11 w-24 rounded-lg border border-rule bg-paper px-2"
                        onTake={(colour) => write({ colour })}
                      />
                    </span>
                  </td>
                );
              })}
            </tr>
          ))}
          <tr className="border-t border-rule">
            <th className="pr-2 text-left font-normal text-muted">{t`face`}</th>
            {stations.map(({ station, face }, at) => (
              <td key={station} className="px-1 py-1">
                <span className="flex items-center gap-1 text-muted">
                  <FaceNumber
                    field={`${field}/${station}/rows`}
                    label={t`rows of ${stationLabel(station)}`}
                    of={setupFields.faceRows}
                    value={face?.rows}
                    onTake={(rows) => set(at, { face: { ...face, rows, columns: face?.columns ?? 2 } })}
                  />
                  ×
                  <FaceNumber
                    field={`${field}/${station}/columns`}
                    label={t`columns of ${stationLabel(station)}`}
                    of={setupFields.faceColumns}
                    value={face?.columns}
                    onTake={(columns) => set(at, { face: { ...face, rows: face?.rows ?? 1, columns } })}
                  />
                  {face && (
                    <select
                      aria-label={t`side ${stationLabel(station)} is seen from`}
                      className="min-h-11 rounded-lg border border-rule bg-paper px-1"
                      value={face.seen ?? "wire"}
                      onChange={(event) =>
                        set(at, { face: { ...face, seen: event.target.value === "mating" ? "mating" : "wire" } })
                      }
                    >
                      <option value="wire">{t`wire side`}</option>
                      <option value="mating">{t`mating side`}</option>
                    </select>
                  )}
                </span>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <PinOrderPanel job={job} change={change} />
      <PastePins job={job} change={change} />
      <div className="flex flex-wrap gap-4 pt-2">
        {stations.map(({ station, face, pins }) => {
          if (!face || !pins) return null;
          const wanted = conductors.flatMap((conductor) => {
            const at = countTerminal(face, pins[conductor]?.pin ?? "");
            return at ? [{ conductor, ...at }] : [];
          });
          return (
            <figure key={station}>
              <svg
                width={face.columns * 16 + 8}
                height={face.rows * 16 + 8}
                role="img"
                aria-label={t`face of ${stationLabel(station)}`}
              >
                {Array.from({ length: face.rows * face.columns }, (_, i) => {
                  const [row, column] = [Math.floor(i / face.columns), i % face.columns];
                  const hit = wanted.find((one) => one.row === row && one.column === column);
                  return (
                    <rect
                      key={i}
                      x={4 + column * 16}
                      y={4 + row * 16}
                      width="12"
                      height="12"
                      rx="3"
                      fill={hit ? "var(--marigold)" : "var(--paper)"}
                      stroke="var(--ink)"
                    />
                  );
                })}
              </svg>
              <figcaption className="max-w-52 text-sm text-muted">{t`${stationLabel(station)}, from the ${SIDES[face.seen ?? "wire"]} side: ${
                wanted.map(({ conductor, say }) => `${conductorWord(conductor)} ${say}`).join("; ") ||
                t`no numbered pins yet`
              }`}</figcaption>
            </figure>
          );
        })}
      </div>
    </section>
  );
}

const SIDES: Record<"wire" | "mating", string> = {
  get wire() {
    return t`wire`;
  },
  get mating() {
    return t`mating`;
  },
};

/** A pin map copied from a diagram, taken in one go. */
function PastePins({ job, change }: { job: Job; change: ChangeJob }) {
  const [refusal, setRefusal] = useState<string | null>(null);
  return (
    <details className="pt-2 text-sm">
      <summary className="min-h-8 cursor-pointer text-muted">{t`paste a pin table`}</summary>
      <form
        className="grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const read = parsePinTable(String(new FormData(event.currentTarget).get("table")), job.setup);
          setRefusal(read.ok ? null : read.say);
          if (!read.ok) return;
          changeSetup(change, () => ({ path: read.path }));
          toast(t`${read.filled} terminals taken.`);
        }}
      >
        <textarea
          name="table"
          aria-label={t`Pin table`}
          rows={4}
          maxLength={4000}
          placeholder={t`wire; ${stationsOf(job.setup)
            .map(({ station }) => station)
            .join("; ")}\n${conductorsOf[job.setup.family][0]}; 7 red; 2 red/white; 1 brown`}
          className="rounded-lg border border-rule bg-paper p-2 font-mono"
        />
        {refusal && <p role="alert" className="text-brick">{t`${refusal} Nothing was changed.`}</p>}
        <button type="submit" className="min-h-11 w-fit rounded-lg border border-rule px-3">{t`take these`}</button>
      </form>
    </details>
  );
}

function FaceNumber({ label, ...input }: { label: string } & ComponentProps<typeof NumberInput>) {
  return (
    <NumberInput
      {...input}
      aria-label={label}
      inputMode="numeric"
      className="min-h-11 w-11 rounded-lg border border-rule bg-paper text-center font-mono text-ink"
    />
  );
}
