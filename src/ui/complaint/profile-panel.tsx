"use client";
import { errorWords } from "@/core/words/error-words";
import { t } from "@/core/words/words";
import { nanoid } from "nanoid";
import { useEffect, useState } from "react";
import { UnusableInput } from "@/core/capture/capture";
import { importProfile, PROFILE_VERSION, withProfile, type Profile } from "@/core/job-file/profile";
import type { Job } from "@/core/job/schema";
import { keepBusMap, keptBusMap } from "@/store/bus-map";
import { listProfiles, saveProfile } from "@/store/profiles";
import { download } from "../jobs/download";
import type { ChangeJob } from "../jobs/use-job";
import { Cap } from "../keys/cap";
import { FileCap } from "../keys/file-cap";
import { toast } from "../keys/toast";

/** The car model's set-up, kept once and used again. */
export function ProfilePanel({ job, change }: { job: Job; change: ChangeJob }) {
  const [profiles, setProfiles] = useState<Profile[]>([]);
  useEffect(() => {
    listProfiles().then(setProfiles, (error: unknown) => toast.error(t`Profiles cannot be read: ${errorWords(error)}`));
  }, []);
  const keep = async (profile: Profile) => {
    await saveProfile(profile);
    setProfiles(await listProfiles());
  };
  const own = (): Profile => {
    const busMap = keptBusMap(job.car.name);
    return {
      tastatura: PROFILE_VERSION,
      id: nanoid(10),
      name: job.car.name.replace(/\s+\d+$/, "") || t`car model`,
      setup: job.setup,
      ...(job.diagram ? { diagram: job.diagram } : {}),
      ...(busMap ? { busMap } : {}),
    };
  };
  const take = async (file: File) => {
    try {
      await keep(importProfile(await file.text(), file.name));
    } catch (error) {
      if (!(error instanceof UnusableInput)) throw error;
      toast.error(error.message);
    }
  };
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Car profiles`}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{t`Car model, set up once`}</h2>
      {profiles.length > 0 && (
        <select
          aria-label={t`Use a car profile`}
          className="mt-2 min-h-12 w-full rounded-lg border border-rule bg-paper px-3"
          value=""
          onChange={(event) => {
            const profile = profiles.find(({ id }) => id === event.target.value);
            if (!profile) return;
            change((newest) => withProfile(newest, profile));
            if (profile.busMap) keepBusMap(job.car.name, profile.busMap);
            toast(t`Set up as ${profile.name}.`);
          }}
        >
          <option value="">{t`use a profile…`}</option>
          {profiles.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <Cap
          onClick={() => void keep(own()).then(() => toast(t`Kept for the next car of this model.`))}
        >{t`keep this set-up`}</Cap>
        <Cap onClick={() => download(`${own().name}.profile.json`, JSON.stringify(own(), null, 2))}>{t`as a file`}</Cap>
        <FileCap label={t`Profile file`} accept=".json" onFile={(file) => void take(file)}>{t`open a file`}</FileCap>
      </div>
    </section>
  );
}
