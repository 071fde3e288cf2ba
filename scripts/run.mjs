import { spawn, spawnSync } from "node:child_process";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { createHash } from "node:crypto";
import { fileURLToPath } from "node:url";

export const root = fileURLToPath(new URL("..", import.meta.url));

/** Runs a command to its end and stops the whole script, with its exit code, when it fails. */
export function step(title, command, args, env = {}) {
  console.log(`\n== ${title}`);
  const begun = Date.now();
  const done = spawnSync(command, args, { cwd: root, stdio: "inherit", env: { ...process.env, ...env } });
  if (done.status === 0) return console.log(`${title}: ${secondsSince(begun)} s`);
  console.error(`${title} failed${done.error ? `: ${done.error.message}` : ""}.`);
  process.exit(done.status ?? 1);
}

function secondsSince(begun) {
  return Math.round((Date.now() - begun) / 1000);
}

/** A tool out of node_modules. */
export function tool(title, name, args, env) {
  step(title, process.execPath, [`${root}node_modules/${TOOLS[name]}`, ...args], env);
}

/** Runs tools side by side, each one's words told once it is done; stops the whole script where one fails. */
export async function toolsTogether(tools) {
  const begun = Date.now();
  console.log(`\n== ${tools.map(({ title }) => title).join(", ")}`);
  const failed = await Promise.all(
    tools.map(
      ({ title, name, args }) =>
        new Promise((resolve) => {
          const child = spawn(process.execPath, [`${root}node_modules/${TOOLS[name]}`, ...args], { cwd: root });
          const said = [];
          for (const stream of [child.stdout, child.stderr]) stream.on("data", (piece) => said.push(piece));
          child.on("close", (code) => {
            process.stdout.write(Buffer.concat(said));
            console.log(code === 0 ? `${title}: passed, ${secondsSince(begun)} s` : `${title} failed.`);
            resolve(code !== 0);
          });
        }),
    ),
  );
  if (failed.includes(true)) process.exit(1);
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
export function install() {
  const stamp = `${root}node_modules/.installed`;
  const wanted = createHash("sha256")
    .update(readFileSync(`${root}package-lock.json`))
    .digest("hex");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === wanted) return;
  // Not "npm ci": it wants every platform's binaries in the lock file, and registries need not serve those of others.
  step("install packages", "npm", ["install", "--no-save", "--no-audit", "--no-fund", "--loglevel=error"]);
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
export function build(typesChecked = false) {
  step("words", process.execPath, [`${root}scripts/words.mjs`, "build"]);
  tool("demo workshop", "tsx", ["scripts/make-demo.ts"]);
  tool("production build", "next", ["build"], typesChecked ? { TYPES_CHECKED: "1" } : {});
  step("precache list", process.execPath, ["-e", 'import("./scripts/precache.mjs").then((m) => m.writePrecache())']);
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
