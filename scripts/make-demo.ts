import { mkdirSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { captureToCsv } from "../src/core/capture/csv";
import { scanToCsv } from "../src/core/scanlog/scan-to-csv";
import { shippedLibrary } from "../src/demo/shipped-library";
import { demoWorkshop } from "../src/demo/workshop";

const folder = fileURLToPath(new URL("../public/demo/", import.meta.url));
mkdirSync(folder, { recursive: true });
const { jobs, captures, scans } = demoWorkshop(new Date());
for (const { name, capture } of captures) writeFileSync(folder + name, captureToCsv(capture));
for (const { name, log } of scans) writeFileSync(folder + name, scanToCsv(log));
writeFileSync(`${folder}workshop.json`, JSON.stringify({ jobs, captures: listed(captures), scans: listed(scans) }));
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
