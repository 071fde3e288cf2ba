"use client";
import { t } from "@/core/words/words";
import { useState } from "react";
import type { Capture } from "@/core/capture/capture";
import { rescaled, usualSetting, type ChannelSetting } from "@/core/capture/rescale";
import { decimal } from "@/core/units/decimal";
import { Cap } from "../keys/cap";
import { toast } from "../keys/toast";

const SENSING = () =>
  [
    ["volts", t`volts, as they are`],
    ["shunt", t`over a shunt, Ω`],
    ["clamp", t`clamp, mV per A`],
    ["calibrated", t`calibrated: full scale is, V`],
  ] as const;

/** What each channel really was: its name, probe, shunt or clamp; told before it is judged. */
export function ChannelsPanel({ capture, onApply }: { capture: Capture; onApply: (capture: Capture) => void }) {
  const [settings, setSettings] = useState<ChannelSetting[]>(capture.channels.map(usualSetting));
  const set = (at: number, parts: Partial<ChannelSetting>) =>
    setSettings(settings.map((one, i) => (i === at ? { ...one, ...parts } : one)));
  const apply = () => {
    try {
      onApply(rescaled(capture, settings));
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      toast.error(t`${error.message}. Nothing was changed.`);
    }
  };
  return (
    <details className="rounded-2xl border border-rule bg-card p-4">
      <summary className="min-h-8 cursor-pointer text-sm font-semibold text-muted">{t`Channels: name, probe, shunt or clamp`}</summary>
      {settings.map((setting, i) => (
        <fieldset key={i} className="flex flex-wrap items-center gap-2 border-t border-rule py-2">
          <legend className="sr-only">{t`channel ${i + 1}`}</legend>
          <input
            aria-label={t`Name of channel ${i + 1}`}
            value={setting.name}
            maxLength={60}
            className="min-h-11 w-36 rounded-lg border border-rule bg-paper px-2"
            onChange={(event) => set(i, { name: event.target.value })}
          />
          <select
            aria-label={t`Probe of channel ${i + 1}`}
            className="min-h-11 rounded-lg border border-rule bg-paper px-2"
            value={setting.probe}
            onChange={(event) => set(i, { probe: Number(event.target.value) as ChannelSetting["probe"] })}
          >
            {[1, 10, 100].map((factor) => (
              <option key={factor} value={factor}>{t`probe ×${factor}`}</option>
            ))}
          </select>
          <select
            aria-label={t`What channel ${i + 1} senses`}
            className="min-h-11 rounded-lg border border-rule bg-paper px-2"
            value={setting.sensing.kind}
            onChange={(event) =>
              set(i, {
                sensing:
                  event.target.value === "shunt"
                    ? { kind: "shunt", ohms: 10 }
                    : event.target.value === "clamp"
                      ? { kind: "clamp", millivoltsPerAmp: 100, loops: 6 }
                      : event.target.value === "calibrated"
                        ? { kind: "calibrated", voltsPerUnit: 1 }
                        : { kind: "volts" },
              })
            }
          >
            {SENSING()
              .filter(([kind]) => kind !== "calibrated" || capture.channels[i]?.scale === "unknown")
              .map(([kind, say]) => (
                <option key={kind} value={kind}>
                  {say}
                </option>
              ))}
          </select>
          {setting.sensing.kind === "calibrated" && (
            <Amount
              label={t`full scale of channel ${i + 1}, volts`}
              value={setting.sensing.voltsPerUnit}
              onSet={(voltsPerUnit) => set(i, { sensing: { kind: "calibrated", voltsPerUnit } })}
            />
          )}
          {setting.sensing.kind === "shunt" && (
            <Amount
              label={t`shunt of channel ${i + 1}, ohms`}
              value={setting.sensing.ohms}
              onSet={(ohms) => set(i, { sensing: { kind: "shunt", ohms } })}
            />
          )}
          {setting.sensing.kind === "clamp" && (
            <>
              <Amount
                label={t`clamp of channel ${i + 1}, mV per A`}
                value={setting.sensing.millivoltsPerAmp}
                onSet={(millivoltsPerAmp) =>
                  setting.sensing.kind === "clamp" && set(i, { sensing: { ...setting.sensing, millivoltsPerAmp } })
                }
              />
              <Amount
                label={t`loops through the clamp of channel ${i + 1}`}
                value={setting.sensing.loops}
                onSet={(loops) =>
                  setting.sensing.kind === "clamp" && set(i, { sensing: { ...setting.sensing, loops } })
                }
              />
              <span className="text-sm text-muted">{t`loops`}</span>
            </>
          )}
        </fieldset>
      ))}
      <Cap onClick={apply}>{t`read it again so`}</Cap>
    </details>
  );
}

function Amount({ label, value, onSet }: { label: string; value: number; onSet: (value: number) => void }) {
  return (
    <input
      aria-label={label}
      defaultValue={value}
      inputMode="decimal"
      className="min-h-11 w-20 rounded-lg border border-rule bg-paper px-2 text-right font-mono"
      onChange={(event) => onSet(decimal(event.target.value))}
    />
  );
}
