import { spawn } from "node:child_process";
import { cpus } from "node:os";

/** The seed asked for, or one nobody has seen: no figure should rest on cars the code was mended on. */
export function freshSeed(asked: string | undefined): number {
  return asked === undefined ? Math.floor(Math.random() * 1e6) : Number(asked);
}

/** Runs this very script once for each core with `--shard i/n` and one seed, and gathers the lines of JSON they print. */
export async function inShards<Outcome>(seed: number): Promise<Outcome[]> {
  return (await Promise.all(cpus().map((_, i, { length }) => startShard<Outcome>(`${i}/${length}`, seed)))).flat();
}

function startShard<Outcome>(shard: string, seed: number): Promise<Outcome[]> {
  const child = spawn(
    process.execPath,
    [...process.execArgv, process.argv[1]!, ...process.argv.slice(2), "--seed", String(seed), "--shard", shard],
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
