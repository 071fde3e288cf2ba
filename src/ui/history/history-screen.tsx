"use client";
import { errorWords } from "@/core/words/error-words";
import { t } from "@/core/words/words";
import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingState,
} from "@tanstack/react-table";
import Link from "next/link";
import dynamic from "next/dynamic";
import { useEffect, useMemo, useState } from "react";
import { familyWords } from "@/core/circuit/setup";
import { defaultPriors, partLabel, type Part } from "@/core/faults/parts/parts";
import type { Job } from "@/core/job/schema";
import { cornerJobs } from "@/core/job/corner-in-work";
import { historyRow, learntPriors, type HistoryRow } from "@/core/report/history";
import { formulaSafe } from "@/core/units/formula-safe";
import { formatShare } from "@/core/units/format";
import { listJobs } from "@/store/jobs";
import { download } from "../jobs/download";
import { Cap } from "../keys/cap";
import { useSettings } from "../settings/use-settings";
import { PlainHeader } from "../keys/plain-header";
import { toast } from "../keys/toast";

const HistoryCharts = dynamic(() => import("./history-charts").then((module) => module.HistoryCharts), { ssr: false });

const column = createColumnHelper<HistoryRow>();
const columns = [
  column.accessor("car", {
    get header() {
      return t`car`;
    },
    cell: ({ row, getValue }) => (
      <Link className="underline" href={`/close-out?job=${row.original.id}`}>
        {getValue()}
      </Link>
    ),
  }),
  column.accessor("date", {
    get header() {
      return t`date`;
    },
  }),
  column.accessor("corner", {
    get header() {
      return t`corner`;
    },
  }),
  column.accessor("family", {
    get header() {
      return t`sensor`;
    },
    cell: ({ getValue }) => familyWords[getValue()],
  }),
  column.accessor("readings", {
    get header() {
      return t`readings`;
    },
  }),
  column.accessor("minutes", {
    get header() {
      return t`minutes`;
    },
  }),
  column.accessor("part", {
    get header() {
      return t`repaired`;
    },
    cell: ({ getValue, row }) => {
      const part = getValue();
      return part ? `${partLabel(part)}${row.original.guess ? t` (a guess)` : ""}` : t`open`;
    },
  }),
];

/** All jobs of this store: what was at fault, how long it took. */
export function HistoryScreen() {
  const { settings, change } = useSettings();
  const [jobs, setJobs] = useState<Job[] | null>(null);
  const { estimate } = settings;
  const rows = useMemo(() => (jobs ?? []).map((job) => historyRow(job, estimate)), [jobs, estimate]);
  const [whole, setWhole] = useState(false);
  const [sorting, setSorting] = useState<SortingState>([{ id: "date", desc: true }]);
  useEffect(() => {
    listJobs().then(
      ({ jobs }) => setJobs(jobs.filter(({ simulated }) => !simulated?.practice).flatMap(cornerJobs)),
      (error: unknown) => toast.error(t`The store cannot be read: ${errorWords(error)}`),
    );
  }, []);
  // The table package keeps its own state; the compiler leaves this component alone, which is right.
  // eslint-disable-next-line react-hooks/incompatible-library
  const table = useReactTable({
    data: rows,
    columns,
    state: { sorting },
    onSortingChange: setSorting,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const all = table.getRowModel().rows;
  const shown = whole ? all : all.slice(0, FIRST);
  const found = rows.flatMap(({ part, guess }) => (part && !guess ? [part] : []));
  const learnt = learntPriors(defaultPriors, found);
  return (
    <>
      <PlainHeader title={t`History`} />
      <main className="grid gap-4 p-4 lg:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
        <div className="lg:col-span-2">{jobs && <HistoryCharts rows={rows} currency={estimate.currency} />}</div>
        <section className="overflow-x-auto rounded-2xl border border-rule bg-card p-4" aria-label={t`Jobs`}>
          <table className="w-full">
            <thead>
              {table.getHeaderGroups().map((group) => (
                <tr key={group.id} className="text-left text-sm text-muted">
                  {group.headers.map((header) => (
                    <th
                      key={header.id}
                      className={`font-normal ${LEFT_OUT.has(header.column.id) ? "hidden sm:table-cell" : ""}`}
                      aria-sort={ARIA[String(header.column.getIsSorted())]}
                    >
                      <button type="button" className="min-h-11 pr-3" onClick={header.column.getToggleSortingHandler()}>
                        {flexRender(header.column.columnDef.header, header.getContext())}
                        {header.column.getIsSorted() === "asc"
                          ? " ↑"
                          : header.column.getIsSorted() === "desc"
                            ? " ↓"
                            : ""}
                      </button>
                    </th>
                  ))}
                </tr>
              ))}
            </thead>
            <tbody>
              {shown.map((row) => (
                <tr key={row.id} className="border-t border-rule">
                  {row.getVisibleCells().map((cell) => (
                    <td
                      key={cell.id}
                      className={`py-2 pr-3 ${LEFT_OUT.has(cell.column.id) ? "hidden sm:table-cell" : ""}`}
                    >
                      {flexRender(cell.column.columnDef.cell, cell.getContext())}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          <div className="mt-3 flex flex-wrap gap-2">
            {shown.length < all.length && <Cap onClick={() => setWhole(true)}>{t`all ${all.length} jobs`}</Cap>}
            <Cap onClick={() => void saveCsv(rows)}>{t`as CSV`}</Cap>
          </div>
        </section>
        <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`What was at fault`}>
          <h2 className="border-b border-rule pb-1 font-semibold">{t`What this shop finds`}</h2>
          <p className="py-2 text-sm text-muted">{t`${found.length} proven repairs so far, weighed against the usual shares as if those were 40 cars.`}</p>
          <div className="flex flex-wrap gap-2 pb-2">
            <Cap
              disabled={found.length === 0}
              onClick={() => change({ priors: learnt })}
            >{t`begin new jobs with these`}</Cap>
            <Cap disabled={!settings.priors} onClick={() => change({ priors: undefined })}>{t`back to the usual`}</Cap>
          </div>
          <p className="pb-2 text-sm" role="status">
            {settings.priors ? t`New jobs begin with the shop's own shares.` : t`New jobs begin with the usual shares.`}
          </p>
          <ul>
            {(Object.keys(defaultPriors) as Part[])
              .toSorted((a, b) => learnt[b] - learnt[a])
              .map((part) => (
                <li key={part} className="flex justify-between border-t border-rule py-1.5">
                  <span>{partLabel(part)}</span>
                  <span className="font-mono">
                    {formatShare(learnt[part])}{" "}
                    <span className="text-muted">{t`usual ${formatShare(defaultPriors[part])}`}</span>
                  </span>
                </li>
              ))}
          </ul>
        </section>
      </main>
    </>
  );
}

/** Jobs shown at first; the rest on demand. */
const FIRST = 12;
/** Columns that a phone has no room for. */
const LEFT_OUT: ReadonlySet<string> = new Set(["corner", "family", "readings"]);

const ARIA: Record<string, "ascending" | "descending" | "none"> = {
  asc: "ascending",
  desc: "descending",
  false: "none",
};

/** The writer of tables loads when first asked for. */
async function saveCsv(rows: readonly HistoryRow[]): Promise<void> {
  const { default: Papa } = await import("papaparse");
  download("history.csv", Papa.unparse(rows.map((row) => ({ ...row, car: formulaSafe(row.car) }))), "text/csv");
}
