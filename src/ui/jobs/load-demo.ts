import type { Capture } from "@/core/capture/capture";
import { parseCaptureCsv } from "@/core/capture/csv";

/** The demo workshop as the build script made it: jobs, and capture files by name. */
export async function loadDemo(): Promise<{ jobs: unknown[]; captures: { id: string; capture: Capture }[] }> {
  const response = await fetch("/demo/workshop.json");
  if (!response.ok) throw new Error(`demo workshop: ${response.status}`);
  const demo = (await response.json()) as { jobs: unknown[]; captures: { id: string; file: string }[] };
  const captures = await Promise.all(
    demo.captures.map(async ({ id, file }) => ({
      id,
      capture: parseCaptureCsv(await (await fetch(`/demo/${file}`)).text(), file),
    })),
  );
  return { jobs: demo.jobs, captures };
}
