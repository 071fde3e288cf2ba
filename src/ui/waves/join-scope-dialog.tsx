"use client";
import { useState } from "react";
import type { Capture } from "@/core/capture/capture";
import { t } from "@/core/words/words";
import type { LiveSource } from "@/instruments/live-source";
import { encodings, usualScopeDialect, type Encoding, type ScopeDialect } from "@/instruments/scope/scope-dialect";
import { scpiScope } from "@/instruments/scope/scpi-scope";
import { simulatedScopePort } from "@/instruments/scope/simulated-scope";
import { serialPort } from "@/instruments/wire/serial-port";
import { keepScopeDialect, keptScopeDialect } from "@/store/scope-setup";
import { Cap } from "../keys/cap";
import { BaudField, CommandField } from "../meter/command-field";
import { InstrumentDialog, useJoining } from "../meter/instrument-dialog";

/** Chooses an oscilloscope that hands out its screens by wire, and joins it. */
export function JoinScopeDialog({
  simulated,
  onJoined,
  onClose,
}: {
  /** What is recorded of the simulated car; null on a real one. */
  simulated: (() => Promise<Capture | null>) | null;
  onJoined: (source: LiveSource) => void;
  onClose: () => void;
}) {
  const [dialect, setDialect] = useState(keptScopeDialect);
  const joining = useJoining();
  const change = (next: ScopeDialect) => {
    setDialect(next);
    keepScopeDialect(next);
  };
  const join = (open: () => Promise<LiveSource>) => joining.join(async () => onJoined(await open()));
  return (
    <InstrumentDialog
      title={t`An oscilloscope that sends its screens`}
      lead={t`Each screen is fetched over a serial port (SCPI), judged as it comes, and kept with one key. Set it to at least two turns of the wheel on a screen.`}
      simulated={
        simulated && {
          says: t`simulated bench oscilloscope on the simulated car`,
          onJoin: () =>
            join(async () =>
              Object.assign(await scpiScope(simulatedScopePort(simulated), usualScopeDialect), { simulated: true }),
            ),
        }
      }
      state={joining}
      onSerial={() => join(async () => scpiScope(await serialPort(dialect.baud), dialect))}
      onClose={onClose}
    >
      <div className="mt-4 grid gap-3 sm:grid-cols-2">
        <BaudField field="scope/baud" value={dialect.baud} onTake={(baud) => change({ ...dialect, baud })} />
        <CommandField
          label={t`channels, by its own names`}
          value={dialect.channels}
          onTake={(channels) => change({ ...dialect, channels })}
        />
      </div>
      <Commands dialect={dialect} onChange={change} />
    </InstrumentDialog>
  );
}

const encodingWords = (): Record<Encoding, string> => ({
  ascii: t`numbers as text`,
  int8: t`whole numbers of one byte, with sign`,
  uint8: t`whole numbers of one byte`,
  int16: t`whole numbers of two bytes, with sign`,
  uint16: t`whole numbers of two bytes`,
  real32: t`volts of four bytes`,
  real64: t`volts of eight bytes`,
});

/** What the oscilloscope is told and asked, and how its samples are written. */
function Commands({ dialect, onChange }: { dialect: ScopeDialect; onChange: (dialect: ScopeDialect) => void }) {
  const says = encodingWords();
  const line = (
    label: string,
    key: "identify" | "remote" | "acquire" | "format" | "data" | "interval" | "scale" | "offset",
  ) => <CommandField label={label} value={dialect[key]} onTake={(text) => onChange({ ...dialect, [key]: text })} />;
  return (
    <details className="mt-1">
      <summary className="min-h-11 cursor-pointer content-center text-sm underline">{t`its commands, where the handbook has others`}</summary>
      <div className="grid gap-x-3 gap-y-2 sm:grid-cols-2">
        {line(t`who it is`, "identify")}
        {line(t`take orders`, "remote")}
        {line(t`take a screen; empty: what it shows`, "acquire")}
        {line(t`how to write samples`, "format")}
        <label className="text-sm text-muted">
          {t`samples come as`}
          <select
            className="min-h-11 w-full rounded-lg border border-rule bg-paper px-2 text-ink"
            value={dialect.encoding}
            onChange={(event) => onChange({ ...dialect, encoding: event.target.value as Encoding })}
          >
            {encodings.map((one) => (
              <option key={one} value={one}>
                {says[one]}
              </option>
            ))}
          </select>
        </label>
        <label className="flex min-h-11 items-end gap-3 text-sm">
          <input
            type="checkbox"
            className="size-6"
            checked={dialect.lowByteFirst}
            onChange={(event) => onChange({ ...dialect, lowByteFirst: event.target.checked })}
          />
          {t`low byte first`}
        </label>
        {line(t`samples of {channel}`, "data")}
        {line(t`seconds from sample to sample`, "interval")}
        {line(t`volts of one step, whole numbers only`, "scale")}
        {line(t`step at 0 V, whole numbers only`, "offset")}
      </div>
      <Cap className="mt-2" onClick={() => onChange(usualScopeDialect)}>{t`back to the usual`}</Cap>
    </details>
  );
}
