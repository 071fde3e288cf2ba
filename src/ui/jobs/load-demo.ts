import { languageTag, t } from "@/core/words/words";
import { parseCaptureCsv } from "@/core/capture/csv";
import { parseScanCsv } from "@/core/scanlog/scan-csv";
import type { Demo, DemoWorked } from "@/store/seed-demo";
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
    worked: await readWorked(),
    captures: await read(demo.captures, (text, id, file) => ({ id, capture: parseCaptureCsv(text, file) })),
    scans: await read(demo.scans, (text, id, file) => ({ id, log: parseScanCsv(text, file) })),
  };
}

function read<T>(files: Listed[], parse: (text: string, id: string, file: string) => T): Promise<T[]> {
  return Promise.all(files.map(async ({ id, file }) => parse(await (await fetch(`/demo/${file}`)).text(), id, file)));
}

/** What the build worked out of each job in the language spoken; nothing where other code did. */
async function readWorked(): Promise<Demo["worked"]> {
  const answer = await fetch(`/demo/worked-out.${languageTag()}.json`);
  if (!answer.ok) return () => undefined;
  const { model, worked } = (await answer.json()) as { model: string; worked: Record<string, DemoWorked> };
  return (id) => (model === MODEL ? worked[id] : undefined);
}
