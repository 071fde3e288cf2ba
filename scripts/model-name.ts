import { buildSync } from "esbuild";
import { createHash } from "node:crypto";

/**
 * Names the code that makes a line-up, weighs readings into it and says what comes of them, so that what was worked out by
 * other code is not taken up again: all that the worker reaches, whichever folder it stands in. Run from the project's folder.
 */
export function modelName(): string {
  const built = buildSync({
    entryPoints: ["src/workers/lineup.worker.ts"],
    bundle: true,
    write: false,
    packages: "external",
    format: "esm",
    minify: true,
    logLevel: "error",
  });
  return createHash("sha256").update(built.outputFiles[0]!.text).digest("hex").slice(0, 16);
}
