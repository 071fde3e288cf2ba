/**
 * A thousand hostile bodies sent to the analysis route beside a page loaded four times a second: how much slower the page
 * gets, what each kind is answered with, and how large the server grows. Baseline in the same run: the page with nobody else.
 * usage: npm run bench:hostile -- [requests]   (build first)
 */
import { randomBytes } from "node:crypto";
import { readFileSync } from "node:fs";
import { gzipSync } from "node:zlib";
import { Worker } from "node:worker_threads";
import { answers, serve } from "../scripts/run.mjs";

const REQUESTS = Number(process.argv[2] ?? 1000);
const AT_ONCE = 16;
const IDLE_LOADS = 60;
const PORT = 4178;
const ADDRESS = `http://localhost:${PORT}`;

const BODIES: Record<string, Blob> = {
  "gzip of 200 MB": blob(gzipSync(`time,v\n${"0.001,1.5\n".repeat(20_000_000)}`)),
  "line of 120 kB without a separator": text("x".repeat(120_000)),
  "40,000 blanks in a name": text(`time,${" ".repeat(40_000)}v\n0,1\n`),
  "half a gzip": blob(gzipSync("time,v\n0,1\n".repeat(5000)).subarray(0, 200)),
  noise: blob(randomBytes(300_000)),
  "100,000 columns": text(`${"a,".repeat(100_000)}b\n${"1,".repeat(100_000)}2\n`),
  "nothing at all": text(""),
  "numbers that are none": text(`time,v\n${"1e999,NaN\n".repeat(2000)}`),
  "deep JSON": text("[".repeat(200_000)),
};

/** Loads the page when told and says how long it took: a thread of its own, so that the hostile clients' work is not in the time. */
const visitor = new Worker(
  `const { parentPort } = require("node:worker_threads");
   parentPort.on("message", async (address) => {
     const start = performance.now();
     await (await fetch(address)).text();
     parentPort.postMessage(performance.now() - start);
   });`,
  { eval: true },
);
visitor.unref();

const server = serve(PORT);
try {
  if (!(await answers(ADDRESS))) throw new Error("the built app does not answer; build it first");
  for (let i = 0; i < 10; i++) await load();
  const idle: number[] = [];
  for (let i = 0; i < IDLE_LOADS; i++) idle.push(await load());
  const before = residentMb();
  const answersByKind = new Map<string, Map<number, number>>();
  const queue = Array.from({ length: REQUESTS }, (_, i) => Object.keys(BODIES)[i % Object.keys(BODIES).length]!);
  let busy = true;
  let most = before;
  const beside: number[] = [];
  const watching = (async () => {
    while (busy) {
      beside.push(await load());
      most = Math.max(most, residentMb());
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
  })();
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      for (let kind = queue.pop(); kind; kind = queue.pop()) {
        const { status } = await fetch(`${ADDRESS}/api/analyze?name=x`, { method: "POST", body: BODIES[kind]! });
        const counts: Map<number, number> = answersByKind.get(kind) ?? new Map<number, number>();
        answersByKind.set(kind, counts.set(status, (counts.get(status) ?? 0) + 1));
      }
    }),
  );
  busy = false;
  await watching;
  const [alone, pressed] = [at95(idle), at95(beside)];
  console.log(`${REQUESTS} hostile bodies, ${AT_ONCE} at once`);
  console.log(`page, 95th of ${idle.length} loads alone  ${alone.toFixed(0)} ms`);
  console.log(
    `page, 95th of ${beside.length} beside them ${pressed.toFixed(0)} ms, ${(pressed / alone).toFixed(1)} times`,
  );
  console.log(`server: ${before} MB before, ${most} MB at most, ${residentMb()} MB after`);
  for (const [kind, counts] of answersByKind)
    console.log(`  ${kind}: ${[...counts].map(([status, times]) => `${status} × ${times}`).join(", ")}`);
} finally {
  server.kill();
}

function blob(bytes: Uint8Array): Blob {
  return new Blob([new Uint8Array(bytes)]);
}

function text(value: string): Blob {
  return new Blob([value]);
}

function load(): Promise<number> {
  visitor.postMessage(`${ADDRESS}/`);
  return new Promise((resolve) => visitor.once("message", resolve));
}

function at95(values: number[]): number {
  return values.toSorted((a, b) => a - b)[Math.floor(0.95 * values.length)]!;
}

/** Memory of the server's process, from the system's own books. */
function residentMb(): number {
  const kB = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, "utf8"))?.[1];
  return Math.round(Number(kB) / 1024);
}
