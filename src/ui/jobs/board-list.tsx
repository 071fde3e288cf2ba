"use client";
import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { useRouter } from "next/navigation";
import { useLayoutEffect, useMemo, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { carState, inOrder, isOn, peopleOf, type BoardState } from "@/core/board/board";
import { cornerJobs } from "@/core/job/corner-in-work";
import { matchesJob } from "@/core/job/matches";
import type { Job } from "@/core/job/schema";
import { t } from "@/core/words/words";
import { lastTouched } from "@/store/jobs";
import { BoardFilters, type Chosen } from "./board-filters";
import { download } from "./download";
import { JobRow } from "./job-row";
import { RowBoundary } from "./row-boundary";
import { useWholeBoardRows } from "./use-board-rows";
import { cornerRows, type CornerRow } from "./use-corner-rows";

/** A row before it was measured. */
const USUAL_ROW_PX = 104;

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
  const [chosen, setChosen] = useState<Chosen>({
    sought: "",
    state: "all",
    order: "worked-on",
    day: null,
    person: null,
  });
  const { sought, state, order, day, person } = chosen;
  const corners = useMemo(() => new Map(jobs.map((job) => [job, cornerJobs(job)])), [jobs]);
  // What is put away is worked out when it is looked at.
  const wanted = useMemo(
    () => [...corners].flatMap(([job, each]) => (Boolean(job.archived) === (state === "archived") ? each : [])),
    [corners, state],
  );
  const rows = useWholeBoardRows(wanted);
  const cornersOf = (job: Job): CornerRow[] => cornerRows(corners.get(job)!, rows);
  const states = useMemo(
    () => new Map(jobs.map((job) => [job, carState(cornerRows(corners.get(job)!, rows))])),
    [jobs, corners, rows],
  );
  const isShown = (job: Job, wanted: BoardState | "all") =>
    wanted === "all" ? states.get(job) !== "archived" : states.get(job) === wanted;
  const people = useMemo(() => [...new Set(jobs.flatMap(peopleOf))].sort(), [jobs]);
  const ordered = useMemo(() => inOrder(jobs, order, lastTouched), [jobs, order]);
  const found = ordered.filter(
    (job) =>
      matchesJob(job, sought) &&
      (day === null || isOn(day, lastTouched(job), new Date())) &&
      (person === null || peopleOf(job).includes(person)),
  );
  const shown = found.filter((job) => isShown(job, state));
  const list = useRef<HTMLUListElement>(null);
  const [above, setAbove] = useState(0);
  const isEmpty = shown.length === 0;
  useLayoutEffect(() => setAbove(list.current?.offsetTop ?? 0), [isEmpty]);
  const virtual = useWindowVirtualizer({
    count: shown.length,
    estimateSize: () => USUAL_ROW_PX,
    getItemKey: (at) => shown[at]!.id,
    overscan: 12,
    scrollMargin: above,
  });
  const open = (at: number) => shown[at] && router.push(`/bench?job=${shown[at].id}`);
  useHotkeys("1,2,3,4,5,6,7,8,9", (_, { keys }) => open(Number(keys?.join("")) - 1));
  return (
    <>
      {jobs.length > 1 && (
        <BoardFilters
          chosen={chosen}
          onChoose={(parts) => setChosen((before) => ({ ...before, ...parts }))}
          counts={(one) => found.filter((job) => isShown(job, one)).length}
          people={people}
          onExport={shown.length > 0 ? () => void exportTogether(shown) : null}
          exported={shown.length}
          onDeleteDemo={jobs.some(isDemo) ? () => onDelete(jobs.filter(isDemo).map(named)) : null}
        />
      )}
      {isEmpty ? (
        <p className="rounded-2xl border border-dashed border-rule bg-card p-12 text-center text-muted">
          {t`No job like that here. Look under another state, or find something else.`}
        </p>
      ) : (
        <ul ref={list} className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map(({ index, key, start }) => {
            const job = shown[index]!;
            return (
              <li
                key={key}
                ref={virtual.measureElement}
                data-index={index}
                className="absolute inset-x-0 top-0 pb-3"
                style={{ transform: `translateY(${start - virtual.options.scrollMargin}px)` }}
              >
                <RowBoundary name={job.car.name || job.id}>
                  <JobRow
                    job={job}
                    corners={cornersOf(job)}
                    at={index}
                    onArchive={() => onArchive(job)}
                    onDelete={() => onDelete([named(job)])}
                  />
                </RowBoundary>
              </li>
            );
          })}
        </ul>
      )}
    </>
  );
}

function named({ id, car }: Job): { id: string; name: string } {
  return { id, name: car.name || t`unnamed car` };
}

/** The jobs a workshop to try begins with. */
function isDemo({ id }: Job): boolean {
  return id.startsWith("demo-");
}

/** These jobs as one file, as a board reads it. */
async function exportTogether(jobs: readonly Job[]): Promise<void> {
  const { exportJobs } = await import("@/core/job-file/file");
  download("tastatura-jobs.json", exportJobs(jobs));
}
