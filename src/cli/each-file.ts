import { spawn } from "node:child_process";
import { readdir } from "node:fs/promises";
import { availableParallelism } from "node:os";
import { join } from "node:path";

/**
 * Runs this very command once for each file of a folder, as many at a time as there are cores, its options the same; how
 * far it has come is told on standard error. @returns by file name what the command answered, or why it could not
 */
export async function analyseEach(folder: string): Promise<Record<string, unknown>> {
  const listed = await readdir(folder, { withFileTypes: true });
  const names = listed.flatMap((one) => (one.isFile() && !one.name.startsWith(".") ? [one.name] : [])).sort();
  const answers = new Map<string, unknown>();
  const queue = names.slice();
  await Promise.all(
    Array.from({ length: availableParallelism() }, async () => {
      for (let name = queue.shift(); name !== undefined; name = queue.shift()) {
        answers.set(name, await answerFor(folder, name));
        process.stderr.write(`${answers.size} of ${names.length}: ${name}\n`);
      }
    }),
  );
  return Object.fromEntries(names.map((name) => [name, answers.get(name)]));
}

function answerFor(folder: string, name: string): Promise<unknown> {
  const args = process.argv.slice(1).map((one) => (one === folder ? join(folder, name) : one));
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [...process.execArgv, ...args], { stdio: ["ignore", "pipe", "pipe"] });
    const said: Record<"stdout" | "stderr", Buffer[]> = { stdout: [], stderr: [] };
    child.stdout.on("data", (piece: Buffer) => said.stdout.push(piece));
    child.stderr.on("data", (piece: Buffer) => said.stderr.push(piece));
    child.on("error", reject);
    child.on("close", (code) => {
      if (code === 0) resolve(JSON.parse(Buffer.concat(said.stdout).toString()));
      else resolve({ error: Buffer.concat(said.stderr).toString().trim() });
    });
  });
}
