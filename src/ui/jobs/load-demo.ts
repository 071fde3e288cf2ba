import { languageTag, t } from "@/core/words/words";
import { parseCaptureCsv } from "@/core/capture/csv";
import { parseScanCsv } from "@/core/scanlog/scan-csv";
import type { Demo } from "@/store/seed-demo";
import { MODEL } from "@/store/worked-out";

interface Listed {
  id: string;
  file: string;
}

/** The demo workshop as the build script made it: jobs, and files of captures and logs by name. */
export async function loadDemo(): Promise<Demo> {
  const response = await fetch("/demo/workshop.json");
  if (!response.ok) throw new Error(t`demo workshop: ${response.status}`);
  const demo = (await response.json()) as { jobs: unknown[]; captures: Listed[]; scans: Listed[] };
  return {
    jobs: demo.jobs,
    row: await readRows(),
    captures: await read(demo.captures, (text, id, file) => ({ id, capture: parseCaptureCsv(text, file) })),
    scans: await read(demo.scans, (text, id, file) => ({ id, log: parseScanCsv(text, file) })),
  };
}

function read<T>(files: Listed[], parse: (text: string, id: string, file: string) => T): Promise<T[]> {
  return Promise.all(files.map(async ({ id, file }) => parse(await (await fetch(`/demo/${file}`)).text(), id, file)));
}

/** What the build worked out of each job in the language spoken; nothing where other code did. */
async function readRows(): Promise<Demo["row"]> {
  const answer = await fetch("/demo/rows.json");
  if (!answer.ok) return () => undefined;
  const { model, rows } = (await answer.json()) as { model: string; rows: Record<string, Record<string, unknown>> };
  return (id) => (model === MODEL ? rows[languageTag()]?.[id] : undefined);
}
