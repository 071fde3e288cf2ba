import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { boardRowOf } from "../src/core/bench/board-row";
import { diagnosisOf } from "../src/core/bench/diagnosis";
import { progressOf } from "../src/core/bench/progress";
import { captureToCsv } from "../src/core/capture/csv";
import { cornerJobs } from "../src/core/job/corner-in-work";
import { aloneParts } from "../src/core/replay/beside";
import { replay } from "../src/core/replay/replay";
import type { Job } from "../src/core/job/schema";
import { scanToCsv } from "../src/core/scanlog/scan-to-csv";
import { shippedLibrary } from "../src/demo/shipped-library";
import { demoWorkshop } from "../src/demo/workshop";
import { spokenIn, type Catalogue } from "../src/words/tongue";
import type { DemoWorked } from "../src/store/seed-demo";
import { modelName } from "./model-name";
import { languages } from "./words.mjs";

const folder = fileURLToPath(new URL("../public/demo/", import.meta.url));
mkdirSync(folder, { recursive: true });
const { jobs, captures, scans } = demoWorkshop(new Date());
for (const { name, capture } of captures) writeFileSync(folder + name, captureToCsv(capture));
for (const { name, log } of scans) writeFileSync(folder + name, scanToCsv(log));
writeFileSync(`${folder}workshop.json`, JSON.stringify({ jobs, captures: listed(captures), scans: listed(scans) }));
for (const [tag, worked] of Object.entries(workedOut(jobs)))
  writeFileSync(`${folder}worked-out.${tag}.json`, JSON.stringify({ model: modelName(), worked }));
const shelf = fileURLToPath(new URL("../public/shipped/", import.meta.url));
mkdirSync(shelf, { recursive: true });
const library = shippedLibrary();
for (const { item, capture } of library) writeFileSync(`${shelf}${item.captureId}.csv`, captureToCsv(capture));
writeFileSync(`${shelf}library.json`, JSON.stringify(library.map(({ item }) => item)));
console.log(
  `demo workshop: ${jobs.length} jobs, ${captures.length} captures, ${scans.length} logs; library: ${library.length} recordings`,
);

function listed(files: readonly { id: string; name: string }[]): { id: string; file: string }[] {
  return files.map(({ id, name }) => ({ id, file: name }));
}

/** What the board and the rooms say of each corner in work, by language: a first visit is not kept waiting for it. */
function workedOut(jobs: readonly Job[]): Record<string, Record<string, DemoWorked>> {
  const tongues: readonly [tag: string, catalogue: Catalogue | null][] = [
    ["en", null],
    ...languages().map((tag): [string, Catalogue] => [tag, catalogueOf(tag)]),
  ];
  const worked = Object.fromEntries(tongues.map(([tag]): [string, Record<string, DemoWorked>] => [tag, {}]));
  for (const job of jobs.filter(({ archived }) => !archived).flatMap(cornerJobs)) {
    const belief = replay(job);
    for (const [tag, catalogue] of tongues)
      worked[tag]![job.id] = spokenIn(catalogue, () => {
        const diagnosis = diagnosisOf(belief, job.policy, progressOf(job));
        return { row: boardRowOf(diagnosis, job.beside && aloneParts(job)), diagnosis };
      });
  }
  return worked;
}

function catalogueOf(tag: string): Catalogue {
  return JSON.parse(readFileSync(new URL(`../public/words/${tag}.json`, import.meta.url), "utf8")) as Catalogue;
}
