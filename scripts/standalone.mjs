/** Puts the built app into one folder that runs on any machine with Node alone. usage: node scripts/standalone.mjs [folder] */
import { cpSync, rmSync } from "node:fs";
import { join, resolve } from "node:path";
import { bundleInto } from "./bundled-commands.mjs";
import { build, install, root } from "./run.mjs";

const folder = resolve(process.argv[2] ?? join(root, "out"));
await install();
process.env.STANDALONE = "1";
await build();
rmSync(folder, { recursive: true, force: true });
cpSync(join(root, ".next/standalone"), folder, { recursive: true });
cpSync(join(root, ".next/static"), join(folder, ".next/static"), { recursive: true });
cpSync(join(root, "public"), join(folder, "public"), { recursive: true });
await bundleInto(folder);
console.log(
  `\n${folder}\non any machine with Node: PORT=3000 node server.js; node analyze.mjs FILE; node diagnose.mjs FILE.json`,
);
