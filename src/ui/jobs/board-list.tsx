"use client";
import clsx from "clsx";
import { Archive, ArchiveRestore, Download, Trash2 } from "lucide-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { familyWords } from "@/core/circuit/setup";
import {
  boardOrders,
  boardState,
  boardStates,
  carState,
  inOrder,
  type BoardOrder,
  type BoardState,
} from "@/core/job/board";
import { standingReadings } from "@/core/job/derive";
import { cornerJobs } from "@/core/job/corner-in-work";
import { matchesJob } from "@/core/job/matches";
import type { Job } from "@/core/job/schema";
import { ago } from "@/core/units/ago";
import { formatShare } from "@/core/units/format";
import { t } from "@/core/words/words";
import { lastTouched } from "@/store/jobs";
import { Cap } from "../keys/cap";
import { CarMark } from "../keys/car-mark";
import { jt } from "../keys/words";
import { download } from "./download";
import { RowBoundary } from "./row-boundary";
import { useBoardRows } from "./use-board-rows";
import { cornerRows, type CornerRow } from "./use-corner-rows";

/** The jobs of the board, found, filtered and ordered; the first nine by their number. */
export function BoardList({
  jobs,
  onArchive,
  onDelete,
}: {
  jobs: readonly Job[];
  onArchive: (job: Job) => void;
  onDelete: (jobs: readonly { id: string; name: string }[]) => void;
}) {
  const router = useRouter();
  const [sought, setSought] = useState("");
  const [state, setState] = useState<BoardState | "all">("all");
  const [order, setOrder] = useState<BoardOrder>("worked-on");
  const corners = useMemo(() => new Map(jobs.map((job) => [job, cornerJobs(job)])), [jobs]);
  // What is put away is worked out when it is looked at.
  const wanted = useMemo(
    () => [...corners].flatMap(([job, each]) => (Boolean(job.archived) === (state === "archived") ? each : [])),
    [corners, state],
  );
  const rows = useBoardRows(wanted);
  const cornersOf = (job: Job): CornerRow[] => cornerRows(corners.get(job)!, rows);
  const stateOf = (job: Job) => carState(cornersOf(job));
  const isShown = (job: Job, wanted: BoardState | "all") =>
    wanted === "all" ? stateOf(job) !== "archived" : stateOf(job) === wanted;
  const found = jobs.filter((job) => matchesJob(job, sought));
  const shown = inOrder(
    found.filter((job) => isShown(job, state)),
    order,
    lastTouched,
  );
  const open = (at: number) => shown[at] && router.push(`/bench?job=${shown[at].id}`);
  useHotkeys("1,2,3,4,5,6,7,8,9", (_, { keys }) => open(Number(keys?.join("")) - 1));
  return (
    <>
      {jobs.length > 1 && (
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
                <span className="tabular-nums text-muted">{found.filter((job) => isShown(job, one)).length}</span>
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
          {jobs.some(isDemo) && (
            <button
              type="button"
              className="ml-auto min-h-11 underline"
              onClick={() => onDelete(jobs.filter(isDemo).map(named))}
            >
              {t`delete the demo's jobs`}
            </button>
          )}
        </div>
      )}
      {shown.length === 0 ? (
        <p className="rounded-2xl border border-dashed border-rule bg-card p-12 text-center text-muted">
          {t`No job like that here. Look under another state, or find something else.`}
        </p>
      ) : (
        <ul className="grid gap-3">
          {shown.map((job, at) => (
            <RowBoundary key={job.id} name={job.car.name || job.id}>
              <JobRow
                job={job}
                corners={cornersOf(job)}
                at={at}
                onArchive={() => onArchive(job)}
                onDelete={() => onDelete([named(job)])}
              />
            </RowBoundary>
          ))}
        </ul>
      )}
    </>
  );
}

async function exportAsFile(job: Job): Promise<void> {
  const { exportJob } = await import("@/core/job/file");
  download(`${job.car.name || "job"}-${job.setup.corner}.json`, exportJob(job));
}

function named({ id, car }: Job): { id: string; name: string } {
  return { id, name: car.name || t`unnamed car` };
}

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
  corners,
  at,
  onArchive,
  onDelete,
}: {
  job: Job;
  corners: readonly CornerRow[];
  at: number;
  onArchive: () => void;
  onDelete: () => void;
}) {
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
          {job.car.name || t`unnamed car`}{" "}
          <CarMark corner={job.setup.corner} inWork={corners.map(({ corner }) => corner)} />
        </div>
        <div className="text-sm text-muted">{t`${familyWords[job.setup.family]} · ${standingReadings(job).length} readings`}</div>
      </div>
      <div className="grid gap-2 self-center">
        {job.simulated?.practice?.alone ? (
          <p className="text-muted">{t`practice, alone`}</p>
        ) : (
          corners.map((one) => <CornerLine key={one.corner} {...one} named={corners.length > 1} />)
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

/** What is believed of one corner. @param named the car has several in work: which it is, and the way to it */
function CornerLine({ corner, job, row, failed, named }: CornerRow & { named: boolean }) {
  const lead = row?.lead;
  const which = named && (
    <Link className="mr-2 inline-block min-w-8 font-bold underline" href={`/bench?job=${job.id}`}>
      {corner}
    </Link>
  );
  if (failed)
    return (
      <p className="text-brick">
        {which}
        {t`Not worked out: ${failed.message}`}
      </p>
    );
  if (!lead)
    return (
      <p className="text-muted">
        {which}
        {t`Working out the suspects…`}
      </p>
    );
  return (
    <div>
      <p className="font-medium">
        {which}
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
    </div>
  );
}
