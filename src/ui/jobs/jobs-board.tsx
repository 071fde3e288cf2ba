"use client";
import { boardWorker, captureWorker } from "../query/workers";
import { msgid, ngettext, t } from "@/core/words/words";
import { ago } from "@/core/units/ago";
import { jt } from "../keys/words";
import clsx from "clsx";
import { Archive, ArchiveRestore, Download, Trash2, Upload } from "lucide-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { UnusableInput } from "@/core/capture/capture";
import { standingReadings } from "@/core/job/derive";
import { boardOrders, boardState, boardStates, inOrder, type BoardOrder, type BoardState } from "@/core/job/board";
import { matchesJob } from "@/core/job/matches";
import { stamped } from "@/core/job/merge";
import type { Job } from "@/core/job/schema";
import { familyWords } from "@/core/circuit/setup";
import { formatShare } from "@/core/units/format";
import {
  lastTouched,
  listJobs,
  onOtherTab,
  removeJob,
  restoreRecord,
  saveJob,
  seedDemo,
  type Unreadable,
} from "@/store/jobs";
import { saveCapture } from "@/store/captures";

import { Cap } from "../keys/cap";
import { FileCap } from "../keys/file-cap";
import { CarMark } from "../keys/car-mark";
import { places } from "../keys/rooms";
import { download } from "./download";
import { RowBoundary } from "./row-boundary";
import { useSettings } from "../settings/use-settings";
import { useBoardRows, type WorkedOut } from "./use-board-rows";
import { toast } from "../keys/toast";

/** The board: one row a job. */
export function JobsBoard({ seedDemo: seed }: { seedDemo: boolean }) {
  const router = useRouter();
  const { settings } = useSettings();
  const [sought, setSought] = useState("");
  const [state, setState] = useState<BoardState | "all">("all");
  const [order, setOrder] = useState<BoardOrder>("worked-on");
  const [list, setList] = useState<{ jobs: Job[]; unreadable: Unreadable[] } | null>(null);
  const refresh = useCallback(
    () =>
      listJobs().then(setList, (error: unknown) =>
        toast.error(t`The store cannot be read: ${String(error)}. Check that this browser allows site data.`, {
          duration: Infinity,
        }),
      ),
    [],
  );
  useEffect(() => {
    void (seed ? seedDemo(async () => (await import("./load-demo")).loadDemo()).then(refresh, refresh) : refresh())
      .then(async () => (await import("@/store/snapshots")).snapshotIfDue(new Date()))
      .catch((error: unknown) =>
        toast.error(t`No copy of the jobs could be made: ${String(error)}. Export those that matter.`),
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
        t`No new job: the browser's store refused it (${String(error)}). Export and delete old jobs, or make room on the disk.`,
        { duration: 20000 },
      );
    }
  };
  const remove = async (id: string, name: string) => {
    const record = await removeJob(id);
    await refresh();
    toast(t`${name} deleted.`, {
      duration: 20000,
      action: { label: t`undo`, onClick: () => void restoreRecord(id, record).then(refresh) },
    });
  };
  const archive = async (job: Job) => {
    const put = (archived: boolean) =>
      saveJob(stamped(job, { ...job, archived }, new Date().toISOString())).then(refresh);
    await put(!job.archived);
    const name = job.car.name || t`unnamed car`;
    toast(job.archived ? t`${name} is back on the board.` : t`${name} put away: found under “archived”.`, {
      action: { label: t`undo`, onClick: () => void put(job.archived ?? false) },
    });
  };
  const removeDemo = async () => {
    const demo = all.filter(isDemo);
    const records = await Promise.all(demo.map(async ({ id }) => [id, await removeJob(id)] as const));
    await refresh();
    toast(ngettext(msgid`${demo.length} demo job deleted.`, `${demo.length} demo jobs deleted.`, demo.length), {
      duration: 20000,
      action: {
        label: t`undo`,
        onClick: () => void Promise.all(records.map(([id, record]) => restoreRecord(id, record))).then(refresh),
      },
    });
  };
  const mend = async ({ id, raw }: Unreadable) => {
    const { mendJob } = await import("@/core/job/mend-job");
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
  const all = list?.jobs ?? NO_JOBS;
  const rows = useBoardRows(all);
  const stateOf = (job: Job) => boardState(job, rows.get(job.id)?.row ?? null);
  const found = all.filter((job) => matchesJob(job, sought));
  const shown = inOrder(
    found.filter((job) => (state === "all" ? stateOf(job) !== "archived" : stateOf(job) === state)),
    order,
    lastTouched,
  );
  const open = (at: number) => shown[at] && router.push(`/bench?job=${shown[at].id}`);
  useHotkeys("1,2,3,4,5,6,7,8,9", (_, { keys }) => open(Number(keys?.join("")) - 1));
  const take = async (file: File) => {
    try {
      const { jobs, refused } = /\.zip$/i.test(file.name)
        ? { jobs: [await takeZip(file)], refused: [] }
        : (await import("@/core/job/file")).importJobs(await file.text(), file.name);
      for (const job of jobs) await saveJob(job);
      await refresh();
      const [first] = jobs;
      toast.success(
        jobs.length === 1
          ? t`${first!.car.name || t`unnamed car`} is on the board; readings already here were kept.`
          : t`${jobs.length} jobs are on the board; readings already here were kept.`,
      );
      if (refused.length > 0) toast.error(t`Not taken: ${refused.slice(0, 3).join("; ")}`, { duration: 20000 });
    } catch (error) {
      toast.error(error instanceof UnusableInput ? error.message : t`Not imported: ${String(error)}`, {
        duration: 20000,
      });
    }
  };
  return (
    <div className="mx-auto max-w-6xl px-4 pb-12">
      <header className="flex flex-wrap items-center gap-3 py-4">
        <h1 className="text-2xl font-bold tracking-tight">tastatura</h1>
        <p className="text-muted">{t`Wheel speed faults, traced to their true cause.`}</p>
        <div className="ml-auto flex flex-wrap gap-2">
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
      {list?.unreadable.map((one) => (
        <div key={one.id} role="alert" className="mb-2 rounded-lg border border-brick bg-brick-wash px-4 py-2">
          <p>{t`A stored job (${one.id}) cannot be read: ${one.why}. It is kept untouched.`}</p>
          <div className="flex flex-wrap gap-2 py-1">
            <Cap onClick={() => void mend(one)}>{t`mend what can be`}</Cap>
            <Cap onClick={() => download(`${one.id}.json`, JSON.stringify(one.raw, null, 2))}>{t`export as it is`}</Cap>
            <Cap onClick={() => void remove(one.id, one.id)}>{t`delete`}</Cap>
          </div>
        </div>
      ))}
      {list !== null && list.jobs.length > 1 && (
        <div className="mb-3 flex flex-wrap items-center gap-3 text-sm text-muted">
          <label className="flex items-center gap-2">
            {t`Find`}
            <input
              type="search"
              value={sought}
              placeholder={t`car, plate, corner`}
              className="min-h-11 w-56 rounded-lg border border-rule bg-card px-3 text-base text-ink"
              onChange={(event) => setSought(event.target.value)}
            />
          </label>
          <div role="group" aria-label={t`Show`} className="flex flex-wrap gap-1">
            {(["all", ...boardStates] as const).map((one) => (
              <button
                key={one}
                type="button"
                aria-pressed={state === one}
                className={clsx(
                  "min-h-11 rounded-full border px-3 text-ink",
                  state === one ? "border-marigold bg-marigold-wash font-semibold" : "border-rule bg-card",
                )}
                onClick={() => setState(one)}
              >
                {STATE_WORDS[one]()}{" "}
                <span className="tabular-nums text-muted">
                  {found.filter((job) => (one === "all" ? stateOf(job) !== "archived" : stateOf(job) === one)).length}
                </span>
              </button>
            ))}
          </div>
          <label className="flex items-center gap-2">
            {t`Order`}
            <select
              className="min-h-11 rounded-lg border border-rule bg-card px-2 text-base text-ink"
              value={order}
              onChange={(event) => setOrder(event.target.value as BoardOrder)}
            >
              {boardOrders.map((one) => (
                <option key={one} value={one}>
                  {ORDER_WORDS[one]()}
                </option>
              ))}
            </select>
          </label>
          {all.some(isDemo) && (
            <button type="button" className="ml-auto min-h-11 underline" onClick={() => void removeDemo()}>
              {t`delete the demo's jobs`}
            </button>
          )}
        </div>
      )}
      {list === null ? (
        <p className="py-16 text-center text-muted">{t`Opening the workshop…`}</p>
      ) : list.jobs.length === 0 ? (
        <div className="rounded-2xl border border-dashed border-rule bg-card p-12 text-center">
          <p className="text-xl font-semibold">{t`No car on the board.`}</p>
          <p className="mt-2 text-muted">{t`Press N to start a job: which corner, what kind of sensor, what is lit. Or import a job file.`}</p>
        </div>
      ) : shown.length === 0 ? (
        <p className="rounded-2xl border border-dashed border-rule bg-card p-12 text-center text-muted">
          {t`No job like that here. Look under another state, or find something else.`}
        </p>
      ) : (
        <ul className="grid gap-3">
          {shown.map((job, at) => (
            <RowBoundary key={job.id} name={job.car.name || job.id}>
              <JobRow
                job={job}
                worked={rows.get(job.id) ?? NOT_YET}
                at={at}
                onArchive={() => void archive(job)}
                onDelete={() => void remove(job.id, job.car.name || t`unnamed car`)}
              />
            </RowBoundary>
          ))}
        </ul>
      )}
    </div>
  );
}

/** A job ZIP: its captures go into the store first, so that the job never points at one that is not there. */
async function takeZip(file: File): Promise<Job> {
  const read = await captureWorker.ask((remote) => remote.unpack(file));
  if (!read.ok) throw new UnusableInput(read.say);
  for (const { id, capture } of read.captures) await saveCapture(id, capture);
  return read.job;
}

async function exportAsFile(job: Job): Promise<void> {
  const { exportJob } = await import("@/core/job/file");
  download(`${job.car.name || "job"}-${job.setup.corner}.json`, exportJob(job));
}

const NO_JOBS: readonly Job[] = [];
const NOT_YET: WorkedOut = { row: null, failed: null };

/** The jobs a workshop to try begins with. */
function isDemo({ id }: Job): boolean {
  return id.startsWith("demo-");
}

const STATE_WORDS: Record<BoardState | "all", () => string> = {
  all: () => t`on the board`,
  open: () => t`open`,
  proven: () => t`proven`,
  repaired: () => t`repaired`,
  archived: () => t`archived`,
};

const ORDER_WORDS: Record<BoardOrder, () => string> = {
  "worked-on": () => t`worked on last`,
  car: () => t`by car`,
  readings: () => t`most readings`,
};

function JobRow({
  job,
  worked: { row, failed },
  at,
  onArchive,
  onDelete,
}: {
  job: Job;
  worked: WorkedOut;
  at: number;
  onArchive: () => void;
  onDelete: () => void;
}) {
  const lead = row?.lead;
  return (
    <li className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 rounded-2xl border border-rule bg-card p-3 lg:grid-cols-[auto_17rem_1fr_auto]">
      <Link href={`/bench?job=${job.id}`} className="cap row-span-2 self-center lg:row-span-1">
        <span className="legend" aria-hidden="true">
          {at < 9 ? at + 1 : ""}
        </span>
        <span>{jt`Open${(<span className="sr-only"> {job.car.name}</span>)}`}</span>
      </Link>
      <div className="self-center">
        <div className="flex items-center gap-3 text-lg font-semibold">
          {job.car.name || t`unnamed car`} <CarMark corner={job.setup.corner} />
        </div>
        <div className="text-sm text-muted">{t`${familyWords[job.setup.family]} · ${standingReadings(job).length} readings`}</div>
      </div>
      <div className="self-center">
        {failed ? (
          <p className="text-brick">{t`Not worked out: ${failed.message}`}</p>
        ) : job.simulated?.practice?.alone ? (
          <p className="text-muted">{t`practice, alone`}</p>
        ) : lead ? (
          <>
            <p className="font-medium">
              <span className="mr-2 font-bold tabular-nums">{formatShare(lead.share)}</span>
              {lead.words} {lead.proven && <b className="text-verdigris">{t`✓ proven`}</b>}
            </p>
            <p className="text-sm text-muted">
              {boardState(job, row) === "repaired"
                ? t`Repaired; see Close-out for the proof of it.`
                : lead.proven
                  ? t`Ready to repair.`
                  : t`Next: ${row.next ?? t`nothing left to measure`}`}
            </p>
          </>
        ) : (
          <p className="text-muted">{t`Working out the suspects…`}</p>
        )}
      </div>
      <div className="col-span-2 flex items-center justify-end gap-3 self-center text-sm text-muted lg:col-span-1">
        <span>{ago(new Date(lastTouched(job)))}</span>
        <Cap aria-label={t`Export ${job.car.name}`} onClick={() => void exportAsFile(job)}>
          <Download size={18} aria-hidden />
        </Cap>
        <Cap
          aria-label={job.archived ? t`Back on the board: ${job.car.name}` : t`Archive ${job.car.name}`}
          onClick={onArchive}
        >
          {job.archived ? <ArchiveRestore size={18} aria-hidden /> : <Archive size={18} aria-hidden />}
        </Cap>
        <Cap aria-label={t`Delete ${job.car.name}`} onClick={onDelete}>
          <Trash2 size={18} aria-hidden />
        </Cap>
      </div>
    </li>
  );
}
