import { mkdirSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { captureToCsv } from "../src/core/capture/csv";
import { demoWorkshop } from "../src/demo/workshop";

const folder = fileURLToPath(new URL("../public/demo/", import.meta.url));
mkdirSync(folder, { recursive: true });
const { jobs, captures } = demoWorkshop(new Date());
for (const { name, capture } of captures) writeFileSync(folder + name, captureToCsv(capture));
writeFileSync(
  `${folder}workshop.json`,
  JSON.stringify({ jobs, captures: captures.map(({ id, name }) => ({ id, file: name })) }),
);
console.log(`demo workshop: ${jobs.length} jobs, ${captures.length} captures`);
