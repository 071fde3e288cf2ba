"use client";
import { errorWords } from "@/core/words/error-words";
import { boardWorker, captureWorker } from "../query/workers";
import { msgid, ngettext, t } from "@/core/words/words";
import { jt } from "../keys/words";
import { Upload } from "lucide-react";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { UnusableInput } from "@/core/capture/capture";
import { stamped } from "@/core/job/merge";
import type { Job } from "@/core/job/schema";
import { listJobs, onOtherTab, removeJob, restoreRecord, saveJob, type Unreadable } from "@/store/jobs";
import { addCaptures } from "@/store/captures";

import { Cap } from "../keys/cap";
import { useEarlyKeys } from "../keys/early-keys";
import { FileCap } from "../keys/file-cap";
import { places } from "../keys/rooms";
import { download } from "./download";
import { tellIfNothingKept } from "./keeps-nothing";
import type { Pair } from "./join-dialog";
import { useSettings } from "../settings/use-settings";
import { toast } from "../keys/toast";

const JoinDialog = dynamic(() => import("./join-dialog").then((module) => module.JoinDialog), { ssr: false });
const FolderLine = dynamic(() => import("../shop-folder/folder-line").then((module) => module.FolderLine), {
  ssr: false,
});
const BoardList = dynamic(() => import("./board-list").then((module) => module.BoardList), {
  ssr: false,
  loading: () => <p className="py-16 text-center text-muted">{t`Opening the workshop…`}</p>,
});

/** The board: one row a job. */
export function JobsBoard({ seedDemo: seed }: { seedDemo: boolean }) {
  const router = useRouter();
  const { settings } = useSettings();
  const [pairs, setPairs] = useState<Pair[]>([]);
  const [list, setList] = useState<{ jobs: Job[]; unreadable: Unreadable[] } | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const refresh = useCallback(
    () =>
      listJobs().then(
        (all) => {
          setList(all);
          setRefused(null);
          tellIfNothingKept();
          return true;
        },
        (error: unknown) => {
          setRefused(errorWords(error));
          return false;
        },
      ),
    [],
  );
  useEffect(() => {
    void (seed ? laidOut().then(refresh, refresh) : refresh())
      .then(async (read) => read && (await import("@/store/snapshots")).snapshotIfDue(new Date()))
      .catch((error: unknown) =>
        toast.error(t`No copy of the jobs could be made: ${errorWords(error)}. Export those that matter.`),
      );
    return onOtherTab(() => void refresh());
  }, [refresh, seed]);
  const start = async () => {
    const job = (await import("./new-job")).newJob(settings);
    try {
      await saveJob(job);
      router.push(`/complaint?job=${job.id}`);
    } catch (error) {
      toast.error(
        t`No new job: the browser's store refused it (${errorWords(error)}). Export and delete old jobs, or make room on the disk.`,
        { duration: 20000 },
      );
    }
  };
  const remove = async (gone: readonly { id: string; name: string }[]) => {
    const records = await Promise.all(gone.map(async ({ id }) => [id, await removeJob(id)] as const));
    await refresh();
    const said =
      gone.length === 1
        ? t`${gone[0]!.name} deleted.`
        : ngettext(msgid`${gone.length} job deleted.`, `${gone.length} jobs deleted.`, gone.length);
    toast(said, {
      duration: 20000,
      action: {
        label: t`undo`,
        onClick: () => void Promise.all(records.map(([id, record]) => restoreRecord(id, record))).then(refresh),
      },
    });
  };
  const archive = async (job: Job) => {
    const moved = async (from: Job, archived: boolean): Promise<Job> => {
      const saved = await saveJob(stamped(from, { ...from, archived }, new Date().toISOString()));
      await refresh();
      return saved;
    };
    const saved = await moved(job, !job.archived);
    const name = job.car.name || t`unnamed car`;
    toast(job.archived ? t`${name} is back on the board.` : t`${name} put away: found under “archived”.`, {
      action: { label: t`undo`, onClick: () => void moved(saved, job.archived ?? false) },
    });
  };
  const mend = async ({ id, raw }: Unreadable) => {
    const { mendJob } = await import("@/core/job-file/mend-job");
    const mended = mendJob(raw, new Date());
    if (!mended) return void toast.error(t`Nothing in it can be read. Export it as it is and keep the file.`);
    await saveJob({ ...mended.job, id });
    await refresh();
    toast(
      mended.dropped.length > 0
        ? t`Mended. Left out: ${mended.dropped.slice(0, 5).join("; ")}. The record as it was is kept aside.`
        : t`Mended, nothing left out. The record as it was is kept aside.`,
      { duration: 20000 },
    );
  };
  useEffect(() => () => boardWorker.stop(), []);
  useHotkeys("n", () => void start());
  useHotkeys(
    places.map(({ key }) => key),
    (_, { keys }) => {
      const place = places.find(({ key }) => keys?.includes(key));
      if (place) router.push(place.path);
    },
  );
  useEarlyKeys();
  const put = async (jobs: readonly Job[]) => {
    try {
      for (const job of jobs) await saveJob(job);
      await refresh();
      const [first] = jobs;
      if (first)
        toast.success(
          jobs.length === 1
            ? t`${first.car.name || t`unnamed car`} is on the board; readings already here were kept.`
            : t`${jobs.length} jobs are on the board; readings already here were kept.`,
        );
    } catch (error) {
      toast.error(t`Not imported: ${errorWords(error)}`, { duration: 20000 });
    }
  };
  const take = async (file: File) => {
    try {
      const { jobs, refused } = /\.zip$/i.test(file.name)
        ? { jobs: [await takeZip(file)], refused: [] }
        : (await import("@/core/job-file/file")).importJobs(await file.text(), file.name);
      const { differences } = await import("@/core/job/differences");
      const present = new Map((await listJobs()).jobs.map((job) => [job.id, job]));
      const told = jobs.flatMap((coming): Pair[] => {
        const here = present.get(coming.id);
        return here && differences(here, coming).length > 0 ? [{ here, coming }] : [];
      });
      const asked = new Set(told.map(({ coming }) => coming));
      await put(jobs.filter((job) => !asked.has(job)));
      setPairs(told);
      if (refused.length > 0) toast.error(t`Not taken: ${refused.slice(0, 3).join("; ")}`, { duration: 20000 });
    } catch (error) {
      toast.error(error instanceof UnusableInput ? error.message : t`Not imported: ${errorWords(error)}`, {
        duration: 20000,
      });
    }
  };
  return (
    <div className="mx-auto max-w-6xl px-4 pb-12">
      <header className="flex flex-wrap items-center gap-3 py-4 max-sm:gap-1.5 max-sm:py-2">
        <h1 className="text-2xl font-bold tracking-tight">tastatura</h1>
        <p className="text-muted max-sm:hidden">{t`Wheel speed faults, traced to their true cause.`}</p>
        <div className="few-lines ml-auto flex flex-wrap gap-2 max-sm:ml-0 max-sm:gap-1.5">
          {places.map(({ key, name, path }) => (
            <Link key={key} href={path} className="cap">
              <span className="legend" aria-hidden="true">
                {key.toUpperCase()}
              </span>
              <span>{name()}</span>
            </Link>
          ))}
          <FileCap
            label={t`Job file`}
            accept=".json,.zip,application/json,application/zip"
            hotkey="i"
            onFile={(file) => void take(file)}
          >
            <span className="inline-flex items-center gap-2">{jt`${(<Upload size={16} aria-hidden />)} Import job`}</span>
          </FileCap>
          <Cap legend="N" lead onClick={() => void start()}>{t`New job`}</Cap>
        </div>
      </header>
      <main>
        <FolderLine />
        {pairs.length > 0 && (
          <JoinDialog
            pairs={pairs}
            onJoin={(jobs) => {
              setPairs([]);
              void put(jobs);
            }}
            onLeave={() => {
              setPairs([]);
              toast(t`Left out: the jobs stand as they were.`);
            }}
          />
        )}
        {list?.unreadable.map((one) => (
          <div key={one.id} role="alert" className="mb-2 rounded-lg border border-brick bg-brick-wash px-4 py-2">
            <p>{t`A stored job (${one.id}) cannot be read: ${one.why}. It is kept untouched.`}</p>
            <div className="flex flex-wrap gap-2 py-1">
              <Cap onClick={() => void mend(one)}>{t`mend what can be`}</Cap>
              <Cap
                onClick={() => download(`${one.id}.json`, JSON.stringify(one.raw, null, 2))}
              >{t`export as it is`}</Cap>
              <Cap onClick={() => void remove([{ id: one.id, name: one.id }])}>{t`delete`}</Cap>
            </div>
          </div>
        ))}
        {refused !== null && (
          <div role="alert" className="mb-2 rounded-lg border border-brick bg-brick-wash px-4 py-2">
            <p>{t`The store cannot be read: ${refused}. What it holds is left as it is. Check that this browser allows site data.`}</p>
            <div className="py-1">
              <Cap onClick={() => void refresh()}>{t`try again`}</Cap>
            </div>
          </div>
        )}
        {list === null ? (
          refused === null && <p className="py-16 text-center text-muted">{t`Opening the workshop…`}</p>
        ) : list.jobs.length === 0 ? (
          <div className="rounded-2xl border border-dashed border-rule bg-card p-12 text-center">
            <p className="text-xl font-semibold">{t`No car on the board.`}</p>
            <p className="mt-2 text-muted">{t`Press N to start a job: which corner, what kind of sensor, what is lit. Or import a job file.`}</p>
          </div>
        ) : (
          <BoardList jobs={list.jobs} onArchive={(job) => void archive(job)} onDelete={(jobs) => void remove(jobs)} />
        )}
      </main>
    </div>
  );
}

/** A job ZIP: its captures go into the store first, so that the job never points at one that is not there. */
async function takeZip(file: File): Promise<Job> {
  const read = await captureWorker.ask((remote) => remote.unpack(file));
  if (!read.ok) throw new UnusableInput(read.say);
  await addCaptures(read.captures);
  return read.job;
}

/** Puts the demo workshop into a store that has nothing in it. */
async function laidOut(): Promise<void> {
  const [{ loadDemo }, { seedDemo }] = await Promise.all([import("./load-demo"), import("@/store/seed-demo")]);
  await seedDemo(loadDemo);
}
