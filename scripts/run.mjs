import { spawn, spawnSync } from "node:child_process";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { createHash } from "node:crypto";
import { fileURLToPath } from "node:url";

export const root = fileURLToPath(new URL("..", import.meta.url));

/**
 * Runs a command to its end and stops the whole script, with its exit code, when it fails.
 * @param held its words are told once it is done, because another runs beside it
 */
export function step(title, command, args, { env = {}, held = false } = {}) {
  if (!held) console.log(`\n== ${title}`);
  const begun = Date.now();
  const child = spawn(command, args, {
    cwd: root,
    stdio: held ? ["ignore", "pipe", "pipe"] : "inherit",
    env: { ...process.env, ...env },
  });
  running.add(child);
  const said = held ? [`\n== ${title}\n`] : [];
  for (const stream of held ? [child.stdout, child.stderr] : []) stream.on("data", (piece) => said.push(piece));
  return new Promise((resolve) => {
    child.on("error", (error) => said.push(`${error.message}\n`));
    child.on("close", (code) => {
      running.delete(child);
      process.stdout.write(Buffer.concat(said.map((piece) => Buffer.from(piece))));
      if (code === 0) {
        console.log(`${title}: ${Math.round((Date.now() - begun) / 1000)} s`);
        return resolve();
      }
      console.error(`${title} failed.`);
      for (const other of running) other.kill();
      process.exit(code || 1);
    });
  });
}

const running = new Set();

/** A tool out of node_modules. */
export function tool(title, name, args, how) {
  return step(title, process.execPath, [`${root}node_modules/${TOOLS[name]}`, ...args], how);
}

const TOOLS = {
  eslint: "eslint/bin/eslint.js",
  tsc: "typescript/bin/tsc",
  depcruise: "dependency-cruiser/bin/dependency-cruise.mjs",
  vitest: "vitest/vitest.mjs",
  knip: "knip/bin/knip.js",
  next: "next/dist/bin/next",
  playwright: "@playwright/test/cli.js",
  tsx: "tsx/dist/cli.mjs",
};

/** Installs the packages of the lock file unless they are there already. */
export async function install() {
  const stamp = `${root}node_modules/.installed`;
  const wanted = createHash("sha256")
    .update(readFileSync(`${root}package-lock.json`))
    .digest("hex");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === wanted) return;
  // Not "npm ci": it wants every platform's binaries in the lock file, and registries need not serve those of others.
  await step("install packages", "npm", ["install", "--no-save", "--no-audit", "--no-fund", "--loglevel=error"]);
  writeFileSync(stamp, wanted);
}

/** Debian's Chromium for the browser tests, through apt when it is missing and allowed. */
export function needChromium() {
  if (existsSync("/usr/bin/chromium")) return;
  console.log("\n== install Chromium");
  const quiet = { stdio: "inherit", env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" } };
  spawnSync("apt-get", ["update", "-qq"], quiet);
  spawnSync("apt-get", ["install", "-y", "-qq", "chromium"], quiet);
  if (existsSync("/usr/bin/chromium")) return;
  console.error("Chromium is missing and could not be installed. Run: apt-get install chromium, as an administrator.");
  process.exit(1);
}

/** Makes the demo files and the production build. @param typesChecked the build need not check them once more */
export async function build({ typesChecked = false, held = false } = {}) {
  const node = (title, ...args) => step(title, process.execPath, args, { held });
  await node("words", `${root}scripts/words.mjs`, "build");
  await tool("demo workshop", "tsx", ["scripts/make-demo.ts"], { held });
  await tool("production build", "next", ["build"], { held, env: typesChecked ? { TYPES_CHECKED: "1" } : {} });
  await node("precache list", "-e", 'import("./scripts/precache.mjs").then((m) => m.writePrecache())');
}

/** Starts the built app with the demo workshop. @returns the child process */
export function serve(port) {
  return spawn(process.execPath, [`${root}node_modules/${TOOLS.next}`, "start", "-p", String(port)], {
    cwd: root,
    stdio: ["ignore", "ignore", "inherit"],
    env: { ...process.env, TASTATURA_DEMO: "1" },
  });
}

/** Waits until an address answers. */
export async function answers(address, tries = 120) {
  for (let i = 0; i < tries; i++) {
    const ok = await fetch(address).then(
      (response) => response.ok,
      () => false,
    );
    if (ok) return true;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  return false;
}
