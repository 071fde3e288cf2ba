import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { root } from "./run.mjs";

const COMMANDS = ["analyze", "diagnose", "instruments"];
/** Where the commands' sources lie. */
const SOURCES = ["src/cli", "src/core", "src/demo", "src/instruments", "src/words", "package-lock.json"];

/**
 * The commands as one file each that any Node runs: from source each run spends a second on making sense of five hundred
 * files. @returns the folder they lie in
 */
export async function bundledCommands(cache = cacheFolder()) {
  const folder = join(cache, newest().toString(36));
  if (existsSync(folder)) return folder;
  const made = mkdtempSync(join(cache, "making-"));
  await bundleInto(made);
  try {
    renameSync(made, folder);
  } catch (error) {
    // Another run was there first.
    if (!existsSync(folder)) throw error;
    rmSync(made, { recursive: true });
  }
  // Another run may be clearing up as well.
  for (const older of readdirSync(cache).map((name) => join(cache, name)))
    if (older !== folder && statSync(older, { throwIfNoEntry: false })?.mtimeMs < Date.now() - AN_HOUR)
      rmSync(older, { recursive: true, force: true });
  return folder;
}

/** Writes the commands into a folder. */
export async function bundleInto(folder) {
  const { build } = await import("esbuild");
  await build({
    entryPoints: COMMANDS.map((name) => join(root, `src/cli/${name}.ts`)),
    outdir: folder,
    outExtension: { ".js": ".mjs" },
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    logLevel: "error",
  });
}

/** A run that began with an older bundle may still be at work for so long. */
const AN_HOUR = 3_600_000;

function cacheFolder() {
  try {
    return made(join(root, "node_modules/.cache/commands"));
  } catch {
    // A house that may not be written to.
    return made(join(tmpdir(), "tastatura-commands"));
  }
}

function made(folder) {
  mkdirSync(folder, { recursive: true });
  accessSync(folder, constants.W_OK);
  return folder;
}

function newest() {
  let latest = 0;
  const look = (path) => {
    const { mtimeMs } = statSync(path);
    latest = Math.max(latest, mtimeMs);
    if (!statSync(path).isDirectory()) return;
    for (const name of readdirSync(path)) look(join(path, name));
  };
  for (const one of SOURCES) look(join(root, one));
  return Math.round(latest);
}
