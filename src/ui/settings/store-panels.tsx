import { errorWords } from "@/core/words/error-words";
import { languageTag, t } from "@/core/words/words";
import { useEffect, useState } from "react";
import { exportJobs } from "@/core/job-file/file";
import { listJobs } from "@/store/jobs";
import { listSnapshots, restoreSnapshot, type Snapshot } from "@/store/snapshots";
import { download } from "../jobs/download";
import { Cap } from "../keys/cap";
import { toast } from "../keys/toast";

/** What the browser keeps, and the copies it makes by itself. */
export function StorePanels() {
  return (
    <>
      <StorePanel />
      <SnapshotsPanel />
    </>
  );
}

/** Copies the browser keeps by itself, and the way back. */
function SnapshotsPanel() {
  const [list, setList] = useState<Snapshot[]>([]);
  useEffect(() => {
    listSnapshots().then(setList, (error: unknown) => toast.error(t`The copies cannot be read: ${errorWords(error)}`));
  }, []);
  const restore = async (snapshot: Snapshot) => {
    try {
      const { returned, joined } = await restoreSnapshot(snapshot);
      toast(t`${returned} jobs brought back, ${joined} joined with what is here. Nothing was taken away.`);
    } catch (error) {
      toast.error(t`Not restored: ${errorWords(error)}. What is here was not changed.`);
    }
  };
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Copies`}>
      <h2 className="border-b border-rule pb-1 font-semibold">{t`Copies kept by themselves`}</h2>
      <p className="pt-2 text-sm text-muted">{t`Twice a day, the last eight. Restoring brings back what is missing and takes nothing away.`}</p>
      {list.length === 0 && (
        <p className="pt-2 text-muted">{t`None yet: the first is made when the jobs board opens.`}</p>
      )}
      <ul>
        {list.map((snapshot) => (
          <li key={snapshot.at} className="flex items-center justify-between gap-3 border-t border-rule py-1.5">
            <span>{t`${whenWords(new Date(snapshot.at))} · ${snapshot.jobs.length} jobs`}</span>
            <Cap onClick={() => void restore(snapshot)}>{t`restore`}</Cap>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Day and time as the place writes them. */
const whenWords = (date: Date) =>
  new Intl.DateTimeFormat(languageTag(), { dateStyle: "medium", timeStyle: "short" }).format(date);

function StorePanel() {
  const [used, setUsed] = useState<{ mb: number; persistent: boolean } | null>(null);
  useEffect(() => {
    let live = true;
    const look = async () => {
      if (!navigator.storage) return;
      const [{ usage }, persistent] = await Promise.all([navigator.storage.estimate(), navigator.storage.persisted()]);
      if (live) setUsed({ mb: (usage ?? 0) / 1e6, persistent });
    };
    look().catch((error: unknown) => toast.error(t`The store cannot be asked: ${errorWords(error)}`));
    return () => {
      live = false;
    };
  }, []);
  const keep = async () => {
    const persistent = await navigator.storage.persist();
    setUsed((now) => now && { ...now, persistent });
    toast(
      persistent
        ? t`The browser will not clear this store by itself.`
        : t`The browser did not agree. Export now and then.`,
    );
  };
  const all = async () => {
    const { jobs } = await listJobs();
    download("tastatura-all-jobs.json", exportJobs(jobs));
  };
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Store`}>
      <h2 className="border-b border-rule pb-1 font-semibold">{t`What is kept, and where`}</h2>
      <p className="pt-3">{t`Everything stays in this browser${used ? t`: ${used.mb.toFixed(1)} MB` : ""}. Nothing leaves this machine and its own server; a PDF is set there and not kept.`}</p>
      <p className="text-muted">
        {used?.persistent
          ? t`✓ The browser promised to keep it.`
          : t`A browser may clear it when the disk is full. Ask it to keep the store, and export jobs that matter.`}
      </p>
      <div className="flex flex-wrap gap-2 pt-3">
        <Cap onClick={() => void keep()} disabled={used?.persistent === true}>{t`keep the store`}</Cap>
        <Cap onClick={() => void all()}>{t`all jobs as a file`}</Cap>
      </div>
    </section>
  );
}
