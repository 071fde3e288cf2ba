"use client";
import { useState } from "react";
import { instrumentWords } from "@/core/checks/instruments";
import { t } from "@/core/words/words";
import { settable, usualDialect, type Dialect } from "@/instruments/meter/dialect";
import { lineMeter } from "@/instruments/meter/line-meter";
import { linePattern } from "@/instruments/meter/line-pattern";
import type { Meter } from "@/instruments/meter/meter";
import { scpiMeter } from "@/instruments/meter/scpi-meter";
import { serialPort } from "@/instruments/wire/serial-port";
import { simulatedMeterPort } from "@/instruments/meter/simulated-meter";
import { keepMeterSetup, keptMeterSetup, type MeterSetup } from "@/store/meter-setup";
import { Cap } from "../keys/cap";
import { BaudField, CommandField } from "./command-field";
import { InstrumentDialog, useJoining } from "./instrument-dialog";
import { joinMeter } from "./joined-meter";

/** Chooses a meter that speaks for itself, and joins it. */
export function JoinMeterDialog({
  simulated,
  onClose,
}: {
  /** What a meter would show on the simulated car; null on a real one. */
  simulated: Parameters<typeof simulatedMeterPort>[0] | null;
  onClose: () => void;
}) {
  const [setup, setSetup] = useState(keptMeterSetup);
  const joining = useJoining();
  const change = (part: Partial<MeterSetup>) => {
    const next = { ...setup, ...part };
    setSetup(next);
    keepMeterSetup(next);
  };
  const join = (open: Parameters<typeof joinMeter>[0]) => joining.join(() => joinMeter(open).then(onClose));
  const joinSimulated = () =>
    join(async (heard): Promise<Meter> => {
      const meter = await scpiMeter(simulatedMeterPort(simulated!), usualDialect, heard);
      return { ...meter, simulated: true };
    });
  const joinSerial = () =>
    join(async (heard) =>
      setup.kind === "scpi"
        ? scpiMeter(await serialPort(setup.dialect.baud), setup.dialect, heard)
        : lineMeter(await serialPort(setup.lineBaud), setup.pattern, t`meter`, heard),
    );
  const pattern = linePattern(setup.pattern);
  return (
    <InstrumentDialog
      title={t`A meter that sends its readings`}
      lead={t`Its readings appear at the needle; Enter logs them. A meter that types like a keyboard needs none of this: put the cursor in the reading.`}
      simulated={simulated && { says: t`simulated bench meter on the simulated car`, onJoin: joinSimulated }}
      state={joining}
      ready={setup.kind === "scpi" || pattern.ok}
      onSerial={joinSerial}
      onClose={onClose}
    >
      <fieldset className="mt-4">
        <legend className="font-semibold">{t`On a serial port`}</legend>
        {(["scpi", "lines"] as const).map((kind) => (
          <label key={kind} className="flex min-h-12 items-center gap-3">
            <input
              type="radio"
              className="size-6"
              name="meter-kind"
              checked={setup.kind === kind}
              onChange={() => change({ kind })}
            />
            {kind === "scpi"
              ? t`takes orders (SCPI): set to each check by itself`
              : t`only sends its readings, line by line`}
          </label>
        ))}
      </fieldset>
      {setup.kind === "scpi" ? (
        <DialectTable dialect={setup.dialect} onChange={(dialect) => change({ dialect })} />
      ) : (
        <div className="mt-2 grid gap-3 sm:grid-cols-2">
          <BaudField value={setup.lineBaud} onTake={(lineBaud) => change({ lineBaud })} />
          <label className="text-sm text-muted">
            {t`How a line reads: {value}, {unit}, * for anything`}
            <input
              className="min-h-12 w-full rounded-lg border border-rule bg-paper px-2 font-mono text-lg text-ink"
              value={setup.pattern}
              maxLength={120}
              onChange={(event) => change({ pattern: event.target.value })}
            />
          </label>
          <TryLine pattern={pattern} />
        </div>
      )}
    </InstrumentDialog>
  );
}

/** The commands a meter is given, each of them to be changed where its handbook has others. */
function DialectTable({ dialect, onChange }: { dialect: Dialect; onChange: (dialect: Dialect) => void }) {
  const line = (label: string, value: string, take: (text: string) => Dialect) => (
    <CommandField key={label} label={label} value={value} onTake={(text) => onChange(take(text))} />
  );
  return (
    <div className="mt-2">
      <BaudField value={dialect.baud} onTake={(baud) => onChange({ ...dialect, baud })} />
      <details className="mt-1">
        <summary className="min-h-11 cursor-pointer content-center text-sm underline">{t`its commands, where the handbook has others`}</summary>
        <div className="grid gap-x-3 gap-y-2 sm:grid-cols-2">
          {line(t`who it is`, dialect.identify, (identify) => ({ ...dialect, identify }))}
          {line(t`take orders`, dialect.remote, (remote) => ({ ...dialect, remote }))}
          {line(t`one reading`, dialect.read, (read) => ({ ...dialect, read }))}
          {line(t`what it is set to`, dialect.function, (text) => ({ ...dialect, function: text }))}
          {settable.map((one) =>
            line(instrumentWords[one], dialect.set[one], (text) => ({
              ...dialect,
              set: { ...dialect.set, [one]: text },
            })),
          )}
        </div>
        <Cap className="mt-2" onClick={() => onChange(usualDialect)}>{t`back to the usual`}</Cap>
      </details>
    </div>
  );
}

/** A line as the meter sends it, read by the pattern while it is typed. */
function TryLine({ pattern }: { pattern: ReturnType<typeof linePattern> }) {
  const [line, setLine] = useState("0.843 VDC");
  const read = pattern.ok ? pattern.read(line) : null;
  return (
    <label className="text-sm text-muted sm:col-span-2">
      {t`Try it: a line as the meter sends it`}
      <input
        className="min-h-12 w-full rounded-lg border border-rule bg-paper px-2 font-mono text-lg text-ink"
        value={line}
        maxLength={400}
        onChange={(event) => setLine(event.target.value)}
      />
      <span aria-live="polite" className={pattern.ok && read !== null ? "text-verdigris" : "text-brick"}>
        {!pattern.ok ? pattern.say : read === null ? t`This line does not fit.` : t`Read as ${read}.`}
      </span>
    </label>
  );
}
