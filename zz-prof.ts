import { readFileSync } from "node:fs";
import { diagnosisOf, rankingOf } from "./src/core/bench/diagnosis";
import { progressOf } from "./src/core/bench/progress";
import { replay } from "./src/core/job/replay";
import { parseJob } from "./src/core/job/earlier-jobs";
const id = process.argv[2] ?? "demo-gannet";
const jobs = JSON.parse(readFileSync("public/demo/workshop.json","utf8"));
const raw = (Array.isArray(jobs)?jobs:jobs.jobs).find((j:any)=>j.id===id);
const parsed = parseJob(raw) as any; const job = parsed.data;
for (let k=0;k<3;k++){
const a=performance.now(); const b=replay(job); const c=performance.now();
const r=rankingOf(b as any); const d=performance.now();
const x=diagnosisOf(b, job.policy, progressOf(job)); const e=performance.now();
console.log(id,"replay",(c-a).toFixed(0),"rank",(d-c).toFixed(0),"diagnosis",(e-d).toFixed(0), job.entries.length);
}
