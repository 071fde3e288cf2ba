"use client";
import { t } from "@/core/words/words";
import { jt } from "../keys/words";
import clsx from "clsx";
import { useRef, useState } from "react";
import { answersFor } from "@/core/checks/answers";
import { hookupKey } from "@/core/checks/hookup";
import { cautions, instruction } from "@/core/checks/instruction";
import { conductorsOf, stationsOf, type StationId } from "@/core/circuit/setup";
import { conductorWord } from "@/core/faults/wire-faults";
import { stationWords } from "@/core/faults/places";
import { cellReadings } from "@/core/bench/cell-readings";
import { wireTable, wireTests, wireTestWords, type WireCell } from "@/core/harness/wire-table";
import { readingTyped } from "@/core/observation/read-observation";
import type { Job } from "@/core/job/schema";
import { stamp, withEntry } from "../jobs/entries";
import type { ChangeJob } from "../jobs/use-job";
import { toast } from "../keys/toast";

/** Every conductor between two opened connectors, test by test; the field walks on by itself. */
export function WireTable({ job, change }: { job: Job; change: ChangeJob }) {
  const stations = stationsOf(job.setup).map(({ station }) => station);
  const [[near, far], setStretch] = useState<[StationId, StationId]>([stations.at(-2)!, "plug"]);
  const cells = wireTable(job.setup, near, far);
  const readings = cellReadings(job, cells);
  const [at, setAt] = useState(0);
  const input = useRef<HTMLInputElement>(null);
  const cell = cells[Math.min(at, cells.length - 1)]!;
  const log = (typed: string) => {
    const read = readingTyped(cell.hookup, typed, job.setup);
    if (!read.ok) return toast.error(read.say);
    change((newest) => withEntry(newest, { ...stamp(), kind: "reading", reading: read.value }));
    if (input.current) input.current.value = "";
    setAt(Math.min(cells.length - 1, at + 1));
  };
  const answers = answersFor(cell.hookup);
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Wire table`}>
      <h2 className="flex flex-wrap items-center justify-between gap-2 border-b border-rule pb-2 text-sm">
        <span className="font-semibold text-muted">{t`Wire table`}</span>
        <label className="flex items-center gap-2">{jt`between${(
          <select
            className="min-h-11 rounded-lg border border-rule bg-paper px-2"
            value={`${near}>${far}`}
            onChange={(event) => {
              setStretch(event.target.value.split(">") as [StationId, StationId]);
              setAt(0);
            }}
          >
            {stations.flatMap((one, i) =>
              stations
                .slice(i + 1)
                .map((other) => (
                  <option
                    key={one + other}
                    value={`${one}>${other}`}
                  >{t`${stationWords(one)} and ${stationWords(other)}`}</option>
                )),
            )}
          </select>
        )}`}</label>
      </h2>
      <table className="my-2 w-full text-sm">
        <thead>
          <tr className="text-left text-muted">
            <th className="py-1 font-normal">{t`wire`}</th>
            {wireTests.map((test) => (
              <th key={test} className="font-normal">
                {wireTestWords[test]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {conductorsOf[job.setup.family].map((conductor) => (
            <tr key={conductor} className="border-t border-rule">
              <th className="py-1 text-left font-semibold">{conductorWord(conductor)}</th>
              {wireTests.map((test) => {
                const index = cells.findIndex((one) => one.test === test && one.conductor === conductor);
                const found = readings[index]!;
                return (
                  <td key={test}>
                    <button
                      type="button"
                      aria-pressed={index === at}
                      className={clsx(
                        "min-h-11 w-full rounded-lg border px-2 text-left font-mono",
                        index === at ? "border-marigold bg-marigold-wash" : "border-transparent",
                        found?.good === true && "text-verdigris",
                        found?.good === false && "font-bold text-brick",
                      )}
                      onClick={() => {
                        setAt(index);
                        input.current?.focus();
                      }}
                    >
                      {found ? `${found.good ? "✓" : "✕"} ${found.shown}` : "·"}
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <CellForm
        key={hookupKey(cell.hookup)}
        cell={cell}
        job={job}
        input={input}
        words={answers?.words ?? null}
        onLog={log}
      />
    </section>
  );
}

function CellForm({
  cell,
  job,
  input,
  words,
  onLog,
}: {
  cell: WireCell;
  job: Job;
  input: React.RefObject<HTMLInputElement | null>;
  words: readonly string[] | null;
  onLog: (typed: string) => void;
}) {
  return (
    <form
      className="rounded-xl bg-paper p-3"
      onSubmit={(event) => {
        event.preventDefault();
        onLog(String(new FormData(event.currentTarget).get("value")));
      }}
    >
      <p className="font-semibold">{instruction(cell.hookup, job.setup)}</p>
      <p className="text-sm text-muted">{t`Good: ${cell.say}.`}</p>
      {cautions(cell.hookup).map((caution) => (
        <p key={caution} className="text-sm">
          ▲ {caution}
        </p>
      ))}
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <input
          ref={input}
          name="value"
          autoComplete="off"
          aria-label={`${conductorWord(cell.conductor)} ${wireTestWords[cell.test]}`}
          placeholder={words ? words.join(" / ") : cell.hookup.instrument === "ohms" ? t`0.3 or OL` : "0.0"}
          className="min-h-12 w-56 rounded-lg border border-rule bg-card px-3 text-right font-mono text-2xl"
        />
        <button type="submit" className="cap lead">
          <span className="legend">{t`Enter`}</span>
          <span>{t`log, next cell`}</span>
        </button>
      </div>
    </form>
  );
}
