import { spawn } from "node:child_process";
import { cpus } from "node:os";

/** Runs this very script once for each core with `--shard i/n`, and gathers the lines of JSON they print. */
export async function inShards<Outcome>(): Promise<Outcome[]> {
  return (await Promise.all(cpus().map((_, i, { length }) => startShard<Outcome>(`${i}/${length}`)))).flat();
}

function startShard<Outcome>(shard: string): Promise<Outcome[]> {
  const child = spawn(
    process.execPath,
    [...process.execArgv, process.argv[1]!, ...process.argv.slice(2), "--shard", shard],
    { stdio: ["ignore", "pipe", "inherit"] },
  );
  let text = "";
  child.stdout.on("data", (chunk) => (text += String(chunk)));
  return new Promise((resolve, reject) =>
    child.on("close", (code) =>
      code === 0
        ? resolve(
            text
              .trim()
              .split("\n")
              .map((line) => JSON.parse(line) as Outcome),
          )
        : reject(new Error(`shard ${shard} ended with ${code}`)),
    ),
  );
}
