"use client";
import { useState } from "react";
import { motionWords } from "@/core/checks/words";
import {
  placesOf,
  probePlaces,
  recordedState,
  recordingReadings,
  usedChannels,
  type ClippedChannel,
} from "@/core/job/clipped-on";
import type { Job } from "@/core/job/schema";
import type { Reading } from "@/core/observation/reading";
import { isOfCorner } from "@/core/waveform/other-side";
import { t } from "@/core/words/words";
import { useUnits } from "../settings/use-units";

export interface Clipped {
  /** Of each channel the place its probe was on; null where it is not used. */
  places: (string | null)[];
  used: ClippedChannel[];
  tell: (channel: number, place: string | null) => void;
  readings: (options: { watched?: boolean }) => Reading[];
}

/** Where the probes of a recording were: the usual places, and what was told of them. @param shown the channel looked at */
export function useClippedOn(job: Job, id: string, channels: readonly ClippedChannel[], shown: number): Clipped {
  const [of, setOf] = useState<{ id: string; told: ReadonlyMap<number, string | null> }>({ id, told: new Map() });
  const told = of.id === id ? of.told : undefined;
  const places = placesOf(job, channels, shown, told);
  return {
    places,
    used: usedChannels(job.setup.corner, channels, places),
    tell: (channel, place) => setOf({ id, told: new Map([...(told ?? []), [channel, place]]) }),
    readings: (options) => recordingReadings(job.setup, channels, places, { id, ...options }),
  };
}

/** Where the probe of each channel was, to be told before the recording is used. */
export function ClippedOn({
  job,
  channels,
  clipped,
}: {
  job: Job;
  channels: readonly ClippedChannel[];
  clipped: Clipped;
}) {
  const say = useUnits();
  const own = channels.flatMap((channel, i) =>
    isOfCorner(channel.name, job.setup.corner) && !channel.isSupply ? [{ channel, i }] : [],
  );
  const { wheel, speedKmh } = recordedState(clipped.used);
  if (own.length === 0) return null;
  return (
    <fieldset className="pt-2 text-sm">
      <legend className="sr-only">{t`Where the probe was`}</legend>
      {own.map(({ channel, i }) => (
        <label key={i} className="mt-1 flex flex-wrap items-center gap-x-2">
          <span className="text-muted">{own.length > 1 ? t`${channel.name}, probe on` : t`Probe on`}</span>
          <select
            className="min-h-11 min-w-0 grow basis-64 rounded-lg border border-rule bg-paper px-2"
            value={clipped.places[i] ?? ""}
            onChange={(event) => clipped.tell(i, event.target.value || null)}
          >
            {(own.length > 1 || clipped.places[i] === null) && <option value="">{t`elsewhere: not used`}</option>}
            {probePlaces(job.setup).map(({ point, say: words }) => (
              <option key={point} value={point}>
                {words}
              </option>
            ))}
          </select>
        </label>
      ))}
      {clipped.used.length > 0 && (
        <p className="mt-1 text-muted">
          {wheel === "driven"
            ? say(t`Judged as driven at ${speedKmh ?? 0} km/h.`)
            : t`Judged as: ${motionWords(wheel)}.`}
        </p>
      )}
    </fieldset>
  );
}
